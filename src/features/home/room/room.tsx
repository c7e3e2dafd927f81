'use client';

import { Minus, Play, Plus, SlidersHorizontal, Square, Undo2 } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import { CLICK_PATTERNS, type ClickPattern } from '@/core/performance';
import type { Drill } from '@/core/drill';
import { inBeats, inQuarters } from '@/core/score';
import { BeatSign, Button, Choose, useKeptChoice } from '@/ui';
import { useKey } from '@/features/keys';
import { usePlaying, type PlayAccess } from '@/features/sound';
import { HEARD, LOOPS, type Heard, type Loop, type Recorder, type RoomTask, type SoundAsked } from './room-task';
import { RowBoxes } from './row-boxes';
import { TapPanel } from './tap-panel';
import { useRoomDrill, type OpenPasses } from './use-room-drill';

const HEARD_NAMES: Readonly<Record<Heard, string>> = {
  mine: 'my part',
  right: 'only the right hand',
  left: 'only the left hand',
  others: 'the other parts',
  none: 'no music',
};
const LOOP_NAMES: Readonly<Record<Loop, string>> = {
  once: 'once',
  beat: 'again and again, a beat between',
  bar: 'again and again, a bar between',
  count: 'again and again, counted in each time',
};
const CLICK_NAMES: Readonly<Record<ClickPattern | 'none', string>> = {
  none: 'no click',
  beats: 'click on every beat',
  strong: 'click on the first beat',
  'second-bar': 'click in every second bar',
  'silent-fourth': 'click silent for a bar in four',
  chance: 'click silent here and there',
};
const CLICKS = ['beats', 'none', ...CLICK_PATTERNS.filter((p) => p !== 'beats')] as const;

/** In beats, as a metronome is turned. */
const TEMPO_STEP = 4;

interface Props {
  readonly task: RoomTask;
  readonly open: OpenPasses;
  readonly recorder: Recorder;
  /** The music of the task, with the bar that is heard. */
  readonly music: (hearing: number | null) => ReactNode;
  readonly onNext: (() => void) | null;
}

/** How it sounds: what of it, how often, with which click. */
function useSoundAsked(task: RoomTask): {
  readonly asked: Omit<SoundAsked, 'tempo'>;
  readonly choices: ReactNode;
} {
  const [heard, setHeard] = useKeptChoice('home-heard', HEARD);
  const [loop, setLoop] = useKeptChoice('home-loop', LOOPS);
  const [click, setClick] = useKeptChoice('home-click', CLICKS);
  const voice = task.voices.includes(heard) ? heard : (task.voices[0] ?? 'none');
  return {
    asked: { heard: voice, loop, click },
    choices: (
      <>
        <Choose
          place="alone"
          label="What sounds"
          value={voice}
          choices={task.voices.map((v) => [v, HEARD_NAMES[v]] as const)}
          onPick={setHeard}
        />
        <Choose
          place="alone"
          label="How often"
          value={loop}
          choices={LOOPS.map((l) => [l, LOOP_NAMES[l]] as const)}
          onPick={setLoop}
        />
        <Choose
          place="alone"
          label="Click"
          value={click}
          choices={CLICKS.map((c) => [c, CLICK_NAMES[c]] as const)}
          onPick={setClick}
        />
      </>
    ),
  };
}

/** Playing, and how fast. */
function SoundRow({
  playing,
  tempo,
  unit,
  onPlay,
  onFaster,
  choices,
  onTap,
}: {
  readonly playing: PlayAccess;
  readonly tempo: number;
  readonly unit: RoomTask['unit'];
  readonly onPlay: () => void;
  readonly onFaster: (by: number) => void;
  readonly choices: ReactNode;
  readonly onTap: () => void;
}): ReactNode {
  const beats = inBeats(tempo, unit);
  const [shown, setShown] = useState(false);
  const more = (
    <>
      {choices}
      <Button big onClick={onTap}>
        Tap the rhythm
      </Button>
    </>
  );
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Button big onClick={onPlay} aria-label={playing.isPlaying ? 'Silence' : 'Play it'} shortcut="Space">
        {playing.isPlaying ? <Square size={22} aria-hidden="true" /> : <Play size={22} aria-hidden="true" />}
      </Button>
      <Button big aria-label="Slower" onClick={() => onFaster(-1)}>
        <Minus size={22} aria-hidden="true" />
      </Button>
      <span className="figure min-w-14 text-center text-2xl">
        <span className="sr-only">Tempo</span> <BeatSign unit={unit} /> {beats}
      </span>
      <Button big aria-label="Faster" onClick={() => onFaster(1)}>
        <Plus size={22} aria-hidden="true" />
      </Button>
      <span className="hidden flex-wrap items-center gap-2 sm:flex">{more}</span>
      <Button
        big
        className="ml-auto sm:hidden"
        aria-expanded={shown}
        aria-label="How it sounds"
        onClick={() => setShown(!shown)}
      >
        <SlidersHorizontal size={22} aria-hidden="true" />
      </Button>
      {shown ? <span className="flex basis-full flex-wrap gap-2 sm:hidden">{more}</span> : null}
      {playing.loading === null ? null : (
        <span role="status">The piano comes in: {Math.round(playing.loading * 100)} %</span>
      )}
    </div>
  );
}

