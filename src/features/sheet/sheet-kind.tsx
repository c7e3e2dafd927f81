import type { ReactNode } from 'react';
import { Choose } from '@/ui';
import { useWhere } from '@/features/where';

/** What is printed: a week, or a piece in one of several ways. The address says which. */
export const SHEET_KINDS = ['week', 'piece', 'changed', 'families', 'worksheet', 'chords'] as const;
export type SheetKind = (typeof SHEET_KINDS)[number];

const KIND_NAMES: Readonly<Record<SheetKind, string>> = {
  week: 'the week',
  piece: 'the whole piece',
  changed: 'only what changed',
  families: 'a part with its rhythms marked',
  worksheet: 'a worksheet with answers',
  chords: 'words and chords',
};

export const useSheetKind = (): SheetKind => {
  const { view } = useWhere();
  return SHEET_KINDS.find((k) => k === view) ?? 'week';
};

/** Chooses what is printed. */
export function SheetKindChoice(): ReactNode {
  const where = useWhere();
  const kind = useSheetKind();
  return (
    <Choose
      place="stacked"
      label="What is printed"
      value={kind}
      choices={SHEET_KINDS.map((k) => [k, KIND_NAMES[k]])}
      onPick={(next) => where.change({ view: next === 'week' ? null : next })}
    />
  );
}
