'use client';

import { useMemo, type ReactNode } from 'react';
import type { FingeredNote } from '@/core/fingering';
import { countStaff } from '@/core/rhythm';
import { countingWay, fingersSeen, FULL_FINGERING, teachingFor, type Mark } from '@/core/studio';
import { useMarks, useSettings } from '@/store';
import { TextLane, type LaneText, type LineLayout } from '@/ui';
import { ScoreLines, usePageView, type PieceContext } from '@/features/score';
import { fingerLane, usualView } from './finger-view';
import { CountLane } from './lanes/count-lane';
import { ownTexts } from './lanes/lane-texts';
import { noteAtOnset } from './note-at-onset';

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
const NOTHING_PROPOSED: ReadonlyMap<string, FingeredNote> = new Map();

const NOTHING_REFUSED: ReadonlySet<string> = new Set();
const WEDGE = { crescendo: 'cresc.', diminuendo: 'dim.' } as const;

/** Texts of the marks that stand at notes: what is to be loud or soft, where to breathe and bow, what to think of. */
function textsOf(
  marks: readonly Mark[],
  studentId: string | null,
): Readonly<Record<'level' | 'breath' | 'cue', LaneText[]>> {
  const seen = marks.filter((m) => m.studentId === null || m.studentId === studentId);
  return {
    // Hairpins in a row of their own: they begin where a level stands.
    level: [
      ...ownTexts(seen, (m) => (m.kind === 'dynamic' ? m.level : null)),
      ...ownTexts(seen, (m) => (m.kind === 'wedge' ? WEDGE[m.role] : null)).map((t) => ({ ...t, row: 1 })),
    ],
    breath: ownTexts(seen, (m) =>
      m.kind === 'breath' ? (m.catch ? '(’)' : '’') : m.kind === 'bow' ? (m.direction === 'down' ? '⊓' : '∨') : null,
    ),
    cue: ownTexts(seen, (m) => (m.kind === 'cue' ? m.text : null)),
  };
}

/** Everything that stands at the music of some bars, for whom the context is about. */
function useSeen({ piece, student, played }: PieceContext, from: number, to: number) {
  const marks = useMarks(piece.id) ?? NO_MARKS;
  const settings = useSettings();
  const teaching = teachingFor(piece.teaching, student?.teaching, settings?.teaching);
  const fingers = useMemo(
    () => fingersSeen(marks, student?.variants?.[piece.id] ?? FULL_FINGERING),
    [marks, student, piece.id],
  );
  const texts = useMemo(() => textsOf(marks, student?.id ?? null), [marks, student]);
  const words = useMemo(
    () => new Map(marks.flatMap((m) => (m.kind === 'syllable' ? [[m.noteId, m.text] as const] : []))),
    [marks],
  );
  const part = played.parts[0];
  const counts = useMemo(
    () =>
      part && student?.level === 'beginner' ? countStaff(played, part.id, 1, from, to, countingWay(teaching)) : [],
    [part, student?.level, played, from, to, teaching],
  );
  const onsets = useMemo(() => noteAtOnset(played, from, to), [played, from, to]);
  return { view: student?.density ?? usualView(teaching), fingers, texts, words, part, counts, onsets };
}

/** What is said on the notes of a line; the room follows it while it sounds. */
function SaidLane({
  said,
  layout,
}: {
  readonly said: ReadonlyMap<string, string>;
  readonly layout: LineLayout;
}): ReactNode {
  const texts = [...said].flatMap(([noteId, text]): LaneText[] =>
    layout.notes.has(noteId) ? [{ noteId, text, source: 'editor' }] : [],
  );
  return texts.length === 0 ? null : (
    <TextLane name="To say" bare layout={layout} texts={texts} ruled={false} large followed />
  );
}

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
  const { piece, score, player, played } = context;
  const { view: page } = usePageView(score, player, 'page');
  const { view, fingers, texts, words, part, counts, onsets } = useSeen(context, from, to);
  const handOf = (staff: number, layout: LineLayout): ReactNode => {
    const notes = played.notes.filter((n) => n.part === part?.id && n.staff === staff && layout.notes.has(n.id));
    const lane = fingerLane(notes, view, fingers, NOTHING_PROPOSED, NOTHING_REFUSED, null);
    return lane.texts.length === 0 ? null : (
      <TextLane
        name={staff === 1 ? 'Fingers' : 'Left-hand fingers'}
        bare
        layout={layout}
        texts={lane.texts}
        rows={lane.rows}
        ruled={false}
      />
    );
  };
  const laneOf = (name: string, list: readonly LaneText[], layout: LineLayout): ReactNode =>
    list.some((t) => layout.notes.has(t.noteId)) ? (
      <TextLane
        name={name}
        bare
        layout={layout}
        texts={list}
        rows={list.some((t) => t.row === 1 && layout.notes.has(t.noteId)) ? 2 : 1}
        ruled={false}
      />
    ) : null;
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
      withoutFingerings={fingers.size > 0 || view === 'none'}
      {...standOut}
      above={(layout) => (
        <>
          {laneOf('Breaths and bows', texts.breath, layout)}
          {handOf(1, layout)}
        </>
      )}
      below={(layout) => (
        <>
          {(part?.staves ?? 1) > 1 ? handOf(2, layout) : null}
          {laneOf('Dynamics', texts.level, layout)}
          {counts.length > 0 ? (
            <CountLane
              bare
              score={played}
              counts={counts}
              onsets={onsets}
              layout={layout}
              words={words}
              silent="brackets"
            />
          ) : null}
          {said === null ? null : <SaidLane said={said} layout={layout} />}
          {cuesBeside ? null : laneOf('Cues', texts.cue, layout)}
        </>
      )}
    />
  );
}
