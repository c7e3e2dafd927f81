/** Finds the scales and arpeggios in a line of single notes, and the standard finger of each of their notes. */
import type { Key } from '../../score';
import {
  ALTERNATIVE_STARTS,
  arpeggioFingers,
  chromaticFingers,
  SCALE_STEPS,
  scaleFingers,
  type Hand,
  type ScaleKind,
} from './standard';
import type { Finger } from './spans';

export interface LineNote {
  /** Index of the event this note is. */
  readonly event: number;
  readonly key: number;
  /** Staff step, where the spelling is known: scales move one step at a time. */
  readonly step: number | null;
}

export interface StandardRun {
  readonly kind: 'scale' | 'arpeggio' | 'chromatic';
  readonly name: string;
  /** Event → finger. */
  readonly fingers: ReadonlyMap<number, Finger>;
  /** Other fingers that methods print at a note of the run. */
  readonly alternatives: ReadonlyMap<number, readonly Finger[]>;
}

/** A scale needs as many notes one way that no hand takes it in one position. */
const SHORTEST_SCALE = 6;
const SHORTEST_ARPEGGIO = 4;
const NAMES = ['C', 'D♭', 'D', 'E♭', 'E', 'F', 'G♭', 'G', 'A♭', 'A', 'B♭', 'B'];

const NONE: ReadonlyMap<number, readonly Finger[]> = new Map();

interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly up: boolean;
}

/** Maximal stretches going one way by steps the test allows; neighbours share their turning note. */
function stretches(line: readonly LineNote[], allowed: (by: number) => boolean): Stretch[] {
  const out: Stretch[] = [];
  let from = 0;
  let way = 0;
  for (let i = 1; i <= line.length; i += 1) {
    const a = line[i - 1];
    const b = line[i];
    const by = a && b ? b.key - a.key : 0;
    const dir = Math.sign(by);
    const goes = a !== undefined && b !== undefined && dir !== 0 && allowed(Math.abs(by)) && b.event === a.event + 1;
    if (goes && (way === 0 || dir === way)) {
      way = dir;
      continue;
    }
    if (way !== 0 && i - 1 > from) out.push({ from, to: i - 1, up: way > 0 });
    from = goes ? i - 1 : i;
    way = goes ? dir : 0;
  }
  return out;
}

interface ScaleGuess {
  readonly tonic: number;
  readonly kind: ScaleKind;
  readonly points: number;
}

/**
 * The scale a stretch belongs to: every note in it, every step a scale step; best by signature, then by where it begins
 * and ends.
 */
function guessScale(
  keys: readonly number[],
  up: boolean,
  signature: Key | null,
  first: number,
  last: number,
): ScaleGuess | null {
  let best: ScaleGuess | null = null;
  const major = signature ? (((signature.fifths * 7) % 12) + 12) % 12 : null;
  const minor = major === null ? null : (major + 9) % 12;
  const kinds: readonly ScaleKind[] = ['major', 'harmonic', 'melodic', 'natural'];
  for (let tonic = 0; tonic < 12; tonic += 1)
    for (const kind of kinds) {
      if (kind === 'melodic' && !up && tonic !== minor) continue;
      const steps = SCALE_STEPS[kind];
      const degrees = keys.map((k) => steps.indexOf((((k - tonic) % 12) + 12) % 12));
      if (degrees.includes(-1)) continue;
      const neighbours = degrees.every((d, i) => i === 0 || (degrees[i - 1] ?? 0) === (d + (up ? 6 : 1)) % 7);
      if (!neighbours) continue;
      let points = 0;
      const isMajorKey = kind === 'major';
      if (major !== null && minor !== null) {
        if (isMajorKey ? tonic === major : tonic === minor) points += 3;
        const mode = signature?.mode ?? null;
        if (mode === 'minor' || mode === 'aeolian') points += isMajorKey ? -2 : tonic === minor ? 3 : 0;
        else if (mode === 'major' || mode === 'ionian') points += isMajorKey ? 1 : -2;
      }
      if (first % 12 === tonic) points += 2;
      if (last % 12 === tonic) points += 2;
      if (isMajorKey) points += 0.5;
      if (best === null || points > best.points) best = { tonic, kind, points };
    }
  return best;
}

