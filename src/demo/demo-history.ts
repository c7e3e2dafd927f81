import { barDifficulties } from '@/core/difficulty';
import { startTempo } from '@/core/ladder';
import { askedFacets, proposeLevel } from '@/core/mastery';
import { fillTray } from '@/core/plan';
import { tempoAt, type Score } from '@/core/score';
import {
  dayAfter,
  dayOf,
  teachingFor,
  timeOn,
  weekdayOf,
  type Zone,
  type Assigned,
  type Facet,
  type Level,
  type Rung,
  type StudioEvent,
} from '@/core/studio';
import { ticks } from '@/core/units';
import type { DemoStudent } from './demo-students';

/** A piece as its history needs it. */
export interface PlayedPiece {
  readonly id: string;
  readonly title: string;
  readonly score: Score;
  readonly sections: readonly {
    readonly id: string;
    readonly letter: string;
    readonly from: number;
    readonly to: number;
    readonly rungs: readonly Rung[];
  }[];
}

/** Facets come in this order, each from about this level on. */
const FROM_LEVEL: Readonly<Record<Facet, number>> = {
  rhythm: 1.3,
  notes: 1.6,
  fingering: 1.9,
  joined: 2.8,
  articulation: 3.4,
  dynamics: 3.7,
  memory: 4.6,
};
const NOTES = [
  'count aloud again',
  'the join is still late',
  'much freer than last week',
  'fingers as marked, please',
  'sing it first',
  'lovely sound',
  'slower at the corner',
];
const SAID = [
  'We looked at the corners first. They hold at the slow tempo.',
  'Eyes on the page; the hands know the way.',
  'Two good runs from cold. Keep the count through the rests.',
  'A tired day; we kept to small chunks.',
  'Begin with the second section this week, then the first.',
];
/** Lessons after which a secure section is left to rest. */
const RESTS_AFTER = 2;

interface Working {
  readonly piece: PlayedPiece;
  readonly section: PlayedPiece['sections'][number];
  readonly hard: number;
  readonly start: number;
  readonly target: number;
  skill: number;
  climbed: number;
  secureFor: number;
  heldBefore: boolean;
}

