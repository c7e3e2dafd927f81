import { askedFacets, proposeLevel } from '@/core/mastery';
import type { Facet, Level, LevelEvent, RungEvent, StudioEvent, Teaching } from '@/core/studio';
import type { DemoStudent } from './demo-students';
import type { SectionAtWork } from './demo-work';

/** A lesson of the demo while it is made up. */
export interface DemoLesson {
  readonly id: string;
  readonly student: DemoStudent;
  readonly teaching: Teaching;
  /** The time so many minutes into the hour of the lesson. */
  readonly at: (minute: number) => string;
  readonly chance: () => number;
  /** Weeks before today's. */
  readonly week: number;
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

const drawn = (list: readonly string[], chance: () => number): string => list[Math.floor(chance() * list.length)] ?? '';

/** Since the lesson before: quicker where it is easy, now and then a step back. */
function grow(w: SectionAtWork, pace: number, chance: () => number): void {
  const step = Math.max(0.05, 0.8 * pace * (1.25 - w.hard / 9) * (0.5 + chance()));
  w.skill = Math.min(5.2, w.skill + step * (chance() < 0.08 ? -0.6 : 1));
}

function levelHeard(lesson: DemoLesson, w: SectionAtWork, minute: number): LevelEvent {
  const { chance } = lesson;
  const asked = askedFacets(w.piece.score, w.section.from, w.section.to, [], lesson.teaching);
  const facets: Partial<Record<Facet, boolean>> = {};
  for (const facet of asked) facets[facet] = w.skill >= FROM_LEVEL[facet];
  const tempo = w.skill >= 1 ? Math.round(w.start + (w.target - w.start) * Math.min(1, w.skill / 4)) : null;
  const proposed = proposeLevel({ facets, tempo, target: w.target, asked, heldBefore: w.heldBefore }).level;
  // Now and then the teacher says otherwise.
  const otherwise = chance() < 0.12 ? (chance() < 0.6 ? -1 : 1) : 0;
  return {
    id: `${w.section.id}-${lesson.student.id}-w${lesson.week}`,
    at: lesson.at(minute),
    kind: 'level',
    studentId: lesson.student.id,
    pieceId: w.piece.id,
    sectionId: w.section.id,
    level: Math.max(0, Math.min(5, proposed + otherwise)) as Level,
    proposed,
    tempo,
    note: chance() < 0.25 ? drawn(NOTES, chance) : '',
    facets,
    lessonId: lesson.id,
  };
}

/** Ticks of the rungs that were climbed since the lesson before. */
function rungsClimbed(lesson: DemoLesson, w: SectionAtWork, minute: number): RungEvent[] {
  const { rungs } = w.section;
  const upTo = Math.max(w.climbed, Math.min(rungs.length, Math.floor((w.skill / 5) * rungs.length)));
  const climbed = rungs.slice(w.climbed, upTo);
  w.climbed = upTo;
  return climbed.map((rung) => ({
    id: `${rung.id}-${lesson.student.id}`,
    at: lesson.at(minute),
    kind: 'rung',
    studentId: lesson.student.id,
    pieceId: w.piece.id,
    sectionId: w.section.id,
    rungId: rung.id,
    done: true,
  }));
}

/** What was heard and said in a lesson; the sections come further by it. */
export function lessonRecords(lesson: DemoLesson, heard: readonly SectionAtWork[]): StudioEvent[] {
  const { student, chance } = lesson;
  const events: StudioEvent[] = [
    { id: lesson.id, at: lesson.at(0), kind: 'lesson', studentId: student.id, minutes: student.lesson },
  ];
  heard.forEach((w, i) => {
    grow(w, student.pace, chance);
    const level = levelHeard(lesson, w, 4 + i * 6);
    if (level.level >= 4) w.heldBefore = true;
    w.secureFor = level.level === 5 ? w.secureFor + 1 : 0;
    events.push(level, ...rungsClimbed(lesson, w, 5 + i * 6));
  });
  if (chance() < 0.6)
    events.push({
      id: `${lesson.id}-said`,
      at: lesson.at(27),
      kind: 'said',
      studentId: student.id,
      lessonId: lesson.id,
      text: drawn(SAID, chance),
    });
  return events;
}
