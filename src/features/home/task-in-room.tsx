'use client';

import { useMemo, type ReactNode } from 'react';
import { z } from 'zod';
import { logPractice, tickRung } from '@/core/commands';
import { drillRule, type DrillSum, type Pass } from '@/core/drill';
import { targetTempoFor } from '@/core/ladder';
import { standingKey } from '@/core/mastery';
import { nextRung, type DayTask } from '@/core/plan';
import { ladderFor, ladderPlayer, teachingFor, tempoUnitOf, type Rung } from '@/core/studio';
import { useLadders, useMarks, useSettings, useStandings } from '@/store';
import { counted } from '@/ui';
import { tell, useActs } from '@/features/acts';
import { useDraft } from '@/features/drafts';
import { MarkedMusic } from '@/features/marks';
import { useMusicSize, type PieceContext } from '@/features/score';
import { Room } from './room/room';
import type { Recorder, RoomTask } from './room/room-task';
import { familyIn, taskSound, voicesOf } from './task-sound';
import type { HomeModel } from './use-home';

const passesSchema = z.array(z.object({ right: z.boolean(), tempo: z.number(), seconds: z.number().min(0) })).max(500);
const parsePasses = (value: unknown): readonly Pass[] | null => {
  const parsed = passesSchema.safeParse(value);
  return parsed.success ? parsed.data : null;
};
const NO_PASSES: readonly Pass[] = [];
/** Of the music at home, larger than in the lesson. */
const SCALE = 64;
const MOST_NOTE = 200;
/** On a telephone. */
const NARROW_SCALE = 44;
const isNarrow = (): boolean => window.matchMedia('(max-width: 640px)').matches;

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

/** One task of the day in the room: what it is about, where it is heard, and where what was done is kept. */
export function TaskInRoom(props: Props): ReactNode {
  const { model, task, context, kept, onNext } = props;
  const { piece, score, played } = context;
  const { student } = model;
  const { run } = useActs();
  const settings = useSettings();
  const marks = useMarks(piece.id);
  const rung = useRungOf(props);
  const { factor } = useMusicSize('home');
  const { value, set, settle } = useDraft(`home ${student.id} ${task.item.id} ${model.today}`, parsePasses);
  const place = context.place;
  const [from, to] = place ? [place.from, place.to] : [0, score.bars.length - 1];
  const miss = teachingFor(piece.teaching, student.teaching, settings?.teaching).moveOn === 'gate' ? 'gate' : 'gentle';
  const usual = task.item.tempo ?? targetTempoFor(piece, student, score, from);
  const rule = useMemo(
    () => drillRule(rung ? { ...rung, tempo: task.item.tempo ?? rung.tempo } : null, { usual, cap: null, miss }),
    [rung, task.item.tempo, usual, miss],
  );
  const room: RoomTask = {
    id: task.item.id,
    what: task.item.what,
    pieceTitle: piece.title,
    cue: task.item.cue || (model.assignment?.cue ?? ''),
    rule,
    unit: tempoUnitOf(piece),
    voices: voicesOf(context),
    soundOf: (asked) => taskSound(context, marks ?? [], [from, to], asked),
    familyOf: familyIn(context, piece),
    barName: (bar) => `bar ${score.bars[bar]?.name ?? bar + 1}`,
  };
  const record = (_: RoomTask, sum: DrillSum, done: boolean): void => {
    if (!kept) {
      tell('Only tried: nothing was kept.');
      return;
    }
    const minutes = Math.max(1, Math.round(sum.seconds / 60));
    run(
      logPractice,
      {
        studentId: student.id,
        pieceId: piece.id,
        sectionId: place?.section.id ?? null,
        day: model.today,
        minutes,
        times: sum.passes,
        tempo: sum.reached,
        ...(rung ? { rung: rung.kind } : {}),
        note: `${sum.right} of ${sum.passes} right`.slice(0, MOST_NOTE),
      },
      { stored: () => tell(`Kept: ${counted(minutes, 'minute')}, ${sum.right} of ${sum.passes} right.`) },
    );
    if (done && rung && task.item.sectionId !== null)
      run(tickRung, { studentId: student.id, sectionId: task.item.sectionId, rungId: rung.id, inLesson: false });
  };
  const recorder: Recorder = { record };
  return (
    <Room
      key={task.item.id}
      task={room}
      open={{ passes: value ?? NO_PASSES, keep: (passes) => set(passes), settle: () => settle() }}
      recorder={recorder}
      onNext={onNext}
      music={(hearing) => (
        <MarkedMusic
          context={context}
          from={from}
          to={to}
          label={place ? `${place.section.letter} ${place.section.name}`.trim() : piece.title}
          scale={(isNarrow() ? NARROW_SCALE : SCALE) * factor}
          cuesBeside
          {...(hearing === null ? {} : { chosenBars: new Set([played.bars[hearing]?.id ?? '']) })}
        />
      )}
    />
  );
}
