import { useMemo } from 'react';
import { standingKey } from '@/core/mastery';
import { taskRungs, type DayTask } from '@/core/plan';
import { ladderFor, ladderPlayer } from '@/core/studio';
import type { RungOfTask } from '@/room';
import { useLadders, useStandings } from '@/store';
import type { PieceContext } from '@/features/score';
import type { HomeModel } from './use-home';

interface Props {
  readonly model: HomeModel;
  readonly task: DayTask;
  readonly context: PieceContext;
}

/** The next rung of those a task asks for; null where it was made from none, or all are done. */
export function useRungOf({ model, task, context }: Props): RungOfTask | null {
  const ladders = useLadders(context.piece.id);
  const standings = useStandings({ pieceId: context.piece.id, studentId: model.student.id });
  return useMemo(() => {
    const { sectionId, what } = task.item;
    if (sectionId === null || !ladders || !standings) return null;
    const done = standings.get(standingKey(model.student.id, sectionId))?.rungsDone ?? [];
    const ladder = ladderFor(ladders, sectionId, ladderPlayer(context.piece, model.student), model.student.id);
    const asked = taskRungs(what, ladder?.rungs ?? []);
    const at = asked.findIndex((r) => !done.includes(r.id));
    const rung = asked[at];
    return rung ? { rung, step: at + 1, of: asked.length } : null;
  }, [ladders, standings, task.item, model.student, context.piece]);
}
