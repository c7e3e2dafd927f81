import { INSTRUMENTS, instrumentOf, type InstrumentFamily, type InstrumentId } from '@/core/instruments';
import {
  barSpans,
  backingsFor,
  callAndAnswer,
  chordSpans,
  fromDrawnStarts,
  growing,
  inSequence,
  lineByLine,
  lineSpans,
  looped,
  markedDynamics,
  PLAIN_PLAN,
  BACKING_PART,
  timedMusic,
  type Backing,
  type LoudnessMark,
  type Presence,
  type SoundPlan,
  type TimedMusic,
} from '@/core/performance';
import { realiseOrnaments, type OrnamentStyle } from '@/core/ornaments';
import { instrumentOfPart, soundingScore } from '@/core/players';
import { meterQuarters, type Score } from '@/core/score';
import type { Heard, Loop, Range, SoundAsked } from './room-task';
import type { TaskContext } from './task-context';

/** What sounds: the whole score, what of it the player has, and on what. */
export interface SoundedMusic {
  readonly score: Score;
  readonly played: Score;
  readonly instrument: InstrumentId;
}

/** What sounds of a piece for whoever practises it. */
export const soundedMusic = ({ score, played, player, piece }: TaskContext): SoundedMusic => ({
  score,
  played,
  instrument: player.instrument ?? piece.instrument,
});

/** A loop lasts no longer than this; by then it has been heard often enough. */
const MOST_SECONDS = 600;
const MOST_TIMES = 40;
/** Each size of a growing loop is heard so often. */
const TIMES_EACH_SIZE = 2;
/** Places that are drawn in one go. */
const DRAWN = 12;

/** The voices of a player's first staff in some bars, the upper one first. */
function voicesIn({ notes, parts }: Score, [from, to]: Range): readonly string[] {
  const here = notes.filter((n) => n.part === parts[0]?.id && n.staff === 1 && n.bar >= from && n.bar <= to);
  return [...new Set(here.map((n) => n.voice))].sort();
}

/** What is not in the player's own part. */
const WITH_OTHERS: ReadonlySet<Heard> = new Set(['others', 'soft', 'chords', 'chords-mine']);

/** Whether a voice of a staff sounds, by what is to be heard. */
function presenceOf(
  heard: Heard,
  own: ReadonlySet<string>,
  voices: readonly string[],
): (part: string, staff: number, voice: string) => Presence {
  const isMine = (part: string): boolean => own.has(part);
  switch (heard) {
    case 'mine':
      return (part) => (isMine(part) ? 'full' : 'silent');
    case 'right':
      return (part, staff) => (isMine(part) && staff === 1 ? 'full' : 'silent');
    case 'left':
      return (part, staff) => (isMine(part) && staff > 1 ? 'full' : 'silent');
    case 'upper':
      return (part, staff, voice) => (isMine(part) && staff === 1 && voice === voices[0] ? 'full' : 'silent');
    case 'lower':
      return (part, staff, voice) => (isMine(part) && staff === 1 && voice !== voices[0] ? 'full' : 'silent');
    case 'others':
      return (part) => (isMine(part) ? 'silent' : 'full');
    case 'soft':
      return (part) => (isMine(part) ? 'soft' : 'full');
    case 'chords-mine':
      return (part) => (isMine(part) ? 'soft' : 'silent');
    case 'chords':
    case 'none':
      return () => 'silent';
  }
}

/** Seconds between two times of a loop. */
function gapOf(loop: Loop, score: Score, { range, tempo }: Pick<SoundAsked, 'range' | 'tempo'>, beat: number): number {
  if (loop === 'beat' || loop === 'two-beats') return (60 / tempo) * beat * (loop === 'beat' ? 1 : 2);
  if (loop !== 'bar') return 0;
  const { n, d } = meterQuarters(score.bars[range[0]]?.meter ?? { parts: [], symbol: null });
  return (n > 0 ? n / d : 1) * (60 / tempo);
}

/** What can be heard beside one's own part: a hand of two, the other parts, the chords, where there are some. */
export function voicesOf({ score, played, instrument }: SoundedMusic, range: Range): readonly Heard[] {
  const hands = instrumentOf(instrument).family === 'keyboard' && (played.parts[0]?.staves ?? 1) > 1;
  const others = score.parts.length > played.parts.length;
  return [
    'mine',
    ...(hands ? (['right', 'left'] as const) : []),
    ...(voicesIn(played, range).length > 1 ? (['upper', 'lower'] as const) : []),
    ...(others ? (['others', 'soft'] as const) : []),
    ...(score.chords.length > 0 ? (['chords', 'chords-mine'] as const) : []),
    'none',
  ];
}

