'use client';

import { useCallback, useEffect, useMemo, useRef, type ReactNode } from 'react';
import { z } from 'zod';
import { logPractice } from '@/core/commands';
import type { DayTask } from '@/core/plan';
import type { Mark, Rung } from '@/core/studio';
import { useMarks, useSettings } from '@/store';
import { counted } from '@/ui';
import { tell, useActs } from '@/features/acts';
import { useDraft } from '@/features/drafts';
import type { PieceContext } from '@/features/score';
import { usePlaying } from '@/features/sound';
import {
  NO_WORK,
  Room,
  taskOfPiece,
  type RungOfTask,
  type Recorder,
  type RoomKeys,
  type RoomSum,
  type RoomWork,
} from '@/room';
import { FollowedMusic } from './followed-music';
import type { HomeModel } from './use-home';
import { useRungOf } from './rung-of-task';
import { useHomeKeys } from './use-home-keys';

const workSchema = z.object({
  id: z.string().max(80).nullable(),
  passes: z.array(z.object({ right: z.boolean(), tempo: z.number(), seconds: z.number().min(0) })).max(500),
  heard: z.number().min(0),
  loops: z.number().min(0),
  tapped: z.object({ right: z.number().min(0), of: z.number().min(0) }).nullable(),
});
const parseWork = (value: unknown): RoomWork | null => {
  const parsed = workSchema.safeParse(value);
  return parsed.success ? parsed.data : null;
};
const NO_MARKS: readonly Mark[] = [];
const MOST_NOTE = 200;
/** Of what was too short to be measured. */
const LEAST_MINUTES = 0.1;

interface Props {
  readonly model: HomeModel;
  readonly task: DayTask;
  readonly context: PieceContext;
  /** What is done is kept as the student's practice. */
  readonly kept: boolean;
  readonly onNext: (() => void) | null;
  /** The task stays in hand, though it may be long enough for today. */
  readonly onStay: () => void;
}

/** What was done, in a few words beside the figures. */
function noteOf({ loops, tapped }: RoomSum): string {
  return [
    ...(loops > 0 ? [`went round ${counted(loops, 'time')}`] : []),
    ...(tapped ? [`tapped ${tapped.right} of ${tapped.of} in time`] : []),
  ]
    .join('; ')
    .slice(0, MOST_NOTE);
}

/** Keeps what was done as practice of the student, together with the rung that it finished. */
function useRecorder({ model, task, context, kept }: Props, rung: Rung | null): Recorder {
  const { run } = useActs();
  const { student, today } = model;
  return {
    record: (sum, { stored, over }) => {
      if (!kept) {
        tell('Only tried: nothing was kept.');
        stored();
        over();
        return;
      }
      const minutes = Math.max(LEAST_MINUTES, sum.seconds / 60);
      const words = sum.passes > 0 ? `, ${sum.right} of ${sum.passes} right` : '';
      run(
        logPractice,
        {
          id: sum.id,
          studentId: student.id,
          pieceId: context.piece.id,
          sectionId: context.place?.section.id ?? null,
          day: today,
          minutes,
          times: sum.passes,
          tempo: sum.reached,
          note: noteOf(sum),
          ...(sum.passes > 0 ? { right: sum.right } : {}),
          ...(sum.tapped ? { tapped: sum.tapped } : {}),
          ...(rung ? { rung: rung.kind } : {}),
          ...(sum.done && rung && task.item.sectionId !== null ? { rungDone: rung.id } : {}),
        },
        {
          stored: () => {
            stored();
            tell(`Kept: ${minutes < 1 ? 'less than a minute' : counted(Math.round(minutes), 'minute')}${words}.`);
          },
          // Another tab was first: it is there, and here there is nothing left of it.
          refused: ({ code }) => (code === 'kept-already' ? stored() : undefined),
          over,
        },
      );
    },
  };
}

/** One rung of a task in the room: where it is heard, and where what was done is kept. */
function RungInRoom({ about, ...props }: Props & { readonly about: RungOfTask | null }): ReactNode {
  const { model, task, context, onNext, onStay } = props;
  const { piece } = context;
  const settings = useSettings();
  const marks = useMarks(piece.id) ?? NO_MARKS;
  const rung = about?.rung ?? null;
  const player = usePlaying();
  const draft = `home ${model.student.id} ${task.item.id} ${rung?.id ?? ''} ${model.today}`;
  const { value, set, settle } = useDraft(draft, parseWork);
  const room = useMemo(() => {
    const { student, assignment } = model;
    const cue = assignment?.cue ?? '';
    return taskOfPiece({ student, item: task.item, cue, context, about, marks, settings: settings ?? null });
  }, [model, task, context, about, marks, settings]);
  const recorder = useRecorder(props, rung);
  const keys = useRef<RoomKeys | null>(null);
  const onKeys = useCallback((bound: RoomKeys) => {
    keys.current = bound;
    return () => {
      if (keys.current === bound) keys.current = null;
    };
  }, []);
  useHomeKeys(keys);
  const { stop } = player;
  useEffect(() => stop, [stop]);
  // A rung that is done makes room for the next of the same task.
  const stays = (done: boolean): boolean => done && props.kept && about !== null && about.step < about.of;
  return (
    <Room
      task={room}
      open={{ work: value ?? NO_WORK, keep: (work) => set(work), settle: () => settle() }}
      recorder={recorder}
      player={player}
      onKeys={onKeys}
      onNext={onNext === null ? null : (done) => (stays(done) ? onStay() : onNext())}
      music={(view) => (
        <FollowedMusic
          context={context}
          view={view}
          label={context.place ? `${context.place.section.letter} ${context.place.section.name}`.trim() : piece.title}
        />
      )}
    />
  );
}

/** One task of the day in the room, rung by rung. */
export function TaskInRoom(props: Props): ReactNode {
  const about = useRungOf(props);
  return <RungInRoom key={about?.rung.id ?? ''} {...props} about={about} />;
}
