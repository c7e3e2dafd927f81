import type { ReactNode } from 'react';
import { inBeats, inQuarters, type TempoUnit } from '@/core/score';
import type { Rung } from '@/core/studio';
import { BeatSign, Button } from '@/ui';
import { KeptField } from '@/features/drafts';

interface Props {
  readonly rung: Rung;
  /** Estimated minutes for all its times. */
  readonly minutes: number | null;
  /** The beat in which its tempos are said. */
  readonly unit: TempoUnit;
  /** Whose logs the estimate follows; null for the usual one. */
  readonly pacedBy: string | null;
  /** `stored` is called when it is kept. */
  readonly onEdit: (change: Partial<Rung>, stored: () => void) => void;
  readonly onRemove: () => void;
}

const tempoFrom = (text: string, unit: TempoUnit): number | null => {
  const value = inQuarters(Number(text), unit);
  return text.trim() !== '' && value >= 10 && value <= 600 ? value : null;
};

const WANTS = {
  what: 'what is to be done',
  hands: 'any words',
  done: 'any words',
  tempo: 'a number from 10 to 600',
  tempoTo: 'a number from 10 to 600',
  times: 'a number from 1 to 100',
} as const;

/** Everything of one rung, saved as it is typed. */
export function RungEditor({ rung, unit, minutes, pacedBy, onEdit, onRemove }: Props): ReactNode {
  const { made } = rung;
  const shown = (name: 'what' | 'hands' | 'done' | 'tempo' | 'tempoTo' | 'times'): string => {
    const value = rung[name];
    return (name === 'tempo' || name === 'tempoTo') && typeof value === 'number'
      ? String(inBeats(value, unit))
      : String(value ?? '');
  };
  const field = (
    name: 'what' | 'hands' | 'done' | 'tempo' | 'tempoTo' | 'times',
    look: string,
    accepts: (text: string) => boolean,
    read: (text: string) => Partial<Rung>,
    most: number,
  ): ReactNode => (
    <KeptField
      draftKey={`rung ${rung.id} ${name}`}
      className={`field w-full ${look} ${made && made[name] !== rung[name] ? 'text-plum' : ''}`}
      value={shown(name)}
      maxLength={most}
      accepts={accepts}
      wants={WANTS[name]}
      onKeep={(text, stored) => onEdit(read(text), stored)}
    />
  );
  const text = (label: string, name: 'what' | 'hands' | 'done', most: number): ReactNode => (
    <label>
      {label}
      {field(
        name,
        '',
        (typed) => name !== 'what' || typed.trim() !== '',
        (typed) => ({ [name]: typed }),
        most,
      )}
    </label>
  );
  const tempo = (label: string, name: 'tempo' | 'tempoTo'): ReactNode => (
    <label className="flex-1">
      {label} {name === 'tempo' ? <BeatSign unit={unit} /> : null}
      {field(
        name,
        'figure',
        (typed) => typed.trim() === '' || tempoFrom(typed, unit) !== null,
        (typed) => ({ [name]: tempoFrom(typed, unit) }),
        6,
      )}
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
          {field(
            'times',
            'figure',
            (typed) => Number(typed) >= 1 && Number(typed) <= 100,
            (typed) => ({ times: Math.round(Number(typed)) }),
            4,
          )}
        </label>
      </div>
      {text('Done when', 'done', 200)}
      <Button shortcut="del" onClick={onRemove}>
        Remove the rung
      </Button>
    </div>
  );
}
