import type { ReactNode } from 'react';
import type { Rung } from '@/core/studio';
import { Button } from '@/ui';

interface Props {
  readonly rung: Rung;
  /** Estimated minutes for all its times. */
  readonly minutes: number | null;
  /** Whose logs the estimate follows; null for the usual one. */
  readonly pacedBy: string | null;
  readonly onEdit: (change: Partial<Rung>) => void;
  readonly onRemove: () => void;
}

const tempoFrom = (text: string): number | null => {
  const value = Number(text);
  return text.trim() !== '' && Number.isFinite(value) && value >= 10 && value <= 600 ? Math.round(value) : null;
};

/** Everything of one rung, saved as it is typed. */
export function RungEditor({ rung, minutes, pacedBy, onEdit, onRemove }: Props): ReactNode {
  const { made } = rung;
  const text = (label: string, field: 'what' | 'hands' | 'done', most: number): ReactNode => (
    <label>
      {label}
      <input
        className={`field w-full ${made && made[field] !== rung[field] ? 'text-plum' : ''}`}
        defaultValue={rung[field]}
        maxLength={most}
        onBlur={(e) => {
          const value = e.target.value.trim();
          if (value !== rung[field] && (field !== 'what' || value !== '')) onEdit({ [field]: value });
        }}
      />
    </label>
  );
  const tempo = (label: string, field: 'tempo' | 'tempoTo'): ReactNode => (
    <label className="flex-1">
      {label}
      <input
        className={`field figure w-full ${made && made[field] !== rung[field] ? 'text-plum' : ''}`}
        inputMode="numeric"
        defaultValue={rung[field] ?? ''}
        onBlur={(e) => tempoFrom(e.target.value) !== rung[field] && onEdit({ [field]: tempoFrom(e.target.value) })}
      />
    </label>
  );
  return (
    <div className="grid gap-3">
      <p className="text-ink-2">
        Why: {rung.why}
        {minutes === null
          ? ''
          : `. About ${minutes.toFixed(1)} min, by length, times and ${pacedBy === null ? 'the usual stops' : `the stops in ${pacedBy}’s logs`}.`}
      </p>
      {text('What to do', 'what', 300)}
      {text('Hands', 'hands', 60)}
      <div className="flex gap-2">
        {tempo('Tempo', 'tempo')}
        {tempo('up to', 'tempoTo')}
        <label className="flex-1">
          Times
          <input
            className={`field figure w-full ${made && made.times !== rung.times ? 'text-plum' : ''}`}
            inputMode="numeric"
            defaultValue={rung.times}
            onBlur={(e) => {
              const n = Math.round(Number(e.target.value));
              if (n >= 1 && n <= 100 && n !== rung.times) onEdit({ times: n });
            }}
          />
        </label>
      </div>
      {text('Done when', 'done', 200)}
      <Button shortcut="del" onClick={onRemove}>
        Remove the rung
      </Button>
    </div>
  );
}
