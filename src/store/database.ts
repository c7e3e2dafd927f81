import Dexie, { type Table } from 'dexie';
import { foldStandings, type FoldedStanding } from '@/core/mastery';
import type { Ladder, Mark, Page, Piece, Section, Settings, Student, StudioEvent, Template } from '@/core/studio';

/** Tables whose rows may be put and taken away; events are only ever added. */
export const EDITABLE_TABLES = ['pieces', 'sections', 'marks', 'ladders', 'templates', 'students', 'pages', 'settings'] as const;
export type EditableTable = (typeof EDITABLE_TABLES)[number];

export interface RowOf {
  readonly pieces: Piece;
  readonly sections: Section;
  readonly marks: Mark;
  readonly ladders: Ladder;
  readonly templates: Template;
  readonly students: Student;
  readonly pages: Page;
  readonly settings: Settings;
}

/** One step of a change: a row as it was and as it became, or an event that was added. */
export type ChangeEntry =
  | {
      [T in EditableTable]: {
        readonly kind: 'row';
        readonly table: T;
        readonly key: string;
        readonly before: RowOf[T] | null;
        readonly after: RowOf[T] | null;
      };
    }[EditableTable]
  | { readonly kind: 'event'; readonly event: StudioEvent };

/** A change the teacher made, kept so that it can be taken back after a reload. */
export interface Change {
  readonly seq?: number;
  readonly at: string;
  readonly label: string;
  readonly entries: readonly ChangeEntry[];
  readonly undone: 0 | 1;
}

export interface CachedEngraving {
  readonly key: string;
  readonly systems: readonly string[];
  readonly usedAt: number;
}

/** The only door to IndexedDB. One database a studio, so that the demo and the teacher's own data never meet. */
export class StudioDatabase extends Dexie {
  declare pieces: Table<Piece, string>;
  declare sections: Table<Section, string>;
  declare marks: Table<Mark, string>;
  declare ladders: Table<Ladder, string>;
  declare templates: Table<Template, string>;
  declare students: Table<Student, string>;
  declare events: Table<StudioEvent, string>;
  declare pages: Table<Page, string>;
  declare settings: Table<Settings, string>;
  /** Folded records, one row a student and section: a snapshot that every change of the records keeps up to date. */
  declare standings: Table<FoldedStanding, string>;
  declare changes: Table<Change, number>;
  declare engravings: Table<CachedEngraving, string>;

  constructor(name: string) {
    super(name);
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
    this.version(2)
      .stores({
        templates: 'id, name',
        events: 'id, at, [studentId+kind], [pieceId+kind], [studentId+sectionId], target',
        standings: 'key, studentId, pieceId, [studentId+pieceId]',
      })
      .upgrade(async (tx) => {
        const events = (await tx.table('events').toArray()) as StudioEvent[];
        await tx.table('standings').bulkPut(foldStandings(events));
      });
  }
}

export type StudioName = 'own' | 'demo';
export const databaseName = (studio: StudioName): string => `oak-rungs-${studio}`;
