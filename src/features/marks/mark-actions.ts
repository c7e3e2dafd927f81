import { toast } from 'sonner';
import type { OrnamentStyle } from '@/core/ornaments';
import type { Note } from '@/core/score';
import { carryMarks, type Mark, type NoteMark, type StudioEvent } from '@/core/studio';
import { eventAdded, rowChange, type ChangeEntry, type StudioAccess } from '@/store';
import { FINGER_VIEWS, fingerAt, type FingerMark } from './finger-view';
import { toMark, type Suggestion } from './suggestions';
import { FULL, isDynamicLevel, type MarksModel } from './use-marks-model';

export type MicroSign = Extract<Mark, { kind: 'micro' }>['sign'];

/** Everything a teacher does to the marks; each is one change that can be undone. */
export function markActions(model: MarksModel, studio: StudioAccess) {
  const { piece, score, section, sections, marks, notes, note, stretch, fingers, proposed, refused, variant, practisedBy, dynamics, cues, words } = model;
  const { student, forStudent, hairpin, setHairpin, setNoteId, ladders, from, to } = model;
  const base = { pieceId: piece.id, studentId: null, source: 'teacher' as const };
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
  /** Takes the fingers of the chosen note or stretch away. */
  const clearFinger = async (): Promise<void> => {
    const entries = stretch.flatMap((n) => {
      const before = fingers.get(n.id);
      return before ? fingerEntries(n, before, null) : [];
    });
    if (entries.length > 0) await studio.commit(stretch.length === 1 ? 'finger taken away' : 'fingers taken away', entries);
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
    const among = stretch.length > 1 ? stretch : notes.filter((n) => n.onset >= start);
    const fresh = among.filter((n) => !fingers.has(n.id) && fingerAt(n, fingers, proposed, refused)?.source === 'suggested');
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
      isDynamicLevel(level) ? `dynamic ${level}` : 'dynamic taken away',
      before,
      isDynamicLevel(level) ? { ...base, id: before?.id ?? studio.newId(), kind: 'dynamic', noteId: note.id, level, updatedAt: studio.now() } : null,
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
  const putHairpin = (from: Note, to: Note, role: 'crescendo' | 'diminuendo'): Promise<void> =>
    studio.commit(role, [
      rowChange('marks', null, { ...base, id: studio.newId(), kind: 'wedge', noteId: from.id, toNoteId: to.id, role, updatedAt: studio.now() }),
    ]);
  /** Over a chosen stretch at once; else the first press begins a hairpin at the chosen note, the second ends it there; Escape gives it up. */
  const drawHairpin = async (role: 'crescendo' | 'diminuendo'): Promise<void> => {
    if (!note) return;
    const [first] = stretch;
    const last = stretch[stretch.length - 1];
    if (first && last && first.onset < last.onset) {
      await putHairpin(first, last, role);
      return;
    }
    const begun = hairpin ? notes.find((n) => n.id === hairpin.from) : undefined;
    if (!hairpin || !begun || begun.onset >= note.onset) {
      setHairpin({ from: note.id, role });
      toast(`${role} begins here. Go to its last note and press the key again.`);
      return;
    }
    setHairpin(null);
    await putHairpin(begun, note, hairpin.role);
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
  /** A small sign of the teacher's own at the chosen note; the same again takes it away. */
  const setMicro = async (sign: MicroSign): Promise<void> => {
    if (!note) return;
    const before = marks.find((m): m is Extract<Mark, { kind: 'micro' }> => m.kind === 'micro' && m.noteId === note.id) ?? null;
    await setOne(
      before?.sign === sign ? 'sign taken away' : `sign ${sign}`,
      before,
      before?.sign === sign ? null : { ...base, id: before?.id ?? studio.newId(), kind: 'micro', noteId: note.id, sign, updatedAt: studio.now() },
    );
  };
  /** Places in the piece that are the same as these bars: sections linked to this one, and the one it is linked to. */
  const copies = section
    ? sections.filter((p) => {
        const a = p.section;
        const b = section.section;
        return a.id !== b.id && (a.likeId === b.id || b.likeId === a.id || (a.likeId !== null && a.likeId === b.likeId));
      })
    : [];
  const markCopies = async (): Promise<void> => {
    const fresh: NoteMark[] = [];
    for (const copy of copies) fresh.push(...carryMarks(score, [...marks, ...fresh], [from, to], [copy.from, copy.to], studio.newId, studio.now()));
    if (fresh.length === 0) {
      toast('The copies have all of these marks.');
      return;
    }
    await studio.commit(
      'marks carried to the copies',
      fresh.map((m) => rowChange('marks', null, m)),
    );
    toast(`${fresh.length} ${fresh.length === 1 ? 'mark' : 'marks'} carried to ${copies.map((p) => p.section.letter).join(', ')}.`);
  };
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

  const setView = (v: string): void => {
    const next = FINGER_VIEWS.find(([name]) => name === v)?.[0] ?? 'every';
    if (student) void studio.commit(`${student.name} sees ${next}`, [rowChange('students', student, { ...student, density: next, updatedAt: studio.now() })]);
    else model.setWholeView(next);
  };
  const setVariant = (v: string): void => {
    if (student)
      void studio.commit(`${student.name}: fingering ${v}`, [
        rowChange('students', student, { ...student, variants: { ...student.variants, [piece.id]: v }, updatedAt: studio.now() }),
      ]);
    else model.setPieceVariant(v);
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
