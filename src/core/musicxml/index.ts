/**
 * MusicXML in and out.
 * In: bytes of a .musicxml, .xml or .mxl file. Out: the exact-time score with the source kept beside it; excerpt
 * documents for the engraver; the source text with our marks spliced in. Lengths in ticks, errors as values with a
 * code.
 */
export { decodeText, encodeText, type DecodedText, type Encoding } from './decode';
export { writeExcerpt, type ExcerptRequest } from './excerpt';
export { LIMITS } from './limits';
export { meterXml, pitchXml } from './model-xml';
export { partDocument } from './part-document';
export { readFirstBars, readMusicXmlFile, type MusicXmlFile } from './read-file';
export { readScore, type ReadScore } from './read-score';
export { sniffFile, type FileKind } from './sniff';
export type { WrittenMark } from './marks-at-notes';
export { REMEMBERED_FIELD, writeMarks, type WrittenDocument } from './write-marks';
export { escapeXml } from './xml-tree';
