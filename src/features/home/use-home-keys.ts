'use client';

import type { RefObject } from 'react';
import { useKey } from '@/features/keys';
import type { RoomKey, RoomKeys } from '@/room';

/** The keys of the application’s table, handed to what the room does with them at the moment. */
export function useHomeKeys(keys: RefObject<RoomKeys | null>): void {
  const act =
    (key: RoomKey) =>
    (event: KeyboardEvent): void =>
      keys.current?.[key](event);
  useKey('home.play', act('play'));
  useKey('home.right', act('right'));
  useKey('home.again', act('again'));
  useKey('home.faster', act('faster'));
  useKey('home.slower', act('slower'));
  useKey('home.back', act('back'));
  useKey('home.way', act('way'));
  useKey('home.tapLeft', act('tapLeft'));
  useKey('home.tapRight', act('tapRight'));
}
