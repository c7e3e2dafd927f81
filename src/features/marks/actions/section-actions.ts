import { carryToCopies, changePiece, changeRungs, changeStudent, copiesOf } from '@/core/commands';
import { FULL_FINGERING, type TeachingAnswer } from '@/core/studio';
import { FINGER_VIEWS, type FingerView } from '@/marked';
import { tell } from '@/features/acts';
import type { MarkDesk } from './mark-desk';

/** What is done for a whole section, its copies, its ladder, or for what a student sees. */
export function sectionActions({ model, run, studio, base: { pieceId } }: MarkDesk) {
  const { section, sections, score, student, piece } = model;
  const all = sections.map((p) => p.section);
  const copyIds = new Set(section ? copiesOf(section.section, all).map((s) => s.id) : []);
  return {
    copies: sections.filter((p) => copyIds.has(p.section.id)),
    markCopies: (): void => {
      if (section) run(carryToCopies, { pieceId, score, from: section.section.id });
    },
    offerFindRung: (): void => {
      if (!section) {
        tell('Choose a section first.');
        return;
      }
      const rung = {
        id: studio.newId(),
        kind: 'starting-point',
        what: 'Find the place, take the hands away, find it again',
        hands: 'both',
        tempo: null,
        tempoTo: null,
        times: 3,
        done: 'found at once 3 times',
        why: 'the hand knows where it begins',
        own: true,
      } as const;
      run(
        changeRungs,
        { pieceId, sectionId: section.section.id, edit: { kind: 'add', behind: 'bottom', rung } },
        { stored: () => tell('The rung stands at the bottom of the ladder.') },
      );
    },
    setView: (v: string): void => {
      const next: FingerView = FINGER_VIEWS.find(([name]) => name === v)?.[0] ?? 'every';
      if (student)
        run(changeStudent, { studentId: student.id, change: { density: next }, label: `${student.name} sees ${next}` });
      else model.setWholeView(next);
    },
    answer: (answer: TeachingAnswer): void => {
      run(changePiece, { pieceId, change: { answer }, label: 'How the piece is counted' });
    },
    setVariant: (v: string): void => {
      if (student)
        run(changeStudent, {
          studentId: student.id,
          change: { variant: [piece.id, v] },
          label: `${student.name}: fingering ${v}`,
        });
      else model.setPieceVariant(v || FULL_FINGERING);
    },
  };
}
