'use client';

import {
  acceptSections,
  carryToCopies,
  changeSection,
  joinSections,
  makeSection,
  moveSectionCut,
  moveSectionEnds,
  putMarks,
  removeSection,
  splitSection,
  takeMarks,
} from '@/core/commands';
import { add, beatOnsets, fraction, type Score } from '@/core/score';
import { offsetQuarters, type PlacedSection, type ProposedSection } from '@/core/sections';
import type { NewMark, Section } from '@/core/studio';
import { tell, useActs, type Acts } from '@/features/acts';
import type { PieceContext } from '@/features/score';
import { useWhere, type WhereAccess } from '@/features/where';

/** What a proposal is known by when it is refused. */
export const proposalKey = (score: Score, p: Pick<ProposedSection, 'from' | 'to'>): string =>
  `section ${score.bars[p.from]?.id ?? ''} ${score.bars[p.to]?.id ?? ''}`;

interface Desk extends PieceContext {
  readonly run: Acts['run'];
  readonly where: WhereAccess;
}

const baseOf = (pieceId: string) => ({ pieceId, studentId: null, source: 'teacher' as const });

/** Sections made of bars or of proposals, and proposals refused. */
function makingActions({ run, where, piece, score }: Desk) {
  const of = { pieceId: piece.id, score };
  const { bars } = where;
  return {
    make: (): void => {
      if (!bars) return tell('Choose bars on the strip first.');
      run(
        makeSection,
        { ...of, bars },
        { stored: ({ made }) => made !== undefined && where.change({ sectionId: made, bars }) },
      );
    },
    /** Takes proposals over as sections; copies are linked to what they are like. */
    accept: (chosen: readonly ProposedSection[], proposed: readonly ProposedSection[]): void => {
      const [first] = chosen;
      run(
        acceptSections,
        { ...of, proposed, chosen: chosen.map((p) => proposed.indexOf(p)) },
        {
          stored: ({ made }) =>
            made !== undefined && first && where.change({ sectionId: made, bars: [first.from, first.to] }),
        },
      );
    },
    refuse: (p: ProposedSection): void =>
      run(putMarks, {
        marks: [{ ...baseOf(piece.id), kind: 'refused', what: proposalKey(score, p) }],
        label: `proposal ${p.letter} refused`,
      }),
  };
}

/** The ends of sections moved by bars and beats, sections split and joined. */
function cuttingActions({ run, where, piece, score, sections, section }: Desk) {
  const of = { pieceId: piece.id, score };
  const chosen = section?.section.id;
  return {
    move: (fromBy: number, toBy: number): void => {
      if (!section) return;
      const sectionId = section.section.id;
      run(
        moveSectionEnds,
        { ...of, sectionId, fromBy, toBy, withNeighbour: false },
        { stored: () => where.change({ sectionId, bars: [section.from + fromBy, section.to + toBy] }) },
      );
    },
    /** An end dragged to a bar; the neighbour that met it there gives way. */
    dragEnd: (id: string, end: 'first' | 'last', bar: number): void => {
      const placed = sections.find((p) => p.section.id === id);
      if (!placed) return;
      run(
        moveSectionEnds,
        { ...of, sectionId: id, ...(end === 'first' ? { from: bar } : { to: bar }), withNeighbour: true },
        {
          stored: () => where.change({ sectionId: id, bars: end === 'first' ? [bar, placed.to] : [placed.from, bar] }),
        },
      );
    },
    endByBeat: (by: 1 | -1): void => {
      if (chosen !== undefined) run(moveSectionCut, { ...of, sectionId: chosen, by });
    },
    split: (): void => {
      const { bars } = where;
      if (chosen === undefined || !bars) return tell('Choose a bar inside the section to split before it.');
      run(
        splitSection,
        { ...of, sectionId: chosen, at: bars[0] },
        { stored: ({ made }) => made !== undefined && where.change({ sectionId: made }) },
      );
    },
    join: (): void => {
      if (chosen !== undefined)
        run(
          joinSections,
          { ...of, sectionId: chosen },
          { stored: () => where.change({ sectionId: chosen, bars: null }) },
        );
    },
    remove: (): void => {
      if (chosen !== undefined)
        run(
          removeSection,
          { pieceId: piece.id, sectionId: chosen },
          { stored: () => where.change({ sectionId: null }) },
        );
    },
  };
}

/** What is written about sections and bars: names, links, marks carried to copies, own ratings. */
function writingActions({ run, piece, score }: Desk) {
  const pieceId = piece.id;
  return {
    edit: (
      placed: PlacedSection,
      change: Partial<Pick<Section, 'name' | 'letter' | 'hand' | 'likeId' | 'parentId'>>,
      stored: () => void = () => undefined,
    ): void => run(changeSection, { pieceId, sectionId: placed.section.id, change }, { stored }),
    /** The teacher's marks of the model onto the notes of a copy that are the same; marks already there stay. */
    carryMarks: (model: PlacedSection, copy: PlacedSection): void =>
      run(carryToCopies, { pieceId, score, from: model.section.id, to: [copy.section.id] }),
    rate: (barId: string, rating: number | null): void => {
      const mark: NewMark = { ...baseOf(pieceId), kind: 'rating', barId, score: rating ?? 0 };
      if (rating === null) run(takeMarks, { marks: [mark], label: 'own rating taken away' });
      else run(putMarks, { marks: [mark], label: 'own rating of a bar' });
    },
  };
}

/** Everything a teacher does to the sections of a piece; each is one change that can be undone. */
export function useSectionActions(context: PieceContext) {
  const { run } = useActs();
  const desk: Desk = { ...context, run, where: useWhere() };
  return { ...makingActions(desk), ...cuttingActions(desk), ...writingActions(desk) };
}

export type SectionActions = ReturnType<typeof useSectionActions>;

/** `5, beat 3`: where a section really begins. */
export function startInWords(score: Score, placed: PlacedSection): string {
  const offset = offsetQuarters(placed.section.fromOffset);
  const bar = score.bars[placed.from];
  if (offset.n === 0 || !bar) return bar?.name ?? '';
  const beats = beatOnsets(bar, score.ticksPerQuarter);
  const at = (add(offset, fraction(0)).n * score.ticksPerQuarter) / offset.d;
  const beat = beats.filter((b) => b.at <= at).length;
  return `${bar.name}, beat ${beat}`;
}
