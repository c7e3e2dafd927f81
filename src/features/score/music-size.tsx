'use client';

import type { ReactNode } from 'react';
import { Choose, useKeptChoice } from '@/ui';

const SIZES = ['usual', 'small', 'large'] as const;
type Size = (typeof SIZES)[number];

/** How many times as large as usual the music is drawn. */
const FACTOR: Readonly<Record<Size, number>> = { small: 0.8, usual: 1, large: 1.35 };

/** How large the music is drawn in a stage, remembered for it. */
export function useMusicSize(stage: string): {
  readonly size: Size;
  readonly factor: number;
  readonly setSize: (size: Size) => void;
} {
  const [size, setSize] = useKeptChoice(`music-size.${stage}`, SIZES);
  return { size, factor: FACTOR[size], setSize };
}

/** Three sizes of the music. */
export function MusicSizeChoice({ stage }: { readonly stage: string }): ReactNode {
  const { size, setSize } = useMusicSize(stage);
  return (
    <Choose
      place="alone"
      label="Size of the music"
      shown="Size"
      value={size}
      choices={[
        ['small', 'small music'],
        ['usual', 'usual size'],
        ['large', 'large music'],
      ]}
      onPick={setSize}
    />
  );
}
