import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { barIndex, ticks } from '../units';
import type { Bar, BarSigns } from './model';
import { playingOrder } from './playing-order';

const PLAIN: BarSigns = {
  repeatStart: false,
  repeatEnd: null,
  ending: null,
  segno: null,
  coda: null,
  toCoda: false,
  fine: false,
  jump: null,
  doubleBar: null,
};

const bars = (signs: readonly Partial<BarSigns>[]): Bar[] =>
  signs.map((s, i) => ({
    index: barIndex(i),
    id: `b${i}`,
    name: '',
    number: String(i + 1),
    onset: ticks(i),
    length: ticks(1),
    meter: { parts: [], symbol: null },
    key: { fifths: 0, mode: null },
    signs: { ...PLAIN, ...s },
    lineBreak: false,
  }));

const order = (signs: readonly Partial<BarSigns>[]): string =>
  playingOrder(bars(signs))
    .order.map((i) => i + 1)
    .join(' ');
const ending = (numbers: number[], starts = true, stops = true): BarSigns['ending'] => ({ numbers, starts, stops });
const jump = (kind: 'dacapo' | 'dalsegno', until: 'fine' | 'coda' | null, withRepeats = false): BarSigns['jump'] => ({
  kind,
  until,
  to: null,
  withRepeats,
});

// Orders worked out by hand, common practice.
describe('playing order', () => {
  it('plays bars without signs once', () => expect(order([{}, {}, {}])).toBe('1 2 3'));
  it('repeats from the beginning when no start is written', () =>
    expect(order([{}, { repeatEnd: 2 }, {}])).toBe('1 2 1 2 3'));
  it('repeats from the start sign', () =>
    expect(order([{}, { repeatStart: true }, { repeatEnd: 2 }])).toBe('1 2 3 2 3'));
  it('takes two repeats one after the other', () =>
    expect(order([{ repeatEnd: 2 }, { repeatEnd: 2 }])).toBe('1 1 2 2'));
  it('counts times', () => expect(order([{ repeatStart: true, repeatEnd: 4 }, {}])).toBe('1 1 1 1 2'));
  it('nests repeats', () =>
    expect(order([{ repeatStart: true }, { repeatStart: true, repeatEnd: 2 }, { repeatEnd: 2 }])).toBe(
      '1 2 2 3 1 2 2 3',
    ));
  it('takes first and second endings', () =>
    expect(order([{ repeatStart: true }, { ending: ending([1]), repeatEnd: 2 }, { ending: ending([2]) }, {}])).toBe(
      '1 2 1 3 4',
    ));
  it('takes an ending of several bars', () =>
    expect(
      order([
        { repeatStart: true },
        { ending: ending([1], true, false) },
        { ending: ending([1], false, true), repeatEnd: 2 },
        { ending: ending([2]) },
      ]),
    ).toBe('1 2 3 1 4'));
  it('takes one ending for two passes and another for the third', () =>
    expect(order([{ repeatStart: true }, { ending: ending([1, 2]), repeatEnd: 2 }, { ending: ending([3]) }])).toBe(
      '1 2 1 2 1 3',
    ));
  it('follows an only ending with a pass without it', () =>
    expect(order([{ repeatStart: true }, { ending: ending([1]), repeatEnd: 2 }, {}])).toBe('1 2 1 3'));
  it('ignores a repeat sign that closes the last ending', () =>
    expect(
      order([{ repeatStart: true }, { ending: ending([1]), repeatEnd: 2 }, { ending: ending([2]), repeatEnd: 2 }, {}]),
    ).toBe('1 2 1 3 4'));
  it('goes da capo al fine without repeats', () =>
    expect(order([{ repeatEnd: 2 }, { fine: true }, { jump: jump('dacapo', 'fine') }])).toBe('1 1 2 3 1 2'));
  it('goes da capo al fine with repeats when the sign says so', () =>
    expect(order([{ repeatEnd: 2 }, { fine: true }, { jump: jump('dacapo', 'fine', true) }])).toBe('1 1 2 3 1 1 2'));
  it('goes dal segno al coda', () =>
    expect(order([{}, { segno: '' }, { toCoda: true }, { jump: jump('dalsegno', 'coda') }, { coda: '' }])).toBe(
      '1 2 3 4 2 3 5',
    ));
  it('plays the last ending after da capo', () =>
    expect(
      order([
        { repeatStart: true },
        { ending: ending([1]), repeatEnd: 2 },
        { ending: ending([2]), fine: true },
        { jump: jump('dacapo', 'fine') },
      ]),
    ).toBe('1 2 1 3 4 1 3'));
  it('says so and keeps the written order when a coda is missing', () => {
    const result = playingOrder(bars([{ toCoda: true }, { jump: jump('dacapo', 'coda') }]));
    expect(result.order).toEqual([0, 1]);
    expect(result.problem).toContain('coda');
  });
  it('says so when there is no segno', () =>
    expect(playingOrder(bars([{}, { jump: jump('dalsegno', null) }])).problem).toContain('segno'));
  it('gives the pass of each played bar, for verses', () =>
    expect(playingOrder(bars([{ repeatStart: true, repeatEnd: 3 }, {}])).passes).toEqual([1, 2, 3, 1]));

  it('always ends, whatever the signs', () => {
    const anySigns = fc.record({
      repeatStart: fc.boolean(),
      repeatEnd: fc.option(fc.integer({ min: 1, max: 5 })),
      ending: fc.option(
        fc.record({
          numbers: fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 2 }),
          starts: fc.boolean(),
          stops: fc.boolean(),
        }),
      ),
      segno: fc.option(fc.constant('')),
      coda: fc.option(fc.constant('')),
      toCoda: fc.boolean(),
      fine: fc.boolean(),
      jump: fc.option(
        fc.record({
          kind: fc.constantFrom('dacapo' as const, 'dalsegno' as const),
          until: fc.constantFrom('fine' as const, 'coda' as const, null),
          to: fc.constant(null),
          withRepeats: fc.boolean(),
        }),
      ),
    });
    fc.assert(
      fc.property(fc.array(anySigns, { minLength: 1, maxLength: 12 }), (signs) => {
        const result = playingOrder(bars(signs));
        expect(result.order.length).toBeLessThanOrEqual(2001);
        expect(result.passes).toHaveLength(result.order.length);
      }),
      { numRuns: 500 },
    );
  });
});
