import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { writtenMidi, type Note, type Pitch, type Score, type Step } from '../score';
import { phraseEnds, proposeSections } from '../sections';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { midiKey } from '../units';
import { findHarmony } from './find-harmony';

const FOLDER = 'tests/pieces/training';
const NAMES = readdirSync(FOLDER).filter((name) => name.endsWith('.abc'));
const abcOf = (name: string): string => readFileSync(`${FOLDER}/${name}`, 'utf8');

const FIFTHS: readonly Step[] = ['F', 'C', 'G', 'D', 'A', 'E', 'B'];
/** A pitch a perfect fifth higher, as a transposed edition spells it. */
function fifthUp(pitch: Pitch): Pitch {
  const at = FIFTHS.indexOf(pitch.step) + 1;
  const raised = { step: FIFTHS[at % 7] ?? 'C', alter: pitch.alter + (at > 6 ? 1 : 0), octave: pitch.octave };
  return writtenMidi(raised) > writtenMidi(pitch) ? raised : { ...raised, octave: pitch.octave + 1 };
}
const moved = (score: Score): Score => ({
  ...score,
  bars: score.bars.map((b) => ({ ...b, key: { ...b.key, fifths: b.key.fifths + 1 } })),
  notes: score.notes.map((n): Note => ({
    ...n,
    pitch: n.pitch ? fifthUp(n.pitch) : null,
    midi: n.midi === null ? null : midiKey(n.midi + 7),
  })),
});

/** Everything of a piece that is asked below, without the names of its notes. */
function judged(score: Score) {
  const sections = proposeSections(score);
  const { beats, keys, cadences } = findHarmony(score, phraseEnds(score, sections));
  return {
    roots: beats.map((b) => b.root),
    kinds: beats.map((b) => b.kind),
    keys: keys.map((k) => [k.from, k.to, k.tonic, k.mode]),
    cadences: cadences.map((c) => [c.bar, c.beat, c.kind]),
    form: sections.map((s) => [s.letter, s.from, s.to, s.phrases.map((p) => p.from)]),
  };
}
const upAFifth = (root: number | null): number | null => (root === null ? null : (root + 7) % 12);

describe.each(NAMES)('%s', (name) => {
  const score = scoreOfAbc(abcOf(name));
  const plain = judged(score);
  it('moved a fifth higher moves its chords and keys and nothing else', () => {
    const higher = judged(moved(score));
    expect(higher).toEqual({
      ...plain,
      roots: plain.roots.map(upAFifth),
      keys: plain.keys.map(([from, to, tonic, mode]) => [from, to, upAFifth(Number(tonic)), mode]),
    });
  });
  it('is the same whatever order the file has its notes in', () =>
    expect(judged({ ...score, notes: [...score.notes].reverse() })).toEqual(plain));
  it('is the same with a part that rests', () => {
    const silent = { ...(score.parts[0] as Score['parts'][number]), id: 'rests', name: 'Tacet' };
    expect(judged({ ...score, parts: [...score.parts, silent] })).toEqual(plain);
  });
});

it('in notes twice as long, counted in halves, a piece in four has the same chords, cuts and letters', () => {
  for (const name of ['two-voices-f.abc', 'sonata-c.abc', 'auld-lang-syne.abc', 'theme-two-variations.abc']) {
    const abc = abcOf(name);
    const longer = abc
      .replace(/^M:4\/4$/m, 'M:4/2')
      .replace(/^L:1\/8$/m, 'L:1/4')
      .replace(/^Q:1\/4=/m, 'Q:1/2=');
    expect(longer).not.toBe(abc);
    expect(judged(scoreOfAbc(longer)), name).toEqual(judged(scoreOfAbc(abc)));
  }
});
