import { z } from 'zod';
import { contentHash } from './content-hash';
import { eventSchema } from './kinds/records';
import { asStored, byId, joinRecords, keptRows } from './merge-studio';
import type { MergeableRow } from './merge-rows';
import {
  damagedSchema,
  emptyStudio,
  removalSchema,
  ROW_SCHEMAS,
  ROW_TABLES,
  setAsideSchema,
  type AnyRow,
  type Damaged,
  type RowTable,
  type Studio,
} from './schemas';

/**
 * Where a row is wrong, in a sentence: `items → 3 → what: Too big`.
 *
 * @example whyNot({ issues: [{ path: ['items', 3, 'what'], message: 'Too big' }] }) // → 'items → 3 → what: Too big'
 */
export function whyNot(error: z.ZodError): string {
  const [first] = error.issues;
  const path = first?.path.join(' → ') ?? '';
  return `${path === '' ? 'the whole' : path}: ${first?.message ?? 'it does not hold what it should'}`.slice(0, 500);
}

/**
 * A row that does not hold what it should, as it is kept.
 *
 * @example asDamaged('marks', { id: 'x' }, 'kind: missing').table // → 'marks'
 */
export const asDamaged = (table: string, row: unknown, why: string): Damaged => ({
  id: `${table} ${contentHash(row)}`,
  table,
  why,
  row,
});

/**
 * Anything checked by its schema; a sentence where it is wrong.
 *
 * @example checkRow(daySchema, '2026-05-20').row // → '2026-05-20'
 */
export function checkRow<T>(schema: z.ZodType<T>, row: unknown): { readonly row: T } | { readonly why: string } {
  const parsed = schema.safeParse(row);
  return parsed.success ? { row: parsed.data } : { why: whyNot(parsed.error) };
}

/**
 * A row of a table, checked; a sentence where it is wrong.
 *
 * @example parseRow('sections', { id: 'x' }).why // → 'pieceId: Invalid input: expected string, received undefined'
 */
export function parseRow(table: RowTable, row: unknown): { readonly row: AnyRow } | { readonly why: string } {
  return checkRow(ROW_SCHEMAS[table] as z.ZodType<AnyRow>, row);
}

const listsSchema = z.record(z.string(), z.unknown());
const listOf = (lists: Readonly<Record<string, unknown>>, name: string): readonly unknown[] => {
  const list = lists[name];
  return Array.isArray(list) ? list : [];
};

/**
 * A studio out of anything: what is sound comes in, each row that is not is kept as it is among the damaged ones. Rows
 * and records that stand in it twice are merged by the same rules as those of two devices. Null where there are no
 * lists at all.
 */
export function parseStudio(data: unknown): Studio | null {
  const lists = listsSchema.safeParse(data);
  if (!lists.success || !ROW_TABLES.some((t) => Array.isArray(lists.data[t]))) return null;
  const studio = emptyStudio();
  const damaged: Damaged[] = [];
  const sound = <T>(name: string, schema: z.ZodType<T>): T[] =>
    listOf(lists.data, name).flatMap((row) => {
      const checked = checkRow(schema, row);
      if ('row' in checked) return [checked.row];
      damaged.push(asDamaged(name, row, checked.why));
      return [];
    });
  const removals = sound('removed', removalSchema).filter((r) => {
    if (r.row === null || r.row === undefined) return true;
    const parsed = parseRow(r.table, r.row);
    if ('why' in parsed) damaged.push(asDamaged(`removed ${r.table}`, r, parsed.why));
    return 'row' in parsed;
  });
  const tables = Object.fromEntries(
    ROW_TABLES.map((table) => {
      const rows = sound<AnyRow>(table, ROW_SCHEMAS[table] as z.ZodType<AnyRow>);
      const kept = keptRows(table, rows as readonly MergeableRow[], removals);
      const stored = [...kept.values()].map((k) => asStored(table, k));
      studio.removed.push(...stored.flatMap((s) => s.removal ?? []));
      return [table, byId(stored.flatMap((s) => s.row ?? []))];
    }),
  );
  const { events, aside } = joinRecords(sound('events', eventSchema));
  return {
    ...studio,
    ...(tables as unknown as Pick<Studio, RowTable>),
    settings: (tables['settings'] as Studio['settings']).slice(0, 1),
    removed: byId(studio.removed),
    events: [...events],
    aside: byId([...sound('aside', setAsideSchema), ...aside]),
    damaged: byId([...sound('damaged', damagedSchema), ...damaged]),
  };
}