/** How the chords can be played in the meter of a bar; none where none are printed. */
export const backingsOf = ({ score }: SoundedMusic, from: number): readonly Backing[] => {
  const bar = score.bars[from];
  return bar && score.chords.length > 0 ? backingsFor(bar) : [];
};

/** As many verses as have words. */
const versesOf = ({ notes }: Score): number => new Set(notes.flatMap((n) => n.marks.lyrics.map((l) => l.verse))).size;

/** Where lines end, where one can begin, the length of a beat in quarters. */
export interface SoundPlaces {
  readonly phraseEnds: readonly number[];
  readonly starts: readonly number[];
  readonly beat: number;
  readonly ornamentStyle: OrnamentStyle;
  /** Ornaments that the teacher has otherwise, by note id. */
  readonly ornamentStyles: ReadonlyMap<string, OrnamentStyle>;
}

/** A plan played as often as asked, and in between what was asked. */
function often(score: Score, plan: SoundPlan, asked: SoundAsked, { starts, beat }: SoundPlaces): TimedMusic {
  switch (asked.loop) {
    case 'once':
      return timedMusic(score, { ...plan, from: asked.start ?? plan.from });
    case 'grow-first':
    case 'grow-last':
      return growing(score, plan, asked.loop === 'grow-first' ? 'first' : 'last', TIMES_EACH_SIZE);
    case 'drawn':
      return fromDrawnStarts(score, plan, starts, DRAWN);
    case 'beat':
    case 'two-beats':
    case 'bar':
    case 'count': {
      const once = timedMusic(score, plan);
      const gap = gapOf(asked.loop, score, asked, beat);
      const times = Math.max(1, Math.min(MOST_TIMES, Math.ceil(MOST_SECONDS / Math.max(1, once.seconds + gap))));
      const all = looped(once, times, gap, asked.loop === 'count');
      return asked.start === null ? all : inSequence([timedMusic(score, { ...plan, from: asked.start }), all], gap);
    }
  }
}

/** Bars of a piece as they are to sound: counted in, at a tempo, as often and in the way that is practised. */
export function taskSound(
  music: SoundedMusic,
  marks: readonly LoudnessMark[],
  places: SoundPlaces,
  asked: SoundAsked,
): TimedMusic {
  const { played, instrument } = music;
  const own = new Set(played.parts.map((p) => p.id));
  const score = WITH_OTHERS.has(asked.heard) ? soundingScore(music.score) : played;
  // A call that nobody hears cannot be answered.
  const heard = asked.heard === 'none' && asked.way === 'call' ? 'mine' : asked.heard;
  const [from, to] = asked.range;
  const plan: SoundPlan = {
    ...PLAIN_PLAN,
    from,
    to,
    tempo: asked.tempo,
    bends: asked.click === 'none',
    presence: presenceOf(heard, own, voicesIn(played, asked.range)),
    dynamics: markedDynamics(score, marks),
    ornaments: realiseOrnaments(score, places.ornamentStyle, asked.tempo, places.ornamentStyles),
    countInBars: 1,
    click: asked.click === 'none' ? null : asked.click,
    parts: asked.parts,
    seed: asked.seed,
    backing: asked.backing,
  };
  switch (asked.way) {
    case 'call': {
      const byChord = instrumentOf(instrument).family === 'fretted';
      return callAndAnswer(score, plan, byChord ? chordSpans(score, from, to) : barSpans(score, from, to, 2));
    }
    case 'lines':
      return lineByLine(score, plan, lineSpans(score, from, to, places.phraseEnds), versesOf(score));
    case 'play':
    case 'say':
    case 'ahead':
    case 'place':
    case 'breathe':
    case 'tap':
      return often(score, plan, asked, places);
  }
}

/** Which instrument a part is played by: the player's own, else what the file says; chords are plucked. */
export function familyIn({ score, played, instrument }: SoundedMusic): (part: string) => InstrumentFamily {
  const own = new Set(played.parts.map((p) => p.id));
  const mine = instrumentOf(instrument).family;
  return (id) => {
    if (id === BACKING_PART) return 'fretted';
    const part = score.parts.find((p) => p.id === id);
    if (own.has(id) || !part) return mine;
    const told = instrumentOfPart(score, part).instrument;
    return told === null ? 'other' : INSTRUMENTS[told].family;
  };
}
