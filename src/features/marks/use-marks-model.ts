import { useMemo, useState } from 'react';
import type { DynamicLevel } from '@/core/dynamics';
import { LEVELS } from '@/core/dynamics';
import type { FingeringLock, FingeringRequest } from '@/core/fingering';
import { usualStyle } from '@/core/ornaments';
import { countStaff, type CountSystem } from '@/core/rhythm';
import { tempoAt } from '@/core/score';
import { instrumentOf } from '@/core/instruments';
import { FULL_FINGERING, teachingFor } from '@/core/studio';
import { useFingerings, useMarks, useSettings, useStudents } from '@/store';
import type { LaneText } from '@/ui';
import { shownOf, useFingering, useMarking, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { noteAtOnset } from './count-lane';
import { usualView, type FingerView } from './finger-view';
import { fingersOf } from './instrument';
import { suggestionsFor } from './suggestions';

export const isDynamicLevel = (text: string): text is DynamicLevel => LEVELS.some((l) => l === text);
export const LANES = ['Count', 'Dynamics', 'Chords', 'Breath and phrase', 'Bowing', 'Cues'] as const;
export type Lane = (typeof LANES)[number];
/**
 * Style of an ornament until the teacher chooses another for it: measured while that is how trills are taught, else as
 * older music has it.
 */
/** Breath of a player of whom nothing is known, in seconds **[from memory]**. */
export const USUAL_BREATH = 8;

/**
 * Everything the Marks stage shows of one piece: what is chosen, what is there, what is proposed, and how it is to be
 * seen.
 */
export function useMarksModel({ piece, score, section, sections }: PieceContext) {
  const where = useWhere();
  const loadedMarks = useMarks(piece.id);
  const marks = useMemo(() => loadedMarks ?? [], [loadedMarks]);
  const students = useStudents() ?? [];
  const changedFingers = useFingerings(piece.id);
  const [noteId, setNote] = useState<string | null>(null);
  /** Other end of a chosen stretch of notes; the note in hand is one end. */
  const [anchorId, setAnchor] = useState<string | null>(null);
  const [chosenSystem, setSystem] = useState<CountSystem | null>(null);
  const [silent, setSilent] = useState<'brackets' | 'hidden'>('brackets');
  const [wholeView, setWholeView] = useState<FingerView | null>(null);
  const [pieceVariant, setPieceVariant] = useState(FULL_FINGERING);
  const [tempoText, setTempoText] = useState('');
  const [openOrFourth, setOpenOrFourth] = useState<'open' | 'fourth'>('open');
  const [onString, setOnString] = useState('');
  const [capo, setCapo] = useState('');
  const [lanes, setLanes] = useState<readonly Lane[]>(LANES);
  const [shownSource, setShownSource] = useState<LaneText['source'] | 'all'>('all');
  const [blocked, setBlocked] = useState(false);
  const [forStudent, setForStudent] = useState(false);
  const [hairpin, setHairpin] = useState<{ readonly from: string; readonly role: 'crescendo' | 'diminuendo' } | null>(
    null,
  );
  const [folded, setFolded] = useState<ReadonlySet<Lane>>(new Set());

  const setNoteId = (id: string | null, extend = false): void => {
    setAnchor(extend ? (anchorId ?? noteId) : null);
    setNote(id);
  };
  /** Chooses the phrase around the note in hand: from after the phrase end before it to the next one, in its staff. */
  const choosePhrase = (): void => {
    if (!note || !marking) return;
    const line = notes.filter((n) => n.part === note.part && n.staff === note.staff);
    const onsetOf = new Map(score.notes.map((n) => [n.id, n.onset as number]));
    const ends = marking.phrases.flatMap((p) => onsetOf.get(p.noteId) ?? []).sort((a, b) => a - b);
    const last = ends.find((e) => e >= note.onset) ?? Infinity;
    const before = ends.filter((e) => e < note.onset).pop() ?? -1;
    const inside = line.filter((n) => n.onset > before && n.onset <= last);
    const [first] = inside;
    const end = inside[inside.length - 1];
    if (!first || !end) return;
    setAnchor(first.id);
    setNote(end.id);
  };
  const settings = useSettings() ?? null;
  const student = students.find((s) => s.id === where.studentId) ?? null;
  const teaching = teachingFor(piece.teaching, student?.teaching, settings?.teaching);
  const view: FingerView = (student ? student.density : wholeView) ?? usualView(teaching);
  const system: CountSystem = chosenSystem ?? teaching.counting;
  const ornamentStyle = usualStyle(teaching.trills);
  const variant = student ? (student.variants?.[piece.id] ?? FULL_FINGERING) : pieceVariant;
  const first = sections[0];
  const range: readonly [number, number] = section
    ? [section.from, section.to]
    : (where.bars ?? (first ? [first.from, first.to] : [0, Math.min(7, score.bars.length - 1)]));
  const [from, to] = range;
  const notes = useMemo(
    () => score.notes.filter((n) => n.bar >= from && n.bar <= to && n.grace === null),
    [score, from, to],
  );
  const ids = useMemo(() => new Set(notes.map((n) => n.id)), [notes]);
  const note = notes.find((n) => n.id === noteId) ?? null;
  const anchor = notes.find((n) => n.id === anchorId) ?? null;
  /** The chosen stretch: the notes of one staff between its two ends; the note alone when nothing is stretched. */
  const stretch = useMemo(() => {
    if (!note) return [];
    if (!anchor || anchor.id === note.id) return [note];
    const a = Math.min(anchor.onset, note.onset);
    const b = Math.max(anchor.onset, note.onset);
    return notes.filter((n) => n.part === note.part && n.staff === note.staff && n.onset >= a && n.onset <= b);
  }, [note, anchor, notes]);
  const part = score.parts[0];
  const staves = part?.staves ?? 1;
  const { instrument } = piece;
  const about = instrumentOf(instrument);
  const solver = fingersOf(instrument)?.kind ?? null;
  const wind = solver === 'wind';

  const refused = useMemo(() => new Set(marks.flatMap((m) => (m.kind === 'refused' ? [m.what] : []))), [marks]);
  const allFingers = useMemo(
    () => marks.flatMap((m) => (m.kind === 'finger' && m.studentId === null ? [m] : [])),
    [marks],
  );
  const fingers = useMemo(
    () =>
      new Map(allFingers.filter((m) => (m.variant ?? FULL_FINGERING) === variant).map((m) => [m.noteId, m] as const)),
    [allFingers, variant],
  );
  const variants = useMemo(
    () => [...new Set([FULL_FINGERING, 'simple', variant, ...allFingers.map((m) => m.variant ?? FULL_FINGERING)])],
    [allFingers, variant],
  );

  const hands = useMemo(
    () => new Map(marks.flatMap((m) => (m.kind === 'hand' ? [[m.noteId, m.hand] as const] : []))),
    [marks],
  );
  const request = useMemo<FingeringRequest | null>(() => {
    if (solver === null) return null;
    const locks = new Map<string, FingeringLock>();
    for (const n of score.notes) {
      const mine = fingers.get(n.id);
      if (mine)
        locks.set(
          n.id,
          wind
            ? { keys: mine.finger }
            : {
                finger: mine.finger,
                ...(mine.string === undefined ? {} : { string: mine.string }),
                ...(mine.fret === undefined ? {} : { fret: mine.fret }),
              },
        );
      else if (n.marks.fingers[0] && !wind) locks.set(n.id, { finger: n.marks.fingers[0] });
    }
    return {
      instrument,
      locks,
      hands,
      from,
      to,
      openOrFourth,
      ...(onString === '' ? {} : { onString: Number(onString) }),
      ...(capo === '' ? {} : { capo: Number(capo) }),
      ...(student?.handSpanInSemitones ? { spanInSemitones: student.handSpanInSemitones } : {}),
    };
  }, [
    instrument,
    solver,
    score,
    fingers,
    hands,
    wind,
    from,
    to,
    openOrFourth,
    onString,
    capo,
    student?.handSpanInSemitones,
  ]);
  /** Proposals of another student, variant or instrument are never shown for this one. */
  const forWhom = JSON.stringify([student?.id ?? null, variant, capo, onString, from, to]);
  const asked = useFingering(piece, forWhom, request);
  const fingering = solver === null ? null : shownOf(asked);
  const proposed = useMemo(() => new Map((fingering?.notes ?? []).map((f) => [f.noteId, f])), [fingering]);

  const startBar = score.bars[from];
  const written = startBar ? Math.round(tempoAt(score, startBar.onset)) : 90;
  const typedTempo = Number(tempoText);
  const tempo = tempoText !== '' && typedTempo >= 10 && typedTempo <= 400 ? typedTempo : (piece.targetTempo ?? written);
  const ornamentStyles = useMemo(
    () => new Map(marks.flatMap((m) => (m.kind === 'ornament' ? [[m.noteId, m.style] as const] : []))),
    [marks],
  );
  const askedMarking = useMarking(piece, student?.id ?? '', {
    tempo,
    breathSpanInSeconds: student?.breathSpanInSeconds ?? USUAL_BREATH,
    instrument: piece.instrument,
    breathes: about.breathes,
    strictTime: teaching.time === 'metronome',
    bowed: solver === 'bowed',
    technique: about.technique,
    style: ornamentStyle,
    ownCues: settings?.gestureCues ?? {},
    styles: ornamentStyles,
  });
  const marking = shownOf(askedMarking);
  const problem = asked.kind === 'failed' ? asked.issue : askedMarking.kind === 'failed' ? askedMarking.issue : null;
  const suggestions = useMemo(
    () => (marking ? suggestionsFor(marking, ids, marks, refused) : []),
    [marking, ids, marks, refused],
  );
  const inStretch = useMemo(() => new Set(stretch.map((n) => n.id)), [stretch]);
  const here = suggestions.filter((s) => inStretch.has(s.noteId));

  const dynamics = marks.flatMap((m) => (m.kind === 'dynamic' ? [m] : []));
  const cues = marks.flatMap((m) =>
    m.kind === 'cue' && (m.studentId === null || m.studentId === student?.id) ? [m] : [],
  );
  const words = useMemo(() => {
    const map = new Map<string, string>();
    for (const m of marks) if (m.kind === 'syllable') map.set(m.noteId, m.text);
    return map;
  }, [marks]);
  const counts = useMemo(
    () => (part ? countStaff(score, part.id, 1, from, to, system) : []),
    [score, part, from, to, system],
  );
  const onsets = useMemo(() => noteAtOnset(score, from, to), [score, from, to]);

  const chosen = inStretch;
  return {
    where,
    piece,
    score,
    section,
    sections,
    marks,
    students,
    changedFingers,
    settings,
    student,
    noteId,
    setNoteId,
    choosePhrase,
    note,
    stretch,
    chosen,
    view,
    setWholeView,
    variant,
    setPieceVariant,
    variants,
    system,
    setSystem,
    silent,
    setSilent,
    tempo,
    tempoText,
    setTempoText,
    openOrFourth,
    setOpenOrFourth,
    onString,
    setOnString,
    capo,
    setCapo,
    lanes,
    setLanes,
    folded,
    setFolded,
    shownSource,
    setShownSource,
    blocked,
    setBlocked,
    forStudent,
    setForStudent,
    hairpin,
    setHairpin,
    from,
    to,
    notes,
    part,
    staves,
    instrument,
    solver,
    about,
    wind,
    ornamentStyle,
    /** Nothing that is shown is of an earlier request. */
    fingersAreCurrent: asked.kind === 'ready',
    suggestionsAreCurrent: askedMarking.kind === 'ready',
    problem,
    startBar,
    refused,
    fingers,
    fingering,
    proposed,
    marking,
    suggestions,
    here,
    ornamentStyles,
    dynamics,
    cues,
    words,
    counts,
    onsets,
  };
}

export type MarksModel = ReturnType<typeof useMarksModel>;
