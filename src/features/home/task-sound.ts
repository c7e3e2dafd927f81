import type { InstrumentFamily } from '@/core/instruments';
import { INSTRUMENTS, instrumentOf } from '@/core/instruments';
import {
  looped,
  markedDynamics,
  PLAIN_PLAN,
  timedMusic,
  type LoudnessMark,
  type Presence,
  type TimedMusic,
} from '@/core/performance';
import { instrumentOfPart, soundingScore } from '@/core/players';
import { meterQuarters, type Score } from '@/core/score';
import type { Piece } from '@/core/studio';
import type { PieceContext } from '@/features/score';
import type { Heard, Loop, SoundAsked } from './room/room-task';

/** A loop lasts no longer than this; by then it has been heard often enough. */
const MOST_SECONDS = 600;
const MOST_TIMES = 40;

/** Whether a staff sounds, by what is to be heard. */
function presenceOf(heard: Heard, own: ReadonlySet<string>): (part: string, staff: number) => Presence {
  const isMine = (part: string): boolean => own.has(part);
  switch (heard) {
    case 'mine':
      return (part) => (isMine(part) ? 'full' : 'silent');
    case 'right':
      return (part, staff) => (isMine(part) && staff === 1 ? 'full' : 'silent');
    case 'left':
      return (part, staff) => (isMine(part) && staff > 1 ? 'full' : 'silent');
    case 'others':
      return (part) => (isMine(part) ? 'silent' : 'full');
    case 'none':
      return () => 'silent';
  }
}

/** Seconds between two times of a loop. */
function gapOf(loop: Loop, score: Score, from: number, tempo: number): number {
  const quarters = meterQuarters(score.bars[from]?.meter ?? { parts: [], symbol: null });
  switch (loop) {
    case 'once':
    case 'count':
      return 0;
    case 'beat':
      return 60 / tempo;
    case 'bar':
      return (quarters.n > 0 ? quarters.n / quarters.d : 1) * (60 / tempo);
  }
}

/** What can be heard beside one's own part: a hand of two, the other parts where there are some. */
export function voicesOf({ score, played, player, piece }: PieceContext): readonly Heard[] {
  const hands =
    instrumentOf(player.instrument ?? piece.instrument).family === 'keyboard' && (played.parts[0]?.staves ?? 1) > 1;
  const others = score.parts.length > played.parts.length;
  return ['mine', ...(hands ? (['right', 'left'] as const) : []), ...(others ? (['others'] as const) : []), 'none'];
}

/** Bars of a piece as they are to sound: counted in, at a tempo, once or again and again. */
export function taskSound(
  context: PieceContext,
  marks: readonly LoudnessMark[],
  [from, to]: readonly [number, number],
  asked: SoundAsked,
): TimedMusic {
  const own = new Set(context.played.parts.map((p) => p.id));
  const score = asked.heard === 'others' ? soundingScore(context.score) : context.played;
  const once = timedMusic(score, {
    ...PLAIN_PLAN,
    from,
    to,
    tempo: asked.tempo,
    presence: presenceOf(asked.heard, own),
    dynamics: markedDynamics(score, marks),
    countInBars: 1,
    click: asked.click === 'none' ? null : asked.click,
  });
  if (asked.loop === 'once') return once;
  const gap = gapOf(asked.loop, score, from, asked.tempo);
  const times = Math.max(1, Math.min(MOST_TIMES, Math.ceil(MOST_SECONDS / Math.max(1, once.seconds + gap))));
  return looped(once, times, gap, asked.loop === 'count');
}

/** Which instrument a part is played by: the player's own, else what the file says. */
export function familyIn({ score, played, player }: PieceContext, piece: Piece): (part: string) => InstrumentFamily {
  const own = new Set(played.parts.map((p) => p.id));
  const mine = instrumentOf(player.instrument ?? piece.instrument).family;
  return (id) => {
    const part = score.parts.find((p) => p.id === id);
    if (own.has(id) || !part) return mine;
    const { instrument } = instrumentOfPart(score, part);
    return instrument === null ? 'other' : INSTRUMENTS[instrument].family;
  };
}
