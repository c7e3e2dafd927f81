import { buildLadder } from '@/core/ladder';
import { openAbc, type Level, type Piece, type Section, type Student, type Studio, type StudioEvent } from '@/core/studio';
import { GULL_STUDY } from './pieces/gull-study';
import { HARBOUR_LIGHTS } from './pieces/harbour-lights';

/** A small seeded generator (mulberry32), so that the demo is the same every time. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

interface DemoPiece {
  readonly id: string;
  readonly abc: string;
  readonly instrument: string;
  readonly sections: readonly { readonly letter: string; readonly name: string; readonly from: number; readonly to: number }[];
  readonly fingers: readonly (readonly [string, string])[];
  readonly cues: readonly (readonly [string, string])[];
}

const PIECES: readonly DemoPiece[] = [
  {
    id: 'demo-quay',
    abc: HARBOUR_LIGHTS,
    instrument: 'piano',
    sections: [
      { letter: 'A', name: 'First lamps', from: 0, to: 7 },
      { letter: 'B', name: 'Out on the water', from: 8, to: 15 },
      { letter: 'A′', name: 'Lamps again', from: 16, to: 23 },
    ],
    fingers: [
      ['p1-b1-n1', '2'],
      ['p1-b1-n2', '3'],
      ['p1-b1-n3', '4'],
      ['p1-b1-n4', '5'],
      ['p1-b1-n5', '2'],
      ['p1-b1-n6', '5'],
      ['p1-b1-n7', '1'],
      ['p1-b1-n8', '2'],
      ['p1-b1-n9', '1'],
      ['p1-b2-n1', '4'],
      ['p1-b2-n2', '2'],
      ['p1-b2-n3', '1'],
    ],
    cues: [
      ['p1-b3-n1', 'look up before the lamp'],
      ['p1-b9-n1', 'a step brighter'],
    ],
  },
  {
    id: 'demo-gull',
    abc: GULL_STUDY,
    instrument: 'flute',
    sections: [
      { letter: 'A', name: 'Rising', from: 0, to: 7 },
      { letter: 'B', name: 'Gliding down', from: 8, to: 15 },
    ],
    fingers: [],
    cues: [['p1-b1-n1', 'breathe with the wave']],
  },
];

const STUDENTS: readonly {
  readonly id: string;
  readonly name: string;
  readonly instrument: string;
  readonly age: string;
  readonly span: number | null;
  readonly breath: number | null;
  readonly pace: number;
}[] = [
  { id: 'demo-imke', name: 'Imke', instrument: 'piano', age: '11', span: 12, breath: null, pace: 0.75 },
  { id: 'demo-oskar', name: 'Oskar', instrument: 'flute', age: '13', span: null, breath: 8, pace: 0.5 },
];

/** The demo studio, made relative to `now` with a fixed seed. */
export function buildDemoStudio(now: Date): Studio {
  const chance = seeded(4620);
  const day = (ago: number): string => new Date(now.getTime() - ago * 86_400_000).toISOString();
  const start = day(60);
  const studio: Studio = { pieces: [], sections: [], marks: [], ladders: [], templates: [], students: [], events: [], pages: [], settings: [] };
  const events: StudioEvent[] = [];
  STUDENTS.forEach((s, order) => {
    const student: Student = {
      id: s.id,
      name: s.name,
      instrument: s.instrument,
      age: s.age,
      handSpanInSemitones: s.span,
      breathSpanInSeconds: s.breath,
      minutesPerDay: [20, 20, 15, 20, 20, 0, 10],
      order,
      updatedAt: start,
    };
    studio.students.push(student);
  });
  for (const demo of PIECES) {
    const opened = openAbc(demo.abc, `${demo.id}.abc`);
    if (!opened.ok) throw new Error(opened.issue.message);
    const { read, text } = opened.value;
    const { score } = read;
    const piece: Piece = {
      id: demo.id,
      title: score.title,
      composer: score.composer,
      format: 'abc',
      fileName: `${demo.id}.abc`,
      source: text,
      encoding: 'utf-8',
      bom: false,
      original: demo.abc,
      instrument: demo.instrument,
      targetTempo: null,
      addedAt: start,
      updatedAt: start,
    };
    studio.pieces.push(piece);
    demo.sections.forEach((s, i) => {
      const section: Section = {
        id: `${demo.id}-s${i + 1}`,
        pieceId: demo.id,
        name: s.name,
        letter: s.letter,
        fromBar: score.bars[s.from]?.id ?? '',
        toBar: score.bars[s.to]?.id ?? '',
        fromOffset: '0',
        toOffset: null,
        parentId: null,
        likeId: null,
        hand: 'all',
        order: s.from,
        updatedAt: start,
      };
      studio.sections.push(section);
      let rung = 0;
      const rungs = buildLadder({
        score,
        from: s.from,
        to: s.to,
        instrument: demo.instrument,
        targetTempo: null,
        newId: () => `${section.id}-r${(rung += 1)}`,
      });
      studio.ladders.push({ id: `${section.id}-ladder`, sectionId: section.id, pieceId: demo.id, rungs, updatedAt: start });
      for (const student of STUDENTS) {
        if (student.instrument !== demo.instrument) continue;
        let level = 0;
        for (let week = 7 - i; week >= 0; week -= 1) {
          if (chance() < student.pace && level < 5) level += 1;
          else if (chance() < 0.1 && level > 1) level -= 1;
          if (level === 0) continue;
          events.push({
            id: `${section.id}-${student.id}-w${week}`,
            at: day(week * 7 + 2),
            kind: 'level',
            studentId: student.id,
            pieceId: demo.id,
            sectionId: section.id,
            level: level as Level,
            proposed: (chance() < 0.15 ? Math.max(0, level - 1) : level) as Level,
            tempo: null,
            note: '',
          });
        }
        rungs.slice(0, Math.min(rungs.length, level * 2)).forEach((r) =>
          events.push({
            id: `${r.id}-${student.id}`,
            at: day(3),
            kind: 'rung',
            studentId: student.id,
            pieceId: demo.id,
            sectionId: section.id,
            rungId: r.id,
            done: true,
          }),
        );
      }
    });
    const base = { pieceId: demo.id, studentId: null, source: 'teacher' as const, updatedAt: start };
    demo.fingers.forEach(([noteId, finger]) => studio.marks.push({ ...base, id: `${demo.id}-f-${noteId}`, kind: 'finger', noteId, finger }));
    demo.cues.forEach(([noteId, text]) => studio.marks.push({ ...base, id: `${demo.id}-c-${noteId}`, kind: 'cue', noteId, text }));
  }
  return { ...studio, events };
}
