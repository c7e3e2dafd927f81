import { useMemo } from 'react';
import type { Student } from '@/core/studio';
import { drawWeek, type DrawnSheet, type SheetChoices, type SheetHands } from '@/sheet';
import { useLive, sheetRows, useStudio, type StudioAccess } from '@/store';
import { engravedBars, scoreOf } from '@/features/score';
import { useDrawing } from './use-drawing';

/** Who reads and engraves in the application. */
export const handsOf = (studio: StudioAccess, signal?: AbortSignal): SheetHands => ({
  scoreOf,
  engrave: (piece, request, options) => engravedBars(studio, piece, request, options),
  ...(signal ? { signal } : {}),
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
  const rows = useLive(
    async () => (studentId === null ? null : await sheetRows(db, studentId, zone)),
    [db, studentId, zone],
  );
  const { paper, size, fingers } = choices;
  const draw = useMemo(() => {
    if (!rows?.assignment) return null;
    const { assignment, student } = rows;
    return async (signal: AbortSignal) => ({
      student,
      sheet: await drawWeek({ ...rows, assignment }, { paper, size, fingers }, handsOf(studio, signal)),
    });
  }, [rows, studio, paper, size, fingers]);
  const drawing = useDrawing(draw);
  if (rows === undefined) return { kind: 'loading' };
  if (rows === null) return { kind: 'no-student' };
  if (rows.assignment === null) return { kind: 'no-week', student: rows.student };
  if (drawing?.kind === 'failed') return drawing;
  // Of another student nothing is shown, not even for a moment.
  return drawing?.value.student.id === rows.student.id ? { kind: 'ready', ...drawing.value } : { kind: 'loading' };
}
