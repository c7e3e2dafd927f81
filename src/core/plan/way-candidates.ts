import { estimateMinutes, RUNGS, targetTempo, USUAL_OVERHEAD, type StudentLevel } from '../ladder';
import { dueState, standingKey, type FoldedStanding } from '../mastery';
import { barsText } from '../sections';
import type { Score } from '../score';
import { type Ladder, type Piece, type Rung } from '../studio';
import {
  bringNewBars,
  chunksFallDue,
  isBehind,
  kindOf,
  NEW_CHUNKS_A_WEEK,
  sectionLevel,
  type LevelAt,
  type SectionLevel,
  type WalkedPlace,
} from '../way';
import type { Candidate } from './week-tray';

/** A piece with a way, as one student goes it. */
export interface WayWork {
  readonly piece: Piece;
  readonly score: Score;
  readonly places: readonly WalkedPlace[];
  /** As this student climbs them. */
  readonly ladders: readonly Ladder[];
}

export interface WayWeek {
  readonly studentId: string;
  readonly standings: ReadonlyMap<string, FoldedStanding>;
  readonly now: string;
  readonly level: StudentLevel;
  readonly overhead: number;
  /** Minutes of practice in a week, for saying when what is left out will come. */
  readonly minutesAWeek: number;
}

/** Places looked at for one week, of one piece. Chosen by us. */
const PLACES_AHEAD = 10;
/** A task under this stands with others, not by itself. */
export const LEAST_MINUTES = 2;
const LONGEST_ITEM = 12;
const DAYS_OF_NEW = 4;
/** What is to be learned first weighs most; each place further on a little less. */
const WEIGHT = { technique: 95, check: 90, chunk: 70, corner: 75, join: 60, whole: 65, well: 5 } as const;
const PER_PLACE = 4;

const shortened = (minutes: number): number => Math.max(1, Math.min(LONGEST_ITEM, Math.round(minutes)));
const levelOfPlaces =
  ({ standings, studentId }: WayWeek): LevelAt =>
  (id) =>
    standings.get(standingKey(studentId, id))?.level ?? null;

const openRungs = (work: WayWork, place: WalkedPlace, week: WayWeek): readonly Rung[] => {
  const done = week.standings.get(standingKey(week.studentId, place.section.id))?.rungsDone ?? [];
  const ladder = work.ladders.find((l) => l.sectionId === place.section.id);
  return (ladder?.rungs ?? []).filter((r) => !done.includes(r.id));
};

/** `Lamps, B whole`, `Lamps, bars 9–10`. */
function nameOf({ piece, score }: WayWork, place: WalkedPlace): string {
  const { section } = place;
  const letter = section.letter === '' ? '' : `${section.letter} `;
  return `${piece.title}, ${kindOf(section) === 'section' ? `${letter}${barsText(score, place.from, place.to)}` : section.name}`;
}

/** What to do of a ladder in a week: the next two rungs of it in words. */
const stepsInWords = (rungs: readonly Rung[]): string =>
  rungs
    .slice(0, 2)
    .map((r, i) => (i === 0 ? r.what : `then ${r.what.charAt(0).toLowerCase()}${r.what.slice(1)}`))
    .join(', ');

const paceOf = ({ overhead }: WayWeek): number => overhead / USUAL_OVERHEAD;

/** A place of the way as something to do on most days of a week. */
function placeCandidate(work: WayWork, place: WalkedPlace, week: WayWeek, at: number): Candidate {
  const rungs = openRungs(work, place, week).filter((r) => !isTechnique(r));
  const [first] = rungs;
  const kind = kindOf(place.section);
  const target = targetTempo(work.piece, work.score, place.from);
  const all = rungs.reduce((sum, r) => sum + (r.minutes ?? 4), 0) * paceOf(week);
  const corner = rungs.some((r) => r.kind === 'corner') && kind === 'chunk';
  const once = first ? RUNGS[first.kind].once : true;
  const weight =
    kind === 'join' ? WEIGHT.join : kind === 'chunk' ? (corner ? WEIGHT.corner : WEIGHT.chunk) : WEIGHT.whole;
  return {
    key: `place ${place.section.id}`,
    kind: corner ? 'corner' : 'rung',
    pieceId: work.piece.id,
    sectionId: place.section.id,
    what: `${nameOf(work, place)}: ${first ? stepsInWords(rungs) : 'play it'}`,
    tempo: first?.tempo ?? Math.round(target * 0.6),
    minutes: shortened(Math.max(LEAST_MINUTES, all / DAYS_OF_NEW)),
    days: DAYS_OF_NEW,
    timesADay: once ? 1 : Math.max(1, Math.min(10, first?.times ?? 1)),
    by: corner ? 'midweek' : 'lesson',
    why: place.section.likeId === null ? place.why : `${place.why}: play it as you know it`,
    weight: weight - at * PER_PLACE,
  };
}

