import { barDifficulties } from '@/core/difficulty';
import { startTempo } from '@/core/ladder';
import { tempoAt } from '@/core/score';
import { ticks } from '@/core/units';
import type { DemoStudent } from './demo-students';
import type { PlayedPiece } from './played-piece';

/** One section that a student of the demo works on, and how far it has come. */
export interface SectionAtWork {
  readonly piece: PlayedPiece;
  readonly section: PlayedPiece['sections'][number];
  /** Lessons before today's when it was begun. */
  readonly begun: number;
  /** Average difficulty of its bars. */
  readonly hard: number;
  readonly start: number;
  readonly target: number;
  /** Roughly the level; grows from lesson to lesson. */
  skill: number;
  /** Rungs done. */
  climbed: number;
  /** Lessons in which it was secure, one after the other. */
  secureFor: number;
  heldBefore: boolean;
}

/** The sections of a student's pieces before the first lesson; the later ones of a piece are begun later. */
export function workOf(student: DemoStudent, pieces: ReadonlyMap<string, PlayedPiece>): SectionAtWork[] {
  return student.pieces.flatMap(([pieceId, begun]) => {
    const piece = pieces.get(pieceId);
    if (!piece) return [];
    const difficulties = barDifficulties(piece.score);
    const target = Math.round(tempoAt(piece.score, ticks(0)));
    return piece.sections.map((section, i) => {
      const here = difficulties.slice(section.from, section.to + 1);
      return {
        piece,
        section,
        begun: begun - i,
        hard: here.reduce((sum, d) => sum + d.score, 0) / Math.max(1, here.length),
        start: startTempo(piece.score, section.from, section.to, target),
        target,
        skill: 0,
        climbed: 0,
        secureFor: 0,
        heldBefore: false,
      };
    });
  });
}
