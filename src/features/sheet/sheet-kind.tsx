import type { ReactNode } from 'react';
import { NamedChoice } from '@/ui';
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
    <NamedChoice
      place="stacked"
      label="What is printed"
      value={kind}
      of={SHEET_KINDS}
      names={KIND_NAMES}
      onPick={(next) => where.change({ view: next === 'week' ? null : next })}
    />
  );
}
