/** Fingers, strings and valves that stand on the page. */
import type { Fingerable } from '../instruments';
import type { Note, Score } from '../score';

/** What is fixed at a note; a solver takes from it what it knows. */
export interface FingeringLock {
  readonly finger?: string;
  readonly string?: number;
  readonly fret?: number;
  readonly keys?: string;
  /** Number of the position, of a bowed instrument, or the fret under the first finger. */
  readonly position?: number;
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

const ROMAN: Readonly<Record<string, number>> = {
  I: 1,
  II: 2,
  III: 3,
  IV: 4,
  V: 5,
  VI: 6,
  VII: 7,
  VIII: 8,
  IX: 9,
  X: 10,
};
const POSITION =
  /^(?:(\d{1,2}|[IVX]+)(?:st|nd|rd|th|\.|ª|a|e)?\s*(?:pos\.?|position|lage|posizione|posición)|(?:pos\.?|position|lage)\s*(\d{1,2}|[IVX]+))\.?$/i;

/** The position that words name: `III pos.`, `2nd position`, `Lage IV`; null for any others. */
export function positionNamed(words: string): number | null {
  const [, before, behind] = POSITION.exec(words.trim()) ?? [];
  const said = (before ?? behind ?? '').toUpperCase();
  const number = ROMAN[said] ?? Number(said);
  return said !== '' && Number.isInteger(number) && number >= 1 && number <= 12 ? number : null;
}

/** Positions by the first note that is struck where they stand or after. */
function printedPositions(score: Score): ReadonlyMap<string, number> {
  const positions = new Map<string, number>();
  for (const d of score.directions) {
    const position = d.kind === 'words' ? positionNamed(d.text) : null;
    if (position === null) continue;
    const note = score.notes.find((n) => n.part === d.part && n.onset >= d.onset && n.grace === null);
    if (note) positions.set(note.id, position);
  }
  return positions;
}

/**
 * What is printed at the notes of a score, as far as the instrument knows it, by note id.
 *
 * @example printedFingers(scoreOf('!3!C D E F|'), { kind: 'keyboard' }).size // → 1
 */
export function printedFingers(score: Score, fingers: Fingerable): ReadonlyMap<string, FingeringLock> {
  const locks = new Map<string, FingeringLock>();
  const positions = fingers.kind === 'bowed' ? printedPositions(score) : new Map<string, number>();
  for (const n of score.notes) {
    const lock = lockOf(n, fingers);
    const position = positions.get(n.id);
    if (lock || position !== undefined) locks.set(n.id, { ...lock, ...(position === undefined ? {} : { position }) });
  }
  return locks;
}
