import type { FoldedStanding } from '../mastery';
import type { Level } from '../studio';
import { kindOf, type WalkedPlace } from './walked-way';

/** Where a student stands on a section, and what that is known from. */
export interface SectionLevel {
  /** Null where too little was heard to say. */
  readonly level: Level | null;
  /** The whole was heard; all its chunks and joins were; some of them; nothing. */
  readonly from: 'whole' | 'chunks' | 'some' | 'nothing';
  /** Chunks and joins heard, of how many. */
  readonly heard: number;
  readonly of: number;
}

/** What is known already counts as joined, the highest that a chunk goes to. */
const KNOWN: Level = 3;

/**
 * The level of a section: the latest hearing of the whole; until there is one the weakest of its chunks and joins, once
 * all of them are heard.
 *
 * @example sectionLevel(undefined, [], new Map()).from // → 'nothing'
 */
export function sectionLevel(
  whole: Pick<FoldedStanding, 'level'> | undefined,
  inside: readonly WalkedPlace[],
  levels: ReadonlyMap<string, Level | null>,
): SectionLevel {
  const places = inside.filter(
    (p) => kindOf(p.section) !== 'section' && kindOf(p.section) !== 'piece' && p.aside !== 'skipped',
  );
  const known = places.map((p) => (p.aside === 'known' ? KNOWN : (levels.get(p.section.id) ?? null)));
  const heard = known.filter((level) => level !== null);
  const counts = { heard: heard.length, of: places.length };
  if (whole && whole.level !== null) return { level: whole.level, from: 'whole', ...counts };
  if (heard.length === 0) return { level: null, from: 'nothing', ...counts };
  if (heard.length < places.length) return { level: null, from: 'some', ...counts };
  return { level: Math.min(KNOWN, ...heard) as Level, from: 'chunks', ...counts };
}

/**
 * Once a section is joined only the section falls due, not its chunks.
 *
 * @example chunksFallDue({ level: 3, from: 'chunks', heard: 4, of: 4 }) // → false
 */
export const chunksFallDue = (section: SectionLevel): boolean => (section.level ?? 0) < KNOWN;
