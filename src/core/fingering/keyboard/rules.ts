/**
 * The cost of playing notes of one hand with given fingers: the twelve rules of Parncutt et al. (1997), each a function
 * of its own, and what they leave open (chords, repeated notes, rests, held notes), with weights of ours. Keys are MIDI
 * numbers; the left hand is mirrored before it comes here, so that "up" always is away from the thumb.
 */
import type { Finger, Spans } from './spans';

/** A key with its finger; `x` is the mirrored place of the key, `black` its colour. */
export interface Played {
  readonly x: number;
  readonly black: boolean;
  readonly finger: Finger;
  /** Struck before, and still down. */
  readonly held: boolean;
}

/** Wider than a sixth, a move from note to note is a leap. */
const LEAP = 9;

/** Twelve semitones lie over seven white keys. */
const SEMITONES_A_WHITE_KEY = 12 / 7;

/** Weights beside those of the article. */
export const KEYBOARD_WEIGHTS = {
  /** A finger other than the standard one of a scale or arpeggio. */
  standard: 60,
  weak: 0.1,
  /** Another finger than the same notes had before, and than the same figure had on other keys. */
  sameMaterial: 5,
  sameFigure: 2,
  /** The same finger on another key, detached or not. */
  sameFinger: 20,
  /** What the span of a leap costs at most, whatever the fingers: the hand moves with it. */
  leapMost: 16,
  /** Over the thumb right after a leap onto it. */
  crossAfterLeap: 10,
  /** Another finger on a key that was left for one note only. */
  otherOnReturn: 4,
  /** Over the thumb and under again at once, on a white key. */
  passTwice: 5,
  sameFingerSemitone: 0.3,
  /** Fingers that lie apart more or less than the white keys between the notes. */
  unnatural: 0.3,
  /** Another finger on the same key, and the same finger on it when it is repeated fast. */
  changeOnKey: 2.5,
  fastRepeat: 1.5,
  /** Moving the whole hand between chords, a semitone. */
  handMove: 0.45,
  /** Fingers of a chord that do not lie in the order of the keys cannot be: they are not offered. */
  chordWeak: 0.5,
  chordThumbBlack: 0.6,
  chordSameFinger: 0.1,
  /** The little finger on the black key of an octave, where the hand is large enough for the fourth. */
  octaveOnBlack: 2,
  /** Taking a finger from a key that is held: only where a lock leaves nothing else. */
  letsGo: 1000,
  /** After a rest the hand is free: transitions count this much. */
  afterRest: 0.25,
} as const;

const lower = (a: Played, b: Played): readonly [Played, Played] => (a.finger < b.finger ? [a, b] : [b, a]);

/** Signed span from the lower-numbered finger to the higher one. */
const spanOf = (a: Played, b: Played): number => {
  const [p, q] = lower(a, b);
  return q.x - p.x;
};

const thumb = (a: Played, b: Played): boolean => a.finger === 1 || b.finger === 1;

/** Rule 1: two points a semitone past the comfortable span, or short of it. */
export function stretch(a: Played, b: Played, spans: Spans): number {
  const s = spans(a.finger, b.finger);
  const span = spanOf(a, b);
  return 2 * Math.max(0, span - s.maxComfortable, s.minComfortable - span);
}

/** Rule 2: a point a semitone short of the relaxed span with the thumb, two without. */
export function smallSpan(a: Played, b: Played, spans: Spans): number {
  return (thumb(a, b) ? 1 : 2) * Math.max(0, spans(a.finger, b.finger).minRelaxed - spanOf(a, b));
}

/** Rule 3: a point a semitone past the relaxed span with the thumb, two without. */
export function largeSpan(a: Played, b: Played, spans: Spans): number {
  return (thumb(a, b) ? 1 : 2) * Math.max(0, spanOf(a, b) - spans(a.finger, b.finger).maxRelaxed);
}

function outside(a: Played, c: Played, spans: Spans): number {
  if (a.finger === c.finger) return a.x === c.x ? 0 : Math.abs(a.x - c.x);
  const s = spans(a.finger, c.finger);
  const span = spanOf(a, c);
  return Math.max(0, span - s.maxComfortable, s.minComfortable - span);
}

