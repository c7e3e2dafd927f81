import { useCallback, useEffect, useRef, useState } from 'react';
import { fail, ok, type Result } from '@/core/result';
import type { Student } from '@/core/studio';
import { drawWeek, type DrawnSheet, type SheetChoices } from '@/sheet';
import { sheetRows, useStudio } from '@/store';
import { useActs } from '@/features/acts';
import { handsOf } from './use-drawn-week';

/** The sheet of one student; two may have one name. */
export interface SheetOf {
  readonly studentId: string;
  readonly sheet: DrawnSheet;
}

/** How far the drawing of several sheets is. */
export interface Drawing {
  readonly done: number;
  readonly of: number;
  readonly name: string;
}

export interface AllSheets {
  readonly sheets: readonly SheetOf[];
  readonly drawing: Drawing | null;
  readonly draw: (students: readonly Student[]) => void;
  /** Stops drawing; what is drawn stays. */
  readonly cancel: () => void;
}

/** Draws the sheets of several students one after the other. */
export function useAllSheets(choices: SheetChoices): AllSheets {
  const studio = useStudio();
  const { act } = useActs();
  const [sheets, setSheets] = useState<readonly SheetOf[]>([]);
  const [drawing, setDrawing] = useState<Drawing | null>(null);
  const stop = useRef<AbortController | null>(null);
  const { paper, size, fingers } = choices;
  // Another look is another sheet: what was drawn is drawn anew when it is asked for.
  useEffect(() => setSheets([]), [paper, size, fingers]);
  useEffect(() => () => stop.current?.abort(), []);
  const draw = useCallback(
    (students: readonly Student[]) =>
      act(async (): Promise<Result<unknown>> => {
        stop.current?.abort();
        const mine = new AbortController();
        stop.current = mine;
        setSheets([]);
        const drawn: SheetOf[] = [];
        try {
          for (const [i, student] of students.entries()) {
            setDrawing({ done: i, of: students.length, name: student.name });
            const rows = await sheetRows(studio.db, student.id, studio.zone);
            if (!rows?.assignment) continue;
            const about = { ...rows, assignment: rows.assignment };
            const sheet = await drawWeek(about, { paper, size, fingers }, handsOf(studio, mine.signal));
            if (mine.signal.aborted) break;
            drawn.push({ studentId: student.id, sheet });
            setSheets([...drawn]);
          }
        } finally {
          if (stop.current === mine) setDrawing(null);
        }
        return drawn.length > 0 || mine.signal.aborted
          ? ok(null)
          : fail('no-weeks', 'None of them was given a week yet.');
      }),
    [act, studio, paper, size, fingers],
  );
  const cancel = useCallback(() => {
    stop.current?.abort();
    setDrawing(null);
  }, []);
  return { sheets, drawing, draw, cancel };
}
