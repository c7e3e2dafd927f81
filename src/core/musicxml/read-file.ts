import { fail, ok, type Issue, type Result } from '../result';
import { decodeText, type DecodedText } from './decode';
import { firstBarsOf } from './first-bars';
import { LIMITS } from './limits';
import { unpackMxl } from './mxl';
import { readScore, type ReadScore } from './read-score';
import { sniffFile } from './sniff';

export interface MusicXmlFile extends ReadScore {
  readonly source: DecodedText;
  /** Path inside the zip, for a compressed file. */
  readonly zipPath: string | null;
  /** Paths of all scores in the zip; empty for a plain file. */
  readonly scores: readonly string[];
}

const NOT_READ: Readonly<Record<'pdf' | 'image' | 'html' | 'studio' | 'abc' | 'midi' | 'unknown', string>> = {
  pdf: 'a PDF page. A PDF cannot be read as music: export MusicXML from the program that made it, or lay the piece out as a bar grid',
  image: 'a picture. Lay the piece out as a bar grid and attach the picture to it',
  html: 'a web page, not a score',
  studio: 'a data file; a studio file is brought in under Files',
  abc: 'ABC notation',
  midi: 'a MIDI file',
  unknown: 'neither MusicXML, ABC nor MIDI',
};

/** The document in a file, not yet read. */
interface Unpacked {
  readonly source: DecodedText;
  readonly zipPath: string | null;
  readonly scores: readonly string[];
  readonly notes: readonly { readonly code: string; readonly message: string }[];
}

function unpack(bytes: Uint8Array, file: string, wanted?: string): Result<Unpacked> {
  if (bytes.length > LIMITS.fileBytes)
    return fail('too-large', `${file} is larger than 64 MB; export the movements as single files.`, { file });
  const kind = sniffFile(bytes, file);
  let inner = bytes;
  let zipPath: string | null = null;
  let scores: readonly string[] = [];
  let notes: Unpacked['notes'] = [];
  switch (kind) {
    case 'empty':
      return fail('empty-file', `${file} is empty: there is nothing in it to read.`, { file });
    case 'zip': {
      const unpacked = unpackMxl(bytes, file, wanted);
      if (!unpacked.ok) return unpacked;
      inner = unpacked.value.bytes;
      zipPath = unpacked.value.path;
      scores = unpacked.value.paths;
      notes = unpacked.value.notes;
      break;
    }
    case 'xml':
      break;
    case 'pdf':
    case 'image':
    case 'html':
    case 'studio':
    case 'abc':
    case 'midi':
    case 'unknown':
      return fail(
        kind === 'unknown' ? 'unknown-format' : `is-${kind}`,
        `${file} is ${NOT_READ[kind]}. MusicXML files (.musicxml, .xml, .mxl) are read here.`,
        {
          file,
        },
      );
  }
  const source = decodeText(inner, file);
  return source.ok ? ok({ source: source.value, zipPath, scores, notes }) : (source as { ok: false; issue: Issue });
}

/**
 * Bytes of a `.musicxml`, `.xml` or `.mxl` file to a score; of a zip with several, the one that is wanted or the first.
 * What it is not is said in one sentence with a code: `empty-file`, `is-pdf`, `is-image`, `is-html`, `is-midi`,
 * `unknown-format`, the codes of the zip and of the reader.
 *
 * @example readMusicXmlFile(new TextEncoder().encode('%PDF-1.7'), 'page.xml').issue.code // → 'is-pdf'
 */
export function readMusicXmlFile(bytes: Uint8Array, file: string, wanted?: string): Result<MusicXmlFile> {
  const unpacked = unpack(bytes, file, wanted);
  if (!unpacked.ok) return unpacked;
  const { source, zipPath, scores, notes } = unpacked.value;
  const read = readScore(source.text, file);
  if (!read.ok) return read;
  const fileNotes = notes.map((n) => ({ code: n.code, message: n.message, bar: null, number: null, part: null }));
  const score =
    fileNotes.length === 0
      ? read.value.score
      : { ...read.value.score, warnings: [...fileNotes, ...read.value.score.warnings] };
  return ok({ ...read.value, score, source, zipPath, scores });
}

/** The first bars of a file, read before the rest is. */
export interface FirstBars {
  /** A document of these bars only. */
  readonly text: string;
  readonly read: ReadScore;
}

/**
 * The first bars of a MusicXML file, without reading what follows; null for other files, and where it cannot be told
 * where a bar ends.
 *
 * @example readFirstBars(new TextEncoder().encode('%PDF-1.7'), 'page.xml', 3) // → null
 */
export function readFirstBars(bytes: Uint8Array, file: string, bars: number): FirstBars | null {
  const unpacked = unpack(bytes, file);
  const text = unpacked.ok ? firstBarsOf(unpacked.value.source.text, bars) : null;
  const read = text === null ? null : readScore(text, file);
  return text !== null && read?.ok ? { text, read: read.value } : null;
}
