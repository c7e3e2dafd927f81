import { add, compare, meterQuarters, ZERO, type Aside, type Fraction, type TimeModification } from '../../score';
import { LIMITS } from '../limits';
import { child, childText, childrenNamed, type XmlElement } from '../xml-tree';
import type { Cursor } from './cursor';
import { integer } from './integer';
import { readMarks, tieRole } from './notations';
import { valueQuarters } from './note-values';
import type { PartState, Warn } from './part-state';
import { readPitch } from './pitch';
import type { RawNote } from './raw-measure';

const MOST_TUPLET = 128;

function readTimeModification(note: XmlElement): TimeModification | null {
  const element = child(note, 'time-modification');
  const actual = element ? integer(childText(element, 'actual-notes')) : null;
  const normal = element ? integer(childText(element, 'normal-notes')) : null;
  return actual && normal && actual > 0 && normal > 0 && actual <= MOST_TUPLET && normal <= MOST_TUPLET
    ? { actual, normal }
    : null;
}

/** The written value of a note. */
type Written = Pick<RawNote, 'value' | 'dots' | 'timeModification'>;

/** How long a note or rest is: as it is said, else by its note value; a rest without either fills the bar. */
function durationOf(
  note: XmlElement,
  rest: XmlElement | undefined,
  { value, dots, timeModification }: Written,
  { state, cursor, warn }: NoteContext,
): Fraction {
  const text = childText(note, 'duration');
  const said = cursor.lengthOf(text, rest ? 'a rest' : 'a note');
  const fromValue = value ? valueQuarters(value, dots, timeModification) : null;
  if (said === null && fromValue === null && text === undefined)
    warn('no-duration', 'a note has neither a length nor a note value; it is kept with no length');
  const nominal = meterQuarters(state.meter);
  const duration = said ?? fromValue ?? (rest ? nominal : ZERO);
  const fillsBar = rest?.attributes['measure'] === 'yes' && nominal.n > 0;
  return fillsBar && compare(duration, nominal) > 0 ? nominal : duration;
}

function staffOf(note: XmlElement, state: PartState, warn: Warn): number {
  const staff = integer(childText(note, 'staff')) ?? 1;
  if (staff < 1 || staff > LIMITS.staves) {
    warn('bad-staff', `a note stands on staff ${staff}; it is read on staff 1`);
    return 1;
  }
  state.staves = Math.max(state.staves, staff);
  return staff;
}

/** The key of a note without a pitch: that of its instrument, or of the only one there is. */
function unpitchedKey(note: XmlElement, { unpitched }: PartState): number | null {
  if (!child(note, 'unpitched')) return null;
  const instrument = child(note, 'instrument')?.attributes['id'];
  const only = unpitched.size === 1 ? [...unpitched.values()][0] : undefined;
  return (instrument ? unpitched.get(instrument) : only) ?? null;
}

/** Why a note or rest is not played as it stands; null where it is. */
function asideOf(note: XmlElement, staff: number, state: PartState): Aside | null {
  if (child(note, 'cue')) return 'cue';
  if (note.attributes['print-object'] === 'no') return 'hidden';
  if (state.slashes || childText(note, 'notehead') === 'slash') return 'slash';
  return state.asideStaves.get(staff) ?? null;
}

/** `1, 3` as the passes 1 and 3; null where nothing is said. */
function passesOf(text: string | undefined): readonly number[] | null {
  const passes = (text ?? '').split(',').flatMap((t) => integer(t) ?? []);
  return passes.length > 0 ? passes : null;
}

export interface NoteContext {
  readonly state: PartState;
  readonly cursor: Cursor;
  readonly warn: Warn;
  readonly sourceIndex: number;
  /** Onset of the note that a chord note joins; null where there is none. */
  readonly chordOnset: Fraction | null;
}

/** Reads `<note>` and moves the cursor past it, unless it is part of a chord. `state` learns of a further staff. */
export function readNote(note: XmlElement, context: NoteContext): RawNote {
  const { state, cursor, warn, chordOnset } = context;
  const rest = child(note, 'rest');
  const grace = child(note, 'grace');
  const saysChord = child(note, 'chord') !== undefined;
  const chord = saysChord && chordOnset !== null && !rest;
  if (saysChord && !chord)
    warn('chord-without-note', 'a chord note has no note before it; it is read as a note of its own');
  const written: Written = {
    value: childText(note, 'type') ?? null,
    dots: childrenNamed(note, 'dot').length,
    timeModification: readTimeModification(note),
  };
  const duration = grace ? ZERO : durationOf(note, rest, written, context);
  const onset = chord ? chordOnset : cursor.at;
  const staff = staffOf(note, state, warn);
  const { marks, tied } = readMarks(note);
  const pitch = child(note, 'pitch');
  if (!pitch && !child(note, 'unpitched') && !rest) warn('bad-pitch', 'a note has no pitch; it is kept without one');
  const transpose = state.transposeByStaff.get(staff) ?? state.transpose;
  const read: RawNote = {
    kind: rest ? 'rest' : 'note',
    writtenId: note.attributes['id'] ?? null,
    sourceIndex: context.sourceIndex,
    staff,
    voice: childText(note, 'voice') || '1',
    onset,
    duration,
    ...written,
    pitch: pitch ? readPitch(pitch, warn) : null,
    midiUnpitched: unpitchedKey(note, state),
    grace: grace ? { slash: grace.attributes['slash'] === 'yes' } : null,
    aside: asideOf(note, staff, state),
    chord,
    tie: tieRole(note, tied),
    timeOnly: passesOf(note.attributes['time-only']),
    wholeBar: rest?.attributes['measure'] === 'yes',
    marks,
    transposed: transpose.chromatic + 12 * transpose.octaveChange,
  };
  if (chord) cursor.reachTo(add(onset, duration));
  else if (!grace) cursor.forward(duration);
  return read;
}
