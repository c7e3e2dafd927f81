/** The same material gets the same fingers: which columns came before, and how they were fingered. */
import { isBlackKey, staffPosition, type Note, type Score } from '../../score';
import type { HandColumn } from './hands';
import type { Assignment } from './solve';

/** Where the notes of a column came before, and how. */
export interface Model {
  readonly bar: number;
  readonly column: number;
  readonly fingers: Assignment;
  /** The very same notes, or the same figure on other steps of the scale. */
  readonly kind: 'same' | 'figure';
  /** Its fingers would put the thumb on a black key that was white there. */
  readonly blackKeys: boolean;
}

/** Columns of a figure; fewer say nothing of a hand. */
const LEAST_FIGURE = 3;

/** Semitones over which a hand lies without moving: a figure within them is played from where the hand is. */
const ONE_PLACE = 9;

/** The hand goes with the figure from the one bar to the other. */
function handMoves(a: readonly number[], b: readonly number[], columns: readonly HandColumn[]): boolean {
  const keys = [...a, ...b].flatMap((i) => columns[i]?.notes.map((n) => n.midi ?? 60) ?? []);
  return Math.max(...keys) - Math.min(...keys) > ONE_PLACE;
}

/** Columns of a bar that came before, as it is or on other steps, and the fingers it had then. */
export function earlierFingers(
  score: Score,
  columns: readonly HandColumn[],
  fingers: readonly Assignment[],
): ReadonlyMap<number, Model> {
  const byBar = new Map<number, number[]>();
  columns.forEach((c, i) => {
    const bar = c.notes[0]?.bar ?? 0;
    const there = byBar.get(bar);
    if (there) there.push(i);
    else byBar.set(bar, [i]);
  });
  const firstSame = new Map<string, number>();
  const firstFigure = new Map<string, number>();
  const out = new Map<number, Model>();
  for (const [bar, list] of byBar) {
    const start = score.bars[bar]?.onset ?? 0;
    const zero = columns[list[0] ?? 0]?.notes[0]?.pitch;
    const face = (of: (n: Note) => string): string =>
      list.map((i) => `${(columns[i]?.onset ?? 0) - start}:${columns[i]?.notes.map(of).join('+') ?? ''}`).join(' ');
    const same = face((n) => String(n.midi));
    const figure = face((n) => (n.pitch && zero ? String(staffPosition(n.pitch) - staffPosition(zero)) : '?'));
    const sameBar = firstSame.get(same);
    const figureBar = list.length < LEAST_FIGURE || figure.includes('?') ? undefined : firstFigure.get(figure);
    if (sameBar === undefined) firstSame.set(same, bar);
    if (!firstFigure.has(figure)) firstFigure.set(figure, bar);
    const model = sameBar ?? figureBar;
    const before = byBar.get(model ?? -1) ?? [];
    if (model === undefined || (sameBar === undefined && !handMoves(before, list, columns))) continue;
    const blackKeys =
      sameBar === undefined &&
      list.some((i, k) =>
        columns[i]?.notes.some(
          (n, v) =>
            fingers[before[k] ?? -1]?.[v] === 1 &&
            isBlackKey(n.midi ?? 0) &&
            !isBlackKey(columns[before[k] ?? -1]?.notes[v]?.midi ?? 0),
        ),
      );
    list.forEach((i, k) => {
      const column = before[k] ?? -1;
      const f = fingers[column];
      if (f) out.set(i, { bar: model, column, fingers: f, kind: sameBar === undefined ? 'figure' : 'same', blackKeys });
    });
  }
  return out;
}
