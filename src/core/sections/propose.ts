import { barLines, differencesInWords, differencesOf, findSameness, movedInWords, type Sameness } from '../sameness';
import { fraction, fractionText, isBlankBar, type Score } from '../score';
import { alikeIn, type FindAlike } from './alike-ranges';
import { cutsOf, type Cut } from './cuts';
import { lettersFor, letterText, type Lettered } from './form-letters';
import type { Lines, Range } from './likeness';
import { countedLength, phrasesOf, type PhraseRange } from './phrases';
import { sectionRanges } from './section-groups';
import { sectionNames } from './section-names';
import { barsText, offsetQuarters } from './section-tree';

/** A phrase of a section: bars both included. */
export interface ProposedPhrase {
  readonly from: number;
  readonly to: number;
  /** How far before bar `from` it begins, exact quarters; `0` at the bar line. */
  readonly upbeatQuarters: string;
  /** How sure its beginning is, from 0 to 1. */
  readonly certainty: number;
  /** Small letter, the same for phrases that are alike: `a`, `a′`, `b`. */
  readonly letter: string;
}

/** A section as proposed: bars both included, with a form letter and why it begins where it does. */
export interface ProposedSection {
  /** What it does where that is plain (theme, return, coda), else its letter. */
  readonly name: string;
  readonly letter: string;
  readonly from: number;
  readonly to: number;
  /** How far before bar `from` it begins and before the bar after `to` it ends, exact quarters; `0` at the bar line. */
  readonly upbeatQuarters: string;
  readonly endUpbeatQuarters: string;
  readonly reasons: readonly string[];
  /** Index of the section this is a copy of, or null; 0-based in the same list. */
  readonly like: number | null;
  /** How sure its beginning is, from 0 to 1. */
  readonly certainty: number;
  readonly phrases: readonly ProposedPhrase[];
}

/** What of a section the order of learning asks for; a kept section has no more. */
export type SectionShape = Pick<ProposedSection, 'name' | 'letter' | 'from' | 'to' | 'like'> & {
  readonly phrases: readonly (Pick<ProposedPhrase, 'from' | 'to'> & Partial<Pick<ProposedPhrase, 'upbeatQuarters'>>)[];
};

/** What a range is to the one it is like, in words. */
function likeInWords(score: Score, mine: Range, lettered: Lettered, model: Range, modelName: string): string {
  const bars = barsText(score, model[0], model[1]);
  const part = model[1] - model[0] === mine[1] - mine[0] ? '' : partInWords(score, mine, model);
  if (part !== '') return `as ${modelName} (${part})`;
  if (lettered.how?.moved) return `as ${modelName} (${bars}), ${movedInWords(lettered.how.moved)}`;
  if (lettered.exact) return `as ${modelName} (${bars})`;
  return lettered.how?.varied ? `${modelName} (${bars}) varied` : `as ${modelName} (${bars}), changed`;
}

/** Of ranges of different length only as much as both have is alike. */
function partInWords(score: Score, mine: Range, model: Range): string {
  const length = Math.min(mine[1] - mine[0], model[1] - model[0]);
  const shared = barsText(score, model[0], model[0] + length);
  return model[1] - model[0] > length ? `its first bars, ${shared}` : `${shared}, then goes on`;
}

/** A copy with more bars that differ is not told bar by bar. */
const MOST_DIFFERENCES = 3;

/** Says what differs in a copy, where sameness found the pair. */
function changedWords(score: Score, sameness: Sameness, [from, to]: Range): string | null {
  for (const repeat of sameness.repeats) {
    if (repeat.kind !== 'changed' || repeat.b[0] !== from || repeat.b[1] !== to) continue;
    const differences = differencesOf(score, repeat);
    if (differences.length <= MOST_DIFFERENCES) return differencesInWords(score, repeat, differences);
  }
  return null;
}

/** Of how many cuts that so much speaks for one is right: fitted on the training pieces, where few are wrong. */
const certaintyOf = (cut: Cut | undefined): number =>
  cut === undefined || cut.printed ? 1 : Math.round((1 / (1 + Math.exp(-(1.2 + 1.5 * cut.strength)))) * 100) / 100;

interface Asked {
  readonly score: Score;
  readonly sameness: Sameness;
  readonly lines: Lines;
  readonly findAlike: FindAlike;
  readonly cutAt: ReadonlyMap<number, Cut>;
}

function phraseLetters({ lines, findAlike }: Asked, phrases: readonly PhraseRange[]): readonly string[] {
  return lettersFor(
    lines,
    phrases.map((p): Range => [p.from, p.to]),
    findAlike,
  ).map((l) => letterText(l).toLowerCase());
}

