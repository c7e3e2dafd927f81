import { analysisOf } from '@/core/analysis';
import { usualPlayer } from '@/core/players';
import { buildLadder, describeCopy } from '@/core/ladder';
import type { Score } from '@/core/score';
import { ladderId, markId, openAbc, teachingFor } from '@/core/studio';
import type { Ladder, Mark, NewMark, Piece, Section } from '@/core/studio';
import type { DemoPiece } from './demo-pieces';
import type { PlayedPiece } from './played-piece';

/** The rows of one piece, and the piece as the history of its students needs it. */
export interface DemoPieceRows {
  readonly piece: Piece;
  readonly sections: readonly Section[];
  readonly ladders: readonly Ladder[];
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

function ladderOf(demo: DemoPiece, index: number, score: Score, section: Section, start: string): Ladder[] {
  const s = demo.sections[index];
  if (!s) return [];
  const model = s.like === undefined ? undefined : demo.sections[s.like];
  const { played, entries, accompanied } = analysisOf(score, usualPlayer(score, demo.instrument));
  const rungs = buildLadder({
    score: played,
    company: { entries, accompanied, ...(demo.abc.includes('name="Teacher"') ? { partner: 'the teacher' } : {}) },
    from: s.from,
    to: s.to,
    instrument: demo.instrument,
    targetTempo: null,
    teaching: teachingFor(),
    copyOf: model ? describeCopy(played, model.letter, [model.from, model.to], [s.from, s.to]) : null,
    sectionId: section.id,
  });
  return [{ id: ladderId(section.id), sectionId: section.id, pieceId: demo.id, rungs, updatedAt: start }];
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
  const ladders = sections.flatMap((section, i) => ladderOf(demo, i, score, section, start));
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
    sections,
    ladders,
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
        rungs: ladders[i]?.rungs ?? [],
      })),
    },
  };
}
