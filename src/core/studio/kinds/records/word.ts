import { z } from 'zod';
import { id } from '../../fields';
import { recordBase, type RecordKind } from '../record-kind';

/** A record is taken back, or stands again; the latest word about it counts. */
export const retractSchema = z.object({ ...recordBase, kind: z.literal('retract'), target: id });
export const restoreSchema = z.object({ ...recordBase, kind: z.literal('restore'), target: id });
export type WordEvent = z.infer<typeof retractSchema> | z.infer<typeof restoreSchema>;

export const retract: RecordKind = {
  label: 'word',
};
export const restore: RecordKind = {
  label: 'word',
};
