import { compare, decimalFraction, fraction, fractionText, type Fraction, type Score } from '../score';
import { fail, ok, type Result } from '../result';
import type { Section } from '../studio';

/** A section with its bars resolved against a score; bars are indexes, both included. */
export interface PlacedSection {
  readonly section: Section;
  readonly from: number;
  readonly to: number;
}

export type SectionCode = 'section-one-bar' | 'section-no-neighbour' | 'section-upside-down' | 'section-outside';

/**
 * Sections whose bars still exist, in playing order; longer ones before those inside them.
 *
 * @example placeSections(score, [section('b', 4, 7), section('a', 0, 3)]).map((p) => p.from) // → [0, 4]
 */
export function placeSections(score: Score, sections: readonly Section[]): PlacedSection[] {
  const index = new Map(score.bars.map((bar) => [bar.id, bar.index as number]));
  return sections
    .flatMap((section) => {
      const from = index.get(section.fromBar);
      const to = index.get(section.toBar);
      return from === undefined || to === undefined || to < from ? [] : [{ section, from, to }];
    })
    .sort((a, b) => a.from - b.from || b.to - a.to || a.section.order - b.section.order);
}

const barId = (score: Score, index: number): string | null => score.bars[index]?.id ?? null;

/**
 * `5–8` or `5` from printed numbers.
 *
 * @example barsText(score, 0, 3) // → '1–4'
 */
export function barsText(score: Score, from: number, to: number): string {
  const a = score.bars[from]?.name ?? '?';
  const b = score.bars[to]?.name ?? '?';
  return from === to ? a : `${a}–${b}`;
}

/**
 * Next unused capital letter for the form; after Z it begins again with AA.
 *
 * @example nextLetter([]) // → 'A'
 */
export function nextLetter(sections: readonly Section[]): string {
  const used = new Set(sections.map((s) => s.letter.replace(/[′'″]+$/u, '')));
  for (let n = 0; n < 702; n += 1) {
    const letter =
      n < 26
        ? String.fromCharCode(65 + n)
        : `${String.fromCharCode(64 + Math.floor(n / 26))}${String.fromCharCode(65 + (n % 26))}`;
    if (!used.has(letter)) return letter;
  }
  return '?';
}

/**
 * Moves both ends of a section; the last bar may not come before the first.
 *
 * @example moveEnds(score, section('a', 0, 3), 3, 2).issue.code // → 'section-upside-down'
 */
export function moveEnds(score: Score, section: Section, from: number, to: number): Result<Section, SectionCode> {
  const fromBar = barId(score, from);
  const toBar = barId(score, to);
  if (fromBar === null || toBar === null) return fail('section-outside', 'The piece has no such bar.');
  if (to < from) return fail('section-upside-down', 'A section ends after it begins.');
  const moved = { ...section, fromBar, toBar };
  return ok({
    ...moved,
    fromOffset: fromBar === section.fromBar ? section.fromOffset : '0',
    toOffset: toBar === section.toBar ? section.toOffset : null,
  });
}

/**
 * Splits before bar `at`: the first part keeps the id, name and letter; the second takes `second`.
 *
 * @example
 * splitSection(score, placeSections(score, [section('a', 0, 7)])[0], 4, { id: 'b',
 *   letter: 'B' }).value.map((s) => s.id) // → ['a', 'b']
 */
export function splitSection(
  score: Score,
  placed: PlacedSection,
  at: number,
  second: { readonly id: string; readonly letter: string },
): Result<readonly [Section, Section], SectionCode> {
  const { section, from, to } = placed;
  if (at <= from || at > to)
    return fail('section-one-bar', 'Choose a bar inside the section, not its first, to split before it.');
  const endOfFirst = barId(score, at - 1);
  const startOfSecond = barId(score, at);
  if (endOfFirst === null || startOfSecond === null) return fail('section-outside', 'The piece has no such bar.');
  return ok([
    { ...section, toBar: endOfFirst, toOffset: null },
    {
      ...section,
      id: second.id,
      letter: second.letter,
      name: `${section.name} 2`.slice(0, 120),
      fromBar: startOfSecond,
      fromOffset: '0',
      likeId: null,
      order: section.order + 0.5,
    },
  ]);
}

/**
 * Joins a section with the one that begins right after it; the first keeps its id, name and letter.
 *
 * @example
 * joinSections({ section: section('a', 0, 3), from: 0, to: 3 }, { section: section('b', 5, 7), from: 5,
 *   to: 7 }).issue.code // → 'section-no-neighbour'
 */
export function joinSections(first: PlacedSection, second: PlacedSection): Result<Section, SectionCode> {
  const meetInside =
    second.from === first.to && first.section.toOffset !== null && first.section.toOffset === second.section.fromOffset;
  if (second.from !== first.to + 1 && !meetInside)
    return fail('section-no-neighbour', 'Only sections that follow one another can be joined.');
  return ok({ ...first.section, toBar: second.section.toBar, toOffset: second.section.toOffset });
}

/**
 * Exact quarters of an offset kept as text; 0 for text that cannot be read.
 *
 * @example offsetQuarters('3/2') // → { n: 3, d: 2 }
 */
export function offsetQuarters(text: string): Fraction {
  const [n = '0', d = '1'] = text.split('/');
  const top = decimalFraction(n);
  return top ? fraction(top.n, top.d * (Number(d) || 1)) : fraction(0);
}

/**
 * Moves the cut between two sections that follow one another to `offset` quarters into bar `bar`: the first ends there,
 * the second begins there. An offset of 0 is the bar line before `bar`.
 *
 * @example
 * moveCut(score, placeSections(score, [section('a', 0, 3)])[0], placeSections(score, [section('b', 4, 7)])[0], 2,
 *   fraction(0)).value.map((s) => s.fromBar) // → ['bar-1', 'bar-3']
 */
export function moveCut(
  score: Score,
  first: PlacedSection,
  second: PlacedSection,
  bar: number,
  offset: Fraction,
): Result<readonly [Section, Section], SectionCode> {
  const at = score.bars[bar];
  const atLine = offset.n === 0;
  const endBar = score.bars[atLine ? bar - 1 : bar];
  if (!at || !endBar || compare(offset, fraction(at.length, score.ticksPerQuarter)) >= 0 || offset.n < 0)
    return fail('section-outside', 'The piece has no such place.');
  if (bar < first.from + (atLine ? 1 : 0) || bar > second.to)
    return fail('section-upside-down', 'The cut would leave one of the sections empty.');
  return ok([
    { ...first.section, toBar: endBar.id, toOffset: atLine ? null : fractionText(offset) },
    { ...second.section, fromBar: at.id, fromOffset: fractionText(offset) },
  ]);
}
