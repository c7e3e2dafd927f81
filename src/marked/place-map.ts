import type { FingeredNote } from '@/core/fingering';
import { instrumentOf, type InstrumentId } from '@/core/instruments';
import type { Note, Score } from '@/core/score';
import type { HandMapDrawing } from '@/ui';
import { fingerAt } from './finger-view';
import { handMapOf, type TakenNote } from './hand-map-of';
import { stringNames } from './player-strings';
import type { SeenMarks } from './seen-marks';

const NOTHING: ReadonlyMap<string, FingeredNote> = new Map();
const NONE: ReadonlySet<string> = new Set();

/** As it was chosen, else as it is printed. */
function takenBy(n: Note, fingers: SeenMarks['fingers']): TakenNote | null {
  const mark = fingers.get(n.id);
  const finger = fingerAt(n, fingers, NOTHING, NONE)?.text ?? '';
  const string = finger === '' ? undefined : (mark?.string ?? n.marks.strings[0]);
  const fret = mark?.fret ?? n.marks.frets[0];
  return { finger, ...(string === undefined ? {} : { string }), ...(fret === undefined ? {} : { fret }) };
}

/**
 * Where the hands are when some bars begin, by the fingers that are chosen or printed; null where these do not say.
 */
export function placeMap(
  played: Score,
  instrument: InstrumentId,
  { fingers }: Pick<SeenMarks, 'fingers'>,
  [from, to]: readonly [number, number],
): HandMapDrawing | null {
  const part = played.parts[0]?.id;
  const staff = (which: number): readonly Note[] =>
    played.notes.filter((n) => n.part === part && n.staff === which && n.bar >= from && n.bar <= to);
  return handMapOf({
    kind: instrumentOf(instrument).startMap,
    upper: staff(1),
    lower: staff(2),
    taken: (n) => takenBy(n, fingers),
    strings: stringNames(instrument),
  });
}
