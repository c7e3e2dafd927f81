import { fail, ok, type Result } from '../src/core/result';
import { COUNT_SYSTEMS, countStaff, USUAL_WAY, type CountingWay } from '../src/core/rhythm';
import { playedBy } from '../src/core/players';
import { quartersText } from '../src/core/score';
import { openPiece } from '../src/core/studio';
import { barRange } from './bar-range';
import type { OptionValues } from './options';
import { aboutPlayer, chosenPlayer } from './player';

export const COMPOUND: readonly CountingWay['compound'][] = ['beats', 'three', 'eighths'];
export const UNEVEN: readonly CountingWay['uneven'][] = ['long', 'short'];

const wayOf = (options: OptionValues): CountingWay => ({
  ...USUAL_WAY,
  system: COUNT_SYSTEMS.find((s) => s === options['system']) ?? USUAL_WAY.system,
  compound: COMPOUND.find((c) => c === options['compound']) ?? USUAL_WAY.compound,
  uneven: UNEVEN.find((u) => u === options['uneven']) ?? USUAL_WAY.uneven,
});

export async function countVerb(bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> {
  const range = options['bars'] === undefined ? ([0, Infinity] as const) : barRange(options['bars']);
  if (range === null)
    return fail(
      'bad-option',
      `--bars takes a bar or a range such as 4-7, counted from 0; "${options['bars'] ?? ''}" is neither.`,
    );
  const opened = await openPiece(bytes, file, options['score']);
  if (!opened.ok) return opened;
  const chosen = chosenPlayer(opened.value.read.score, file, options);
  if (!chosen.ok) return chosen;
  const score = playedBy(opened.value.read.score, chosen.value.player);
  const way = wayOf(options);
  const to = Math.min(range[1], score.bars.length - 1);
  const bars = score.parts.flatMap((part) =>
    Array.from({ length: part.staves }, (_, i) => countStaff(score, part.id, i + 1, range[0], to, way)).flat(),
  );
  return ok({
    ...aboutPlayer(chosen.value),
    bars: bars
      .sort((a, b) => a.bar - b.bar)
      .map((bar) => ({
        bar: bar.bar,
        part: bar.part,
        staff: bar.staff,
        ...(bar.voice === null ? {} : { voice: bar.voice }),
        tokens: bar.tokens.map((t) => ({ onset: quartersText(score, t.onset), text: t.text, sounding: t.sounding })),
      })),
  });
}