/** All standard runs of a line, with the turning notes shared; longer runs first where they meet. */
export function standardRuns(
  line: readonly LineNote[],
  hand: Hand,
  signature: (event: number) => Key | null,
): StandardRun[] {
  const out: StandardRun[] = [];
  const keyAt = (i: number): number => line[i]?.key ?? 0;
  const keysOf = (s: Stretch): number[] => line.slice(s.from, s.to + 1).map((n) => n.key);
  const toMap = (s: Stretch, fingers: readonly Finger[]): Map<number, Finger> =>
    new Map(line.slice(s.from, s.to + 1).flatMap((n, i) => (fingers[i] ? [[n.event, fingers[i]] as const] : [])));
  // A turning note is an end of both its stretches; a run that only stops for a leap or a rest ends there too.
  const scaleStretches = stretches(line, (by) => by <= 3).filter((s) => s.to - s.from + 1 >= SHORTEST_SCALE);
  const endsAt = new Map(scaleStretches.map((o) => [o.to, o]));
  const beginsAt = new Map(scaleStretches.map((o) => [o.from, o]));
  for (const s of scaleStretches) {
    const keys = keysOf(s);
    if (keys.every((k, i) => i === 0 || Math.abs(k - (keys[i - 1] ?? k)) === 1)) {
      out.push({
        kind: 'chromatic',
        name: 'chromatic scale',
        fingers: toMap(s, chromaticFingers(keys, hand)),
        alternatives: NONE,
      });
      continue;
    }
    const wholeFrom = endsAt.get(s.from)?.from ?? s.from;
    const wholeTo = beginsAt.get(s.to)?.to ?? s.to;
    const guess = guessScale(keys, s.up, signature(line[s.from]?.event ?? 0), keyAt(wholeFrom), keyAt(wholeTo));
    if (!guess) continue;
    const fingers = scaleFingers(keys, guess.tonic, guess.kind, hand, { low: true, high: true });
    const inner = s.up ? s.from : s.to;
    const starts = hand === 'right' && keyAt(inner) % 12 === guess.tonic ? ALTERNATIVE_STARTS[guess.tonic] : undefined;
    const alternatives = starts ? new Map([[line[inner]?.event ?? 0, starts]]) : NONE;
    out.push({
      kind: 'scale',
      name: `${NAMES[guess.tonic] ?? ''} ${guess.kind === 'major' ? 'major' : `${guess.kind} minor`} scale`,
      fingers: toMap(s, fingers),
      alternatives,
    });
  }
  const arpeggios = stretches(line, (by) => by >= 2 && by <= 9).filter((s) => s.to - s.from + 1 >= SHORTEST_ARPEGGIO);
  for (const s of arpeggios) {
    const keys = keysOf(s);
    const low = Math.min(...keys);
    const classes = new Set(keys.map((k) => (k - low) % 12));
    if (classes.size < 3 || classes.size > 4 || Math.max(...keys) - low < 12) continue;
    const ordered = [...classes].sort((a, b) => a - b);
    // Every note of the chord in turn, none left out.
    const complete = keys.every((k, i) => {
      if (i === 0) return true;
      const a = ordered.indexOf(((((keys[i - 1] ?? k) - low) % 12) + 12) % 12);
      const b = ordered.indexOf((((k - low) % 12) + 12) % 12);
      return b === (a + (s.up ? 1 : ordered.length - 1)) % ordered.length;
    });
    if (!complete) continue;
    out.push({
      kind: 'arpeggio',
      name: classes.size === 3 ? 'arpeggio' : 'seventh arpeggio',
      fingers: toMap(s, arpeggioFingers(keys, hand, { low: true, high: true })),
      alternatives: NONE,
    });
  }
  return out.sort((a, b) => b.fingers.size - a.fingers.size);
}
