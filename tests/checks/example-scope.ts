/**
 * What an example in a docstring may name besides the core itself: a score of eight bars, and builders of rows and
 * records with everything that the example is not about filled in.
 */
import { piece, section, standing, student } from '@/core/commands/stored-for-tests';
import { readScore } from '@/core/musicxml';
import { EIGHT_ON_A_PAGE } from '@/core/paper/paper-for-tests';
import { practised } from '@/core/plan/records-for-tests';
import type { Candidate } from '@/core/plan';
import type { AssignmentEvent, LessonEvent, Level, LevelEvent, Mark, Rung, StudioEvent } from '@/core/studio';
import { openAbc } from '@/core/studio';
import { scoreOfAbc } from '@/core/studio/abc-for-tests';

/** Eight bars in C: the second four are as the first but for their end. */
const EIGHT = 'C D E F | G A B c | c B A G | C4 | C D E F | G A B c | c B A F | G4 |]';
const headed = (music: string): string => `X:1\nM:4/4\nL:1/4\nQ:1/4=80\nK:C\n${music}`;
const time = (day: string): string => `${day}T15:00:00.000Z`;

const level = (day: string, sectionId: string, reached: Level): LevelEvent => ({
  id: `${sectionId} ${day}`,
  at: time(day),
  kind: 'level',
  studentId: 's',
  pieceId: 'p',
  sectionId,
  level: reached,
  proposed: null,
  tempo: null,
  note: '',
});
const lesson = (day: string): LessonEvent => ({
  id: `lesson ${day}`,
  at: time(day),
  kind: 'lesson',
  studentId: 's',
  minutes: 30,
});
const takenBack = (day: string, target: string): StudioEvent => ({
  id: `word ${day}`,
  at: time(day),
  kind: 'retract',
  target,
});
const given = (day: string, minutes: number): AssignmentEvent => ({
  id: `week ${day}`,
  at: time(day),
  kind: 'assignment',
  studentId: 's',
  lessonId: null,
  items: [
    {
      id: 'i',
      kind: 'own',
      pieceId: null,
      sectionId: null,
      what: 'bars 1–4',
      tempo: null,
      minutes,
      days: [0, 2, 4],
      timesADay: 1,
      by: '',
      cue: '',
      why: '',
    },
  ],
  leftOut: [],
  cue: '',
  minutesAvailable: 60,
});
const atHome = (day: string, minutes: number) => ({
  task: 7,
  day,
  minutes,
  times: 0,
  right: 0,
  row: 0,
  tempo: null,
  ticks: 0,
  steps: 0,
});
const finger = (noteId: string, digit: string): Mark => ({
  id: `finger~p~${noteId}~full~`,
  pieceId: 'p',
  kind: 'finger',
  noteId,
  finger: digit,
  source: 'teacher',
  studentId: null,
  updatedAt: time('2026-05-20'),
});
const rung = (kind: Rung['kind'], tempo: number | null = null): Rung => ({
  id: kind,
  key: kind,
  kind,
  what: kind,
  hands: '',
  tempo,
  tempoTo: null,
  times: 3,
  done: '',
  why: '',
  own: false,
});
const task = (key: string, minutes: number, days: number): Candidate => ({
  key,
  kind: 'own',
  pieceId: null,
  sectionId: null,
  what: key,
  tempo: null,
  minutes,
  days,
  timesADay: 1,
  by: '',
  why: '',
  weight: 1,
});

const opened = openAbc(headed(EIGHT), 'eight.abc');
if (!opened.ok) throw new Error('the eight bars cannot be read');
const read = readScore(opened.value.text, 'eight.musicxml');
if (!read.ok) throw new Error('the eight bars cannot be read');

/** A chunk of a way over bars of the eight, as it is proposed (`chunk`) and as it is walked. */
const walked = (id: string, from: number, to: number) => ({
  section: section(id, from, to, { kind: 'chunk', name: id }),
  from,
  to,
  inside: null,
  why: '',
  aside: null,
  deviates: false,
  chunk: {
    name: `bars ${from + 1}–${to + 1}`,
    kind: 'chunk' as const,
    from,
    to,
    fromOffset: '0',
    toOffset: '4',
    hand: 'all' as const,
    like: null,
  },
});

export const EXAMPLE_SCOPE = {
  score: scoreOfAbc(headed(EIGHT)),
  scoreOf: (music: string) => scoreOfAbc(headed(music)),
  /** The eight bars as a MusicXML text, and as it is read. */
  xml: opened.value.text,
  read: read.value,
  piece,
  section,
  student,
  standing,
  level,
  lesson,
  takenBack,
  given,
  practised,
  /** A day of a task at home with so many minutes, and a week that sends it back. */
  done: atHome,
  sent: (day: string, minutes: number) => ({ week: 1, device: 2, from: day, done: [atHome(day, minutes)], note: '' }),
  /** The week that was given on a day, as its sheet is asked for. */
  asked: (day: string) => ({
    student: student('s', { name: 'Ada' }),
    assignment: given(day, 10),
    pieces: new Map(),
    ladders: [],
    lessonDays: [],
    zone: 'UTC',
  }),
  finger,
  rung,
  task,
  walked,
  /** Eight bars in two lines on one page, `a`. */
  paper: EIGHT_ON_A_PAGE,
};