/** Months of lessons and practice of one student, oldest first; the same for the same day and chance. */
export function historyOf(
  student: DemoStudent,
  pieces: ReadonlyMap<string, PlayedPiece>,
  { now, zone }: { readonly now: string; readonly zone: Zone },
  chance: () => number,
): StudioEvent[] {
  const events: StudioEvent[] = [];
  const weeks = Math.max(...student.pieces.map(([, ago]) => ago));
  const today = dayOf(now, zone);
  const at = (daysAgo: number, hour: number, minute: number): string =>
    timeOn(dayAfter(today, -daysAgo), `${hour + Math.floor(minute / 60)}:${minute % 60}`, zone);
  const work: (Working & { readonly begun: number })[] = student.pieces.flatMap(([pieceId, begun]) => {
    const piece = pieces.get(pieceId);
    if (!piece) return [];
    const difficulties = barDifficulties(piece.score);
    const target = Math.round(tempoAt(piece.score, ticks(0)));
    return piece.sections.map((section, i) => {
      const here = difficulties.slice(section.from, section.to + 1);
      return {
        piece,
        section,
        begun: begun - i,
        hard: here.reduce((sum, d) => sum + d.score, 0) / Math.max(1, here.length),
        start: startTempo(piece.score, section.from, section.to, target),
        target,
        skill: 0,
        climbed: 0,
        secureFor: 0,
        heldBefore: false,
      };
    });
  });
  const teaching = teachingFor(student.teaching);
  for (let week = weeks; week >= 0; week -= 1) {
    const daysAgo = week * 7 + student.lastLesson;
    // A missed lesson now and then.
    if (week > 0 && chance() < 0.07) continue;
    const lessonId = `${student.id}-l${week}`;
    const heard = work.filter((w) => w.begun >= week && w.secureFor <= RESTS_AFTER).slice(0, 4);
    if (heard.length === 0) continue;
    events.push({
      id: lessonId,
      at: at(daysAgo, 15, 0),
      kind: 'lesson',
      studentId: student.id,
      minutes: student.lesson,
    });
    heard.forEach((w, i) => {
      w.skill = Math.min(
        5.2,
        w.skill +
          Math.max(0.05, 0.8 * student.pace * (1.25 - w.hard / 9) * (0.5 + chance())) * (chance() < 0.08 ? -0.6 : 1),
      );
      const asked = askedFacets(w.piece.score, w.section.from, w.section.to, [], teaching);
      const facets: Partial<Record<Facet, boolean>> = {};
      for (const facet of asked) facets[facet] = w.skill >= FROM_LEVEL[facet];
      const reached = Math.round(w.start + (w.target - w.start) * Math.min(1, w.skill / 4));
      const proposed = proposeLevel({
        facets,
        tempo: w.skill >= 1 ? reached : null,
        target: w.target,
        asked,
        heldBefore: w.heldBefore,
      }).level;
      const overruled = chance() < 0.12;
      const level = Math.max(0, Math.min(5, proposed + (overruled ? (chance() < 0.6 ? -1 : 1) : 0))) as Level;
      events.push({
        id: `${w.section.id}-${student.id}-w${week}`,
        at: at(daysAgo, 15, 4 + i * 6),
        kind: 'level',
        studentId: student.id,
        pieceId: w.piece.id,
        sectionId: w.section.id,
        level,
        proposed,
        tempo: w.skill >= 1 ? reached : null,
        note: chance() < 0.25 ? (NOTES[Math.floor(chance() * NOTES.length)] ?? '') : '',
        facets,
        lessonId,
      });
      if (level >= 4) w.heldBefore = true;
      w.secureFor = level === 5 ? w.secureFor + 1 : 0;
      const upTo = Math.min(w.section.rungs.length, Math.floor((w.skill / 5) * w.section.rungs.length));
      for (; w.climbed < upTo; w.climbed += 1) {
        const rung = w.section.rungs[w.climbed];
        if (rung)
          events.push({
            id: `${rung.id}-${student.id}`,
            at: at(daysAgo, 15, 5 + i * 6),
            kind: 'rung',
            studentId: student.id,
            pieceId: w.piece.id,
            sectionId: w.section.id,
            rungId: rung.id,
            done: true,
          });
      }
    });
    if (chance() < 0.6)
      events.push({
        id: `${lessonId}-said`,
        at: at(daysAgo, 15, 27),
        kind: 'said',
        studentId: student.id,
        lessonId,
        text: SAID[Math.floor(chance() * SAID.length)] ?? '',
      });
    const tray = fillTray(
      heard.flatMap((w, i) => {
        const rung = w.section.rungs[Math.min(w.section.rungs.length - 1, w.climbed)];
        return rung
          ? [
              {
                key: `${lessonId}-${i}`,
                kind:
                  rung.kind === 'corner'
                    ? ('corner' as const)
                    : rung.kind === 'warm-up'
                      ? ('technique' as const)
                      : ('rung' as const),
                pieceId: w.piece.id,
                sectionId: w.section.id,
                what: `${w.piece.title}, ${w.section.letter}: ${rung.what}`,
                tempo: rung.tempo,
                minutes: Math.max(2, Math.min(10, Math.round(rung.minutes ?? 4))),
                days: 5 - i,
                timesADay: rung.kind === 'tempo' ? 1 : Math.min(6, rung.times),
                by: i === 0 ? ('midweek' as const) : ('lesson' as const),
                why: rung.why,
                weight: 10 - i,
              },
            ]
          : [];
      }),
      student.minutes,
    );
    const items: Assigned[] = tray.items.map((t) => ({
      id: t.key,
      kind: t.kind,
      pieceId: t.pieceId,
      sectionId: t.sectionId,
      what: t.what,
      tempo: t.tempo,
      minutes: t.minutes,
      days: [...t.on],
      timesADay: t.timesADay,
      by: t.by,
      cue: '',
      why: t.why,
    }));
    events.push({
      id: `${lessonId}-given`,
      at: at(daysAgo, 15, 28),
      kind: 'assignment',
      studentId: student.id,
      lessonId,
      items,
      leftOut: tray.leftOut.map((l) => ({ what: l.what, minutes: l.minutes })),
      cue: '',
      minutesAvailable: student.minutes.reduce((a, b) => a + b, 0),
    });
    // The days until the next lesson, as far as they have come.
    for (let ahead = 1; ahead <= 6; ahead += 1) {
      const ago = daysAgo - ahead;
      if (ago < 0) break;
      const day = dayAfter(today, -ago);
      const weekday = weekdayOf(day);
      items.forEach((item, i) => {
        if (!item.days.includes(weekday) || chance() > student.diligence || item.pieceId === null) return;
        events.push({
          id: `${lessonId}-p${ahead}-${i}`,
          at: at(ago, 17, i * 10),
          kind: 'practice',
          studentId: student.id,
          pieceId: item.pieceId,
          sectionId: item.sectionId,
          day,
          minutes: Math.max(1, Math.round(item.minutes * (0.6 + chance() * 0.7))),
          times: item.timesADay,
          tempo: item.tempo,
          note: '',
        });
      });
    }
  }
  return events;
}
