import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findHarmony } from '../harmony';
import { bowingCost, proposeBowing, strokesOf, type BowDirection } from './bowing';
import { breathPlaces } from './breath-places';
import { placeBreaths } from './place-breaths';
import { punctuatePhrases } from './punctuation';
import { scoreOfAbc } from '../studio/abc-for-tests';

const scoreOf = (music: string, meter = '4/4', key = 'C') =>
  scoreOfAbc(`X:1\nM:${meter}\nL:1/4\nQ:1/4=60\nK:${key}\n${music}`);

const piece = fc
  .array(fc.constantFrom('C D E F', 'G2 A2', 'c4', '(C D E F)', 'E F/G/ A2', 'G3 z', 'A/B/c/d/ e2', 'c2- c2'), {
    minLength: 1,
    maxLength: 6,
  })
  .map((bars) => `${bars.join(' | ')} |`);

/** Breaths as the plan counts them. */
const priceOf = (awkward: readonly boolean[]): number => awkward.reduce((sum, is) => sum + (is ? 3.5 : 1), 0);

describe('breaths', () => {
  it('lie at bar lines and after long notes, never inside a slur, a tie or a run', () => {
    fc.assert(
      fc.property(piece, fc.integer({ min: 3, max: 12 }), (music, span) => {
        const score = scoreOf(music);
        const { places, notes } = breathPlaces(score);
        const plan = placeBreaths(score, 60, span);
        for (const b of plan.breaths) {
          expect(places.some((p) => p.note.id === b.afterNoteId)).toBe(true);
          const at = notes.findIndex((n) => n.note.id === b.afterNoteId);
          const next = notes[at + 1];
          // A tied note is followed by its own continuation in no plan: its end is the end of the tie.
          expect(next && next.note.onset >= b.onset).toBe(true);
        }
        // Slurred bars are whole: no breath between a slur's first note and its last.
        let open = false;
        for (const { note } of notes) {
          if (note.marks.slurs.some((s) => s.role === 'start')) open = true;
          if (note.marks.slurs.some((s) => s.role === 'stop')) open = false;
          if (open) expect(plan.breaths.some((b) => b.afterNoteId === note.id)).toBe(false);
        }
      }),
      { numRuns: 150 },
    );
  });
  it('are the fewest that keep every span, an awkward place counting for three and a half, by exhaustive search', () => {
    fc.assert(
      fc.property(piece, fc.integer({ min: 4, max: 10 }), (music, span) => {
        const score = scoreOf(music);
        const { places, notes } = breathPlaces(score);
        fc.pre(places.length <= 12);
        const forced = places.flatMap((p, i) => (p.rest || p.printed ? [i] : []));
        let fewest = Infinity;
        for (let mask = 0; mask < 1 << places.length; mask += 1) {
          const set = places.flatMap((_, i) => (mask & (1 << i) ? [i] : []));
          if (!forced.every((f) => set.includes(f))) continue;
          const edges = [-1, ...set, places.length];
          const fits = edges.slice(1).every((k, i) => {
            const j = edges[i] ?? -1;
            const from = j < 0 ? (notes[0]?.note.onset ?? 0) : (notes[(places[j]?.after ?? 0) + 1]?.note.onset ?? 0);
            const to = k >= places.length ? (notes[notes.length - 1]?.end ?? 0) : (places[k]?.end ?? 0);
            return (to - from) / score.ticksPerQuarter <= span + 1e-9;
          });
          if (fits) fewest = Math.min(fewest, priceOf(set.map((i) => places[i]?.awkward ?? false)));
        }
        const plan = placeBreaths(score, 60, span);
        if (Number.isFinite(fewest)) {
          const awkward = new Map(places.map((p) => [p.note.id, p.awkward]));
          expect(priceOf(plan.breaths.map((b) => awkward.get(b.afterNoteId) ?? false))).toBe(fewest);
          expect(plan.warnings).toEqual([]);
        } else expect(plan.warnings.length).toBeGreaterThan(0);
      }),
      { numRuns: 120 },
    );
  });
  it('says the seconds of each span, and the tempo that would save a passage without a place', () => {
    // Eight quarters under one slur: 8 s at 60; a span of 6.4 s needs 75.
    const plan = placeBreaths(scoreOf('(C D E F | G A B c) |'), 60, 6.4);
    expect(plan.breaths).toEqual([]);
    expect(plan.spans).toMatchObject([{ seconds: 8 }]);
    expect(plan.warnings).toMatchObject([{ tempo: 75, fromBar: 0, toBar: 1 }]);
    expect(placeBreaths(scoreOf('(C D E F | G A B c) |'), 75, 6.4).warnings).toEqual([]);
  });
  it('says what else helps where no tempo that the music bears would save a passage', () => {
    // 8 s of one slur against 4 s of breath: twice the tempo is no advice.
    const [warning] = placeBreaths(scoreOf('(C D E F | G A B c) |'), 60, 4).warnings;
    expect(warning).toMatchObject({ tempo: null });
    expect(warning?.message).toBe('bars 1–2 take 8.0 s at 60 and have no place to breathe: break the slur after bar 1');
  });
  it('come before the upbeats of a piece that begins with one', () => {
    const score = scoreOf('D | G2 B G | B3 A | G3 E | D3 D | G2 B G | B3 A | d4- | d3 |');
    const plan = placeBreaths(score, 60, 9);
    // Each lies a quarter before a bar line: after the third quarter of its bar.
    expect(plan.breaths.length).toBeGreaterThan(1);
    for (const b of plan.breaths)
      expect(
        score.bars.some((bar) => bar.onset - b.onset === score.ticksPerQuarter),
        b.reason,
      ).toBe(true);
  });
  it('take the ends of phrases first, and say so', () => {
    const score = scoreOf('C D E F | G A B c | c B A G | F E D C |');
    const end = score.bars[2]?.onset ?? 0;
    expect(placeBreaths(score, 60, 8, { phraseEnds: [end] }).breaths).toMatchObject([
      { onset: end, reason: expect.stringContaining('end of the phrase') as string },
    ]);
  });
  it('may follow a tied note, where the tie ends', () => {
    const score = scoreOf('C D E F | G4- | G2 A B | c4 |');
    const end = (score.bars[2]?.onset ?? 0) + 2 * score.ticksPerQuarter;
    expect(breathPlaces(score).places.map((p) => p.end)).toContain(end);
  });
  it('are in no run that goes by step over a bar line', () => {
    const score = scoreOf('C/D/E/F/ G/A/B/c/ | d/c/B/A/ G/F/E/D/ | C4 |');
    const { places } = breathPlaces(score);
    expect(places.map((p) => p.end)).not.toContain(score.bars[1]?.onset);
  });
  it('end a slur that the file never closes where the next begins', () => {
    const score = scoreOf('(C D E F | G A B c) | (c B A G | F E D C) |');
    const notes = score.notes.map((n) =>
      n.marks.slurs.some((s) => s.role === 'stop') ? { ...n, marks: { ...n.marks, slurs: [] } } : n,
    );
    const { slurred } = breathPlaces({ ...score, notes });
    // The last note before the second slur may be breathed after; the first seven may not.
    expect(score.notes.slice(0, 8).map((n) => slurred.has(n.id))).toEqual([
      true,
      true,
      true,
      true,
      true,
      true,
      true,
      false,
    ]);
  });
  it('gives a range where time is free, until it is strict again', () => {
    const spans = placeBreaths(
      scoreOf('C D E F | "^rubato"G A B c | c4 | z4 | "^a tempo"C D E F | G4 |'),
      60,
      20,
    ).spans;
    expect(spans).toHaveLength(2);
    expect(spans[0]?.seconds).toBe(12);
    expect(spans[0]?.range?.map((s) => Math.round(s * 10) / 10)).toEqual([10.7, 13.6]);
    expect(spans[1]?.range).toBeNull();
  });
  it('keeps printed breaths', () =>
    expect(placeBreaths(scoreOf('C D !breath!E F | G4 |'), 60, 20).breaths).toMatchObject([
      { reason: 'printed', printed: true },
    ]));
  it('the faster the fewer', () => {
    const score = scoreOf('C D E2 | F G A2 | c4 | C D E2 | F G A2 | c4 |');
    expect(placeBreaths(score, 120, 8).breaths.length).toBeLessThan(placeBreaths(score, 60, 8).breaths.length);
  });
});

