import { unzipSync } from 'fflate';
import { fail, ok, type Result } from '../result';
import { decodeText } from './decode';
import { LIMITS } from './limits';
import { childrenNamed, parseFragment, child } from './xml-tree';

export type MxlCode = 'no-such-score' | 'mxl-broken' | 'mxl-no-score' | 'mxl-too-large' | 'mxl-bad-path';

export interface MxlContent {
  readonly bytes: Uint8Array;
  readonly path: string;
  /** All scores of the file, in its order. */
  readonly paths: readonly string[];
  readonly notes: readonly { readonly code: string; readonly message: string }[];
}

const CONTAINER = 'META-INF/container.xml';
const MAX_ENTRIES = 2000;

const climbs = (path: string): boolean =>
  path.startsWith('/') || path.includes('\\') || path.split('/').includes('..') || /^[a-z]:/i.test(path);

/** The path that a text names: itself, or its number from 1. */
const pathNamed = (paths: readonly string[], wanted: string): string | null =>
  paths.find((p) => p === wanted) ?? (/^\d+$/.test(wanted) ? (paths[Number(wanted) - 1] ?? null) : null);

function unzipOnly(bytes: Uint8Array, wanted: string): Uint8Array | undefined {
  return unzipSync(bytes, { filter: (entry) => entry.name === wanted && entry.originalSize <= LIMITS.textLength })[
    wanted
  ];
}

/**
 * Takes a score out of a compressed file (.mxl): the one that is wanted, by path or by number from 1, else the first
 * root file of its container.
 * Nothing is written to disk and only the named entry is inflated, into a buffer of the size it declares.
 * Source: MusicXML 4.0, "Compressed .mxl files".
 */
export function unpackMxl(bytes: Uint8Array, file: string, wanted?: string): Result<MxlContent, MxlCode> {
  const notes: { code: string; message: string }[] = [];
  try {
    const entries: { name: string; size: number; packed: number }[] = [];
    unzipSync(bytes, {
      filter: (entry) => {
        if (entries.length < MAX_ENTRIES)
          entries.push({ name: entry.name, size: entry.originalSize, packed: entry.size });
        return false;
      },
    });
    const plausible = (name: string): boolean =>
      /\.(musicxml|xml)$/i.test(name) && !name.startsWith('META-INF/') && !name.startsWith('__MACOSX/');
    let paths: string[] = [];
    const containerEntry = entries.find((entry) => entry.name === CONTAINER);
    if (containerEntry && containerEntry.size <= 1_000_000) {
      const raw = unzipOnly(bytes, CONTAINER);
      const text = raw ? decodeText(raw, CONTAINER) : null;
      const root = text?.ok ? parseFragment(text.value.text) : null;
      const rootfiles = root ? child(root, 'rootfiles') : undefined;
      paths = rootfiles
        ? childrenNamed(rootfiles, 'rootfile')
            .filter((r) => !r.attributes['media-type'] || /musicxml/.test(r.attributes['media-type']))
            .map((r) => r.attributes['full-path'] ?? '')
            .filter((path) => path !== '')
        : [];
    }
    if (paths.length === 0) {
      const scores = entries.filter((entry) => plausible(entry.name));
      if (scores.length !== 1)
        return fail(
          'mxl-no-score',
          `${file} is a zip file whose container names no score. Export the piece again as MusicXML.`,
          { file },
        );
      paths = scores.map((entry) => entry.name);
      notes.push({ code: 'mxl-no-container', message: `${file} has no container; its only score file is read.` });
    }
    const path = wanted === undefined ? (paths[0] ?? '') : pathNamed(paths, wanted);
    if (path === null)
      return fail(
        'no-such-score',
        `${file} holds no score "${(wanted ?? '').slice(0, 60)}"; its scores are ${paths.join(', ').slice(0, 400)}.`,
        { file },
      );
    if (climbs(path))
      return fail('mxl-bad-path', `${file} names a score outside itself ("${path.slice(0, 60)}"); it is not opened.`, {
        file,
      });
    if (paths.length > 1 && wanted === undefined)
      notes.push({
        code: 'several-scores',
        message: `${file} holds ${paths.length} scores; the first, ${path}, is read. The others: ${paths.slice(1).join(', ').slice(0, 400)}.`,
      });
    const entry = entries.find((e) => e.name === path);
    if (!entry)
      return fail('mxl-no-score', `${file} names the score ${path}, which is not in it. Export the piece again.`, {
        file,
      });
    if (entry.size > LIMITS.textLength)
      return fail('mxl-too-large', `${file} would unzip to more than 48 MB; it is not opened.`, { file });
    const score = unzipOnly(bytes, path);
    if (!score || score.length === 0)
      return fail('mxl-broken', `${file} could not be unzipped; export it again.`, { file });
    return ok({ bytes: score, path, paths, notes });
  } catch {
    return fail('mxl-broken', `${file} is a damaged zip file; export it again.`, { file });
  }
}
