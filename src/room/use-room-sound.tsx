import { useMemo, useState, type ReactNode } from 'react';
import { BACKINGS, CLICK_PATTERNS, type Backing, type ClickPattern } from '@/core/performance';
import { Button, NamedChoice, useKeptChoice } from '@/ui';
import {
  HEARD,
  LOOPS,
  WAYS,
  type Heard,
  type Loop,
  type Range,
  type RoomTask,
  type SoundAsked,
  type Way,
} from './room-task';

const HEARD_NAMES: Readonly<Record<Heard, string>> = {
  mine: 'my part',
  right: 'only the right hand',
  left: 'only the left hand',
  upper: 'only the upper voice',
  lower: 'only the lower voice',
  others: 'the other parts',
  soft: 'the other parts, mine softly',
  chords: 'the chords',
  'chords-mine': 'the chords, my part softly',
  none: 'no music',
};
const LOOP_NAMES: Readonly<Record<Loop, string>> = {
  once: 'once',
  beat: 'again and again, a beat between',
  'two-beats': 'again and again, two beats between',
  bar: 'again and again, a bar between',
  count: 'again and again, counted in each time',
  'grow-first': 'growing by a bar at its end',
  'grow-last': 'growing by a bar at its beginning',
  drawn: 'from a place that is drawn each time',
};
const CLICK_NAMES: Readonly<Record<ClickPattern | 'none', string>> = {
  none: 'no click',
  beats: 'click on every beat',
  strong: 'click on the first beat',
  'second-bar': 'click in every second bar',
  'silent-fourth': 'click silent for a bar in four',
  chance: 'click silent here and there',
};
const BACKING_NAMES: Readonly<Record<Backing, string>> = {
  'bass-and-brush': 'bass and brush',
  'down-and-up': 'down and up',
  waltz: 'waltz',
  picked: 'picked',
};
export const WAY_NAMES: Readonly<Record<Way, string>> = {
  play: 'Play it through',
  lines: 'Line by line',
  call: 'Call and answer',
  say: 'Say and play',
  ahead: 'Look ahead',
  place: 'Find the place',
  breathe: 'Mind the breaths',
  tap: 'Tap the rhythm',
};
const CLICKS = ['beats', 'none', ...CLICK_PATTERNS.filter((p) => p !== 'beats')] as const;
const PARTS = ['1', '2', '3', '4'] as const;
const PART_NAMES: Readonly<Record<(typeof PARTS)[number], string>> = {
  1: 'no clicks between beats',
  2: 'beats in halves',
  3: 'beats in thirds',
  4: 'beats in quarters',
};
const WORDS = ['with', 'without'] as const;
const WORDS_NAMES: Readonly<Record<(typeof WORDS)[number], string>> = { with: 'with words', without: 'without words' };
const COUNTS = ['front', 'all'] as const;
const COUNT_NAMES: Readonly<Record<(typeof COUNTS)[number], string>> = {
  front: 'the count in front',
  all: 'the count all through',
};

/** One end of the range, a bar earlier or later. */
function RangeEnd({
  name,
  bar,
  least,
  most,
  barName,
  onMove,
}: {
  readonly name: string;
  readonly bar: number;
  readonly least: number;
  readonly most: number;
  readonly barName: (bar: number) => string;
  readonly onMove: (bar: number) => void;
}): ReactNode {
  return (
    <span className="flex items-center gap-1" role="group" aria-label={name}>
      <Button big aria-label={`${name}: a bar earlier`} disabled={bar <= least} onClick={() => onMove(bar - 1)}>
        ‹
      </Button>
      <span className="min-w-16 text-center">{barName(bar)}</span>
      <Button big aria-label={`${name}: a bar later`} disabled={bar >= most} onClick={() => onMove(bar + 1)}>
        ›
      </Button>
    </span>
  );
}

export interface RoomSound {
  readonly way: Way;
  readonly turnTo: (way: Way) => void;
  readonly asked: Omit<SoundAsked, 'tempo' | 'start' | 'seed'>;
  /** Counts are shown all through, not only in front. */
  readonly countsAll: boolean;
  /** The words of a song can be read. */
  readonly words: boolean;
  /** Everything about how it sounds, to be chosen. */
  readonly choices: ReactNode;
}

