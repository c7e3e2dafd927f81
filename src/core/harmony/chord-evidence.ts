import { CHORDS, isDominant, type Chord } from './chord-kinds';
import { NATURAL } from './chord-names';
import { between, type SpanContent } from './span-content';
import { HARMONY_WEIGHTS as W } from './weights';

/** A chord for a run of beats and how much speaks for it, in beats. */
export interface Candidate {
  readonly chord: number;
  readonly worth: number;
}

/** Letters that a pitch class can be written with by one sign at most. */
const LETTERS_OF: readonly (readonly number[])[] = Array.from({ length: 12 }, (_, pc) =>
  NATURAL.flatMap((natural, letter) => ([11, 0, 1].includes((pc - natural + 12) % 12) ? [letter] : [])),
);

/** Of a run: how much of each pitch class is spelled with each letter, place 7 × class + letter. */
function spelledIn(content: SpanContent, from: number, to: number): Float64Array {
  const a = content.spelled[from];
  const spelled = Float64Array.from(content.spelled[to] ?? []);
  if (a) for (let i = 0; i < spelled.length; i += 1) spelled[i] = (spelled[i] ?? 0) - (a[i] ?? 0);
  return spelled;
}

/** Share of the chord’s notes that are spelled otherwise than the chord is from a letter of its root on. */
function misspelledFrom(rootLetter: number, { root, kind }: Chord, spelled: Float64Array): number {
  let all = 0;
  let wrong = 0;
  for (let i = 0; i < kind.tones.length; i += 1) {
    const at = 7 * ((root + (kind.tones[i] ?? 0)) % 12);
    const wanted = (rootLetter + (kind.letters[i] ?? 0)) % 7;
    for (let letter = 0; letter < 7; letter += 1) {
      const here = spelled[at + letter] ?? 0;
      all += here;
      if (letter !== wanted) wrong += here;
    }
  }
  return all === 0 ? 0 : wrong / all;
}

/** The same for its best spelling. */
const misspelled = (chord: Chord, spelled: Float64Array): number =>
  (LETTERS_OF[chord.root] ?? []).reduce((least, letter) => Math.min(least, misspelledFrom(letter, chord, spelled)), 1);

/** The letter of the root by which a chord is spelled as the page spells its notes; null where two are as good. */
export function bestSpelling(chord: Chord, content: SpanContent, from: number, to: number): number | null {
  const spelled = spelledIn(content, from, to);
  const [best, next] = (LETTERS_OF[chord.root] ?? [])
    .map((letter) => ({ letter, wrong: misspelledFrom(letter, chord, spelled) }))
    .sort((x, y) => x.wrong - y.wrong);
  return best && (!next || next.wrong - best.wrong > 0.05) ? best.letter : null;
}

/**
 * Share of what makes a chord more than a triad that does not sound together with its root, beat by beat. With the
 * third of a dominant its seventh is a tritone, which tells as much.
 */
function apart({ root, kind }: Chord, content: SpanContent, from: number, to: number): number {
  const extra = kind.tones.length > 3 ? kind.tones[kind.tones.length - 1] : kind.tones[1] === 5 ? 5 : undefined;
  if (extra === undefined) return 0;
  const pc = (root + extra) % 12;
  const tritone = isDominant(kind.name) && extra === 10;
  let all = 0;
  let together = 0;
  for (let i = from; i < to; i += 1) {
    const here = between(content.credit, i, i + 1, pc);
    all += here;
    // To be heard on is enough.
    const sounds = (at: number): boolean => between(content.credit, i, i + 1, at) > W.ringing / 4;
    if (sounds(root) || (tritone && sounds((root + 4) % 12))) together += here;
  }
  return all === 0 ? 1 : 1 - together / all;
}

/** Its bass and what is missing tell nothing of its root: the spelling does. */
const isOfEqualSteps = ({ name }: Chord['kind']): boolean => name === 'diminished-seventh' || name === 'augmented';

/** What a tone that does not sound costs, by its place in the chord. */
function missingPrice({ kind }: Chord, place: number): number {
  // Of equal steps, each tone is as needful as the others.
  if (isOfEqualSteps(kind)) return W.missing.needed;
  if (place === 0) return W.missing.root;
  if (kind.optional.includes(place)) return W.missing.fifth;
  if (place === 1) return W.missing.third;
  return place === 2 ? W.missing.needed : W.missing.above;
}

const BASS_PLACES = [W.bass.root, W.bass.third, W.bass.fifth, W.bass.above, W.bass.above];

/** A chord as it is weighed: its tones as pitch classes, what each costs where it is missing. */
interface Weighed {
  readonly chord: Chord;
  readonly tones: readonly number[];
  readonly missing: readonly number[];
  /** Made of equal steps: its bass tells nothing of its root. */
  readonly anyBass: boolean;
  readonly toldAlone: boolean;
}
/** What a tune alone can tell apart; finer kinds would be guesses. */
const TOLD_BY_A_TUNE: readonly Chord['kind']['name'][] = [
  'major',
  'minor',
  'diminished',
  'dominant',
  'diminished-seventh',
  'half-diminished',
];

const WEIGHED: readonly Weighed[] = CHORDS.map((chord) => ({
  chord,
  tones: chord.kind.tones.map((tone) => (chord.root + tone) % 12),
  missing: chord.kind.tones.map((_, place) => missingPrice(chord, place)),
  anyBass: isOfEqualSteps(chord.kind),
  toldAlone: TOLD_BY_A_TUNE.includes(chord.kind.name),
}));

/** Sums of the same numbers in another order differ by less. */
const ROUNDING = 1e-9;

