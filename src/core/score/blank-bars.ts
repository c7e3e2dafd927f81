/** Bars that are laid out without what is played in them: a page of which the notes were not typed. */
import { ticks } from '../units';
import type { Bar, ChordSymbol, Note, Rest } from './model';

/**
 * Whether nothing at all is written in a bar: no note, no rest, no chord. It is not a bar of rest; what is played there
 * is not known.
 *
 * @example scoreOf('C4 | z4 |').bars.map(isBlankBar) // → [false, false]
 */
export const isBlankBar = (bar: Pick<Bar, 'blankFrom' | 'onset'>): boolean => bar.blankFrom === bar.onset;

/**
 * Whether what is played somewhere between two places is not known, in ticks from the start of the piece.
 *
 * @example isBlankBetween(scoreOf('C4 | D4 |').bars, 0, 384) // → false
 */
export const isBlankBetween = (bars: readonly Bar[], from: number, to: number): boolean =>
  bars.some((bar) => bar.blankFrom !== undefined && bar.blankFrom < to && bar.onset + bar.length > from);

/** How much of a piece is written: what is not found is not there, not there as far as it is written, or not known. */
function writtenIn(bars: readonly Bar[]): 'all' | 'some' | 'none' {
  const blank = bars.filter(isBlankBar).length;
  return blank === 0 ? 'all' : blank === bars.length ? 'none' : 'some';
}

/** What is said in the place of an answer that asks for the notes. */
const NOT_WRITTEN = 'not known: no notes are written';

/**
 * What is said where something was looked for and not found.
 *
 * @example notFound(scoreOf('C4 |').bars, 'nothing comes again') // → 'nothing comes again'
 */
export function notFound(bars: readonly Bar[], words: string): string {
  switch (writtenIn(bars)) {
    case 'all':
      return words;
    case 'some':
      return `${words}, as far as it is written`;
    case 'none':
      return NOT_WRITTEN;
  }
}

interface Written {
  readonly notes: readonly Note[];
  readonly rests: readonly Rest[];
  readonly chords: readonly ChordSymbol[];
}

/**
 * Says in each bar from where on it is blank: after the last note and the last rest that is seen, where only rests that
 * are not printed, or nothing at all, fill it up. A chord symbol speaks for its whole bar.
 *
 * @example withBlanks(scoreOf('C4 |').bars, { notes: [], rests: [], chords: [] }).map(isBlankBar) // → [true]
 */
export function withBlanks(bars: readonly Bar[], { notes, rests, chords }: Written): readonly Bar[] {
  const ends = bars.map((bar) => bar.onset as number);
  const filled = new Set<number>();
  const write = (bar: number, end: number): void => {
    ends[bar] = Math.max(ends[bar] ?? 0, end);
  };
  for (const n of notes) if (n.aside !== 'hidden') write(n.bar, n.onset + n.duration);
  for (const r of rests)
    if (r.aside === 'hidden') filled.add(r.bar);
    else write(r.bar, r.onset + r.duration);
  for (const c of chords) write(c.bar, Infinity);
  const empty = new Set(bars.map((b) => b.index as number));
  for (const e of [...notes, ...rests]) empty.delete(e.bar);
  return bars.map((bar) => {
    const end = ends[bar.index] ?? 0;
    const isBlank = end < bar.onset + bar.length && (filled.has(bar.index) || empty.has(bar.index));
    return isBlank ? { ...bar, blankFrom: ticks(end) } : bar;
  });
}
