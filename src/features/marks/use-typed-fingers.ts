import { useEffect, useRef } from 'react';
import type { FingerMark } from '@/core/studio';

/** Fingers on their way into the store: typed, and not yet among those that are shown. */
export interface TypedFingers {
  readonly typed: (noteId: string, finger: string) => void;
  readonly refused: (noteId: string) => void;
  /** Everything that was typed has arrived, so that what is proposed is proposed around it. */
  readonly arrived: () => boolean;
}

export function useTypedFingers(fingers: ReadonlyMap<string, FingerMark>): TypedFingers {
  const onTheWay = useRef(new Map<string, string>());
  useEffect(() => {
    for (const [id, finger] of onTheWay.current) if (fingers.get(id)?.finger === finger) onTheWay.current.delete(id);
  }, [fingers]);
  return {
    typed: (id, finger) => {
      if (fingers.get(id)?.finger !== finger) onTheWay.current.set(id, finger);
    },
    refused: (id) => onTheWay.current.delete(id),
    arrived: () => onTheWay.current.size === 0,
  };
}
