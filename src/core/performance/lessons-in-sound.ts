import { chance } from './clicks';
import { inSequence, withoutCountIn } from './sequence';
import type { BarSpan } from './spans';
import { timedMusic, type PhaseKind, type SoundPlan, type TimedMusic } from './timed-music';
import type { Score } from '../score';

/** The slow pass, of the tempo **[from memory]**. */
const SLOW = 0.7;

/** Bars of a plan as one phase of a longer exercise; what is before its music belongs to it. */
function phase(score: Score, plan: SoundPlan, [from, to]: BarSpan, kind: PhaseKind): TimedMusic {
  const music = timedMusic(score, { ...plan, from, to });
  return { ...music, phases: [{ at: 0, kind, from, to }] };
}

/** The answer: as long as the call, nothing but clicks. */
const answer = (plan: SoundPlan): SoundPlan => ({
  ...plan,
  presence: () => 'silent',
  backing: null,
  click: plan.click ?? 'beats',
  countInBars: 0,
});

/**
 * Call and answer (handbook chapter 16): each span sounds without a click, then as long again there is only the click
 * for the answer. Counted in once.
 *
 * @example callAndAnswer(score, PLAIN_PLAN, [[0, 0]]).phases.map((p) => p.kind) // → ['listen', 'answer']
 */
export function callAndAnswer(score: Score, plan: SoundPlan, spans: readonly BarSpan[]): TimedMusic {
  return inSequence(
    spans.flatMap((span, i) => [
      phase(score, { ...plan, click: null, bends: false, countInBars: i === 0 ? plan.countInBars : 0 }, span, 'listen'),
      phase(score, answer(plan), span, 'answer'),
    ]),
  );
}

/**
 * Line by line (handbook chapter 16): each line slowly and without repeats, counted in, with as much time to try it
 * again; then all of it at tempo, with its repeats, as often as there are verses.
 *
 * @example
 * lineByLine(score, PLAIN_PLAN, [[0, 0]], 1).phases.map((p) => p.kind) // → ['together', 'answer', 'together']
 */
export function lineByLine(score: Score, plan: SoundPlan, spans: readonly BarSpan[], verses: number): TimedMusic {
  const slow: SoundPlan = { ...plan, share: plan.share * SLOW, repeats: false, countInBars: 1 };
  const last = spans[spans.length - 1];
  const all = phase(
    score,
    { ...plan, repeats: true, countInBars: 1 },
    [spans[0]?.[0] ?? 0, last?.[1] ?? -1],
    'together',
  );
  return inSequence([
    ...spans.flatMap((span) => [
      phase(score, slow, span, 'together'),
      phase(score, { ...answer(slow), countInBars: 1 }, span, 'answer'),
    ]),
    ...(last ? Array.from({ length: Math.max(1, verses) }, (_, v) => (v === 0 ? all : withoutCountIn(all))) : []),
  ]);
}

/**
 * A loop that grows by a bar: from the first bar on, or from the last bar backwards; each size `times` over, counted in
 * at every size.
 *
 * @example growing(score, PLAIN_PLAN, 'first', 2).bars.map((b) => b.bar) // → [0, 0]
 */
export function growing(score: Score, plan: SoundPlan, from: 'first' | 'last', times: number): TimedMusic {
  const count = Math.max(0, plan.to - plan.from + 1);
  return inSequence(
    Array.from({ length: count }, (_, grown): BarSpan =>
      from === 'first' ? [plan.from, plan.from + grown] : [plan.to - grown, plan.to],
    ).flatMap((span) => {
      const music = phase(score, plan, span, 'together');
      return Array.from({ length: times }, (_, i) => (i === 0 ? music : withoutCountIn(music)));
    }),
  );
}

/**
 * From places drawn by chance to the end of the plan, each counted in, `times` over; no place twice in a row where
 * there are more. What is drawn follows from the seed of the plan.
 *
 * @example fromDrawnStarts(score, PLAIN_PLAN, [0], 2).phases.length // → 2
 */
export function fromDrawnStarts(score: Score, plan: SoundPlan, starts: readonly number[], times: number): TimedMusic {
  const places = starts.filter((bar) => bar >= plan.from && bar <= plan.to);
  let before: number | null = null;
  return inSequence(
    Array.from({ length: times }, (_, turn) => {
      const open = places.length > 1 ? places.filter((bar) => bar !== before) : places;
      const bar = open[Math.floor(chance(plan.seed, turn, 0) * open.length)] ?? plan.from;
      before = bar;
      return phase(score, plan, [bar, plan.to], 'together');
    }),
  );
}
