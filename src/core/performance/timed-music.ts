import type { RealisedOrnament } from '../ornaments';
import { playingOrder, type Score } from '../score';
import { midiKey, quarterBpm, ticks } from '../units';
import { backingTones, type Backing } from './backing';
import { clicksUnder, countIn, type Click, type ClickPattern } from './clicks';
import type { DynamicSign } from './loudness';
import { freeBars } from './free-bars';
import { fermatas } from './held';
import { perform, type Performance, type SoundingNote } from './perform';
import { notesById } from './struck';
import { soundingLength } from './touch';
import { tempoMap, type TempoMap } from './tempo-map';
import { writtenBends } from './written-bends';

/** How a staff sounds: as written, in the background, not at all. */
export type Presence = 'full' | 'soft' | 'silent';

/** What is to be heard of a score. */
export interface SoundPlan {
  /** Bars, both included. */
  readonly from: number;
  readonly to: number;
  /** With the repeats and jumps that lie inside. */
  readonly repeats: boolean;
  /** One tempo in quarters a minute; null for the marks of the page. */
  readonly tempo: number | null;
  /** Of the tempo; 1 as it is. */
  readonly share: number;
  /** Ritardandi are played and fermatas held; never under a click. */
  readonly bends: boolean;
  readonly presence: (part: string, staff: number, voice: string) => Presence;
  /** Whole bars of clicks in front. */
  readonly countInBars: number;
  readonly click: ClickPattern | null;
  /** Clicks to a beat. */
  readonly parts: number;
  /** Of what is drawn by chance. */
  readonly seed: number;
  /** Levels and hairpins accepted and printed; those of the page when left out. */
  readonly dynamics?: readonly DynamicSign[];
  readonly ornaments?: readonly RealisedOrnament[];
  /** The printed chords, by a pattern; null for none. */
  readonly backing: Backing | null;
}

export interface TimedSound {
  /** Seconds from the beginning, count-in included. */
  readonly at: number;
  readonly seconds: number;
  readonly midi: number;
  /** 0 to 1. */
  readonly loud: number;
  readonly noteId: string;
  readonly part: string;
  readonly staff: number;
  readonly bar: number;
}

export interface TimedClick extends Pick<Click, 'strength' | 'count'> {
  readonly at: number;
  /** Before the music. */
  readonly before: boolean;
}

export interface TimedBar {
  readonly at: number;
  readonly bar: number;
  /** Its place in the order played. */
  readonly turn: number;
}

/** What the player does meanwhile: listens, answers alone, plays with it. */
export type PhaseKind = 'listen' | 'answer' | 'together';

/** A stretch of an exercise, to where the next begins. */
export interface TimedPhase {
  readonly at: number;
  readonly kind: PhaseKind;
  /** Bars, both included. */
  readonly from: number;
  readonly to: number;
}

/** The part that the backing sounds as. */
export const BACKING_PART = 'backing';

/** A selection as it is to sound, everything in seconds from the beginning, in order. */
export interface TimedMusic {
  readonly sounds: readonly TimedSound[];
  readonly clicks: readonly TimedClick[];
  readonly bars: readonly TimedBar[];
  /** Of an exercise that has some. */
  readonly phases: readonly TimedPhase[];
  /** Length of the count-in. */
  readonly before: number;
  /** Length of all, count-in included. */
  readonly seconds: number;
}

/** What has no pitch is struck here. */
const DRUM = midiKey(50);
/** A part in the background, of its loudness. */
const SOFT = 0.4;

/**
 * The bars in the order in which they are played, without those outside the range.
 *
 * @example barsInOrder(score, 2, 3, true) // → [2, 3]
 */
export function barsInOrder(score: Score, from: number, to: number, repeats: boolean): readonly number[] {
  if (!repeats) return score.bars.slice(from, to + 1).map((b) => b.index);
  return playingOrder(score.bars).order.filter((bar) => bar >= from && bar <= to);
}

/** Ornaments in the place of the notes that carry them. */
function ornamented(
  score: Score,
  { notes }: Performance,
  ornaments: readonly RealisedOrnament[],
): readonly SoundingNote[] {
  if (ornaments.length === 0) return notes;
  const of = new Map(ornaments.map((o) => [o.noteId, o]));
  const written = notesById(score);
  return notes.flatMap((n): SoundingNote[] => {
    const ornament = of.get(n.noteId);
    const onset = written.get(n.noteId)?.onset;
    if (!ornament || onset === undefined) return [n];
    return ornament.notes.map(({ onset: at, duration, midi }) => ({
      ...n,
      midi: midiKey(midi),
      start: ticks(Math.max(0, n.start + (at.n / at.d) * score.ticksPerQuarter - onset)),
      length: ticks(Math.max(1, (duration.n / duration.d) * score.ticksPerQuarter)),
    }));
  });
}

