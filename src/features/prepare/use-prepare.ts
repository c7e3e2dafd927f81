import { useMemo, useState } from 'react';
import { preparePiece } from '@/core/commands';
import { instrumentOf } from '@/core/instruments';
import { OVERHEAD } from '@/core/ladder';
import { usualStyle } from '@/core/ornaments';
import { tempoAt } from '@/core/score';
import { teachingFor, type Mark, type NewMark } from '@/core/studio';
import { fingersOf, refusedFingers, refusedKeys } from '@/marked';
import { useMarks, useSettings, useWays } from '@/store';
import type { Built, Marking } from '@/workers';
import { useActs } from '@/features/acts';
import { suggestionsFor, toMark, USUAL_BREATH, type Suggestion } from '@/features/marks';
import {
  shownOf,
  useAnalysis,
  useFingering,
  useMarking,
  useProposedWay,
  type AnalysisState,
  type PieceContext,
} from '@/features/score';
import { partsOf, type PartKey } from './prepare-parts';

const NO_MARKS: readonly Mark[] = [];

/** The fingers that are proposed, as marks; those printed stay as they are. */
function fingerMarks(
  pieceId: string,
  fingering: ReturnType<typeof useFingering>,
  marks: readonly Mark[],
): readonly NewMark[] {
  const shown = shownOf(fingering);
  const there = new Set(marks.flatMap((m) => (m.kind === 'finger' ? [m.noteId] : [])));
  return (shown?.notes ?? []).flatMap((n): readonly NewMark[] => {
    const finger = n.keys ?? n.finger;
    if (n.printed === true || finger === '' || there.has(n.noteId)) return [];
    return [
      {
        pieceId,
        studentId: null,
        source: 'teacher',
        kind: 'finger',
        noteId: n.noteId,
        finger,
        ...(n.string === undefined ? {} : { string: n.string }),
        ...(n.fret === undefined ? {} : { fret: n.fret }),
      },
    ];
  });
}

const builtOf = (state: AnalysisState): Built | null => (state.kind === 'ready' ? state.analysis : null);

/** Everything that is worked out of the whole piece for its teacher. */
function useFound(context: PieceContext) {
  const { piece, score, player, played, sections } = context;
  const settings = useSettings();
  const marks = useMarks(piece.id) ?? NO_MARKS;
  const instrument = player.instrument ?? piece.instrument;
  const about = instrumentOf(instrument);
  const teaching = teachingFor(piece.teaching, settings?.teaching);
  const analysis = useAnalysis(piece, player);
  const first = score.bars[0];
  const marking = useMarking(piece, player, '', {
    tempo: piece.targetTempo ?? Math.round(first ? tempoAt(score, first.onset) : 90),
    breathSpanInSeconds: USUAL_BREATH,
    instrument,
    breathes: about.breathes,
    strictTime: teaching.time === 'metronome',
    bowed: fingersOf(instrument)?.kind === 'bowed',
    technique: about.technique,
    style: usualStyle(teaching.trills),
    ownCues: {},
    styles: new Map(),
  });
  const fingering = useFingering(
    piece,
    player,
    'prepare',
    fingersOf(instrument) === null ? null : { instrument, margins: true, refused: refusedFingers(marks) },
  );
  const request = useMemo(
    () =>
      ({
        level: 'intermediate',
        school: null,
        teaching,
        tempo: piece.targetTempo,
        overhead: OVERHEAD.intermediate,
      }) as const,
    [teaching, piece.targetTempo],
  );
  const kept = useMemo(() => sections.map((p) => p.section), [sections]);
  const way = useProposedWay(piece, player, kept, request);
  const shownMarking: Marking | null = shownOf(marking);
  const ids = useMemo(() => new Set(played.notes.map((n) => n.id)), [played]);
  const suggestions = useMemo(
    (): readonly Suggestion[] => (shownMarking ? suggestionsFor(shownMarking, ids, marks, refusedKeys(marks)) : []),
    [shownMarking, ids, marks],
  );
  return {
    analysis,
    built: builtOf(analysis.state),
    suggestions,
    isMarked: shownMarking !== null,
    fingering,
    way,
    teaching,
    about,
    marks,
  };
}

/** The proposal line by line, what of it is ticked, and taking it. */
export function usePrepare(context: PieceContext) {
  const { piece, score, sections } = context;
  const found = useFound(context);
  const { run } = useActs();
  const [left, setLeft] = useState<ReadonlySet<PartKey>>(new Set());
  const { built, suggestions, fingering, way } = found;
  const fingers = fingerMarks(piece.id, fingering, found.marks);
  const hasWay = (useWays(piece.id)?.ways ?? []).some((w) => w.studentId === null);
  const breaths = suggestions.filter((s) => s.lane === 'breath');
  const dynamics = suggestions.filter((s) => s.lane === 'dynamic');
  const proposedWay = shownOf(way);
  const parts = partsOf(context, {
    ...found,
    unknown: found.analysis.state.kind === 'failed' ? 'not known' : null,
    fingers,
    breaths,
    dynamics,
    hasWay,
  });
  const isTicked = (key: PartKey): boolean => !left.has(key);
  return {
    analysis: found.analysis,
    built,
    parts,
    isTicked,
    isReady: parts.every((p) => p.found !== null),
    toggle: (key: PartKey): void =>
      setLeft(new Set(left.has(key) ? [...left].filter((k) => k !== key) : [...left, key])),
    take: (): void =>
      run(preparePiece, {
        pieceId: piece.id,
        score,
        sections: isTicked('sections') && sections.length === 0 ? (built?.sections ?? []) : [],
        marks: [
          ...(isTicked('fingers') ? fingers : []),
          ...(isTicked('breaths') ? breaths.map((s) => toMark(s, piece.id)) : []),
          ...(isTicked('dynamics') ? dynamics.map((s) => toMark(s, piece.id)) : []),
        ],
        steps: isTicked('way') && !hasWay ? (proposedWay?.steps ?? []) : [],
      }),
  };
}

export type PrepareModel = ReturnType<typeof usePrepare>;
