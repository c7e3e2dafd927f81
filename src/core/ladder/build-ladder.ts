import type { BarDifficulty } from '../difficulty';
import type { Exercise } from '../exercise';
import { instrumentOf, type Instrument, type InstrumentId } from '../instruments';
import { isPickupBar, notesByBar, type Score } from '../score';
import {
  clampTempo,
  clampText,
  MOST,
  rungId,
  USUAL_TEACHING,
  type Hand,
  type Mark,
  type Rung,
  type Teaching,
} from '../studio';
import type { CopyOf } from './copy-of';
import { rungsOfExercise } from './exercise-rungs';
import { estimateMinutes, USUAL_OVERHEAD } from './minutes';
import type { LadderScope, ProposedRung, StudentLevel } from './rung-facts';
import { proposeRungs } from './rungs/rungs';
import { pieceContent, sectionContent, type Company, type PieceContent } from './section-content';
import { startTempo } from './start-tempo';
import { targetTempo } from './target-tempo';

export interface LadderRequest {
  /** As its player has it. */
  readonly score: Score;
  /** Bars, both included. */
  readonly from: number;
  readonly to: number;
  readonly instrument: InstrumentId;
  /** Quarters a minute; null takes the tempo at the start of the section. */
  readonly targetTempo: number | null;
  readonly teaching?: Teaching;
  readonly level?: StudentLevel;
  readonly marks?: readonly Mark[];
  readonly copyOf?: CopyOf | null;
  /** The student's own overhead of practice, from the logs. */
  readonly overhead?: number;
  readonly difficulties?: readonly BarDifficulty[];
  /** The others who play. */
  readonly company?: Company;
  /** The technique exercise that the score is; it has a ladder of its own kind. */
  readonly exercise?: Exercise;
  /** What it is for; a section with all its steps when nothing is said. */
  readonly scope?: LadderScope;
  /** The one hand it is of, where it goes on unchanged under the rest. */
  readonly hand?: Hand;
  /** The piece read before, where ladders of many chunks are built. */
  readonly content?: PieceContent;
  /** Bars whose rhythm is new in the order of learning; in the order of the piece when nothing is said. */
  readonly newRhythms?: readonly number[];
  /** The section or chunk the ladder is of: its rungs get their ids from it and from what they are. */
  readonly sectionId: string;
}

/** How often a rung asks for its passes; never fewer than "three in a row" needs. */
export const TIMES: Readonly<Record<StudentLevel, number>> = { beginner: 4, intermediate: 3, advanced: 3 };

/** A copy asks only for its differences, its join and, where it is a section, a run. */
function rungsOfCopy(
  copy: CopyOf,
  start: number,
  target: number,
  { joins, runs }: { readonly joins: boolean; readonly runs: boolean },
  barOf: (bar: number) => string,
  hands: string,
): ProposedRung[] {
  const rung = (
    kind: ProposedRung['kind'],
    key: string,
    what: string,
    tempo: number,
    times: number,
    done: string,
    why: string,
    at: number | null,
  ): ProposedRung => ({
    kind,
    key,
    what,
    hands,
    tempo,
    tempoTo: null,
    times,
    done,
    why,
    bars: at === null ? null : [at, at],
  });
  return [
    ...copy.differences.map((d) =>
      rung(
        'corner',
        `differs ${d.bar}`,
        `Only here it is not as ${copy.name}: ${barOf(d.bar)}, ${d.words}`,
        start,
        4,
        '4 in a row',
        'near repeats are where memory slips',
        d.bar,
      ),
    ),
    rung(
      'alone',
      'as the model',
      `Play it as ${copy.name}`,
      start,
      2,
      'twice without a stop',
      copy.differences.length === 0 ? `the same as ${copy.name}` : `the rest is as ${copy.name}`,
      null,
    ),
    ...(joins
      ? [rung('join', 'join', 'From the bar before into this section', start, 3, '3 in a row', 'the join is new', null)]
      : []),
    ...(runs
      ? [
          rung(
            'run',
            'run',
            'Through once, from cold',
            target,
            1,
            'first try of the day',
            'secure means from cold',
            null,
          ),
        ]
      : []),
  ];
}

/** What follows from how an instrument is touched. */
export const touch = ({ family, breathes, strums }: Pick<Instrument, 'family' | 'breathes' | 'strums'>) => ({
  seesHands: family === 'keyboard' || family === 'bowed' || family === 'fretted' || family === 'percussion',
  sings: family === 'voice',
  strikes: family === 'percussion',
  breathes,
  strums,
  stroke: family === 'bowed' ? ('bow' as const) : strums ? ('strum' as const) : null,
});

