import {
  buildLadder,
  describeCopy,
  OVERHEAD,
  pieceContent,
  targetTempo,
  type LadderRequest,
  type PieceContent,
  type StudentLevel,
} from '../ladder';
import { barLines, type BarContent } from '../sameness';
import type { Mark, Rung, RungKind, Teaching } from '../studio';
import { USUAL_TEACHING } from '../studio';
import { buildPlaces } from './build-places';
import { barsInWords } from './names';
import { schoolFor } from './schools/schools';
import type { Way, WayPlace, WaySchool, WayStep } from './way';
import type { WayOf } from './way-of';
import { bringNewBars, lastWeek, NEW_CHUNKS_A_WEEK, USUAL_MINUTES_A_WEEK, weeksOf } from './weeks';

export interface WayRequest {
  readonly level: StudentLevel;
  /** Null for what the level suggests. */
  readonly school: WaySchool | null;
  /** Target in quarters a minute; null takes the tempo of the piece. */
  readonly tempo?: number | null;
  readonly minutesAWeek?: number;
  readonly teaching?: Teaching;
  readonly marks?: readonly Mark[];
  /** How many times as long as the bare playing this student's practice takes; the usual of the level when left out. */
  readonly overhead?: number;
}

/** Rungs of the piece when it is first played through; the rest comes when it is up to tempo. */
const SLOWLY: ReadonlySet<RungKind> = new Set<RungKind>(['slow', 'partner']);
/** What a section that is the whole piece has had already. */
const HAD_BY_THE_SECTION: ReadonlySet<RungKind> = new Set<RungKind>(['slow', 'tempo', 'partner']);

function wantedOf(place: WayPlace, isOneSection: boolean): (rung: Rung) => boolean {
  if (place.scope !== 'piece') return () => true;
  if (isOneSection) return (rung) => !HAD_BY_THE_SECTION.has(rung.kind);
  return place.chunk.name.endsWith('slowly')
    ? (rung) => SLOWLY.has(rung.kind)
    : (rung) => !SLOWLY.has(rung.kind) || rung.kind === 'partner';
}

/** What was met so far in the order of learning, so that nothing is new twice. */
interface Met {
  /** All that is played, bar by bar. */
  readonly bars: readonly BarContent[];
  readonly rhythms: Set<number>;
  readonly warmUps: Set<string>;
}

function rungsOf(of: WayOf, place: WayPlace, request: WayRequest, content: PieceContent, met: Met): readonly Rung[] {
  const { chunk } = place;
  const fresh = place.scope === 'unit' && chunk.like === null && chunk.hand === 'all';
  const here = met.bars.slice(chunk.from, chunk.to + 1);
  const newRhythms = fresh
    ? here.flatMap((b, i) =>
        b.rhythm >= 0 && b.notes.length > 1 && !met.rhythms.has(b.rhythm) ? [chunk.from + i] : [],
      )
    : [];
  if (fresh) for (const b of here) met.rhythms.add(b.rhythm);
  const asked: LadderRequest = {
    score: of.played,
    from: chunk.from,
    to: chunk.to,
    instrument: of.player.instrument ?? 'piano',
    targetTempo: request.tempo ?? null,
    teaching: request.teaching ?? USUAL_TEACHING,
    level: request.level,
    marks: request.marks ?? [],
    scope: place.scope,
    hand: chunk.hand,
    content,
    newRhythms,
    overhead: request.overhead ?? OVERHEAD[request.level],
    sectionId: `${chunk.kind} ${chunk.hand} ${chunk.from} ${chunk.to}`,
    ...(chunk.like === null
      ? {}
      : {
          copyOf: describeCopy(of.played, barsInWords(of.played, chunk.like), chunk.like, [chunk.from, chunk.to]),
        }),
  };
  return buildLadder(asked).filter((rung) => {
    if (rung.kind !== 'warm-up') return true;
    if (met.warmUps.has(rung.what)) return false;
    met.warmUps.add(rung.what);
    return true;
  });
}

const minutesOf = (rungs: readonly Rung[]): number =>
  Math.round(rungs.reduce((sum, r) => sum + (r.minutes ?? 0), 0) * 10) / 10;

/**
 * The way through a piece: every chunk in the order in which it is learned, each with its ladder, its minutes and its
 * week. An empty piece has no steps.
 *
 * @example
 * proposeWay(analysisOf(score), { level: 'beginner', school: null }).steps[0].chunk.name // → 'bar 1'
 */
export function proposeWay(of: WayOf, request: WayRequest): Way {
  const places = buildPlaces(of, request.level, schoolFor(request.school, request.level));
  const { entries, accompanied } = of;
  const content = pieceContent(of.played, of.difficulties, { entries, accompanied });
  const met: Met = { bars: barLines(of.played).all.bars, rhythms: new Set(), warmUps: new Set() };
  const isOneSection = of.sections.length <= 1;
  const steps = places.map((place) => {
    const rungs = rungsOf(of, place, request, content, met).filter(wantedOf(place, isOneSection));
    const target = targetTempo({ targetTempo: request.tempo ?? null }, of.played, place.chunk.from);
    return { ...place, rungs, target, minutes: minutesOf(rungs) };
  });
  const isNew = bringNewBars(steps.map(({ chunk }) => ({ ...chunk, isCopy: chunk.like !== null })));
  const each = steps.map((s, i) => ({ minutes: s.minutes, isNew: isNew[i] ?? false }));
  const holds = {
    minutes: Math.max(1, request.minutesAWeek ?? USUAL_MINUTES_A_WEEK),
    newChunks: NEW_CHUNKS_A_WEEK[request.level],
  };
  const weeks = weeksOf(each, holds);
  return {
    steps: steps.map((s, i): WayStep => ({ ...s, week: weeks[i] ?? 1 })),
    weeks: lastWeek(each, holds),
    minutes: Math.round(each.reduce((sum, s) => sum + s.minutes, 0) * 10) / 10,
  };
}
