import type { ReactNode } from 'react';
import { standingKey } from '@/core/mastery';
import type { Score } from '@/core/score';
import type { Piece } from '@/core/studio';
import { nextOnWay } from '@/core/way';
import { Button } from '@/ui';
import type { LessonModel } from './use-lesson';

interface Props {
  readonly model: LessonModel;
  readonly piece: Piece;
  readonly score: Score;
  readonly current: string;
  readonly onChoose: (sectionId: string) => void;
}

/** What was heard last of this piece in the lesson moves the student: what comes next on the way, and why. */
export function OnTheWay({ model, piece, score, current, onChoose }: Props): ReactNode {
  const places = model.wayOf(piece);
  if (!places || places.length === 0) return null;
  const heard = (model.current?.heard ?? []).filter((e) => e.pieceId === piece.id).pop();
  const levelAt = (id: string) => model.standings.get(standingKey(model.student.id, id))?.level ?? null;
  // Before that the list says what is next.
  if (!heard) return null;
  const { place, says } = nextOnWay(score, places, levelAt, heard.sectionId);
  return (
    <div className="rounded border border-dashed border-ink-3 bg-sheet px-3 py-2">
      <p role="status">{says}</p>
      {place && place.section.id !== current ? (
        <Button className="mt-1" big onClick={() => onChoose(place.section.id)}>
          Hear it now
        </Button>
      ) : null}
    </div>
  );
}
