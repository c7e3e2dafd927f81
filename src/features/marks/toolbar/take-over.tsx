import type { ReactNode } from 'react';
import { Button } from '@/ui';
import type { MarkActions } from '../actions';
import { fingerAt, isPrinted } from '../finger-view';
import type { MarksModel } from '../use-marks-model';

/** What can be taken over at once: the printed fingers, the copies, the suggestions, the proposed fingers. */
export function TakeOver({ model, actions }: { readonly model: MarksModel; readonly actions: MarkActions }): ReactNode {
  const { solver, notes, note, stretch, fingers, proposed, refused, suggestions } = model;
  const open = (stretch.length > 1 ? stretch : notes).filter(
    (n) => fingerAt(n, fingers, proposed, refused)?.source === 'suggested',
  ).length;
  return (
    <span className="ml-auto flex flex-wrap gap-2">
      {notes.some((n) => isPrinted(n, proposed.get(n.id)) && !fingers.has(n.id)) ? (
        <Button onClick={() => actions.takePrinted()}>Take the printed fingers</Button>
      ) : null}
      {actions.copies.length > 0 ? (
        <Button shortcut="l" onClick={() => actions.markCopies()}>
          Also in the {actions.copies.length === 1 ? 'copy' : `${actions.copies.length} copies`}
        </Button>
      ) : null}
      <Button look="quiet" onClick={() => window.print()}>
        Print
      </Button>
      {suggestions.length > 0 ? (
        <Button look={solver === null ? 'primary' : 'plain'} onClick={() => actions.accept(suggestions)}>
          Accept {suggestions.length} {solver === null ? '' : 'other '}suggestions
        </Button>
      ) : null}
      {solver === null ? null : (
        <Button look="primary" shortcut="enter" disabled={open === 0} onClick={() => actions.acceptFingers()}>
          {stretch.length > 1
            ? `Accept fingers of ${stretch.length} notes`
            : note
              ? 'Accept fingers from here'
              : `Accept ${open} fingers`}
        </Button>
      )}
    </span>
  );
}
