import { minutesRange } from '../src/core/ladder';
import { ok, type Result } from '../src/core/result';
import type { OptionValues } from './options';
import { askedWay } from './way-request';

const share = (n: number): number => Math.round(n * 1e6) / 1e6;

/** What `oak way` prints; field names are a contract. */
export async function wayVerb(bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> {
  const asked = await askedWay(bytes, file, options);
  if (!asked.ok) return asked;
  const { about, way } = asked.value;
  return ok({
    ...about,
    steps: way.steps.map(({ chunk, why, pays, minutes, week }) => ({
      chunk: {
        name: chunk.name,
        from: chunk.from,
        to: chunk.to,
        fromOffset: chunk.fromOffset,
        toOffset: chunk.toOffset,
        hand: chunk.hand,
        kind: chunk.kind,
        like: chunk.like,
      },
      why,
      pays: share(pays),
      minutes,
      week,
    })),
    weeks: way.weeks,
    minutes: way.minutes,
    minutesRange: minutesRange(way.minutes),
  });
}
