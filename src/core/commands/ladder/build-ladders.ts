import { mergeLadder, type LadderConflict } from '../../ladder';
import { fail, ok } from '../../result';
import { placeSections } from '../../sections';
import { command, put } from '../command';
import { ladderFor, ladderPlayer } from '../../studio';
import { gone } from '../refusals';
import { builtRungs, forEveryone, ladderRow, type LadderSetting } from './ladder-context';

export interface BuildLadders extends LadderSetting {
  readonly pieceId: string;
  /** The sections; those that have a ladder already are left as they are unless `anew`. */
  readonly sectionIds: readonly string[];
  readonly anew?: boolean;
}

/** What the teacher and a new build both changed, as said. */
export const conflictsInWords = (conflicts: readonly LadderConflict[]): string =>
  conflicts.map((c) => `${c.what}: ${c.field} stays ${c.kept}, built ${c.built}`).join('; ');

/** Builds ladders from what the sections hold; anew, the teacher's changes stay. */
export const buildLadders = command({
  asks: ({ pieceId }: BuildLadders) => ({
    pieces: { ids: [pieceId] },
    sections: { pieceId },
    ladders: { pieceId },
    marks: { pieceId },
  }),
  run: (stored, { sectionIds, anew = false, ...setting }: BuildLadders) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    const player = ladderPlayer(piece, setting.student ?? null);
    // The first ladder of a section is everyone's; built anew, it is of whom it is built for.
    const studentId = anew ? setting.student?.id : undefined;
    const all = placeSections(setting.score, stored.sections);
    const wanted = all.filter(
      (p) => sectionIds.includes(p.section.id) && (anew || !ladderFor(stored.ladders, p.section.id, player)),
    );
    if (wanted.length === 0) return fail('nothing-to-build', 'There is no section here that still needs a ladder.');
    const merges = wanted.map((p) => {
      const ladder = ladderFor(stored.ladders, p.section.id, player, studentId);
      const merged = mergeLadder(
        ladder?.rungs ?? [],
        ladder?.removed ?? [],
        builtRungs(piece, p, all, stored.marks, anew ? setting : forEveryone(setting)),
      );
      return { placed: p, removed: ladder?.removed ?? [], merged };
    });
    const conflicts = merges.flatMap((m) => m.merged.conflicts);
    const [first] = merges;
    const counts = first ? `${first.merged.added} new, ${first.merged.dropped} gone` : '';
    return ok({
      label:
        merges.length === 1
          ? `ladder for ${first?.placed.section.letter ?? ''}${anew ? ' built anew' : ''}`
          : `ladders for ${merges.length} sections`,
      changes: merges.map((m) =>
        put('ladders', ladderRow(m.placed.section, m.merged.rungs, m.removed, { player, studentId })),
      ),
      ...(anew
        ? {
            says:
              first && first.merged.added + first.merged.dropped > 0
                ? `Built anew: ${counts}, your changes stay.`
                : 'Built anew; your changes stay.',
          }
        : {}),
      ...(conflicts.length > 0
        ? { warns: `You and the new build changed the same; yours stays: ${conflictsInWords(conflicts)}.` }
        : {}),
    });
  },
});