/** How often it was right, what was counted kept, and the two large fields at the thumb. */
function Judging({
  drill,
  onJudge,
  onTakeBack,
  onKeep,
  isLast,
}: {
  readonly drill: Drill;
  readonly onJudge: (right: boolean) => void;
  readonly onTakeBack: () => void;
  readonly onKeep: () => void;
  readonly isLast: boolean;
}): ReactNode {
  return (
    <>
      <div className="flex flex-wrap items-center gap-2">
        <RowBoxes drill={drill} />
        {drill.passes.length > 0 ? (
          <span className="ml-auto flex flex-wrap gap-2">
            <Button look="quiet" big onClick={onTakeBack}>
              <Undo2 size={20} aria-hidden="true" /> <span className="sr-only sm:not-sr-only">Not that one</span>
            </Button>
            <Button big look={drill.done ? 'primary' : 'plain'} onClick={onKeep}>
              {isLast ? 'Keep it' : 'Keep it, go on'}
            </Button>
          </span>
        ) : null}
      </div>
      <div className="grid grid-cols-2 gap-2">
        <Button big className="min-h-16 text-2xl" shortcut="←" onClick={() => onJudge(false)}>
          Again
        </Button>
        <Button
          big
          look={drill.done ? 'plain' : 'primary'}
          className="min-h-16 text-2xl"
          shortcut="→"
          onClick={() => onJudge(true)}
        >
          Right
        </Button>
      </div>
    </>
  );
}

/** One thing to practise: its music large, how it sounds, and counting how often it is right. */
export function Room({ task, open, recorder, music, onNext }: Props): ReactNode {
  const [shift, setShift] = useState(0);
  const [tapping, setTapping] = useState(false);
  const { asked, choices } = useSoundAsked(task);
  const { drill, tempo, judge, takeBack, finish } = useRoomDrill(task, open, recorder, shift);
  const playing = usePlaying();
  const { stop } = playing;
  // Another task, another sound.
  useEffect(() => stop, [task.id, stop]);
  const playOrStop = (): void => {
    if (playing.isPlaying) playing.stop();
    else if (task.soundOf) playing.play(task.soundOf({ ...asked, tempo }), task.familyOf);
  };
  // A metronome is turned in beats.
  const faster = (by: number): void => setShift((s) => s + by * inQuarters(TEMPO_STEP, task.unit));
  useKey('home.play', playOrStop);
  useKey('home.right', () => judge(true));
  useKey('home.again', () => judge(false));
  useKey('home.faster', () => faster(1));
  useKey('home.slower', () => faster(-1));
  useKey('home.back', takeBack);
  return (
    <section className="flex min-h-0 flex-1 flex-col gap-3 text-lg" aria-label="In hand">
      <div>
        <h2 className="text-xl sm:text-2xl">{task.what}</h2>
        {task.what.includes(task.pieceTitle) ? null : (
          <p className="text-ink-2" translate="no">
            {task.pieceTitle}
          </p>
        )}
      </div>
      {playing.count === null ? null : (
        <p className="figure text-center text-6xl font-semibold text-acorn" aria-live="off">
          {playing.count}
        </p>
      )}
      <div className="panel p-2 sm:p-4" data-heard-bar={playing.bar ?? undefined}>
        {music(playing.bar)}
      </div>
      {task.cue === '' ? null : (
        <p translate="no" className="rounded bg-plum-wash px-4 py-2 font-semibold text-plum">
          “{task.cue}”
        </p>
      )}
      {tapping ? (
        <TapPanel task={task} tempo={tempo} onClose={() => setTapping(false)} />
      ) : (
        <div className="sticky bottom-0 mt-auto grid gap-2 border-t border-rule bg-ground py-2">
          {task.soundOf ? (
            <SoundRow
              playing={playing}
              tempo={tempo}
              unit={task.unit}
              onPlay={playOrStop}
              onFaster={faster}
              choices={choices}
              onTap={() => {
                playing.stop();
                setTapping(true);
              }}
            />
          ) : null}
          {drill ? (
            <Judging
              drill={drill}
              onJudge={judge}
              onTakeBack={takeBack}
              onKeep={() => {
                finish();
                onNext?.();
              }}
              isLast={onNext === null}
            />
          ) : null}
        </div>
      )}
    </section>
  );
}
