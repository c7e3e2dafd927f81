import { LIMITS } from '../limits';
import { child, childText, type XmlElement } from '../xml-tree';
import { integer } from './integer';
import type { Warn } from './part-state';
import type { RawSigns } from './raw-measure';

/** `1, 2`, `1-3`, `2.`: the numbers an ending names, each at most 99. */
export function endingNumbers(text: string): number[] {
  const numbers = new Set<number>();
  for (const piece of text.match(/\d{1,2}\s*-\s*\d{1,2}|\d{1,2}/g) ?? []) {
    const [from = 0, to = from] = piece.split('-').map(Number);
    for (let n = from; n <= to; n += 1) if (n > 0) numbers.add(n);
  }
  return [...numbers];
}

/** Reads `<barline>`: double bars, repeats, endings, and the signs that stand on it. */
export function readBarline(element: XmlElement, signs: RawSigns, warn: Warn): void {
  const location = element.attributes['location'] ?? 'right';
  const style = childText(element, 'bar-style');
  if (location === 'right' && (style === 'light-light' || style === 'light-heavy')) signs.doubleBar = style;
  const repeat = child(element, 'repeat');
  if (repeat) {
    if (location === 'middle')
      warn('repeat-inside-bar', 'a repeat sign stands inside a bar; it is read at the bar line');
    if (repeat.attributes['direction'] === 'forward') signs.repeatStart = true;
    else if (repeat.attributes['direction'] === 'backward') {
      const times = repeat.attributes['times'];
      const count = times === undefined ? 2 : integer(times);
      if (count === null || count < 1 || count > LIMITS.repeatTimes) {
        warn(
          'bad-repeat',
          `a repeat of "${(times ?? '').slice(0, 12)}" times is read as ${count !== null && count > LIMITS.repeatTimes ? LIMITS.repeatTimes : 2}`,
        );
        signs.repeatEnd = count !== null && count > LIMITS.repeatTimes ? LIMITS.repeatTimes : 2;
      } else signs.repeatEnd = count;
    }
  }
  const ending = child(element, 'ending');
  if (ending) {
    if (ending.attributes['type'] === 'start') {
      const numbers = endingNumbers(ending.attributes['number'] ?? '');
      signs.endingStart = numbers.length > 0 ? numbers : endingNumbers(ending.text);
    } else signs.endingStop = true;
  }
  if (child(element, 'segno')) signs.segno ??= element.attributes['segno'] ?? '';
  if (child(element, 'coda')) signs.codaGlyph = true;
}
