import { useMemo } from 'react';
import type { FoldedStanding } from '@/core/mastery';
import { standingKey } from '@/core/mastery';
import { placeSections, type PlacedSection } from '@/core/sections';
import type { Score } from '@/core/score';
import { ladderPlayer, type Piece, type StoredWay, type Student } from '@/core/studio';
import { paysAlong, standsAt, walkedWay, type LevelAt, type WalkedPlace } from '@/core/way';
import { useWays } from '@/store';

/** The way of a piece as one student, or everyone, goes it. */
export interface WayModel {
  /** Undefined while loading, null where there is no way yet. */
  readonly places: readonly WalkedPlace[] | null | undefined;
  readonly pays: readonly number[];
  /** All rows, sections and chunks, where they lie. */
  readonly placed: readonly PlacedSection[];
  readonly ways: readonly StoredWay[];
  /** The student's order or what is asked of them is not as the piece's. */
  readonly deviates: boolean;
  readonly levelAt: (studentId: string) => LevelAt;
  /** Names of the students who stand at each place, by its id. */
  readonly standing: ReadonlyMap<string, readonly string[]>;
}

export function useWay(
  piece: Piece,
  score: Score,
  student: Student | null,
  students: readonly Student[],
  standings: ReadonlyMap<string, FoldedStanding> | undefined,
): WayModel {
  const rows = useWays(piece.id);
  const placed = useMemo(() => (rows ? placeSections(score, rows.places) : []), [rows, score]);
  return useMemo((): WayModel => {
    const levelAt =
      (studentId: string): LevelAt =>
      (sectionId) =>
        standings?.get(standingKey(studentId, sectionId))?.level ?? null;
    const player = ladderPlayer(piece, student);
    const ways = rows?.ways ?? [];
    const places = rows ? walkedWay(ways, placed, player, student?.id ?? null) : undefined;
    const standing = new Map<string, string[]>();
    const known = new Set([...(standings?.values() ?? [])].map((s) => s.studentId));
    for (const s of students) {
      if (!known.has(s.id) || ladderPlayer(piece, s) !== player) continue;
      const at = standsAt(walkedWay(ways, placed, player, s.id) ?? [], levelAt(s.id));
      if (at) standing.set(at.section.id, [...(standing.get(at.section.id) ?? []), s.name]);
    }
    const own = ways.find((w) => w.studentId === student?.id && student !== null && w.player === player);
    return {
      places,
      pays: places ? paysAlong(score, places) : [],
      placed,
      ways,
      deviates: own !== undefined && (own.steps !== null || Object.keys(own.aside).length > 0),
      levelAt,
      standing,
    };
  }, [rows, placed, piece, score, student, students, standings]);
}
