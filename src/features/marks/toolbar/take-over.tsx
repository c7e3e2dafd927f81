import { fingerAt, isPrinted } from '@/marked';
import type { ReactNode } from 'react';
import { Button, MoreMenu } from '@/ui';
import type { MarkActions } from '../actions';
import type { MarksModel } from '../use-marks-model';

/** What can be taken over at once: the printed fingers, the copies, the suggestions, the proposed fingers. */
export function TakeOver({ model, actions }: { readonly model: MarksModel; readonly actions: MarkActions }): ReactNode {
  const { solver, notes, note, stretch, fingers, proposed, refused, suggestions } = model;
  const open = (stretch.length > 1 ? stretch : notes).filter(
    (n) => fingerAt(n, fingers, proposed, refused)?.source === 'suggested',
  ).length;
  const more: (readonly [string, () => void])[] = [
    ...(notes.some((n) => isPrinted(n, proposed.get(n.id)) && !fingers.has(n.id))
      ? [['Take the printed fingers', () => actions.takePrinted()] as const]
      : []),
    ...(actions.copies.length > 0
      ? [
          [
            `Also in the ${actions.copies.length === 1 ? 'copy' : `${actions.copies.length} copies`} (L)`,
            () => actions.markCopies(),
          ] as const,
        ]
      : []),
    ...(suggestions.length > 0 && solver !== null
      ? [[`Accept ${suggestions.length} other suggestions`, () => actions.accept(suggestions)] as const]
      : []),
  ];
  return (
    <span className="ml-auto flex items-center gap-1">
      {more.length > 0 ? <MoreMenu label="More to take over" items={more} /> : null}
      {solver === null ? (
        suggestions.length > 0 ? (
          <Button look="primary" onClick={() => actions.accept(suggestions)}>
            Accept {suggestions.length} suggestions
          </Button>
        ) : null
      ) : (
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
