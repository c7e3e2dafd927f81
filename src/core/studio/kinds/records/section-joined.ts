import { z } from 'zod';
import { id } from '../../fields';
import { recordBase, type RecordKind } from '../record-kind';

/** A section was joined to another: until the whole is heard, it stands where the weaker of the two stood. */
export const sectionJoinedRecordSchema = z.object({
  ...recordBase,
  kind: z.literal('section-joined'),
  pieceId: id,
  sectionId: id,
  into: id,
});
export type SectionJoinedEvent = z.infer<typeof sectionJoinedRecordSchema>;

export const sectionJoined: RecordKind = {
  label: 'joined section',
};
