'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState, type ReactNode } from 'react';
import { takeHome } from '@/core/commands';
import { practiceOf } from '@/core/mastery';
import { inOrderOfDay } from '@/core/plan';
import { boxesADay, nothingAtHome, PAPER, placeOfRecord, taskKey, weekKey, type DoneAtHome } from '@/core/sheet';
import { dayAfter, dayOf, weekdayOf, type Assigned, type AssignmentEvent, type StudioEvent } from '@/core/studio';
import { useStudio } from '@/store';
import { Button, longDayWords, TickRow } from '@/ui';
import { useActs } from '@/features/acts';
import type { LessonModel } from './use-lesson';

const DAYS = 7;
const SHORT = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** Ticks by day and task. */
type Ticks = ReadonlyMap<string, number>;
const nameOf = (day: string, task: number): string => `${day} ${task}`;

/** What was entered from paper before. */
function enteredBefore(events: readonly StudioEvent[], assignment: AssignmentEvent): Ticks {
  return new Map(
    practiceOf(events).flatMap((log) => {
      const place = placeOfRecord(log.id);
      return place && place.week === weekKey(assignment) && place.device === PAPER
        ? [[nameOf(place.day, place.task), log.ticks ?? 0] as const]
        : [];
    }),
  );
}

/** The boxes of one task on one day. */
function DayOfTask({
  item,
  day,
  ticks,
  least,
  onTick,
}: {
  readonly item: Assigned;
  readonly day: string;
  readonly ticks: number;
  /** So many are kept already: they are taken back by undo. */
  readonly least: number;
  readonly onTick: (ticks: number) => void;
}): ReactNode {
  const boxes = boxesADay(item);
  return (
    <span className="flex gap-1">
      <TickRow
        boxes={boxes}
        ticks={ticks}
        least={least}
        nameOf={(box) => `${item.what}, ${longDayWords(day)}, ${box} of ${boxes}`}
        onTick={onTick}
      />
    </span>
  );
}

function Boxes({
  model,
  assignment,
  onClose,
}: {
  readonly model: LessonModel;
  readonly assignment: AssignmentEvent;
  readonly onClose: () => void;
}): ReactNode {
  const studio = useStudio();
  const { run } = useActs();
  const before = enteredBefore(model.events, assignment);
  const [ticked, setTicked] = useState<Ticks>(before);
  const from = dayOf(assignment.at, studio.zone);
  const today = studio.today();
  const days = Array.from({ length: DAYS }, (_, i) => dayAfter(from, i)).filter((d) => d <= today);
  const items = inOrderOfDay(assignment.items);
  const keep = (): void => {
    const done = items.flatMap((item) =>
      days.flatMap((day): DoneAtHome[] => {
        const task = taskKey(item.id);
        const ticks = ticked.get(nameOf(day, task)) ?? 0;
        return ticks > 0 ? [{ ...nothingAtHome(task, day), ticks }] : [];
      }),
    );
    run(
      takeHome,
      {
        studentId: model.student.id,
        sent: { week: weekKey(assignment), device: PAPER, from, done, note: '' },
        pieceIds: model.pieces.map((p) => p.id),
        ladderIds: model.ladders.map((l) => l.id),
      },
      { stored: onClose },
    );
  };
  return (
    <>
      <ul className="grid gap-2">
        {items.map((item, i) => (
          <li key={item.id} className="grid gap-1 border-b border-rule pb-2">
            <span className="font-semibold">
              {i + 1} <span translate="no">{item.what}</span>
            </span>
            <span className="flex flex-wrap gap-x-4 gap-y-2">
              {days
                .filter((day) => item.days.includes(weekdayOf(day)))
                .map((day) => {
                  const name = nameOf(day, taskKey(item.id));
                  return (
                    <span key={day} className="grid gap-0.5">
                      <span className="text-sm text-ink-2">{SHORT[weekdayOf(day)]}</span>
                      <DayOfTask
                        item={item}
                        day={day}
                        ticks={ticked.get(name) ?? 0}
                        least={before.get(name) ?? 0}
                        onTick={(ticks) => setTicked(new Map([...ticked, [name, ticks]]))}
                      />
                    </span>
                  );
                })}
            </span>
          </li>
        ))}
      </ul>
      <div className="flex justify-end gap-2">
        <Button big look="quiet" onClick={onClose}>
          Close
        </Button>
        <Button big look="primary" onClick={keep}>
          Keep these
        </Button>
      </div>
    </>
  );
}

/** The boxes of a sheet on paper, entered by touching those that are ticked on it. */
export function PaperBoxes({ model }: { readonly model: LessonModel }): ReactNode {
  const [open, setOpen] = useState(false);
  const { assignment, current } = model;
  // What is given in this lesson is not at home yet.
  if (assignment === null || assignment.items.length === 0 || assignment.lessonId === current?.id) return null;
  return (
    <>
      <Button look="quiet" big onClick={() => setOpen(true)}>
        Boxes on paper
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} className="relative z-40">
        <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
        <div className="fixed inset-0 grid place-items-center p-4">
          <DialogPanel className="panel grid max-h-full w-full max-w-4xl gap-3 overflow-y-auto p-6 text-lg">
            <DialogTitle as="h2" className="text-xl font-semibold">
              Boxes that {model.student.name} ticked on paper
            </DialogTitle>
            <Boxes model={model} assignment={assignment} onClose={() => setOpen(false)} />
          </DialogPanel>
        </div>
      </Dialog>
    </>
  );
}
