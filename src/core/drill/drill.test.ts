import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  beginDrill,
  drillRule,
  drillSum,
  drillTempo,
  judged,
  takenBackPass,
  type Drill,
  type DrillContext,
  type DrillRule,
} from '.';

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
  it('falls to a slower tempo also where the steps go three up and one back', () => {
    const back = rule({ steps: [60, 68, 76, 84, 76, 84, 92], inRow: 1 });
    expect(drillTempo(after('+++++---', back))).toBe(68);
    expect(drillTempo(after('++++---', back))).toBe(60);
  });
  it('is done when the last tempo has its row, and stays done', () => {
    expect(after('+++', rule({ steps: [60] })).done).toBe(true);
    expect(after('+++-', rule({ steps: [60] })).done).toBe(true);
    expect(after('++-+', rule({ steps: [60] })).done).toBe(false);
  });
  it('keeps what was right, at which tempo, and how long it took', () => {
    expect(drillSum(after('+++-+'))).toEqual({ passes: 5, right: 4, wrong: 1, row: 3, seconds: 40, reached: 66 });
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
  const usual: DrillContext = {
    usual: 80,
    target: 100,
    cap: null,
    school: 'bpm',
    unit: { quarters: 1, name: 'quarter' },
    miss: 'gate',
  };
  const climb = { kind: 'tempo', times: 14, tempo: 60, tempoTo: 104 } as const;
  it('stays at its tempo where it has one', () => {
    expect(drillRule({ kind: 'slow', times: 4, tempo: 52, tempoTo: null }, usual)).toEqual({
      inRow: 4,
      miss: 'gate',
      steps: [52],
    });
  });
  it('climbs to a little past the target, each step twice as its words say', () => {
    expect(drillRule(climb, usual)).toEqual({ inRow: 2, miss: 'gate', steps: [60, 68, 76, 84, 92, 100, 104] });
  });
  it('climbs as the teacher does: by a share of the target, or three up and one back', () => {
    expect(drillRule({ ...climb, tempoTo: 52 }, { ...usual, target: 50, school: 'percent' }).steps[0]).toBe(50);
    const { steps } = drillRule(climb, { ...usual, school: 'three-up-one-back' });
    expect(steps.slice(0, 6)).toEqual([60, 68, 76, 84, 76, 84]);
  });
  it('counts in the beats of the metronome', () => {
    const unit = { quarters: 1.5, name: 'dotted quarter' };
    const { steps } = drillRule({ ...climb, tempo: 90, tempoTo: 120 }, { ...usual, target: 120, unit });
    // 60, 68, 76, 80 dotted quarters a minute.
    expect(steps).toEqual([90, 102, 114, 120]);
  });
  it('goes above no cap', () => {
    expect(Math.max(...drillRule(climb, { ...usual, cap: 84 }).steps)).toBe(84);
    expect(drillRule({ kind: 'slow', times: 3, tempo: 90, tempoTo: null }, { ...usual, cap: 84 }).steps).toEqual([84]);
  });
  it('takes the usual tempo and three in a row without a rung', () => {
    expect(drillRule(null, usual)).toEqual({ inRow: 3, miss: 'gate', steps: [80] });
  });
});
