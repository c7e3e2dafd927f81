import type { ReactNode } from 'react';
import { setPlayer } from '@/core/commands';
import { playerChoices, playerKey } from '@/core/players';
import { playerFor } from '@/core/studio';
import { usePiece, useStudents } from '@/store';
import { useActs } from '@/features/acts';
import { useScore } from '@/features/score';
import { useWhere } from '@/features/where';
import { Chooser } from './chooser';

/** Whose part of the piece it is: the student's own, else everyone's; nothing where there is but one. */
export function PartChooser(): ReactNode {
  const where = useWhere();
  const piece = usePiece(where.pieceId);
  const students = useStudents();
  const state = useScore(piece);
  const { run } = useActs();
  if (!piece || state.kind !== 'ready') return null;
  const { score } = state;
  const choices = playerChoices(score);
  if (choices.length < 2) return null;
  const student = students?.find((s) => s.id === where.studentId) ?? null;
  const current = playerKey(playerFor(score, piece, student));
  return (
    <>
      <span className="hidden text-lg text-ink-2 lg:inline">part</span>
      <Chooser
        label="Part"
        value={current}
        choices={choices.map((c) => ({ id: c.key, label: c.name }))}
        onChoose={(key) => {
          const choice = choices.find((c) => c.key === key);
          if (choice && key !== current)
            run(setPlayer, { pieceId: piece.id, studentId: student?.id ?? null, player: choice.player, score });
        }}
      />
    </>
  );
}
