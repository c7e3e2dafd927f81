import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { analysisOf, type Analysis } from '../analysis';
import { STUDENT_LEVELS } from '../ladder';
import type { Score } from '../score';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { proposeWay } from './propose-way';
import { WAY_SCHOOLS, type Way, type WayStep } from './way';
import { lastWeek, weeksOf } from './weeks';

const BARS = ['C D E F', 'G4', 'c2 G2', 'z4', 'C/D/E/F/ G2', 'E G c e', 'F E D C', 'A B c A'] as const;
const bar = fc.constantFrom(...BARS);
/** A line of four, and pieces of lines that come back. */
const line = fc.array(bar, { minLength: 4, maxLength: 4 });
const form = fc.constantFrom('AB', 'AABA', 'ABAC', 'ABCA', 'AAB', 'A');
const piece = fc
  .record({ A: line, B: line, C: line, form })
  .map(({ form: letters, ...lines }) => [...letters].flatMap((letter) => lines[letter as 'A' | 'B' | 'C']));
const tune = (bars: readonly string[]): Score =>
  scoreOfAbc(`X:1\nM:4/4\nL:1/4\nQ:1/4=100\nK:C\n${bars.join(' | ')} |]`);
const hands = (bars: readonly string[]): Score =>
  scoreOfAbc(
    `X:1\nM:4/4\nL:1/4\nQ:1/4=100\n%%score {1 2}\nV:1 clef=treble name="Piano"\nV:2 clef=bass\nK:C\nV:1\n${bars.join(' | ')} |]\nV:2\n${bars.map((_, i) => (i % 3 === 0 ? 'C,4' : 'C,2 G,,2')).join(' | ')} |]`,
  );
const scores = fc.tuple(piece, fc.boolean()).map(([bars, two]) => (two ? hands(bars) : tune(bars)));
const level = fc.constantFrom(...STUDENT_LEVELS);
const school = fc.option(fc.constantFrom(...WAY_SCHOOLS));

/** Laws over many ways. */
function always(law: (way: Way, analysis: Analysis, asked: { level: string; school: string | null }) => void): void {
  fc.assert(
    fc.property(scores, level, school, (score, l, s) => {
      const analysis = analysisOf(score);
      law(proposeWay(analysis, { level: l, school: s }), analysis, { level: l, school: s });
    }),
    { numRuns: 30 },
  );
}

const playedBars = ({ played }: Analysis): readonly number[] => [...new Set(played.notes.map((n) => n.bar))];
const isCorner = (step: WayStep): boolean => step.chunk.name.startsWith('the corner');
const quarters = (text: string): number => {
  const [n = 0, d = 1] = text.split('/').map(Number);
  return n / d;
};

