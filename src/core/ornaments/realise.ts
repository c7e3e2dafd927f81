/**
 * Ornaments realised into notes. Sources: J. S. Bach, the table "Explication" in the Clavier-Büchlein vor Wilhelm
 * Friedemann Bach (1720): trillo from the upper note, mordant with the note below, cadence (turn) from above, accent
 * (appoggiatura) for half the note; C. P. E. Bach, "Versuch über die wahre Art das Clavier zu spielen" (1753), chapter
 * 2: the appoggiatura takes half of an even and two thirds of a dotted note, trills begin on the upper note and may end
 * with a termination, turns are quick and then hold. `late` is the practice of the nineteenth century (trills from the
 * main note, short grace notes before the beat); `measured` the even thirty-seconds given to students.
 */
import {
  add,
  compare,
  fraction,
  multiply,
  spellMidi,
  struckNotes,
  subtract,
  ZERO,
  type Fraction,
  type Note,
  type Score,
} from '../score';
import type { Frame } from './frame';
import { graceNotes } from './grace-notes';
import { neighbour } from './neighbour';
import { FASTEST_NOTES_PER_SECOND, type OrnamentNote, type OrnamentStyle, type RealisedOrnament } from './ornament';
import { delayedTurn, mordent, slide, tremolo, trill, turn } from './ornament-kinds';

/**
 * How ornaments are played where nobody chose: measured trills, or free ones as the early masters have them.
 *
 * @example usualStyle('measured') // → 'measured'
 */
export const usualStyle = (trills: 'measured' | 'free'): OrnamentStyle =>
  trills === 'measured' ? 'measured' : 'early';

/** What the ornaments of a score are read against. */
interface Surroundings {
  readonly score: Score;
  readonly tempo: number;
  readonly byBar: ReadonlyMap<number, readonly Note[]>;
  readonly sounding: ReadonlyMap<string, number>;
}

type Ornament = Note['marks']['ornaments'][number];

const quarters = ({ ticksPerQuarter }: Score, t: number): Fraction => fraction(t, ticksPerQuarter);
const ticksOf = ({ sounding }: Surroundings, note: Note): number => sounding.get(note.id) ?? note.duration;

function groupBy<K>(notes: readonly Note[], keyOf: (n: Note) => K): ReadonlyMap<K, readonly Note[]> {
  const groups = new Map<K, Note[]>();
  for (const n of notes) {
    const there = groups.get(keyOf(n));
    if (there) there.push(n);
    else groups.set(keyOf(n), [n]);
  }
  return groups;
}

/** An ornament with how quick it is; the last note may hold, the rest shows it. None where there are no notes. */
function realised(noteId: string, kind: string, notes: readonly OrnamentNote[], tempo: number): RealisedOrnament[] {
  if (notes.length === 0) return [];
  const quickOnes = notes.slice(0, -1).filter((n) => n.duration.n > 0);
  const shortest = quickOnes.reduce((m, n) => Math.min(m, n.duration.n / n.duration.d), Infinity);
  const notesPerSecond = Number.isFinite(shortest) && shortest > 0 ? tempo / 60 / shortest : 0;
  return [{ noteId, kind, notes, notesPerSecond, tooFast: notesPerSecond > FASTEST_NOTES_PER_SECOND }];
}

/** The notes of a voice that are struck before and after a place in it. */
function aroundIn(voice: readonly Note[], i: number): readonly [Note | undefined, Note | undefined] {
  const onset = voice[i]?.onset ?? 0;
  let k = i - 1;
  while (k >= 0 && (voice[k]?.grace || (voice[k]?.onset ?? 0) >= onset)) k -= 1;
  let m = i + 1;
  while (m < voice.length && (voice[m]?.grace || (voice[m]?.onset ?? 0) <= onset)) m += 1;
  return [voice[k], voice[m]];
}

function frameOf(
  around: Surroundings,
  note: Note,
  main: number,
  ornament: Ornament,
  style: OrnamentStyle,
  [before, after]: readonly [Note | undefined, Note | undefined],
): Frame {
  const { score, byBar, tempo } = around;
  const { kind, accidentals } = ornament;
  const [above, below] = kind.includes('turn') ? accidentals : [accidentals[0], accidentals[0]];
  const upper = neighbour(score, byBar, note, 1, kind === 'mordent' ? undefined : above);
  const isUpperOnly = kind === 'trill-mark' || kind === 'inverted-mordent';
  const lower = neighbour(score, byBar, note, -1, isUpperOnly ? undefined : below);
  return {
    start: quarters(score, note.onset),
    length: quarters(score, ticksOf(around, note)),
    main,
    upper,
    lower,
    style,
    tempo,
    upperBefore: before?.midi === upper && before.onset + before.duration === note.onset,
    terminates:
      after?.midi != null &&
      after.onset === note.onset + ticksOf(around, note) &&
      Math.abs(after.midi - main) <= 2 &&
      style !== 'measured',
  };
}

