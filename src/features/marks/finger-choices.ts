import type { FingeredNote } from '@/core/fingering';
import type { Fingerable } from '@/core/instruments';

/** How an instrument is fingered; null where there is nothing to finger. */
export type Fingering = Fingerable['kind'] | null;

/**
 * Every finger that a note can have: digits, or its fingerings on a wind instrument, the usual one first; none where
 * there is nothing to finger.
 */
export function fingerChoices(solver: Fingering, proposal: FingeredNote | undefined): readonly string[] {
  if (solver === 'wind') return [proposal?.keys ?? '', ...(proposal?.alternates ?? [])].filter((keys) => keys !== '');
  if (solver === null) return [];
  return solver === 'keyboard' ? ['1', '2', '3', '4', '5'] : ['0', '1', '2', '3', '4'];
}

/** The finger that a digit stands for: itself, or on a wind instrument the fingering at its place; null for none. */
export function fingerOfDigit(solver: Fingering, proposal: FingeredNote | undefined, digit: string): string | null {
  const choices = fingerChoices(solver, proposal);
  const found = solver === 'wind' ? choices[Number(digit) - 1] : choices.find((c) => c === digit);
  return found ?? null;
}

/** What is said where a digit stands for nothing here. */
export function digitRefused(solver: Fingering, proposal: FingeredNote | undefined): string {
  const choices = fingerChoices(solver, proposal);
  if (solver === 'wind')
    return choices.length > 1
      ? `This note has ${choices.length} fingerings: keys 1 to ${choices.length}.`
      : choices.length === 1
        ? 'This note has one fingering: key 1.'
        : 'No fingering is known for this note.';
  const [first, last] = [choices[0], choices[choices.length - 1]];
  return first === undefined
    ? 'There are no fingers on this instrument.'
    : `A finger here is ${first} to ${last ?? first}.`;
}
