import type { HeardBeat } from './beats';
import type { Candidate } from './chord-evidence';
import { remembering, type Fits } from './remembered-runs';
import {
  beatsOf,
  chordBefore,
  endingsFor,
  keyBefore,
  stepOf,
  stepsTo,
  type Ending,
  type Reached,
  type StepsTo,
} from './endings';
import { growthOfPrice, pricesInKey } from './chord-in-key';
import { CHORDS } from './chord-kinds';
import { MOTION, motionPrice } from './chord-motion';
import { MODE_PROFILES, type MusicalKey } from './keys';
import { between, type SpanContent } from './span-content';
import { HARMONY_WEIGHTS as W } from './weights';

/** A run of beats under one chord in one key: beats `from` to before `to`, chord and key by their numbers. */
export interface ChordSpan {
  readonly from: number;
  readonly to: number;
  readonly chord: number;
  readonly key: number;
  /** The chords that were weighed here, best first, with what speaks for each. */
  readonly candidates: readonly Candidate[];
  /** Printed over it. */
  readonly printed: boolean;
}

/** What is asked: beats and what sounds in them, the keys that come into question with what each is given a beat. */
export interface HarmonyQuestion {
  readonly beats: readonly HeardBeat[];
  readonly content: SpanContent;
  readonly alone: boolean;
  readonly keys: readonly MusicalKey[];
  /** By beat and key, in beats. */
  readonly signature: readonly Float64Array[];
  /** By beat: the number of the chord printed over it; null where none is. */
  readonly printed: readonly (number | null)[];
}

const CANDIDATES = 7;
/** Longest run of beats under one chord that is weighed as one; a longer one is several. */
const LONGEST = 8;
/** Keys that are weighed at a beat beside those of its signature, and how many beats around it are listened to. */
const KEYS_WEIGHED = 6;
const KEYS_HEARD = 8;
/** How far behind the best a way may be and still be followed, in beats. */
const BEAM = 3.5;
/** Runs of so many beats may end anywhere. */
const SHORT = 2;
/** Sums of the same numbers in another order differ by less. */
const ROUNDING = 1e-9;
/** What a printed chord is worth: nothing is weighed against it. */
const PRINTED_WORTH = 1;

/** How well the sounding tones of a beat fit the profile of each key: the mean of what each tone says. */
function profileWorth(content: SpanContent, beats: number, keys: readonly MusicalKey[]): readonly Float64Array[] {
  const means = keys.map(({ mode }) => MODE_PROFILES[mode].reduce((a, b) => a + b, 0) / 12);
  return Array.from({ length: beats }, (_, i) =>
    Float64Array.from(keys, ({ tonic, mode }, k) => {
      let sum = 0;
      for (let pc = 0; pc < 12; pc += 1) {
        const here = between(content.credit, i, i + 1, pc);
        if (here > 0) sum += here * Math.log((MODE_PROFILES[mode][(pc - tonic + 12) % 12] ?? 1) / (means[k] ?? 1));
      }
      return sum * W.keyProfile;
    }),
  );
}

/** Keys that come into question at each beat: those that the notes around it fit best, and those of the signature. */
function keysHeard(
  keySums: readonly Float64Array[],
  signature: readonly Float64Array[],
  n: number,
): readonly (readonly number[])[] {
  return Array.from({ length: n }, (_, i) => {
    const low = keySums[Math.max(0, i - KEYS_HEARD)];
    const high = keySums[Math.min(n, i + KEYS_HEARD + 1)];
    const ofSignature = signature[i];
    const worth = (k: number): number => (high?.[k] ?? 0) - (low?.[k] ?? 0);
    const worths = Float64Array.from({ length: ofSignature?.length ?? 0 }, (_x, k) => worth(k));
    const all = [...worths.keys()].sort((a, b) => (worths[b] ?? 0) - (worths[a] ?? 0));
    return all.filter((k, place) => place < KEYS_WEIGHED || (ofSignature?.[k] ?? 0) > 0);
  });
}

/** Prices of motion from chord to chord by key, each pair computed when it is first asked for. */
function priceTable(keys: readonly MusicalKey[]): MotionPrices {
  const known: Float64Array[] = [];
  return (from, to) => {
    const place = from * CHORDS.length + to;
    const there = known[place];
    if (there) return there;
    const a = CHORDS[from];
    const b = CHORDS[to];
    const prices = Float64Array.from(keys, (key) => (a && b ? motionPrice(a, b, key) : 0));
    known[place] = prices;
    return prices;
  };
}

/** What the notes and the signature give each key from the beginning to each beat. */
function keySumsOf({ beats, content, keys, signature }: HarmonyQuestion): readonly Float64Array[] {
  const profile = profileWorth(content, beats.length, keys);
  const sums: Float64Array[] = [new Float64Array(keys.length)];
  for (let i = 0; i < beats.length; i += 1)
    sums.push(
      Float64Array.from(keys, (_, k) => (sums[i]?.[k] ?? 0) + (profile[i]?.[k] ?? 0) + (signature[i]?.[k] ?? 0)),
    );
  return sums;
}

