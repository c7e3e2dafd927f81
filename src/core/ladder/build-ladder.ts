import type { BarDifficulty } from '../difficulty';
import { barsText } from '../sections';
import { instrumentOf, type Instrument, type InstrumentId } from '../instruments';
import type { Score } from '../score';
import { clampTempo, clampText, MOST, rungId, USUAL_TEACHING, type Mark, type Rung, type Teaching } from '../studio';
import type { CopyOf } from './copy-of';
import { estimateMinutes, USUAL_OVERHEAD } from './minutes';
import type { ProposedRung, StudentLevel } from './rung-facts';
import { proposeRungs } from './rungs/rungs';
import { pieceContent, sectionContent, type Company } from './section-content';
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
  /** The section or chunk the ladder is of: its rungs get their ids from it and from what they are. */
  readonly sectionId: string;
}

export const TIMES: Readonly<Record<StudentLevel, number>> = { beginner: 4, intermediate: 3, advanced: 2 };

/** A copy asks only for its differences, its join and a run. */
function rungsOfCopy(
  copy: CopyOf,
  start: number,
  target: number,
  bars: string,
  joins: boolean,
  numberOf: (bar: number) => string,
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
        `Only here it is not as ${copy.name}: bar ${numberOf(d.bar)}, ${d.words}`,
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
    rung('run', 'run', `Bars ${bars} from cold`, target, 1, 'first try of the day', 'secure means from cold', null),
  ];
}

/** What follows from how an instrument is touched. */
export const touch = ({ family }: Pick<Instrument, 'family'>) => ({
  seesHands: family === 'keyboard' || family === 'bowed' || family === 'fretted' || family === 'percussion',
  sings: family === 'voice',
});

/**
 * The ladder of a section, lowest rung first, from what its bars hold, how the student is taught and how far the
 * student is. Every rung has its reason in these bars; its minutes are an estimate. Bars without notes have a ladder of
 * counting only.
 *
 * @example
 * buildLadder({ score, from: 0, to: 3, instrument: 'piano', targetTempo: 80, sectionId: 'a' })[0].kind // → 'warm-up'
 */
export function buildLadder(request: LadderRequest): Rung[] {
  const { score, from, to } = request;
  const level = request.level ?? 'intermediate';
  const teaching = request.teaching ?? USUAL_TEACHING;
  const target = targetTempo(request, score, from);
  const whole = pieceContent(score, request.difficulties, request.company);
  const start = startTempo(score, from, to, target, whole.struck);
  const content = sectionContent(whole, from, to);
  const ids = new Set(score.notes.filter((n) => n.bar >= from && n.bar <= to).map((n) => n.id));
  const about = instrumentOf(request.instrument);
  const numberOf = (b: number): string => score.bars[b]?.name ?? String(b + 1);
  const bars = barsText(score, from, to);
  const proposed = request.copyOf
    ? rungsOfCopy(request.copyOf, start, target, bars, from > 0, numberOf, content.hands.length === 2 ? 'both' : '')
    : proposeRungs({
        scope: 'section',
        content,
        teaching,
        level,
        strums: about.strums,
        ...touch(about),
        bars,
        numberOf,
        firstOfPiece: from === 0,
        lastOfPiece: to === score.bars.length - 1,
        start,
        target,
        times: TIMES[level],
        ownDynamics: (request.marks ?? []).some(
          (m) => (m.kind === 'dynamic' || m.kind === 'wedge') && ids.has(m.noteId),
        ),
      });
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
