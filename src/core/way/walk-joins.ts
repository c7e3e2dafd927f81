import type { WayPhrase, WaySection } from './phrases';
import { putJoin, type Walk } from './walk';

/** Two neighbours of which both are copies of neighbours are joined as those are. */
function isJoinedInModel(walk: Walk, left: WayPhrase, right: WayPhrase): boolean {
  const [a, b] = [left.copy, right.copy];
  return a !== null && b !== null && a.kind === 'exact' && b.kind === 'exact' && b.like[0] === a.like[1] + 1;
}

/** Joins of a phrase to its neighbours in the section, once both sides are known. */
export function joinPhrase(walk: Walk, phrase: WayPhrase): void {
  const { phrases } = walk.form;
  for (const [left, right] of [
    [phrases[phrase.index - 1], phrase],
    [phrase, phrases[phrase.index + 1]],
  ] as const) {
    if (!left || !right || left.section !== right.section) continue;
    if (!walk.phrasesKnown.has(left.index) || !walk.phrasesKnown.has(right.index)) continue;
    if (!isJoinedInModel(walk, left, right)) putJoin(walk, right.bars[0], 'joins the phrases you know');
  }
}

/** Joins of a section to its neighbours, once both are whole. */
export function joinSection(walk: Walk, section: WaySection): void {
  const { sections } = walk.form;
  const at = sections.findIndex((s) => s.index === section.index);
  for (const [left, right] of [
    [sections[at - 1], section],
    [section, sections[at + 1]],
  ] as const)
    if (left && right && walk.sectionsKnown.has(left.index) && walk.sectionsKnown.has(right.index))
      putJoin(walk, right.bars[0], 'joins the sections you know');
}
