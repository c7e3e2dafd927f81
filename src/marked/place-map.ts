import type { FingeredNote } from '@/core/fingering';
import { instrumentOf, type InstrumentId } from '@/core/instruments';
import type { Note, Score } from '@/core/score';
import type { HandMapDrawing } from '@/ui';
import { fingerAt } from './finger-view';
import { stringNames } from './player-strings';
import type { SeenMarks } from './seen-marks';

const NOTHING: ReadonlyMap<string, FingeredNote> = new Map();
const NONE: ReadonlySet<string> = new Set();

/** The notes with which a staff begins in some bars. */
function firstOf(played: Score, staff: number, from: number, to: number): readonly Note[] {
  const part = played.parts[0]?.id;
  const mine = played.notes.filter(
    (n) => n.part === part && n.staff === staff && n.bar >= from && n.bar <= to && n.grace === null,
  );
  return mine.filter((n) => n.onset === mine[0]?.onset);
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
  const textOf = (n: Note): string => fingerAt(n, fingers, NOTHING, NONE)?.text ?? '';
  if (instrumentOf(instrument).family === 'keyboard') {
    const keys = [1, 2].flatMap((staff) =>
      firstOf(played, staff, from, to).flatMap((n) =>
        n.midi === null
          ? []
          : [{ midi: n.midi as number, finger: textOf(n), hand: staff === 1 ? ('right' as const) : ('left' as const) }],
      ),
    );
    return keys.length > 0 ? { kind: 'keyboard', keys } : null;
  }
  const names = stringNames(instrument);
  const stops = firstOf(played, 1, from, to).flatMap((n) => {
    const mark = fingers.get(n.id);
    const string = mark?.string ?? n.marks.strings[0];
    const fret = mark?.fret ?? n.marks.frets[0];
    const finger = textOf(n);
    return string === undefined || finger === '' ? [] : [{ string, fret: fret ?? Number(finger), finger }];
  });
  return names.length > 0 && stops.length > 0 ? { kind: 'strings', names, stops } : null;
}
