/** A row that can be merged: when it changed, and when each of its fields did, where that is known. */
export interface MergeableRow {
  readonly id: string;
  readonly updatedAt: string;
  readonly touched?: Readonly<Record<string, string>> | undefined;
}

/** A field that was changed in both places: the later word stands, the other is listed. */
export interface FieldConflict {
  readonly id: string;
  readonly field: string;
  readonly kept: unknown;
  readonly lost: unknown;
}

const META = new Set(['id', 'updatedAt', 'touched']);
/** When a field got its value: its own time, else the row's for a row never changed by fields, else before everything. */
const timeOf = (row: MergeableRow, field: string): string => row.touched?.[field] ?? (row.touched ? '' : row.updatedAt);
const asText = (value: unknown): string => JSON.stringify(value) ?? '';

/** Under `id` stands when the row was made or first seen. */
const madeAt = (row: MergeableRow): string => row.touched?.['id'] ?? row.updatedAt;
const edited = (row: MergeableRow, field: string): boolean => (row.touched?.[field] ?? '') > madeAt(row);
const inOrder = (row: object): string => JSON.stringify(Object.entries(row).sort(([a], [b]) => (a < b ? -1 : 1)));

/** A row as it is after a change: fields that differ from before carry the time of the change. */
export function withTouched<T extends MergeableRow>(before: T | null, after: T): T {
  if (!before) return after;
  const was = before as Readonly<Record<string, unknown>>;
  const is = after as Readonly<Record<string, unknown>>;
  const touched: Record<string, string> = { id: before.updatedAt, ...before.touched };
  if (!before.touched) for (const field of Object.keys(was)) if (!META.has(field)) touched[field] = before.updatedAt;
  for (const field of new Set([...Object.keys(was), ...Object.keys(is)]))
    if (!META.has(field) && asText(was[field]) !== asText(is[field])) touched[field] = after.updatedAt;
  return { ...after, touched };
}

/**
 * Two versions of one row as one: of every field the later value, of values equally old the one later in text order, so that the order
 * of merging does not matter. Fields changed in both places to different values are listed.
 */
export function mergeRows<T extends MergeableRow>(a: T, b: T): { readonly row: T; readonly conflicts: readonly FieldConflict[] } {
  if (inOrder(a) === inOrder(b)) return { row: a, conflicts: [] };
  const left = a as Readonly<Record<string, unknown>>;
  const right = b as Readonly<Record<string, unknown>>;
  const merged: Record<string, unknown> = { id: a.id };
  const touched: Record<string, string> = { id: madeAt(a) < madeAt(b) ? madeAt(a) : madeAt(b) };
  const conflicts: FieldConflict[] = [];
  for (const field of [...new Set([...Object.keys(left), ...Object.keys(right)])].sort()) {
    if (META.has(field)) continue;
    const x = { at: timeOf(a, field), text: asText(left[field]), value: left[field] };
    const y = { at: timeOf(b, field), text: asText(right[field]), value: right[field] };
    const xWins = x.at > y.at || (x.at === y.at && x.text >= y.text);
    const [kept, lost] = xWins ? [x, y] : [y, x];
    if (kept.value !== undefined) merged[field] = kept.value;
    if (kept.at !== '') touched[field] = kept.at;
    if (x.text !== y.text && edited(a, field) && edited(b, field)) conflicts.push({ id: a.id, field, kept: kept.value, lost: lost.value });
  }
  const row = { ...merged, updatedAt: a.updatedAt > b.updatedAt ? a.updatedAt : b.updatedAt, touched };
  return { row: row as unknown as T, conflicts };
}
