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
  keyAlter,
  multiply,
  spellMidi,
  STEPS,
  struckNotes,
  subtract,
  writtenMidi,
  ZERO,
  type Fraction,
  type Note,
  type Pitch,
  type Score,
} from '../score';

export type OrnamentStyle = 'early' | 'late' | 'measured';
export const ORNAMENT_STYLES: readonly OrnamentStyle[] = ['early', 'late', 'measured'];

export interface OrnamentNote {
  /** From the start of the piece as written, quarters. */
  readonly onset: Fraction;
  readonly duration: Fraction;
  readonly midi: number;
}

export interface RealisedOrnament {
  readonly noteId: string;
  readonly kind: string;
  readonly notes: readonly OrnamentNote[];
  /** Struck notes a second; more than a dozen is past most hands. */
  readonly notesPerSecond: number;
  readonly tooFast: boolean;
}

/**
 * Past this many notes a second an ornament is said to be too fast **[from memory: fast trills of trained players]**.
 */
export const FASTEST_NOTES_PER_SECOND = 13;

/** The neighbour a step above or below in the key, bent by the accidentals written at the ornament. */
function neighbour(
  score: Score,
  byBar: ReadonlyMap<number, readonly Note[]>,
  note: Note,
  way: 1 | -1,
  accidental: string | undefined,
): number {
  const bar = score.bars[note.bar];
  const pitch: Pitch = note.pitch ?? spellMidi(note.midi ?? 60, bar?.key.fifths ?? 0);
  const at = STEPS.indexOf(pitch.step) + way;
  const step = STEPS[(at + 7) % 7] ?? 'C';
  const octave = pitch.octave + (at > 6 ? 1 : at < 0 ? -1 : 0);
  // An accidental earlier in the bar holds for the neighbour too.
  const earlier = (byBar.get(note.bar) ?? [])
    .filter(
      (n) =>
        n.part === note.part &&
        n.bar === note.bar &&
        n.onset < note.onset &&
        n.pitch?.step === step &&
        n.pitch.octave === octave,
    )
    .pop();
  const named: Readonly<Record<string, number>> = {
    sharp: 1,
    flat: -1,
    natural: 0,
    'double-sharp': 2,
    'flat-flat': -2,
  };
  const alter =
    accidental !== undefined
      ? (named[accidental] ?? 0)
      : (earlier?.pitch?.alter ?? keyAlter({ fifths: bar?.key.fifths ?? 0 }, step));
  const written = writtenMidi({ step, alter, octave });
  const transposed = (note.midi ?? 60) - writtenMidi(pitch);
  return written + transposed;
}

interface Frame {
  readonly start: Fraction;
  readonly length: Fraction;
  readonly main: number;
  readonly upper: number;
  readonly lower: number;
  readonly style: OrnamentStyle;
  readonly tempo: number;
  /** The note before is the upper neighbour, and is joined on. */
  readonly upperBefore: boolean;
  /** A termination is written out after it, or the next note is reached by step. */
  readonly terminates: boolean;
}

/** Length of the quick notes: thirty-seconds, or sixteenth triplets, sixteenths where they would be too fast. */
function quick({ style, tempo, length }: Frame): Fraction {
  if (style === 'measured')
    return compare(length, fraction(1, 2)) < 0 ? multiply(length, fraction(1, 4)) : fraction(1, 8);
  for (const n of [8, 6, 4])
    if ((tempo / 60) * n <= FASTEST_NOTES_PER_SECOND)
      return compare(length, fraction(4, n)) < 0 ? multiply(length, fraction(1, 4)) : fraction(1, n);
  return multiply(length, fraction(1, 4));
}

/** Pitches one after another, each `each` long; the last holds to the end of the frame. */
function row(frame: Frame, pitches: readonly number[], each: Fraction): OrnamentNote[] {
  let at = frame.start;
  const end = add(frame.start, frame.length);
  return pitches.map((midi, i) => {
    const duration = i === pitches.length - 1 ? subtract(end, at) : each;
    const note = { onset: at, duration, midi };
    at = add(at, each);
    return note;
  });
}

/**
 * Upper and main in turn, coming to rest on the main note; with a termination the note below and the main one close it.
 */
function trill(frame: Frame): OrnamentNote[] {
  const { main, upper, lower, style, length } = frame;
  const each = quick(frame);
  const count = Math.max(2, Math.floor((length.n * each.d) / (length.d * each.n)));
  const fromUpper = style !== 'late' && !frame.upperBefore;
  const closing = frame.terminates && count >= 6 ? [lower, main] : [];
  const room = count - closing.length;
  // From above an even number ends on the main note, from the main note an odd one.
  const body = fromUpper ? room - (room % 2) : room - ((room + 1) % 2);
  const alternating = Array.from({ length: Math.max(1, body) }, (_, i) => ((i % 2 === 0) === fromUpper ? upper : main));
  return row(frame, [...alternating, ...closing], each);
}

function mordent(frame: Frame, other: number): OrnamentNote[] {
  const each = quick(frame);
  // From the main note: main, neighbour, main held. The short trill of the early style begins with the upper note.
  if (frame.style === 'early' && other === frame.upper)
    return row(frame, [frame.upper, frame.main, frame.upper, frame.main], each);
  return row(frame, [frame.main, other, frame.main], each);
}

