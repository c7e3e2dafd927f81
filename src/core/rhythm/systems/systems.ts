/**
 * The ways of counting. What is struck is said; a beat that is held or rested is a silent token. Meter counting and
 * takadimi name the place in the beat, unit counting and syllables the length of the note.
 */
import type { CountingSystem } from './count-system';
import { meter } from './meter';
import { syllables } from './syllables';
import { takadimi } from './takadimi';
import { unit } from './unit';

/** Every way of counting by its id. */
export const COUNTING = { meter, unit, syllables, takadimi } as const satisfies Readonly<
  Record<string, CountingSystem>
>;
export type CountSystem = keyof typeof COUNTING;
export const COUNT_SYSTEMS = Object.keys(COUNTING) as unknown as readonly [CountSystem, ...CountSystem[]];