/** The chords that are weighed for a run: the printed one alone, what sounds, or in silence what went before. */
function candidatesOfRun(
  { printed }: HarmonyQuestion,
  fits: Fits,
  from: number,
  to: number,
  before: readonly Arrival[],
): readonly Candidate[] {
  const lock = printed[from] ?? null;
  if (lock !== null) return [{ chord: lock, worth: PRINTED_WORTH * (to - from) }];
  const found = fits(from, to);
  if (found.length > 0) return found;
  return before.length > 0 ? before.map(({ chord }) => ({ chord, worth: 0 })) : [{ chord: 0, worth: 0 }];
}

interface BestKey {
  readonly value: number;
  readonly key: number;
}

function bestKeyOf({ best }: Ending): BestKey {
  let key = 0;
  best.forEach((v, k) => {
    if (v > (best[key] ?? -Infinity)) key = k;
  });
  return { value: best[key] ?? -Infinity, key };
}

/** A chord with which the music comes to a beat that is followed. */
interface Arrival extends Reached {
  /** What it is worth in its best key. */
  readonly most: number;
  /** What it is worth to come from its best key into another, and which key that is. */
  readonly come: number;
  readonly comeKey: number;
}

/** The chords with which a beat is reached that are not too far behind the best, the best first. */
function arrivalsAt(endings: ReadonlyMap<number, Ending>): readonly Arrival[] {
  const all = [...endings].map(([chord, ending]) => ({ chord, ending, best: bestKeyOf(ending) }));
  const most = all.reduce((m, { best }) => Math.max(m, best.value), -Infinity);
  return all
    .filter(({ best }) => best.value > most - BEAM)
    .sort((x, y) => y.best.value - x.best.value)
    .map(({ chord, ending, best }) => ({
      chord,
      ending,
      most: best.value,
      come: best.value - W.keyChange,
      comeKey: best.key,
    }));
}

type MotionPrices = (from: number, to: number) => Float64Array;

/** How a chord is best come to at one beat: for each key heard there what that is worth, from which chord and key. */
interface Approach {
  readonly best: Float64Array;
  readonly chord: Int32Array;
  readonly key: Int32Array;
}

/** The least that it costs to come to a chord. */
const cheapestChange = (starts: number): number =>
  Math.min(W.goesOn, starts * Math.min(1, W.sameRoot) + MOTION.resolves);

/** What leads best to a chord that begins at a beat, in each of some keys; the same however long the chord then is. */
function approachTo(
  chord: number,
  starts: number,
  keys: readonly number[],
  arrivals: readonly Arrival[],
  motion: MotionPrices,
): Approach {
  const size = keys.length;
  const best = new Float64Array(size).fill(-Infinity);
  const chords = new Int32Array(size);
  const comesFrom = new Int32Array(size);
  const root = CHORDS[chord]?.root;
  const cheapest = cheapestChange(starts);
  let least = -Infinity;
  for (const { chord: last, ending, most, come, comeKey } of arrivals) {
    // Those that follow are worth less, and so can be no better in any key.
    if (most - cheapest < least) break;
    const goesOn = last === chord;
    const prices = motion(last, chord);
    const change = goesOn ? W.goesOn : starts * (CHORDS[last]?.root === root ? W.sameRoot : 1);
    for (let o = 0; o < keys.length; o += 1) {
      const k = keys[o] ?? 0;
      const stay = ending.best[k] ?? -Infinity;
      const worth = Math.max(stay, come) - change - (goesOn ? 0 : (prices[k] ?? 0));
      if (worth <= (best[o] ?? -Infinity)) continue;
      best[o] = worth;
      chords[o] = last;
      comesFrom[o] = stay >= come ? k : comeKey;
    }
    least = best.reduce((low, worth) => Math.min(low, worth), Infinity);
  }
  return { best, chord: chords, key: comesFrom };
}

/** Puts a run behind what leads to it, key by key, wherever that is better than what is known of its end. */
function reach(
  beats: number,
  keys: readonly number[],
  totals: Float64Array,
  approach: Approach | null,
  { best, steps }: Ending,
): void {
  for (let o = 0; o < keys.length; o += 1) {
    const k = keys[o] ?? 0;
    const total = totals[k] ?? -Infinity;
    if (total <= (best[k] ?? -Infinity)) continue;
    best[k] = total;
    steps[k] = stepOf(beats, approach?.chord[o] ?? -1, approach?.key[o] ?? -1);
  }
}

/**
 * Chords and keys together: the division of the beats into runs, each with a chord and a key, for which most speaks. A
 * semi-Markov path: every run of up to eight beats is weighed as a whole, and what follows what has its price.
 */
