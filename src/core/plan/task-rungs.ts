import type { Rung } from '../studio';

/** Without what a sentence changes: capitals, and a beginning that several share, said once. */
const plain = (text: string): string => text.toLowerCase();

/** Whether a task names a rung: in full, or by its end where its beginning was said with the one before. */
function names(what: string, rung: Rung): boolean {
  const text = plain(what);
  const full = plain(rung.what);
  const end = full.split(': ').slice(1).join(': ');
  return text.includes(full) || (end !== '' && text.includes(`; ${end}`));
}

/**
 * The rungs that a task asks for: from the first that it names to the last, with those between; none where it names
 * none.
 *
 * @example taskRungs('Tide, bars 1–2: Tap it', []) // → []
 */
export function taskRungs(what: string, rungs: readonly Rung[]): readonly Rung[] {
  const named = rungs.flatMap((rung, i) => (names(what, rung) ? [i] : []));
  const [first] = named;
  return first === undefined ? [] : rungs.slice(first, (named[named.length - 1] ?? first) + 1);
}
