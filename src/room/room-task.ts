import type { Backing, ClickPattern, TimedMusic, TimedPhase } from '@/core/performance';
import type { DrillRule, DrillSum, Pass } from '@/core/drill';
import type { InstrumentFamily } from '@/core/instruments';
import type { Saying } from '@/core/saying';
import type { TempoUnit } from '@/core/score';
import type { CellPlace, Tapped } from '@/core/tapping';
import type { ReactNode } from 'react';

/** Who sounds while one plays. */
export const HEARD = [
  'mine',
  'right',
  'left',
  'upper',
  'lower',
  'others',
  'soft',
  'chords',
  'chords-mine',
  'none',
] as const;
export type Heard = (typeof HEARD)[number];

/** How often it sounds, and what comes between. */
export const LOOPS = ['once', 'beat', 'two-beats', 'bar', 'count', 'grow-first', 'grow-last', 'drawn'] as const;
export type Loop = (typeof LOOPS)[number];

/** How one practises. */
export const WAYS = ['play', 'lines', 'call', 'say', 'ahead', 'place', 'breathe', 'tap'] as const;
export type Way = (typeof WAYS)[number];

/** Bars, both included. */
export type Range = readonly [number, number];

/** How the music of a task is to sound. */
export interface SoundAsked {
  readonly way: Way;
  readonly heard: Heard;
  readonly loop: Loop;
  readonly click: ClickPattern | 'none';
  /** Clicks to a beat. */
  readonly parts: number;
  readonly backing: Backing | null;
  /** Quarters a minute. */
  readonly tempo: number;
  readonly range: Range;
  /** The bar with which it begins the first time; null for the first of the range. */
  readonly start: number | null;
  /** What is drawn by chance follows from it. */
  readonly seed: number;
}

/** What the room needs to know of one thing to practise; it asks nobody else. */
export interface RoomTask {
  readonly id: string;
  /** What to do, in one sentence. */
  readonly what: string;
  /** What of, and which step of how many. */
  readonly of: string;
  /** What counts as done; empty where the rung says nothing. */
  readonly done: string;
  readonly cue: string;
  readonly caution: string | null;
  /** How it is counted; null for what has no music, such as reading a page. */
  readonly rule: DrillRule | null;
  /** Quarters a minute. */
  readonly target: number;
  /** The beat in which its tempos are said. */
  readonly unit: TempoUnit;
  readonly range: Range;
  /** How far the range can be moved: the bars of the piece. */
  readonly whole: Range;
  /** In which ways it can be practised, the way of its rung first. */
  readonly ways: readonly Way[];
  /** What can be heard of it. */
  readonly voices: readonly Heard[];
  readonly backings: readonly Backing[];
  /** There are words under the notes. */
  readonly isSung: boolean;
  /** Bars from which one can begin. */
  readonly starts: readonly number[];
  readonly sayings: readonly Saying[];
  readonly saidTexts: (saying: Saying) => ReadonlyMap<string, string>;
  /** Notes behind which one breathes. */
  readonly breaths: ReadonlySet<string>;
  /** Seconds that this student's breath lasts; null where nobody said. */
  readonly breathLasts: number | null;
  /** Where a note stands in a rhythm. */
  readonly placeOf: (noteId: string) => CellPlace | null;
  /** The task as it sounds. */
  readonly soundOf: (asked: SoundAsked) => TimedMusic;
  readonly familyOf: (part: string) => InstrumentFamily;
  /** What a bar is called: `bar 5`. */
  readonly barName: (bar: number) => string;
  /** The same where it is plain that it is a bar: `5`. */
  readonly barLabel: (bar: number) => string;
}

/** The music as it is to be shown at the moment. */
export interface RoomMusicView {
  readonly range: Range;
  readonly hearing: number | null;
  /** The bar that is played is covered, so that the eyes go on. */
  readonly covers: boolean;
  /** Said on each note, by note id; null while nothing is said. */
  readonly said: ReadonlyMap<string, string> | null;
  /** The words of the song can be read. */
  readonly words: boolean;
  readonly onBar: (bar: number) => void;
}

/** What was done in the room with one task. */
export interface RoomWork {
  /** Given with the first of it, the same in every tab; null before. */
  readonly id: string | null;
  readonly passes: readonly Pass[];
  /** Seconds in which it sounded. */
  readonly heard: number;
  /** Times that a loop went round. */
  readonly loops: number;
  readonly tapped: Tapped | null;
}
export const NO_WORK: RoomWork = { id: null, passes: [], heard: 0, loops: 0, tapped: null };

/** What is kept of it. */
export interface RoomSum extends DrillSum {
  readonly id: string;
  readonly loops: number;
  readonly tapped: Tapped | null;
  /** As often as was asked. */
  readonly done: boolean;
}

/** Where the room hands over what was done: `stored` is called once it is kept, `over` however it ended. */
export interface Recorder {
  readonly record: (sum: RoomSum, after: { readonly stored: () => void; readonly over: () => void }) => void;
}

/** Work that is not recorded yet, kept by whoever keeps it. */
export interface OpenWork {
  readonly work: RoomWork;
  readonly keep: (work: RoomWork) => void;
  readonly settle: () => void;
}

/** What makes it sound, and tells what is heard at the moment. */
export interface RoomPlayer {
  readonly isPlaying: boolean;
  /** The share of the piano that is there, while it comes in; null otherwise. */
  readonly loading: number | null;
  /** The bar that is heard; null while it is counted in, and in silence. */
  readonly bar: number | null;
  /** The beat that is clicked, counted in or under the music; null where nothing clicks. */
  readonly count: number | null;
  /** It is being counted in. */
  readonly countingIn: boolean;
  readonly phase: TimedPhase | null;
  /** `onEnd` is told how many seconds were heard, however it ended. */
  readonly play: (
    music: TimedMusic,
    familyOf: (part: string) => InstrumentFamily,
    onEnd?: (seconds: number) => void,
  ) => void;
  readonly stop: () => void;
  /** The moment of the music that was heard at a time of `performance.now()`; null in silence. */
  readonly heardAt: (ms: number) => number | null;
  /** Tells each frame where the music is, null when it has ended; returns how to stop listening. */
  readonly watch: (listener: (at: number | null) => void) => () => void;
  /** A quiet ring: something is done. */
  readonly ring: () => void;
}

/** What one key, foot or touch does in the room. */
export const ROOM_KEYS = ['play', 'right', 'again', 'faster', 'slower', 'back', 'way', 'tapLeft', 'tapRight'] as const;
export type RoomKey = (typeof ROOM_KEYS)[number];
export type RoomKeys = Readonly<Record<RoomKey, (event: KeyboardEvent) => void>>;

export interface RoomProps {
  readonly task: RoomTask;
  readonly open: OpenWork;
  readonly recorder: Recorder;
  readonly player: RoomPlayer;
  /** Listens for the keys until what it returns is called. */
  readonly onKeys: (keys: RoomKeys) => () => void;
  readonly music: (view: RoomMusicView) => ReactNode;
  /** Goes on, told whether it was done as often as was asked; null where nothing comes after. */
  readonly onNext: ((done: boolean) => void) | null;
}
