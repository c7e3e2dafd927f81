import { z } from 'zod';
import { fail, ok, type Result } from '../result';
import type { Zone } from './day';
import { parseStudio } from './parse-studio';
import { STUDIO_VERSION, studioFileSchema, type Studio } from './schemas';
import { upgradeStudio, type LooseStudio } from './upgrade-studio';

export type StudioFileCode =
  'studio-empty' | 'studio-not-json' | 'studio-not-ours' | 'studio-newer' | 'studio-broken' | 'studio-too-large';

/** What every studio file of ours begins with. */
export const HEAD = z.object({
  format: z.literal('oakrungs-studio'),
  version: z.number().int().min(1),
  studio: z.unknown().optional(),
});

/** A studio file that was read: what is in it, and what changed where it was of an earlier version. */
export interface ReadStudioFile {
  readonly studio: Studio;
  readonly version: number;
  readonly listed: readonly string[];
}

/**
 * What stands in a studio file before its lists.
 *
 * @example studioFileHead('2026-05-20T15:00:00.000Z').startsWith('{"format":"oakrungs-studio"') // → true
 */
export const studioFileHead = (exportedAt: string): string =>
  `{"format":"oakrungs-studio","version":${STUDIO_VERSION},"exportedAt":${JSON.stringify(exportedAt)},"studio":{`;
/** What stands behind them. */
export const STUDIO_FILE_END = '}}\n';

/**
 * A studio as the text of a `.oakrungs.json` file: a row a line.
 *
 * @example JSON.parse(writeStudioFile(emptyStudio(), '2026-05-20T15:00:00.000Z')).format // → 'oakrungs-studio'
 */
export function writeStudioFile(studio: Studio, exportedAt: string): string {
  const lists = Object.entries(studio).map(
    ([name, rows]: [string, readonly unknown[]]) =>
      `\n${JSON.stringify(name)}:[${rows.map((row) => `\n${JSON.stringify(row)}`).join(',')}]`,
  );
  return studioFileHead(exportedAt) + lists.join(',') + STUDIO_FILE_END;
}

export type Lists = Readonly<Record<string, readonly unknown[]>>;
const isRow = (row: unknown): row is LooseStudio[string][number] => typeof row === 'object' && row !== null;

/** The lists of an earlier version; anything else is left to the check of the whole. */
const listsOf = (data: unknown): Lists =>
  typeof data === 'object' && data !== null
    ? Object.fromEntries(Object.entries(data).filter((entry): entry is [string, unknown[]] => Array.isArray(entry[1])))
    : {};

/** Lists of an earlier version brought up to date; what is no row at all stays beside them, to be called damaged. */
export function upgradedLists(
  lists: Lists,
  zone: Zone,
): { readonly studio: Lists; readonly listed: readonly string[] } {
  const rows = Object.entries(lists).map(([name, list]) => [name, list.filter(isRow)] as const);
  const { studio, listed } = upgradeStudio(Object.fromEntries(rows), zone);
  const odd = Object.entries(lists).map(([name, list]) => [name, list.filter((row) => !isRow(row))] as const);
  return {
    studio: { ...studio, ...Object.fromEntries(odd.map(([name, list]) => [name, [...(studio[name] ?? []), ...list]])) },
    listed,
  };
}

/** What is said of a file that cannot be read; nothing was changed. */
export const REFUSALS = {
  'studio-empty': (file: string) => `${file} is empty. Nothing was changed.`,
  'studio-not-json': (file: string) => `${file} is damaged or not a studio file: it is not JSON. Nothing was changed.`,
  'studio-not-ours': (file: string) => `${file} is not a studio file of Oak Rungs. Nothing was changed.`,
  'studio-newer': (file: string, version = 0) =>
    `${file} was written by a newer Oak Rungs (version ${version}; this one reads up to ${STUDIO_VERSION}). Update first; nothing was changed.`,
  'studio-broken': (file: string) => `${file} is damaged: it holds no studio. Nothing was changed.`,
  'studio-too-large': (file: string) => `${file} holds more than a studio can. Nothing was changed.`,
} as const satisfies Readonly<Record<StudioFileCode, (file: string, version?: number) => string>>;

/**
 * Reads the text of a studio file. Refused: what is not JSON, not ours, of a newer version, or holds no lists. Rows
 * that do not hold what they should are among the damaged ones of the studio. Files of earlier versions are brought up
 * to date; `zone` is where days are counted.
 *
 * @example readStudioFile('{}', 'x.json', 'UTC').ok // → false
 */
export function readStudioFile(text: string, file: string, zone: Zone): Result<ReadStudioFile, StudioFileCode> {
  const refused = (code: StudioFileCode, version?: number) => fail(code, REFUSALS[code](file, version), { file });
  if (text.trim() === '') return refused('studio-empty');
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return refused('studio-not-json');
  }
  const head = HEAD.safeParse(data);
  if (!head.success) return refused('studio-not-ours');
  const { version } = head.data;
  if (version > STUDIO_VERSION) return refused('studio-newer', version);
  const lists = listsOf(head.data.studio);
  if (Object.keys(lists).length === 0) return refused('studio-broken');
  // Versions 4 to 8 only added.
  const upgraded = version < 3 ? upgradedLists(lists, zone) : { studio: head.data.studio, listed: [] };
  const studio = parseStudio(upgraded.studio);
  if (!studio) return refused('studio-broken');
  return ok({ studio, version, listed: upgraded.listed });
}

/**
 * The published JSON Schema of the studio file.
 *
 * @example studioJsonSchema().type // → 'object'
 */
export const studioJsonSchema = (): unknown =>
  z.toJSONSchema(studioFileSchema, { target: 'draft-2020-12', unrepresentable: 'any' });
