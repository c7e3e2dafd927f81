import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { barOrder, movePage, removePage, type Paper } from '@/core/paper';
import { Button, counted, Panel } from '@/ui';
import { MorePages } from './more-pages';
import type { EditPaper } from './use-paper';

/** The pages of a piece: their order, more of them, better pictures. */
export const PrintedPages = ({
  pieceId,
  paper,
  edit,
}: {
  readonly pieceId: string;
  readonly paper: Paper;
  readonly edit: EditPaper;
}): ReactNode => (
  <Panel title="Printed pages">
    <div className="grid gap-3">
      <PageList paper={paper} edit={edit} />
      <MorePages pieceId={pieceId} edit={edit} />
    </div>
  </Panel>
);

/** The pages in their order, moved by dragging or by the arrows. */
function PageList({ paper, edit }: { readonly paper: Paper; readonly edit: EditPaper }): ReactNode {
  const move = (page: string, to: number): void => edit('order of the pages', (before) => movePage(before, page, to));
  return (
    <ol className="grid gap-1" aria-label="Pages in order">
      {paper.layouts.map((layout, i) => (
        <li
          key={layout.id}
          draggable
          className="flex cursor-grab items-center gap-1 rounded border border-transparent hover:border-rule"
          onDragStart={(event) => event.dataTransfer.setData('text/plain', layout.id)}
          onDragOver={(event) => event.preventDefault()}
          onDrop={(event) => {
            event.preventDefault();
            event.stopPropagation();
            const dragged = event.dataTransfer.getData('text/plain');
            if (paper.layouts.some((l) => l.id === dragged) && dragged !== layout.id) move(dragged, i);
          }}
        >
          <span className="flex-1">
            Page {i + 1}: {counted(layout.systems.length, 'line')},{' '}
            {counted(barOrder({ layouts: [layout] }).length, 'bar')}
          </span>
          <Button
            look="quiet"
            aria-label={`Page ${i + 1} earlier`}
            disabled={i === 0}
            onClick={() => move(layout.id, i - 1)}
          >
            <ArrowUp size={18} aria-hidden="true" />
          </Button>
          <Button
            look="quiet"
            aria-label={`Page ${i + 1} later`}
            disabled={i === paper.layouts.length - 1}
            onClick={() => move(layout.id, i + 1)}
          >
            <ArrowDown size={18} aria-hidden="true" />
          </Button>
          <Button
            look="quiet"
            aria-label={`Take page ${i + 1} away`}
            disabled={paper.layouts.length === 1}
            onClick={() => edit(`page ${i + 1} taken away`, (before) => removePage(before, layout.id))}
          >
            <Trash2 size={18} aria-hidden="true" />
          </Button>
        </li>
      ))}
    </ol>
  );
}
