import { fail, ok } from '../../result';
import type { Section } from '../../studio';
import { command, put, rowOf } from '../command';
import { gone } from '../refusals';

export interface ChangeSection {
  readonly pieceId: string;
  readonly sectionId: string;
  readonly change: Partial<Pick<Section, 'name' | 'letter' | 'hand' | 'likeId' | 'parentId'>>;
}

/** Whether `id` lies inside itself when its parent is `parentId`. */
function inItself(id: string, parentId: string | null, all: readonly Section[]): boolean {
  const seen = new Set<string>();
  for (let at = parentId; at !== null && !seen.has(at); at = rowOf(all, at)?.parentId ?? null) {
    if (at === id) return true;
    seen.add(at);
  }
  return false;
}

/** Name, letter, hand, what it is like and what it is part of. */
export const changeSection = command({
  asks: ({ pieceId }: ChangeSection) => ({ sections: { pieceId } }),
  run: (stored, { sectionId, change }: ChangeSection) => {
    const section = rowOf(stored.sections, sectionId);
    if (!section) return gone('section');
    if (change.parentId !== undefined && inItself(sectionId, change.parentId, stored.sections))
      return fail('section-in-itself', 'A section cannot be part of one that lies inside it.');
    return ok({ label: `section ${section.letter} changed`, changes: [put('sections', { ...section, ...change })] });
  },
});
