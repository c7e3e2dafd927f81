/**
 * Sections: where to cut, what each is called, and what a teacher does to them. In: a score, its sameness, kept
 * sections. Out: cuts with reasons, proposed sections and phrases with form letters, chunks, changed sections or a
 * reason why not. Bars are indexes from 0, ranges hold both ends; offsets inside a bar are exact quarters as text.
 */
export {
  barsText,
  joinSections,
  moveCut,
  moveEnds,
  nextLetter,
  offsetQuarters,
  placeSections,
  splitSection,
  type PlacedSection,
  type SectionCode,
} from './section-tree';
export { type Chunk } from './chunks';
export { type Cut } from './cuts';
export { phraseEnds, proposeSections, type ProposedPhrase, type ProposedSection, type SectionShape } from './propose';
