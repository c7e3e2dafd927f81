'use client';

import type { ReactNode } from 'react';
import { Choose, useKeptChoice } from '@/ui';

const LEVELS = ['usual', 'soft', 'loud'] as const;
const TUNINGS = ['440', '430', '432', '435', '437', '439', '441', '442', '443', '444', '445', '446'] as const;
const LOUDNESS: Readonly<Record<(typeof LEVELS)[number], number>> = { soft: 0.4, usual: 0.75, loud: 1 };

/** How loud it is here, and how high: of this device, not of the studio. */
export function useSoundChoices(): { readonly level: number; readonly a4: number } {
  const [level] = useKeptChoice('sound-level', LEVELS);
  const [tuning] = useKeptChoice('sound-tuning', TUNINGS);
  return { level: LOUDNESS[level], a4: Number(tuning) };
}

/** The same, to be chosen. */
export function SoundChoices(): ReactNode {
  const [level, setLevel] = useKeptChoice('sound-level', LEVELS);
  const [tuning, setTuning] = useKeptChoice('sound-tuning', TUNINGS);
  return (
    <div className="grid gap-3">
      <Choose
        place="stacked"
        label="How loud it sounds"
        value={level}
        choices={[
          ['soft', 'soft'],
          ['usual', 'as usual'],
          ['loud', 'loud'],
        ]}
        onPick={setLevel}
      />
      <Choose
        place="stacked"
        label="The A is tuned to"
        value={tuning}
        choices={[...TUNINGS].sort().map((hertz) => [hertz, `${hertz} hertz`] as const)}
        onPick={setTuning}
      />
      <p className="text-sm text-ink-2">
        For this device. With headphones keep it soft: what is loud for long harms the ears.
      </p>
    </div>
  );
}