/** The third below a note, where a slide begins. */
function thirdBelow({ score, byBar }: Surroundings, note: Note, lower: number): number {
  const pitch = spellMidi(lower, score.bars[note.bar]?.key.fifths ?? 0);
  return neighbour(score, byBar, { ...note, pitch, midi: lower as typeof note.midi }, -1, undefined);
}

/** One written ornament as notes, and what it is called; null for a sign that is none. */
function notesOf(
  kind: string,
  frame: Frame,
  third: () => number,
): { readonly kind: string; readonly notes: readonly OrnamentNote[] } | null {
  switch (kind) {
    case 'trill-mark':
    case 'shake':
    case 'wavy-line':
      return { kind: 'trill', notes: trill(frame) };
    case 'mordent':
      return { kind, notes: mordent(frame, frame.lower) };
    case 'inverted-mordent':
      return { kind, notes: mordent(frame, frame.upper) };
    case 'turn':
      return { kind, notes: turn(frame, false) };
    case 'inverted-turn':
      return { kind, notes: turn(frame, true) };
    case 'delayed-turn':
      return { kind, notes: delayedTurn(frame, false) };
    case 'delayed-inverted-turn':
      return { kind, notes: delayedTurn(frame, true) };
    case 'schleifer':
      return { kind: 'slide', notes: slide(frame, third()) };
    case 'tremolo':
      return { kind, notes: tremolo(frame) };
    default:
      return null;
  }
}

/** A chord broken from below: every note holds to the end of the chord. */
function arpeggio(around: Surroundings, note: Note): OrnamentNote[] {
  const { score, byBar } = around;
  const length = quarters(score, ticksOf(around, note));
  const chord = (byBar.get(note.bar) ?? [])
    .filter((n) => n.part === note.part && n.onset === note.onset && n.marks.arpeggiate && !n.grace && n.midi !== null)
    .sort((a, b) => (a.midi ?? 0) - (b.midi ?? 0));
  const each = multiply(length, fraction(1, Math.max(8, chord.length * 2)));
  const start = quarters(score, note.onset);
  const end = add(start, length);
  return chord.map((n, i) => {
    const at = add(start, multiply(each, fraction(i)));
    return { onset: at, duration: subtract(end, at), midi: n.midi ?? 60 };
  });
}

const graceKind = (graces: readonly Note[]): string =>
  graces[0]?.grace?.slash === true ? 'acciaccatura' : graces.length === 1 ? 'appoggiatura' : 'grace-group';

/** The ornaments of one voice, note by note. */
function ofVoice(
  around: Surroundings,
  voice: readonly Note[],
  styleOf: (note: Note) => OrnamentStyle,
): RealisedOrnament[] {
  const { score, tempo } = around;
  const out: RealisedOrnament[] = [];
  let graces: Note[] = [];
  voice.forEach((note, i) => {
    if (note.grace) {
      graces.push(note);
      return;
    }
    const length = quarters(score, ticksOf(around, note));
    const style = styleOf(note);
    const { midi } = note;
    if (graces.length > 0 && !note.chord && midi !== null && length.n > 0)
      out.push(...realised(note.id, graceKind(graces), graceNotes(score, graces, note, length, style, tempo), tempo));
    graces = note.chord ? graces : [];
    if (midi === null || length.n <= 0) return;
    for (const ornament of note.marks.ornaments) {
      const frame = frameOf(around, note, midi, ornament, style, aroundIn(voice, i));
      const found = notesOf(ornament.kind, frame, () => thirdBelow(around, note, frame.lower));
      if (found) out.push(...realised(note.id, found.kind, found.notes, tempo));
    }
    if (note.marks.arpeggiate && !note.chord) out.push(...realised(note.id, 'arpeggio', arpeggio(around, note), tempo));
  });
  return out;
}

/**
 * Every ornament of the score as notes; `chosen` gives single notes another style. Notes without a pitch have none.
 *
 * @example realiseOrnaments(scoreOf('TC4|'), 'measured', 60)[0].notes.length // → 32
 */
export function realiseOrnaments(
  score: Score,
  style: OrnamentStyle,
  tempo: number,
  chosen: ReadonlyMap<string, OrnamentStyle> = new Map(),
): RealisedOrnament[] {
  const around: Surroundings = {
    score,
    tempo,
    byBar: groupBy(score.notes, (n) => n.bar),
    sounding: new Map(struckNotes(score.notes).map((s) => [s.note.id, s.sounding as number])),
  };
  const voices = groupBy(score.notes, (n) => `${n.part} ${n.staff} ${n.voice}`);
  return [...voices.values()]
    .map((voice) => [...voice].sort((a, b) => a.onset - b.onset || a.bar - b.bar || a.sourceIndex - b.sourceIndex))
    .flatMap((voice) => ofVoice(around, voice, (note) => chosen.get(note.id) ?? style))
    .sort((a, b) => compare(a.notes[0]?.onset ?? ZERO, b.notes[0]?.onset ?? ZERO));
}