function timedSounds(score: Score, played: Performance, plan: SoundPlan, time: TempoMap, before: number): TimedSound[] {
  const written = notesById(score);
  return ornamented(score, played, plan.ornaments ?? []).map((n) => {
    const note = written.get(n.noteId);
    const at = time.secondsAt(n.start);
    const whole = time.secondsAt(n.start + n.length) - at;
    return {
      at: before + at,
      seconds: note ? soundingLength(note, whole) : whole,
      midi: n.midi,
      loud: (n.velocity / 127) * (plan.presence(n.part, n.staff, n.voice) === 'soft' ? SOFT : 1),
      noteId: n.noteId,
      part: n.part,
      staff: n.staff,
      bar: n.bar,
    };
  });
}

/** The chords under the playing. */
function timedBacking(
  score: Score,
  played: Performance,
  pattern: Backing,
  time: TempoMap,
  before: number,
): TimedSound[] {
  return backingTones(score, played.bars, pattern).map(({ start, length, late, midi, velocity, bar }) => {
    const at = time.secondsAt(start);
    return {
      at: before + at + late,
      seconds: Math.max(0.05, time.secondsAt(start + length) - at - late),
      midi,
      loud: velocity / 127,
      noteId: BACKING_PART,
      part: BACKING_PART,
      staff: 1,
      bar,
    };
  });
}

/** Clicks under the music by the pattern asked for; silent where time is free. */
function clicksOf(score: Score, played: Performance, plan: SoundPlan): readonly Click[] {
  if (plan.click === null) return [];
  const free = freeBars(score);
  return clicksUnder(score, played.bars, { ...plan, pattern: plan.click }, (bar) => free.has(bar.index));
}

/**
 * A selection of a score as timed events: notes, clicks, bars. An empty selection is no events and no seconds.
 *
 * @example timedMusic(score, { ...PLAIN_PLAN, from: 0, to: 0 }).sounds.map((s) => s.at) // → [0, 0.75, 1.5, 2.25]
 */
export function timedMusic(score: Score, plan: SoundPlan): TimedMusic {
  const order = barsInOrder(score, plan.from, plan.to, plan.repeats);
  const played = perform(score, {
    order,
    ...(plan.tempo === null ? {} : { tempo: quarterBpm(plan.tempo) }),
    sounds: (part, staff, voice) => plan.presence(part, staff, voice) !== 'silent',
    ...(plan.dynamics ? { dynamics: plan.dynamics } : {}),
    unpitched: DRUM,
  });
  const bends = plan.bends && plan.click === null ? [...fermatas(score, played), ...writtenBends(score, played)] : [];
  const time = tempoMap(score, played, plan.share, bends);
  const [first] = played.bars;
  const counted = first && plan.countInBars > 0 ? countIn(score, first.bar, plan.countInBars) : [];
  const secondsBefore = (at: number): number => (-at / score.ticksPerQuarter) * (60 / time.bpmAt(0));
  const before = counted[0] ? secondsBefore(counted[0].at) : 0;
  const under = clicksOf(score, played, plan);
  const sounds = timedSounds(score, played, plan, time, before);
  return {
    sounds:
      plan.backing === null
        ? sounds
        : [...sounds, ...timedBacking(score, played, plan.backing, time, before)].sort((a, b) => a.at - b.at),
    clicks: [
      ...counted.map((c) => ({ at: before - secondsBefore(c.at), strength: c.strength, count: c.count, before: true })),
      ...under.map((c) => ({
        at: before + time.secondsAt(c.at),
        strength: c.strength,
        count: c.count,
        before: false,
      })),
    ],
    bars: played.bars.map(({ bar, start }, turn) => ({ at: before + time.secondsAt(start), bar: bar.index, turn })),
    phases: [],
    before,
    seconds: before + time.secondsAt(played.length),
  };
}

/** All staves as written at the tempo of the page, without click or count-in: what other plans are made from. */
export const PLAIN_PLAN: SoundPlan = {
  from: 0,
  to: 0,
  repeats: false,
  tempo: null,
  share: 1,
  bends: false,
  presence: () => 'full',
  countInBars: 0,
  click: null,
  parts: 1,
  seed: 1,
  backing: null,
};
