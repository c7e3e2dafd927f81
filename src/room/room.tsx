'use client';

import { useMemo, useRef, type ReactNode } from 'react';
import { BreathAhead } from './breath-ahead';
import { FindPlace } from './find-place';
import { Judging } from './judging';
import { NowSaid } from './now-said';
import { PhaseLine } from './phase-line';
import type { RoomProps, RoomTask } from './room-task';
import { SoundRow } from './sound-row';
import { TapPanel } from './tap-panel';
import { useRoom, type RoomModel } from './use-room';

/** What is to be done, and what counts as done. */
function TaskWords({ task }: { readonly task: RoomTask }): ReactNode {
  return (
    <div>
      <h2 className="text-xl sm:text-2xl">{task.what}</h2>
      <p className="text-ink-2">
        {task.of}
        {task.of !== '' && task.done !== '' ? '. ' : ''}
        {task.done === '' ? '' : `Done when: ${task.done}`}
      </p>
      {task.caution === null ? null : (
        <p className="mt-1 rounded border-l-4 border-acorn bg-acorn-wash px-3 py-1">{task.caution}</p>
      )}
    </div>
  );
}

/** The music, and above it what one does with it at the moment. */
function RoomMusic({ props, model }: { readonly props: RoomProps; readonly model: RoomModel }): ReactNode {
  const { task, player, music } = props;
  const { sound, saying, asked, sounding, playFrom } = model;
  const { way } = sound;
  const sheet = useRef<HTMLDivElement | null>(null);
  const calm = useMemo(
    () => (way === 'breathe' ? task.soundOf({ ...asked, loop: 'once', start: null, seed: 0 }) : null),
    [way, task, asked],
  );
  const sheetFrom = (bar: number): ReactNode =>
    music({
      range: [bar, asked.range[1]],
      hearing: player.bar,
      covers: way === 'ahead',
      said: way === 'say' ? saying.texts : null,
      words: sound.words,
      onBar: playFrom,
    });
  const count = player.count !== null && (player.countingIn || sound.countsAll) ? player.count : null;
  return (
    <>
      {player.phase === null ? null : <PhaseLine phase={player.phase} barName={task.barName} />}
      {count === null || way === 'tap' ? null : (
        <p className="figure text-center text-6xl font-semibold text-acorn" aria-live="off">
          {count}
        </p>
      )}
      {way === 'say' ? (
        <>
          {saying.choices}
          <NowSaid player={player} music={sounding} access={saying} host={sheet} />
        </>
      ) : null}
      {calm ? <BreathAhead task={task} player={player} music={sounding ?? calm} /> : null}
      {way === 'place' ? (
        <FindPlace task={task} range={asked.range} musicFrom={sheetFrom} />
      ) : (
        <div ref={sheet} className="panel p-2 sm:p-4" data-heard-bar={player.bar ?? undefined}>
          {sheetFrom(asked.range[0])}
        </div>
      )}
    </>
  );
}

/** One thing to practise: its music large, how it sounds, and counting how often it is right. */
export function Room(props: RoomProps): ReactNode {
  const { task, player, onNext } = props;
  const model = useRoom(props);
  const { sound, drill, asked, playOrStop, faster, turnTo, keep } = model;
  return (
    <section className="flex min-h-0 flex-1 flex-col gap-3 text-lg" aria-label="In hand">
      <TaskWords task={task} />
      <RoomMusic props={props} model={model} />
      {task.cue === '' ? null : (
        <p translate="no" className="rounded bg-plum-wash px-4 py-2 font-semibold text-plum">
          “{task.cue}”
        </p>
      )}
      {sound.way === 'tap' ? (
        <TapPanel
          {...props}
          asked={asked}
          onTapped={model.tapped}
          drill={drill.drill}
          hasWork={drill.hasWork}
          onKeep={keep}
          onClose={() => turnTo(task.ways.find((w) => w !== 'tap') ?? 'play')}
        />
      ) : (
        <div className="sticky bottom-0 mt-auto grid gap-2 border-t border-rule bg-ground py-2">
          <SoundRow
            task={task}
            player={player}
            sound={sound}
            tempo={drill.tempo}
            onPlay={playOrStop}
            onFaster={faster}
            onWay={turnTo}
          />
          {drill.drill ? (
            <Judging
              drill={drill.drill}
              unit={task.unit}
              target={task.target}
              hasWork={drill.hasWork}
              onJudge={drill.judge}
              onTakeBack={drill.takeBack}
              onKeep={keep}
              isLast={onNext === null}
            />
          ) : null}
        </div>
      )}
    </section>
  );
}
