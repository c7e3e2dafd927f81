'use client';

import { Fragment, useMemo, useRef, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { toast } from 'sonner';
import { countArticulations } from '@/core/articulation';
import { LEVELS, type DynamicLevel } from '@/core/dynamics';
import type { FingeringLock, FingeringRequest } from '@/core/fingering';
import { blockChords } from '@/core/harmony';
import { standingKey } from '@/core/mastery';
import type { OrnamentStyle } from '@/core/ornaments';
import { COUNT_SYSTEMS, countStaff, tieCounts, type CountSystem } from '@/core/rhythm';
import { barsText } from '@/core/sections';
import { fraction, fractionText, perform, tempoAt, type Note } from '@/core/score';
import type { Mark, NoteMark, StudioEvent } from '@/core/studio';
import { eventAdded, rowChange, useLadders, useMarks, useRecords, useStudents, useStudio, type ChangeEntry } from '@/store';
import {
  Button,
  CurveLane,
  HandMap,
  isValveText,
  KeyLane,
  Panel,
  PickOne,
  TextLane,
  type CurvePoint,
  type HandMapDrawing,
  type LaneText,
  type LineLayout,
} from '@/ui';
import { PieceStage, playNotes, ScoreLines, useFingering, useMarking, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { ChordPanel } from './chord-panel';
import { ChordLane, CountLane, noteAtOnset } from './count-lane';
import { FINGER_VIEWS, fingerAt, fingerLane, type FingerMark, type FingerView } from './finger-view';
import { familyOf, isFretted, isWind, solverFor, stringNames } from './instrument';
import { NotePanel } from './note-panel';
import { SmallStaff } from './small-staff';
import { suggestionsFor, toMark, type Suggestion } from './suggestions';

const isLevel = (text: string): text is DynamicLevel => LEVELS.some((l) => l === text);
const LANES = ['Count', 'Dynamics', 'Chords', 'Breath and phrase', 'Bowing', 'Cues'] as const;
type Lane = (typeof LANES)[number];
const FULL = 'full';
/** Name of the second reading of a phrase end. */
const SECOND = 'second';
/** Style of an ornament until the teacher chooses another for it. */
const USUAL_STYLE: OrnamentStyle = 'early';
/** Breath of a player of whom nothing is known, in seconds **[from memory]**. */
const USUAL_BREATH = 8;

function Marking({ piece, score, section, sections }: PieceContext): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const loadedMarks = useMarks(piece.id);
  const marks = useMemo(() => loadedMarks ?? [], [loadedMarks]);
  const students = useStudents() ?? [];
  const records = useRecords();
  const ladders = useLadders(piece.id) ?? [];
  const [noteId, setNoteId] = useState<string | null>(null);
  const [system, setSystem] = useState<CountSystem>('meter');
  const [silent, setSilent] = useState<'brackets' | 'hidden'>('brackets');
  const [wholeView, setWholeView] = useState<FingerView>('every');
  const [pieceVariant, setPieceVariant] = useState(FULL);
  const [tempoText, setTempoText] = useState('');
  const [openOrFourth, setOpenOrFourth] = useState<'open' | 'fourth'>('open');
  const [onString, setOnString] = useState('');
  const [capo, setCapo] = useState('');
  const [lanes, setLanes] = useState<readonly Lane[]>(LANES);
  const [shownSource, setShownSource] = useState<LaneText['source'] | 'all'>('all');
  const [blocked, setBlocked] = useState(false);
  const [forStudent, setForStudent] = useState(false);
  const [hairpin, setHairpin] = useState<{ readonly from: string; readonly role: 'crescendo' | 'diminuendo' } | null>(null);
  const [folded, setFolded] = useState<ReadonlySet<Lane>>(new Set());
  const stopPlaying = useRef<(() => void) | null>(null);
  const cueInput = useRef<HTMLInputElement | null>(null);
  const dynamicInput = useRef<HTMLSelectElement | null>(null);

  const student = students.find((s) => s.id === where.studentId) ?? null;
  const view: FingerView = student ? (student.density ?? 'every') : wholeView;
  const variant = student ? (student.variants?.[piece.id] ?? FULL) : pieceVariant;
  const first = sections[0];
  const range: readonly [number, number] = section
    ? [section.from, section.to]
    : (where.bars ?? (first ? [first.from, first.to] : [0, Math.min(7, score.bars.length - 1)]));
  const [from, to] = range;
  const notes = useMemo(() => score.notes.filter((n) => n.bar >= from && n.bar <= to && n.grace === null), [score, from, to]);
  const ids = useMemo(() => new Set(notes.map((n) => n.id)), [notes]);
  const note = notes.find((n) => n.id === noteId) ?? null;
  const part = score.parts[0];
  const staves = part?.staves ?? 1;
  const instrument = solverFor(piece, score);
  const family = instrument ? familyOf(instrument) : 'keyboard';
  const wind = isWind(instrument);

  const refused = useMemo(() => new Set(marks.flatMap((m) => (m.kind === 'refused' ? [m.what] : []))), [marks]);
  const allFingers = useMemo(() => marks.flatMap((m) => (m.kind === 'finger' && m.studentId === null ? [m] : [])), [marks]);
  const fingers = useMemo(() => new Map(allFingers.filter((m) => (m.variant ?? FULL) === variant).map((m) => [m.noteId, m] as const)), [allFingers, variant]);
  const variants = useMemo(() => [...new Set([FULL, 'simple', variant, ...allFingers.map((m) => m.variant ?? FULL)])], [allFingers, variant]);

  const hands = useMemo(() => new Map(marks.flatMap((m) => (m.kind === 'hand' ? [[m.noteId, m.hand] as const] : []))), [marks]);
  const request = useMemo<FingeringRequest | null>(() => {
    if (!instrument) return null;
    const locks = new Map<string, FingeringLock>();
    for (const n of score.notes) {
      const mine = fingers.get(n.id);
      if (mine)
        locks.set(
          n.id,
          wind
            ? { keys: mine.finger }
            : { finger: mine.finger, ...(mine.string === undefined ? {} : { string: mine.string }), ...(mine.fret === undefined ? {} : { fret: mine.fret }) },
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
  }, [instrument, score, fingers, hands, wind, from, to, openOrFourth, onString, capo, student?.handSpanInSemitones]);
  const fingering = useFingering(piece, request);
  const proposed = useMemo(() => new Map((fingering?.notes ?? []).map((f) => [f.noteId, f])), [fingering]);

  const startBar = score.bars[from];
  const written = startBar ? Math.round(tempoAt(score, startBar.onset)) : 90;
  const typedTempo = Number(tempoText);
  const tempo = tempoText !== '' && typedTempo >= 10 && typedTempo <= 400 ? typedTempo : (piece.targetTempo ?? written);
  const ornamentStyles = useMemo(() => new Map(marks.flatMap((m) => (m.kind === 'ornament' ? [[m.noteId, m.style] as const] : []))), [marks]);
  const marking = useMarking(piece, {
    tempo,
    breathSpanInSeconds: student?.breathSpanInSeconds ?? USUAL_BREATH,
    wind,
    bowed: family === 'bowed',
    family,
    style: USUAL_STYLE,
    styles: ornamentStyles,
  });
  const suggestions = useMemo(() => (marking ? suggestionsFor(marking, ids, marks, refused) : []), [marking, ids, marks, refused]);
  const here = suggestions.filter((s) => s.noteId === noteId);

  const dynamics = marks.flatMap((m) => (m.kind === 'dynamic' ? [m] : []));
  const cues = marks.flatMap((m) => (m.kind === 'cue' && (m.studentId === null || m.studentId === student?.id) ? [m] : []));
  const words = useMemo(() => {
    const map = new Map<string, string>();
    for (const m of marks) if (m.kind === 'syllable') map.set(m.noteId, m.text);
    return map;
  }, [marks]);
  const counts = useMemo(() => (part ? countStaff(score, part.id, 1, from, to, system) : []), [score, part, from, to, system]);
  const onsets = useMemo(() => noteAtOnset(score, from, to), [score, from, to]);

  const base = { pieceId: piece.id, studentId: null, source: 'teacher' as const };
  const practisedBy = students.filter((s) => section && records?.standings.has(standingKey(s.id, section.section.id)));
  /** A finger becoming another; after practice it is remembered and warned about. */
  const fingerEntries = (n: Note, before: FingerMark | null, after: FingerMark | null): ChangeEntry[] => {
    const was = before?.finger ?? n.marks.fingers[0] ?? null;
    const is = after?.finger ?? null;
    const entries: ChangeEntry[] = [rowChange('marks', before, after)];
    if (practisedBy.length > 0 && was !== null && was !== is) {
      const event: StudioEvent = { id: studio.newId(), at: studio.now(), kind: 'fingering', pieceId: piece.id, noteId: n.id, before: was, after: is };
      entries.push(eventAdded(event));
    }
    return entries;
  };
  const warnChange = (entries: readonly ChangeEntry[]): void => {
    if (entries.some((e) => e.kind === 'event'))
      toast.warning(
        `${practisedBy.map((s) => s.name).join(', ')} practised this already: an old finger comes back under stress. The change is kept with its date.`,
      );
  };
  const freshFinger = (n: Note, finger: string): FingerMark => {
    const before = fingers.get(n.id);
    const p = proposed.get(n.id);
    const places =
      p && p.finger === finger ? { ...(p.string === undefined ? {} : { string: p.string }), ...(p.fret === undefined ? {} : { fret: p.fret }) } : {};
    return {
      ...base,
      id: before?.id ?? studio.newId(),
      kind: 'finger',
      noteId: n.id,
      finger,
      ...places,
      ...(variant === FULL ? {} : { variant }),
      updatedAt: studio.now(),
    };
  };
  const setFinger = async (finger: string): Promise<void> => {
    if (!note) return;
    const entries = fingerEntries(note, fingers.get(note.id) ?? null, freshFinger(note, finger));
    // Chords are typed from the top down: the next lower note is next.
    const below = notes.filter((n) => n.onset === note.onset && n.staff === note.staff && n.part === note.part && (n.midi ?? 0) < (note.midi ?? 0)).pop();
    if (below && !fingers.has(below.id)) setNoteId(below.id);
    await studio.commit(`finger ${finger}`, entries);
    warnChange(entries);
  };
  const clearFinger = async (): Promise<void> => {
    const before = note ? fingers.get(note.id) : undefined;
    if (!before || !note) return;
    await studio.commit('finger taken away', fingerEntries(note, before, null));
  };
  const otherHand = async (): Promise<void> => {
    if (!note) return;
    const before = marks.find((m): m is Extract<Mark, { kind: 'hand' }> => m.kind === 'hand' && m.noteId === note.id) ?? null;
    const now = proposed.get(note.id)?.hand ?? 'right';
    await setOne(
      before ? 'hand as its staff' : 'other hand',
      before,
      before ? null : { ...base, id: studio.newId(), kind: 'hand', noteId: note.id, hand: now === 'right' ? 'left' : 'right', updatedAt: studio.now() },
    );
  };
  const refuse = (what: string, label: string): Promise<void> =>
    studio.commit(label, [rowChange('marks', null, { ...base, id: studio.newId(), kind: 'refused', what, updatedAt: studio.now() })]);
  const refuseFinger = async (): Promise<void> => {
    const p = note ? proposed.get(note.id) : undefined;
    if (note && p) await refuse(`finger ${note.id} ${p.keys ?? p.finger}`, 'proposed finger refused');
  };
  const acceptFingers = async (): Promise<void> => {
    const start = note?.onset ?? 0;
    const fresh = notes.filter((n) => n.onset >= start && !fingers.has(n.id) && fingerAt(n, fingers, proposed, refused)?.source === 'suggested');
    if (fresh.length === 0) return;
    await studio.commit(
      `${fresh.length} fingers accepted`,
      fresh.map((n) => rowChange('marks', null, freshFinger(n, proposed.get(n.id)?.keys ?? proposed.get(n.id)?.finger ?? ''))),
    );
    toast(`${fresh.length} ${fresh.length === 1 ? 'finger is' : 'fingers are'} yours now.`);
  };
  const takePrinted = async (): Promise<void> => {
    const fresh = notes.filter((n) => n.marks.fingers[0] && !fingers.has(n.id));
    await studio.commit(
      'printed fingers taken over',
      fresh.map((n) => rowChange('marks', null, freshFinger(n, n.marks.fingers[0] ?? ''))),
    );
  };
  const accept = (list: readonly Suggestion[]): Promise<void> =>
    studio.commit(
      list.length === 1 ? `${list[0]?.text ?? ''} accepted` : `${list.length} suggestions accepted`,
      list.map((s) => rowChange('marks', null, toMark(s, { id: studio.newId(), pieceId: piece.id, updatedAt: studio.now() }))),
    );
  /** Puts, changes or takes away the one mark of a kind at the chosen note. */
  const setOne = async (label: string, before: NoteMark | null, after: NoteMark | null): Promise<void> => {
    if (before || after) await studio.commit(label, [rowChange('marks', before, after)]);
  };
  const setDynamic = async (level: string): Promise<void> => {
    if (!note) return;
    const before = dynamics.find((d) => d.noteId === note.id) ?? null;
    await setOne(
      isLevel(level) ? `dynamic ${level}` : 'dynamic taken away',
      before,
      isLevel(level) ? { ...base, id: before?.id ?? studio.newId(), kind: 'dynamic', noteId: note.id, level, updatedAt: studio.now() } : null,
    );
  };
  const setCue = async (text: string): Promise<void> => {
    if (!note) return;
    const studentId = forStudent && student ? student.id : null;
    const before = cues.find((c) => c.noteId === note.id && c.studentId === studentId) ?? null;
    if (text.trim() === (before?.text ?? '')) return;
    await setOne(
      'cue',
      before,
      text.trim() === ''
        ? null
        : { ...base, studentId, id: before?.id ?? studio.newId(), kind: 'cue', noteId: note.id, text: text.trim(), updatedAt: studio.now() },
    );
  };
  /** First press begins a hairpin at the chosen note, the second ends it there; Escape gives it up. */
  const drawHairpin = async (role: 'crescendo' | 'diminuendo'): Promise<void> => {
    if (!note) return;
    const begun = hairpin ? notes.find((n) => n.id === hairpin.from) : undefined;
    if (!hairpin || !begun || begun.onset >= note.onset) {
      setHairpin({ from: note.id, role });
      toast(`${role} begins here. Go to its last note and press the key again.`);
      return;
    }
    setHairpin(null);
    await studio.commit(hairpin.role, [
      rowChange('marks', null, {
        ...base,
        id: studio.newId(),
        kind: 'wedge',
        noteId: begun.id,
        toNoteId: note.id,
        role: hairpin.role,
        updatedAt: studio.now(),
      }),
    ]);
  };
  const setPhrase = async (sign: string, reading: string | undefined): Promise<void> => {
    if (!note) return;
    const before = marks.find((m): m is Extract<Mark, { kind: 'phrase' }> => m.kind === 'phrase' && m.noteId === note.id && m.reading === reading) ?? null;
    const known = ([',', '.', '?', '!'] as const).find((x) => x === sign);
    await setOne(
      'phrase end',
      before,
      known
        ? {
            ...base,
            id: before?.id ?? studio.newId(),
            kind: 'phrase',
            noteId: note.id,
            sign: known,
            ...(reading === undefined ? {} : { reading }),
            updatedAt: studio.now(),
          }
        : null,
    );
  };
  const wordsFromLyrics = async (): Promise<void> => {
    const fresh = notes.flatMap((n): ChangeEntry[] => {
      const [lyric] = n.marks.lyrics;
      return lyric && !words.has(n.id)
        ? [
            rowChange('marks', null, {
              ...base,
              id: studio.newId(),
              kind: 'syllable',
              noteId: n.id,
              text: lyric.text.slice(0, 40) || '–',
              updatedAt: studio.now(),
            }),
          ]
        : [];
    });
    await studio.commit('words from the lyrics', fresh);
  };
  /** Words split by hyphens go on to the notes that follow, one syllable a note. */
  const setWord = async (text: string): Promise<void> => {
    if (!note || text.trim() === (words.get(note.id) ?? '')) return;
    const line = notes.filter(
      (n) => n.staff === note.staff && n.part === note.part && !n.chord && n.onset >= note.onset && n.tie !== 'stop' && n.tie !== 'continue',
    );
    const syllables = text.trim() === '' ? [''] : text.trim().split(/[\s-]+/);
    const entries = syllables.flatMap((s, i): ChangeEntry[] => {
      const at = line[i];
      if (!at) return [];
      const before = marks.find((m): m is Extract<Mark, { kind: 'syllable' }> => m.kind === 'syllable' && m.noteId === at.id) ?? null;
      const after: Mark | null =
        s === '' ? null : { ...base, id: before?.id ?? studio.newId(), kind: 'syllable', noteId: at.id, text: s, updatedAt: studio.now() };
      return before || after ? [rowChange('marks', before, after)] : [];
    });
    await studio.commit('own words', entries);
  };
  const setOrnamentStyle = async (next: OrnamentStyle): Promise<void> => {
    if (!note) return;
    const before = marks.find((m): m is Extract<Mark, { kind: 'ornament' }> => m.kind === 'ornament' && m.noteId === note.id) ?? null;
    await setOne(`ornament ${next}`, before, {
      ...base,
      id: before?.id ?? studio.newId(),
      kind: 'ornament',
      noteId: note.id,
      style: next,
      updatedAt: studio.now(),
    });
  };
  const ornament = note ? (marking?.ornaments.find((o) => o.noteId === note.id) ?? null) : null;
  const playOrnament = (): void => {
    const [start] = ornament?.notes ?? [];
    if (!ornament || !start) return;
    const seconds = (f: { readonly n: number; readonly d: number }): number => ((f.n / f.d) * 60) / tempo;
    playNotes(ornament.notes.map((n) => ({ midi: n.midi, start: seconds(n.onset) - seconds(start.onset), seconds: seconds(n.duration) })));
  };
  const play = (): void => {
    if (stopPlaying.current) {
      stopPlaying.current();
      return;
    }
    const played = perform(score, { order: score.bars.slice(from, to + 1).map((b) => b.index) });
    const factor = 60 / tempo / score.ticksPerQuarter;
    stopPlaying.current = playNotes(
      played.notes.map((n) => ({ midi: n.midi, start: n.start * factor, seconds: n.length * factor, loud: n.velocity / 127 })),
      () => {
        stopPlaying.current = null;
      },
    );
  };

  const step = (by: number): void => {
    const line = note ? notes.filter((n) => n.staff === note.staff && n.part === note.part) : notes;
    const at = note ? line.findIndex((n) => n.id === note.id) : -1;
    const next = line[note ? Math.max(0, Math.min(line.length - 1, at + by)) : 0];
    if (next) setNoteId(next.id);
  };
  const otherStaff = (by: number): void => {
    if (!note) return step(1);
    const other = notes.filter((n) => n.staff === note.staff + by && n.part === note.part);
    const near = other.reduce<Note | null>((best, n) => (best === null || Math.abs(n.onset - note.onset) < Math.abs(best.onset - note.onset) ? n : best), null);
    if (near) setNoteId(near.id);
  };
  const onStrip = (e: KeyboardEvent): boolean => (e.target as Element).getAttribute('role') === 'listbox';
  const onKey = (run: () => void) => (e: KeyboardEvent) => {
    e.preventDefault();
    run();
  };
  useHotkeys(
    'right',
    onKey(() => step(1)),
    { ignoreEventWhen: onStrip },
  );
  useHotkeys(
    'left',
    onKey(() => step(-1)),
    { ignoreEventWhen: onStrip },
  );
  useHotkeys(
    'down',
    onKey(() => otherStaff(1)),
  );
  useHotkeys(
    'up',
    onKey(() => otherStaff(-1)),
  );
  useHotkeys('1, 2, 3, 4, 5, 0', (e) => void setFinger(e.key), { useKey: true });
  useHotkeys('backspace', () => void clearFinger());
  useHotkeys('x', () => void refuseFinger());
  useHotkeys('enter', (e) => {
    if (!['BUTTON', 'INPUT', 'SELECT', 'SUMMARY'].includes((e.target as Element).tagName)) void acceptFingers();
  });
  useHotkeys('space', (e) => {
    if ((e.target as Element).tagName === 'BUTTON' || (e.target as Element).tagName === 'SUMMARY') return;
    e.preventDefault();
    play();
  });
  useHotkeys(
    '<',
    onKey(() => void drawHairpin('crescendo')),
    { useKey: true },
  );
  useHotkeys(
    '>',
    onKey(() => void drawHairpin('diminuendo')),
    { useKey: true },
  );
  useHotkeys('escape', () => setHairpin(null));
  useHotkeys(
    'c',
    onKey(() => cueInput.current?.focus()),
  );
  useHotkeys(
    'd',
    onKey(() => dynamicInput.current?.focus()),
  );

  // The curve is that of the tune; what is proposed for the accompaniment stands with its note.
  const topStaff = new Set(notes.filter((n) => n.staff === 1).map((n) => n.id));
  const printedDynamics: CurvePoint[] = score.directions.flatMap((d) => {
    if (d.kind !== 'dynamic' || !isLevel(d.level)) return [];
    const id = score.notes.find((n) => n.onset >= d.onset && n.part === d.part)?.id;
    return id ? [{ noteId: id, level: d.level, source: 'printed' as const }] : [];
  });
  const points: CurvePoint[] = [
    ...printedDynamics,
    ...dynamics.map((d) => ({ noteId: d.noteId, level: d.level, source: d.source })),
    ...suggestions.flatMap((s) =>
      s.body.kind === 'dynamic' && topStaff.has(s.noteId) ? [{ noteId: s.noteId, level: s.body.level, source: 'suggested' as const }] : [],
    ),
  ];
  const laneTexts = (lane: Suggestion['lane'], own: (m: Mark) => string | null, kinds: readonly string[] = []): LaneText[] => [
    ...marks.flatMap((m) => {
      const text = 'noteId' in m ? own(m) : null;
      return text !== null && 'noteId' in m ? [{ noteId: m.noteId, text, source: m.source }] : [];
    }),
    ...suggestions.flatMap((s) =>
      s.lane === lane && (kinds.length === 0 || kinds.includes(s.body.kind)) ? [{ noteId: s.noteId, text: s.text, source: 'suggested' as const }] : [],
    ),
  ];
  const printedBreaths: LaneText[] = notes.flatMap((n) =>
    n.marks.articulations.includes('breath-mark') ? [{ noteId: n.id, text: '’', source: 'printed' as const }] : [],
  );
  const onsetOf = useMemo(() => new Map(score.notes.map((n) => [n.id, n.onset as number])), [score]);
  const chosen = useMemo(() => new Set(noteId ? [noteId] : []), [noteId]);
  const staffNotes = (staff: number): Note[] => notes.filter((n) => n.part === part?.id && n.staff === staff);
  const hasBreath = wind || suggestions.some((s) => s.lane === 'phrase') || marks.some((m) => m.kind === 'breath' || m.kind === 'phrase');

  const fingersOf = (staff: number, layout: LineLayout) =>
    fingerLane(
      staffNotes(staff).filter((n) => layout.notes.has(n.id)),
      view,
      fingers,
      proposed,
      refused,
      noteId,
    );
  const above = (layout: LineLayout): ReactNode => {
    const { texts, rows } = fingersOf(1, layout);
    if (wind && texts.some((t) => !isValveText(t.text)) && view !== 'boxes') return <KeyLane layout={layout} texts={texts} onPick={setNoteId} />;
    return (
      <TextLane
        name={staves > 1 ? 'Right hand' : wind ? 'Keys' : 'Fingers'}
        layout={layout}
        texts={texts}
        rows={rows}
        onPick={setNoteId}
        large={!wind}
        ruled={false}
      />
    );
  };
  const below = (layout: LineLayout): ReactNode => {
    const left = fingersOf(2, layout);
    const lineOnsets = [...layout.notes.keys()].flatMap((id) => onsetOf.get(id) ?? []);
    const start = Math.min(...lineOnsets);
    const before =
      [...points]
        .filter((p) => (onsetOf.get(p.noteId) ?? 0) < start)
        .sort((a, b) => (onsetOf.get(a.noteId) ?? 0) - (onsetOf.get(b.noteId) ?? 0))
        .pop() ?? null;
    const wedges = laneTexts('dynamic', (m) => (m.kind === 'wedge' ? (m.role === 'crescendo' ? 'cresc.' : 'dim.') : null), ['wedge']);
    const only = (texts: readonly LaneText[]): readonly LaneText[] => (shownSource === 'all' ? texts : texts.filter((t) => t.source === shownSource));
    const bodies: Readonly<Record<Lane, ReactNode>> = {
      Count: <CountLane score={score} counts={counts} onsets={onsets} layout={layout} words={words} silent={silent} />,
      Dynamics: (
        <>
          <CurveLane name="Dynamics" layout={layout} points={shownSource === 'all' ? points : points.filter((p) => p.source === shownSource)} before={before} />
          {wedges.length > 0 ? <TextLane name="Shape" layout={layout} texts={only(wedges)} onPick={setNoteId} ruled={false} /> : null}
        </>
      ),
      Chords: marking ? <ChordLane score={score} beats={marking.harmony.beats} onsets={onsets} layout={layout} /> : null,
      'Breath and phrase': hasBreath ? (
        <>
          {wind ? (
            <TextLane
              name="Breath"
              layout={layout}
              texts={only([...printedBreaths, ...laneTexts('breath', (m) => (m.kind === 'breath' ? (m.catch ? '(’)' : '’') : null))])}
              onPick={setNoteId}
              large
            />
          ) : null}
          <TextLane
            name="Phrase"
            layout={layout}
            texts={only(laneTexts('phrase', (m) => (m.kind === 'phrase' ? (m.reading === undefined ? m.sign : `or ${m.sign}`) : null)))}
            onPick={setNoteId}
            large
            ruled={!wind}
          />
        </>
      ) : null,
      Bowing:
        family === 'bowed' ? (
          <TextLane
            name="Bowing"
            layout={layout}
            texts={only(laneTexts('bow', (m) => (m.kind === 'bow' ? (m.direction === 'down' ? '⊓' : '∨') : null)))}
            onPick={setNoteId}
          />
        ) : null,
      Cues: (
        <TextLane
          name="Cues"
          layout={layout}
          texts={only([
            ...cues.map((c) => ({ noteId: c.noteId, text: c.text, source: c.source })),
            ...suggestions.flatMap((x) => (x.lane === 'cue' ? [{ noteId: x.noteId, text: x.text, source: 'suggested' as const }] : [])),
          ])}
          onPick={setNoteId}
        />
      ),
    };
    return (
      <>
        {staves > 1 ? <TextLane name="Left hand" layout={layout} texts={left.texts} rows={left.rows} onPick={setNoteId} large ruled={false} /> : null}
        {lanes.map((name) => (folded.has(name) ? null : <Fragment key={name}>{bodies[name]}</Fragment>))}
      </>
    );
  };

  const startMap = ((): HandMapDrawing | null => {
    const firstOf = (staff: number): Note[] => {
      const mine = staffNotes(staff);
      return mine.filter((n) => n.onset === mine[0]?.onset);
    };
    const of = (n: Note): string => fingerAt(n, fingers, proposed, refused)?.text ?? '';
    if (!instrument) return null;
    if (family === 'keyboard') {
      const keys = [1, 2].flatMap((staff) =>
        firstOf(staff).flatMap((n) =>
          n.midi === null
            ? []
            : [{ midi: n.midi as number, finger: of(n), hand: proposed.get(n.id)?.hand ?? (staff === 1 ? ('right' as const) : ('left' as const)) }],
        ),
      );
      return keys.length > 0 ? { kind: 'keyboard', keys } : null;
    }
    const [n] = firstOf(1);
    const p = n ? proposed.get(n.id) : undefined;
    if (!n || !p) return null;
    if (family === 'wind') return { kind: 'keys', text: of(n) };
    return {
      kind: 'strings',
      names: stringNames(instrument),
      stops: firstOf(1).flatMap((m) => {
        const q = proposed.get(m.id);
        return q?.string === undefined ? [] : [{ string: q.string, fret: q.fret ?? Number(q.finger), finger: of(m) }];
      }),
    };
  })();
  const offerFindRung = async (): Promise<void> => {
    const ladder = section ? ladders.find((l) => l.sectionId === section.section.id) : undefined;
    if (!ladder) {
      toast('Build a ladder for this section first.');
      return;
    }
    await studio.commit('rung: find the place', [
      rowChange('ladders', ladder, {
        ...ladder,
        rungs: [
          {
            id: studio.newId(),
            kind: 'starting-point',
            what: 'Find the place, take the hands away, find it again',
            hands: 'both',
            tempo: null,
            tempoTo: null,
            times: 3,
            done: 'found at once 3 times',
            why: 'the hand knows where it begins',
            own: true,
          },
          ...ladder.rungs,
        ],
        updatedAt: studio.now(),
      }),
    ]);
    toast('The rung stands at the bottom of the ladder.');
  };

  const blocks = marking ? blockChords(marking.harmony.beats.filter((b) => b.bar >= from && b.bar <= Math.min(to, from + 3))) : [];
  const printedSigns = useMemo(() => countArticulations(score, from, to), [score, from, to]);
  /** Lead-sheet symbols of the file beside the chord that sounds, where they are not the same. */
  const differing = score.chords
    .filter((c) => c.bar >= from && c.bar <= to)
    .flatMap((c) => {
      const heard = marking?.harmony.beats.filter((b) => b.onset <= c.onset).pop();
      const plain = (text: string): string => text.replace(/\/.*$/, '');
      return heard && heard.symbol !== '' && plain(heard.symbol) !== plain(c.text)
        ? [`bar ${score.bars[c.bar]?.number ?? ''} ${c.text}, sounds ${heard.symbol}`]
        : [];
    })
    .slice(0, 6);
  const ties = useMemo(() => (part ? tieCounts(score, part.id, 1) : []), [score, part]);
  const tie = note ? ties.find((t) => t.noteId === note.id) : undefined;
  const open = notes.filter((n) => fingerAt(n, fingers, proposed, refused)?.source === 'suggested').length;
  const select = (label: string, value: string, choices: readonly (readonly [string, string])[], onPick: (v: string) => void): ReactNode => (
    <PickOne label={label} value={value} choices={choices} onPick={onPick} />
  );
  const setView = (v: string): void => {
    const next = FINGER_VIEWS.find(([name]) => name === v)?.[0] ?? 'every';
    if (student) void studio.commit(`${student.name} sees ${next}`, [rowChange('students', student, { ...student, density: next, updatedAt: studio.now() })]);
    else setWholeView(next);
  };
  const setVariant = (v: string): void => {
    if (student)
      void studio.commit(`${student.name}: fingering ${v}`, [
        rowChange('students', student, { ...student, variants: { ...student.variants, [piece.id]: v }, updatedAt: studio.now() }),
      ]);
    else setPieceVariant(v);
  };
  const phraseAt = (reading: string | undefined): string =>
    marks.flatMap((m) => (m.kind === 'phrase' && m.noteId === noteId && m.reading === reading ? [m.sign] : []))[0] ?? '';
  const dynamic = note ? (dynamics.find((d) => d.noteId === note.id)?.level ?? '') : '';
  return (
    <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_18.5rem]">
      <Panel label="Music and marks">
        <div className="no-print mb-2 flex flex-wrap items-center gap-x-4 gap-y-2">
          {select(student ? `${student.name} sees` : 'Fingers', view, FINGER_VIEWS, setView)}
          {select(
            'Variant',
            variant,
            variants.map((v) => [v, v] as const),
            setVariant,
          )}
          {select(
            'Count',
            system,
            COUNT_SYSTEMS.map((s) => [s, s] as const),
            (v) => setSystem(COUNT_SYSTEMS.find((s) => s === v) ?? 'meter'),
          )}
          {select(
            'Show',
            shownSource,
            [
              ['all', 'all marks'],
              ['printed', 'printed'],
              ['editor', 'editor’s'],
              ['teacher', 'mine'],
              ['suggested', 'suggested'],
            ],
            (v) => setShownSource(v === 'printed' || v === 'editor' || v === 'teacher' || v === 'suggested' ? v : 'all'),
          )}
          {select(
            'held',
            silent,
            [
              ['brackets', 'in brackets'],
              ['hidden', 'left out'],
            ],
            (v) => setSilent(v === 'hidden' ? 'hidden' : 'brackets'),
          )}
          <label className="flex items-center gap-1.5 text-ink-2">
            Tempo
            <input
              className="field figure w-20 text-ink"
              inputMode="numeric"
              value={tempoText}
              placeholder={String(tempo)}
              onChange={(e) => setTempoText(e.target.value)}
            />
          </label>
          {family === 'bowed'
            ? select(
                'Where both serve',
                openOrFourth,
                [
                  ['open', 'open string'],
                  ['fourth', 'fourth finger'],
                ],
                (v) => setOpenOrFourth(v === 'fourth' ? 'fourth' : 'open'),
              )
            : null}
          {family === 'bowed' && instrument
            ? select('String', onString, [['', 'best'], ...stringNames(instrument).map((name, i) => [String(i + 1), `all on ${name}`] as const)], setOnString)
            : null}
          {family === 'fretted' ? select('Capo', capo, [['', 'none'], ...[1, 2, 3, 4, 5, 6, 7].map((f) => [String(f), `fret ${f}`] as const)], setCapo) : null}
          <details className="relative">
            <summary className="cursor-pointer py-2 font-semibold text-ink-2">Lanes</summary>
            <div className="absolute z-20 grid w-64 gap-1 rounded border border-rule-strong bg-sheet p-3">
              {lanes.map((name, i) => (
                <span key={name} className="flex min-h-9 items-center gap-2">
                  <label className="flex flex-1 items-center gap-2">
                    <input
                      type="checkbox"
                      className="size-5 accent-leaf"
                      checked={!folded.has(name)}
                      onChange={(e) =>
                        setFolded((before) => {
                          const next = new Set(before);
                          if (e.target.checked) next.delete(name);
                          else next.add(name);
                          return next;
                        })
                      }
                    />
                    {name}
                  </label>
                  <Button
                    look="quiet"
                    disabled={i === 0}
                    aria-label={`${name} higher`}
                    onClick={() => setLanes((before) => before.flatMap((l, k) => (k === i - 1 ? [name, l] : k === i ? [] : [l])))}
                  >
                    ▴
                  </Button>
                </span>
              ))}
            </div>
          </details>
          <span className="ml-auto flex flex-wrap gap-2">
            {notes.some((n) => n.marks.fingers[0] && !fingers.has(n.id)) ? <Button onClick={() => void takePrinted()}>Take the printed fingers</Button> : null}
            {suggestions.length > 0 ? <Button onClick={() => void accept(suggestions)}>Accept {suggestions.length} other suggestions</Button> : null}
            <Button look="primary" shortcut="enter" disabled={open === 0} onClick={() => void acceptFingers()}>
              {note ? 'Accept fingers from here' : `Accept ${open} fingers`}
            </Button>
          </span>
        </div>
        <ScoreLines
          piece={piece}
          score={score}
          from={from}
          to={to}
          label={`Bars ${barsText(score, from, to)}`}
          scale={66}
          gutter={100}
          withoutFingerings
          chosen={chosen}
          onNote={setNoteId}
          above={above}
          below={below}
        />
        {(fingering?.warnings.length ?? 0) + (marking?.breaths?.warnings.length ?? 0) > 0 ? (
          <ul className="mt-3 grid gap-1 text-warn">
            {(fingering?.warnings ?? []).slice(0, 4).map((w) => (
              <li key={`${w.code} ${w.noteIds.join()}`}>{w.message}</li>
            ))}
            {(marking?.breaths?.warnings ?? [])
              .filter((w) => w.toBar >= from && w.fromBar <= to)
              .map((w) => (
                <li key={`breath ${w.fromBar}`}>{w.message}</li>
              ))}
          </ul>
        ) : null}
      </Panel>
      <div className="flex flex-col gap-3">
        <NotePanel
          note={note}
          score={score}
          finger={note ? fingerAt(note, fingers, proposed, refused) : null}
          proposal={note ? (proposed.get(note.id) ?? null) : null}
          wind={wind}
          digits={family === 'keyboard' ? ['1', '2', '3', '4', '5'] : ['0', '1', '2', '3', '4']}
          history={note ? (records?.fingerings.get(note.id) ?? []) : []}
          dynamic={dynamic}
          cue={note ? (cues.find((c) => c.noteId === note.id && c.studentId === (forStudent && student ? student.id : null))?.text ?? '') : ''}
          word={note ? (words.get(note.id) ?? '') : ''}
          ornament={ornament}
          ornamentStyle={note ? (ornamentStyles.get(note.id) ?? USUAL_STYLE) : USUAL_STYLE}
          suggestions={here}
          cueInput={cueInput}
          dynamicInput={dynamicInput}
          tie={tie ? `tied for ${fractionText(tie.beats)} beats, off on ${fractionText(tie.offOn)}` : null}
          phrase={note ? phraseAt(undefined) : ''}
          phraseToo={note ? phraseAt(SECOND) : ''}
          onPhrase={(sign, second) => void setPhrase(sign, second ? SECOND : undefined)}
          forStudent={student ? { name: student.name, on: forStudent, set: setForStudent } : null}
          ornamentStaff={
            ornament ? (
              <SmallStaff
                notes={ornament.notes.map((n) => ({ keys: [n.midi], duration: n.duration }))}
                fifths={score.bars[note?.bar ?? 0]?.key.fifths ?? 0}
                label="The ornament written out"
              />
            ) : null
          }
          onOtherHand={family === 'keyboard' ? () => void otherHand() : null}
          onFinger={(f) => void setFinger(f)}
          onClearFinger={() => void clearFinger()}
          onRefuseFinger={() => void refuseFinger()}
          onDynamic={(l) => void setDynamic(l)}
          onCue={(t) => void setCue(t)}
          onWord={(t) => void setWord(t)}
          onOrnamentStyle={(s) => void setOrnamentStyle(s)}
          onPlayOrnament={playOrnament}
          onAccept={(s) => void accept([s])}
          onRefuse={(s) => void refuse(s.key, `${s.text} refused`)}
        />
        {startMap ? (
          <Panel title="Where it starts">
            <HandMap drawing={startMap} />
            <Button look="quiet" className="mt-2" onClick={() => void offerFindRung()}>
              Make “find it again” a rung
            </Button>
          </Panel>
        ) : null}
        {marking ? (
          <Panel
            title="Block the chords"
            aside={
              <Button look="quiet" aria-pressed={blocked} onClick={() => setBlocked(!blocked)}>
                {blocked ? 'Fold' : 'Show'}
              </Button>
            }
          >
            {blocked ? (
              <>
                <SmallStaff
                  notes={blocks.map((b) => ({ keys: b.keys, duration: fraction(b.length, score.ticksPerQuarter) }))}
                  fifths={startBar?.key.fifths ?? 0}
                  label={`Chords: ${blocks.map((b) => b.symbol).join(', ')}`}
                />
                <p>{blocks.map((b) => b.symbol).join(' · ')}</p>
                <Button
                  className="mt-1"
                  onClick={() => {
                    const factor = 60 / tempo / score.ticksPerQuarter;
                    const start = blocks[0]?.onset ?? 0;
                    playNotes(
                      blocks.flatMap((b) => b.keys.map((midi) => ({ midi, start: (b.onset - start) * factor, seconds: b.length * factor * 0.95, loud: 0.4 }))),
                    );
                  }}
                >
                  Hear them
                </Button>
              </>
            ) : (
              <p className="text-ink-2">One chord a beat, for the hand to find before playing as written.</p>
            )}
            {differing.length > 0 ? <p className="mt-2 text-warn">Printed otherwise: {differing.join('; ')}</p> : null}
          </Panel>
        ) : null}
        {printedSigns.length > 0 || notes.some((n) => n.marks.lyrics.length > 0) ? (
          <Panel title="Printed here">
            <p>{printedSigns.map((a) => `${a.times} ${a.sign}`).join(', ') || 'No articulation.'}</p>
            {notes.some((n) => n.marks.lyrics.length > 0) ? (
              <Button look="quiet" className="mt-1" onClick={() => void wordsFromLyrics()}>
                Count with the words of the song
              </Button>
            ) : null}
          </Panel>
        ) : null}
        {instrument && isFretted(instrument) ? <ChordPanel score={score} from={from} to={to} instrument={instrument} names={stringNames(instrument)} /> : null}
        {marking?.breaths ? (
          <Panel title="Breath spans">
            <p className="mb-1 text-ink-2">
              {student?.breathSpanInSeconds ?? USUAL_BREATH} s a breath{student ? ` for ${student.name}` : ''}, at {tempo} a minute
            </p>
            <ul>
              {marking.breaths.spans
                .filter((s) => s.toBar >= from && s.fromBar <= to)
                .map((s) => (
                  <li key={s.from} className="flex justify-between border-t border-rule py-1 first:border-0">
                    <span>
                      bars <span className="figure">{barsText(score, s.fromBar, s.toBar)}</span>
                    </span>
                    <span className="figure">{s.seconds.toFixed(1)} s</span>
                  </li>
                ))}
            </ul>
            <p className="mt-2 text-ink-2">Dizzy from many full breaths? Pause and breathe normally.</p>
          </Panel>
        ) : null}
        {fingering?.warnings.some((w) => w.code === 'stretch') ? (
          <Panel title="Take care">
            <p>A stretch past the hand is never worth pain. Pain, numbness or tingling: stop, rest, and see a clinician who knows musicians.</p>
          </Panel>
        ) : null}
      </div>
    </div>
  );
}

export function MarksScreen(): ReactNode {
  return (
    <PieceStage heading="Marks" strip="compact">
      {(context) => <Marking {...context} />}
    </PieceStage>
  );
}
