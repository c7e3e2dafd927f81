import type { Level, Section, StoredWay, Aside } from '../studio';
import type { PlacedSection } from '../sections';
import { playedSecondsOfBars, type Score } from '../score';
import { firstBarOf } from './kept-shapes';
import { mergeWay } from './merge-way';

/** A place of a way as it is kept, for everyone or for one student. */
export interface WalkedPlace {
  readonly section: Section;
  /** Bars as indexes, both included, without an upbeat. */
  readonly from: number;
  readonly to: number;
  /** The section that holds all of it; null for sections, the piece, and joins of sections. */
  readonly inside: string | null;
  readonly why: string;
  readonly aside: Aside | null;
  /** It stands otherwise for this student than for the piece. */
  readonly deviates: boolean;
}

export type WalkedKind = NonNullable<Section['kind']>;

/**
 * What a row of a way is.
 *
 * @example kindOf(section('a', 0, 3)) // → 'section'
 */
export const kindOf = (section: Pick<Section, 'kind'>): WalkedKind => section.kind ?? 'section';

/**
 * The level at which a place of the way is left for the next one: steady for chunks and joins, joined for lines, at
 * tempo for sections and the piece **[common practice]**; the highest that is heard of chunks is joined.
 */
export const LEAVES_AT: Readonly<Record<WalkedKind, Level>> = { chunk: 2, join: 2, phrase: 3, section: 4, piece: 4 };
export const HIGHEST: Readonly<Record<WalkedKind, Level>> = { chunk: 3, join: 3, phrase: 3, section: 5, piece: 5 };

const wayRow = (
  ways: readonly StoredWay[],
  player: string | undefined,
  studentId: string | null,
): StoredWay | undefined => ways.find((w) => w.studentId === studentId && w.player === player);

/**
 * The way as a student goes it: the piece's, changed where the student's own says so; what is put off comes before the
 * whole piece. Null where there is none yet.
 *
 * @example walkedWay([], [], undefined, null) // → null
 */
export function walkedWay(
  ways: readonly StoredWay[],
  placed: readonly PlacedSection[],
  player: string | undefined,
  studentId: string | null,
): readonly WalkedPlace[] | null {
  const base = wayRow(ways, player, null);
  const own = studentId === null ? undefined : wayRow(ways, player, studentId);
  if (!base?.steps) return null;
  // What is new on the piece's way stands in a student's own order where it follows.
  const steps = own?.steps
    ? mergeWay({ steps: own.steps, own: true, removed: [] }, base.steps, () => false)
    : base.steps;
  const byId = new Map(placed.map((p) => [p.section.id, p] as const));
  const places = steps.flatMap(({ sectionId, why }): readonly WalkedPlace[] => {
    const p = byId.get(sectionId);
    if (!p) return [];
    const mine = own?.aside[sectionId];
    const aside = mine ?? base.aside[sectionId] ?? null;
    return [
      {
        section: p.section,
        from: firstBarOf(p),
        to: p.to,
        inside: kindOf(p.section) === 'section' ? null : p.section.parentId,
        why,
        aside,
        deviates: mine !== undefined,
      },
    ];
  });
  const isLater = (p: WalkedPlace): boolean => p.aside === 'later';
  const isPiece = (p: WalkedPlace): boolean => kindOf(p.section) === 'piece';
  return [
    ...places.filter((p) => !isLater(p) && !isPiece(p)),
    ...places.filter(isLater),
    ...places.filter((p) => isPiece(p) && !isLater(p)),
  ];
}

/**
 * A place that counts: not left out on purpose.
 *
 * @example isOnTheWay(walked('x', 0, 1)) // → true
 */
export const isOnTheWay = (place: WalkedPlace): boolean => place.aside !== 'skipped';

/**
 * Share of the playing time that is known after each place, 0 to 1; bars that are left out on purpose are not counted.
 * One hand alone pays for nothing yet.
 *
 * @example paysAlong(score, [walked('x', 0, 1), walked('y', 2, 7)]) // → [0.25, 1]
 */
export function paysAlong(score: Score, places: readonly WalkedPlace[]): readonly number[] {
  const seconds = playedSecondsOfBars(score);
  const on = places.filter(isOnTheWay);
  const counted = new Set<number>();
  const isWhole = (p: WalkedPlace): boolean => p.section.hand === 'all' && kindOf(p.section) !== 'join';
  for (const p of on)
    if (isWhole(p) && kindOf(p.section) !== 'piece') for (let b = p.from; b <= p.to; b += 1) counted.add(b);
  const total = [...counted].reduce((sum, b) => sum + (seconds[b] ?? 0), 0);
  let sum = 0;
  return places.map((p) => {
    if (isOnTheWay(p) && isWhole(p))
      for (let b = p.from; b <= p.to; b += 1) if (counted.delete(b)) sum += seconds[b] ?? 0;
    return total > 0 ? Math.min(1, sum / total) : 1;
  });
}

/**
 * Bars that are known with some places of a way, all hands together; joins bring none of their own.
 *
 * @example [...barsOfPlaces([walked('x', 0, 1)])] // → [0, 1]
 */
export const barsOfPlaces = (places: readonly WalkedPlace[]): ReadonlySet<number> =>
  new Set(
    places
      .filter((p) => p.section.hand === 'all' && kindOf(p.section) !== 'join' && isOnTheWay(p))
      .flatMap((p) => Array.from({ length: p.to - p.from + 1 }, (_, i) => p.from + i)),
  );

/** What is known of a student at a place. */
export type LevelAt = (sectionId: string) => Level | null;

/**
 * Whether a place is behind a student: heard as far as it needs, known already, left out, or part of a section that was
 * heard as far as a whole.
 *
 * @example isBehind(walked('x', 0, 1), () => 2) // → true
 */
export const isBehind = (place: WalkedPlace, levelAt: LevelAt): boolean =>
  place.aside === 'known' ||
  place.aside === 'skipped' ||
  (place.inside !== null && (levelAt(place.inside) ?? 0) >= LEAVES_AT[kindOf(place.section)]) ||
  (levelAt(place.section.id) ?? 0) >= LEAVES_AT[kindOf(place.section)];

/**
 * Where a student stands on the way: the first place that is not behind; null at its end.
 *
 * @example
 * standsAt([walked('x', 0, 1), walked('y', 2, 3)], (id) => (id === 'x' ? 3 : null)).section.id // → 'y'
 */
export const standsAt = (places: readonly WalkedPlace[], levelAt: LevelAt): WalkedPlace | null =>
  places.find((p) => !isBehind(p, levelAt)) ?? null;
