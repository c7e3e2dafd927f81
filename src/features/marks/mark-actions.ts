import { toast } from 'sonner';
import {
  carryToCopies,
  changeRungs,
  changeStudent,
  copiesOf,
  putMarks,
  setFingers,
  setWords,
  takeMarks,
  type FingerAt,
} from '@/core/commands';
import type { OrnamentStyle } from '@/core/ornaments';
import type { Note } from '@/core/score';
import { clampText, FULL_FINGERING, type MarkOf, type NewMark, type NoteMark } from '@/core/studio';
import type { StudioAccess } from '@/store';
import type { Acts } from '@/features/acts';
import { FINGER_VIEWS, fingerAt, type FingerView } from './finger-view';
import { toMark, type Suggestion } from './suggestions';
import { isDynamicLevel, type MarksModel } from './use-marks-model';

export type MicroSign = MarkOf<'micro'>['sign'];

const PHRASE_SIGNS = [',', '.', '?', '!'] as const;
const LONGEST_SYLLABLE = 40;

/** Everything a teacher does to the marks; each is one change that can be undone. */
export function markActions(model: MarksModel, { run }: Acts, studio: StudioAccess) {
  const { piece, score, section, sections, marks, notes, note, stretch, fingers, proposed, refused, variant } = model;
  const { student, forStudent, hairpin, setHairpin, setNoteId } = model;
  const pieceId = piece.id;
  const base = { pieceId, studentId: null, source: 'teacher' as const };
  const putOne = (label: string, mark: NewMark): void => run(putMarks, { marks: [mark], label });
  const takeOne = (label: string, mark: NewMark): void => run(takeMarks, { marks: [mark], label });
  const setAll = (label: string, list: readonly FingerAt[]): void => {
    if (list.length > 0) run(setFingers, { pieceId, score, variant, fingers: list, label });
  };
  /** The finger with the string and fret of the proposal, where it is the proposed one. */
  const withPlace = (n: Note, finger: string): FingerAt => {
    const p = proposed.get(n.id);
    const place =
      p && p.finger === finger
        ? { ...(p.string === undefined ? {} : { string: p.string }), ...(p.fret === undefined ? {} : { fret: p.fret }) }
        : {};
    return { noteId: n.id, finger: { finger, ...place } };
  };
  const setFinger = (finger: string): void => {
    if (!note) return;
    // Chords are typed from the top down: the next lower note is next.
    const below = notes
      .filter(
        (n) =>
          n.onset === note.onset && n.staff === note.staff && n.part === note.part && (n.midi ?? 0) < (note.midi ?? 0),
      )
      .pop();
    if (below && !fingers.has(below.id)) setNoteId(below.id);
    setAll(`finger ${finger}`, [withPlace(note, finger)]);
  };
  /** Takes the fingers of the chosen note or stretch away. */
  const clearFinger = (): void => {
    const there = stretch.filter((n) => fingers.has(n.id));
    setAll(
      there.length === 1 ? 'finger taken away' : 'fingers taken away',
      there.map((n) => ({ noteId: n.id, finger: null })),
    );
  };
  const otherHand = (): void => {
    if (!note) return;
    const before = marks.find((m): m is MarkOf<'hand'> => m.kind === 'hand' && m.noteId === note.id);
    const now = proposed.get(note.id)?.hand ?? 'right';
    if (before) takeOne('hand as its staff', before);
    else putOne('other hand', { ...base, kind: 'hand', noteId: note.id, hand: now === 'right' ? 'left' : 'right' });
  };
  const refuse = (what: string, label: string): void => putOne(label, { ...base, kind: 'refused', what });
  const refuseFinger = (): void => {
    const p = note ? proposed.get(note.id) : undefined;
    if (note && p) refuse(`finger ${note.id} ${p.keys ?? p.finger}`, 'proposed finger refused');
  };
  const acceptFingers = (): void => {
    if (!model.fingersAreCurrent) {
      toast('The fingers are being worked out anew. Press Enter again in a moment.');
      return;
    }
    const start = note?.onset ?? 0;
    const among = stretch.length > 1 ? stretch : notes.filter((n) => n.onset >= start);
    const fresh = among.filter(
      (n) => !fingers.has(n.id) && fingerAt(n, fingers, proposed, refused)?.source === 'suggested',
    );
    setAll(
      `${fresh.length} ${fresh.length === 1 ? 'finger' : 'fingers'} accepted`,
      fresh.map((n) => withPlace(n, proposed.get(n.id)?.keys ?? proposed.get(n.id)?.finger ?? '')),
    );
  };
  const takePrinted = (): void =>
    setAll(
      'printed fingers taken over',
      notes.flatMap((n) => (n.marks.fingers[0] && !fingers.has(n.id) ? [withPlace(n, n.marks.fingers[0])] : [])),
    );
  const accept = (list: readonly Suggestion[]): void => {
    if (!model.suggestionsAreCurrent) {
      toast('The suggestions are being worked out anew. Do it again in a moment.');
      return;
    }
    run(putMarks, {
      marks: list.map((s) => toMark(s, pieceId)),
      label: list.length === 1 ? `${list[0]?.text ?? ''} accepted` : `${list.length} suggestions accepted`,
    });
  };
  const setDynamic = (level: string): void => {
    if (!note) return;
    if (isDynamicLevel(level)) putOne(`dynamic ${level}`, { ...base, kind: 'dynamic', noteId: note.id, level });
    else takeOne('dynamic taken away', { ...base, kind: 'dynamic', noteId: note.id, level: 'mf' });
  };
  /** A cue at a note, for everyone or for the student in hand; `stored` is called when it is kept. */
  const setCue = (noteId: string, text: string, stored: () => void): void => {
    const mark: NewMark = { ...base, studentId: forStudent && student ? student.id : null, kind: 'cue', noteId, text };
    if (text === '') run(takeMarks, { marks: [mark], label: 'cue taken away' }, { stored });
    else run(putMarks, { marks: [mark], label: 'cue' }, { stored });
  };
  const putHairpin = (from: Note, to: Note, role: 'crescendo' | 'diminuendo'): void =>
    putOne(role, { ...base, kind: 'wedge', noteId: from.id, toNoteId: to.id, role });
  /**
   * Over a chosen stretch at once; else the first press begins a hairpin at the chosen note, the second ends it there;
   * Escape gives it up.
   */
  const drawHairpin = (role: 'crescendo' | 'diminuendo'): void => {
    if (!note) return;
    const [first] = stretch;
    const last = stretch[stretch.length - 1];
    if (first && last && first.onset < last.onset) {
      putHairpin(first, last, role);
      return;
    }
    const begun = hairpin ? notes.find((n) => n.id === hairpin.from) : undefined;
    if (!hairpin || !begun || begun.onset >= note.onset) {
      setHairpin({ from: note.id, role });
      toast(`${role} begins here. Go to its last note and press the key again.`);
      return;
    }
    setHairpin(null);
    putHairpin(begun, note, hairpin.role);
  };
  const setPhrase = (sign: string, reading: string | undefined): void => {
    if (!note) return;
    const known = PHRASE_SIGNS.find((x) => x === sign);
    const mark = { ...base, kind: 'phrase' as const, noteId: note.id, ...(reading === undefined ? {} : { reading }) };
    if (known) putOne('phrase end', { ...mark, sign: known });
    else takeOne('phrase end taken away', { ...mark, sign: '.' });
  };
  const wordsFromLyrics = (): void =>
    run(putMarks, {
      label: 'words from the lyrics',
      marks: notes.flatMap((n): NewMark[] => {
        const [lyric] = n.marks.lyrics;
        return lyric && !model.words.has(n.id)
          ? [{ ...base, kind: 'syllable', noteId: n.id, text: clampText(lyric.text, LONGEST_SYLLABLE) || '–' }]
          : [];
      }),
    });
  /** Words split by hyphens go on to the notes that follow, one syllable a note. */
  const setWord = (at: Note, text: string, stored: () => void): void => {
    const line = notes.filter(
      (n) =>
        n.staff === at.staff &&
        n.part === at.part &&
        !n.chord &&
        n.onset >= at.onset &&
        n.tie !== 'stop' &&
        n.tie !== 'continue',
    );
    run(setWords, { pieceId, line: line.map((n) => n.id), text }, { stored });
  };
  const setOrnamentStyle = (style: OrnamentStyle): void => {
    if (note) putOne(`ornament ${style}`, { ...base, kind: 'ornament', noteId: note.id, style });
  };
  /** A small sign of the teacher's own at the chosen note; the same again takes it away. */
  const setMicro = (sign: MicroSign): void => {
    if (!note) return;
    const before = marks.find((m): m is MarkOf<'micro'> => m.kind === 'micro' && m.noteId === note.id);
    const mark: NoteMark | NewMark = { ...base, kind: 'micro', noteId: note.id, sign };
    if (before?.sign === sign) takeOne('sign taken away', mark);
    else putOne(`sign ${sign}`, mark);
  };
  const copyIds = section
    ? new Set(
        copiesOf(
          section.section,
          sections.map((p) => p.section),
        ).map((s) => s.id),
      )
    : new Set<string>();
  const copies = sections.filter((p) => copyIds.has(p.section.id));
  const markCopies = (): void => {
    if (section) run(carryToCopies, { pieceId, score, from: section.section.id });
  };
  const offerFindRung = (): void => {
    if (!section) {
      toast('Choose a section first.');
      return;
    }
    run(
      changeRungs,
      {
        pieceId,
        sectionId: section.section.id,
        edit: {
          kind: 'add',
          behind: 'bottom',
          rung: {
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
        },
      },
      { stored: () => toast('The rung stands at the bottom of the ladder.') },
    );
  };
  const setView = (v: string): void => {
    const next: FingerView = FINGER_VIEWS.find(([name]) => name === v)?.[0] ?? 'every';
    if (student)
      run(changeStudent, { studentId: student.id, change: { density: next }, label: `${student.name} sees ${next}` });
    else model.setWholeView(next);
  };
  const setVariant = (v: string): void => {
    if (student)
      run(changeStudent, {
        studentId: student.id,
        change: { variant: [pieceId, v] },
        label: `${student.name}: fingering ${v}`,
      });
    else model.setPieceVariant(v || FULL_FINGERING);
  };
  return {
    setFinger,
    clearFinger,
    otherHand,
    refuse,
    refuseFinger,
    acceptFingers,
    takePrinted,
    accept,
    setDynamic,
    setCue,
    drawHairpin,
    setPhrase,
    wordsFromLyrics,
    setWord,
    setOrnamentStyle,
    setMicro,
    copies,
    markCopies,
    offerFindRung,
    setView,
    setVariant,
  };
}

export type MarkActions = ReturnType<typeof markActions>;
