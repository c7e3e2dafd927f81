import type { FrettedStrings } from '../../instruments';

/** A chord on a fretboard: a fret for each string from string 1, null where it is not played. */
export interface ChordShape {
  readonly frets: readonly (number | null)[];
  /** Left-hand finger of each string, 0 open, null not played. */
  readonly fingers: readonly (number | null)[];
  /** Fret the first finger lies across, or null. */
  readonly barre: number | null;
  /** Smaller is easier. */
  readonly ease: number;
}

/** Costs of a shape, chosen by us. */
export const SHAPE_WEIGHTS = {
  finger: 1,
  fretHeight: 0.35,
  spread: 1.1,
  barre: 1.6,
  /** A low string left out on six strings is damped in passing; on four or five it is missed. */
  mutedLow: 0.4,
  muted: 3,
  mutedInside: 3,
  noRootInBass: 2.5,
  open: -0.15,
} as const;

const SPREAD = 4;

/** Frets near the nut, where one or two fingers stand on the fret of their own number **[common practice]**. */
const OPEN_POSITION = 3;

/**
 * Fingers for frets held at once, as chord charts print them: from the lowest fret to the highest and from the lowest
 * string to the highest, a finger for each fret passed over. One or two fingers near the nut stand on the fret of their
 * own number; three or more begin with the first. A barre only where no open string lies under it. Null where four
 * fingers do not suffice.
 *
 * @example fingerShape([3, 0, 0, 0])?.fingers // → [3, 0, 0, 0]
 */
export function fingerShape(frets: readonly (number | null)[]): Pick<ChordShape, 'fingers' | 'barre'> | null {
  const stopped = frets.flatMap((f, s) => (f !== null && f > 0 ? [{ f, s }] : []));
  const fingers: (number | null)[] = frets.map((f) => (f === null ? null : 0));
  if (stopped.length === 0) return { fingers, barre: null };
  const low = Math.min(...stopped.map((x) => x.f));
  const onLow = stopped.filter((x) => x.f === low);
  const above = stopped.filter((x) => x.f > low);
  const under = frets.slice(Math.min(...onLow.map((x) => x.s)), Math.max(...onLow.map((x) => x.s)) + 1);
  const canBarre = onLow.length > 1 && under.every((f) => f === null || f >= low);
  const isBarre =
    canBarre &&
    (stopped.length > 4 || (onLow.length >= 3 && above.length <= 3 && frets.every((f) => f === null || f >= low)));
  if (stopped.length > 4 && !isBarre) return null;
  if (isBarre) for (const x of onLow) fingers[x.s] = 1;
  const rest = (isBarre ? above : stopped).sort((a, b) => a.f - b.f || b.s - a.s);
  const first = !isBarre && stopped.length <= 2 && low <= OPEN_POSITION ? low : 1;
  let last = isBarre ? 1 : 0;
  for (const [i, x] of rest.entries()) {
    // A free finger for each fret passed over keeps the hand in its frame, as long as enough are left.
    const frame = Math.min(first + x.f - low, 4 - (rest.length - 1 - i));
    const finger = Math.max(last + 1, frame);
    if (finger > 4) return null;
    fingers[x.s] = finger;
    last = finger;
  }
  return { fingers, barre: isBarre ? low : null };
}

/**
 * Shapes of a chord found from the tuning, easiest first. `classes` are pitch classes 0 to 11, the root first; every
 * one must sound (a fifth may be left out where there are more classes than strings). `most` shapes at most.
 *
 * @example chordShapes(INSTRUMENTS.ukulele.fingers, [0, 4, 7])[0].frets // → [3, 0, 0, 0]
 */
