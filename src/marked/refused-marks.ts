import type { Mark } from '@/core/studio';

/** What was refused, by the key of the suggestion. */
export const refusedKeys = (marks: readonly Mark[]): ReadonlySet<string> =>
  new Set(marks.flatMap((m) => (m.kind === 'refused' ? [m.what] : [])));

/** The key under which a finger of a note is refused. */
export const fingerKey = (noteId: string, finger: string): string => `finger ${noteId} ${finger}`;

const FINGER_REFUSED = /^finger (\S+) (.+)$/;

/** The fingers that were refused, note by note, for the solver to leave out. */
export function refusedFingers(marks: readonly Mark[]): ReadonlyMap<string, readonly string[]> {
  const refused = new Map<string, string[]>();
  for (const key of refusedKeys(marks)) {
    const [, noteId, finger] = FINGER_REFUSED.exec(key) ?? [];
    if (noteId === undefined || finger === undefined) continue;
    refused.set(noteId, [...(refused.get(noteId) ?? []), finger]);
  }
  return refused;
}
