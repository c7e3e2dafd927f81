/** One description of every table: its indexes, and whether its rows are in the studio file, merged, undone. */
import { ROW_TABLES, type RowTable } from '@/core/studio';

export type { RowTable } from '@/core/studio';

/** Tables besides those of rows: records, what is folded or kept for this browser only. */
export type OtherTable =
  | 'events'
  | 'volumes'
  | 'contents'
  | 'works'
  | 'glances'
  | 'removed'
  | 'aside'
  | 'damaged'
  | 'standings'
  | 'changes'
  | 'arrivals'
  | 'drafts'
  | 'notices'
  | 'engravings';
export type TableName = RowTable | OtherTable;

interface TableDescription {
  /** Dexie's description of keys and indexes. */
  readonly indexes: string;
  /** In the studio file. */
  readonly inFile: boolean;
  /** How two versions of a row become one. */
  readonly merged: 'by-field' | 'union' | 'derived' | 'never';
}

export const TABLES = {
  pieces: { indexes: 'id, title', inFile: true, merged: 'by-field' },
  sections: { indexes: 'id, pieceId', inFile: true, merged: 'by-field' },
  marks: { indexes: 'id, pieceId', inFile: true, merged: 'by-field' },
  ladders: { indexes: 'id, sectionId, pieceId', inFile: true, merged: 'by-field' },
  ways: { indexes: 'id, pieceId', inFile: true, merged: 'by-field' },
  templates: { indexes: 'id, name', inFile: true, merged: 'by-field' },
  students: { indexes: 'id, name, order', inFile: true, merged: 'by-field' },
  pages: { indexes: 'id, pieceId', inFile: true, merged: 'by-field' },
  layouts: { indexes: 'id, pieceId', inFile: true, merged: 'by-field' },
  settings: { indexes: 'id', inFile: true, merged: 'by-field' },
  events: {
    indexes: 'id, [studentId+kind], [pieceId+kind], target, corrects',
    inFile: true,
    merged: 'union',
  },
  /** Records that are bound: many in a row. */
  volumes: { indexes: 'id, [studentId+pieceId], size', inFile: true, merged: 'union' },
  /** Which records each volume holds. */
  contents: { indexes: 'id', inFile: false, merged: 'derived' },
  /** Rows that were taken away, with what they held. */
  removed: { indexes: 'id, table', inFile: true, merged: 'by-field' },
  /** Records that another one under the same id stands in front of. */
  aside: { indexes: 'id', inFile: true, merged: 'union' },
  /** Rows that do not hold what they should, as they are. */
  damaged: { indexes: 'id, table', inFile: true, merged: 'union' },
  /** Folded records, one row a student and piece, and the glances at each student. */
  works: { indexes: 'key, studentId, pieceId', inFile: false, merged: 'derived' },
  glances: { indexes: 'studentId', inFile: false, merged: 'derived' },
  /** Folded records of former versions, one row a student and section. */
  standings: { indexes: 'key, studentId, pieceId, sectionId, [studentId+pieceId]', inFile: false, merged: 'derived' },
  /** What can be undone. */
  changes: { indexes: '++seq, undone', inFile: false, merged: 'never' },
  /** What came with a file, so that it can be taken back as one. */
  arrivals: { indexes: '++seq, batch', inFile: false, merged: 'never' },
  /** What is typed and not kept yet. */
  drafts: { indexes: 'key', inFile: false, merged: 'never' },
  /** What the tool did that the teacher should know: a studio brought up to date, rows put right. */
  notices: { indexes: '++seq', inFile: false, merged: 'never' },
  engravings: { indexes: 'key, usedAt', inFile: false, merged: 'never' },
} as const satisfies Readonly<Record<TableName, TableDescription>>;

/**
 * Tables a command may read and write: one transaction holds them all, so that commands wait for one another in every
 * tab.
 */
export const COMMAND_TABLES = [
  ...ROW_TABLES,
  'events',
  'volumes',
  'contents',
  'removed',
  'works',
  'glances',
  'changes',
  'arrivals',
] as const satisfies readonly TableName[];

/** The indexes of this version, for Dexie. */
export const indexesNow = (): Record<string, string> =>
  Object.fromEntries(Object.entries(TABLES).map(([name, { indexes }]) => [name, indexes]));
