import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import type { Student } from '@/core/studio';
import { drawWeek, type DrawnSheet, type SheetChoices, type SheetHands } from '@/sheet';
import { sheetRows, storageProblem, useStudio, type StudioAccess } from '@/store';
import { engravedBars, scoreOf } from '@/features/score';

/** Who reads and engraves in the application. */
export const handsOf = (studio: StudioAccess, more: Pick<SheetHands, 'onDrawn' | 'signal'> = {}): SheetHands => ({
  scoreOf,
  engrave: (piece, request, options) => engravedBars(studio, piece, request, options),
  ...more,
});

export type DrawnWeek =
  | { readonly kind: 'loading' }
  | { readonly kind: 'no-student' }
  | { readonly kind: 'no-week'; readonly student: Student }
  | { readonly kind: 'ready'; readonly student: Student; readonly sheet: DrawnSheet }
  | { readonly kind: 'failed'; readonly message: string };

/** The week of a student as it is printed, drawn anew whenever something in it changes. */
export function useDrawnWeek(studentId: string | null, choices: SheetChoices): DrawnWeek {
  const studio = useStudio();
  const { db, zone } = studio;
  const rows = useLiveQuery(
    async () => (studentId === null ? null : await sheetRows(db, studentId, zone)),
    [db, studentId, zone],
  );
  const { paper, size, fingers } = choices;
  const [drawn, setDrawn] = useState<DrawnWeek>({ kind: 'loading' });
  useEffect(() => {
    if (!rows?.assignment) return undefined;
    const { assignment, student } = rows;
    const stop = new AbortController();
    drawWeek({ ...rows, assignment, zone }, { paper, size, fingers }, handsOf(studio, { signal: stop.signal }))
      .then((sheet): DrawnWeek => ({ kind: 'ready', student, sheet }))
      .catch((error: unknown): DrawnWeek => ({ kind: 'failed', message: storageProblem(error).issue.message }))
      .then((next) => {
        if (!stop.signal.aborted) setDrawn(next);
      })
      .catch(() => undefined);
    return () => stop.abort();
  }, [rows, zone, studio, paper, size, fingers]);
  if (rows === undefined) return { kind: 'loading' };
  if (rows === null) return { kind: 'no-student' };
  if (rows.assignment === null) return { kind: 'no-week', student: rows.student };
  // Of another student nothing is shown, not even for a moment.
  return drawn.kind === 'ready' && drawn.student.id !== rows.student.id ? { kind: 'loading' } : drawn;
}
