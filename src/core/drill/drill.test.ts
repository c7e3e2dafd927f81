import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { beginDrill, drillRule, drillSum, drillTempo, judged, takenBackPass, type Drill, type DrillRule } from '.';

const rule = (more: Partial<DrillRule> = {}): DrillRule => ({
  inRow: 3,
  miss: 'gate',
  steps: [60, 66, 72, 80],
  ...more,
});
const heard = (drill: Drill, right: boolean): Drill => judged(drill, { right, tempo: drillTempo(drill), seconds: 8 });
/** `+` right, `-` again. */
const after = (passes: string, of: DrillRule = rule()): Drill =>
  [...passes].reduce((drill, p) => heard(drill, p === '+'), beginDrill(of));

// Common practice, as the handbook has it in chapters 11 and 20.
describe('a drill', () => {
  it('asks for three right in a row', () => {
    expect(after('++').row).toBe(2);
    expect(after('+++')).toMatchObject({ step: 1, row: 0 });
    expect(drillTempo(after('+++'))).toBe(66);
  });
  it('begins the row anew after a miss, or takes one off', () => {
    expect(after('++-').row).toBe(0);
    expect(after('++-', rule({ miss: 'gentle' })).row).toBe(1);
    expect(after('-', rule({ miss: 'gentle' })).row).toBe(0);
  });
  it('falls by two steps after three misses in a row, not below the first', () => {
    expect(after('+++ +++ +++'.replace(/ /g, '')).step).toBe(3);
    expect(after('+++++++++---').step).toBe(1);
    expect(after('+++---').step).toBe(0);
    expect(after('--+-').step).toBe(0);
    expect(after('+++--+-').step).toBe(1);
  });
  it('is done when the last tempo has its row, and stays done', () => {
    expect(after('+++', rule({ steps: [60] })).done).toBe(true);
    expect(after('+++-', rule({ steps: [60] })).done).toBe(true);
    expect(after('++-+', rule({ steps: [60] })).done).toBe(false);
  });
  it('keeps what was right, at which tempo, and how long it took', () => {
    expect(drillSum(after('+++-+'))).toEqual({ passes: 5, right: 4, wrong: 1, seconds: 40, reached: 66 });
    expect(drillSum(after('--')).reached).toBeNull();
  });
  it('takes a pass back as if it had not been', () => {
    fc.assert(
      fc.property(
        fc.array(fc.boolean(), { maxLength: 30 }),
        fc.boolean(),
        fc.constantFrom<DrillRule['miss']>('gate', 'gentle'),
        (passes, last, miss) => {
          const before = passes.reduce(heard, beginDrill(rule({ miss })));
          expect(takenBackPass(heard(before, last))).toEqual(before);
        },
      ),
    );
  });
  it('never leaves its tempos, and a miss never makes the row longer or the tempo faster', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { maxLength: 60 }), (passes) => {
        let drill = beginDrill(rule());
        for (const right of passes) {
          const next = heard(drill, right);
          expect(rule().steps).toContain(drillTempo(next));
          if (!right) {
            expect(next.row).toBeLessThanOrEqual(drill.row);
            expect(drillTempo(next)).toBeLessThanOrEqual(drillTempo(drill));
          }
          drill = next;
        }
      }),
    );
  });
});

describe('what a rung asks for', () => {
  const usual = { usual: 80, cap: null, miss: 'gate' } as const;
  it('stays at its tempo where it has one', () => {
    expect(drillRule({ kind: 'slow', times: 4, tempo: 52, tempoTo: null }, usual)).toEqual({
      inRow: 4,
      miss: 'gate',
      steps: [52],
    });
  });
  it('climbs in steps of less than a tenth to a little past its last tempo', () => {
    const { steps } = drillRule({ kind: 'tempo', times: 3, tempo: 60, tempoTo: 100 }, usual);
    expect(steps[0]).toBe(60);
    expect(steps[steps.length - 1]).toBe(104);
    steps.slice(1).forEach((tempo, i) => expect(tempo / (steps[i] ?? 1)).toBeLessThan(1.1));
  });
  it('goes above no cap', () => {
    expect(
      Math.max(...drillRule({ kind: 'tempo', times: 3, tempo: 60, tempoTo: 100 }, { ...usual, cap: 84 }).steps),
    ).toBe(84);
  });
  it('takes the usual tempo and three in a row without a rung', () => {
    expect(drillRule(null, usual)).toEqual({ inRow: 3, miss: 'gate', steps: [80] });
  });
});