function turn(frame: Frame, inverted: boolean): OrnamentNote[] {
  const pitches = inverted
    ? [frame.lower, frame.main, frame.upper, frame.main]
    : [frame.upper, frame.main, frame.lower, frame.main];
  const quarter = multiply(frame.length, fraction(1, 4));
  const each =
    frame.style === 'early' && compare(frame.length, fraction(1)) <= 0
      ? quarter
      : compare(quick(frame), quarter) < 0
        ? quick(frame)
        : quarter;
  return row(frame, pitches, each);
}

function delayedTurn(frame: Frame, inverted: boolean): OrnamentNote[] {
  const each =
    compare(quick(frame), multiply(frame.length, fraction(1, 8))) < 0
      ? quick(frame)
      : multiply(frame.length, fraction(1, 8));
  const four = multiply(each, fraction(4));
  const hold = subtract(frame.length, four);
  const start = add(frame.start, hold);
  const pitches = inverted
    ? [frame.lower, frame.main, frame.upper, frame.main]
    : [frame.upper, frame.main, frame.lower, frame.main];
  return [
    { onset: frame.start, duration: hold, midi: frame.main },
    ...row({ ...frame, start, length: four }, pitches, each),
  ];
}

function slide(frame: Frame, third: number): OrnamentNote[] {
  return row(frame, [third, frame.lower, frame.main], quick(frame));
}

function tremolo(frame: Frame): OrnamentNote[] {
  const each = fraction(1, 8);
  const count = Math.max(1, Math.round((frame.length.n * each.d) / (frame.length.d * each.n)));
  return row(
    frame,
    Array.from({ length: count }, () => frame.main),
    each,
  );
}

/** Grace notes of one main note: a long appoggiatura takes its share on the beat, short ones are quick. */
function graceNotes(
  score: Score,
  graces: readonly Note[],
  main: Note,
  length: Fraction,
  style: OrnamentStyle,
  tempo: number,
): OrnamentNote[] {
  const q = (t: number): Fraction => fraction(t, score.ticksPerQuarter);
  const start = q(main.onset);
  const key = main.midi ?? 60;
  const [first] = graces;
  if (!first) return [];
  const long = graces.length === 1 && first.grace !== null && !first.grace.slash;
  const each = fraction(1, (tempo / 60) * 8 > FASTEST_NOTES_PER_SECOND ? 4 : 8);
  if (long) {
    const dotted = main.dots === 1;
    let share = multiply(length, dotted ? fraction(2, 3) : fraction(1, 2));
    if (style === 'late') {
      // As written, where that is shorter.
      const values: Readonly<Record<string, Fraction>> = {
        half: fraction(2),
        quarter: fraction(1),
        eighth: fraction(1, 2),
        '16th': fraction(1, 4),
        '32nd': fraction(1, 8),
      };
      const written = values[first.value ?? ''] ?? fraction(1, 2);
      if (compare(written, share) < 0) share = written;
    }
    return [
      { onset: start, duration: share, midi: first.midi ?? key },
      { onset: add(start, share), duration: subtract(length, share), midi: key },
    ];
  }
  const total = multiply(each, fraction(graces.length));
  const beforeBeat = style === 'late' && compare(start, total) >= 0;
  const fit =
    compare(total, multiply(length, fraction(1, 2))) > 0 ? multiply(length, fraction(1, 2 * graces.length)) : each;
  let at = beforeBeat ? subtract(start, total) : start;
  const step = beforeBeat ? each : fit;
  const out = graces.map((g) => {
    const note = { onset: at, duration: step, midi: g.midi ?? key };
    at = add(at, step);
    return note;
  });
  const from = beforeBeat ? start : at;
  return [...out, { onset: from, duration: subtract(add(start, length), from), midi: key }];
}

/** How ornaments are played where nobody chose: measured trills, or free ones as the early masters have them. */
export const usualStyle = (trills: 'measured' | 'free'): OrnamentStyle =>
  trills === 'measured' ? 'measured' : 'early';

