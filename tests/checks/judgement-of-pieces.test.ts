/**
 * Chords, keys, cadences, pedals and form against what is known of two sets of pieces (`tests/truth/read-truth.ts`):
 * textbooks where the piece names one, else our own analysis, written down before any weight was moved. Weights are set
 * on the training pieces alone; the held-out ones say what that is worth elsewhere.
 */
import { beforeAll, describe, expect, it } from 'vitest';
import { analysisOf } from '@/core/analysis';
import { f1, formFound, type Boundaries } from '../truth/measure-form';
import { cornersFound } from '../truth/measure-corners';
import { cadencesFound, chordShare, keyShare, pedalsFound } from '../truth/measure-harmony';
import { readTruths, type PieceSet, type Truth } from '../truth/read-truth';

/** Least shares; at most so many wrong cadences. Measured figures are in the bench. */
const ASKED = {
  training: {
    chords: 0.92,
    keys: 0.96,
    cadences: 0.88,
    wrong: 5,
    sections: 0.95,
    phrases: 0.95,
    forms: 0.9,
    corners: 0.75,
  },
  'held-out': {
    chords: 0.88,
    keys: 0.97,
    cadences: 0.85,
    wrong: 6,
    sections: 0.92,
    phrases: 0.95,
    forms: 0.8,
    corners: 0.8,
  },
} as const satisfies Record<PieceSet, object>;

const total = (list: readonly Boundaries[]): Boundaries =>
  list.reduce(
    (sum, b) => ({ hits: sum.hits + b.hits, known: sum.known + b.known, proposed: sum.proposed + b.proposed }),
    { hits: 0, known: 0, proposed: 0 },
  );
const known = <T>(list: readonly (T | null)[]): T[] => list.flatMap((x) => (x === null ? [] : [x]));
const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);

describe.each(['training', 'held-out'] as const)('%s pieces', (set) => {
  const asked = ASKED[set];
  let truths: readonly Truth[] = [];
  beforeAll(async () => {
    truths = await readTruths(set);
  });
  it('are ten at least', () => expect(truths.length).toBeGreaterThanOrEqual(10));
  it('have the right root and kind of chord on most beats', () => {
    const found = truths.map((t) => chordShare(t));
    const share = sum(found.map((c) => c.right)) / sum(found.map((c) => c.all));
    expect(share, truths.map((t, i) => `${t.name}: ${found[i]?.missed.join('; ') ?? ''}`).join('\n')).toBeGreaterThan(
      asked.chords,
    );
  });
  it('are in the right keys', () => {
    const found = truths.map((t) => keyShare(t));
    expect(sum(found.map((k) => k.right)) / sum(found.map((k) => k.all))).toBeGreaterThan(asked.keys);
  });
  it('close where they close and nowhere else', () => {
    const found = known(truths.map((t) => cadencesFound(t)));
    const notes = found.flatMap((c) => c.notes).join('; ');
    expect(sum(found.map((c) => c.hits)) / sum(found.map((c) => c.known)), notes).toBeGreaterThan(asked.cadences);
    expect(sum(found.map((c) => c.wrong)), notes).toBeLessThanOrEqual(asked.wrong);
  });
  it('have the pedals that they have', () => {
    for (const found of known(truths.map((t) => pedalsFound(t))))
      expect(found.hits, found.notes.join()).toBe(found.known);
  });
  it('have the corners that a teacher would name, at most one bar in six', () => {
    const found = known(truths.map((t) => cornersFound(t)));
    const notes = found.flatMap((c) => c.notes).join('; ');
    expect(sum(found.map((c) => c.hits)) / sum(found.map((c) => c.known)), notes).toBeGreaterThan(asked.corners);
    for (const truth of truths)
      expect(analysisOf(truth.score).corners.length, truth.name).toBeLessThanOrEqual(
        Math.ceil(truth.score.bars.length / 6),
      );
  });
  it('have the form a teacher would name', () => {
    const found = truths.map((t) => formFound(t));
    const said = truths.map((t, i) => `${t.name}: ${found[i]?.said ?? ''}`).join('\n');
    expect(f1(total(known(found.map((f) => f.sections)))), said).toBeGreaterThan(asked.sections);
    expect(f1(total(known(found.map((f) => f.phrases)))), said).toBeGreaterThan(asked.phrases);
    const forms = known(found.map((f) => f.letters));
    expect(forms.filter((right) => right).length / forms.length, said).toBeGreaterThan(asked.forms);
  });
});

it('of the chords said to be nine in ten sure about nine in ten are right, on pieces held out', async () => {
  let right = 0;
  let all = 0;
  for (const truth of await readTruths('held-out')) {
    const { harmony } = analysisOf(truth.score);
    const sure = { ...harmony, beats: harmony.beats.map((b) => (b.certainty >= 0.9 ? b : { ...b, notes: [] })) };
    const found = chordShare(truth, sure);
    right += found.right;
    all += found.all;
  }
  expect(all).toBeGreaterThan(200);
  expect(right / all).toBeGreaterThan(0.88);
});

it('of the cuts and keys said to be nine in ten sure about nine in ten are right, on pieces held out', async () => {
  let cuts = { right: 0, all: 0 };
  let bars = { right: 0, all: 0 };
  for (const truth of await readTruths('held-out')) {
    const { sections, harmony } = analysisOf(truth.score);
    const known = new Set([...truth.sections.flat().map((s) => s.from), ...truth.phrases.flat()]);
    for (const { from, certainty } of sections.flatMap((s) => s.phrases))
      if (known.size > 0 && from > 0 && certainty >= 0.9)
        cuts = { right: cuts.right + (known.has(from) ? 1 : 0), all: cuts.all + 1 };
    const sure = { ...harmony, keys: harmony.keys.filter((k) => k.certainty >= 0.9) };
    const found = keyShare(truth, sure);
    const unsure = found.all - sure.keys.reduce((n, k) => n + Math.min(k.to, found.all - 1) - k.from + 1, 0);
    bars = { right: bars.right + found.right, all: bars.all + found.all - unsure };
  }
  expect(cuts.all).toBeGreaterThan(20);
  expect(cuts.right / cuts.all).toBeGreaterThan(0.88);
  expect(bars.all).toBeGreaterThan(150);
  expect(bars.right / bars.all).toBeGreaterThan(0.88);
});
