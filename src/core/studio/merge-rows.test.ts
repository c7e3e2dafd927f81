import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mergeRows, withTouched, type MergeableRow } from './merge-rows';

interface Row extends MergeableRow {
  readonly name: string;
  readonly age: number;
  readonly note?: string;
}
const at = (n: number): string => `2026-01-01T00:00:${String(n).padStart(2, '0')}.000Z`;
const base: Row = { id: 'r', updatedAt: at(0), name: 'Imke', age: 9 };
const edit = (row: Row, change: Partial<Row>, when: number): Row => withTouched(row, { ...row, ...change }, at(when));

/** Rows as two devices may have them: the same start, then edits of their own. */
const anyRow = fc
  .array(
    fc.record({
      when: fc.integer({ min: 1, max: 59 }),
      change: fc.oneof(
        fc.record({ name: fc.constantFrom('A', 'B', 'C') }),
        fc.record({ age: fc.integer({ min: 5, max: 8 }) }),
        fc.record({ note: fc.constantFrom('x', 'y', undefined) }),
      ),
    }),
    { maxLength: 5 },
  )
  .map((edits) =>
    [...edits].sort((a, b) => a.when - b.when).reduce<Row>((row, e) => edit(row, e.change, e.when), base),
  );

describe('merging two versions of a row', () => {
  it('keeps the removal of an optional field, however often it is merged', () => {
    const noted = edit(base, { note: 'x' }, 2);
    const bare = edit(noted, { note: undefined }, 4);
    const once = mergeRows(noted, bare).row;
    expect(once.note).toBeUndefined();
    expect(mergeRows(once, noted).row).toEqual(once);
    expect(mergeRows(mergeRows(noted, bare).row, noted).row).toEqual(mergeRows(noted, mergeRows(bare, noted).row).row);
  });
  it('lists what two devices set when they made the same row apart from one another', () => {
    const here: Row = { ...base, touched: { id: at(3) }, updatedAt: at(3) };
    const there: Row = { ...base, name: 'Other', touched: { id: at(5) }, updatedAt: at(5) };
    expect(mergeRows(here, there)).toMatchObject({
      row: { name: 'Other' },
      conflicts: [{ field: 'name', kept: 'Other', lost: 'Imke' }],
    });
  });
  it('keeps the newer word of every field, not of the whole row', () => {
    const here = edit(base, { name: 'Imke R' }, 5);
    const there = edit(base, { age: 10 }, 3);
    expect(mergeRows(here, there)).toMatchObject({ row: { name: 'Imke R', age: 10 }, conflicts: [] });
  });
  it('lists what was changed in both places', () => {
    const here = edit(edit(base, { age: 11 }, 2), { name: 'X' }, 3);
    const there = edit(base, { age: 12 }, 4);
    expect(mergeRows(here, there)).toMatchObject({ row: { name: 'X', age: 12 } });
    expect(mergeRows(here, there).conflicts).toContainEqual({ id: 'r', field: 'age', kept: 12, lost: 11 });
  });
  it('gives a row merged with itself back', () => expect(mergeRows(base, base)).toEqual({ row: base, conflicts: [] }));
  it('does not depend on the order', () => {
    fc.assert(
      fc.property(anyRow, anyRow, (a, b) => {
        expect(mergeRows(a, b).row).toEqual(mergeRows(b, a).row);
      }),
    );
    fc.assert(
      fc.property(anyRow, anyRow, anyRow, (a, b, c) => {
        expect(mergeRows(mergeRows(a, b).row, c).row).toEqual(mergeRows(a, mergeRows(b, c).row).row);
      }),
    );
  });
  it('changes nothing when merged again', () => {
    fc.assert(
      fc.property(anyRow, anyRow, (a, b) => {
        const once = mergeRows(a, b).row;
        expect(mergeRows(once, b).row).toEqual(once);
      }),
    );
  });
});