/** Every ornament of the score as notes; `chosen` gives single notes another style. Notes without a pitch have none. */
export function realiseOrnaments(
  score: Score,
  style: OrnamentStyle,
  tempo: number,
  chosen: ReadonlyMap<string, OrnamentStyle> = new Map(),
): RealisedOrnament[] {
  const struck = struckNotes(score.notes);
  const sounding = new Map(struck.map((s) => [s.note.id, s.sounding as number]));
  const out: RealisedOrnament[] = [];
  const q = (t: number): Fraction => fraction(t, score.ticksPerQuarter);
  const put = (noteId: string, kind: string, notes: readonly OrnamentNote[]): void => {
    if (notes.length === 0) return;
    // The last note may hold; the rest shows how quick it is.
    const quickOnes = notes.slice(0, -1).filter((n) => n.duration.n > 0);
    const shortest = quickOnes.reduce((m, n) => Math.min(m, n.duration.n / n.duration.d), Infinity);
    const notesPerSecond = Number.isFinite(shortest) && shortest > 0 ? tempo / 60 / shortest : 0;
    out.push({ noteId, kind, notes, notesPerSecond, tooFast: notesPerSecond > FASTEST_NOTES_PER_SECOND });
  };
  const voices = new Map<string, Note[]>();
  const byBar = new Map<number, Note[]>();
  for (const n of score.notes) {
    const inBar = byBar.get(n.bar);
    if (inBar) inBar.push(n);
    else byBar.set(n.bar, [n]);
    const key = `${n.part} ${n.staff} ${n.voice}`;
    const there = voices.get(key);
    if (there) there.push(n);
    else voices.set(key, [n]);
  }
  for (const unordered of voices.values()) {
    const voice = [...unordered].sort((a, b) => a.onset - b.onset || a.bar - b.bar || a.sourceIndex - b.sourceIndex);
    let graces: Note[] = [];
    voice.forEach((note, i) => {
      if (note.grace) {
        graces.push(note);
        return;
      }
      const length = q(sounding.get(note.id) ?? note.duration);
      const here = chosen.get(note.id) ?? style;
      if (graces.length > 0 && !note.chord && note.midi !== null && length.n > 0) {
        const slashed = graces[0]?.grace?.slash === true;
        put(
          note.id,
          slashed ? 'acciaccatura' : graces.length === 1 ? 'appoggiatura' : 'grace-group',
          graceNotes(score, graces, note, length, here, tempo),
        );
      }
      graces = note.chord ? graces : [];
      if (note.midi === null || length.n <= 0) return;
      if (note.marks.ornaments.length === 0 && !note.marks.arpeggiate) return;
      let k = i - 1;
      while (k >= 0 && (voice[k]?.grace || (voice[k]?.onset ?? 0) >= note.onset)) k -= 1;
      const before = voice[k];
      let m = i + 1;
      while (m < voice.length && (voice[m]?.grace || (voice[m]?.onset ?? 0) <= note.onset)) m += 1;
      const after = voice[m];
      for (const ornament of note.marks.ornaments) {
        const [above, below] = ornament.kind.includes('turn')
          ? ornament.accidentals
          : [ornament.accidentals[0], ornament.accidentals[0]];
        const upper = neighbour(score, byBar, note, 1, ornament.kind === 'mordent' ? undefined : above);
        const lower = neighbour(
          score,
          byBar,
          note,
          -1,
          ornament.kind === 'trill-mark' || ornament.kind === 'inverted-mordent' ? undefined : below,
        );
        const frame: Frame = {
          start: q(note.onset),
          length,
          main: note.midi,
          upper,
          lower,
          style: here,
          tempo,
          upperBefore: before?.midi === upper && before.onset + before.duration === note.onset,
          terminates:
            after?.midi != null &&
            after.onset === note.onset + (sounding.get(note.id) ?? note.duration) &&
            Math.abs(after.midi - note.midi) <= 2 &&
            here !== 'measured',
        };
        switch (ornament.kind) {
          case 'trill-mark':
          case 'shake':
          case 'wavy-line':
            put(note.id, 'trill', trill(frame));
            break;
          case 'mordent':
            put(note.id, 'mordent', mordent(frame, lower));
            break;
          case 'inverted-mordent':
            put(note.id, 'inverted-mordent', mordent(frame, upper));
            break;
          case 'turn':
            put(note.id, 'turn', turn(frame, false));
            break;
          case 'inverted-turn':
            put(note.id, 'inverted-turn', turn(frame, true));
            break;
          case 'delayed-turn':
            put(note.id, 'delayed-turn', delayedTurn(frame, false));
            break;
          case 'delayed-inverted-turn':
            put(note.id, 'delayed-inverted-turn', delayedTurn(frame, true));
            break;
          case 'schleifer': {
            const belowNote: Note = {
              ...note,
              pitch: spellMidi(lower, score.bars[note.bar]?.key.fifths ?? 0),
              midi: note.midi,
            };
            const third = neighbour(score, byBar, { ...belowNote, midi: lower as typeof note.midi }, -1, undefined);
            put(note.id, 'slide', slide(frame, third));
            break;
          }
          case 'tremolo':
            put(note.id, 'tremolo', tremolo(frame));
            break;
          default:
            break;
        }
      }
      if (note.marks.arpeggiate && !note.chord) {
        const chord = (byBar.get(note.bar) ?? [])
          .filter(
            (n) => n.part === note.part && n.onset === note.onset && n.marks.arpeggiate && !n.grace && n.midi !== null,
          )
          .sort((a, b) => (a.midi ?? 0) - (b.midi ?? 0));
        const each = multiply(length, fraction(1, Math.max(8, chord.length * 2)));
        const end = add(q(note.onset), length);
        let at = q(note.onset);
        put(
          note.id,
          'arpeggio',
          chord.map((n) => {
            const here2 = { onset: at, duration: subtract(end, at), midi: n.midi ?? 60 };
            at = add(at, each);
            return here2;
          }),
        );
      }
    });
  }
  return out.sort((a, b) => compare(a.notes[0]?.onset ?? ZERO, b.notes[0]?.onset ?? ZERO));
}
