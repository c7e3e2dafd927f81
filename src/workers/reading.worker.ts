import { expose } from 'comlink';
import { scoreToMidi } from '@/core/midi';
import { REMEMBERED_FIELD, writeExcerpt, writeMarks, type ReadScore } from '@/core/musicxml';
import { ok, type Result } from '@/core/result';
import { openAbc, openEdition, openGrid, openPiece, readKept, titleOf, type OpenedPiece } from '@/core/studio';
import { loadedPieces } from './loaded-pieces';
import type { Brought, LoadedPiece, OpenedFile, ReadingWorkerApi } from './protocol';

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
      return openPiece(brought.bytes, brought.fileName);
    case 'abc':
      return Promise.resolve(openAbc(brought.text, brought.fileName));
    case 'grid':
      return Promise.resolve(openGrid(brought.grid, brought.fileName));
  }
}

function asFile({ read, ...rest }: OpenedPiece): OpenedFile {
  const { score } = read;
  const [part] = score.parts;
  return {
    ...rest,
    title: titleOf(score),
    composer: score.composer,
    firstPart: {
      name: part?.name ?? '',
      sound: part?.instrumentSound ?? null,
      program: part?.midiProgram ?? null,
      staves: part?.staves ?? 1,
    },
    warnings: score.warnings.length,
    notes: score.warnings.map((w) => w.message),
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
  midi: (loaded, request) => asked(loaded, ({ score }) => scoreToMidi(score, request)),
};

expose(api);
