'use client';

import { useMemo, type ReactNode } from 'react';
import type { Mark } from '@/core/studio';
import { LanesAbove, LanesBelow, PencilOver, seenMarks } from '@/marked';
import { useMarks, useSettings } from '@/store';
import { ScoreLines, usePageView, type PieceContext } from '@/features/score';

interface Props {
  readonly context: PieceContext;
  readonly from: number;
  readonly to: number;
  readonly label: string;
  readonly scale?: number;
  /** Cues are written beside the music instead of under it. */
  readonly cuesBeside?: boolean;
  /** Bars and notes that stand out. */
  readonly chosenBars?: ReadonlySet<string>;
  readonly coveredBars?: ReadonlySet<string>;
  readonly differs?: ReadonlySet<string>;
  readonly onBar?: (id: string) => void;
  /** What is said on each note, by note id. */
  readonly said?: ReadonlyMap<string, string> | null;
}

const NO_MARKS: readonly Mark[] = [];

/**
 * Bars of a piece as one student has them: engraved, with the fingers in this student's density and variant (those of
 * the print where the teacher has none), counts for those who count, levels, breaths and cues. Read shows the page as
 * it is printed, Marks is where marks are changed; everywhere else music is drawn by this.
 */
export function MarkedMusic({
  context,
  from,
  to,
  label,
  scale = 56,
  cuesBeside = false,
  said = null,
  ...standOut
}: Props): ReactNode {
  const { piece, score, player, played, student } = context;
  const { view: page } = usePageView(score, player, 'page');
  const marks = useMarks(piece.id) ?? NO_MARKS;
  const settings = useSettings() ?? null;
  const seen = useMemo(
    () => seenMarks(marks, { piece, student, settings, played, from, to }),
    [marks, piece, student, settings, played, from, to],
  );
  return (
    <ScoreLines
      piece={piece}
      score={score}
      player={player}
      view={page}
      from={from}
      to={to}
      label={label}
      scale={scale}
      withoutFingerings={seen.fingers.size > 0 || seen.view === 'none'}
      {...standOut}
      over={(layout) => <PencilOver marks={seen.pencil} layout={layout} />}
      above={(layout) => <LanesAbove seen={seen} played={played} layout={layout} />}
      below={(layout) => <LanesBelow seen={seen} played={played} layout={layout} said={said} cues={!cuesBeside} />}
    />
  );
}