describe('laws of a way', () => {
  it('every bar that is played lies in a chunk of every hand that plays it', () =>
    always((way, analysis) => {
      const small = way.steps.filter(
        (s) => s.chunk.kind !== 'piece' && s.chunk.kind !== 'join' && s.chunk.hand === 'all',
      );
      for (const b of playedBars(analysis)) expect(small.some((s) => s.chunk.from <= b && s.chunk.to >= b)).toBe(true);
    }));

  it('no chunk crosses the end of a phrase, but for its next first note, joins, corners and unchanging hands', () =>
    always((way, { sections, played }) => {
      const phrases = sections.flatMap((s) => s.phrases);
      for (const step of way.steps) {
        const { kind, from, to, hand, toOffset } = step.chunk;
        if (kind === 'section' || kind === 'piece' || kind === 'join' || hand !== 'all' || isCorner(step)) continue;
        expect(phrases.some((p) => p.from <= from && p.to >= to)).toBe(true);
        const over = quarters(toOffset) - (played.bars[to]?.length ?? 0) / played.ticksPerQuarter;
        const next = played.notes.filter((n) => n.bar === to + 1);
        expect(over).toBeLessThanOrEqual(Math.max(0, ...next.map((n) => n.duration / played.ticksPerQuarter)));
      }
    }));

  it('begins at the beginning from the start and for beginners', () =>
    always((way, analysis, asked) => {
      if (asked.school !== 'start' && !(asked.school === null && asked.level === 'beginner')) return;
      const first = way.steps.find((s) => s.chunk.hand === 'all');
      expect(first?.chunk.from).toBeLessThanOrEqual(Math.min(...playedBars(analysis)));
    }));

  it('has no copy before its model, and no join before both its sides', () =>
    always((way) => {
      const known = new Set<number>();
      for (const { chunk } of way.steps) {
        if (chunk.like) for (let b = chunk.like[0]; b <= chunk.like[1]; b += 1) expect(known.has(b)).toBe(true);
        if (chunk.kind === 'join') expect([chunk.from, chunk.to].every((b) => known.has(b))).toBe(true);
        if (chunk.hand === 'all') for (let b = chunk.from; b <= chunk.to; b += 1) known.add(b);
      }
    }));

  it('pays more and more, and all at the end, which is the whole piece', () =>
    always((way, { played }) => {
      way.steps.forEach((s, i) => expect(s.pays).toBeGreaterThanOrEqual(way.steps[i - 1]?.pays ?? 0));
      const last = way.steps[way.steps.length - 1];
      expect(last?.pays).toBe(1);
      expect(last?.chunk).toMatchObject({ kind: 'piece', from: 0, to: played.bars.length - 1 });
    }));

  it('takes every section to its target', () =>
    always((way) => {
      for (const step of way.steps.filter((s) => s.chunk.kind === 'section'))
        expect(step.rungs.some((r) => Math.max(r.tempo ?? 0, r.tempoTo ?? 0) >= step.target)).toBe(true);
    }));

  it('never asks for fewer times than being done needs', () =>
    always((way) => {
      for (const rung of way.steps.flatMap((s) => s.rungs)) {
        const inRow = /(\d+) in a row/.exec(rung.done)?.[1] ?? (/^twice/.test(rung.done) ? '2' : '1');
        expect(rung.times).toBeGreaterThanOrEqual(Number(inRow));
      }
    }));

  it('joins every section to the next where both are played', () =>
    always((way, analysis) => {
      const played = new Set(playedBars(analysis));
      const starts = analysis.sections.slice(1).map((s) => s.from);
      const joined = way.steps.filter((s) => s.chunk.kind === 'join').map((s) => s.chunk.to);
      for (const b of starts) if (played.has(b) && played.has(b - 1)) expect(joined).toContain(b);
    }));

  it('names every step differently', () =>
    always((way) => {
      const names = way.steps.map((s) => s.chunk.name);
      expect(new Set(names).size).toBe(names.length);
    }));
});

describe('the weeks of a way', () => {
  const steps = fc.array(fc.record({ minutes: fc.integer({ min: 1, max: 200 }), isNew: fc.boolean() }), {
    minLength: 1,
    maxLength: 30,
  });
  it('never hold more than their minutes, but for a step longer than a week, nor more new chunks than they bear', () => {
    fc.assert(
      fc.property(
        steps,
        fc.record({ minutes: fc.integer({ min: 10, max: 120 }), newChunks: fc.integer({ min: 1, max: 6 }) }),
        (each, holds) => {
          const weeks = weeksOf(each, holds);
          const aWeek = holds.minutes;
          const minutes = each.map((s) => s.minutes);
          weeks.forEach((w, i) => expect(w).toBeGreaterThanOrEqual(weeks[i - 1] ?? 1));
          for (const week of new Set(weeks)) {
            const here = minutes.filter((_, i) => weeks[i] === week);
            const long = here.filter((m) => m > aWeek).length;
            expect(here.reduce((a, b) => a + b, 0) <= aWeek || long > 0).toBe(true);
            expect(each.filter((s, i) => s.isNew && weeks[i] === week).length).toBeLessThanOrEqual(holds.newChunks);
          }
          const all = minutes.reduce((a, b) => a + b, 0);
          expect(lastWeek(each, holds)).toBeGreaterThanOrEqual(Math.ceil(all / aWeek));
        },
      ),
    );
  });
});
