import { chanceItHolds, dueState, standingKey, type FoldedStanding } from '../mastery';
import { isBehind, isSection, kindOf, type LevelAt, type WalkedPlace } from '../way';
import type { Section } from '../studio';

export interface ToHear {
  readonly pieceId: string;
  /** The section or chunk. */
  readonly sectionId: string;
  /** The section it is listed under: itself, or the one it lies in. */
  readonly under: string;
  readonly state: 'at-risk' | 'due' | 'assigned' | 'next' | 'new' | 'fresh';
  /** 0 to 1; null where nothing can fade yet. */
  readonly chance: number | null;
}

/** A piece in work: its sections, and its way where it has one. */
export interface PieceToHear {
  readonly pieceId: string;
  readonly sections: readonly Pick<Section, 'id' | 'parentId' | 'order' | 'kind'>[];
  readonly places?: readonly WalkedPlace[] | null;
  /** A technique exercise: heard before the pieces, where there is something to hear. */
  readonly isExercise?: boolean;
}

/** Places of the way that are heard next, of one piece. Chosen by us: what fits a lesson. */
const NEXT_PLACES = 3;
const RANK: readonly ToHear['state'][] = ['assigned', 'at-risk', 'due', 'next', 'new', 'fresh'];
const rankOf = ({ state }: ToHear): number => RANK.indexOf(state);

type Known = Pick<ToHear, 'state' | 'chance'>;

interface Asked {
  readonly standings: ReadonlyMap<string, FoldedStanding>;
  readonly studentId: string;
  readonly assigned: ReadonlySet<string>;
  readonly now: string;
}

function knownOf(id: string, { standings, studentId, assigned, now }: Asked): Known {
  const there = standings.get(standingKey(studentId, id));
  const heard = there && there.level !== null ? there : undefined;
  const due = heard ? dueState(heard.fading, heard.at, now) : 'fresh';
  return {
    state: assigned.has(id) ? 'assigned' : !heard || heard.level === 0 ? 'new' : due,
    chance: heard?.fading ? chanceItHolds(heard.fading, heard.at, now) : null,
  };
}

/** Chunks and joins of a piece: those that were given, and the next ones of the way. */
function chunksToHear(piece: PieceToHear, asked: Asked): readonly ToHear[] {
  const levelAt: LevelAt = (id) => asked.standings.get(standingKey(asked.studentId, id))?.level ?? null;
  const places = piece.places ?? [];
  const next = new Set(
    places
      .filter((p) => !isBehind(p, levelAt))
      .slice(0, NEXT_PLACES)
      .map((p) => p.section.id),
  );
  return places.flatMap((p): readonly ToHear[] => {
    const { id } = p.section;
    const isGiven = asked.assigned.has(id);
    if (kindOf(p.section) === 'section' || (!isGiven && !next.has(id))) return [];
    const known = knownOf(id, asked);
    return [
      {
        pieceId: piece.pieceId,
        sectionId: id,
        under: p.inside ?? p.section.parentId ?? id,
        state: isGiven ? 'assigned' : 'next',
        chance: known.chance,
      },
    ];
  });
}

/**
 * What to hear in a lesson: piece by piece, the piece first that has most to be heard, and in it section by section
 * with the chunks that were given or come next. A section goes by the most urgent of what is under it: assigned last
 * week, at risk, due, next on the way, new, the rest.
 *
 * @example
 * sectionsToHear([{ pieceId: 'p', sections: [section('a', 0, 3)] }], new Map(), 's', new Set(),
 *   '2026-05-20T15:00:00.000Z') // → [{ pieceId: 'p', sectionId: 'a', under: 'a', state: 'new', chance: null }]
 */
export function sectionsToHear(
  pieces: readonly PieceToHear[],
  standings: ReadonlyMap<string, FoldedStanding>,
  studentId: string,
  assigned: ReadonlySet<string>,
  now: string,
): ToHear[] {
  const asked: Asked = { standings, studentId, assigned, now };
  const groups = pieces.flatMap((piece, order) => {
    const chunks = chunksToHear(piece, asked);
    const sections = piece.sections
      .filter((s) => s.parentId === null && isSection(s))
      .sort((a, b) => a.order - b.order)
      .map((s): ToHear => ({ pieceId: piece.pieceId, sectionId: s.id, under: s.id, ...knownOf(s.id, asked) }));
    // Sections whose chunks are on the way come as wholes when their time is there.
    const hasWay = (piece.places ?? null) !== null;
    const listed = sections.filter((s) => !hasWay || s.state !== 'new' || chunks.length === 0);
    const own = new Set(listed.map((s) => s.sectionId));
    const heads = chunks.filter((c) => !own.has(c.under)).map((c) => c.under);
    const under = [...new Set([...listed.map((s) => s.sectionId), ...heads])];
    return under.map((id) => ({
      order,
      items: [...chunks.filter((c) => c.under === id), ...listed.filter((s) => s.sectionId === id)],
    }));
  });
  const urgency = (items: readonly ToHear[]): number => Math.min(...items.map(rankOf));
  const ofPiece = pieces.map(({ isExercise = false }, order) => {
    const most = Math.min(Infinity, ...groups.filter((g) => g.order === order).map((g) => urgency(g.items)));
    return isExercise && most < RANK.indexOf('fresh') ? -1 : most;
  });
  return groups
    .map((g, at) => ({ ...g, at }))
    .sort(
      (a, b) =>
        (ofPiece[a.order] ?? 0) - (ofPiece[b.order] ?? 0) ||
        a.order - b.order ||
        urgency(a.items) - urgency(b.items) ||
        a.at - b.at,
    )
    .flatMap((g) => g.items);
}
