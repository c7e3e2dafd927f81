import {
  add,
  compare,
  fraction,
  max,
  meterQuarters,
  meterText,
  ZERO,
  type Fraction,
  type Key,
  type Meter,
} from '../../score';
import type { BarHead, GrowingPart, WarnOf } from '../growing-part';
import { FREE_UNSAID, unsaidMeter } from './unsaid-meter';

/** A bar split by a repeat, a double bar or an ending may be short. */
export function splitHere(parts: readonly GrowingPart[], index: number): boolean {
  return parts.some((part) => {
    const here = part.measures[index]?.signs;
    const before = part.measures[index - 1]?.signs;
    const after = part.measures[index + 1]?.signs;
    return (
      here?.repeatEnd != null ||
      here?.repeatStart === true ||
      here?.doubleBar != null ||
      here?.endingStart != null ||
      here?.endingStop === true ||
      before?.repeatEnd != null ||
      before?.doubleBar != null ||
      after?.repeatStart === true ||
      after?.endingStart != null
    );
  });
}

/** A bar that reaches this much further is still as long as its meter says. */
const TOLERANCE = fraction(1, 1_000_000);

/** Says where a part holds more, or without a reason less, than the meter of the bar. */
function warnOfLength(
  parts: readonly GrowingPart[],
  i: number,
  head: BarHead,
  meter: Meter,
  isInner: boolean,
  warn: WarnOf,
): void {
  const nominal = meterQuarters(meter);
  for (const part of parts) {
    const measure = part.measures[i];
    if (!measure || measure.events.length === 0) continue;
    const { length } = measure;
    const holds = (only: string): string =>
      `bar ${head.number}, part ${part.id}: holds ${only}${length.n / length.d} quarters where the meter ${meterText(meter)} has ${nominal.n / nominal.d}`;
    const isShort = compare(add(length, TOLERANCE), nominal) < 0;
    if (compare(length, add(nominal, TOLERANCE)) > 0) warn('bar-overfull', holds(''), i, head.number, part.id);
    else if (isShort && !head.implicit && isInner && !splitHere(parts, i))
      warn('bar-underfull', holds('only '), i, head.number, part.id);
  }
}

export interface BarLengths {
  /** In quarters: as long as the fullest part; an empty bar as its meter says. */
  readonly lengths: readonly Fraction[];
  readonly meters: readonly Meter[];
  readonly keys: readonly Key[];
}

/** How far the fullest part reaches in a bar, in quarters. */
const reachOf = (parts: readonly GrowingPart[], i: number): Fraction =>
  parts.reduce((longest, part) => max(longest, part.measures[i]?.length ?? ZERO), ZERO);

/** The first meter that is said from a bar on, and where; null where none is. */
function firstSaid(parts: readonly GrowingPart[], bars: number): { readonly at: number; readonly meter: Meter } | null {
  for (let at = 0; at < bars; at += 1)
    for (const part of parts) {
      const meter = part.measures[at]?.attributes.find((a) => a.meter)?.meter;
      if (meter) return { at, meter };
    }
  return null;
}

/** The meter of the bars before the first that is said: that one for a pick-up to it, else told by their lengths. */
function meterBefore(parts: readonly GrowingPart[], bars: number): Meter {
  const said = firstSaid(parts, bars);
  const unsaid = said?.at ?? bars;
  if (unsaid === 0) return FREE_UNSAID;
  if (said && unsaid === 1 && compare(reachOf(parts, 0), meterQuarters(said.meter)) < 0) return said.meter;
  const indexes = Array.from({ length: unsaid }, (_, i) => i);
  return unsaidMeter(
    indexes.map((i) => reachOf(parts, i)),
    indexes.flatMap((i) => parts.flatMap((p) => p.measures[i]?.beamed ?? [])).map((group) => group.length),
  );
}

/** Length, meter and key of every bar. */
export function barLengths(parts: readonly GrowingPart[], bars: readonly BarHead[], warn: WarnOf): BarLengths {
  const lengths: Fraction[] = [];
  const meters: Meter[] = [];
  const keys: Key[] = [];
  let meter = meterBefore(parts, bars.length);
  let key: Key = { fifths: 0, mode: null };
  bars.forEach((head, i) => {
    const changed = parts.flatMap((part) => part.measures[i]?.attributes.filter((a) => a.meter).pop()?.meter ?? [])[0];
    meter = changed ?? meter;
    const keyWhere = (side: (c: number) => boolean): Key | undefined =>
      parts[0]?.measures[i]?.attributes.find((a) => a.keys && side(compare(a.onset, ZERO)))?.keys?.[0]?.key;
    key = keyWhere((c) => c === 0) ?? key;
    const nominal = meterQuarters(meter);
    const reach = reachOf(parts, i);
    const filled = reach.n > 0;
    lengths.push(filled ? reach : nominal.n > 0 ? nominal : fraction(4));
    meters.push(meter);
    keys.push(key);
    key = keyWhere((c) => c > 0) ?? key;
    if (nominal.n > 0 && filled) warnOfLength(parts, i, head, meter, i > 0 && i < bars.length - 1, warn);
  });
  return { lengths, meters, keys };
}
