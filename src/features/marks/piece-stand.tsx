'use client';

import type { ReactNode } from 'react';
import { MusicSizeChoice, Stand, useMusicSize, type PieceContext } from '@/features/score';
import { MarkedMusic } from './marked-music';

/** Scale of the music on the stand, to be read from a step away. */
const SCALE = 74;

/** The whole piece as the student has it, on the stand. */
export function PieceStand({
  context,
  onClose,
}: {
  readonly context: PieceContext;
  readonly onClose: () => void;
}): ReactNode {
  const { piece, student, score } = context;
  const { factor } = useMusicSize('stand');
  return (
    <Stand label={`${piece.title} on the stand`} onClose={onClose}>
      <div className="mb-2 flex items-center justify-between gap-3">
        <h2 className="text-2xl" translate="no">
          {piece.title}
          {student ? <span className="text-ink-2"> · {student.name}</span> : null}
        </h2>
        <MusicSizeChoice stage="stand" />
      </div>
      <MarkedMusic
        context={context}
        from={0}
        to={score.bars.length - 1}
        label={`${piece.title}, all of it`}
        scale={Math.round(SCALE * factor)}
      />
    </Stand>
  );
}
