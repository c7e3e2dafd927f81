import { playedBy } from '@/core/players';
import { onlyBars } from '@/core/score';
import { taskKey, tasksAbout, weekKey, type SheetPiece, type SheetStudio, type TaskAbout } from '@/core/sheet';
import { playerFor } from '@/core/studio';
import type { Words } from '@/core/words';
import type { SeenMarks } from '@/marked';
import { homeStepOf, type AboutTask, type TaskContext } from '@/room';
import type { DrawnExcerpt, DrawnSheet } from '@/sheet';
import { inBase64 } from './base64';
import type { HomeMusic, HomeTask, HomeWeek } from './home-week';

/** Everything that a file for home is made from. */
export interface HomeFileRequest {
  /** What stands in place of the student's first name. */
  readonly name?: string;
  readonly studio: SheetStudio;
  readonly sheet: DrawnSheet;
  /** Ids of rungs that are done. */
  readonly rungsDone: ReadonlySet<string>;
  readonly words: Words;
  /** a′ in hertz. */
  readonly a4: number;
  /** Recordings of the piano by key; empty where its notes are made. */
  readonly piano: ReadonlyMap<number, Uint8Array>;
}

/** Only the first word of a name leaves the studio. */
const firstName = (name: string): string => name.trim().split(/\s+/)[0] ?? name;

const only = <V>(map: ReadonlyMap<string, V>, ids: ReadonlySet<string>): ReadonlyMap<string, V> =>
  new Map([...map].filter(([id]) => ids.has(id)));

/** The marks at some bars, and at no others. */
function seenHere({ played, seen }: DrawnExcerpt, [from, to]: readonly [number, number]): SeenMarks {
  const here = [...played.notes, ...played.rests].filter((n) => n.bar >= from && n.bar <= to);
  const ids = new Set(here.map((n) => n.id));
  const bars = new Set(played.bars.slice(from, to + 1).map((b) => b.id));
  const texts = <T extends { readonly noteId: string }>(list: readonly T[]): readonly T[] =>
    list.filter((t) => ids.has(t.noteId));
  return {
    ...seen,
    fingers: only(seen.fingers, ids),
    words: only(seen.words, ids),
    level: texts(seen.level),
    breath: texts(seen.breath),
    cue: texts(seen.cue),
    pencil: seen.pencil.filter((m) => bars.has(m.barId)),
  };
}

function contextOf({ studio }: HomeFileRequest, { piece, score, places }: SheetPiece, about: TaskAbout): TaskContext {
  const player = playerFor(score, piece, studio.student);
  const { student } = studio;
  return { piece, student, score, player, played: playedBy(score, player), places, place: about.place };
}

/** The steps of a task: its rungs one after the other, or one of the whole where it names none. */
function stepsOf(request: HomeFileRequest, about: TaskAbout, whole: readonly [number, number]): HomeTask['steps'] {
  const { of, item, rungs } = about;
  if (!of || !about.place) return [];
  const { student, settings, marks, assignment } = request.studio;
  const of_: Omit<AboutTask, 'about'> = {
    student,
    item,
    cue: assignment.cue,
    context: contextOf(request, of, about),
    marks: marks.filter((m) => m.pieceId === of.piece.id),
    settings,
  };
  return rungs.length === 0
    ? [homeStepOf({ ...of_, about: null }, whole)]
    : rungs.map((rung, i) => homeStepOf({ ...of_, about: { rung, step: i + 1, of: rungs.length } }, whole));
}

/** Pieces by a number of their own: no id of the studio goes home. */
const musicKeys = ({ sheet: { pieces } }: HomeFileRequest): ReadonlyMap<string, string> =>
  new Map([...pieces.keys()].map((id, i) => [id, String(i)]));

/** The music of each piece, only with the bars that are printed. */
function musicOf(request: HomeFileRequest): ReadonlyMap<string, HomeMusic> {
  const { sheet, studio } = request;
  const { pieces } = sheet;
  const keys = musicKeys(request);
  return new Map(
    [...pieces].flatMap(([id, { piece, score }]) => {
      const printed = sheet.week.excerpts.filter((e) => e.pieceId === id);
      if (printed.length === 0) return [];
      const player = playerFor(score, piece, studio.student);
      const inPrint = (bar: number): boolean => printed.some((e) => bar >= e.from && bar <= e.to);
      const music = { score: onlyBars(score, inPrint), player, instrument: player.instrument ?? piece.instrument };
      return [[keys.get(id) ?? id, music] as const];
    }),
  );
}

function taskOf(request: HomeFileRequest, about: TaskAbout, index: number): HomeTask {
  const { sheet, rungsDone } = request;
  const printed = sheet.week.tasks[index];
  const excerpt = sheet.week.excerpts.find((e) => e.key === printed?.excerpt?.key) ?? null;
  const drawn = excerpt ? sheet.music.get(excerpt.key) : undefined;
  const whole: readonly [number, number] | null = excerpt ? [excerpt.from, excerpt.to] : null;
  const firstOpen = about.rungs.findIndex((r) => !rungsDone.has(r.id));
  return {
    key: taskKey(about.item.id),
    number: index + 1,
    title: printed?.title ?? about.item.what,
    cue: about.item.cue,
    days: about.item.days,
    boxes: printed?.boxes ?? 1,
    minutes: about.item.minutes,
    music: whole && about.of ? (musicKeys(request).get(about.of.piece.id) ?? null) : null,
    excerpt: drawn && excerpt ? String(sheet.week.excerpts.indexOf(excerpt)) : null,
    seen: drawn && whole ? seenHere(drawn, whole) : null,
    steps: whole ? stepsOf(request, about, whole) : [],
    before: firstOpen < 0 ? about.rungs.length : firstOpen,
  };
}

/** What the file for home knows of a week: this student's first name and this week's work, and nothing else. */
export function makeHomeWeek(request: HomeFileRequest): HomeWeek {
  const { studio, sheet, words, a4 } = request;
  const { student, assignment } = studio;
  const { week, pieces } = sheet;
  return {
    student: request.name ?? firstName(student.name),
    key: weekKey(assignment),
    from: week.from,
    week: week.week,
    cue: week.cue,
    minutesPerDay: student.minutesPerDay,
    words,
    cautions: week.cautions,
    tasks: tasksAbout({ ...studio, pieces }).map((about, i) => taskOf(request, about, i)),
    music: musicOf(request),
    a4,
    piano: new Map([...request.piano].map(([key, bytes]) => [key, inBase64(bytes)])),
  };
}
