'use client';

import { useRef, useState, type ReactNode } from 'react';
import {
  judgeTaps,
  leaningBeats,
  leaningWords,
  tappedOf,
  tapReport,
  tapRow,
  type BeatToTap,
  type TapJudgement,
  type Tapped,
} from '@/core/tapping';
import type { Drill } from '@/core/drill';
import type { TimedMusic } from '@/core/performance';
import { Button } from '@/ui';
import type { RoomProps, RoomTask, SoundAsked } from './room-task';
import { RowBoxes } from './row-boxes';
import { TapLane } from './tap-lane';
import type { TappedRound } from './use-room';
import { useRoomKeys } from './use-room-keys';

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

interface Props extends RoomProps {
  readonly asked: Omit<SoundAsked, 'start' | 'seed'>;
  readonly onTapped: (tapped: Tapped, round: TappedRound) => void;
  readonly drill: Drill | null;
  readonly hasWork: boolean;
  readonly onKeep: () => void;
  readonly onClose: () => void;
}

const judgeAll = (
  rows: readonly Row[],
  taps: readonly (readonly number[])[],
  rule: { readonly beat: number; readonly withoutLead: boolean },
): readonly Judged[] => rows.map((row, i) => ({ row, judgement: judgeTaps(row.notes, taps[i] ?? [], rule) }));

/** Tapping: counting in, taking the taps, judging them when the music is over. */
function useTapping({ task, player, asked, onTapped }: Props, twoHands: boolean) {
  const [tapped, setTapped] = useState<{
    readonly rows: readonly Row[];
    readonly taps: readonly (readonly number[])[];
  } | null>(null);
  const [withoutLead, setWithoutLead] = useState(false);
  const taps = useRef<readonly number[][]>([]);
  const beat = (60 / asked.tempo) * task.unit.quarters;
  const begin = (): void => {
    const once = { ...asked, way: 'tap', loop: 'once', start: null, seed: 0 } as const;
    const rows = rowsOf(task.soundOf({ ...once, heard: 'mine', click: 'none' }), twoHands);
    taps.current = rows.map(() => []);
    setTapped(null);
    const click = asked.click === 'none' ? 'beats' : asked.click;
    const clicks = task.soundOf({ ...once, heard: 'none', click });
    player.play(clicks, task.familyOf, (seconds) => {
      const done = taps.current;
      if (!done.some((t) => t.length > 0)) return;
      setTapped({ rows, taps: done });
      // A lead that is the device's is no fault of who tapped.
      const judgements = judgeAll(rows, done, { beat, withoutLead: true }).map((j) => j.judgement);
      onTapped(tappedOf(judgements), { whole: seconds >= clicks.seconds, seconds });
    });
  };
  return {
    judged: tapped === null ? null : judgeAll(tapped.rows, tapped.taps, { beat, withoutLead }),
    withoutLead,
    setWithoutLead,
    beginOrStop: () => (player.isPlaying ? player.stop() : begin()),
    tap: (hand: number, ms: number): void => {
      const at = player.heardAt(ms);
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

/** What the taps came to, hand by hand: drawn on the count, told bar by bar, and the beats that lean. */
function TapResult({
  judged,
  task,
}: {
  readonly judged: readonly Judged[];
  readonly task: Pick<RoomTask, 'barName' | 'placeOf'>;
}): ReactNode {
  return (
    <div role="status" className="grid gap-2">
      {judged.map(({ row, judgement }) => (
        <div key={row.name}>
          {judged.length > 1 ? <h3>{row.name}</h3> : null}
          <TapLane judgement={judgement} countOf={(id) => task.placeOf(id)?.count ?? null} />
          {[
            ...tapReport(judgement, task.barName).sentences,
            ...leaningBeats(judgement, task.placeOf).map(leaningWords),
          ].map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
        </div>
      ))}
    </div>
  );
}

/** Tapping the rhythm of a task over the click: which notes were early, late, missed, and the lead apart from them. */
export function TapPanel(props: Props): ReactNode {
  const { task, player, drill, hasWork, onKeep, onClose } = props;
  const [twoHands, setTwoHands] = useState(false);
  const [counts, setCounts] = useState(true);
  const { judged, withoutLead, beginOrStop, tap, setWithoutLead } = useTapping(props, twoHands);
  useRoomKeys(props, false, {
    play: beginOrStop,
    right: () => (judged ? onKeep() : undefined),
    tapLeft: (event) => tap(0, event.timeStamp),
    tapRight: (event) => tap(1, event.timeStamp),
    way: onClose,
  });
  const isSteady = judged?.some((j) => j.judgement.leadIsSteady) === true;
  return (
    <section
      className="panel sticky bottom-0 mt-auto grid max-h-[70vh] gap-3 overflow-y-auto p-3 text-lg"
      aria-label="Tap the rhythm"
    >
      <div className="flex flex-wrap items-center gap-2">
        <Button look={judged ? 'plain' : 'primary'} big shortcut="Space" onClick={beginOrStop}>
          {player.isPlaying ? 'Stop' : judged ? 'Once more' : 'Count me in'}
        </Button>
        {task.voices.includes('left') ? (
          <Button big aria-pressed={twoHands} disabled={player.isPlaying} onClick={() => setTwoHands(!twoHands)}>
            Each hand by itself
          </Button>
        ) : null}
        <Button big aria-pressed={counts} onClick={() => setCounts(!counts)}>
          The count shown
        </Button>
        {isSteady ? (
          <Button big aria-pressed={withoutLead} onClick={() => setWithoutLead(!withoutLead)}>
            Judge without the lead
          </Button>
        ) : null}
        {hasWork && !player.isPlaying ? (
          <Button big look={judged ? 'primary' : 'plain'} shortcut="→" onClick={onKeep}>
            Keep it
          </Button>
        ) : null}
        <Button look="quiet" big onClick={onClose}>
          Back to the music
        </Button>
        {player.count !== null && (player.countingIn || counts) ? (
          <span className="figure ml-auto text-4xl font-semibold text-acorn">{player.count}</span>
        ) : null}
      </div>
      {drill && task.ways[0] === 'tap' ? <RowBoxes drill={drill} /> : null}
      {judged && !player.isPlaying ? null : (
        <TapFields names={twoHands ? ['Left hand', 'Right hand'] : ['Tap here']} onTap={tap} />
      )}
      {judged ? (
        <TapResult judged={judged} task={task} />
      ) : (
        <p className="text-ink-2">A bar is counted in; then tap every note of the music in time with the click.</p>
      )}
    </section>
  );
}
