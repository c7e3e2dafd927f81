import { fileOf, nearestRecorded, VOICE_OF } from '@/audio';
import { playedBy, soundingScore } from '@/core/players';
import { fail, ok, type Result } from '@/core/result';
import { playerFor, type Student } from '@/core/studio';
import type { Words } from '@/core/words';
import { familyIn } from '@/room';
import type { SheetStudio } from '@/core/sheet';
import { drawWeek, type DrawnSheet, type SheetChoices } from '@/sheet';
import type { SheetRows, StudioAccess } from '@/store';
import { handsOf } from './use-drawn-week';

/** Bytes of a recording that are taken along: its first seconds. */
const PORTION = 70_000;
/** All recordings of a file together. */
const MOST_PIANO = 1_900_000;

async function textOf(address: string): Promise<string> {
  const answer = await fetch(address);
  if (!answer.ok) throw new Error(`${address} cannot be loaded (${answer.status}).`);
  return answer.text();
}

/** Recorded keys near the notes that a piano plays in the week. */
function pianoKeys({ week, pieces }: DrawnSheet, student: Student): readonly number[] {
  const keys = week.excerpts.flatMap((e) => {
    const of = pieces.get(e.pieceId);
    if (!of) return [];
    const { score, piece } = of;
    const player = playerFor(score, piece, student);
    const familyOf = familyIn({
      score,
      played: playedBy(score, player),
      instrument: player.instrument ?? piece.instrument,
    });
    const isStruck = (part: string): boolean => VOICE_OF[familyOf(part)] === 'struck';
    return soundingScore(score).notes.flatMap((n) =>
      n.midi !== null && n.bar >= e.from && n.bar <= e.to && isStruck(n.part) ? [nearestRecorded(n.midi)] : [],
    );
  });
  return [...new Set(keys)].sort((a, b) => a - b);
}

/** The first seconds of each recording; where they are too many, of every second key. */
async function recordings(sheet: DrawnSheet, student: Student): Promise<ReadonlyMap<number, Uint8Array>> {
  const all = pianoKeys(sheet, student);
  const keys = all.length * PORTION > MOST_PIANO ? all.filter((_, i) => i % 2 === 0) : all;
  const found = new Map<number, Uint8Array>();
  for (const key of keys) {
    const answer = await fetch(`/piano/${fileOf(key)}`);
    if (!answer.ok) throw new Error(`The piano cannot be loaded (${answer.status}).`);
    found.set(key, new Uint8Array(await answer.arrayBuffer()).slice(0, PORTION));
  }
  return found;
}

export interface HomeFileFor {
  readonly rows: SheetRows;
  readonly choices: SheetChoices;
  readonly words: Words;
  readonly a4: number;
  /** The real piano goes with it. */
  readonly withPiano: boolean;
}

/** A file, and what it is called. */
export interface MadeFile {
  readonly name: string;
  readonly text: string;
}

/** `Nils, week of 24 November.html`. */
export const homeFileName = ({ student, week }: Pick<DrawnSheet['week'], 'student' | 'week'>): string =>
  `${student}, ${week}.html`.replace(/[\\/:*?"<>|]/g, ' ');

/** Makes the file for home of one student. */
export async function homeFileFor(
  studio: StudioAccess,
  { rows, choices, words, a4, withPiano }: HomeFileFor,
): Promise<Result<MadeFile>> {
  if (!rows.assignment) return fail('no-week', `No week is given to ${rows.student.name} yet.`);
  const about: SheetStudio = { ...rows, assignment: rows.assignment };
  const sheet = await drawWeek(about, choices, handsOf(studio), true);
  const { homePage, makeHomeWeek } = await import('@/home-file');
  const home = makeHomeWeek({
    studio: about,
    sheet,
    rungsDone: rows.rungsDone,
    words,
    a4,
    piano: withPiano ? await recordings(sheet, rows.student) : new Map(),
  });
  const program = { script: await textOf('/home-file/program.js'), style: await textOf('/home-file/look.css') };
  const text = await homePage(home, sheet, program);
  return ok({ name: homeFileName({ student: home.student, week: home.week }), text });
}
