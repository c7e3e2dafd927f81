import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { TimedMusic } from '@/core/performance';
import { inQuarters } from '@/core/score';
import { rhythmIsThere, type Tapped } from '@/core/tapping';
import { useSaying, type SayingAccess } from './now-said';
import type { RoomProps, SoundAsked, Way } from './room-task';
import { useRoomDrill, type RoomDrill } from './use-room-drill';
import { useRoomKeys } from './use-room-keys';
import { useRoomSound, waysOf, type RoomSound } from './use-room-sound';

/** In beats, as a metronome is turned. */
const TEMPO_STEP = 4;
const SEEDS = 1_000_000;

/** Times that the range has begun, of what was heard. */
const roundsOf = (music: TimedMusic, first: number, heard: number): number =>
  music.bars.filter((b) => b.bar === first && b.at <= heard).length;

/** Playing what is asked for, and what of it was heard. */
function useRoomPlaying(
  { task, player }: RoomProps,
  asked: Omit<SoundAsked, 'start' | 'seed'>,
  addHeard: (seconds: number, loops: number) => void,
) {
  const [sounding, setSounding] = useState<TimedMusic | null>(null);
  const { stop } = player;
  // Another task, another sound.
  useEffect(() => stop, [task.id, stop]);
  const play = (start: number | null): void => {
    const music = task.soundOf({ ...asked, start, seed: Math.floor(Math.random() * SEEDS) });
    player.play(music, task.familyOf, (seconds) => {
      setSounding(null);
      const rounds = roundsOf(music, asked.range[0], seconds);
      if (seconds > music.before) addHeard(seconds - music.before, rounds > 1 ? rounds : 0);
    });
    setSounding(music);
  };
  return { sounding, play, playOrStop: (): void => (player.isPlaying ? player.stop() : play(null)) };
}

/** The same function for as long as the room is open, doing what was given last. */
function useLatest<A extends readonly unknown[]>(act: (...args: A) => void): (...args: A) => void {
  const latest = useRef(act);
  useEffect(() => {
    latest.current = act;
  });
  return useCallback((...args: A) => latest.current(...args), []);
}

/** Rings when what was asked for is done; not for what was done before the room was opened. */
function useRing(isDone: boolean, ring: () => void): void {
  const before = useRef(isDone);
  const ringNow = useLatest(ring);
  useEffect(() => {
    if (isDone && !before.current) ringNow();
    before.current = isDone;
  }, [isDone, ringNow]);
}

/** How long was tapped, and whether to the end. */
export interface TappedRound {
  readonly whole: boolean;
  readonly seconds: number;
}

export interface RoomModel {
  readonly sound: RoomSound;
  readonly drill: RoomDrill;
  readonly saying: SayingAccess;
  readonly asked: Omit<SoundAsked, 'start' | 'seed'>;
  /** What sounds; null in silence. */
  readonly sounding: TimedMusic | null;
  readonly playOrStop: () => void;
  readonly playFrom: (bar: number) => void;
  readonly faster: (by: number) => void;
  readonly turnTo: (way: Way) => void;
  readonly keep: () => void;
  /** A rhythm was tapped, to its end or not: where tapping is what was asked, a whole round counts as a pass. */
  readonly tapped: (tapped: Tapped, round: TappedRound) => void;
}

/** Everything that the room does, by keys and by touch. */
export function useRoom(props: RoomProps): RoomModel {
  const { task, open, recorder, player, onNext } = props;
  const [shift, setShift] = useState(0);
  const sound = useRoomSound(task);
  const drill = useRoomDrill(task, open, recorder, shift);
  const saying = useSaying(task);
  const { tempo } = drill;
  const asked = useMemo(() => ({ ...sound.asked, tempo }), [sound.asked, tempo]);
  const { sounding, play, playOrStop } = useRoomPlaying(props, asked, drill.addHeard);
  const playFrom = useLatest(play);
  const isDone = drill.drill?.done === true;
  useRing(isDone, player.ring);
  // A metronome is turned in beats.
  const faster = (by: number): void => setShift((s) => s + by * inQuarters(TEMPO_STEP, task.unit));
  const turnTo = (next: Way): void => {
    player.stop();
    sound.turnTo(next);
  };
  const keep = (): void => {
    player.stop();
    drill.finish(() => onNext?.(isDone));
  };
  useRoomKeys(props, sound.way === 'tap', {
    play: playOrStop,
    // What is done is left by the same foot that said so.
    right: () => (isDone ? keep() : drill.judge(true)),
    again: () => drill.judge(false),
    faster: () => faster(1),
    slower: () => faster(-1),
    back: drill.takeBack,
    way: () => {
      const all = waysOf(task);
      turnTo(all[(all.indexOf(sound.way) + 1) % all.length] ?? 'play');
    },
  });
  const tapped = (notes: Tapped, { whole, seconds }: TappedRound): void => {
    drill.addTapped(notes);
    drill.addHeard(seconds, 0);
    if (whole && task.ways[0] === 'tap') drill.judge(rhythmIsThere(notes) === true);
  };
  return { sound, drill, saying, asked, sounding, playOrStop, playFrom, faster, turnTo, keep, tapped };
}