/** Which bars: either end a bar earlier or later. */
function RangeChoice({
  task,
  range: [from, to],
  onRange,
}: {
  readonly task: RoomTask;
  readonly range: Range;
  readonly onRange: (range: Range) => void;
}): ReactNode {
  const [first, last] = task.whole;
  const { barName } = task;
  return (
    <span className="flex flex-wrap items-center gap-1">
      <RangeEnd
        name="First bar"
        bar={from}
        least={first}
        most={to}
        barName={barName}
        onMove={(bar) => onRange([bar, to])}
      />
      <span className="text-ink-2">to</span>
      <RangeEnd
        name="Last bar"
        bar={to}
        least={from}
        most={last}
        barName={barName}
        onMove={(bar) => onRange([from, bar])}
      />
    </span>
  );
}

/** The click under it: which beats, what between them, where the count is seen. */
function useClick() {
  const [click, setClick] = useKeptChoice('home-click', CLICKS);
  const [parts, setParts] = useKeptChoice('home-parts', PARTS);
  const [counts, setCounts] = useKeptChoice('home-counts', COUNTS);
  return {
    click,
    parts: Number(parts),
    countsAll: counts === 'all',
    choices: (
      <>
        <NamedChoice label="Click" value={click} of={CLICKS} names={CLICK_NAMES} onPick={setClick} />
        {click === 'none' ? null : (
          <NamedChoice label="Between the beats" value={parts} of={PARTS} names={PART_NAMES} onPick={setParts} />
        )}
        <NamedChoice label="Counts on screen" value={counts} of={COUNTS} names={COUNT_NAMES} onPick={setCounts} />
      </>
    ),
  };
}

/** What sounds, and how its chords are played. */
function useHeard(task: RoomTask, way: Way) {
  const [chosen, setHeard] = useKeptChoice('home-heard', HEARD);
  // Line by line one plays with somebody, where there is one.
  const kept = way === 'lines' && chosen === 'mine' && task.voices.includes('soft') ? 'soft' : chosen;
  const [pattern, setPattern] = useKeptChoice('home-backing', BACKINGS);
  const heard = task.voices.includes(kept) ? kept : (task.voices[0] ?? 'none');
  const hasChords = heard === 'chords' || heard === 'chords-mine';
  const backing = hasChords ? (task.backings.find((b) => b === pattern) ?? task.backings[0] ?? null) : null;
  return {
    heard,
    backing,
    choices: (
      <>
        <NamedChoice label="What sounds" value={heard} of={task.voices} names={HEARD_NAMES} onPick={setHeard} />
        {backing === null ? null : (
          <NamedChoice
            label="How the chords are played"
            value={backing}
            of={task.backings}
            names={BACKING_NAMES}
            onPick={setPattern}
          />
        )}
      </>
    ),
  };
}

/** How it is practised and how it sounds: what of it, how often, with which click, which bars. */
export function useRoomSound(task: RoomTask): RoomSound {
  const { click, parts, countsAll, choices: clicks } = useClick();
  const [loop, setLoop] = useKeptChoice('home-loop', LOOPS);
  const [words, setWords] = useKeptChoice('home-words', WORDS);
  const [way, setWay] = useState<Way>(task.ways[0] ?? 'play');
  const [range, setRange] = useState<Range>(task.range);
  const { heard, backing, choices: voices } = useHeard(task, way);
  const asked = useMemo(
    () => ({ way, heard, loop, click, parts, backing, range }),
    [way, heard, loop, click, parts, backing, range],
  );
  const loops = LOOPS.filter((l) => l !== 'drawn' || task.starts.length > 1);
  return {
    way,
    turnTo: setWay,
    asked,
    countsAll,
    words: words === 'with',
    choices: (
      <div className="flex flex-wrap items-center gap-2" role="group" aria-label="How it sounds">
        {voices}
        <NamedChoice label="How often" value={loop} of={loops} names={LOOP_NAMES} onPick={setLoop} />
        {clicks}
        {task.isSung ? (
          <NamedChoice label="Words of the song" value={words} of={WORDS} names={WORDS_NAMES} onPick={setWords} />
        ) : null}
        <RangeChoice task={task} range={range} onRange={setRange} />
      </div>
    ),
  };
}

/** Which ways there are for a task, in their order, its own first. */
export const waysOf = (task: Pick<RoomTask, 'ways'>): readonly Way[] => WAYS.filter((w) => task.ways.includes(w));
