import type { PieceContext } from '@/features/score';
import { useKey } from '@/features/keys';
import type { SectionActions } from './section-actions';
import type { Findings } from './use-findings';

/** The keys of the Sections stage, as listed by `?`. */
export function useSectionsKeys(
  { sections, section }: PieceContext,
  { open, all, chosenProposal, toggleBeside }: Findings,
  actions: SectionActions,
): void {
  useKey('sections.acceptAll', () => open.length > 0 && actions.accept(open, all));
  useKey('sections.accept', () => chosenProposal && actions.accept([chosenProposal], all));
  useKey('sections.refuse', () => chosenProposal && actions.refuse(chosenProposal));
  useKey('sections.make', () => actions.make());
  useKey('sections.split', () => actions.split());
  useKey('sections.join', () => actions.join());
  useKey('sections.beside', () => {
    const like = sections.find((p) => p.section.id === section?.section.likeId);
    if (like) toggleBeside(like);
  });
  useKey('sections.firstEarlier', () => actions.move(-1, 0));
  useKey('sections.firstLater', () => actions.move(1, 0));
  useKey('sections.lastEarlier', () => actions.move(0, -1));
  useKey('sections.lastLater', () => actions.move(0, 1));
  useKey('sections.endEarlier', () => actions.endByBeat(-1));
  useKey('sections.endLater', () => actions.endByBeat(1));
  useKey('sections.remove', () => actions.remove());
}
