import type { StudentLevel } from '../ladder';
import { add, fraction, fractionText, subtract, ZERO, type Fraction, type Score } from '../score';
import { offsetQuarters } from '../sections';
import { isPlayed, type Bars, type EarlierPlaces, type PlaceLines } from './copies';
import { barsInWords } from './names';
import type { WayForm, WayPhrase } from './phrases';
import type { RootPhrase } from './roots';
import type { SchoolRule } from './schools/school-rule';
import type { WayChunk, WayPlace } from './way';
import type { WayOf } from './way-of';

/** Bars that are learned, with what they pay: added bar by bar, so that it needs not be summed anew at every step. */
export class KnownBars {
  private readonly bars = new Set<number>();
  private seconds = 0;
  private readonly total: number;
  constructor(private readonly secondsOf: readonly number[]) {
    this.total = secondsOf.reduce((sum, s) => sum + s, 0);
  }
  learn(bar: number): void {
    if (this.bars.has(bar)) return;
    this.bars.add(bar);
    this.seconds += this.secondsOf[bar] ?? 0;
  }
  /** Share of the playing time that is known, or would be with some bars more. */
  shareWith(more: ReadonlySet<number> = new Set()): number {
    let seconds = this.seconds;
    for (const bar of more) if (!this.bars.has(bar)) seconds += this.secondsOf[bar] ?? 0;
    return this.total > 0 ? Math.min(1, seconds / this.total) : 1;
  }
}

/** What is on the way so far; only what is put and learned changes it. */
export interface Walk {
  readonly of: WayOf;
  readonly score: Score;
  readonly lines: PlaceLines;
  readonly form: WayForm;
  readonly level: StudentLevel;
  readonly school: SchoolRule;
  readonly roots: ReadonlyMap<number, RootPhrase>;
  readonly families: ReadonlyMap<number, readonly WayPhrase[]>;
  /** Phrases of which some staff may be the same, in order. */
  readonly sameInStaff: (bars: Bars) => readonly number[];
  readonly places: WayPlace[];
  readonly known: KnownBars;
  readonly phrasesKnown: Set<number>;
  readonly sectionsKnown: Set<number>;
  readonly chunksKnown: EarlierPlaces;
  readonly joined: Set<number>;
}

export const quartersOfBar = (score: Score, bar: number): Fraction =>
  fraction(score.bars[bar]?.length ?? 0, score.ticksPerQuarter);

export interface Ends {
  readonly from: Fraction;
  readonly to: Fraction;
}

export function put(
  walk: Walk,
  scope: WayPlace['scope'],
  chunk: Omit<WayChunk, 'fromOffset' | 'toOffset'>,
  ends: Ends,
  why: string,
): void {
  walk.places.push({
    scope,
    chunk: { ...chunk, fromOffset: fractionText(ends.from), toOffset: fractionText(ends.to) },
    why,
    pays: walk.known.shareWith(),
  });
}

export const learnBars = (walk: Walk, [from, to]: Bars): void => {
  for (let b = from; b <= to; b += 1) walk.known.learn(b);
};

/** Where a range of whole phrases begins and ends, with its upbeats. */
export const phraseEnds = (walk: Walk, bars: Bars, upbeat: string, endUpbeat: string): Ends => ({
  from: subtract(ZERO, offsetQuarters(upbeat)),
  to: subtract(quartersOfBar(walk.score, bars[1]), offsetQuarters(endUpbeat)),
});

/** How far the first note of a bar reaches into it; nothing where the bar begins with a rest or a held note. */
function firstNoteOf(walk: Walk, bar: number): Fraction {
  const onset = walk.score.bars[bar]?.onset;
  const first = walk.lines.staves
    .flatMap((bars) => bars[bar]?.notes ?? [])
    .filter((n) => n.note.onset === onset)
    .map((n) => n.length);
  return first.length === 0 ? ZERO : fraction(Math.min(...first), walk.score.ticksPerQuarter);
}

/** A chunk inside its phrase: with the upbeat of the phrase, or with the first note of the bar after it. */
export function chunkEnds(walk: Walk, phrase: WayPhrase, bars: Bars): Ends {
  const whole = phraseEnds(walk, phrase.bars, phrase.upbeatQuarters, phrase.endUpbeatQuarters);
  const isLast = bars[1] === phrase.bars[1];
  return {
    from: bars[0] === phrase.bars[0] ? whole.from : ZERO,
    to: isLast ? whole.to : add(quartersOfBar(walk.score, bars[1]), firstNoteOf(walk, bars[1] + 1)),
  };
}

/** `4 into 5`: the last bar of one and the first of the next. */
export function putJoin(walk: Walk, into: number, why: string): void {
  if (into <= 0 || walk.joined.has(into)) return;
  if (!isPlayed(walk.lines, [into - 1, into - 1]) || !isPlayed(walk.lines, [into, into])) return;
  walk.joined.add(into);
  const name = (bar: number): string => barsInWords(walk.score, [bar, bar]).replace(/^bar /, '');
  put(
    walk,
    'join',
    { name: `${name(into - 1)} into ${name(into)}`, kind: 'join', from: into - 1, to: into, hand: 'all', like: null },
    { from: ZERO, to: quartersOfBar(walk.score, into) },
    why,
  );
}
