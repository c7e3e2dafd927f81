import Dexie, { type Table } from 'dexie';
import type { FoldedStanding, PackedGlances } from '@/core/mastery';
import type {
  Damaged,
  Ladder,
  Layout,
  Mark,
  Page,
  Piece,
  Removal,
  RowOf,
  RowTable,
  Section,
  SetAside,
  Settings,
  Student,
  StoredWay,
  StudioEvent,
  Template,
} from '@/core/studio';
import { upgradeDatabase } from './upgrade-database';
import { indexesNow } from './tables';
import type { Contents, Volume, Work } from './record-rows';

/**
 * One step of a change: a row as it was and as it became, a record that was added, or a batch that came with a file.
 */
export type ChangeEntry =
  | {
      [T in RowTable]: {
        readonly kind: 'row';
        readonly table: T;
        readonly key: string;
        readonly before: RowOf[T] | null;
        readonly after: RowOf[T] | null;
      };
    }[RowTable]
  | { readonly kind: 'event'; readonly event: StudioEvent }
  | { readonly kind: 'batch'; readonly batch: number };

/** A change the teacher made, kept so that it can be taken back after a reload. */
export interface Change {
  readonly seq?: number;
  readonly at: string;
  readonly label: string;
  readonly entries: readonly ChangeEntry[];
  readonly undone: 0 | 1;
}

/** A part of what came with one file. Records are kept here while the file is taken back. */
export type Arrival = {
  readonly seq?: number;
  readonly batch: number;
} & (
  | { readonly kind: 'records'; readonly ids: readonly string[]; readonly events?: readonly StudioEvent[] }
  | { readonly kind: 'replaced'; readonly before: StudioEvent; readonly after: StudioEvent }
  /** Records that came bound; the volume is kept here while the file is taken back. */
  | { readonly kind: 'volume'; readonly volumeId: string; readonly volume?: Volume }
  | { readonly kind: 'rows'; readonly table: RowTable; readonly rows: readonly ArrivedRow[] }
  /** As former versions kept them, one by one. */
  | {
      readonly kind: 'row';
      readonly table: RowTable;
      readonly key: string;
      readonly before: KeptState;
      readonly after: KeptState;
    }
);

/** A row that came with a file. */
export interface ArrivedRow {
  readonly key: string;
  readonly before: KeptState;
  /** Null for one that is new here, until it is taken back. */
  readonly after: KeptState | null;
}

/** A row and its removal as the tables hold them. */
export interface KeptState {
  readonly row: object | null;
  readonly removal: Removal | null;
}

export interface Draft {
  readonly key: string;
  readonly value: unknown;
  readonly at: string;
}

export interface Notice {
  readonly seq?: number;
  readonly at: string;
  readonly title: string;
  readonly lines: readonly string[];
}

export interface CachedEngraving {
  readonly key: string;
  readonly systems: readonly string[];
  readonly usedAt: number;
}

/** The newest version of the database that this program knows. */
export const DATABASE_VERSION = 9;

/** The only door to IndexedDB. One database a studio, so that the demo and the teacher's own data never meet. */
export class StudioDatabase extends Dexie {
  declare pieces: Table<Piece, string>;
  declare sections: Table<Section, string>;
  declare marks: Table<Mark, string>;
  declare ladders: Table<Ladder, string>;
  declare ways: Table<StoredWay, string>;
  declare templates: Table<Template, string>;
  declare students: Table<Student, string>;
  /** Records that are loose; the others are in volumes. */
  declare events: Table<StudioEvent, string>;
  declare volumes: Table<Volume, string>;
  declare contents: Table<Contents, string>;
  declare pages: Table<Page, string>;
  declare layouts: Table<Layout, string>;
  declare settings: Table<Settings, string>;
  declare removed: Table<Removal, string>;
  declare aside: Table<SetAside, string>;
  declare damaged: Table<Damaged, string>;
  /** Folded records, one row a student and piece: a snapshot that every change of the records keeps up to date. */
  declare works: Table<Work, string>;
  declare glances: Table<PackedGlances, string>;
  /** What records came to in former versions, a row each, until they are put together by works. */
  declare standings: Table<FoldedStanding, string>;
  declare changes: Table<Change, number>;
  declare arrivals: Table<Arrival, number>;
  declare drafts: Table<Draft, string>;
  declare notices: Table<Notice, number>;
  declare engravings: Table<CachedEngraving, string>;

  /** `zone` is where the studio is, for days of studios that were kept without one. */
  constructor(name: string, zone = 'UTC') {
    // Rows of a query are shared by all who ask, and frozen: copying them for each takes longer than reading them.
    super(name, { cache: 'immutable' });
    this.version(1).stores({
      pieces: 'id, title, updatedAt',
      sections: 'id, pieceId, updatedAt',
      marks: 'id, pieceId, [pieceId+kind], updatedAt',
      ladders: 'id, sectionId, pieceId',
      students: 'id, name, order',
      events: 'id, at, kind',
      pages: 'id, pieceId',
      settings: 'id',
      changes: '++seq, undone',
      engravings: 'key, usedAt',
    });
    this.version(2).stores({
      templates: 'id, name',
      events: 'id, at, [studentId+kind], [pieceId+kind], [studentId+sectionId], target',
      standings: 'key, studentId, pieceId, [studentId+pieceId]',
    });
    this.version(3)
      .stores({
        pieces: 'id, title',
        sections: 'id, pieceId',
        marks: 'id, pieceId',
        pages: 'id, pieceId',
        events: 'id, [studentId+kind], [pieceId+kind], [studentId+sectionId], target, corrects',
        removed: 'id, table',
        aside: 'id',
        damaged: 'id, table',
        standings: 'key, studentId, pieceId, sectionId, [studentId+pieceId]',
        arrivals: '++seq, batch',
        drafts: 'key',
        notices: '++seq',
      })
      .upgrade((tx) => upgradeDatabase(tx, zone));
    // Versions 4 to 8 only added: ways and kinds of sections; exercises and ladders of one student; what is archived;
    // what comes back from home; where bars lie on pictures of pages. Version 9 binds records and puts standings
    // together by works, after it is opened (`bind-records.ts`).
    this.version(DATABASE_VERSION).stores(indexesNow());
  }
}

/** Dexie counts ten to a version of ours; what is above belongs to a program that is newer than this one. */
const isAbove = (version: number): boolean => Math.floor(version / 10) > DATABASE_VERSION;

/** Whether an open database is of a newer program. */
export const isNewer = (db: StudioDatabase): boolean => isAbove(db.backendDB().version);

/** The same before it is opened, for opening adds the tables that it does not find; false where it cannot be told. */
export async function isNewerStored(name: string): Promise<boolean> {
  try {
    const stored = (await indexedDB.databases()).find((d) => d.name === name);
    return stored?.version !== undefined && isAbove(stored.version);
  } catch {
    return false;
  }
}

export type StudioName = 'own' | 'demo';
export const databaseName = (studio: StudioName): string => `oak-rungs-${studio}`;
