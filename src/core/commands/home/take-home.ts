import { currentAssignment, foldEvents, heldEvents, standingKey } from '../../mastery';
import { inOrderOfDay, taskRungs } from '../../plan';
import { fail, ok, type Result } from '../../result';
import {
  boxesADay,
  homeRecordPlace,
  inOrder,
  moreOf,
  taskKey,
  weekKey,
  weekName,
  type DoneAtHome,
  type SentBack,
} from '../../sheet';
import {
  clampText,
  dayAfter,
  dayOf,
  ladderFor,
  ladderPlayer,
  MOST,
  type Assigned,
  type AssignmentEvent,
  type Ladder,
  type Piece,
  type PracticeEvent,
  type Student,
  type StudioEvent,
} from '../../studio';
import { command, rowOf, type Moment, type Outcome } from '../command';
import { gone } from '../refusals';
import { tenths } from '../lesson/log-practice';

export interface TakeHome {
  readonly studentId: string;
  readonly sent: SentBack;
  /** Pieces of the week, and the ladders that its tasks may name. */
  readonly pieceIds: readonly string[];
  readonly ladderIds: readonly string[];
}

/** What all records of one task, day and device begin with. */
const placeId = ({ week, device }: SentBack, { task, day }: DoneAtHome): string =>
  homeRecordPlace({ week, device, day, task });

/** Minutes that were measured: the first figure of an id; a record may stand for more where boxes were ticked. */
const measured = ({ id }: PracticeEvent): number => Number(/~(\d+)-[^~]*$/.exec(id)?.[1] ?? 0);

/** What was kept of a place before, as it came from home. */
const asDone = ({ task, day, steps }: DoneAtHome, log: PracticeEvent): DoneAtHome => ({
  task,
  day,
  minutes: measured(log),
  times: log.times,
  right: log.right ?? 0,
  row: log.row ?? 0,
  tempo: log.tempo,
  ticks: log.ticks ?? 0,
  steps,
});

interface About {
  readonly student: Student;
  readonly assignment: AssignmentEvent;
  readonly pieces: readonly Piece[];
  readonly ladders: readonly Ladder[];
  readonly stored: readonly StudioEvent[];
  /** Of those, what was not taken back. */
  readonly held: readonly StudioEvent[];
  readonly sent: SentBack;
  readonly moment: Moment;
}

/** Nothing can be right more often than it was played. */
const possible = (d: DoneAtHome): DoneAtHome => {
  const right = Math.min(d.right, d.times);
  return { ...d, right, row: Math.min(d.row, right) };
};

/** Minutes that a day of a task stands for where only its boxes were ticked. */
function minutesOf({ minutes, ticks }: DoneAtHome, item: Assigned): number {
  if (minutes > 0) return minutes;
  const boxes = boxesADay(item);
  return tenths((item.minutes * Math.min(ticks, boxes)) / boxes);
}

const isSame = (a: DoneAtHome, b: DoneAtHome): boolean =>
  a.minutes === b.minutes &&
  a.times === b.times &&
  a.right === b.right &&
  a.row === b.row &&
  a.tempo === b.tempo &&
  a.ticks === b.ticks;

/** An id that follows from what is kept: two studios that take in the same come to the same record. */
function recordId({ stored, sent, moment }: About, all: DoneAtHome): string {
  const id = `${placeId(sent, all)}${[all.minutes, all.times, all.right, all.row, all.tempo ?? 0, all.ticks].join('-')}`;
  // It was there once and was taken back.
  return stored.some((e) => e.id === id) ? `${id}-${moment.newId()}` : id;
}

/** The record of one day of a task, and those that it stands for now; none where nothing is new. */
function practiceOfDay(about: About, item: Assigned, done: DoneAtHome, note: string): readonly StudioEvent[] {
  const { student, held, sent, moment } = about;
  const place = placeId(sent, done);
  const before = held.filter((e): e is PracticeEvent => e.kind === 'practice' && e.id.startsWith(place));
  const all = before.reduce((sum, log) => moreOf(sum, asDone(done, log)), done);
  const [only] = before;
  const words = note === '' ? (before.find((log) => log.note !== '')?.note ?? '') : clampText(note, MOST.note);
  if (only && before.length === 1 && isSame(asDone(done, only), all) && only.note === words) return [];
  return [
    ...before.map((log) => ({ id: moment.newId(), at: moment.now, kind: 'retract' as const, target: log.id })),
    {
      id: recordId(about, all),
      at: moment.now,
      kind: 'practice',
      studentId: student.id,
      pieceId: item.pieceId,
      sectionId: item.sectionId,
      // A clock that is ahead by some hours is not in tomorrow.
      day: [all.day, dayOf(moment.now, moment.zone)].sort()[0] ?? all.day,
      minutes: minutesOf(all, item),
      times: all.times,
      ...(all.times > 0 ? { right: all.right, row: all.row } : {}),
      ...(all.ticks > 0 ? { ticks: all.ticks } : {}),
      tempo: all.tempo,
      note: words,
    },
  ];
}

