import { ORDER_SCHOOLS, pieceLadder, STUDENT_LEVELS } from '../src/core/ladder';
import { ok, type Result } from '../src/core/result';
import { analysisOf } from '../src/core/analysis';
import { openPiece } from '../src/core/studio';
import { tooLongToCompare } from './limits';
import type { OptionValues } from './options';
import { aboutPlayer, chosenPlayer } from './player';

export async function ladderVerb(bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> {
  const opened = await openPiece(bytes, file, options['score']);
  if (!opened.ok) return opened;
  const refused = tooLongToCompare(opened.value.read.score, file);
  if (refused) return refused;
  const chosen = chosenPlayer(opened.value.read.score, file, options);
  if (!chosen.ok) return chosen;
  const ladder = pieceLadder(analysisOf(opened.value.read.score, chosen.value.player), {
    level: STUDENT_LEVELS.find((l) => l === options['level']) ?? 'intermediate',
    school: ORDER_SCHOOLS.find((s) => s === options['school']) ?? 'sameness',
    ...(options['tempo'] === undefined ? {} : { tempo: Number(options['tempo']) }),
  });
  return ok({
    ...aboutPlayer(chosen.value),
    chunks: ladder.chunks.map((c) => ({
      name: c.name,
      from: c.from,
      to: c.to,
      why: c.why,
      kind: c.kind,
      copyOf: c.copyOf,
    })),
    rungs: ladder.rungs.map((r) => ({
      chunk: r.chunk,
      kind: r.kind,
      hands: r.hands,
      bars: r.bars,
      tempo: r.tempo,
      times: r.times,
      done: r.done,
      what: r.what,
      why: r.why,
    })),
    minutes: ladder.minutes,
  });
}