/**
 * Sections with form letters and reasons, and the phrases inside each. Phrases are a best division on everything that
 * speaks for a cut; sections are runs of phrases: what printed signs close off, what comes back as a whole, what a
 * teacher would name. Both tile the piece.
 *
 * @example proposeSections(score).map((s) => [s.from, s.to]) // → [[0, 7]]
 */
export function proposeSections(score: Score, sameness: Sameness = findSameness(score)): ProposedSection[] {
  if (score.bars.length === 0) return [];
  const cuts = cutsOf(score, sameness.repeats);
  const { all, staves } = barLines(score);
  const lines: Lines = { all, tune: staves[0] ?? all };
  const asked: Asked = {
    score,
    sameness,
    lines,
    findAlike: alikeIn(lines),
    cutAt: new Map(cuts.map((c) => [c.bar, c] as const)),
  };
  const phrases = phrasesOf(score, cuts);
  const ranges = sectionRanges(score, phrases, cuts, lines, asked.findAlike);
  return described(asked, phrases, ranges);
}

function described(asked: Asked, phrases: readonly PhraseRange[], ranges: readonly Range[]): ProposedSection[] {
  const { score, sameness, lines, findAlike, cutAt } = asked;
  // A pick-up bar has no partner among full bars.
  const full = ([from, to]: Range): Range => [from + (to - from + 1 - countedLength(score, from, to)), to];
  const compared = ranges.map(full);
  const letters = lettersFor(lines, compared, findAlike);
  const names = sectionNames(score, ranges, letters);
  const small = phraseLetters(asked, phrases);
  const quarters = (ticks: number): string => fractionText(fraction(ticks, score.ticksPerQuarter));
  const isBlank = (bar: number): boolean => {
    const there = score.bars[bar];
    return there !== undefined && isBlankBar(there);
  };
  // Beside bars that are not written only what is printed says where something begins.
  const sure = (bar: number): number => {
    const cut = bar === 0 ? undefined : cutAt.get(bar);
    return cut && !cut.printed && (isBlank(bar) || isBlank(bar - 1)) ? 0 : certaintyOf(cut);
  };
  const upbeat = (bar: number): string => quarters(bar === 0 ? 0 : (cutAt.get(bar)?.upbeat ?? 0));
  return ranges.map(([from, to], i): ProposedSection => {
    const lettered = letters[i];
    const mine = compared[i];
    const model = lettered?.like == null ? undefined : compared[lettered.like];
    const says =
      lettered && mine && model
        ? likeInWords(score, mine, lettered, model, letterText(letters[lettered.like ?? 0] ?? lettered))
        : null;
    const words = says?.endsWith('changed') ? changedWords(score, sameness, [from, to]) : null;
    const length = countedLength(score, from, to);
    return {
      name: names[i] ?? '',
      letter: lettered ? letterText(lettered) : '',
      from,
      to,
      upbeatQuarters: upbeat(from),
      endUpbeatQuarters: upbeat(to + 1),
      reasons: [
        ...(cutAt.get(from)?.reasons ?? ['the piece begins']),
        ...(says === null ? [] : [says]),
        ...(words === null ? [] : [words]),
        ...(length === 4 || length === 8 ? [`${length} bars`] : []),
        ...(score.bars.slice(from, to + 1).every(isBlankBar) ? ['its notes are not known'] : []),
      ],
      like: lettered?.like ?? null,
      certainty: sure(from),
      phrases: phrases.flatMap((p, k) =>
        p.from >= from && p.to <= to
          ? [
              {
                from: p.from,
                to: p.to,
                upbeatQuarters: quarters(p.upbeat),
                letter: small[k] ?? '',
                certainty: sure(p.from),
              },
            ]
          : [],
      ),
    };
  });
}

/** A cut between phrases that is less sure closes nothing. */
const CLOSES_FROM = 0.82;

/**
 * Where the phrases of proposed sections close, in ticks from the beginning of the piece: where the next begins, with
 * its upbeat, if that is plain enough, and at the end of the piece.
 *
 * @example phraseEnds(score, proposeSections(score)).length // → 2
 */
export function phraseEnds(score: Score, sections: readonly ProposedSection[]): readonly number[] {
  const last = score.bars[score.bars.length - 1];
  const starts = sections
    .flatMap((s) => s.phrases)
    .filter((p) => p.from > 0 && p.certainty >= CLOSES_FROM)
    .flatMap((p) => {
      const bar = score.bars[p.from];
      const { n, d } = offsetQuarters(p.upbeatQuarters);
      return bar ? [bar.onset - (n * score.ticksPerQuarter) / d] : [];
    });
  return last ? [...starts, last.onset + last.length] : [];
}
