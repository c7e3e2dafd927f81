import { useHotkeys } from 'react-hotkeys-hook';
import type { PieceContext } from '@/features/score';
import type { SectionActions } from './section-actions';
import type { Findings } from './use-findings';

/** Whether Enter belongs to what has the focus. */
function answersEnter(target: Element): boolean {
  return ['BUTTON', 'INPUT', 'SELECT'].includes(target.tagName) || target.getAttribute('role') === 'button';
}

/** The keys of the Sections stage, as listed by `?`. */
export function useSectionsKeys(
  { sections, section }: PieceContext,
  { open, all, chosenProposal, toggleBeside }: Findings,
  actions: SectionActions,
): void {
  useHotkeys('enter', (e) => {
    if (open.length > 0 && !answersEnter(e.target as Element)) actions.accept(open, all);
  });
  useHotkeys('a', () => chosenProposal && actions.accept([chosenProposal], all));
  useHotkeys('x', () => chosenProposal && actions.refuse(chosenProposal));
  useHotkeys('n', () => actions.make());
  useHotkeys('s', () => actions.split());
  useHotkeys('j', () => actions.join());
  useHotkeys('c', () => {
    const like = sections.find((p) => p.section.id === section?.section.likeId);
    if (like) toggleBeside(like);
  });
  useHotkeys('[', () => actions.move(-1, 0), { useKey: true });
  useHotkeys(']', () => actions.move(1, 0), { useKey: true });
  useHotkeys('{', () => actions.move(0, -1), { useKey: true });
  useHotkeys('}', () => actions.move(0, 1), { useKey: true });
  useHotkeys('comma', () => actions.endByBeat(-1));
  useHotkeys('period', () => actions.endByBeat(1));
  useHotkeys('delete', () => actions.remove());
}
