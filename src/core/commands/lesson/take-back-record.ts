import { heldEvents } from '../../mastery';
import { fail, ok } from '../../result';
import { labelOfEvent } from '../../studio';
import { command, rowOf } from '../command';

/** One record is taken back. */
export const takeBackRecord = command({
  asks: ({ recordId }: { readonly recordId: string }) => ({ events: { ids: [recordId] } }),
  run: (stored, { recordId }, { now, newId }) => {
    const record = rowOf(heldEvents(stored.events), recordId);
    if (!record) return fail('taken-back', 'This record was taken back already.');
    return ok({
      label: `${labelOfEvent(record)} taken back`,
      records: [{ id: newId(), at: now, kind: 'retract', target: record.id }],
    });
  },
});
