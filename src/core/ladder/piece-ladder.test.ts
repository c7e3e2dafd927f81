import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ORDER_SCHOOLS } from './order-chunks';
import { analysisOf } from '../analysis';
import { pieceLadder } from './piece-ladder';
import { STUDENT_LEVELS } from './rung-facts';
import { tempoSteps, type TempoSchool } from './tempo-steps';
import { scoreOfAbc } from '../studio/abc-for-tests';

const scoreOf = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nQ:1/4=100\nK:C\n${music}`);
const AABA = 'C D E F | G4 | C D E F | G4 | c B A G | A4 | C D E F | G4 |]';

describe('the order of chunks', () => {
  it('has every bar in some chunk, joins after both their sides, and ends with the piece', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('C D E F', 'G4', 'c2 G2', 'z4', 'C/D/E/F/ G2'), { minLength: 1, maxLength: 14 }),
        fc.constantFrom(...ORDER_SCHOOLS),
        fc.constantFrom(...STUDENT_LEVELS),
        (bars, school, level) => {
          const score = scoreOf(`${bars.join(' | ')} |]`);
          const { chunks, rungs, minutes } = pieceLadder(analysisOf(score), { school, level });
          score.bars.forEach((_, b) =>
            expect(chunks.some((c) => c.kind !== 'piece' && c.from <= b && c.to >= b)).toBe(true),
          );
          expect(chunks[chunks.length - 1]).toMatchObject({ from: 0, to: score.bars.length - 1 });
          chunks.forEach((c, i) => {
            if (c.kind !== 'join') return;
            for (let b = c.from; b <= c.to; b += 1)
              expect(chunks.slice(0, i).some((o) => o.kind === 'unit' && o.from <= b && o.to >= b)).toBe(true);
          });
          expect(rungs.every((r) => r.why !== '' && r.done !== '' && r.times > 0)).toBe(true);
          expect(minutes).toBeGreaterThan(0);
        },
      ),
      { numRuns: 80 },
    );
  });
  const first = (school: (typeof ORDER_SCHOOLS)[number]) =>
    pieceLadder(analysisOf(scoreOf(AABA)), { school, level: 'intermediate' })
      .chunks.filter((c) => c.kind === 'unit')
      .map((c) => c.from);
  // Handbook chapter 10: schools of order [common practice].
  it('goes by school', () => {
    expect(first('start')).toEqual([0, 2, 4, 6]);
    expect(first('end')).toEqual([6, 4, 2, 0]);
    expect(first('ends')).toEqual([0, 6, 2, 4]);
    // Sameness: one of the three equal pairs first, then the other material.
    const order = first('sameness');
    expect([0, 2, 6]).toContain(order[0]);
    expect(order.indexOf(4)).toBeLessThanOrEqual(1);
  });
  it('asks of a copy only that it is played as its model', () => {
    const { chunks, rungs } = pieceLadder(analysisOf(scoreOf(AABA)), { school: 'start', level: 'intermediate' });
    const copy = chunks.find((c) => c.kind === 'unit' && c.from === 2);
    expect(copy).toMatchObject({ copyOf: 'bars 1–2' });
    expect(rungs.filter((r) => r.chunk === copy?.name)).toMatchObject([{ kind: 'run' }]);
  });
  it('puts the corner first when asked', () => {
    const score = scoreOf("C2 D2 | E2 F2 | G2 A2 | ^c/_e'/^C/_e'/ ^c/_e'/^C/_e'/ |]");
    const { chunks } = pieceLadder(analysisOf(score), { school: 'corners', level: 'beginner' });
    expect(chunks[0]).toMatchObject({ from: 3, to: 3 });
  });
});

describe('tempo steps', () => {
  it('end at the target and never rise by more than the step', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 30, max: 120 }),
        fc.integer({ min: 40, max: 200 }),
        fc.constantFrom<TempoSchool>('bpm', 'percent', 'three-up-one-back'),
        fc.integer({ min: 2, max: 20 }),
        (start, target, school, step) => {
          const steps = tempoSteps({ start, target, school, step, over: 0, cap: null });
          expect(steps[steps.length - 1]).toBe(target);
          const most = school === 'percent' ? Math.max(1, Math.round((target * step) / 100)) : step;
          steps.forEach((s, i) => {
            if (i > 0) expect(s - (steps[i - 1] ?? 0)).toBeLessThanOrEqual(most);
            expect(s).toBeLessThanOrEqual(target);
          });
        },
      ),
    );
  });
  it('go three up and one back', () =>
    expect(tempoSteps({ start: 60, target: 100, school: 'three-up-one-back', step: 10, over: 0, cap: null })).toEqual([
      60, 70, 80, 90, 80, 90, 100,
    ]));
  it('go a little past the target, and not past a cap', () => {
    expect(tempoSteps({ start: 90, target: 100, school: 'bpm', step: 5, over: 5, cap: null })).toEqual([
      90, 95, 100, 105,
    ]);
    expect(tempoSteps({ start: 60, target: 100, school: 'bpm', step: 10, over: 5, cap: 80 })).toEqual([60, 70, 80]);
  });
});