describe('bowing', () => {
  it('is the best of all, by exhaustive search', () => {
    fc.assert(
      fc.property(piece, (music) => {
        const strokes = strokesOf(scoreOf(music)).slice(0, 12);
        const score = scoreOf(music);
        fc.pre(strokesOf(score).length <= 12);
        let best = Infinity;
        for (let mask = 0; mask < 1 << strokes.length; mask += 1)
          best = Math.min(
            best,
            bowingCost(
              strokes,
              strokes.map((_, i): BowDirection => (mask & (1 << i) ? 'up' : 'down')),
            ),
          );
        expect(proposeBowing(score).cost).toBeCloseTo(best, 9);
      }),
      { numRuns: 80 },
    );
  });
  // Common practice: down on the downbeat, an upbeat up, a slur under one bow.
  it('begins down on a downbeat and up on an upbeat', () => {
    const first = (music: string, meter?: string) =>
      proposeBowing(scoreOf(music, meter))
        .strokes.map((s) => s.direction[0])
        .join('');
    expect(first('C D E F |')).toBe('dudu');
    expect(first('G | C D E F |')).toBe('ududu');
    expect(first('(C D) E F | G4 |')).toBe('dudu');
  });
  it('says where the strokes do not work out', () => {
    const { strokes } = proposeBowing(scoreOf('C D E | F G A |', '3/4'));
    expect(strokes.some((s) => s.retake || s.awkward)).toBe(true);
  });
});

it('phrases end open on the dominant and closed on the tonic', () => {
  const score = scoreOf('C D E F | G2 D2 | C D E D | C4 |');
  const bar = score.bars[2]?.onset ?? 0;
  const harmony = findHarmony(score, [bar, 2 * bar]);
  const signs = punctuatePhrases(
    score,
    [
      { from: 0, to: 1 },
      { from: 2, to: 3 },
    ],
    harmony,
  );
  expect(signs.map((s) => s.sign)).toEqual(['?', '.']);
});
