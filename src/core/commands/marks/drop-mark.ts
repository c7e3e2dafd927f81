import { ok } from '../../result';
import { command, remove } from '../command';

/** A mark that waits to be placed is given up. */
export const dropMark = command({
  asks: ({ markId }: { readonly markId: string }) => ({ marks: { ids: [markId] } }),
  run: (stored) => ok({ label: 'mark dropped', changes: stored.marks.map((m) => remove('marks', m.id)) }),
});
