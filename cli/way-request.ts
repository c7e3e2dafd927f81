import { analysisOf, type Analysis } from '../src/core/analysis';
import { STUDENT_LEVELS } from '../src/core/ladder';
import { ok, type Result } from '../src/core/result';
import { openPiece } from '../src/core/studio';
import { proposeWay, WAY_SCHOOLS, type Way } from '../src/core/way';
import type { OptionShapes, OptionValues } from './options';
import { aboutPlayer, chosenPlayer, PLAYER_OPTIONS } from './player';

/** What `ladder` and `way` both take. */
export const WAY_OPTIONS = {
  ...PLAYER_OPTIONS,
  level: { kind: 'choice', of: STUDENT_LEVELS },
  school: { kind: 'choice', of: WAY_SCHOOLS },
  tempo: { kind: 'number', min: 10, max: 600 },
} as const satisfies OptionShapes;

export interface AskedWay {
  readonly about: ReturnType<typeof aboutPlayer>;
  readonly analysis: Analysis;
  readonly way: Way;
}

/** The way through a file, as it was asked for. Without a level it is one for some years, ordered as for the first. */
export async function askedWay(bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<AskedWay>> {
  const opened = await openPiece(bytes, file, options['score']);
  if (!opened.ok) return opened;
  const { score } = opened.value.read;
  const chosen = chosenPlayer(score, file, options);
  if (!chosen.ok) return chosen;
  const analysis = analysisOf(score, chosen.value.player);
  const way = proposeWay(analysis, {
    level: STUDENT_LEVELS.find((l) => l === options['level']) ?? 'intermediate',
    school: WAY_SCHOOLS.find((s) => s === options['school']) ?? null,
    tempo: options['tempo'] === undefined ? null : Number(options['tempo']),
    ...(options['minutes-a-week'] === undefined ? {} : { minutesAWeek: Number(options['minutes-a-week']) }),
  });
  return ok({ about: aboutPlayer(chosen.value), analysis, way });
}