/** Joins are short: those of one week are one task. */
function joinsCandidate(work: WayWork, joins: readonly WalkedPlace[], week: WayWeek): readonly Candidate[] {
  const [first] = joins;
  if (!first) return [];
  const names = joins.map((p) => p.section.name).join(', ');
  const each = joins.reduce((sum, p) => {
    const tempo = Math.max(30, Math.round(targetTempo(work.piece, work.score, p.from) * 0.6));
    return sum + estimateMinutes(work.score, p.from, p.to, tempo, 3, week.overhead);
  }, 0);
  return [
    {
      key: `joins ${first.section.id}`,
      kind: 'rung',
      pieceId: work.piece.id,
      sectionId: first.section.id,
      what: `${work.piece.title}, ${joins.length === 1 ? 'the join' : 'the joins'} ${names}: through without a stop`,
      tempo: Math.round(targetTempo(work.piece, work.score, first.from) * 0.6),
      minutes: shortened(Math.max(LEAST_MINUTES, each)),
      days: 3,
      timesADay: 3,
      by: 'lesson',
      why: joins.length === 1 ? first.why : 'joins what you know',
      weight: WEIGHT.join,
    },
  ];
}

/** Checks of sections that are due, and of their chunks while the section is not joined: once, on one day. */
function checks(work: WayWork, week: WayWeek, sections: ReadonlyMap<string, SectionLevel>): readonly Candidate[] {
  return work.places.flatMap((place): readonly Candidate[] => {
    const { section } = place;
    const there = week.standings.get(standingKey(week.studentId, section.id));
    if (!there || there.level === null || place.aside !== null) return [];
    const state = dueState(there.fading, there.at, week.now);
    const inside = place.inside === null ? undefined : sections.get(place.inside);
    if (state === 'fresh' || (inside && !chunksFallDue(inside))) return [];
    const target = targetTempo(work.piece, work.score, place.from);
    const tempo = Math.max(30, Math.round(there.tempo ?? target * 0.8));
    return [
      {
        key: `check ${section.id}`,
        kind: 'check',
        pieceId: work.piece.id,
        sectionId: section.id,
        what: `Check ${nameOf(work, place)}: once from cold`,
        tempo,
        minutes: shortened(estimateMinutes(work.score, place.from, place.to, tempo, 1, week.overhead)),
        days: 1,
        timesADay: 1,
        by: '',
        why: state === 'at-risk' ? 'it may be fading' : 'due for a check',
        weight: state === 'at-risk' ? WEIGHT.check : WEIGHT.check - 10,
      },
    ];
  });
}

/** What goes well, played for itself at the end of a day. */
function goesWell(work: WayWork, week: WayWeek): readonly Candidate[] {
  const best = work.places
    .filter((p) => kindOf(p.section) === 'section' || kindOf(p.section) === 'piece')
    .map((p) => ({ place: p, level: week.standings.get(standingKey(week.studentId, p.section.id))?.level ?? 0 }))
    .filter((x) => x.level >= 3)
    .sort((a, b) => b.level - a.level || b.place.to - b.place.from - (a.place.to - a.place.from))[0];
  if (!best) return [];
  const { place } = best;
  const target = targetTempo(work.piece, work.score, place.from);
  return [
    {
      key: `well ${place.section.id}`,
      kind: 'rung',
      pieceId: work.piece.id,
      sectionId: place.section.id,
      what: `${nameOf(work, place)}: through once, for the joy of it`,
      tempo: target,
      minutes: shortened(estimateMinutes(work.score, place.from, place.to, target, 1, 1)),
      days: 3,
      timesADay: 1,
      by: '',
      why: 'it goes well: last, so that the day ends with it',
      weight: WEIGHT.well,
    },
  ];
}

/** Rungs that are given as technique, by themselves, before everything else. */
const isTechnique = (rung: Rung): boolean => rung.kind === 'warm-up' && rung.key !== 'warm-up leap';

/** Changes of chords that the next places need, without strumming; scales are exercises with ladders of their own. */
function technique(work: WayWork, ahead: readonly WalkedPlace[], week: WayWeek): readonly Candidate[] {
  const warm = ahead.flatMap((p) => openRungs(work, p, week).filter((r) => r.key === 'warm-up chords'))[0];
  if (!warm) return [];
  return [
    {
      key: `technique ${warm.what}`,
      kind: 'technique',
      pieceId: work.piece.id,
      sectionId: ahead[0]?.section.id ?? null,
      what: warm.what,
      tempo: warm.tempo,
      minutes: shortened(Math.max(LEAST_MINUTES, Math.min(4, (warm.minutes ?? 2) * paceOf(week)))),
      days: 5,
      timesADay: 2,
      by: 'lesson',
      why: warm.why,
      weight: WEIGHT.technique,
    },
  ];
}

