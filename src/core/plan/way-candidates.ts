import { estimateMinutes, RUNGS, targetTempo } from '../ladder';
import { standingKey } from '../mastery';
import type { Rung } from '../studio';
import { midSentence } from '../words';
import { kindOf, sectionLevel, type WalkedPlace } from '../way';
import { ahead, isCopyOfChunk } from './way-ahead';
import { checks, gathered, goesWell } from './way-due';
import {
  DAYS_OF_NEW,
  LEAST_MINUTES,
  levelOfPlaces,
  LONGEST_ITEM,
  nameOf,
  openRungs,
  paceOf,
  PER_PLACE,
  shortened,
  WEIGHT,
  type WayWeek,
  type WayWork,
} from './way-work';
import type { Candidate } from './week-tray';

/**
 * What to do of a ladder in a week: the next two rungs of it in words, and where they lead to; what two begin with is
 * said once.
 */
function stepsInWords(rungs: readonly Rung[]): string {
  const [first, second] = rungs;
  if (!first) return '';
  if (!second) return first.what;
  const [head] = first.what.split(': ');
  if (head !== undefined && head !== first.what && second.what.startsWith(`${head}: `))
    return `${first.what}; ${second.what.slice(head.length + 2)}`;
  const last = rungs[rungs.length - 1];
  const end = last && last !== second ? `; by the lesson ${midSentence(last.what)}` : '';
  return `${first.what}, then ${midSentence(second.what)}${end}`;
}

/** A place of the way as something to do on most days of a week; `late` where it is put together from what is new. */
function placeCandidate(work: WayWork, place: WalkedPlace, week: WayWeek, at: number, late: boolean): Candidate {
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
    inDay: kind === 'chunk' ? 'new' : 'whole',
    late,
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
      inDay: 'join',
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

/**
 * Chunks that are the same as what was just learned stand with it as one task: `bar 1: …; then bar 2, a step higher`.
 */
function withCopies(
  places: readonly WalkedPlace[],
  candidateOf: (place: WalkedPlace, at: number) => Candidate,
): readonly Candidate[] {
  const out: Candidate[] = [];
  places.forEach((place, i) => {
    const before = out[out.length - 1];
    const one = candidateOf(place, i);
    if (!isCopyOfChunk(place) || !before || before.inDay !== 'new') {
      out.push(one);
      return;
    }
    out[out.length - 1] = {
      ...before,
      what: `${before.what}; then ${place.section.name}, ${place.why}`,
      minutes: Math.min(LONGEST_ITEM, before.minutes + 1),
    };
  });
  return out;
}

/**
 * What could go into a week of the way through a piece: technique first, checks that are due, the next new chunks, the
 * joins in one task, what is whole, and something that goes well for the end.
 *
 * @example
 * wayCandidates({ piece: piece(), score, places: [], ladders: [] }, { studentId: 's', standings: new Map(), now: '',
 *   level: 'beginner', overhead: 5, minutesAWeek: 60, tasks: 4 }).candidates // → []
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
  const levelAt = levelOfPlaces(week);
  const isBegun = (p: WalkedPlace): boolean => (levelAt(p.section.id) ?? 0) > 0;
  // A line, a section or the piece waits for what it is put together from.
  const isPutTogether = (p: WalkedPlace): boolean =>
    kindOf(p.section) !== 'chunk' &&
    rest.some((q) => q !== p && kindOf(q.section) === 'chunk' && q.from >= p.from && q.to <= p.to && !isBegun(q));
  const candidates = gathered([
    ...technique(work, taken, week),
    ...checks(work, week, sections),
    ...withCopies(rest, (p, i) => placeCandidate(work, p, week, i, isPutTogether(p))),
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
