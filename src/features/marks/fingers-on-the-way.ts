import type { FingerMark } from '@/core/studio';

interface OnTheWay {
  readonly finger: string;
  readonly variant: string;
  /** Its transaction has ended: it is among what is shown next. */
  readonly stored: boolean;
}

/**
 * Fingers on their way into the store: typed, and not yet among those that are shown. One that is stored has arrived
 * with the next fingers that are shown, whatever was made of it meanwhile; one of another variant is not waited for.
 */
export function fingersOnTheWay() {
  const way = new Map<string, OnTheWay>();
  return {
    typed: (noteId: string, finger: string, variant: string): void =>
      void way.set(noteId, { finger, variant, stored: false }),
    stored: (noteId: string): void => {
      const there = way.get(noteId);
      if (there) way.set(noteId, { ...there, stored: true });
    },
    refused: (noteId: string): void => void way.delete(noteId),
    /** What is shown now. */
    shown: (fingers: ReadonlyMap<string, FingerMark>): void => {
      for (const [id, { finger, stored }] of way) if (stored || fingers.get(id)?.finger === finger) way.delete(id);
    },
    /** Everything that was typed in a variant has arrived, so that what is proposed is proposed around it. */
    arrived: (variant: string): boolean => ![...way.values()].some((w) => w.variant === variant),
  };
}

export type FingersOnTheWay = ReturnType<typeof fingersOnTheWay>;