/** The bass at the beginning of a run and at each bar line inside it; a pedal tells nothing. */
function bassesOf(content: SpanContent, from: number, to: number): readonly number[] {
  const out: number[] = [];
  for (let i = from; i < to; i += 1) {
    const low = content.bass[i];
    if ((i === from || content.barLine[i]) && low && low.figure !== 'pedal') out.push(low.key % 12);
  }
  return out;
}

/** What a run of beats holds, summed for the rating of chords. */
interface Pooled {
  /** By pitch class: what speaks for a chord with it, and what it costs a chord without it. */
  readonly credit: Float64Array;
  readonly price: Float64Array;
  readonly allPrice: number;
  /** Tones of a chord that have to sound. */
  readonly least: number;
  readonly basses: readonly number[];
  /** Credit from which a tone counts as sounding: of the triad, and above it. */
  readonly enough: number;
  readonly enoughAbove: number;
  /** The square root of its length: what is said of it as a whole grows with that. */
  readonly size: number;
  /** Of a tune alone. */
  readonly alone: boolean;
}

/** Null where nothing sounds. */
function pool(content: SpanContent, from: number, to: number, alone: boolean): Pooled | null {
  const credit = new Float64Array(12);
  const price = new Float64Array(12);
  let allPrice = 0;
  let sounding = 0;
  for (let pc = 0; pc < 12; pc += 1) {
    const c = between(content.credit, from, to, pc);
    const p = between(content.price, from, to, pc);
    credit[pc] = c;
    price[pc] = p;
    allPrice += p;
    sounding += c > 0 ? 1 : 0;
  }
  const basses = alone ? [] : bassesOf(content, from, to);
  if (sounding === 0) return null;
  const length = to - from;
  return {
    credit,
    price,
    allPrice,
    least: Math.min(2, sounding),
    basses,
    enough: W.soundsFrom * length ** W.soundsGrows,
    enoughAbove: W.soundsFrom * length ** W.aboveGrows,
    size: Math.sqrt(length),
    alone,
  };
}

/** How much speaks for a chord in a run, its spelling aside; -Infinity where it cannot be told. */
function worthOf({ tones, missing, anyBass, toldAlone }: Weighed, pooled: Pooled): number {
  const { credit, price, allPrice, least, basses, enough, enoughAbove, size, alone } = pooled;
  if (alone && !toldAlone) return -Infinity;
  // Of a chord at least two tones sound, or all there are.
  let sounds = 0;
  for (const pc of tones) if ((credit[pc] ?? 0) > 0) sounds += 1;
  if (sounds < least) return -Infinity;
  // In a tune alone a chord of four tones is told by its third.
  if (alone && tones.length > 3 && (credit[tones[1] ?? 0] ?? 0) === 0) return -Infinity;
  let worth = 0;
  let foreign = allPrice;
  for (let place = 0; place < tones.length; place += 1) {
    const pc = tones[place] ?? 0;
    const here = credit[pc] ?? 0;
    worth += here;
    foreign -= price[pc] ?? 0;
    // What lies above the triad has to be more than a passing note.
    const heard = place < 3 || anyBass ? here / enough : (price[pc] ?? 0) / enoughAbove;
    if (heard < 1) worth -= (missing[place] ?? 0) * (1 - heard) * (alone && place < 3 ? W.missingAlone : 1);
  }
  for (const bass of basses) {
    const place = tones.indexOf(bass);
    const fits = place < 0 ? W.bass.outside : anyBass ? W.bass.third : (BASS_PLACES[place] ?? 0);
    worth += (fits * size) / basses.length;
  }
  return worth - W.foreign * foreign;
}

interface Rated {
  readonly weighed: Weighed;
  readonly number: number;
  readonly worth: number;
}

/** So many chords for which most speaks, their spelling aside, best first. */
function likeliest(pooled: Pooled, count: number): readonly Rated[] {
  const best: Rated[] = [];
  /** More than this a chord cannot be worth: nothing of it missing, its root in the bass. */
  const bassAtMost = pooled.basses.length > 0 ? W.bass.root * pooled.size : 0;
  // What each tone gives a chord that has it: its own credit, and that it costs nothing.
  const gives = pooled.credit.map((c, pc) => c + W.foreign * (pooled.price[pc] ?? 0));
  for (let number = 0; number < WEIGHED.length; number += 1) {
    const weighed = WEIGHED[number];
    if (!weighed) continue;
    let atMost = bassAtMost - W.foreign * pooled.allPrice;
    for (let t = 0; t < weighed.tones.length; t += 1) atMost += gives[weighed.tones[t] ?? 0] ?? 0;
    const last = best.length < count ? -Infinity : (best[count - 1]?.worth ?? -Infinity);
    if (atMost < last - ROUNDING) continue;
    const worth = worthOf(weighed, pooled);
    if (worth <= last || worth === -Infinity) continue;
    let at = best.length;
    while (at > 0 && worth > (best[at - 1]?.worth ?? 0)) at -= 1;
    best.splice(at, 0, { weighed, number, worth });
    if (best.length > count) best.pop();
  }
  return best;
}

/** The chords that fit a run of beats best, best first. Chords of a tune alone have no bass. */
export function candidatesFor(
  content: SpanContent,
  from: number,
  to: number,
  alone: boolean,
  count: number,
): readonly Candidate[] {
  const pooled = pool(content, from, to, alone);
  if (pooled === null) return [];
  const spelled = spelledIn(content, from, to);
  return likeliest(pooled, 2 * count)
    .map(({ weighed: { chord, anyBass }, number, worth }): Candidate => {
      const spelling = (anyBass ? W.spellingOfEqual : W.spelling) * pooled.size * misspelled(chord, spelled);
      const scattered = alone ? 0 : W.apart * pooled.size * apart(chord, content, from, to);
      return { chord: number, worth: worth - spelling - scattered };
    })
    .sort((a, b) => b.worth - a.worth)
    .slice(0, count);
}
