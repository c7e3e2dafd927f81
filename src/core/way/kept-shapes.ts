import { offsetQuarters, type PlacedSection, type ProposedPhrase, type SectionShape } from '../sections';
import { compare, fraction, fractionText, subtract, ZERO, type Score } from '../score';

/**
 * Whether a row is a section or one inside another; chunks, joins, lines and the piece of a way are rows beside them.
 *
 * @example isSection(section('a', 0, 3)) // → true
 */
export const isSection = ({ kind }: Pick<PlacedSection['section'], 'kind'>): boolean =>
  kind === undefined || kind === 'section';

/**
 * The first bar that a section holds from its bar line; its upbeat lies in the bar before.
 *
 * @example firstBarOf(placeSections(score, [section('a', 0, 3)])[0]) // → 0
 */
export const firstBarOf = ({ section, from, to }: PlacedSection): number =>
  section.fromOffset !== '0' && from < to ? from + 1 : from;

function upbeatOf(score: Score, placed: PlacedSection): string {
  const bar = score.bars[placed.from];
  const offset = offsetQuarters(placed.section.fromOffset);
  if (!bar || compare(offset, ZERO) === 0) return '0';
  return fractionText(subtract(fraction(bar.length, score.ticksPerQuarter), offset));
}

type Phrase = SectionShape['phrases'][number];

/** Phrases that tile a section: the sections inside it, else what was proposed there, cut to its ends. */
function phrasesIn(
  [from, to]: readonly [number, number],
  upbeat: string,
  inside: readonly PlacedSection[],
  proposed: readonly Pick<ProposedPhrase, 'from' | 'to' | 'upbeatQuarters'>[],
): readonly Phrase[] {
  const cuts =
    inside.length > 0
      ? inside.map((p) => ({ from: firstBarOf(p), upbeatQuarters: '0' }))
      : proposed.map((p) => ({ from: p.from, upbeatQuarters: p.upbeatQuarters }));
  const inner = new Map(
    cuts.filter((c) => c.from > from && c.from <= to).map((c) => [c.from, c.upbeatQuarters] as const),
  );
  const starts = [from, ...[...inner.keys()].sort((a, b) => a - b)];
  return starts.map((start, i) => ({
    from: start,
    to: (starts[i + 1] ?? to + 1) - 1,
    upbeatQuarters: i === 0 ? upbeat : (inner.get(start) ?? '0'),
  }));
}

/**
 * Kept sections as the way wants them, in the order of the piece, with their phrases; a section that begins inside
 * another one is left to that.
 *
 * @example
 * keptShapes(score, placeSections(score, [section('a', 0, 7)]), proposeSections(score))[0].phrases.length // → 2
 */
export function keptShapes(
  score: Score,
  placed: readonly PlacedSection[],
  proposed: readonly { readonly phrases: readonly Pick<ProposedPhrase, 'from' | 'to' | 'upbeatQuarters'>[] }[],
): readonly SectionShape[] {
  const top = placed.filter((p) => isSection(p.section) && p.section.parentId === null && p.section.hand === 'all');
  const out: SectionShape[] = [];
  let end = -1;
  for (const p of top) {
    const from = Math.max(firstBarOf(p), end + 1);
    if (from > p.to || firstBarOf(p) <= end) continue;
    end = p.to;
    const inside = placed.filter((c) => c.section.parentId === p.section.id && isSection(c.section));
    out.push({
      name: p.section.name === '' ? p.section.letter : p.section.name,
      letter: p.section.letter,
      from,
      to: p.to,
      like: null,
      phrases: phrasesIn(
        [from, p.to],
        upbeatOf(score, p),
        inside,
        proposed.flatMap((s) => s.phrases),
      ),
    });
  }
  return out;
}
