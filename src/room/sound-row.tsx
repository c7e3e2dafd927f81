import { Minus, Play, Plus, SlidersHorizontal, Square } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { inBeats } from '@/core/score';
import { BeatSign, Button, NamedChoice } from '@/ui';
import type { RoomPlayer, RoomTask, Way } from './room-task';
import { WAY_NAMES, waysOf, type RoomSound } from './use-room-sound';

interface Props {
  readonly task: RoomTask;
  readonly player: RoomPlayer;
  readonly sound: RoomSound;
  /** Quarters a minute. */
  readonly tempo: number;
  readonly onPlay: () => void;
  readonly onFaster: (by: number) => void;
  readonly onWay: (way: Way) => void;
}

/** Playing, how fast, in which way; everything else about the sound behind one button. */
export function SoundRow({ task, player, sound, tempo, onPlay, onFaster, onWay }: Props): ReactNode {
  const [shown, setShown] = useState(false);
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Button big onClick={onPlay} aria-label={player.isPlaying ? 'Silence' : 'Play it'} shortcut="Space">
        {player.isPlaying ? <Square size={22} aria-hidden="true" /> : <Play size={22} aria-hidden="true" />}
      </Button>
      <Button big aria-label="Slower" onClick={() => onFaster(-1)}>
        <Minus size={22} aria-hidden="true" />
      </Button>
      <span className="figure min-w-14 text-center text-2xl">
        <span className="sr-only">Tempo</span> <BeatSign unit={task.unit} /> {inBeats(tempo, task.unit)}
      </span>
      <Button big aria-label="Faster" onClick={() => onFaster(1)}>
        <Plus size={22} aria-hidden="true" />
      </Button>
      <NamedChoice label="How to practise it" value={sound.way} of={waysOf(task)} names={WAY_NAMES} onPick={onWay} />
      <Button big className="ml-auto" aria-expanded={shown} aria-label="How it sounds" onClick={() => setShown(!shown)}>
        <SlidersHorizontal size={22} aria-hidden="true" />
        <span className="hidden md:inline">How it sounds</span>
      </Button>
      {shown ? <div className="basis-full">{sound.choices}</div> : null}
      {player.loading === null ? null : (
        <span role="status">The piano comes in: {Math.round(player.loading * 100)} %</span>
      )}
    </div>
  );
}
