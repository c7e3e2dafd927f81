import type { ReactNode } from 'react';
import { Choose } from '@/ui';

export interface Choice {
  readonly id: string | null;
  readonly label: string;
}

/** One of those that the whole screen is about. */
export function Chooser({
  label,
  value,
  choices,
  onChoose,
}: {
  readonly label: string;
  readonly value: string | null;
  readonly choices: readonly Choice[];
  readonly onChoose: (id: string | null) => void;
}): ReactNode {
  const current = choices.find((c) => c.id === value) ?? choices[0];
  return (
    <Choose
      big
      place="alone"
      label={label}
      value={current?.id ?? ''}
      choices={choices.map((c) => [c.id ?? '', c.label] as const)}
      onPick={(id) => onChoose(id === '' ? null : id)}
    />
  );
}
