'use client';

import type { ReactNode } from 'react';
import { Choose, useKeptChoice } from '@/ui';

const LEVELS = ['usual', 'soft', 'loud'] as const;
const TUNINGS = ['440', '430', '432', '435', '437', '439', '441', '442', '443', '444', '445', '446'] as const;
/** Semitones, as the most usual instruments that transpose and capos on a guitar need them; as written first. */
const SHIFTS = ['0', '-12', '-9', '-7', '-5', '-4', '-3', '-2', '-1', '1', '2', '3', '4', '5', '7', '12'] as const;
const LOUDNESS: Readonly<Record<(typeof LEVELS)[number], number>> = { soft: 0.4, usual: 0.75, loud: 1 };

/** How loud it is here, and how high: of this device, not of the studio. */
export function useSoundChoices(): { readonly level: number; readonly a4: number; readonly shift: number } {
  const [level] = useKeptChoice('sound-level', LEVELS);
  const [tuning] = useKeptChoice('sound-tuning', TUNINGS);
  const [shift] = useKeptChoice('sound-shift', SHIFTS);
  return { level: LOUDNESS[level], a4: Number(tuning), shift: Number(shift) };
}

const shiftWords = (shift: number): string => {
  if (shift === 0) return 'as it is written for the instrument';
  const by =
    Math.abs(shift) === 1 ? 'a semitone' : Math.abs(shift) === 12 ? 'an octave' : `${Math.abs(shift)} semitones`;
  return `${by} ${shift > 0 ? 'higher' : 'lower'}`;
};

/** The same, to be chosen. */
export function SoundChoices(): ReactNode {
  const [level, setLevel] = useKeptChoice('sound-level', LEVELS);
  const [tuning, setTuning] = useKeptChoice('sound-tuning', TUNINGS);
  const [shift, setShift] = useKeptChoice('sound-shift', SHIFTS);
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
      <Choose
        place="stacked"
        label="All of it sounds"
        value={shift}
        choices={[...SHIFTS].sort((a, b) => Number(a) - Number(b)).map((by) => [by, shiftWords(Number(by))] as const)}
        onPick={setShift}
      />
      <p className="text-sm text-ink-2">
        For this device. With headphones keep it soft: what is loud for long harms the ears.
      </p>
    </div>
  );
}
