import { barLines } from '../sameness';
import type { BarDifficulty } from '../difficulty';
import { instrumentOf } from '../instruments';
import type { Entry, Player } from '../players';
import { barsText, type SectionShape } from '../sections';
import { tempoAt, type Score } from '../score';
import { USUAL_TEACHING, type RungKind } from '../studio';
import { ticks } from '../units';
import { TIMES, touch } from './build-ladder';
import { estimateMinutes } from './minutes';
import { orderChunks, type LadderChunk, type OrderRequest } from './order-chunks';
import { proposeRungs } from './rungs/rungs';
import { TEMPO_STEP } from './rungs/tempo';
import { pieceContent, sectionContent } from './section-content';
import { startTempo } from './start-tempo';
import { tempoSteps } from './tempo-steps';

export interface PieceRung {
  readonly chunk: string;
  readonly kind: RungKind;
  readonly what: string;
  readonly hands: 'right' | 'left' | 'both' | 'all';
  readonly bars: readonly [number, number];
  readonly tempo: number;
  readonly times: number;
  readonly done: string;
  readonly why: string;
}

export interface PieceLadder {
  readonly chunks: readonly LadderChunk[];
  readonly rungs: readonly PieceRung[];
  /** Estimated practice, passes times their length and as much again for stopping and thinking. */
  readonly minutes: number;
}

export interface PieceLadderRequest extends OrderRequest {
  /** Target in quarters a minute; the tempo of the piece when left out. */
  readonly tempo?: number;
}

/** What is known of the piece for the player that the ladder is for; an analysis is one. */
export interface LadderOf {
  readonly played: Score;
  readonly player: Player;
  readonly sections: readonly SectionShape[];
  readonly difficulties: readonly BarDifficulty[];
  readonly entries: readonly Entry[];
  readonly accompanied: boolean;
}

const asItsModel = (model: string) =>
  ({ kind: 'run', what: `Play it as ${model}`, times: 2, done: 'twice without a stop' }) as const;

/** For bars in which nothing sounds. */
const COUNT_THROUGH = {
  kind: 'tap',
  what: 'Count through',
  hands: 'all',
  times: 1,
  done: 'once without a stop',
  why: 'no notes, only time',
} as const;

/**
 * An ordered ladder for a whole piece: every rung has a reason in its chunk. An empty piece has none.
 *
 * @example pieceLadder(analysisOf(score), { school: 'start', level: 'beginner' }).rungs.length > 0 // → true
 */
export function pieceLadder(
  { played: score, player, sections, difficulties, entries, accompanied }: LadderOf,
  request: PieceLadderRequest,
): PieceLadder {
  if (score.bars.length === 0) return { chunks: [], rungs: [], minutes: 0 };
  const chunks = orderChunks(score, sections, request, difficulties);
  const target = Math.round(request.tempo ?? tempoAt(score, ticks(0)));
  const whole = pieceContent(score, difficulties, { entries, accompanied });
  const corners = new Set(whole.corners.map((c) => c.bar));
  const { all } = barLines(score);
  const seenRhythms = new Set<number>();
  const rungs: PieceRung[] = [];
  const numberOf = (b: number): string => score.bars[b]?.name ?? String(b + 1);
  for (const chunk of chunks) {
    const { from, to } = chunk;
    const start = startTempo(score, from, to, target, whole.struck);
    const content = sectionContent(whole, from, to);
    const both = content.hands.length === 2 ? 'both' : 'all';
    const put = (rung: Omit<PieceRung, 'chunk' | 'bars'>): void =>
      void rungs.push({ ...rung, chunk: chunk.name, bars: [from, to] });
    if (chunk.copyOf !== null) {
      put({ ...asItsModel(chunk.copyOf), hands: both, tempo: start, why: chunk.why });
      continue;
    }
    // What is new is new in the order of learning, not of the page; a corner is one of the piece, not of four bars.
    const fresh = all.bars
      .slice(from, to + 1)
      .flatMap((b, i) => (b.rhythm >= 0 && !seenRhythms.has(b.rhythm) ? [from + i] : []));
    for (const b of all.bars.slice(from, to + 1)) seenRhythms.add(b.rhythm);
    const proposed = proposeRungs({
      scope: chunk.kind === 'section' ? 'phrase' : chunk.kind,
      content: { ...content, newRhythms: fresh, corners: content.corners.filter((c) => corners.has(c.bar)) },
      teaching: { ...USUAL_TEACHING, memory: chunk.kind === 'piece' ? 'asked' : 'not' },
      level: request.level,
      strums: false,
      ...touch(instrumentOf(player.instrument ?? 'piano')),
      bars: barsText(score, from, to),
      numberOf,
      firstOfPiece: from === 0,
      lastOfPiece: to === score.bars.length - 1,
      start,
      target,
      times: TIMES[request.level],
      ownDynamics: false,
    });
    // A section of several phrases has had their warm-ups and touches already.
    const wanted = proposed.filter((p) => chunk.kind !== 'section' || p.kind === 'dynamics');
    for (const p of wanted)
      put({
        kind: p.kind,
        what: p.what,
        hands: p.hands === 'right' || p.hands === 'left' ? p.hands : both,
        tempo: p.tempo ?? start,
        times: p.times,
        done: p.done,
        why: p.why,
      });
    if (content.notes === 0 && proposed.length === 0) put({ ...COUNT_THROUGH, tempo: start });
    if (chunk.kind === 'section' || (chunk.kind === 'phrase' && sections.every((s) => s.phrases.length > 1)))
      for (const tempo of tempoSteps({ start, target, school: 'bpm', step: TEMPO_STEP, over: 0, cap: null }))
        put({
          kind: 'tempo',
          what: `At ${tempo}`,
          hands: both,
          tempo,
          times: 2,
          done: 'twice in a row, all notes right',
          why: tempo === target ? 'the target' : 'a step towards the target',
        });
  }
  const minutes = rungs.reduce((sum, r) => sum + estimateMinutes(score, r.bars[0], r.bars[1], r.tempo, r.times), 0);
  return { chunks, rungs, minutes: Math.round(minutes * 10) / 10 };
}
