import { guessInstrument, INSTRUMENTS, type InstrumentId } from '../instruments';
import type { Note, Part, Score } from '../score';
import { notesOfPart } from './notes-of-part';
import { firstClef, isTablature, tuningOf } from './tablature';

/** What an instrument was told by. */
export type ToldBy = 'name' | 'sound' | 'program' | 'strings' | 'staff' | 'words' | 'clef' | 'nothing';

/** The instrument of a part as far as the file says it. */
export interface PartInstrument {
  readonly instrument: InstrumentId | null;
  readonly by: ToldBy;
  /** Nobody need be asked. */
  readonly sure: boolean;
}

/** Strings that tell their instrument, by the keys of the open ones. */
const STRUNG: readonly InstrumentId[] = ['guitar', 'bass-guitar', 'ukulele', 'mandolin', 'tenor-banjo', 'banjo'];

function byStrings(part: Part): InstrumentId | null {
  const staves = Array.from({ length: part.staves }, (_, i) => i + 1);
  const tab = staves.find((staff) => isTablature(part, staff));
  if (tab === undefined) return null;
  const tuning = tuningOf(part, tab);
  if (tuning === null) return 'guitar';
  const keys = tuning.keys.join();
  const known = STRUNG.find((id) => {
    const { fingers } = INSTRUMENTS[id];
    return fingers?.kind === 'fretted' && fingers.strings.map((s) => s.key).join() === keys;
  });
  // Another tuning of as many strings.
  return known ?? (tuning.keys.length === 6 ? 'guitar' : tuning.keys.length === 5 ? 'banjo' : null);
}

const isUnpitched = (notes: readonly Note[]): boolean => notes.length > 0 && notes.every((n) => n.pitch === null);

/** A part without a name that says it, by its clef, its transposition and its range; only where there is no doubt. */
function byClef(part: Part, notes: readonly Note[]): InstrumentId | null {
  const clef = firstClef(part, 1);
  const { chromatic, octaveChange } = part.transpose;
  const shift = chromatic + 12 * octaveChange;
  const keys = notes.flatMap((n) => (n.midi === null ? [] : [n.midi as number]));
  const lowest = Math.min(...keys);
  if (clef?.sign === 'C' && clef.line === 3) return 'viola';
  if (shift === -7) return 'horn';
  if (shift === -9) return 'saxophone';
  if (clef?.sign === 'F' && shift === -12) return 'bass';
  if (clef?.sign === 'G' && (clef.octaveChange === -1 || shift === -12) && lowest >= 40) return 'guitar';
  if (clef?.sign === 'F' && lowest >= 36 && keys.some((k) => k >= 57)) return 'cello';
  return null;
}

/** Instruments that are called as a voice is. */
const SUNG_TOO: ReadonlySet<InstrumentId> = new Set(['bass', 'euphonium']);

/** Programs that many files give to any part. */
const GIVEN_TO_ALL: readonly number[] = [0];

/**
 * The instrument of a part: by its name, its sound, its program, its strings, its staves and words, then its clef,
 * transposition and range, in that order. `sure` is false where nobody named it.
 *
 * @example instrumentOfPart(score, score.parts[0]).by // → 'nothing'
 */
export function instrumentOfPart(score: Score, part: Part): PartInstrument {
  const said = { name: '', sound: null, program: null };
  const notes = notesOfPart(score, part.id);
  const sings = notes.some((n) => n.marks.lyrics.length > 0);
  const inGroups = [...part.groups].reverse();
  for (const name of [part.name, ...inGroups, part.abbreviation]) {
    const named = guessInstrument({ ...said, name });
    if (named === null) continue;
    // A bass, an alto or a baritone with words to sing is a voice.
    return { instrument: sings && SUNG_TOO.has(named) ? 'voice' : named, by: 'name', sure: true };
  }
  const bySound = guessInstrument({ ...said, sound: part.instrumentSound });
  if (bySound !== null) return { instrument: bySound, by: 'sound', sure: true };
  if (part.drumChannel || isUnpitched(notes)) return { instrument: 'percussion', by: 'program', sure: true };
  const byProgram = part.midiProgram === null ? null : guessInstrument({ ...said, program: part.midiProgram });
  if (byProgram !== null && !GIVEN_TO_ALL.includes(part.midiProgram ?? 0))
    return { instrument: byProgram, by: 'program', sure: true };
  const strung = byStrings(part);
  if (strung !== null) return { instrument: strung, by: 'strings', sure: true };
  if (part.staves >= 2) return { instrument: 'piano', by: 'staff', sure: true };
  if (sings) return { instrument: 'voice', by: 'words', sure: false };
  const clefed = byClef(part, notes);
  if (clefed !== null) return { instrument: clefed, by: 'clef', sure: false };
  return { instrument: byProgram, by: byProgram === null ? 'nothing' : 'program', sure: false };
}
