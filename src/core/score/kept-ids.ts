import { matchEditions, type EditionMatch } from './match-editions';
import type { Score } from './model';

/**
 * Ids that bars and notes keep through later editions of a piece: id as the document is read → id as it was first
 * known. Ids that are the same are left out. `edition` counts the editions, so that what is new never gets an id that
 * something lost had.
 */
export interface KeptIds {
  readonly edition: number;
  readonly bars: Readonly<Record<string, string>>;
  readonly notes: Readonly<Record<string, string>>;
}

/**
 * A score under the ids it keeps; the score itself where none are kept.
 *
 * @example withKeptIds(score, null) === score // → true
 */
export function withKeptIds(score: Score, kept: KeptIds | null | undefined): Score {
  if (!kept) return score;
  const bar = new Map(Object.entries(kept.bars));
  const note = new Map(Object.entries(kept.notes));
  return {
    ...score,
    bars: score.bars.map((b) => ({ ...b, id: bar.get(b.id) ?? b.id })),
    notes: score.notes.map((n) => ({ ...n, id: note.get(n.id) ?? n.id })),
  };
}

/** A new edition told apart from the one before it. */
export interface KeptEdition {
  readonly kept: KeptIds;
  readonly match: EditionMatch;
  /** Later bars that the earlier edition has no partner of, by index. */
  readonly newBars: readonly number[];
}

function renamed(
  read: readonly string[],
  partner: ReadonlyMap<string, string>,
  edition: number,
): Record<string, string> {
  const out: Record<string, string> = {};
  for (const id of read) {
    const kept = partner.get(id) ?? `e${edition}-${id}`;
    if (kept !== id) out[id] = kept;
  }
  return out;
}

/**
 * The ids of a score that is laid over bars of which nothing was known but their order: bar by bar from the first on.
 * Its notes are new.
 *
 * @example keepBarsInOrder(score, score, 2).newBars // → []
 */
export function keepBarsInOrder(before: Score, after: Score, edition: number): KeptEdition {
  const bars = new Map(after.bars.flatMap((b, i) => (before.bars[i] ? [[b.id, before.bars[i].id] as const] : [])));
  return {
    kept: {
      edition,
      bars: renamed(
        after.bars.map((b) => b.id),
        bars,
        edition,
      ),
      notes: {},
    },
    match: {
      bars: new Map([...bars].map(([later, earlier]) => [earlier, later])),
      notes: new Map(),
      changedBars: [],
      lostBars: before.bars.slice(after.bars.length).map((b) => b.id),
    },
    newBars: after.bars.slice(before.bars.length).map((b) => b.index),
  };
}

/**
 * The ids of a later edition: what is matched by its content keeps its id, so that marks and sections stay on it
 * without being touched; what is new gets an id of its own, never that of something lost. `before` is under its kept
 * ids, `after` as it was read.
 *
 * @example keepIds(score, score, 2).newBars // → []
 */
export function keepIds(before: Score, after: Score, edition: number): KeptEdition {
  const match = matchEditions(before, after);
  const barOf = new Map([...match.bars].map(([earlier, later]) => [later, earlier]));
  const noteOf = new Map([...match.notes].map(([earlier, later]) => [later, earlier]));
  return {
    kept: {
      edition,
      bars: renamed(
        after.bars.map((b) => b.id),
        barOf,
        edition,
      ),
      notes: renamed(
        after.notes.map((n) => n.id),
        noteOf,
        edition,
      ),
    },
    match,
    newBars: after.bars.flatMap((b) => (barOf.has(b.id) ? [] : [b.index])),
  };
}
