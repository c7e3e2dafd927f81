import { add, compare, fraction, multiply, subtract } from '../score';
import { quick, row, type Frame } from './frame';
import type { OrnamentNote } from './ornament';

/**
 * Upper and main in turn, coming to rest on the main note; with a termination the note below and the main one close it.
 */
export function trill(frame: Frame): OrnamentNote[] {
  const { main, upper, lower, style, length } = frame;
  const each = quick(frame);
  const count = Math.max(2, Math.floor((length.n * each.d) / (length.d * each.n)));
  const fromUpper = style !== 'late' && !frame.upperBefore;
  const closing = frame.terminates && count >= 6 ? [lower, main] : [];
  const room = count - closing.length;
  // From above an even number ends on the main note, from the main note an odd one.
  const body = fromUpper ? room - (room % 2) : room - ((room + 1) % 2);
  const alternating = Array.from({ length: Math.max(1, body) }, (_, i) => ((i % 2 === 0) === fromUpper ? upper : main));
  return row(frame, [...alternating, ...closing], each);
}

export function mordent(frame: Frame, other: number): OrnamentNote[] {
  const each = quick(frame);
  // From the main note: main, neighbour, main held. The short trill of the early style begins with the upper note.
  if (frame.style === 'early' && other === frame.upper)
    return row(frame, [frame.upper, frame.main, frame.upper, frame.main], each);
  return row(frame, [frame.main, other, frame.main], each);
}

export function turn(frame: Frame, inverted: boolean): OrnamentNote[] {
  const pitches = inverted
    ? [frame.lower, frame.main, frame.upper, frame.main]
    : [frame.upper, frame.main, frame.lower, frame.main];
  const quarter = multiply(frame.length, fraction(1, 4));
  const each =
    frame.style === 'early' && compare(frame.length, fraction(1)) <= 0
      ? quarter
      : compare(quick(frame), quarter) < 0
        ? quick(frame)
        : quarter;
  return row(frame, pitches, each);
}

export function delayedTurn(frame: Frame, inverted: boolean): OrnamentNote[] {
  const each =
    compare(quick(frame), multiply(frame.length, fraction(1, 8))) < 0
      ? quick(frame)
      : multiply(frame.length, fraction(1, 8));
  const four = multiply(each, fraction(4));
  const hold = subtract(frame.length, four);
  const start = add(frame.start, hold);
  const pitches = inverted
    ? [frame.lower, frame.main, frame.upper, frame.main]
    : [frame.upper, frame.main, frame.lower, frame.main];
  return [
    { onset: frame.start, duration: hold, midi: frame.main },
    ...row({ ...frame, start, length: four }, pitches, each),
  ];
}

export function slide(frame: Frame, third: number): OrnamentNote[] {
  return row(frame, [third, frame.lower, frame.main], quick(frame));
}

export function tremolo(frame: Frame): OrnamentNote[] {
  const each = fraction(1, 8);
  const count = Math.max(1, Math.round((frame.length.n * each.d) / (frame.length.d * each.n)));
  return row(
    frame,
    Array.from({ length: count }, () => frame.main),
    each,
  );
}
