import { z } from 'zod';
import { fail, ok, type Result } from '../result';
import { STUDIO_VERSION, studioFileSchema, type Studio, type StudioFile } from './schemas';

export type StudioFileCode = 'studio-empty' | 'studio-not-json' | 'studio-not-ours' | 'studio-newer' | 'studio-broken';

const SMALLEST_HEAD = z.object({ format: z.string(), version: z.number() });

/** A studio as the text of a `.oakrungs.json` file. */
export function writeStudioFile(studio: Studio, exportedAt: string): string {
  const file: StudioFile = { format: 'oakrungs-studio', version: STUDIO_VERSION, exportedAt, studio };
  return `${JSON.stringify(file, null, 1)}\n`;
}

/** Files of version 1 had no templates; everything else that came since may be absent. */
function upgrade(data: unknown, version: number): unknown {
  if (version !== 1 || typeof data !== 'object' || data === null || !('studio' in data) || typeof data.studio !== 'object') return data;
  return { ...data, version: STUDIO_VERSION, studio: { templates: [], ...data.studio } };
}

/**
 * Reads the text of a studio file. Refused: what is not JSON, not ours, of a newer version, or does not hold what it should;
 * the sentence names the first place that is wrong.
 */
export function readStudioFile(text: string, file: string): Result<StudioFile, StudioFileCode> {
  if (text.trim() === '') return fail('studio-empty', `${file} is empty. Nothing was changed.`, { file });
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return fail('studio-not-json', `${file} is damaged or not a studio file: it is not JSON. Nothing was changed.`, { file });
  }
  const head = SMALLEST_HEAD.safeParse(data);
  if (!head.success || head.data.format !== 'oakrungs-studio')
    return fail('studio-not-ours', `${file} is not a studio file of Oak Rungs. Nothing was changed.`, { file });
  if (head.data.version > STUDIO_VERSION)
    return fail(
      'studio-newer',
      `${file} was written by a newer Oak Rungs (version ${head.data.version}; this one reads up to ${STUDIO_VERSION}). Update first; nothing was changed.`,
      { file },
    );
  const parsed = studioFileSchema.safeParse(upgrade(data, head.data.version));
  if (!parsed.success) {
    const [first] = parsed.error.issues;
    return fail(
      'studio-broken',
      `${file} is damaged at ${first?.path.join(' → ') || 'its root'}: ${first?.message ?? 'it does not hold a studio'}. Nothing was changed.`,
      { file },
    );
  }
  return ok(parsed.data);
}

/** The published JSON Schema of the studio file. */
export const studioJsonSchema = (): unknown => z.toJSONSchema(studioFileSchema, { target: 'draft-2020-12' });
