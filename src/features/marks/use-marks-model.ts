import { useMemo } from 'react';
import { instrumentOf } from '@/core/instruments';
import { pedalPlaces } from '@/core/harmony';
import { stringsOf } from '@/core/players';
import { usualStyle } from '@/core/ornaments';
import { countStaff, hasCompoundBeats, hasOpenBeats, USUAL_WAY, type CountingWay } from '@/core/rhythm';
import { inQuarters, tempoAt, type Note, type Score } from '@/core/score';
import { FULL_FINGERING, teachingFor, tempoUnitOf, type Mark, type Piece, type Teaching } from '@/core/studio';
import { type FingerView, noteAtOnset, refusedKeys, usualView } from '@/marked';
import { useFingerings, useMarks, useSettings, useStudents } from '@/store';
import type { Marking } from '@/workers';
import { shownOf, useMarking, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { fingersOf } from '@/marked';
import { suggestionsFor, type Suggestion } from './suggestions';
import { phraseAround, useChosenNotes } from './use-chosen-notes';
import { useFingers } from './use-fingers';
import { USUAL_BREATH } from './usual-breath';
import { useViewChoices, type ViewChoices } from './use-view-choices';

/** Bars shown while no section is chosen and none is there. */
const FIRST_BARS = 8;
const SLOWEST = 10;
const FASTEST = 400;

/** What is kept of the piece, by kind. */
function useKept(marks: readonly Mark[], studentId: string | null) {
  return useMemo(
    () => ({
      refused: refusedKeys(marks),
      ornamentStyles: new Map(marks.flatMap((m) => (m.kind === 'ornament' ? [[m.noteId, m.style] as const] : []))),
      dynamics: marks.flatMap((m) => (m.kind === 'dynamic' ? [m] : [])),
      cues: marks.flatMap((m) => (m.kind === 'cue' && (m.studentId === null || m.studentId === studentId) ? [m] : [])),
      words: new Map(marks.flatMap((m) => (m.kind === 'syllable' ? [[m.noteId, m.text] as const] : []))),
    }),
    [marks, studentId],
  );
}

/** What else is worked out of the piece for the student in hand: chords, dynamics, breaths, bowing, ornaments. */
function useMarked(
  { piece, played: score, player }: PieceContext,
  about: { readonly studentId: string | null; readonly breath: number | null | undefined; readonly teaching: Teaching },
  choice: { readonly tempoText: string; readonly from: number },
  ornamentStyles: ReadonlyMap<string, 'early' | 'late' | 'measured'>,
  ownCues: Readonly<Record<string, string>>,
) {
  const instrument = player.instrument ?? piece.instrument;
  const { breathes, technique } = instrumentOf(instrument);
  const startBar = score.bars[choice.from];
  const written = startBar ? Math.round(tempoAt(score, startBar.onset)) : 90;
  const unit = tempoUnitOf(piece);
  const typed = inQuarters(Number(choice.tempoText), unit);
  const isTempo = choice.tempoText !== '' && typed >= SLOWEST && typed <= FASTEST;
  const tempo = isTempo ? typed : (piece.targetTempo ?? written);
  const ornamentStyle = usualStyle(about.teaching.trills);
  const asked = useMarking(piece, player, about.studentId ?? '', {
    tempo,
    breathSpanInSeconds: about.breath ?? USUAL_BREATH,
    instrument,
    breathes,
    strictTime: about.teaching.time === 'metronome',
    bowed: fingersOf(instrument)?.kind === 'bowed',
    technique,
    style: ornamentStyle,
    ownCues,
    styles: ornamentStyles,
  });
  return { startBar, tempo, unit, ornamentStyle, asked, marking: shownOf(asked) };
}

/** For whom the marks are looked at, and what follows from it: the view, the variant, the way of counting. */
function useForWhom(piece: Piece, studentId: string | null, choices: ViewChoices) {
  const students = useStudents() ?? [];
  const settings = useSettings() ?? null;
  const student = students.find((s) => s.id === studentId) ?? null;
  const teaching = teachingFor(piece.teaching, student?.teaching, settings?.teaching);
  const system = choices.chosenSystem ?? teaching.counting;
  const { compound, uneven } = teaching;
  const way = useMemo<CountingWay>(() => ({ ...USUAL_WAY, system, compound, uneven }), [system, compound, uneven]);
  const view: FingerView = (student ? student.density : choices.wholeView) ?? usualView(teaching);
  return {
    students,
    settings,
    student,
    teaching,
    view,
    way,
    variant: student ? (student.variants?.[piece.id] ?? FULL_FINGERING) : choices.pieceVariant,
  };
}

/**
 * The bars that are looked at: the section in hand, those chosen on the strip, else the first section or the first bars
 * in which the player has something to play.
 */
function barsShown({ score, played, section, sections }: PieceContext, chosen: readonly [number, number] | null) {
  const first = played.notes[0]?.bar ?? 0;
  const shown = section ?? (chosen ? null : (sections.find((s) => s.from <= first && s.to >= first) ?? sections[0]));
  return shown
    ? ([shown.from, shown.to] as const)
    : (chosen ?? ([first, Math.min(first + FIRST_BARS, score.bars.length) - 1] as const));
}

/** The counts of the player's upper staff, and what they hang on. */
function useCounted(score: Score, from: number, to: number, way: CountingWay) {
  const part = score.parts[0];
  const counts = useMemo(
    () => (part ? countStaff(score, part.id, 1, from, to, way) : []),
    [score, part, from, to, way],
  );
  const onsets = useMemo(() => noteAtOnset(score, from, to), [score, from, to]);
  const meters = score.bars.slice(from, to + 1).map((bar) => bar.meter);
  return {
    part,
    staves: part?.staves ?? 1,
    counts,
    onsets,
    /** What the teacher is asked about counting, because these bars leave it open. */
    asksCompound: meters.some(hasCompoundBeats),
    asksUneven: meters.some(hasOpenBeats),
  };
}

function useSuggestions(
  marking: Marking | null,
  notes: readonly Note[],
  marks: readonly Mark[],
  refused: ReadonlySet<string>,
  /** The score whose pedal is asked for; null where it is not. */
  pedalled: Score | null,
): readonly Suggestion[] {
  const ids = useMemo(() => new Set(notes.map((n) => n.id)), [notes]);
  const pedals = useMemo(
    () => (marking && pedalled ? pedalPlaces(pedalled, marking.harmony) : []),
    [marking, pedalled],
  );
  return useMemo(
    () => (marking ? suggestionsFor(marking, ids, marks, refused, pedals) : []),
    [marking, ids, marks, refused, pedals],
  );
}

/** What is played, what is known of it, how its strings are tuned on the page, and what finds its fingers. */
function instrumentInHand({ piece, score, player }: PieceContext) {
  const instrument = player.instrument ?? piece.instrument;
  return {
    instrument,
    about: instrumentOf(instrument),
    strings: stringsOf(score, player),
    solver: fingersOf(instrument)?.kind ?? null,
  };
}

/**
 * Everything the Marks stage shows of one piece: what is chosen, what is there, what is proposed, and how it is to be
 * seen.
 */
export function useMarksModel(context: PieceContext) {
  const { piece, score: whole, played: score, player, section, sections } = context;
  const { instrument, about, strings, solver } = instrumentInHand(context);
  const where = useWhere();
  const loadedMarks = useMarks(piece.id);
  const marks = useMemo(() => loadedMarks ?? [], [loadedMarks]);
  const changedFingers = useFingerings(piece.id);
  const choices = useViewChoices();
  const whom = useForWhom(piece, where.studentId, choices);
  const { student, settings, teaching, variant, way } = whom;
  const [from, to] = barsShown(context, where.bars);
  const notes = useMemo(
    () => score.notes.filter((n) => n.bar >= from && n.bar <= to && n.grace === null),
    [score, from, to],
  );
  const selection = useChosenNotes(notes);
  const kept = useKept(marks, student?.id ?? null);
  const found = useFingers({ piece, player, score, marks, student }, [from, to], variant, choices);
  const marked = useMarked(
    context,
    { studentId: student?.id ?? null, breath: student?.breathSpanInSeconds, teaching },
    { tempoText: choices.tempoText, from },
    kept.ornamentStyles,
    settings?.gestureCues ?? {},
  );
  const { marking } = marked;
  const { note, chosen } = selection;
  const asksPedal = solver === 'keyboard' && !choices.folded.has('Pedal');
  const suggestions = useSuggestions(marking, notes, marks, kept.refused, asksPedal ? score : null);
  const counted = useCounted(score, from, to, way);
  const failed = [found.asked, marked.asked].flatMap((a) => (a.kind === 'failed' ? [a.issue] : []));
  const choosePhrase = (): void => {
    if (!note || !marking) return;
    const ends = marking.phrases.map((p) => p.noteId);
    const phrase = phraseAround(note, notes, score, ends);
    if (phrase) selection.chooseBetween(...phrase);
  };
  return {
    where,
    piece,
    /** With the other parts. */
    whole,
    player,
    /** The player's own notes. */
    score,
    section,
    sections,
    marks,
    changedFingers,
    ...whom,
    from,
    to,
    notes,
    ...counted,
    instrument,
    strings,
    about,
    solver,
    wind: solver === 'wind',
    ...choices,
    ...selection,
    ...kept,
    choosePhrase,
    fingers: found.fingers,
    variants: found.variants,
    fingering: found.fingering,
    proposed: found.proposed,
    forWhom: found.forWhom,
    /** Nothing that is shown is of an earlier request. */
    fingersAreCurrent: found.asked.kind === 'ready',
    suggestionsAreCurrent: marked.asked.kind === 'ready',
    problem: failed[0] ?? null,
    startBar: marked.startBar,
    tempo: marked.tempo,
    unit: marked.unit,
    ornamentStyle: marked.ornamentStyle,
    marking,
    suggestions,
    here: suggestions.filter((s) => chosen.has(s.noteId)),
  };
}

export type MarksModel = ReturnType<typeof useMarksModel>;
