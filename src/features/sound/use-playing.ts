'use client';

import { fail } from '@/core/result';
import { showProblem } from '@/features/acts';
import { usePlayer, type RoomPlayer } from '@/room';
import { useSoundChoices } from './sound-choices';

/** Playing, and what is heard at the moment: what the room asks of a player. */
export type PlayAccess = RoomPlayer;

/** Plays timed music as it is chosen in the settings. */
export function usePlaying(): PlayAccess {
  const choices = useSoundChoices();
  return usePlayer({
    play: async (music, familyOf, follow) => {
      const { playMusic } = await import('@/audio');
      return playMusic({ music, familyOf, samples: { from: '/piano' }, ...choices, ...follow });
    },
    ring: async () => {
      const { ringQuietly } = await import('@/audio');
      await ringQuietly(choices.level);
    },
    onSilent: () =>
      showProblem(
        fail('no-sound', 'Nothing can be heard: the sound of the piano could not be loaded. Try again.').issue,
      ),
  });
}
