import { expose } from 'comlink';
import { scoreToMidi } from '@/core/midi';
import {
  partDocument,
  readFirstBars,
  REMEMBERED_FIELD,
  writeExcerpt,
  writeMarks,
  type ReadScore,
} from '@/core/musicxml';
import { playerChoices, soundingScore, usualChoice, type PlayerChoice } from '@/core/players';
import { ok, type Result } from '@/core/result';
import type { Score } from '@/core/score';
import { openAbc, openEdition, openGrid, openPiece, readKept, titleOf, type OpenedPiece } from '@/core/studio';
import { loadedPieces } from './loaded-pieces';
import type { Brought, LoadedPiece, OpenedFile, ReadingWorkerApi } from './protocol';

/** Bars of a file that are drawn before the rest is read: about as much as fits a line. */
const FIRST_BARS = 3;

const pieces = loadedPieces();
/** What was opened last: it is asked for again at once, under the key of its new piece. */
let latest: { readonly source: string; readonly read: ReadScore } | null = null;

/** A piece as it was read before, or just now when it was opened. */
function readOf(loaded: LoadedPiece): Result<ReadScore> {
  if (latest?.source === loaded.piece.source && loaded.piece.kept === undefined) {
    pieces.keep(loaded.key, latest.read);
    latest = null;
  }
  return pieces.readOf(loaded);
}

function opening(brought: Brought): Promise<Result<OpenedPiece>> {
  switch (brought.kind) {
    case 'file':
      return openPiece(brought.bytes, brought.fileName, brought.score);
    case 'abc':
      return Promise.resolve(openAbc(brought.text, brought.fileName));
    case 'grid':
      return Promise.resolve(openGrid(brought.grid, brought.fileName));
  }
}

/** Whose part it may be, the usual one first. */
function usualFirst(score: Score): readonly PlayerChoice[] {
  const usual = usualChoice(score);
  const choices = playerChoices(score);
  return usual === null ? choices : [usual, ...choices.filter((c) => c.key !== usual.key)];
}

function asFile({ read, ...rest }: OpenedPiece): OpenedFile {
  const { score } = read;
  return {
    ...rest,
    title: titleOf(score),
    composer: score.composer,
    players: usualFirst(score),
    warnings: score.warnings.length,
    notes: score.warnings.map(({ code, message }) => ({ code, message })),
    remembered: read.miscellaneous[REMEMBERED_FIELD] ?? null,
  };
}

const asked = <T>(loaded: LoadedPiece, answer: (read: ReadScore) => T): Promise<Result<T>> => {
  const read = readOf(loaded);
  return Promise.resolve(read.ok ? ok(answer(read.value)) : read);
};

const api: ReadingWorkerApi = {
  async open(brought) {
    const opened = await opening(brought);
    if (!opened.ok) return opened;
    latest = { source: opened.value.text, read: opened.value.read };
    return ok(asFile(opened.value));
  },
  firstBars: ({ bytes, fileName }) => {
    const first = readFirstBars(bytes, fileName, FIRST_BARS);
    if (!first) return Promise.resolve(ok(null));
    const { score } = first.read;
    const usual = usualChoice(score)?.player.parts ?? [];
    const parts = usual.length > 0 && score.parts.length > usual.length ? { parts: usual } : {};
    return Promise.resolve(ok(writeExcerpt(first.text, first.read, { from: 0, to: score.bars.length - 1, ...parts })));
  },
  async edition(before, brought) {
    const earlier = readKept(before);
    if (!earlier.ok) return earlier;
    const opened = await opening(brought);
    if (!opened.ok) return opened;
    const { kept, match, newBars, opened: later } = openEdition(earlier.value, before.kept, opened.value);
    const lost = new Set(match.lostBars);
    return ok({
      opened: asFile(later),
      kept,
      changedBars: match.changedBars.filter((b) => !newBars.includes(b)).length,
      newBars: newBars.length,
      lostBars: earlier.value.score.bars.flatMap((b) => (lost.has(b.id) ? [b.name] : [])),
    });
  },
  scoreHead: (loaded) =>
    asked(loaded, ({ score }) => {
      const { notes, ...head } = score;
      return { head, notes: notes.length };
    }),
  scoreNotes: (loaded, from, to) => asked(loaded, ({ score }) => score.notes.slice(from, to)),
  excerpt: (loaded, request) => asked(loaded, (read) => writeExcerpt(loaded.piece.source, read, request)),
  write: (loaded, marks, remembered) =>
    asked(loaded, (read) => writeMarks(loaded.piece.source, read, marks, remembered)),
  midi: (loaded, request) => asked(loaded, ({ score }) => scoreToMidi(soundingScore(score), request)),
  takePart: async (loaded, parts) => {
    const read = readOf(loaded);
    if (!read.ok) return read;
    const text = partDocument(loaded.piece.source, read.value, parts);
    return api.open({ kind: 'file', bytes: new TextEncoder().encode(text), fileName: loaded.piece.fileName });
  },
};

expose(api);
