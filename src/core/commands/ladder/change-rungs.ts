import { fail, ok } from '../../result';
import { ladderFor, type Rung } from '../../studio';
import { command, put, rowOf } from '../command';
import { gone } from '../refusals';
import { ladderRow } from './ladder-context';

export type RungEdit =
  /** Behind the rung of an id; on top where none is named; at the bottom for `'bottom'`. */
  | { readonly kind: 'add'; readonly rung: Rung; readonly behind: string | null | 'bottom' }
  | { readonly kind: 'change'; readonly id: string; readonly change: Partial<Omit<Rung, 'id' | 'own'>> }
  | { readonly kind: 'remove'; readonly id: string }
  /** All rung ids in their new order; ids that are not named stay behind those before them. */
  | { readonly kind: 'order'; readonly ids: readonly string[] };

export interface ChangeRungs {
  readonly sectionId: string;
  readonly pieceId: string;
  readonly edit: RungEdit;
  /** Whose ladder, where that is not the usual player's (`ladderPlayer`). */
  readonly player?: string;
  /** The student it is changed for alone; everyone where none is named. */
  readonly studentId?: string;
}

const LABEL: Readonly<Record<RungEdit['kind'], string>> = {
  add: 'rung added',
  change: 'rung changed',
  remove: 'rung removed',
  order: 'rung moved',
};

function edited(rungs: readonly Rung[], edit: RungEdit): readonly Rung[] {
  switch (edit.kind) {
    case 'add': {
      const at =
        edit.behind === 'bottom'
          ? 0
          : edit.behind === null
            ? rungs.length
            : rungs.findIndex((r) => r.id === edit.behind) + 1;
      return [...rungs.slice(0, at), edit.rung, ...rungs.slice(at)];
    }
    case 'change':
      return rungs.map((r) => (r.id === edit.id ? { ...r, ...edit.change, own: true } : r));
    case 'remove':
      return rungs.filter((r) => r.id !== edit.id);
    case 'order': {
      const named = edit.ids.flatMap((id) => rowOf(rungs, id) ?? []);
      return [...named, ...rungs.filter((r) => !edit.ids.includes(r.id))];
    }
  }
}

/** Changes the rungs as they are stored now, so that two quick edits both count. */
export const changeRungs = command({
  asks: ({ sectionId, pieceId }: ChangeRungs) => ({ sections: { ids: [sectionId] }, ladders: { pieceId } }),
  run: (stored, { sectionId, edit, player, studentId }: ChangeRungs) => {
    const [section] = stored.sections;
    if (!section) return gone('section');
    const ladder = ladderFor(stored.ladders, sectionId, player, studentId);
    if (!ladder) return fail('no-ladder', 'Build a ladder for this section first.');
    const target = edit.kind === 'change' || edit.kind === 'remove' ? rowOf(ladder.rungs, edit.id) : null;
    if ((edit.kind === 'change' || edit.kind === 'remove') && !target) return gone('rung');
    const taken = edit.kind === 'remove' && target?.key !== undefined ? [target.key] : [];
    return ok({
      label: LABEL[edit.kind],
      changes: [
        put(
          'ladders',
          ladderRow(section, edited(ladder.rungs, edit), [...(ladder.removed ?? []), ...taken], { player, studentId }),
        ),
      ],
      ...(edit.kind === 'add' ? { made: edit.rung.id } : {}),
    });
  },
});
