'use client';

import { useRef, useState, type ReactNode } from 'react';
import { judgeTaps, tapReport, tapRow, type BeatToTap, type TapJudgement } from '@/core/tapping';
import type { TimedMusic } from '@/core/performance';
import { Button } from '@/ui';
import { useKey } from '@/features/keys';
import { usePlaying } from '@/features/sound';
import type { RoomTask } from './room-task';
import { TapLane } from './tap-lane';

/** One row for a hand, or for the whole rhythm. */
interface Row {
  readonly name: string;
  readonly notes: readonly BeatToTap[];
}

/** The rhythm by hands where two play, else in one row. */
function rowsOf({ sounds }: TimedMusic, twoHands: boolean): readonly Row[] {
  if (!twoHands) return [{ name: 'Rhythm', notes: tapRow(sounds) }];
  return [
    { name: 'Left hand', notes: tapRow(sounds.filter((s) => s.staff > 1)) },
    { name: 'Right hand', notes: tapRow(sounds.filter((s) => s.staff === 1)) },
  ];
}

interface Judged {
  readonly row: Row;
  readonly judgement: TapJudgement;
}

interface Props {
  readonly task: RoomTask;
  /** Quarters a minute. */
  readonly tempo: number;
  readonly onClose: () => void;
}

/** Tapping: counting in, taking the taps, judging them when the music is over. */
function useTapping(task: RoomTask, tempo: number, twoHands: boolean) {
  const playing = usePlaying();
  const [tapped, setTapped] = useState<readonly { readonly row: Row; readonly taps: readonly number[] }[] | null>(null);
  const [withoutLead, setWithoutLead] = useState(false);
  const taps = useRef<readonly number[][]>([]);
  const beat = (60 / tempo) * task.unit.quarters;
  const begin = (): void => {
    if (!task.soundOf) return;
    const asked = { loop: 'once', tempo } as const;
    const rows = rowsOf(task.soundOf({ ...asked, heard: 'mine', click: 'none' }), twoHands);
    taps.current = rows.map(() => []);
    setTapped(null);
    playing.play(task.soundOf({ ...asked, heard: 'none', click: 'beats' }), task.familyOf, () => {
      if (taps.current.some((t) => t.length > 0))
        setTapped(rows.map((row, i) => ({ row, taps: taps.current[i] ?? [] })));
    });
  };
  const judged: readonly Judged[] | null =
    tapped?.map((hand) => ({
      row: hand.row,
      judgement: judgeTaps(hand.row.notes, hand.taps, { beat, withoutLead }),
    })) ?? null;
  return {
    playing,
    judged,
    withoutLead,
    setWithoutLead,
    beginOrStop: () => (playing.isPlaying ? playing.stop() : begin()),
    tap: (hand: number, ms: number): void => {
      const at = playing.heardAt(ms);
      if (at !== null) taps.current[Math.min(hand, taps.current.length - 1)]?.push(at);
    },
  };
}

/** One large field a hand. */
function TapFields({
  names,
  onTap,
}: {
  readonly names: readonly string[];
  readonly onTap: (hand: number, ms: number) => void;
}): ReactNode {
  return (
    <div className={`grid gap-2 ${names.length > 1 ? 'grid-cols-2' : ''}`}>
      {names.map((name, hand) => (
        <button
          key={name}
          type="button"
          className="min-h-28 touch-none select-none rounded border-2 border-leaf bg-leaf-wash text-2xl font-semibold text-leaf-deep active:bg-leaf active:text-white"
          onPointerDown={(event) => onTap(hand, event.timeStamp)}
        >
          {name} <kbd aria-hidden="true">{names.length > 1 ? (hand === 0 ? 'F' : 'J') : 'F or J'}</kbd>
        </button>
      ))}
    </div>
  );
}

/** What the taps came to, hand by hand. */
function TapResult({
  judged,
  barName,
}: {
  readonly judged: readonly Judged[];
  readonly barName: (bar: number) => string;
}): ReactNode {
  return (
    <div role="status" className="grid gap-2">
      {judged.map(({ row, judgement }) => (
        <div key={row.name}>
          {judged.length > 1 ? <h3>{row.name}</h3> : null}
          <TapLane judgement={judgement} />
          {tapReport(judgement, barName).sentences.map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
        </div>
      ))}
    </div>
  );
}

/** Tapping the rhythm of a task over the click: which notes were early, late, missed, and the lead apart from them. */
export function TapPanel({ task, tempo, onClose }: Props): ReactNode {
  const [twoHands, setTwoHands] = useState(false);
  const { playing, judged, withoutLead, beginOrStop, tap, setWithoutLead } = useTapping(task, tempo, twoHands);
  useKey('home.tapLeft', (event) => tap(0, event.timeStamp));
  useKey('home.tapRight', (event) => tap(1, event.timeStamp));
  const isSteady = judged?.some((j) => j.judgement.leadIsSteady) === true;
  return (
    <section className="panel grid gap-3 p-4 text-lg" aria-label="Tap the rhythm">
      <div className="flex flex-wrap items-center gap-2">
        <Button look="primary" big onClick={beginOrStop}>
          {playing.isPlaying ? 'Stop' : judged ? 'Once more' : 'Count me in'}
        </Button>
        {task.voices.includes('left') ? (
          <Button big aria-pressed={twoHands} disabled={playing.isPlaying} onClick={() => setTwoHands(!twoHands)}>
            Each hand by itself
          </Button>
        ) : null}
        {isSteady ? (
          <Button big aria-pressed={withoutLead} onClick={() => setWithoutLead(!withoutLead)}>
            Judge without the lead
          </Button>
        ) : null}
        <Button look="quiet" big onClick={onClose}>
          Back to the music
        </Button>
        {playing.count === null ? null : (
          <span className="figure ml-auto text-4xl font-semibold text-acorn">{playing.count}</span>
        )}
      </div>
      <TapFields names={twoHands ? ['Left hand', 'Right hand'] : ['Tap here']} onTap={tap} />
      {judged ? (
        <TapResult judged={judged} barName={task.barName} />
      ) : (
        <p className="text-ink-2">A bar is counted in; then tap every note of the music in time with the click.</p>
      )}
    </section>
  );
}
