/**
 * Standard fingerings of scales and arpeggios, which the solver prefers wherever a passage is one. Source:
 * Charles-Louis Hanon, "The Virtuoso Pianist in 60 Exercises" (1873), no. 39 (scales in all keys) and no. 41 (arpeggios
 * on triads), as printed since in every method; where methods differ the alternatives are in `ALTERNATIVE_STARTS`.
 */
import { isBlackKey } from '../../score';
import type { Finger } from './spans';

export type Hand = 'right' | 'left';
export type ScaleKind = 'major' | 'harmonic' | 'melodic' | 'natural';

/** Semitones of the seven degrees above the tonic. */
export const SCALE_STEPS: Readonly<Record<ScaleKind, readonly number[]>> = {
  major: [0, 2, 4, 5, 7, 9, 11],
  harmonic: [0, 2, 3, 5, 7, 8, 11],
  melodic: [0, 2, 3, 5, 7, 9, 11],
  natural: [0, 2, 3, 5, 7, 8, 10],
};

const f = (text: string): readonly Finger[] => [...text].map(Number).filter((n): n is Finger => n >= 1 && n <= 5);

/** Fingers of the seven degrees inside a scale of several octaves, by pitch class of the tonic. */
const MAJOR_RIGHT: readonly (readonly Finger[])[] = [
  f('1231234'), // C
  f('2312341'), // D♭
  f('1231234'), // D
  f('3123412'), // E♭
  f('1231234'), // E
  f('1234123'), // F
  f('2341231'), // G♭
  f('1231234'), // G
  f('3412312'), // A♭
  f('1231234'), // A
  f('4123123'), // B♭
  f('1231234'), // B
];
const MAJOR_LEFT: readonly (readonly Finger[])[] = [
  f('1432132'), // C
  f('3214321'), // D♭
  f('1432132'), // D
  f('3214321'), // E♭
  f('1432132'), // E
  f('1432132'), // F
  f('4321321'), // G♭
  f('1432132'), // G
  f('3214321'), // A♭
  f('1432132'), // A
  f('3214321'), // B♭
  f('1321432'), // B
];
const MINOR_RIGHT: readonly (readonly Finger[])[] = [
  f('1231234'), // C
  f('3412312'), // C♯
  f('1231234'), // D
  f('3123412'), // E♭
  f('1231234'), // E
  f('1234123'), // F
  f('3412312'), // F♯
  f('1231234'), // G
  f('3412312'), // G♯
  f('1231234'), // A
  f('4123123'), // B♭
  f('1231234'), // B
];
const MINOR_LEFT: readonly (readonly Finger[])[] = [
  f('1432132'), // C
  f('3214321'), // C♯
  f('1432132'), // D
  f('2143213'), // E♭
  f('1432132'), // E
  f('1432132'), // F
  f('4321321'), // F♯
  f('1432132'), // G
  f('3214321'), // G♯
  f('1432132'), // A
  f('2132143'), // B♭
  f('1321432'), // B
];
/** Going up in melodic minor the raised sixth and seventh move the thumb in two keys of the right hand. */
const MELODIC_RIGHT: Readonly<Record<number, readonly Finger[]>> = { 1: f('2312341'), 6: f('2312341') };

/** First notes that methods print with another finger, right hand: pitch class of the tonic → finger. */
export const ALTERNATIVE_STARTS: Readonly<Record<number, readonly Finger[]>> = {
  10: [4, 2],
  3: [3, 2],
  8: [3, 2],
  1: [2, 3],
  6: [2, 3],
};

/** Fingers of the degrees of a scale in the middle of several octaves. */
export function scaleCycle(tonic: number, kind: ScaleKind, hand: Hand): readonly Finger[] {
  const pc = ((tonic % 12) + 12) % 12;
  if (kind === 'major') return (hand === 'right' ? MAJOR_RIGHT : MAJOR_LEFT)[pc] ?? [];
  if (kind === 'melodic' && hand === 'right' && MELODIC_RIGHT[pc]) return MELODIC_RIGHT[pc];
  return (hand === 'right' ? MINOR_RIGHT : MINOR_LEFT)[pc] ?? [];
}

const at = <T>(list: readonly T[], i: number): T | undefined => list[((i % list.length) + list.length) % list.length];

/**
 * Fingers of a scale run. `keys` are MIDI numbers going one way, neighbours in the scale. At the outer turn (top for
 * the right hand, bottom for the left) the thumb gives way to the next free finger; at the inner end B flat begins on
 * two in the right hand.
 */
