import type { TimedMusic } from '@/core/performance';
import { output } from './output';
import { schedulerFor, type Band } from './schedule';
import { ring } from './tones';

export interface PlayRequest extends Band {
  readonly music: TimedMusic;
  /** 0 to 1. */
  readonly level: number;
  /** Semitones by which all of it sounds higher than it is, or lower. */
  readonly shift: number;
  /** Where it is, in seconds of the music as it is heard, once a frame; null when it has ended or was stopped. */
  readonly onAt: (at: number | null) => void;
}

export interface Playing {
  readonly stop: () => void;
  /** The moment of the music that was heard at a time of `performance.now()`; null before it begins. */
  readonly heardAt: (ms: number) => number | null;
}

/** Handed to the audio clock so far ahead, in seconds: a page that is busy for so long disturbs nothing. */
const AHEAD = 1.6;
const EVERY_MS = 250;
/** Before the first note, so that none is late. */
const LEAD = 0.08;
/** A stop that is faster is a click. */
const FADE = 0.04;
/** After the last note has been let go. */
const RING = 0.5;

let shared: AudioContext | null = null;
let current: Playing | null = null;

/** What the loudspeaker gives at a time of `performance.now()`, in seconds of the audio clock. */
function clockAt(context: AudioContext, ms: number): number {
  const { contextTime, performanceTime } = context.getOutputTimestamp();
  if (contextTime === undefined || performanceTime === undefined || contextTime === 0)
    return context.currentTime - context.outputLatency + (ms - performance.now()) / 1000;
  return contextTime + (ms - performanceTime) / 1000;
}

/** The same, so many semitones higher. */
const shifted = (music: TimedMusic, by: number): TimedMusic =>
  by === 0 ? music : { ...music, sounds: music.sounds.map((s) => ({ ...s, midi: s.midi + by })) };

/** Seconds until a ring has faded. */
const RUNG_OUT = 1.2;

/** Rings quietly beside whatever plays: something is done. Rejects where nothing can sound. */
export async function ringQuietly(level: number): Promise<void> {
  const context = (shared ??= new AudioContext());
  const out = output(context, level);
  setTimeout(out.close, RUNG_OUT * 1000);
  await context.resume();
  ring(context, out.into, context.currentTime + LEAD / 2);
}

/** Plays timed music; what played before stops. Rejects where the piano cannot be loaded. */
export async function playMusic({ music: asWritten, level, shift, onAt, ...band }: PlayRequest): Promise<Playing> {
  current?.stop();
  const music = shifted(asWritten, shift);
  const context = (shared ??= new AudioContext());
  const out = output(context, level);
  const state: { stopped: boolean; endSounding: () => void; begin: number | null } = {
    stopped: false,
    endSounding: out.close,
    begin: null,
  };
  const playing: Playing = {
    stop: () => {
      if (state.stopped) return;
      state.stopped = true;
      if (current === playing) current = null;
      state.endSounding();
      onAt(null);
    },
    heardAt: (ms) => (state.begin === null ? null : clockAt(context, ms) - state.begin),
  };
  current = playing;
  try {
    await context.resume();
    const schedule = await schedulerFor(context, music, out.into, band);
    // It may have been stopped while the piano came in.
    if (!state.stopped) {
      state.begin = context.currentTime + LEAD;
      state.endSounding = run(context, music, state.begin, schedule, out, onAt, playing.stop);
    }
  } catch (error) {
    playing.stop();
    throw error;
  }
  return playing;
}

/** Hands the music over bit by bit and tells where it is; returns how to end it. */
function run(
  context: AudioContext,
  music: TimedMusic,
  begin: number,
  schedule: Awaited<ReturnType<typeof schedulerFor>>,
  out: ReturnType<typeof output>,
  onAt: PlayRequest['onAt'],
  onEnd: () => void,
): () => void {
  let handed = 0;
  const hand = (): void => {
    const until = context.currentTime - begin + AHEAD;
    if (until <= handed) return;
    schedule(begin, handed, until);
    handed = until;
  };
  hand();
  const timer = setInterval(hand, EVERY_MS);
  let frame = 0;
  const show = (): void => {
    // What is heard lags behind the clock by what the device needs.
    const at = context.currentTime - begin - context.outputLatency;
    if (at >= music.seconds + RING) {
      onEnd();
      return;
    }
    onAt(at);
    frame = requestAnimationFrame(show);
  };
  frame = requestAnimationFrame(show);
  return () => {
    clearInterval(timer);
    cancelAnimationFrame(frame);
    out.fade(FADE);
    setTimeout(out.close, FADE * 2000);
  };
}
