/**
 * A studio of decades, made up: so many students, pieces, sections with their chunks and records, and page pictures, as
 * the text of a studio file, bit by bit.
 */
import { dayOf, openAbc, studioFileHead, STUDIO_FILE_END } from '../src/core/studio';

export interface Size {
  readonly students: number;
  readonly pieces: number;
  readonly sections: number;
  readonly chunks: number;
  readonly records: number;
  readonly pictures: number;
}

/** As the issue names it. */
export const DECADES: Size = {
  students: 60,
  pieces: 40,
  sections: 20,
  chunks: 3,
  records: 500_000,
  pictures: 100,
};

const ZERO = Date.UTC(2012, 0, 2, 14);
const MINUTE = 60_000;
const DAY = 86_400_000;
/** When the newest record was made. */
const END = Date.UTC(2026, 4, 18, 16);
const iso = (ms: number): string => new Date(ms).toISOString();
const AT = iso(ZERO);

/** Numbers that look like chance and are the same every time. */
function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}
const hex = (random: () => number, length: number): string =>
  Array.from({ length }, () => Math.floor(random() * 16).toString(16)).join('');
const uuid = (random: () => number): string =>
  `${hex(random, 8)}-${hex(random, 4)}-4${hex(random, 3)}-a${hex(random, 3)}-${hex(random, 12)}`;

const abc = (title: string, bars: number): string => {
  const bar = ['C D E F', 'G A B c', 'c B A G', 'F E D C'];
  const music = Array.from({ length: bars }, (_, i) => bar[(i * 7 + title.length) % 4]).join(' | ');
  return `X:1\nT:${title}\nM:4/4\nL:1/4\nQ:1/4=92\nK:C\n${music} |]`;
};

function pieceRow(p: number, bars: number): object {
  const title = `Made-up piece ${p + 1}`;
  const opened = openAbc(abc(title, bars), `piece-${p}.abc`);
  if (!opened.ok) throw new Error(opened.issue.message);
  const { text, original } = opened.value;
  return {
    id: `p${p}`,
    title,
    composer: 'Nobody',
    format: 'abc',
    fileName: `piece-${p}.abc`,
    source: text,
    encoding: 'utf-8',
    bom: false,
    original,
    instrument: 'piano',
    targetTempo: null,
    addedAt: AT,
    updatedAt: AT,
    touched: { id: AT },
  };
}

const placeRow = (over: object): object => ({
  name: '',
  letter: '',
  fromOffset: '0',
  toOffset: null,
  parentId: null,
  likeId: null,
  hand: 'all',
  updatedAt: AT,
  touched: { id: AT },
  ...over,
});

/** Sections of two bars each, and their chunks. */
function* placesOf(p: number, { sections, chunks }: Size): Generator<object> {
  for (let s = 0; s < sections; s += 1) {
    const [fromBar, toBar] = [`bar-${s * 2 + 1}`, `bar-${s * 2 + 2}`];
    const at = { pieceId: `p${p}`, fromBar, toBar };
    yield placeRow({ ...at, id: `p${p}s${s}`, kind: 'section', name: `Part ${s + 1}`, letter: `S${s + 1}`, order: s });
    for (let c = 0; c < chunks; c += 1)
      yield placeRow({
        ...at,
        id: `p${p}s${s}c${c}`,
        kind: 'chunk',
        name: `bars ${s * 2 + 1}–${s * 2 + 2}, ${c + 1}`,
        parentId: `p${p}s${s}`,
        order: c,
      });
  }
}

const wayRow = (p: number, { sections, chunks }: Size): object => ({
  id: `way~p${p}`,
  pieceId: `p${p}`,
  studentId: null,
  steps: Array.from({ length: sections }, (_, s) => [
    ...Array.from({ length: chunks }, (__, c) => ({ sectionId: `p${p}s${s}c${c}`, why: 'new' })),
    { sectionId: `p${p}s${s}`, why: 'whole' },
  ]).flat(),
  own: false,
  aside: {},
  removed: [],
  updatedAt: AT,
  touched: { id: AT },
});

const studentRow = (i: number, pieces: number): object => ({
  id: `st${i}`,
  name: `Student ${i + 1}`,
  instrument: 'piano',
  age: String(7 + (i % 50)),
  handSpanInSemitones: null,
  breathSpanInSeconds: null,
  minutesPerDay: [20, 20, 20, 20, 20, 0, 0],
  pieceIds: [0, 1, 2].map((k) => `p${(i + k) % pieces}`),
  order: i,
  updatedAt: AT,
  touched: { id: AT },
});

/** What is given for a week. */
const weekItems = (random: () => number, p: number, size: Size): readonly object[] =>
  Array.from({ length: 4 }, () => ({
    id: uuid(random),
    kind: 'rung',
    pieceId: `p${p}`,
    sectionId: `p${p}s${Math.floor(random() * size.sections)}`,
    what: 'hands together, slowly, three times right in a row',
    tempo: 60,
    minutes: 4,
    days: [0, 1, 2, 3, 4],
    timesADay: 1,
    by: 'lesson',
    cue: '',
    why: 'next step',
  }));

