import { draftToMusicXml, gridToDraft, readAbc, type Grid } from '../bargrid';
import { decodeText, readMusicXmlFile, readScore, sniffFile, type Encoding, type ReadScore } from '../musicxml';
import { ok, type Issue, type Result } from '../result';
import {
  isBlankBar,
  keepBarsInOrder,
  keepIds,
  withKeptIds,
  workText,
  type KeptEdition,
  type KeptIds,
  type Score,
  type ScoreWarning,
} from '../score';

export type PieceFormat = 'musicxml' | 'mxl' | 'abc' | 'midi' | 'grid';

/** A piece as it comes in: always a MusicXML document and its score, whatever the file was. */
export interface OpenedPiece {
  readonly format: PieceFormat;
  /** The MusicXML document: the file's own text, or the one written from ABC or MIDI. */
  readonly text: string;
  readonly encoding: Encoding;
  readonly bom: boolean;
  /** What the teacher brought when that was not MusicXML. */
  readonly original: string | null;
  readonly read: ReadScore;
  /** Of a compressed file with several scores: all of them, and which this is. */
  readonly scores?: { readonly paths: readonly string[]; readonly path: string };
}

/**
 * What a piece is called on the shelf: a movement with its work beside it.
 *
 * @example titleOf({ title: 'Rondo', origin: { work: 'Sonatina', workNumber: '' } }) // → 'Rondo (Sonatina)'
 */
export function titleOf(score: Pick<Score, 'title' | 'origin'>): string {
  const work = workText(score);
  return work === '' || score.title === '' ? score.title : `${score.title} (${work})`;
}

const withWarnings = (read: ReadScore, more: readonly ScoreWarning[]): ReadScore => ({
  ...read,
  score: { ...read.score, warnings: [...more, ...read.score.warnings] },
});

/**
 * Opens MusicXML (plain or zipped), ABC or MIDI by content; of a zip with several scores the wanted one, by path or by
 * number from 1. Errors carry the codes of the reader that was tried.
 *
 * @example openPiece(new TextEncoder().encode(xml), 'x.xml').then((r) => r.value.format) // → 'musicxml'
 */
export async function openPiece(bytes: Uint8Array, file: string, wanted?: string): Promise<Result<OpenedPiece>> {
  const kind = sniffFile(bytes, file);
  if (kind === 'abc') {
    const text = decodeText(bytes, file);
    if (!text.ok) return text as { ok: false; issue: Issue };
    return openAbc(text.value.text, file);
  }
  if (kind === 'midi') {
    const { midiToDraft } = await import('../midi');
    const draft = midiToDraft(bytes, file);
    if (!draft.ok) return draft;
    const text = draftToMusicXml(draft.value.draft);
    const read = readScore(text, file);
    if (!read.ok) return read;
    const rough: ScoreWarning[] = draft.value.warnings.map((message) => ({
      code: 'rough-midi',
      bar: null,
      number: null,
      part: null,
      message,
    }));
    return ok({
      format: 'midi',
      text,
      encoding: 'utf-8',
      bom: false,
      original: null,
      read: withWarnings(read.value, rough),
    });
  }
  const read = readMusicXmlFile(bytes, file, wanted);
  if (!read.ok) return read;
  const { source, zipPath, scores } = read.value;
  return ok({
    format: zipPath === null ? 'musicxml' : 'mxl',
    text: source.text,
    encoding: source.encoding,
    bom: source.bom,
    original: null,
    read: read.value,
    ...(zipPath !== null && scores.length > 1 ? { scores: { paths: scores, path: zipPath } } : {}),
  });
}

/**
 * ABC text, from a file or typed, to a piece.
 *
 * @example openAbc('X:1\nT:Air\nK:C\nC|', 'air.abc').value.read.score.title // → 'Air'
 */
export function openAbc(abc: string, file: string): Result<OpenedPiece> {
  const parsed = readAbc(abc, file);
  if (!parsed.ok) return parsed;
  const text = draftToMusicXml(parsed.value.draft);
  const read = readScore(text, file);
  if (!read.ok) return read;
  const warnings: ScoreWarning[] = parsed.value.warnings.map((w) => ({
    code: 'abc',
    bar: w.bar - 1,
    number: String(w.bar),
    part: null,
    message: `bar ${w.bar}${w.voice === '' ? '' : `, voice ${w.voice}`}: ${w.message}`,
  }));
  return ok({
    format: 'abc',
    text,
    encoding: 'utf-8',
    bom: false,
    original: abc,
    read: withWarnings(read.value, warnings),
  });
}

/**
 * A bar grid to a piece; what does not fit a bar is said in the warnings.
 *
 * @example
 * openGrid(emptyGrid({ title: 'Air', composer: '', bars: 2, staves: 1, clef: 'treble', meter: '3/4', key: 'G',
 *   pickup: '', perMinute: null }), 'x').value.read.score.bars.length // → 2
 */
export function openGrid(grid: Grid, file: string): Result<OpenedPiece> {
  const draft = gridToDraft(grid);
  if (!draft.ok) return draft;
  const text = draftToMusicXml(draft.value.draft);
  const read = readScore(text, file);
  if (!read.ok) return read;
  const warnings: ScoreWarning[] = draft.value.warnings.map((w) => ({
    code: 'grid',
    bar: w.bar,
    number: null,
    part: null,
    message: w.message,
  }));
  return ok({
    format: 'grid',
    text,
    encoding: 'utf-8',
    bom: false,
    original: JSON.stringify(grid),
    read: withWarnings(read.value, warnings),
  });
}

/** A piece as it is kept: its document, and the ids that it keeps through editions. */
export interface KeptDocument {
  readonly source: string;
  readonly fileName: string;
  readonly kept?: KeptIds | undefined;
}

/**
 * Reads a kept piece, under the ids that its bars and notes keep.
 *
 * @example readKept({ source: xml, fileName: 'x.xml' }).value.score.bars.length // → 8
 */
export function readKept(piece: KeptDocument): Result<ReadScore> {
  const read = readScore(piece.source, piece.fileName);
  return read.ok ? ok({ ...read.value, score: withKeptIds(read.value.score, piece.kept) }) : read;
}

/** A later edition of a piece, under the ids that it keeps, and what became of the bars. */
export interface OpenedEdition extends KeptEdition {
  readonly opened: OpenedPiece;
}

/**
 * A piece opened as the later edition of one that is kept: what did not change keeps its id. Where most
 * bars of printed pages are not typed, all keep theirs in their order. `before` was read by
 * `readKept`.
 *
 * @example openEdition(read, undefined, openAbc('X:1\nK:C\nC4|', 'x.abc').value).newBars // → [0]
 */
export function openEdition(before: ReadScore, kept: KeptIds | undefined, opened: OpenedPiece): OpenedEdition {
  const { bars } = before.score;
  // Of bars that nothing is written in only the order is known.
  const keep = bars.filter(isBlankBar).length * 2 > bars.length ? keepBarsInOrder : keepIds;
  const edition = keep(before.score, opened.read.score, (kept?.edition ?? 1) + 1);
  return {
    ...edition,
    opened: { ...opened, read: { ...opened.read, score: withKeptIds(opened.read.score, edition.kept) } },
  };
}
