import { expose } from 'comlink';
import { findGestures } from '@/core/articulation';
import { placeBreaths, proposeBowing, punctuatePhrases } from '@/core/breath';
import { suggestDynamics } from '@/core/dynamics';
import { fingerScore } from '@/core/fingering';
import { findHarmony, type Harmony } from '@/core/harmony';
import { orderChunks } from '@/core/ladder';
import { scoreToMidi } from '@/core/midi';
import { readScore, REMEMBERED_FIELD, writeExcerpt, writeMarks, type ReadScore } from '@/core/musicxml';
import { realiseOrnaments } from '@/core/ornaments';
import { ok, type Result } from '@/core/result';
import { findSameness, fitsSameness, type Sameness } from '@/core/sameness';
import { proposeSections, type ProposedSection } from '@/core/sections';
import { matchEditions } from '@/core/score';
import { openAbc, openGrid, openPiece, type OpenedPiece } from '@/core/studio';
import type { OpenedFile, PieceWorkerApi } from './protocol';

/** Pieces kept in memory; the one loaded longest ago goes first. */
const MOST_LOADED = 12;
/** What was opened last: it is asked for again at once, under the key of its new piece. */
let latest: { text: string; read: ReadScore } | null = null;
const loaded = new Map<string, { text: string; read: ReadScore }>();

interface Built {
  readonly sameness: Sameness;
  readonly sections: readonly ProposedSection[];
  readonly harmony: Harmony;
}

/** How a piece is built does not change with tempo or style: found once. */
const builtFor = new WeakMap<ReadScore, Built>();
function builtOf(read: ReadScore): Built {
  const known = builtFor.get(read);
  if (known) return known;
  const sameness = findSameness(read.score);
  const built = { sameness, sections: proposeSections(read.score, sameness), harmony: findHarmony(read.score) };
  builtFor.set(read, built);
  return built;
}

function toFile(opened: Result<OpenedPiece>): Result<OpenedFile> {
  if (!opened.ok) return opened;
  const { read, ...rest } = opened.value;
  latest = { text: rest.text, read };
  const [part] = read.score.parts;
  return ok({
    ...rest,
    title: read.score.title,
    composer: read.score.composer,
    firstPart: { name: part?.name ?? '', sound: part?.instrumentSound ?? null },
    warnings: read.score.warnings,
    remembered: read.miscellaneous[REMEMBERED_FIELD] ?? null,
  });
}

const api: PieceWorkerApi = {
  async open(bytes, fileName) {
    return toFile(await openPiece(bytes, fileName));
  },
  openAbc: (text, fileName) => Promise.resolve(toFile(openAbc(text, fileName))),
  openGrid: (grid, fileName) => Promise.resolve(toFile(openGrid(grid, fileName))),
  load(key, text, fileName) {
    if (loaded.has(key)) return Promise.resolve(ok(null));
    const read = latest?.text === text ? ok(latest.read) : readScore(text, fileName);
    if (!read.ok) return Promise.resolve(read);
    loaded.set(key, { text, read: read.value });
    const [oldest] = loaded.keys();
    if (loaded.size > MOST_LOADED && oldest !== undefined) loaded.delete(oldest);
    return Promise.resolve(ok(null));
  },
  scoreHead(key) {
    const piece = loaded.get(key);
    if (!piece) return Promise.resolve(null);
    const { notes, ...head } = piece.read.score;
    return Promise.resolve({ head, notes: notes.length });
  },
  scoreNotes: (key, from, to) => Promise.resolve(loaded.get(key)?.read.score.notes.slice(from, to) ?? []),
  excerpt(key, request) {
    const piece = loaded.get(key);
    return Promise.resolve(piece ? writeExcerpt(piece.text, piece.read, request) : null);
  },
  write(key, marks, remembered) {
    const piece = loaded.get(key);
    return Promise.resolve(piece ? writeMarks(piece.text, piece.read, marks, remembered) : null);
  },
  midi(key, request) {
    const piece = loaded.get(key);
    return Promise.resolve(piece ? scoreToMidi(piece.read.score, request) : null);
  },
  finger(key, request) {
    const piece = loaded.get(key);
    return Promise.resolve(piece ? fingerScore(piece.read.score, request) : null);
  },
  marking(key, request) {
    const piece = loaded.get(key);
    if (!piece || !fitsSameness(piece.read.score)) return Promise.resolve(null);
    const { score } = piece.read;
    const built = builtOf(piece.read);
    return Promise.resolve({
      harmony: built.harmony,
      dynamics: suggestDynamics(score, built.sameness, built.sections, built.harmony),
      breaths: request.wind ? placeBreaths(score, request.tempo, request.breathSpanInSeconds) : null,
      bowing: request.bowed ? proposeBowing(score) : null,
      phrases: punctuatePhrases(
        score,
        built.sections.flatMap((s) => s.phrases),
        built.harmony.beats,
        built.harmony.keys,
      ),
      ornaments: realiseOrnaments(score, request.style, request.tempo, request.styles),
      gestures: findGestures(score, request.family, request.ownCues),
    });
  },
  chunks(key, sections, request) {
    const piece = loaded.get(key);
    return Promise.resolve(piece && fitsSameness(piece.read.score) ? orderChunks(piece.read.score, sections, request) : null);
  },
  match(before, after) {
    const a = loaded.get(before);
    const b = loaded.get(after);
    return Promise.resolve(a && b ? matchEditions(a.read.score, b.read.score) : null);
  },
};

expose(api);