/**
 * The life of one student: lessons a week apart; in each something is said and given, sections and chunks of one piece
 * are heard, and between them there is practice. One in two hundred records is taken back.
 */
function* recordsOf(i: number, size: Size): Generator<object> {
  const random = chance(7919 * (i + 1));
  const most = Math.floor(size.records / size.students);
  const IN_LESSON = 20;
  const lessons = Math.ceil(most / IN_LESSON);
  const studentId = `st${i}`;
  let made = 0;
  for (let l = 0; l < lessons; l += 1) {
    const at = END - (lessons - l) * 7 * DAY + (i % 5) * DAY + (i % 8) * 30 * MINUTE;
    const p = (Math.floor((l / lessons) * size.pieces * 3) + (l % 3) + i) % size.pieces;
    const lessonId = uuid(random);
    const records: object[] = [
      { id: lessonId, at: iso(at), kind: 'lesson', studentId, minutes: 30 },
      { id: uuid(random), at: iso(at + 29 * MINUTE), kind: 'said', studentId, lessonId, text: 'Count aloud at home.' },
      {
        id: uuid(random),
        at: iso(at + 28 * MINUTE),
        kind: 'assignment',
        studentId,
        lessonId,
        items: weekItems(random, p, size),
        leftOut: [],
        cue: '',
        minutesAvailable: 100,
      },
    ];
    for (let k = 0; k < 17; k += 1) {
      const s = Math.floor(random() * size.sections);
      const chunk = random() < 0.5 ? `c${Math.floor(random() * size.chunks)}` : '';
      const sectionId = `p${p}s${s}${chunk}`;
      const base = { id: uuid(random), studentId, pieceId: `p${p}`, sectionId };
      if (k < 10)
        records.push({
          ...base,
          at: iso(at + (k + 1) * MINUTE),
          kind: 'level',
          level: Math.min(5, Math.floor(random() * 3 + (3 * l) / lessons)),
          proposed: null,
          tempo: random() < 0.5 ? 60 + Math.floor(random() * 40) : null,
          note: '',
          facets: { notes: true, rhythm: random() < 0.8, fingering: random() < 0.7 },
          lessonId,
        });
      else if (k < 13)
        records.push({
          ...base,
          at: iso(at + (k + 1) * MINUTE),
          kind: 'rung',
          rungId: `rung~${sectionId}~${k}`,
          done: true,
          lessonId,
        });
      else {
        const day = at + (k - 12) * DAY;
        records.push({
          ...base,
          at: iso(day),
          kind: 'practice',
          day: dayOf(iso(day), 'UTC'),
          minutes: 5,
          times: 6,
          tempo: null,
          note: '',
        });
      }
    }
    const last = records.at(-1) as { readonly id: string };
    if (random() < 0.1)
      records.splice(-1, 1, last, { id: uuid(random), at: iso(at + 6 * DAY), kind: 'retract', target: last.id });
    for (const record of records) {
      if (made === most) return;
      made += 1;
      yield record;
    }
  }
}

/** A picture that is none: as long as that of a page. */
const pictureRow = (i: number): object => ({
  id: `page${i}`,
  pieceId: `p${i % 40}`,
  name: `page-${i}.jpg`,
  type: 'image/jpeg',
  data: Buffer.from(Uint8Array.from({ length: 300_000 }, (_, k) => (k * 31 + i * 17) & 255)).toString('base64'),
  order: i,
  updatedAt: AT,
  touched: { id: AT },
});

function* some<T>(count: number, of: (i: number) => T): Generator<T> {
  for (let i = 0; i < count; i += 1) yield of(i);
}
function* each<T>(count: number, of: (i: number) => Iterable<T>): Generator<T> {
  for (let i = 0; i < count; i += 1) yield* of(i);
}

/** The studio file, in pieces of about a hundred thousand characters. */
export function* decadesAsText(size: Size): Generator<string> {
  const lists: readonly (readonly [string, Iterable<object>])[] = [
    ['pieces', some(size.pieces, (p) => pieceRow(p, size.sections * 2))],
    ['sections', each(size.pieces, (p) => placesOf(p, size))],
    ['ways', some(size.pieces, (p) => wayRow(p, size))],
    ['students', some(size.students, (i) => studentRow(i, size.pieces))],
    ['pages', some(size.pictures, pictureRow)],
    ['events', each(size.students, (i) => recordsOf(i, size))],
  ];
  let text = studioFileHead('2026-05-18T16:00:00.000Z');
  for (const [n, [name, rows]] of lists.entries()) {
    text += `${n === 0 ? '' : ','}\n"${name}":[`;
    let first = true;
    for (const row of rows) {
      text += `${first ? '' : ','}\n${JSON.stringify(row)}`;
      first = false;
      if (text.length > 100_000) {
        yield text;
        text = '';
      }
    }
    text += ']';
  }
  yield text + STUDIO_FILE_END;
}
