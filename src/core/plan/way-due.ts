import { estimateMinutes, targetTempo } from '../ladder';
import { dueState, standingKey } from '../mastery';
import { chunksFallDue, kindOf, type SectionLevel } from '../way';
import { LEAST_MINUTES, nameOf, shortened, WEIGHT, type WayWeek, type WayWork } from './way-work';
import type { Candidate } from './week-tray';

/** Checks of sections that are due, and of their chunks while the section is not joined: once, on one day. */
export function checks(
  work: WayWork,
  week: WayWeek,
  sections: ReadonlyMap<string, SectionLevel>,
): readonly Candidate[] {
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
export function goesWell(work: WayWork, week: WayWeek): readonly Candidate[] {
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
      inDay: 'well',
    },
  ];
}

/** Small tasks of a piece stand together as one; what is too small by itself and alone gets the least there is. */
export function gathered(candidates: readonly Candidate[]): readonly Candidate[] {
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
