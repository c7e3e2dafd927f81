import type { ReactNode } from 'react';
import { Choose } from '@/ui';

/** One of a few things that have names; the label is only spoken. */
export function NamedChoice<V extends string>({
  label,
  value,
  of,
  names,
  onPick,
}: {
  readonly label: string;
  readonly value: V;
  readonly of: readonly V[];
  readonly names: Readonly<Record<V, string>>;
  readonly onPick: (value: V) => void;
}): ReactNode {
  return (
    <Choose place="alone" label={label} value={value} choices={of.map((v) => [v, names[v]] as const)} onPick={onPick} />
  );
}
