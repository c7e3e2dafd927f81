import { struckNotes, type Note, type Score } from '../score';

/** Where a piece runs along a scale or breaks its chords: the first bar of each, as an index; null where nowhere. */
export interface FiguresIn {
  readonly scale: number | null;
  readonly arpeggio: number | null;
}

/** So many steps one way are a piece of a scale. */
const RUN_LENGTH = 5;
/** So many chord notes one way are a broken chord. */
const BROKEN_LENGTH = 4;

/** Notes of each voice, one after the other; of a chord its first. */
function lines(score: Score): readonly (readonly Note[])[] {
  const out = new Map<string, Note[]>();
  for (const { note } of struckNotes(score.notes)) {
    if (note.chord || note.midi === null || note.grace !== null) continue;
    const key = `${note.part} ${note.staff} ${note.voice}`;
    const line = out.get(key);
    if (line) line.push(note);
    else out.set(key, [note]);
  }
  return [...out.values()];
}

/** The first bar in which so many notes go one way by intervals of some sizes. */
function firstRun(line: readonly Note[], [least, most]: readonly [number, number], length: number): number | null {
  let run = 1;
  let way = 0;
  for (let i = 1; i < line.length; i += 1) {
    const by = (line[i]?.midi ?? 0) - (line[i - 1]?.midi ?? 0);
    const size = Math.abs(by);
    const isOf = size >= least && size <= most;
    run = !isOf ? 1 : way === 0 || Math.sign(by) === way ? run + 1 : 2;
    way = isOf ? Math.sign(by) : 0;
    if (run >= length) return line[i - length + 1]?.bar ?? null;
  }
  return null;
}

const earliest = (bars: readonly (number | null)[]): number | null => {
  const found = bars.filter((b) => b !== null);
  return found.length === 0 ? null : Math.min(...found);
};

/**
 * The figures of technique that a piece is made of.
 *
 * @example figuresIn(score).arpeggio // → null
 */
export function figuresIn(score: Score): FiguresIn {
  const all = lines(score);
  return {
    scale: earliest(all.map((line) => firstRun(line, [1, 2], RUN_LENGTH))),
    arpeggio: earliest(all.map((line) => firstRun(line, [3, 5], BROKEN_LENGTH))),
  };
}