/** Rule 4: two points for a full change of position within three notes, one for half a change. */
export function positionChangeCount(a: Played, b: Played, c: Played, spans: Spans): number {
  if (outside(a, c, spans) === 0) return 0;
  const between = (b.x > a.x && b.x < c.x) || (b.x < a.x && b.x > c.x);
  const beyond =
    a.finger !== c.finger &&
    (spanOf(a, c) > spans(a.finger, c.finger).maxPractical || spanOf(a, c) < spans(a.finger, c.finger).minPractical);
  return b.finger === 1 && between && beyond ? 2 : 1;
}

/** Rule 5: a point a semitone by which first and third note lie outside the comfortable span. */
export const positionChangeSize = (a: Played, c: Played, spans: Spans): number => outside(a, c, spans);

/**
 * Rule 6: for fingers four and five. The article gives it a whole point; teachers use the fourth and fifth far more
 * readily than that.
 */
export const weakFinger = (a: Played): number => (a.finger >= 4 ? KEYBOARD_WEIGHTS.weak : 0);

/** Rule 7: a point when three, four and five follow one another in any order. */
export const threeFourFive = (a: Played, b: Played, c: Played): number =>
  a.finger >= 3 &&
  b.finger >= 3 &&
  c.finger >= 3 &&
  a.finger !== b.finger &&
  b.finger !== c.finger &&
  a.finger !== c.finger
    ? 1
    : 0;

/** Rule 8: a point when four follows three. */
export const threeToFour = (a: Played, b: Played): number => (a.finger === 3 && b.finger === 4 ? 1 : 0);

/** Rule 9: a point when three on a white key and four on a black follow one another. */
export const fourOnBlack = (a: Played, b: Played): number =>
  (a.finger === 3 && !a.black && b.finger === 4 && b.black) || (b.finger === 3 && !b.black && a.finger === 4 && a.black)
    ? 1
    : 0;

/** Rules 10 and 11 for a note and one of its neighbours: thumb or little finger on black beside white is two more. */
export const outerOnBlack = (note: Played, neighbour: Played): number =>
  (note.finger === 1 || note.finger === 5) && note.black && !neighbour.black && neighbour.x !== note.x ? 2 : 0;

/** Rule 10, the note alone: a point for the thumb on black. */
export const thumbOnBlack = (a: Played): number => (a.finger === 1 && a.black ? 1 : 0);

/** Rule 12: a point for passing thumb on the same level, three when the thumb takes black and the finger white. */
export function thumbPassing(a: Played, b: Played): number {
  if (a.finger === b.finger || !thumb(a, b)) return 0;
  const t = a.finger === 1 ? a : b;
  const f = a.finger === 1 ? b : a;
  if (f.x >= t.x) return 0;
  return t.black === f.black ? 1 : t.black ? 3 : 0;
}

/** One note after another in a line. */
export function lineStep(a: Played, b: Played, spans: Spans, secondsBetween: number): number {
  const w = KEYBOARD_WEIGHTS;
  if (a.x === b.x) {
    const fast = secondsBetween > 0 && secondsBetween < 0.17;
    return a.finger === b.finger ? (fast ? w.fastRepeat : 0) : fast ? 0.4 : w.changeOnKey;
  }
  if (a.finger === b.finger) return w.sameFinger + w.sameFingerSemitone * Math.abs(a.x - b.x);
  const reach = stretch(a, b, spans) + smallSpan(a, b, spans) + largeSpan(a, b, spans);
  return (
    (Math.abs(a.x - b.x) > LEAP ? Math.min(reach, w.leapMost) : reach) +
    threeToFour(a, b) +
    fourOnBlack(a, b) +
    outerOnBlack(a, b) +
    outerOnBlack(b, a) +
    thumbPassing(a, b) +
    KEYBOARD_WEIGHTS.unnatural * Math.abs(Math.abs(a.x - b.x) / SEMITONES_A_WHITE_KEY - Math.abs(a.finger - b.finger))
  );
}

/** After a leap onto the thumb a finger over it would have to reach back behind the hand: the hand goes on instead. */
const crossingAfterLeap = (a: Played, b: Played, c: Played): number =>
  Math.abs(a.x - b.x) > LEAP && b.finger === 1 && c.finger > 1 && c.x < b.x ? KEYBOARD_WEIGHTS.crossAfterLeap : 0;

