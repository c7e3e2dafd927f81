import type { Stamp } from './clock';

/**
 * A row that can be merged: when it changed last, and when each of its fields did. Under `id` stands since when it is
 * there.
 */
export interface MergeableRow {
  readonly id: string;
  readonly updatedAt: Stamp;
  readonly touched?: Readonly<Record<string, Stamp>> | undefined;
}

/** A field that was changed in both places: the later word stands, the other is listed. */
export interface FieldConflict {
  readonly id: string;
  readonly field: string;
  readonly kept: unknown;
  readonly lost: unknown;
}

const META: ReadonlySet<string> = new Set(['id', 'updatedAt', 'touched']);

/** Since when a row is there; a field that nobody touched since has its value, or is absent, from then. */
const madeAt = (row: MergeableRow): Stamp => row.touched?.['id'] ?? row.updatedAt;
const timeOf = (row: MergeableRow, field: string): Stamp => row.touched?.[field] ?? madeAt(row);
const later = (a: Stamp, b: Stamp): Stamp => (a > b ? a : b);

/** A value as text in which the order of keys does not matter. */
function asText(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(asText).join(',')}]`;
  if (typeof value === 'object' && value !== null)
    return `{${Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => `${JSON.stringify(k)}:${asText(v)}`)
      .join(',')}}`;
  return JSON.stringify(value) ?? '';
}

/**
 * Whether two kept things hold the same, whatever the order of their keys.
 *
 * @example sameContent({ a: [1], b: undefined }, { a: [1] }) // → true
 */
export const sameContent = (a: unknown, b: unknown): boolean => asText(a) === asText(b);
/** The text by which two contents are ordered where nothing else tells them apart. */
export const contentText = (value: unknown): string => asText(value);

const fieldsOf = (...rows: readonly object[]): string[] =>
  [...new Set(rows.flatMap((row) => Object.keys(row)))].filter((field) => !META.has(field)).sort();

/**
 * Fields in which two states of a row differ, in the order of their names.
 *
 * @example changedFields({ a: 1, b: 2 }, { a: 1, b: 3, c: 4 }) // → ['b', 'c']
 */
export function changedFields(before: object, after: object): string[] {
  const was = before as Readonly<Record<string, unknown>>;
  const is = after as Readonly<Record<string, unknown>>;
  return fieldsOf(before, after).filter((field) => asText(was[field]) !== asText(is[field]));
}

/**
 * A row with some fields set; a field set to `undefined` is absent.
 *
 * @example withFields({ a: 1, b: 2 }, new Map([['a', 5], ['b', undefined]])) // → { a: 5 }
 */
export function withFields<T extends object>(row: T, values: ReadonlyMap<string, unknown>): T {
  const others = Object.entries(row).filter(([field]) => !values.has(field));
  const present = [...values].filter(([, value]) => value !== undefined);
  return Object.fromEntries([...others, ...present]) as T;
}

/**
 * A new row, there since `at`.
 *
 * @example
 * madeRow({ id: 'a' }, '2026-05-20T15:00:00.000Z')
 * // → { id: 'a', updatedAt: '2026-05-20T15:00:00.000Z', touched: { id: '2026-05-20T15:00:00.000Z' } }
 */
export const madeRow = <T extends { readonly id: string }>(row: T, at: Stamp): T & MergeableRow => ({
  ...row,
  updatedAt: at,
  touched: { id: at },
});

/**
 * A row as it is after a change at `at`: the fields that differ carry the time. The same row comes back where nothing
 * differs.
 *
 * @example
 * withTouched({ id: 'a', name: '', updatedAt: '1' }, { id: 'a', name: 'A', updatedAt: '1' }, '2').touched
 * // → { id: '1', name: '2' }
 */
export function withTouched<T extends MergeableRow>(before: T, after: T, at: Stamp): T {
  const fields = changedFields(before, after);
  if (fields.length === 0) return before;
  const touched: Record<string, Stamp> = { id: madeAt(before), ...before.touched };
  for (const field of fields) touched[field] = at;
  return { ...after, updatedAt: later(before.updatedAt, at), touched };
}

/**
 * Two versions of one row as one: of every field the later value, of values equally old the one later in text order.
 * The order and the grouping of merging do not matter, and merging twice is merging once. A field that both changed to
 * different values, or that two devices set apart from one another when they made the row, is listed.
 */
export function mergeRows<T extends MergeableRow>(
  a: T,
  b: T,
): { readonly row: T; readonly conflicts: readonly FieldConflict[] } {
  if (sameContent(a, b)) return { row: a, conflicts: [] };
  const left = a as Readonly<Record<string, unknown>>;
  const right = b as Readonly<Record<string, unknown>>;
  const made = later(madeAt(a), madeAt(b));
  const apart = madeAt(a) !== madeAt(b);
  const edited = (row: MergeableRow, field: string): boolean => (row.touched?.[field] ?? '') > madeAt(row);
  const merged: Record<string, unknown> = { id: a.id };
  const touched: Record<string, Stamp> = { id: made };
  const conflicts: FieldConflict[] = [];
  for (const field of fieldsOf(left, right, a.touched ?? {}, b.touched ?? {})) {
    const x = { at: timeOf(a, field), text: asText(left[field]), value: left[field] };
    const y = { at: timeOf(b, field), text: asText(right[field]), value: right[field] };
    const xWins = x.at > y.at || (x.at === y.at && x.text >= y.text);
    const [kept, lost] = xWins ? [x, y] : [y, x];
    if (kept.value !== undefined) merged[field] = kept.value;
    if (kept.at !== made) touched[field] = kept.at;
    if (x.text !== y.text && (apart || (edited(a, field) && edited(b, field))))
      conflicts.push({ id: a.id, field, kept: kept.value, lost: lost.value });
  }
  const row = { ...merged, updatedAt: later(a.updatedAt, b.updatedAt), touched };
  return { row: row as unknown as T, conflicts };
}
