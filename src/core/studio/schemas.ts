/** Everything that is kept, as Zod schemas; the types come from them. Times are ISO strings in UTC. */
import { z } from 'zod';
import { id, stamp, time } from './fields';
import { markSchema } from './kinds/marks';
import { eventSchema } from './kinds/records';
import { layoutSchema } from './layout-schemas';
import { pageSchema, pieceSchema, sectionSchema, type handSchema } from './music-schemas';
import { settingsSchema, studentSchema } from './people-schemas';
import {
  ladderSchema,
  templateSchema,
  waySchema,
  type asideKinds,
  type madeRungSchema,
  type rungSchema,
} from './practice-schemas';

/** Version of the studio file and of the kept records. Files of a higher version are refused. */
export const STUDIO_VERSION = 8;

/**
 * Tables whose rows are put, changed and removed, by name. A new table is a line here; the store is told by the
 * compiler.
 */
export const ROW_SCHEMAS = {
  pieces: pieceSchema,
  sections: sectionSchema,
  marks: markSchema,
  ladders: ladderSchema,
  ways: waySchema,
  templates: templateSchema,
  students: studentSchema,
  pages: pageSchema,
  layouts: layoutSchema,
  settings: settingsSchema,
} as const;
export type RowTable = keyof typeof ROW_SCHEMAS;
export type RowOf = { readonly [T in RowTable]: z.infer<(typeof ROW_SCHEMAS)[T]> };
export type AnyRow = RowOf[RowTable];
export const ROW_TABLES = Object.keys(ROW_SCHEMAS) as readonly RowTable[];

/** What a row is called in a sentence. */
export const ROW_WORDS: Readonly<Record<RowTable, string>> = {
  pieces: 'piece',
  sections: 'section',
  marks: 'mark',
  ladders: 'ladder',
  ways: 'way',
  templates: 'template',
  students: 'student',
  pages: 'page',
  layouts: 'bars of a page',
  settings: 'settings',
};

/**
 * A row that was taken away, with what it held: a later change on another device brings it back, an earlier one does
 * not.
 */
export const removalSchema = z.object({
  /** Table and row: `marks finger~…`. */
  id,
  table: z.enum(ROW_TABLES as unknown as readonly [RowTable, ...RowTable[]]),
  at: stamp,
  /** As it was when it went; null while a later change keeps it alive in its table. */
  row: z.unknown(),
});
export type Removal = z.infer<typeof removalSchema>;
/**
 * What a removal is known by: one row of one table.
 *
 * @example removalId('marks', 'm1') // → 'marks m1'
 */
export const removalId = (table: RowTable, rowId: string): string => `${table} ${rowId}`;

/** A record whose id another one has, too: that one stands, this one is kept and listed. */
export const setAsideSchema = z.object({ id, record: eventSchema });
export type SetAside = z.infer<typeof setAsideSchema>;

/** A row that does not hold what it should, kept as it is with why. */
export const damagedSchema = z.object({ id, table: z.string().max(40), why: z.string().max(500), row: z.unknown() });
export type Damaged = z.infer<typeof damagedSchema>;

export const studioSchema = z.object({
  pieces: z.array(pieceSchema),
  sections: z.array(sectionSchema),
  marks: z.array(markSchema),
  ladders: z.array(ladderSchema),
  ways: z.array(waySchema),
  templates: z.array(templateSchema),
  students: z.array(studentSchema),
  pages: z.array(pageSchema),
  layouts: z.array(layoutSchema),
  settings: z.array(settingsSchema).max(1),
  events: z.array(eventSchema),
  removed: z.array(removalSchema),
  aside: z.array(setAsideSchema),
  damaged: z.array(damagedSchema),
});

export const studioFileSchema = z.object({
  format: z.literal('oakrungs-studio'),
  version: z.literal(STUDIO_VERSION),
  exportedAt: time,
  studio: studioSchema,
});

export type Piece = RowOf['pieces'];
export type Section = RowOf['sections'];
export type Ladder = RowOf['ladders'];
export type StoredWay = RowOf['ways'];
export type Aside = (typeof asideKinds)[number];
export type Template = RowOf['templates'];
export type Student = RowOf['students'];
export type Page = RowOf['pages'];
export type Layout = RowOf['layouts'];
export type PageSystem = Layout['systems'][number];
export type Box = PageSystem['boxes'][number];
export type Settings = RowOf['settings'];
export type Hand = z.infer<typeof handSchema>;
export type Rung = z.infer<typeof rungSchema>;
export type RungKind = Rung['kind'];
export type MadeRung = z.infer<typeof madeRungSchema>;
export type Studio = z.infer<typeof studioSchema>;
export type StudioFile = z.infer<typeof studioFileSchema>;

/**
 * A studio with nothing in it.
 *
 * @example emptyStudio().pieces // → []
 */
export const emptyStudio = (): Studio => ({
  pieces: [],
  sections: [],
  marks: [],
  ladders: [],
  ways: [],
  templates: [],
  students: [],
  pages: [],
  layouts: [],
  settings: [],
  events: [],
  removed: [],
  aside: [],
  damaged: [],
});