/** Small tasks of a piece stand together as one; what is too small by itself and alone gets the least there is. */
function gathered(candidates: readonly Candidate[]): readonly Candidate[] {
  const small = candidates.filter((c) => c.minutes < LEAST_MINUTES && c.kind === 'check');
  const [first, ...more] = small;
  if (!first) return candidates;
  const one: Candidate = {
    ...first,
    what: [first.what, ...more.map((c) => c.what.replace(/^Check /, ''))].join('; '),
    minutes: Math.max(
      LEAST_MINUTES,
      small.reduce((sum, c) => sum + c.minutes, 0),
    ),
    weight: Math.max(...small.map((c) => c.weight)),
  };
  return [...candidates.filter((c) => !small.includes(c)), one];
}

/** The next places of a way for one week: not more new chunks than the level bears. */
function ahead(
  work: WayWork,
  week: WayWeek,
): { readonly taken: readonly WalkedPlace[]; readonly later: readonly WalkedPlace[] } {
  const levelAt = levelOfPlaces(week);
  const brings = bringNewBars(
    work.places.map((p) => ({
      kind: kindOf(p.section),
      from: p.from,
      to: p.to,
      hand: p.section.hand,
      isCopy: p.section.likeId !== null,
    })),
  );
  const fresh = new Set(work.places.filter((_, i) => brings[i]));
  const open = work.places.filter((p) => !isBehind(p, levelAt));
  let begunNow = 0;
  const taken: WalkedPlace[] = [];
  for (const place of open.slice(0, PLACES_AHEAD)) {
    const begun = (levelAt(place.section.id) ?? 0) > 0;
    if (fresh.has(place) && !begun && (begunNow += 1) > NEW_CHUNKS_A_WEEK[week.level]) break;
    taken.push(place);
  }
  return { taken, later: open.slice(taken.length) };
}

/**
 * What could go into a week of the way through a piece: technique first, checks that are due, the next new chunks, the
 * joins in one task, what is whole, and something that goes well for the end.
 *
 * @example
 * wayCandidates({ piece: piece(), score, places: [], ladders: [] }, { studentId: 's', standings: new Map(), now: '',
 *   level: 'beginner', overhead: 5, minutesAWeek: 60 }).candidates // → []
 */
export function wayCandidates(
  work: WayWork,
  week: WayWeek,
): {
  readonly candidates: readonly Candidate[];
  /** What comes after this week, with the week it is likely to come in: 2 is the one after. */
  readonly later: readonly { readonly what: string; readonly minutes: number; readonly week: number }[];
} {
  const { taken, later } = ahead(work, week);
  const sections = new Map(
    work.places
      .filter((p) => kindOf(p.section) === 'section')
      .map((p) => {
        const inside = work.places.filter((q) => q.inside === p.section.id);
        const levelAt = levelOfPlaces(week);
        const levels = new Map(inside.map((q) => [q.section.id, levelAt(q.section.id)] as const));
        const whole = week.standings.get(standingKey(week.studentId, p.section.id));
        return [p.section.id, sectionLevel(whole, inside, levels)] as const;
      }),
  );
  const joins = taken.filter((p) => kindOf(p.section) === 'join');
  const rest = taken.filter((p) => kindOf(p.section) !== 'join');
  const candidates = gathered([
    ...technique(work, taken, week),
    ...checks(work, week, sections),
    ...rest.map((p, i) => placeCandidate(work, p, week, i)),
    ...joinsCandidate(work, joins, week),
    ...goesWell(work, week),
  ]);
  const aWeek = Math.max(1, week.minutesAWeek);
  let sum = rest.reduce((all, p) => all + minutesOf(work, p, week), 0);
  return {
    candidates,
    later: later
      .filter((p) => kindOf(p.section) !== 'join')
      .slice(0, 3)
      .map((p) => {
        const minutes = minutesOf(work, p, week);
        sum += minutes;
        return { what: nameOf(work, p), minutes: Math.round(minutes), week: Math.max(2, Math.ceil(sum / aWeek)) };
      }),
  };
}

/** All minutes a place asks for. */
const minutesOf = (work: WayWork, place: WalkedPlace, week: WayWeek): number =>
  openRungs(work, place, week).reduce((sum, r) => sum + (r.minutes ?? 4), 0) * paceOf(week);
