'use client';

import { useState, type ReactNode } from 'react';
import { WeekPages } from '@/sheet';
import { useLive, givenWeeks, useStudio, type GivenWeek } from '@/store';
import { Button, counted, dayWords, EmptyState } from '@/ui';
import { useKey } from '@/features/keys';
import { useWhere } from '@/features/where';
import { PrintButton, PrintDesk } from './print-desk';
import { printNow } from './print-now';
import { SheetLook } from './sheet-choices';
import { SheetKindChoice } from './sheet-kind';
import { useAllSheets, type Drawing } from './use-all-sheets';
import type { SheetChoicesAccess } from './use-sheet-choices';

/** Those who were given a week today; all who have one where there was no lesson today. */
function usualChoice(weeks: readonly GivenWeek[], today: string): ReadonlySet<string> {
  const given = weeks.filter((w) => w.given !== null);
  const ofToday = given.filter((w) => w.given === today);
  return new Set((ofToday.length > 0 ? ofToday : given).map((w) => w.student.id));
}

function WhoseSheets({
  weeks,
  ticked,
  onTick,
}: {
  readonly weeks: readonly GivenWeek[];
  readonly ticked: ReadonlySet<string>;
  readonly onTick: (id: string, on: boolean) => void;
}): ReactNode {
  const where = useWhere();
  return (
    <ul className="grid gap-x-4 sm:grid-cols-2">
      {weeks.map(({ student, given }) => (
        <li key={student.id} className="flex items-center justify-between gap-2 border-b border-rule">
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-leaf"
              disabled={given === null}
              checked={ticked.has(student.id)}
              onChange={(e) => onTick(student.id, e.target.checked)}
            />
            <span className="font-semibold">{student.name}</span>
            <span className="text-ink-2">{given === null ? 'no week given yet' : `week of ${dayWords(given)}`}</span>
          </label>
          <Button
            look="quiet"
            aria-label={`Sheet of ${student.name}`}
            onClick={() => where.change({ studentId: student.id })}
          >
            Look
          </Button>
        </li>
      ))}
    </ul>
  );
}

function HowFar({ drawing, onStop }: { readonly drawing: Drawing; readonly onStop: () => void }): ReactNode {
  return (
    <div role="status">
      <p>
        {drawing.done} of {drawing.of}, {drawing.name}…
      </p>
      <progress className="w-full accent-leaf" value={drawing.done} max={drawing.of} aria-label="Sheets drawn" />
      <Button onClick={onStop}>Stop</Button>
    </div>
  );
}

function SheetsOf({
  weeks,
  choices,
}: {
  readonly weeks: readonly GivenWeek[];
  readonly choices: SheetChoicesAccess;
}): ReactNode {
  const studio = useStudio();
  const [chosen, setChosen] = useState<ReadonlySet<string> | null>(null);
  const { sheets, drawing, draw, cancel } = useAllSheets(choices);
  const ticked = chosen ?? usualChoice(weeks, studio.today());
  const onTick = (id: string, on: boolean): void =>
    setChosen(new Set(on ? [...ticked, id] : [...ticked].filter((t) => t !== id)));
  const students = weeks.filter((w) => ticked.has(w.student.id)).map((w) => w.student);
  const isDrawn = sheets.length > 0 && drawing === null;
  const go = (): void => {
    if (isDrawn) printNow();
    else if (students.length > 0 && drawing === null) draw(students);
  };
  useKey('sheet.print', go);
  return (
    <PrintDesk
      title="Sheets for home"
      choices={
        <>
          <SheetKindChoice />
          <SheetLook choices={choices} />
          {isDrawn ? (
            <PrintButton onPrint={printNow}>Print {counted(sheets.length, 'sheet')}</PrintButton>
          ) : (
            <Button look="primary" big shortcut="p" disabled={students.length === 0 || drawing !== null} onClick={go}>
              Draw {counted(students.length, 'sheet')}
            </Button>
          )}
          {drawing ? <HowFar drawing={drawing} onStop={cancel} /> : null}
        </>
      }
      above={
        <section className="no-print panel p-4" aria-label="Whose sheets">
          <WhoseSheets weeks={weeks} ticked={ticked} onTick={onTick} />
        </section>
      }
    >
      {sheets.length === 0
        ? null
        : sheets.map(({ studentId, sheet }) => (
            <div key={studentId} className="print-page-after">
              <WeekPages sheet={sheet} paper={choices.paper} size={choices.size} onePage={choices.room === 'one'} />
            </div>
          ))}
    </PrintDesk>
  );
}

/** Sheets of several students in one go. */
export function AllSheets({ choices }: { readonly choices: SheetChoicesAccess }): ReactNode {
  const { db, zone } = useStudio();
  const where = useWhere();
  const weeks = useLive(() => givenWeeks(db, zone), [db, zone]);
  if (!weeks) return null;
  if (weeks.length > 0) return <SheetsOf weeks={weeks} choices={choices} />;
  return (
    <EmptyState title="No students yet">
      <p>A sheet is made from the week that a student was given in the lesson.</p>
      <Button look="primary" big onClick={() => where.go('board')}>
        Go to the board
      </Button>
    </EmptyState>
  );
}
