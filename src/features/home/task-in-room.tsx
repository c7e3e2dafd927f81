'use client';

import { useCallback, useEffect, useMemo, useRef, type ReactNode } from 'react';
import { z } from 'zod';
import { logPractice } from '@/core/commands';
import { standingKey } from '@/core/mastery';
import { nextRung, type DayTask } from '@/core/plan';
import { ladderFor, ladderPlayer, type Mark, type Rung } from '@/core/studio';
import { useLadders, useMarks, useSettings, useStandings } from '@/store';
import { counted } from '@/ui';
import { tell, useActs } from '@/features/acts';
import { useDraft } from '@/features/drafts';
import type { PieceContext } from '@/features/score';
import { usePlaying } from '@/features/sound';
import { NO_WORK, Room, type Recorder, type RoomKeys, type RoomSum, type RoomWork } from '@/room';
import { FollowedMusic } from './followed-music';
import { taskOfRoom } from './task-of-room';
import type { HomeModel } from './use-home';
import { useHomeKeys } from './use-home-keys';

const workSchema = z.object({
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

interface Props {
  readonly model: HomeModel;
  readonly task: DayTask;
  readonly context: PieceContext;
  /** What is done is kept as the student's practice. */
  readonly kept: boolean;
  readonly onNext: (() => void) | null;
}

/** The rung that a task speaks of: the next of its section, where the task was made from it. */
function useRungOf({ model, task, context }: Props): Rung | null {
  const ladders = useLadders(context.piece.id);
  const standings = useStandings({ pieceId: context.piece.id, studentId: model.student.id });
  return useMemo(() => {
    const { sectionId } = task.item;
    if (sectionId === null || !ladders || !standings) return null;
    const done = standings.get(standingKey(model.student.id, sectionId))?.rungsDone ?? [];
    const ladder = ladderFor(ladders, sectionId, ladderPlayer(context.piece, model.student), model.student.id);
    const rung = nextRung(ladder ?? undefined, done);
    return rung && task.item.what.includes(rung.what) ? rung : null;
  }, [ladders, standings, task.item, model.student, context.piece]);
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
      const minutes = Math.max(1, Math.round(sum.seconds / 60));
      const words = sum.passes > 0 ? `, ${sum.right} of ${sum.passes} right` : '';
      run(
        logPractice,
        {
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
            tell(`Kept: ${counted(minutes, 'minute')}${words}.`);
          },
          over,
        },
      );
    },
  };
}

/** One task of the day in the room: what it is about, where it is heard, and where what was done is kept. */
export function TaskInRoom(props: Props): ReactNode {
  const { model, task, context, onNext } = props;
  const { piece } = context;
  const settings = useSettings();
  const marks = useMarks(piece.id) ?? NO_MARKS;
  const rung = useRungOf(props);
  const player = usePlaying();
  const { value, set, settle } = useDraft(`home ${model.student.id} ${task.item.id} ${model.today}`, parseWork);
  const room = useMemo(
    () => taskOfRoom({ model, task, context, rung, marks, settings: settings ?? null }),
    [model, task, context, rung, marks, settings],
  );
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
  return (
    <Room
      task={room}
      open={{ work: value ?? NO_WORK, keep: (work) => set(work), settle: () => settle() }}
      recorder={recorder}
      player={player}
      onKeys={onKeys}
      onNext={onNext}
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
