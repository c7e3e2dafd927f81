import { useEffect, useRef } from 'react';
import { ROOM_KEYS, type RoomKey, type RoomKeys, type RoomProps } from './room-task';

const NOTHING = (): void => undefined;

/** The keys of the room while one plays; while one taps they are the tapping panel's own. */
export function useRoomKeys(
  { onKeys }: Pick<RoomProps, 'onKeys'>,
  isElsewhere: boolean,
  acts: Partial<Record<RoomKey, (event: KeyboardEvent) => void>>,
): void {
  const latest = useRef(acts);
  useEffect(() => {
    latest.current = acts;
  });
  useEffect(() => {
    if (isElsewhere) return undefined;
    const keys = Object.fromEntries(
      ROOM_KEYS.map((key) => [key, (event: KeyboardEvent) => (latest.current[key] ?? NOTHING)(event)]),
    ) as unknown as RoomKeys;
    return onKeys(keys);
  }, [isElsewhere, onKeys]);
}