/** A bar as it is said in a rung. */
const barNamed = (score: Score, bar: number): string =>
  bar === 0 && isPickupBar(score) ? 'the pick-up' : `bar ${score.bars[bar]?.name ?? bar + 1}`;

/** A hand that goes on unchanged: by itself, until it needs no thought. */
function rungsOfHand(hand: 'right' | 'left', isStrum: boolean, start: number, target: number): ProposedRung[] {
  const rung = (key: string, what: string, tempo: number, times: number, done: string, why: string): ProposedRung => ({
    kind: isStrum ? 'stroke' : hand === 'right' ? 'right-alone' : 'left-alone',
    key,
    what,
    hands: hand,
    tempo,
    tempoTo: null,
    times,
    done,
    why,
    bars: null,
  });
  const what = isStrum ? 'The strum alone, on one chord' : hand === 'right' ? 'Right hand alone' : 'Left hand alone';
  return [
    rung('hand', what, start, 4, '4 times round without a stop', 'it goes on under everything'),
    rung(
      'hand goes by itself',
      `${what}, saying what the tune does`,
      Math.round((start + target) / 2),
      4,
      'it goes on while you talk',
      'only what needs no thought carries something else',
    ),
  ];
}

/**
 * The ladder of a section, lowest rung first, from what its bars hold, how the student is taught and how far the
 * student is. Every rung has its reason in these bars; its minutes are an estimate. Bars of rest have a ladder of
 * counting only; bars that are not written, the steps that need no note to be known.
 *
 * @example
 * buildLadder({ score, from: 0, to: 3, instrument: 'piano', targetTempo: 80, sectionId: 'a' })[0].kind // → 'posture'
 */
export function buildLadder(request: LadderRequest): Rung[] {
  const { score, from, to } = request;
  const level = request.level ?? 'intermediate';
  const teaching = request.teaching ?? USUAL_TEACHING;
  const target = targetTempo(request, score, from);
  const whole = request.content ?? pieceContent(score, request.difficulties, request.company);
  const start = startTempo(score, from, to, target, whole.struck);
  const content = sectionContent(whole, from, to);
  const dynamics = (request.marks ?? []).flatMap((m) => (m.kind === 'dynamic' || m.kind === 'wedge' ? [m.noteId] : []));
  const ids = new Set(
    dynamics.length === 0
      ? []
      : notesByBar(score)
          .slice(from, to + 1)
          .flatMap((notes) => notes.map((n) => n.id)),
  );
  const about = instrumentOf(request.instrument);
  const barOf = (bar: number): string => barNamed(score, bar);
  const scope = request.scope ?? 'section';
  const isSection = scope === 'section' || scope === 'whole' || scope === 'line';
  const proposed = ((): readonly ProposedRung[] => {
    if (request.hand !== undefined && request.hand !== 'all')
      return rungsOfHand(request.hand, about.strums, start, target);
    if (request.copyOf)
      return rungsOfCopy(
        request.copyOf,
        start,
        target,
        { joins: from > 0 && scope === 'section', runs: isSection },
        barOf,
        content.hands.length === 2 ? 'both' : '',
      );
    const facts = {
      scope,
      content: { ...content, newRhythms: request.newRhythms ?? content.newRhythms },
      teaching,
      level,
      ...touch(about),
      barOf,
      lastBar: to,
      firstOfPiece: from === 0,
      lastOfPiece: to === score.bars.length - 1,
      start,
      target,
      times: TIMES[level],
      ownDynamics: dynamics.some((id) => ids.has(id)),
    };
    return request.exercise ? rungsOfExercise(facts, request.exercise) : proposeRungs(facts);
  })();
  return proposed.map((p): Rung => {
    const made = {
      what: clampText(p.what, MOST.task),
      hands: p.hands,
      tempo: p.tempo === null ? null : clampTempo(p.tempo),
      tempoTo: p.tempoTo === null ? null : clampTempo(p.tempoTo),
      times: p.times,
      done: p.done,
    };
    const [a, z] = p.bars ?? [from, to];
    const first = score.bars[a]?.id;
    const last = score.bars[z]?.id;
    const middle = p.tempo === null ? start : p.tempoTo === null ? p.tempo : (p.tempo + p.tempoTo) / 2;
    return {
      id: rungId(request.sectionId, p.key),
      kind: p.kind,
      ...made,
      why: clampText(p.why, MOST.task),
      own: false,
      key: p.key,
      ...(p.bars !== null && first !== undefined && last !== undefined
        ? { bars: [first, last] as [string, string] }
        : {}),
      minutes: estimateMinutes(score, a, z, middle, p.times, request.overhead ?? USUAL_OVERHEAD),
      made,
    };
  });
}