export function harmonicPath(question: HarmonyQuestion): readonly ChordSpan[] {
  const { beats, content, alone, keys, signature, printed } = question;
  const n = beats.length;
  const keySums = keySumsOf(question);
  const fits = remembering(content, beats, alone, CANDIDATES);
  const inKey = keys.map(pricesInKey);
  const motion = priceTable(keys);
  const begins = alone ? W.beginsAlone : W.begins;
  const { fresh, giveBack } = endingsFor(keys.length);
  const behind: StepsTo[] = [];
  const endings: Map<number, Ending>[] = Array.from({ length: n + 1 }, () => new Map<number, Ending>());
  const open = keysHeard(keySums, signature, n);
  // By key, what a run is worth with all that leads to it.
  const totals = new Float64Array(keys.length);
  // By beat, the best that is known to end there.
  const most = new Float64Array(n + 1).fill(-Infinity);
  for (let i = 0; i < n; i += 1) {
    const beat = beats[i];
    const reached = endings[i] ?? new Map<number, Ending>();
    const arrivals = arrivalsAt(reached);
    // The others are followed no further: they need not be kept.
    behind.push(stepsTo(arrivals, keys.length));
    const approaches = new Map<number, Approach>();
    if (!beat || (i > 0 && arrivals.length === 0)) continue;
    const lock = printed[i] ?? null;
    const heardKeys = open[i] ?? [];
    // While a bass is heard on, its chord is.
    const ringing = content.bass[i] !== null && beat.ringing.some((r) => r === content.bass[i]);
    const starts = begins[beat.strength] + (ringing ? W.overRinging : 0);
    const bestBefore = i === 0 ? 0 : (arrivals[0]?.most ?? 0) - cheapestChange(starts);
    for (let j = i + 1; j <= Math.min(n, i + LONGEST); j += 1) {
      // A printed chord holds as far as it is printed; a run never goes over where one begins or ends.
      if ((printed[j - 1] ?? null) !== lock) break;
      // Chords change where the meter is strong: a longer run ends at a bar line or its half.
      if (lock === null && j - i > SHORT && j < n && (beats[j]?.strength ?? 3) === 1) continue;
      const length = growthOfPrice(j - i);
      for (const { chord, worth } of candidatesOfRun(question, fits, i, j, arrivals)) {
        const atLeast = j < n ? (most[j] ?? -Infinity) - BEAM : -Infinity;
        let own = -Infinity;
        for (const k of heardKeys) {
          totals[k] = worth - (inKey[k]?.[chord] ?? 0) * length + (keySums[j]?.[k] ?? 0) - (keySums[i]?.[k] ?? 0);
          own = Math.max(own, totals[k] ?? -Infinity);
        }
        // Too far behind what is known of its end, it would not be followed: even with the best that leads to it, or
        // with what does.
        if (own + bestBefore <= atLeast - ROUNDING) continue;
        const approach = approaches.get(chord) ?? approachTo(chord, starts, heardKeys, arrivals, motion);
        approaches.set(chord, approach);
        let total = -Infinity;
        heardKeys.forEach((k, o) => {
          if (i > 0) totals[k] = (totals[k] ?? 0) + (approach.best[o] ?? -Infinity);
          total = Math.max(total, totals[k] ?? -Infinity);
        });
        if (total <= atLeast) continue;
        most[j] = Math.max(most[j] ?? -Infinity, total);
        const end = endings[j]?.get(chord) ?? fresh();
        endings[j]?.set(chord, end);
        reach(j - i, heardKeys, totals, i === 0 ? null : approach, end);
      }
    }
    giveBack(reached.values());
    reached.clear();
  }
  const low = content.bass.findLast((b) => b !== null);
  const ended = [...(endings[n] ?? [])].map(([chord, ending]) => ({ chord, ending }));
  return followBack(question, fits, behind, ended, low ? low.key % 12 : null);
}

function followBack(
  { beats, keys, printed }: HarmonyQuestion,
  fits: Fits,
  behind: readonly StepsTo[],
  ended: readonly Reached[],
  last: number | null,
): readonly ChordSpan[] {
  const n = beats.length;
  let chord = -1;
  let key = 0;
  let most = -Infinity;
  for (const { chord: c, ending } of ended)
    ending.best.forEach((value, k) => {
      const tonic = keys[k]?.tonic;
      const ended = value - (CHORDS[c]?.root === tonic ? 0 : W.endsAway) - (last === tonic ? 0 : W.lastAway);
      if (ended > most) {
        most = ended;
        chord = c;
        key = k;
      }
    });
  const spans: ChordSpan[] = [];
  const all = [...behind, stepsTo(ended, keys.length)];
  for (let at = n; at > 0 && chord >= 0;) {
    const there = all[at];
    const step = there?.steps[there.chords.indexOf(chord) * keys.length + key] ?? 0;
    if (beatsOf(step) === 0) break;
    const from = at - beatsOf(step);
    spans.push({
      from,
      to: at,
      chord,
      key,
      candidates: (printed[from] ?? null) === null ? fits(from, at) : [],
      printed: (printed[from] ?? null) !== null,
    });
    at = from;
    chord = chordBefore(step);
    key = keyBefore(step) < 0 ? key : keyBefore(step);
  }
  return spans.reverse();
}
