/** The section tree and its operations. In and out: sections as kept, bars as indexes from 0, both ends included. */
export {
  barsText,
  joinSections,
  moveEnds,
  nextLetter,
  offsetQuarters,
  placeSections,
  splitSection,
  type PlacedSection,
  type SectionCode,
} from './section-tree';