/** Thumb, a finger over it, thumb again, all one way: worth it only where the finger lies on a black key. */
const passesTwice = (a: Played, b: Played, c: Played): number =>
  a.finger === 1 && c.finger === 1 && b.finger > 1 && !b.black && (b.x - a.x) * (c.x - b.x) > 0 && c.x !== a.x
    ? KEYBOARD_WEIGHTS.passTwice
    : 0;

/** Three notes of a line. */
export function lineTriple(a: Played, b: Played, c: Played, spans: Spans): number {
  if (a.x === b.x || b.x === c.x) return 0;
  return (
    positionChangeCount(a, b, c, spans) +
    positionChangeSize(a, c, spans) +
    threeFourFive(a, b, c) +
    crossingAfterLeap(a, b, c) +
    (a.x === c.x && a.finger !== c.finger ? KEYBOARD_WEIGHTS.otherOnReturn : 0) +
    passesTwice(a, b, c)
  );
}

const OCTAVE = 12;

/** A hand that reaches past the octave with thumb and fourth finger takes octaves on black keys with it. */
function octaveOnBlack(notes: readonly Played[], spans: Spans): number {
  const [a, b] = notes;
  if (notes.length !== 2 || !a || !b || Math.abs(a.x - b.x) !== OCTAVE) return 0;
  return spans(1, 4).maxComfortable > OCTAVE && a.black && (a.finger === 5 || b.finger === 5)
    ? KEYBOARD_WEIGHTS.octaveOnBlack
    : 0;
}

/** The notes of a chord under one hand. */
export function chordShape(notes: readonly Played[], spans: Spans): number {
  let cost = octaveOnBlack(notes, spans);
  notes.forEach((n, i) => {
    cost += n.finger >= 4 && notes.length < 3 ? KEYBOARD_WEIGHTS.chordWeak : 0;
    cost += n.finger === 1 && n.black && notes.some((o) => !o.black) ? KEYBOARD_WEIGHTS.chordThumbBlack : 0;
    for (const o of notes.slice(i + 1))
      cost +=
        KEYBOARD_WEIGHTS.unnatural *
          Math.abs(Math.abs(n.x - o.x) / SEMITONES_A_WHITE_KEY - Math.abs(n.finger - o.finger)) *
          0.5 +
        (stretch(n, o, spans) * 2 + smallSpan(n, o, spans) * 0.5 + largeSpan(n, o, spans)) /
          Math.max(1, notes.length - 1);
  });
  return cost;
}

/** Where the hand lies: the key under its thumb if the fingers stood on neighbouring white keys. */
const handPlace = (notes: readonly Played[]): number =>
  notes.reduce((sum, n) => sum + n.x - (n.finger - 1) * SEMITONES_A_WHITE_KEY, 0) / Math.max(1, notes.length);

/** From one group to another where either is a chord. */
export function groupStep(a: readonly Played[], b: readonly Played[], spans: Spans): number {
  const w = KEYBOARD_WEIGHTS;
  let cost = w.handMove * Math.abs(handPlace(a) - handPlace(b));
  for (const n of b) {
    const sameKey = a.find((o) => o.x === n.x);
    if (sameKey) cost += sameKey.finger === n.finger ? 0 : w.changeOnKey * 0.6;
    // From chord to chord the same finger moves on as a matter of course.
    else if (a.some((o) => o.finger === n.finger))
      cost += a.length > 1 && b.length > 1 ? w.chordSameFinger : w.sameFinger * 0.3;
  }
  // A single note after a chord, or before it, still is a reach from the nearest finger.
  const one = a.length === 1 ? a[0] : b.length === 1 ? b[0] : undefined;
  const many = a.length === 1 ? b : a;
  if (one && many.length > 1) {
    const nearest = [...many].sort((p, q) => Math.abs(p.x - one.x) - Math.abs(q.x - one.x))[0];
    if (nearest && nearest.finger !== one.finger && nearest.x !== one.x)
      cost += 0.5 * (stretch(one, nearest, spans) + smallSpan(one, nearest, spans) + thumbPassing(one, nearest));
  }
  return cost;
}
