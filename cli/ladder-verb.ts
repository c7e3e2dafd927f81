import { minutesRange, TEMPO_STEP, tempoSteps } from '../src/core/ladder';
import { ok, type Result } from '../src/core/result';
import type { Rung } from '../src/core/studio';
import type { WayStep } from '../src/core/way';
import type { OptionValues } from './options';
import { askedWay } from './way-request';

const HANDS = ['right', 'left', 'both'] as const;

/** A rung as it is printed; one of tempo steps is printed step by step, up to the target. */
function printedRungs({ chunk, rungs }: WayStep, rung: Rung, target: number): readonly Record<string, unknown>[] {
  // What has no tempo of its own is done as slowly as the rest is begun.
  const begins = rungs.find((r) => r.tempo !== null)?.tempo ?? target;
  const print = (more: Partial<Pick<Rung, 'tempo' | 'times' | 'what' | 'done' | 'why'>>) => ({
    chunk: chunk.name,
    kind: rung.kind,
    hands: HANDS.find((h) => h === rung.hands) ?? 'all',
    bars: [chunk.from, chunk.to],
    tempo: rung.tempo ?? begins,
    times: rung.times,
    done: rung.done,
    what: rung.what,
    why: rung.why,
    ...more,
  });
  if (rung.kind !== 'tempo' || rung.tempo === null || rung.key !== 'tempo' || rung.done.startsWith('twice, each'))
    return [print({})];
  const plan = { start: rung.tempo, target, school: 'bpm', step: TEMPO_STEP, over: 0, cap: null } as const;
  return tempoSteps(plan).map((tempo) =>
    print({
      tempo,
      times: 2,
      what: `At ${tempo}`,
      done: 'twice in a row, all notes right',
      why: tempo === target ? 'the target' : 'a step towards the target',
    }),
  );
}

/** What `oak ladder` prints: the chunks of the way with their rungs; field names are a contract. */
export async function ladderVerb(bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> {
  const asked = await askedWay(bytes, file, options);
  if (!asked.ok) return asked;
  const { about, way } = asked.value;
  return ok({
    ...about,
    chunks: way.steps.map(({ chunk, why }) => ({
      name: chunk.name,
      from: chunk.from,
      to: chunk.to,
      why,
      kind: chunk.kind,
      hand: chunk.hand,
      like: chunk.like,
    })),
    rungs: way.steps.flatMap((step) => step.rungs.flatMap((rung) => printedRungs(step, rung, step.target))),
    minutes: way.minutes,
    minutesRange: minutesRange(way.minutes),
  });
}
