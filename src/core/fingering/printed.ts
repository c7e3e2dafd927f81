/** Fingers, strings and valves that stand on the page. */
import type { Fingerable } from '../instruments';
import type { Note, Score } from '../score';

/** What is fixed at a note; a solver takes from it what it knows. */
export interface FingeringLock {
  readonly finger?: string;
  readonly string?: number;
  readonly fret?: number;
  readonly keys?: string;
}

/** Letters of the plucking hand and the like are no fingers of the stopping one. */
const isDigit = (text: string): boolean => /^[0-5]/.test(text);

function stringed({ marks }: Note): FingeringLock | null {
  const finger = marks.fingers.find(isDigit);
  const [string] = marks.strings;
  const [fret] = marks.frets;
  const open = marks.technical.includes('open-string');
  if (finger === undefined && string === undefined && fret === undefined && !open) return null;
  return {
    ...(finger !== undefined ? { finger } : open ? { finger: '0' } : {}),
    ...(string !== undefined && string > 0 ? { string } : {}),
    ...(fret === undefined ? {} : { fret }),
  };
}

function keyed({ marks }: Note, fingers: Extract<Fingerable, { kind: 'wind' }>, shown: string): FingeringLock | null {
  const wanted = shown.replace(/\D/g, '');
  if (wanted === '' || marks.fingers.length === 0) return null;
  const all = [...fingers.chart.notes.values()].flat();
  const way = all.find((w) => w.keys.replace(/\D/g, '') === wanted && !w.keys.includes('|'));
  return way ? { keys: way.keys } : null;
}

function lockOf(note: Note, fingers: Fingerable): FingeringLock | null {
  switch (fingers.kind) {
    case 'keyboard': {
      const finger = note.marks.fingers.find(isDigit);
      return finger === undefined ? null : { finger };
    }
    case 'bowed':
    case 'fretted':
      return stringed(note);
    case 'wind':
      return keyed(note, fingers, note.marks.fingers.join(''));
  }
}

/**
 * What is printed at the notes of a score, as far as the instrument knows it, by note id.
 *
 * @example printedFingers(scoreOf('!3!C D E F|'), { kind: 'keyboard' }).size // → 1
 */
export function printedFingers(score: Score, fingers: Fingerable): ReadonlyMap<string, FingeringLock> {
  const locks = new Map<string, FingeringLock>();
  for (const n of score.notes) {
    const lock = lockOf(n, fingers);
    if (lock) locks.set(n.id, lock);
  }
  return locks;
}
