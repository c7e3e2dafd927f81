import type { ReactNode } from 'react';
import { KeptField } from '@/features/drafts';

const PAUSE_MS = 350;

/** A text field of the bar, kept when it is left. */
export function BarField({
  draftKey,
  label,
  value,
  onKeep,
  placeholder = '',
  wide = false,
}: {
  readonly draftKey: string;
  readonly label: string;
  readonly value: string;
  readonly onKeep: (text: string, stored: () => void) => void;
  readonly placeholder?: string;
  readonly wide?: boolean;
}): ReactNode {
  return (
    <label className={wide ? 'block w-full' : 'block'}>
      <span className="block text-sm text-ink-2">{label}</span>
      <KeptField
        draftKey={draftKey}
        className={`field figure ${wide ? 'w-full' : 'w-24'}`}
        value={value}
        placeholder={placeholder}
        onKeep={onKeep}
        pauseMs={PAUSE_MS}
      />
    </label>
  );
}