export function chordShapes(instrument: FrettedStrings, classes: readonly number[], most = 12): ChordShape[] {
  const [root = 0] = classes;
  const wanted = new Set(classes);
  const needed = classes.filter((c, i) => !(classes.length > instrument.strings.length && i === 2));
  const out: ChordShape[] = [];
  const seen = new Set<string>();
  for (let position = 0; position <= Math.min(12, instrument.frets - 1); position += 1) {
    const choices = instrument.strings.map((s, i): (number | null)[] => {
      const frets: (number | null)[] = [null];
      if (wanted.has(s.key % 12)) frets.push(0);
      // A short drone string sounds open or not at all.
      if ((instrument.nut[i] ?? 0) > 0) return frets;
      for (let f = Math.max(1, position); f < position + SPREAD; f += 1)
        if (f <= instrument.frets && wanted.has((s.key + f) % 12)) frets.push(f);
      return frets;
    });
    const grow = (so: (number | null)[]): void => {
      const i = so.length;
      if (i < instrument.strings.length) {
        for (const f of choices[i] ?? []) grow([...so, f]);
        return;
      }
      const sounding = so.flatMap((f, s) => (f === null ? [] : [{ key: (instrument.strings[s]?.key ?? 0) + f, s }]));
      if (sounding.length < Math.min(3, instrument.strings.length)) return;
      const have = new Set(sounding.map((x) => x.key % 12));
      if (!needed.every((c) => have.has(c))) return;
      const key = so.join();
      if (seen.has(key)) return;
      seen.add(key);
      const fingered = fingerShape(so);
      if (!fingered) return;
      const w = SHAPE_WEIGHTS;
      const stopped = so.filter((f): f is number => f !== null && f > 0);
      const low = stopped.length > 0 ? Math.min(...stopped) : 0;
      const high = stopped.length > 0 ? Math.max(...stopped) : 0;
      const played = so.flatMap((f, s) => (f === null ? [] : [s]));
      const inside = so.filter(
        (f, s) => f === null && s > (played[0] ?? 0) && s < (played[played.length - 1] ?? 0),
      ).length;
      const muted = so.filter((f) => f === null).length;
      const low6 = so.filter((f, s) => f === null && s > (played[played.length - 1] ?? 0)).length;
      const bass = sounding.reduce((a, b) => (b.key < a.key ? b : a));
      const ease =
        w.finger *
          (fingered.barre === null
            ? stopped.length
            : new Set(fingered.fingers.filter((f) => f !== null && f > 0)).size) +
        w.fretHeight * low +
        w.spread * Math.max(0, high - low - (stopped.length > 1 ? 1 : 0)) +
        (fingered.barre === null ? 0 : w.barre) +
        (instrument.strings.length >= 6
          ? w.mutedLow * low6 + w.muted * (muted - inside - low6)
          : w.muted * (muted - inside)) +
        w.mutedInside * inside +
        (bass.key % 12 === root || instrument.strings.length <= 4 ? 0 : w.noRootInBass) +
        w.open * so.filter((f) => f === 0).length;
      out.push({ frets: so, fingers: fingered.fingers, barre: fingered.barre, ease });
    };
    grow([]);
  }
  return out.sort((a, b) => a.ease - b.ease || a.frets.join().localeCompare(b.frets.join())).slice(0, most);
}

export interface ChordChange {
  readonly cost: number;
  readonly stay: readonly number[];
  readonly move: readonly number[];
}

/**
 * What a change from one shape to another asks: fingers that stay on their string and fret, fingers that move, and the
 * cost of it.
 *
 * @example
 * chordChange({ frets: [0, 1, 0], fingers: [0, 1, 0] }, { frets: [1, 1, 0], fingers: [2, 1, 0] }).stay // → [1]
 */
export function chordChange(a: ChordShape, b: ChordShape): ChordChange {
  const stay: number[] = [];
  const move: number[] = [];
  let far = 0;
  for (const finger of [1, 2, 3, 4]) {
    const before = a.fingers.flatMap((f, s) => (f === finger ? [s] : []));
    const after = b.fingers.flatMap((f, s) => (f === finger ? [s] : []));
    const to = after[0];
    if (to === undefined) continue;
    const from = before.find((s) => s === to && a.frets[s] === b.frets[to]);
    if (from !== undefined) stay.push(finger);
    else {
      move.push(finger);
      const was = before[0];
      far += was === undefined ? 1 : Math.abs((a.frets[was] ?? 0) - (b.frets[to] ?? 0)) + Math.abs(was - to) * 0.5;
    }
  }
  return { cost: move.length + far * 0.5 + (a.barre !== b.barre ? 1 : 0), stay, move };
}
