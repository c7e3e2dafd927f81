import type { Note, Score } from './model';

/** What became of the bars and notes of an earlier edition in a later one. */
export interface EditionMatch {
  /** Earlier bar id → later bar id, for bars that are there in both. */
  readonly bars: ReadonlyMap<string, string>;
  /** Earlier note id → later note id, for notes that did not change. */
  readonly notes: ReadonlyMap<string, string>;
  /** Later bars with something new in them, by index. */
  readonly changedBars: readonly number[];
  /** Earlier bars that are gone, by id. */
  readonly lostBars: readonly string[];
}

/** A note as far as it can be told apart inside its bar. */
const noteFace = (score: Score, note: Note): string => {
  const bar = score.bars[note.bar];
  const part = score.parts.findIndex((p) => p.id === note.part);
  const at = ((note.onset - (bar?.onset ?? 0)) / score.ticksPerQuarter).toFixed(6);
  return `${part} ${note.staff} ${at} ${(note.duration / score.ticksPerQuarter).toFixed(6)} ${note.midi ?? 'x'} ${note.grace ? 'g' : ''}`;
};

/** Same place and pitch in the bar, whatever its length and voice: still the note a mark was put on. */
const notePlace = (score: Score, note: Note): string =>
  noteFace(score, note)
    .split(' ')
    .filter((_, i) => i !== 3)
    .join(' ');

function notesByBar(score: Score): Note[][] {
  const out: Note[][] = score.bars.map(() => []);
  for (const n of score.notes) out[n.bar]?.push(n);
  return out;
}

/** Most cells of the alignment table: 4,000 bars against 4,000. Longer pieces are matched bar by bar in order. */
const MOST_CELLS = 16_000_000;

/**
 * Pairs of indexes of a cheapest alignment of two rows of bars; equal bars pair first, changed ones pair when they
 * stand at the same place between equals.
 */
function alignBars(
  before: readonly string[],
  after: readonly string[],
  alike: (i: number, j: number) => number,
): [number, number][] {
  const n = before.length;
  const m = after.length;
  if (n * m > MOST_CELLS) return Array.from({ length: Math.min(n, m) }, (_, i) => [i, i]);
  const best = Array.from({ length: n + 1 }, () => new Float64Array(m + 1));
  const at = (i: number, j: number): number => best[i]?.[j] ?? 0;
  for (let i = n - 1; i >= 0; i -= 1)
    for (let j = m - 1; j >= 0; j -= 1) {
      const pair = at(i + 1, j + 1) + (before[i] === after[j] ? 1 : 0.9 * alike(i, j));
      const row = best[i];
      if (row) row[j] = Math.max(pair, at(i + 1, j), at(i, j + 1));
    }
  const pairs: [number, number][] = [];
  let i = 0;
  let j = 0;
  while (i < n && j < m) {
    const pair = at(i + 1, j + 1) + (before[i] === after[j] ? 1 : 0.9 * alike(i, j));
    if (pair >= at(i + 1, j) && pair >= at(i, j + 1) && pair > at(i + 1, j + 1)) {
      pairs.push([i, j]);
      i += 1;
      j += 1;
    } else if (at(i + 1, j) >= at(i, j + 1)) i += 1;
    else j += 1;
  }
  return pairs;
}

/**
 * Finds the bars and notes of an earlier edition in a later one by what they hold: bars by a longest common run, where
 * a changed bar still pairs by the share of notes it keeps; notes inside paired bars by place, length and pitch, then
 * by place and pitch. Ids play no part, since a corrected file may number everything anew.
 */
export function matchEditions(before: Score, after: Score): EditionMatch {
  const oldNotes = notesByBar(before);
  const newNotes = notesByBar(after);
  const face = (score: Score, notes: readonly Note[]): string =>
    notes
      .map((n) => noteFace(score, n))
      .sort()
      .join('|');
  const oldFaces = oldNotes.map((list) => face(before, list));
  const newFaces = newNotes.map((list) => face(after, list));
  const oldSets = oldFaces.map((f) => new Set(f.split('|')));
  const newLists = newFaces.map((f) => f.split('|'));
  const alike = (i: number, j: number): number => {
    const mine = oldSets[i];
    const theirs = newLists[j];
    if (!mine || !theirs || mine.has('') || theirs[0] === '') return 0;
    return (2 * theirs.filter((n) => mine.has(n)).length) / (mine.size + theirs.length);
  };
  const pairs = alignBars(oldFaces, newFaces, alike);
  const bars = new Map<string, string>();
  const notes = new Map<string, string>();
  const paired = new Set<number>();
  const changed = new Set<number>();
  for (const [i, j] of pairs) {
    const from = before.bars[i];
    const to = after.bars[j];
    if (!from || !to) continue;
    bars.set(from.id, to.id);
    paired.add(j);
    if (oldFaces[i] !== newFaces[j]) changed.add(j);
    const free = new Set(newNotes[j] ?? []);
    for (const key of [noteFace, notePlace])
      for (const note of oldNotes[i] ?? []) {
        if (notes.has(note.id)) continue;
        const found = [...free].find((n) => key(after, n) === key(before, note));
        if (!found) continue;
        notes.set(note.id, found.id);
        free.delete(found);
      }
  }
  after.bars.forEach((_, j) => {
    if (!paired.has(j)) changed.add(j);
  });
  return {
    bars,
    notes,
    changedBars: [...changed].sort((a, b) => a - b),
    lostBars: before.bars.filter((b) => !bars.has(b.id)).map((b) => b.id),
  };
}
