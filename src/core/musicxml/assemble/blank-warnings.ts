import { fraction, fractionText, isBlankBar, type Bar } from '../../score';
import type { WarnOf } from '../growing-part';

/** Runs of bars in which nothing is written, first and last. */
function blankRuns(bars: readonly Bar[]): readonly (readonly [Bar, Bar])[] {
  const runs: [Bar, Bar][] = [];
  for (const bar of bars) {
    if (!isBlankBar(bar)) continue;
    const run = runs[runs.length - 1];
    if (run && run[1].index === bar.index - 1) run[1] = bar;
    else runs.push([bar, bar]);
  }
  return runs;
}

/** Says which bars are laid out without what is played in them, and which are written only in part. */
export function warnOfBlanks(bars: readonly Bar[], ticksPerQuarter: number, warn: WarnOf): void {
  for (const [first, last] of blankRuns(bars)) {
    const which = first === last ? `bar ${first.name}` : `bars ${first.name} to ${last.name}`;
    warn(
      'bars-blank',
      `${which}: nothing is written; what is played there is not known`,
      first.index,
      first.number,
      null,
    );
  }
  const quarters = (ticks: number): string => fractionText(fraction(ticks, ticksPerQuarter));
  for (const bar of bars)
    if (bar.blankFrom !== undefined && !isBlankBar(bar))
      warn(
        'bar-short',
        `bar ${bar.name}: only ${quarters(bar.blankFrom - bar.onset)} of its ${quarters(bar.length)} quarters are written; the rest is not known`,
        bar.index,
        bar.number,
        null,
      );
}