/** Ticks for the steps of a task that are done, as far as they are not ticked yet. */
function ticksOf(about: About, item: Assigned, steps: number): readonly StudioEvent[] {
  const { student, pieces, ladders, held, moment } = about;
  const { pieceId, sectionId } = item;
  const piece = pieceId === null ? null : rowOf(pieces, pieceId);
  if (!piece || sectionId === null || steps === 0) return [];
  const ladder = ladderFor(ladders, sectionId, ladderPlayer(piece, student), student.id);
  const ticked = foldEvents([...held]).rungsDone.get(standingKey(student.id, sectionId))?.ids ?? new Set<string>();
  return taskRungs(item.what, ladder?.rungs ?? [])
    .slice(0, steps)
    .filter((rung) => !ticked.has(rung.id))
    .map((rung) => ({
      id: moment.newId(),
      at: moment.now,
      kind: 'rung',
      studentId: student.id,
      pieceId: piece.id,
      sectionId,
      rungId: rung.id,
      done: true,
    }));
}

const tasksIn = (done: readonly DoneAtHome[]): number => new Set(done.map((d) => d.task)).size;

/** What is said of it once it is stored. */
function saysOf({ name }: Student, known: readonly DoneAtHome[], unknown: number): string {
  const minutes = known.reduce((sum, d) => sum + d.minutes, 0);
  const days = new Set(known.map((d) => d.day)).size;
  const left =
    unknown === 0
      ? ''
      : ` ${unknown === 1 ? 'One of its tasks is' : `${unknown} of its tasks are`} not in the week any more.`;
  return `${name}, at home: ${minutes} ${minutes === 1 ? 'minute' : 'minutes'} on ${days} ${days === 1 ? 'day' : 'days'}.${left}`;
}

/** Why there is nothing to keep. */
function nothingNew({ student: { name }, sent }: About, known: readonly DoneAtHome[]): Result<Outcome> {
  const note = sent.note.trim();
  if (sent.done.length === 0)
    return fail(
      'nothing-done',
      note === ''
        ? `${name} has sent an empty week. Nothing was changed.`
        : `${name} has practised nothing, and writes: “${note}”`,
    );
  return known.length === 0
    ? fail('tasks-gone', `What ${name} did is not in the week any more. Nothing was changed.`)
    : fail('kept-already', `This of ${name} was taken in already. Nothing was changed.`);
}

function outcomeOf(about: About): Result<Outcome> {
  const { student, assignment, sent, moment } = about;
  const items = inOrderOfDay(assignment.items);
  const itemOf = (task: number): Assigned | null => items.find((i) => taskKey(i.id) === task) ?? null;
  const known = inOrder(sent.done.map(possible)).filter((d) => itemOf(d.task) !== null);
  const tomorrow = dayAfter(dayOf(moment.now, moment.zone), 1);
  if (known.some((d) => d.day > tomorrow))
    return fail('not-yet', 'It speaks of days that are still to come: the clock of that device is wrong.');
  // The words of the week stand at its first day, which stays the first.
  const [first] = known;
  const logs = known.flatMap((d) => {
    const item = itemOf(d.task);
    return item ? practiceOfDay(about, item, d, d === first ? sent.note.trim() : '') : [];
  });
  const ticks = items.flatMap((item) => {
    const steps = Math.max(0, ...known.filter((d) => d.task === taskKey(item.id)).map((d) => d.steps));
    return ticksOf(about, item, steps);
  });
  if (logs.length + ticks.length === 0) return nothingNew(about, known);
  return ok({
    label: `at home, ${student.name}`,
    records: [...logs, ...ticks],
    says: saysOf(student, known, tasksIn(sent.done) - tasksIn(known)),
  });
}

/** It is of a week that is not in hand any more. */
function olderWeek(
  events: readonly StudioEvent[],
  { name }: Student,
  { week }: SentBack,
  { zone }: Moment,
): Result<Outcome> {
  const older = events.find((e) => e.kind === 'assignment' && weekKey(e) === week);
  return fail(
    'older-week',
    older
      ? `This is of the ${weekName(dayOf(older.at, zone))}, and ${name} was given another since. Nothing was changed.`
      : `This is of a week that ${name} was never given. Nothing was changed.`,
  );
}

/**
 * Takes in what came back from home: practice of each day and task, and the steps that are done. Once is enough: what
 * is there already changes nothing, and of a day that has grown since, only what is more counts.
 */
export const takeHome = command({
  asks: ({ studentId, pieceIds, ladderIds }: TakeHome) => ({
    students: { ids: [studentId] },
    pieces: { ids: pieceIds },
    ladders: { ids: ladderIds },
    events: { studentId, kinds: ['assignment', 'practice', 'rung'] },
  }),
  run: (stored, { sent }: TakeHome, moment) => {
    const [student] = stored.students;
    if (!student) return gone('student');
    const assignment = currentAssignment(stored.events);
    if (!assignment || weekKey(assignment) !== sent.week) return olderWeek(stored.events, student, sent, moment);
    return outcomeOf({
      student,
      assignment,
      pieces: stored.pieces,
      ladders: stored.ladders,
      stored: stored.events,
      held: heldEvents(stored.events),
      sent,
      moment,
    });
  },
});
