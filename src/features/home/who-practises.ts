'use client';

import { useSyncExternalStore } from 'react';

/** Whether what is done here is the student's practice: asked once a visit and student, never guessed. */
export type Practising = 'student' | 'trying' | null;

const said = new Map<string, Practising>();
const listeners = new Set<() => void>();

/** What was answered for a student on a day; null where nobody was asked yet. */
export function usePractising(studentId: string, day: string): readonly [Practising, (who: Practising) => void] {
  const key = `${studentId} ${day}`;
  const who = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => said.get(key) ?? null,
    () => null,
  );
  return [
    who,
    (next) => {
      said.set(key, next);
      for (const listener of listeners) listener();
    },
  ];
}
