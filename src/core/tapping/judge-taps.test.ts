import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { judgeTaps, tapTolerance, type BeatToTap, type TapVerdict } from '.';

/** A rhythm in beats: long, two short, dotted, syncopated. */
const RHYTHM = [0, 1, 1.5, 2, 3, 3.75, 4, 5.5, 6, 6.5, 7, 8, 9, 9.5, 10, 11, 11.75, 12, 13.5, 14, 14.5, 15];
/** Its second cell of a long and two short notes. */
const CELL = [12, 13, 14];

/** A tapper whose chance follows from a seed (mulberry32). */
function chance(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}
const at = (tempo: number): readonly BeatToTap[] =>
  RHYTHM.map((beat, i) => ({ noteId: `n${i}`, at: (beat * 60) / tempo, bar: Math.floor(beat / 4) }));
const jitter = (of: () => number, seconds: number): number => (of() * 2 - 1) * seconds;

type Tapper = (
  notes: readonly BeatToTap[],
  beat: number,
  of: () => number,
) => {
  readonly taps: readonly number[];
  readonly wanted: readonly TapVerdict[];
  readonly extra: number;
};
const right = (): TapVerdict => 'right';

/** Who taps how, and what a teacher would say of each note. */
const TAPPERS: Readonly<Record<string, Tapper>> = {
  'steadily early by 0.15 of a beat': (notes, beat) => ({
    taps: notes.map((n) => n.at - 0.15 * beat),
    wanted: notes.map(() => 'early'),
    extra: 0,
  }),
  'random within 25 ms': (notes, _, of) => ({
    taps: notes.map((n) => n.at + jitter(of, 0.025)),
    wanted: notes.map(right),
    extra: 0,
  }),
  'one cell wrong, late by a quarter of a beat': (notes, beat, of) => ({
    taps: notes.map((n, i) => n.at + jitter(of, 0.015) + (CELL.includes(i) ? 0.25 * beat : 0)),
    wanted: notes.map((_n, i) => (CELL.includes(i) ? 'late' : 'right')),
    extra: 0,
  }),
  'one tap missing': (notes, _, of) => {
    const gone = Math.floor(of() * notes.length);
    return {
      taps: notes.filter((_n, i) => i !== gone).map((n) => n.at + jitter(of, 0.025)),
      wanted: notes.map((_n, i) => (i === gone ? 'missed' : 'right')),
      extra: 0,
    };
  },
  'two taps too many': (notes, beat, of) => {
    const between = [2 + Math.floor(of() * 3), 11 + Math.floor(of() * 3)].map((i) => (notes[i]?.at ?? 0) + 0.27 * beat);
    return { taps: [...notes.map((n) => n.at + jitter(of, 0.02)), ...between], wanted: notes.map(right), extra: 2 };
  },
};

const CASES = Object.keys(TAPPERS).flatMap((name) => [60, 96, 132].map((tempo) => [name, tempo] as const));

describe('simulated tappers', () => {
  it.each(CASES)('%s at %i: judged right in at least 95 of 100', (name, tempo) => {
    const beat = 60 / tempo;
    const notes = at(tempo);
    let good = 0;
    for (let seed = 1; seed <= 100; seed += 1) {
      const made = TAPPERS[name]?.(notes, beat, chance(seed * 7919 + tempo));
      if (!made) throw new Error(name);
      const judged = judgeTaps(notes, made.taps, { beat, withoutLead: false });
      const same = judged.notes.every((n, i) => n.verdict === made.wanted[i]);
      if (same && judged.extra.length === made.extra) good += 1;
    }
    expect(good).toBeGreaterThanOrEqual(95);
  });
});

describe('a steady lead', () => {
  const notes = at(80);
  const beat = 0.75;
  it('is reported, and can be taken off', () => {
    const taps = notes.map((n) => n.at - 0.12);
    const judged = judgeTaps(notes, taps, { beat, withoutLead: false });
    expect(judged.lead).toBeCloseTo(-0.12, 6);
    expect(judged.leadIsSteady).toBe(true);
    expect(judgeTaps(notes, taps, { beat, withoutLead: true }).notes.every((n) => n.verdict === 'right')).toBe(true);
  });
  it('is none where the taps scatter more than they lead', () => {
    const of = chance(5);
    const taps = notes.map((n) => n.at + jitter(of, 0.06));
    expect(judgeTaps(notes, taps, { beat, withoutLead: true }).leadIsSteady).toBe(false);
  });
});

describe('laws', () => {
  const row = fc
    .array(fc.integer({ min: 2, max: 20 }), { minLength: 1, maxLength: 20 })
    .map((gaps) => gaps.map((_, i) => gaps.slice(0, i).reduce((a, b) => a + b, 0) / 10));
  const notesOf = (times: readonly number[]): readonly BeatToTap[] =>
    times.map((time, i) => ({ noteId: `n${i}`, at: time, bar: 0 }));
  it('every tap is one note’s or too many, every note has one tap or none', () => {
    fc.assert(
      fc.property(row, row, (times, taps) => {
        const judged = judgeTaps(notesOf(times), taps, { beat: 1, withoutLead: false });
        const paired = judged.notes.filter((n) => n.verdict !== 'missed').length;
        expect(paired + judged.extra.length).toBe(taps.length);
        expect(judged.notes).toHaveLength(times.length);
      }),
    );
  });
  it('what is tapped exactly is right, in any rhythm', () => {
    fc.assert(
      fc.property(row, (times) => {
        const judged = judgeTaps(notesOf(times), times, { beat: 1, withoutLead: false });
        expect(judged.notes.every((n) => n.verdict === 'right')).toBe(true);
        expect(judged.extra).toEqual([]);
      }),
    );
  });
  it('the tolerance is a tenth of a beat, never below 30 ms', () => {
    expect(tapTolerance(1)).toBe(0.1);
    expect(tapTolerance(0.1)).toBe(0.03);
  });
});
