'use client';

import { useCallback, useState, type ReactNode } from 'react';
import { instrumentOf } from '@/core/instruments';
import type { Student } from '@/core/studio';
import { WeekPages, type DrawnSheet, type LaidWeek } from '@/sheet';
import { Button, EmptyState, Problem, useKeptChoice } from '@/ui';
import { useKey } from '@/features/keys';
import { useWhere } from '@/features/where';
import { AllSheets } from './all-sheets';
import { WeekChoices } from './sheet-choices';
import { PrintDesk } from './print-desk';
import { printNow } from './print-now';
import { PieceSheet } from './piece-sheet';
import { useSheetKind } from './sheet-kind';
import { useDocumentName } from './use-document-name';
import { useDrawnWeek } from './use-drawn-week';
import { useSaveForHome } from './use-save-for-home';
import { useSheetChoices, type SheetChoicesAccess } from './use-sheet-choices';

/** What a printed file is called: whose it is, and of when. */
export const sheetName = ({ student, week }: DrawnSheet['week']): string => `${student}, ${week}`;

/** Whether somebody plays the piano in it. */
const hasPiano = ({ pieces }: DrawnSheet): boolean =>
  [...pieces.values()].some(({ piece }) => instrumentOf(piece.instrument).family === 'keyboard');

/** The sheet as it is printed, what is chosen about it on the left. */
function Preview({
  studentId,
  sheet,
  choices,
}: {
  readonly studentId: string;
  readonly sheet: DrawnSheet;
  readonly choices: SheetChoicesAccess;
}): ReactNode {
  const { paper, size, fingers, setFingers, room } = choices;
  const [laid, setLaid] = useState<LaidWeek>({ pages: 1, leftOut: [] });
  const onLaid = useCallback(
    (next: LaidWeek) => setLaid((before) => (JSON.stringify(before) === JSON.stringify(next) ? before : next)),
    [],
  );
  const [piano, setPiano] = useKeptChoice('sheet-piano', ['made', 'real']);
  const { save, busy } = useSaveForHome(studentId, choices, piano === 'real');
  useDocumentName(sheetName(sheet.week));
  useKey('sheet.home', save);
  useKey('sheet.print', printNow);
  useKey('sheet.boxes', () => setFingers(fingers === 'boxes' ? 'chosen' : 'boxes'));
  const numbers = sheet.week.tasks.filter((t) => laid.leftOut.includes(t.itemId)).map((t) => t.number);
  return (
    <PrintDesk
      title={`Sheet for ${sheet.week.student}`}
      choices={
        <WeekChoices
          choices={choices}
          pages={laid.pages}
          without={numbers}
          onPrint={printNow}
          forHome={{
            save,
            busy,
            hasPiano: hasPiano(sheet),
            withPiano: piano === 'real',
            setWithPiano: (real) => setPiano(real ? 'real' : 'made'),
          }}
        />
      }
    >
      <WeekPages sheet={sheet} paper={paper} size={size} onePage={room === 'one'} onLaid={onLaid} />
    </PrintDesk>
  );
}

function NoWeek({ student }: { readonly student: Student }): ReactNode {
  const where = useWhere();
  return (
    <EmptyState title="No week is given yet">
      <p>The sheet is made from the week that {student.name} was given in the lesson.</p>
      <Button look="primary" big onClick={() => where.go('lesson', { view: 'week' })}>
        Go to the week
      </Button>
    </EmptyState>
  );
}

/** The week that goes home: with one student, or with several where nobody is chosen. */
function WeekSheetScreen({ choices }: { readonly choices: SheetChoicesAccess }): ReactNode {
  const where = useWhere();
  const drawn = useDrawnWeek(where.studentId, choices);
  switch (drawn.kind) {
    case 'no-student':
      return <AllSheets choices={choices} />;
    case 'no-week':
      return <NoWeek student={drawn.student} />;
    case 'failed':
      return <Problem>{drawn.message}</Problem>;
    case 'ready':
      return <Preview studentId={drawn.student.id} sheet={drawn.sheet} choices={choices} />;
    case 'loading':
      return (
        <p className="p-8 text-center text-ink-2" role="status">
          Drawing the sheet…
        </p>
      );
  }
}

/** What is put on paper: the week of one student or of several, or a piece. */
export function SheetScreen(): ReactNode {
  const kind = useSheetKind();
  const choices = useSheetChoices();
  return kind === 'week' ? <WeekSheetScreen choices={choices} /> : <PieceSheet choices={choices} />;
}