export function scaleFingers(
  keys: readonly number[],
  tonic: number,
  kind: ScaleKind,
  hand: Hand,
  ends: { readonly low: boolean; readonly high: boolean },
): Finger[] {
  const steps = SCALE_STEPS[kind];
  const cycle = scaleCycle(tonic, kind, hand);
  const degree = (key: number): number => steps.indexOf((((key - tonic) % 12) + 12) % 12);
  const finger = (key: number): Finger => cycle[degree(key)] ?? 1;
  const low = Math.min(...keys);
  const high = Math.max(...keys);
  const outer = hand === 'right' ? high : low;
  const outerEnds = hand === 'right' ? ends.high : ends.low;
  const innerEnds = hand === 'right' ? ends.low : ends.high;
  const inner = hand === 'right' ? low : high;
  return keys.map((key) => {
    const own = finger(key);
    if (key === outer && outerEnds && own === 1) {
      const before = at(cycle, degree(key) + (hand === 'right' ? -1 : 1)) ?? 4;
      return (before < 5 ? before + 1 : 5) as Finger;
    }
    if (key === inner && innerEnds && own === 4) {
      // Four at the inner end has nothing to cross over: two takes it, as printed for B flat in the right hand.
      if (hand === 'right' && degree(key) === 0 && cycle[1] === 1) return 2;
    }
    return own;
  });
}

/**
 * Fingers of the notes of a chord in an arpeggio of several octaves: the thumb on the lowest note when it is white or
 * all are black, else on the first white note after a black one (for the left hand before one); then two, and three or
 * four by the width that is left. `chord` holds the sounding keys of one octave from the lowest note of the run, in
 * order.
 */
export function arpeggioCycle(chord: readonly number[], hand: Hand): readonly Finger[] {
  const n = chord.length;
  const black = chord.map(isBlackKey);
  const gap = (i: number): number => {
    const a = at(chord, i) ?? 0;
    const b = at(chord, i + 1) ?? 0;
    return (((b - a) % 12) + 12) % 12;
  };
  let thumb = 0;
  if (black[0] && black.some((b) => !b)) {
    const found = chord.findIndex((_, i) => !black[i] && (hand === 'right' ? at(black, i - 1) : at(black, i + 1)));
    thumb = found >= 0 ? found : 0;
  }
  const fingers: Finger[] = chord.map(() => 1);
  if (n === 3) {
    const second = hand === 'right' ? thumb + 1 : thumb - 1;
    const third = hand === 'right' ? thumb + 2 : thumb - 2;
    const g1 = hand === 'right' ? gap(thumb) : gap(second);
    const g2 = hand === 'right' ? gap(second) : gap(third);
    const wide = g1 + g2;
    const thirdBlack = at(black, third) ?? false;
    const finger: Finger =
      hand === 'right' ? (g2 >= 5 || wide >= 9 ? 4 : 3) : wide <= 7 || (wide === 8 && g2 === 3 && thirdBlack) ? 3 : 4;
    fingers[((second % n) + n) % n] = 2;
    fingers[((third % n) + n) % n] = finger;
    return fingers;
  }
  for (let k = 1; k < n; k += 1)
    fingers[(((hand === 'right' ? thumb + k : thumb - k) % n) + n) % n] = Math.min(5, k + 1) as Finger;
  return fingers;
}

/** Fingers of an arpeggio run going one way over a chord of three or four notes. */
export function arpeggioFingers(
  keys: readonly number[],
  hand: Hand,
  ends: { readonly low: boolean; readonly high: boolean },
): Finger[] {
  const low = Math.min(...keys);
  const high = Math.max(...keys);
  const classes = [...new Set([...keys].sort((a, b) => a - b).map((k) => (k - low) % 12))].sort((a, b) => a - b);
  const cycle = arpeggioCycle(
    classes.map((c) => low + c),
    hand,
  );
  return keys.map((key) => {
    const own = cycle[classes.indexOf((key - low) % 12)] ?? 1;
    const outer = hand === 'right' ? key === high && ends.high : key === low && ends.low;
    return outer && own === 1 ? 5 : own;
  });
}

/**
 * The chromatic scale: three on every black key, two on C and F (right) or E and B (left), the thumb on the other white
 * keys.
 */
export function chromaticFingers(keys: readonly number[], hand: Hand): Finger[] {
  const two = hand === 'right' ? [0, 5] : [4, 11];
  return keys.map((key, i) => {
    if (isBlackKey(key)) return 3;
    const pc = key % 12;
    // The first note of all is taken by the thumb.
    return two.includes(pc) && i > 0 ? 2 : 1;
  });
}
