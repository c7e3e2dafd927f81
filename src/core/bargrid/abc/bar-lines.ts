import type { Scanner } from './scanner';
import { emptyBar } from './voice';

/** Closes the bar at a bar line and opens the next; empty bars (line ends, double signs) are not made. */
export function barLine(scanner: Scanner, sign: string): void {
  const { voice } = scanner;
  voice.joined = false;
  const closing = scanner.bar;
  const has = closing.events.length > 0;
  const colonsBefore = /^:*/.exec(sign)?.[0].length ?? 0;
  const ends = colonsBefore > 0;
  // `::` is `:|:`: half of its colons close.
  const passes = (/^:+$/.test(sign) ? Math.ceil(colonsBefore / 2) : colonsBefore) + 1;
  const starts = /[|\]]:+$/.test(sign) || /^:+$/.test(sign) || /:\|+:/.test(sign);
  const double =
    sign === '[|]'
      ? null
      : sign.includes(']') || /\[\|/.test(sign)
        ? 'light-heavy'
        : /\|\|/.test(sign)
          ? 'light-light'
          : null;
  const target = has ? closing : voice.bars[voice.bars.length - 2];
  if (target) {
    if (ends) target.repeatEnd = Math.max(target.repeatEnd ?? 0, passes);
    if (double && !ends) target.doubleBar = double;
  }
  if (has) {
    voice.bars.push(emptyBar());
    voice.accidentals = new Map();
  }
  if (starts) scanner.bar.repeatStart = true;
}

/** `1,2` or `1-3`: the passes of an ending. */
export function expandNumbers(text: string): number[] {
  return text.split(',').flatMap((piece) => {
    const [from = 1, to = from] = piece.split('-').map(Number);
    return Array.from({ length: Math.max(1, Math.min(20, to - from + 1)) }, (_, i) => from + i);
  });
}
