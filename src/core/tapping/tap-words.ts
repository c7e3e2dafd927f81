import type { JudgedNote, TapJudgement, TapVerdict } from './judge-taps';

const MISTAKES = ['early', 'late', 'missed'] as const satisfies readonly TapVerdict[];

/** What a judgement says, sentence by sentence: how much was in time, where not and which way, the lead. */
export interface TapReport {
  readonly right: number;
  readonly of: number;
  readonly sentences: readonly string[];
}

const ms = (seconds: number): number => Math.round(Math.abs(seconds) * 1000);

function inBar(notes: readonly JudgedNote[]): string {
  const parts = MISTAKES.flatMap((verdict) => {
    const count = notes.filter((n) => n.verdict === verdict).length;
    return count === 0 ? [] : [`${count} ${verdict}`];
  });
  return parts.join(', ');
}

/**
 * A judgement in words; bars are called by `nameOf`.
 *
 * @example
 * tapReport({ notes: [{ noteId: 'a', at: 0, bar: 0, verdict: 'late', off: 0.2 }], extra: [], lead: 0, spread: 0,
 *   leadIsSteady: false }, () => 'bar 1').sentences // → ['0 of 1 in time.', 'In bar 1: 1 late.']
 */
export function tapReport(judged: TapJudgement, nameOf: (bar: number) => string): TapReport {
  const right = judged.notes.filter((n) => n.verdict === 'right').length;
  const bars = [...new Set(judged.notes.map((n) => n.bar))];
  const where = bars.flatMap((bar) => {
    const words = inBar(judged.notes.filter((n) => n.bar === bar));
    return words === '' ? [] : [`In ${nameOf(bar)}: ${words}.`];
  });
  return {
    right,
    of: judged.notes.length,
    sentences: [
      `${right} of ${judged.notes.length} in time.`,
      ...where,
      ...(judged.extra.length > 0
        ? [`${judged.extra.length} ${judged.extra.length === 1 ? 'tap' : 'taps'} too many.`]
        : []),
      ...(judged.leadIsSteady
        ? [
            `All taps are ${judged.lead < 0 ? 'ahead' : 'behind'} by about ${ms(judged.lead)} thousandths of a second: steady, so it may be this device.`,
          ]
        : []),
    ],
  };
}
