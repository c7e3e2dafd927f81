import { analysisOf } from '@/core/analysis';
import { usualPlayer } from '@/core/players';
import { placeSections } from '@/core/sections';
import type { Score } from '@/core/score';
import { ladderId, markId, openAbc, rungId, wayId } from '@/core/studio';
import type { Ladder, Mark, NewMark, Piece, Section, StoredWay } from '@/core/studio';
import { keptShapes, placeRows, proposeWay } from '@/core/way';
import type { DemoPiece } from './demo-pieces';
import { DEMO_STUDENTS, type DemoStudent } from './demo-students';
import type { PlayedPiece } from './played-piece';

/** The rows of one piece, and the piece as the history of its students needs it. */
export interface DemoPieceRows {
  readonly piece: Piece;
  readonly sections: readonly Section[];
  readonly ladders: readonly Ladder[];
  readonly ways: readonly StoredWay[];
  readonly marks: readonly Mark[];
  readonly played: PlayedPiece;
}

function sectionsOf(demo: DemoPiece, score: Score, start: string): Section[] {
  const idOf = (i: number): string => `${demo.id}-s${i + 1}`;
  return demo.sections.map((s, i) => ({
    id: idOf(i),
    pieceId: demo.id,
    name: s.name,
    letter: s.letter,
    fromBar: score.bars[s.from]?.id ?? '',
    toBar: score.bars[s.to]?.id ?? '',
    fromOffset: '0',
    toOffset: null,
    parentId: null,
    likeId: s.like === undefined ? null : idOf(s.like),
    hand: 'all',
    order: s.from,
    updatedAt: start,
  }));
}

/** How far those are who play it: the first of them. */
const levelOf = (demo: DemoPiece): DemoStudent['level'] =>
  DEMO_STUDENTS.find((s) => s.pieces.some(([id]) => id === demo.id))?.level ?? 'intermediate';

/** The way through a piece, with its chunks and a ladder for every place of it. */
function wayOf(demo: DemoPiece, score: Score, sections: readonly Section[], start: string) {
  const {
    played,
    player,
    sections: proposed,
    sameness,
    difficulties,
    corners,
    entries,
    accompanied,
  } = analysisOf(score, usualPlayer(score, demo.instrument));
  const placed = placeSections(score, sections);
  const { steps } = proposeWay(
    {
      played,
      player,
      sections: keptShapes(score, placed, proposed),
      sameness,
      difficulties,
      corners,
      entries,
      accompanied,
    },
    { level: levelOf(demo), school: null },
  );
  const rows = placeRows(
    score,
    demo.id,
    placed,
    steps.map((step) => step.chunk),
  );
  const own = new Set(sections.map((section) => section.id));
  const way: StoredWay = {
    id: wayId(demo.id, undefined, null),
    pieceId: demo.id,
    studentId: null,
    steps: rows.map((row, i) => ({ sectionId: row.id, why: steps[i]?.why ?? '' })),
    own: false,
    aside: {},
    removed: [],
    updatedAt: start,
  };
  return {
    way,
    chunks: rows.filter((row) => !own.has(row.id)).map((row): Section => ({ ...row, updatedAt: start })),
    ladders: rows.map((row, i): Ladder => ({
      id: ladderId(row.id),
      sectionId: row.id,
      pieceId: demo.id,
      rungs: (steps[i]?.rungs ?? []).map((r) => ({ ...r, id: rungId(row.id, r.key ?? r.id) })),
      updatedAt: start,
    })),
  };
}

function marksOf(demo: DemoPiece, start: string): Mark[] {
  const base = { pieceId: demo.id, studentId: null, source: 'teacher' as const };
  const kept = (mark: NewMark): Mark => ({ ...mark, id: markId(mark), updatedAt: start });
  return [
    ...demo.fingers.map(([noteId, finger]) => kept({ ...base, kind: 'finger', noteId, finger })),
    ...demo.cues.map(([noteId, text]) => kept({ ...base, kind: 'cue', noteId, text })),
  ];
}

/** A piece of the demo, brought in at `start`. */
export function demoPieceRows(demo: DemoPiece, start: string): DemoPieceRows {
  const opened = openAbc(demo.abc, `${demo.id}.abc`);
  if (!opened.ok) throw new Error(opened.issue.message);
  const { read, text } = opened.value;
  const { score } = read;
  const sections = sectionsOf(demo, score, start);
  const { way, chunks, ladders } = wayOf(demo, score, sections, start);
  return {
    piece: {
      id: demo.id,
      title: score.title,
      composer: score.composer,
      format: 'abc',
      fileName: `${demo.id}.abc`,
      source: text,
      encoding: 'utf-8',
      bom: false,
      original: demo.abc,
      instrument: demo.instrument,
      targetTempo: null,
      addedAt: start,
      updatedAt: start,
    },
    sections: [...sections, ...chunks],
    ladders,
    ways: [way],
    marks: marksOf(demo, start),
    played: {
      id: demo.id,
      title: score.title,
      score,
      sections: demo.sections.map(({ letter, from, to }, i) => ({
        id: sections[i]?.id ?? '',
        letter,
        from,
        to,
        rungs: ladders.find((l) => l.sectionId === sections[i]?.id)?.rungs ?? [],
      })),
    },
  };
}
