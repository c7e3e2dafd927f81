'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { playedBy, type Player } from '@/core/players';
import type { Score } from '@/core/score';
import { placeSections, type PlacedSection } from '@/core/sections';
import { playerFor, type Piece, type Student } from '@/core/studio';
import { isSection } from '@/core/way';
import { usePiece, useStudents, useWays } from '@/store';
import { EmptyState, Problem } from '@/ui';
import { useWhere } from '@/features/where';
import { FirstLook, useFirstLook } from './first-look';
import { StripPanel } from './strip-panel';
import { useScore, type ScoreState } from './use-score';

export interface PieceContext {
  readonly piece: Piece;
  /** Whom it is about; null for everyone. */
  readonly student: Student | null;
  /** The whole score, as it is written. */
  readonly score: Score;
  /** Whose part it is: the student's own, else the usual one. */
  readonly player: Player;
  /** What that player has to play. */
  readonly played: Score;
  readonly sections: readonly PlacedSection[];
  /** Sections, and the chunks and joins of the way. */
  readonly places: readonly PlacedSection[];
  /** The section named in the address, or the one around the selected bars. */
  readonly section: PlacedSection | null;
  /** The chunk named in the address; the section where none is. */
  readonly place: PlacedSection | null;
}

interface Props {
  readonly heading: string;
  /** The strip above: in full, only for finding the way, or drawn by the stage itself. */
  readonly strip?: 'full' | 'compact' | 'own';
  readonly children: (context: PieceContext) => ReactNode;
}

/**
 * A piece with its score: while that of a changed piece is read the last one stays, so that what is being worked on
 * keeps its place and its focus.
 */
function useReadPiece(stored: Piece | null | undefined, state: ScoreState) {
  const [last, setLast] = useState<{ readonly piece: Piece; readonly score: Score } | null>(null);
  const now = stored && state.kind === 'ready' ? { piece: stored, score: state.score } : null;
  if (now && (last?.piece !== now.piece || last.score !== now.score)) setLast(now);
  return now ?? (last && last.piece.id === stored?.id ? last : null);
}

/** What every stage about one piece has: the bar strip on top, and a sentence where the piece is missing or broken. */
export function PieceStage({ heading, strip = 'full', children }: Props): ReactNode {
  const where = useWhere();
  const stored = usePiece(where.pieceId);
  const rows = useWays(where.pieceId);
  const state = useScore(stored);
  const read = useReadPiece(stored, state);
  const piece = read?.piece;
  const score = read?.score ?? null;
  const look = useFirstLook(stored);
  // Where other bars are asked for, the first ones would be the wrong ones.
  const isBeginning = where.bars === null && where.sectionId === null;
  const students = useStudents();
  const student = students?.find((s) => s.id === where.studentId) ?? null;
  const player = useMemo(() => (score && piece ? playerFor(score, piece, student) : null), [score, piece, student]);
  const played = useMemo(() => (score && player ? playedBy(score, player) : null), [score, player]);
  const places = useMemo(() => (score && rows ? placeSections(score, rows.places) : []), [score, rows]);
  const placed = useMemo(() => places.filter((p) => isSection(p.section)), [places]);
  if (where.pieceId === null || stored === null)
    return (
      <EmptyState title="Choose a piece">
        <p>
          {stored === null && where.pieceId !== null
            ? 'The piece in this address is not in this studio.'
            : 'Take a piece from the shelf, or bring one in there.'}
        </p>
        <a
          className="rounded border border-leaf bg-leaf px-4 py-2 font-semibold text-white"
          href={where.addressOf('shelf', { pieceId: null })}
        >
          Go to the shelf
        </a>
      </EmptyState>
    );
  if (state.kind === 'failed') return <Problem>{state.issue.message}</Problem>;
  if (!piece || !score || !rows || !player || !played)
    return (
      <>
        {look === undefined || !isBeginning ? null : (
          <div className="rounded border border-rule bg-sheet px-3 py-1">
            <FirstLook svg={look} label="First bars of the piece" />
          </div>
        )}
        <p className="p-8 text-center text-ink-2" role="status">
          Opening the piece…
        </p>
      </>
    );
  const place = places.find((p) => p.section.id === where.sectionId) ?? null;
  // A chunk lies in a section: stages that know only sections are about that one.
  const sectionId = place && !isSection(place.section) ? place.section.parentId : where.sectionId;
  const named = placed.find((p) => p.section.id === sectionId) ?? null;
  const selected = where.bars;
  const around = selected ? (placed.filter((p) => p.from <= selected[0] && p.to >= selected[1]).pop() ?? null) : null;
  const section = named ?? around;
  return (
    <div className="flex flex-col gap-3">
      <h1 className="sr-only">
        {heading}: {piece.title}
      </h1>
      {strip === 'own' ? null : (
        <StripPanel
          piece={piece}
          score={score}
          player={player}
          sections={placed}
          section={section}
          compact={strip === 'compact'}
        />
      )}
      {children({ piece, student, score, player, played, sections: placed, places, section, place: place ?? section })}
    </div>
  );
}
