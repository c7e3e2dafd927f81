import { writeFileSync } from 'node:fs';
import { writeExcerpt } from '../src/core/musicxml';
import { fail, ok, type Result } from '../src/core/result';
import {
  openPiece,
  titleOf,
  type Mark,
  type OpenedPiece,
  type Piece,
  type Section,
  type Student,
} from '../src/core/studio';
import { WRITTEN_WORDS } from '../src/core/words';
import { homePage, makeHomeWeek } from '../src/home-file';
import type { SheetStudio } from '../src/core/sheet';
import { drawWeek, type SheetHands } from '../src/sheet';
import { barRange } from './bar-range';
import { startEngraver } from './engraver';
import { homeProgram } from './home-program';
import { readMarks, type MarkOfFile } from './marks-file';
import type { OptionValues } from './options';
import { aboutPlayer, chosenPlayer, type ChosenPlayer } from './player';

/** More bars are no sheet for home. */
const MOST_BARS = 200;
const MINUTES = 10;
const EVERY_DAY = [0, 1, 2, 3, 4, 5, 6];

/** Marks of a file as a teacher's; what is not drawn at notes is left out. */
function marksOf(marks: readonly MarkOfFile[], now: string): readonly Mark[] {
  return marks.flatMap((mark, i): Mark[] => {
    const base = { id: `mark-${i}`, pieceId: 'piece', studentId: null, source: 'teacher' as const, updatedAt: now };
    switch (mark.kind) {
      case 'finger':
      case 'bow':
      case 'wedge':
      case 'cue':
        return [{ ...base, ...mark }];
      case 'breath':
        return [{ ...base, ...mark, catch: mark.catch ?? false }];
      case 'words':
        return [{ ...base, kind: 'cue', noteId: mark.noteId, text: mark.text }];
      case 'dynamic':
        return [{ ...base, ...mark } as Mark];
      case 'string':
      case 'rehearsal':
        return [];
    }
  });
}

const pieceOf = (opened: OpenedPiece, file: string, chosen: ChosenPlayer, now: string): Piece => ({
  id: 'piece',
  title: titleOf(opened.read.score) || file.replace(/^.*[\\/]/, ''),
  composer: opened.read.score.composer,
  format: opened.format,
  fileName: file,
  source: opened.text,
  encoding: opened.encoding,
  bom: opened.bom,
  original: null,
  instrument: chosen.player.instrument ?? 'other',
  player: chosen.player,
  targetTempo: null,
  addedAt: now,
  updatedAt: now,
});

const STUDENT: Omit<Student, 'instrument' | 'updatedAt' | 'density'> = {
  id: 'student',
  name: '',
  age: '',
  handSpanInSemitones: null,
  breathSpanInSeconds: null,
  minutesPerDay: EVERY_DAY.map(() => MINUTES),
  level: 'intermediate',
  order: 0,
};

/** A studio of one piece, in which some of its bars were given for a week. */
function studioOf(
  piece: Piece,
  bars: Pick<Section, 'fromBar' | 'toBar'>,
  marks: readonly Mark[],
  now: string,
): SheetStudio {
  const section: Section = {
    ...bars,
    id: 'bars',
    pieceId: piece.id,
    name: '',
    letter: '',
    fromOffset: '0',
    toOffset: null,
    parentId: null,
    likeId: null,
    hand: 'all',
    order: 0,
    updatedAt: now,
  };
  return {
    student: { ...STUDENT, instrument: piece.instrument, density: 'every', updatedAt: now },
    assignment: {
      id: 'week',
      at: now,
      kind: 'assignment',
      studentId: STUDENT.id,
      lessonId: null,
      items: [
        {
          id: 'task',
          kind: 'own',
          pieceId: piece.id,
          sectionId: section.id,
          what: `${piece.title}: three times right in a row`,
          tempo: null,
          minutes: MINUTES,
          days: EVERY_DAY,
          timesADay: 1,
          by: 'lesson',
          cue: '',
          why: '',
        },
      ],
      leftOut: [],
      cue: '',
      minutesAvailable: MINUTES * EVERY_DAY.length,
    },
    lessonDays: [],
    pieces: [piece],
    places: [section],
    ladders: [],
    marks,
    settings: null,
    zone: 'UTC',
  };
}

/** Reads one piece and draws it. */
async function handsFor(opened: OpenedPiece): Promise<SheetHands> {
  const engrave = await startEngraver();
  return {
    scoreOf: async () => ok(opened.read.score),
    engrave: async (_, request, options) => engrave(writeExcerpt(opened.text, opened.read, request), options),
  };
}

/** Writes the playing sheet of some bars. Codes: `bad-option`, `bad-marks`, `no-such-bars`, `too-many-bars`. */
export async function sheetVerb(bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> {
  const out = options['out'];
  if (out === undefined) return fail('bad-option', 'sheet needs -o OUT.html.');
  const range = barRange(options['bars'] ?? '');
  if (options['bars'] !== undefined && range === null)
    return fail(
      'bad-option',
      `--bars takes a bar or a range such as 0-7, counted from 0; "${options['bars']}" is neither.`,
    );
  const marks = readMarks(options['marks']);
  if (!marks.ok) return marks;
  const opened = await openPiece(bytes, file, options['score']);
  if (!opened.ok) return opened;
  const { score } = opened.value.read;
  const chosen = chosenPlayer(score, file, options);
  if (!chosen.ok) return chosen;
  const [first, last] = range ?? [0, score.bars.length - 1];
  const from = score.bars[first];
  const to = score.bars[Math.min(last, score.bars.length - 1)];
  if (!from || !to)
    return fail('no-such-bars', `${file} has ${score.bars.length} bars, from 0 to ${score.bars.length - 1}.`, { file });
  if (to.index - from.index >= MOST_BARS)
    return fail('too-many-bars', `A sheet holds up to ${MOST_BARS} bars; choose some with --bars.`, { file });
  const now = new Date().toISOString();
  const piece = pieceOf(opened.value, file, chosen.value, now);
  const studio = studioOf(piece, { fromBar: from.id, toBar: to.id }, marksOf(marks.value, now), now);
  const fingers = options['blank'] === undefined ? 'chosen' : 'boxes';
  const sheet = await drawWeek(studio, { paper: 'a4', size: 'normal', fingers }, await handsFor(opened.value), true);
  const [problem] = sheet.failed.values();
  if (problem !== undefined) return fail('engrave-failed', `${file}: ${problem}`, { file });
  const home = makeHomeWeek({
    studio,
    sheet,
    name: piece.title,
    rungsDone: new Set(),
    words: WRITTEN_WORDS,
    a4: 440,
    piano: new Map(),
  });
  const page = await homePage(home, sheet, await homeProgram());
  try {
    writeFileSync(out, page);
  } catch {
    return fail('cannot-write', `${out} cannot be written; check the folder.`, { file: out });
  }
  return ok({
    written: out,
    bytes: Buffer.byteLength(page),
    bars: [from.index, to.index],
    ...aboutPlayer(chosen.value),
  });
}
