import { id, stamp } from '../fields';

/** Fields of every record. */
export const recordBase = { id, at: stamp };

/** What the tool must know of a kind of record; a kind is added by one file and its line in `records.ts`. */
export interface RecordKind {
  /** In a sentence: `2 levels, 1 lesson`. */
  readonly label: string;
}
