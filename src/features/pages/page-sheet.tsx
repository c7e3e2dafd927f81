import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode, type RefObject } from 'react';
import {
  addBarLine,
  addSystem,
  moveBarLine,
  moveSystemEdge,
  removeBarLine,
  removeSystem,
  setBarsOfBox,
  type PageLayout,
  type SystemEdges,
} from '@/core/paper';
import { Problem } from '@/ui';
import { pictureAddress, usePagePicture } from '@/store';
import { across, down, pointOn } from './page-places';
import { SystemOverlay } from './system-overlay';
import type { EditPaper } from './use-paper';

/** What is chosen on the pages: a system, and a line of it. */
export interface ChosenOnPage {
  readonly page: string;
  readonly system: number;
  /** -1 is where it begins; null where only the system is chosen. */
  readonly line: number | null;
}

interface Props {
  readonly page: PageLayout;
  readonly number: number;
  readonly names: ReadonlyMap<string, string>;
  readonly chosen: ChosenOnPage | null;
  /** Staves of a line that is drawn by hand. */
  readonly staves: number;
  /** A line of music is being drawn instead of corrected. */
  readonly drawing: boolean;
  readonly edit: EditPaper;
  readonly onChoose: (chosen: ChosenOnPage | null) => void;
  readonly onDrawn: () => void;
}

/** The rectangle between two points. */
const between = ([ax, ay]: readonly [number, number], [bx, by]: readonly [number, number]): SystemEdges => ({
  left: Math.min(ax, bx),
  right: Math.max(ax, bx),
  top: Math.min(ay, by),
  bottom: Math.max(ay, by),
});

/** Over the page while a line of music is drawn on it, from corner to corner. */
function Drawing({
  page,
  onDrawn,
}: {
  readonly page: PageLayout;
  readonly onDrawn: (edges: SystemEdges) => void;
}): ReactNode {
  const [drag, setDrag] = useState<readonly [readonly [number, number], readonly [number, number]] | null>(null);
  const edges = drag ? between(...drag) : null;
  const at = (event: PointerEvent): readonly [number, number] => pointOn(page, event.currentTarget, event);
  return (
    <div
      className="absolute inset-0 cursor-crosshair touch-none"
      data-drawing
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setDrag([at(event), at(event)]);
      }}
      onPointerMove={(event) => drag && setDrag([drag[0], at(event)])}
      onPointerUp={(event) => {
        if (drag) onDrawn(between(drag[0], at(event)));
        setDrag(null);
      }}
      onPointerCancel={() => setDrag(null)}
    >
      {edges ? (
        <div
          className="absolute border-2 border-acorn bg-acorn-wash/50"
          style={{
            left: across(page, edges.left),
            top: down(page, edges.top),
            width: across(page, edges.right - edges.left),
            height: down(page, edges.bottom - edges.top),
          }}
        />
      ) : null}
    </div>
  );
}

/** Where the arrows go from a chosen line: along the system, and to the one above or below. */
function nextLine(page: PageLayout, { system, line, ...rest }: ChosenOnPage, key: string): ChosenOnPage | null {
  const count = page.systems[system]?.boxes.length ?? 0;
  const at = line ?? -1;
  switch (key) {
    case 'ArrowLeft':
      return { ...rest, system, line: Math.max(-1, at - 1) };
    case 'ArrowRight':
      return { ...rest, system, line: Math.min(count - 1, at + 1) };
    case 'ArrowUp':
    case 'ArrowDown': {
      const to = system + (key === 'ArrowUp' ? -1 : 1);
      const boxes = page.systems[to]?.boxes.length;
      return boxes === undefined ? null : { ...rest, system: to, line: Math.min(at, boxes - 1) };
    }
    default:
      return null;
  }
}

/** The keys of a page: along its bar lines, a line put in, how many bars a box is, a line of music taken away. */
function usePageKeys({ page, chosen, edit, onChoose }: Props, sheet: RefObject<HTMLDivElement | null>) {
  const focus = (next: ChosenOnPage): void => {
    onChoose(next);
    const systems = sheet.current?.querySelectorAll('[data-of-system]');
    systems?.[next.system]?.querySelector<HTMLElement>(`[data-bar-line="${next.line ?? -1}"]`)?.focus();
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (!chosen || chosen.page !== page.id || event.altKey || event.ctrlKey || event.metaKey) return;
    const place = { page: page.id, system: chosen.system };
    const next = nextLine(page, chosen, event.key);
    if (next) {
      event.preventDefault();
      event.stopPropagation();
      focus(next);
      return;
    }
    const boxes = page.systems[chosen.system]?.boxes ?? [];
    const box = boxes[(chosen.line ?? -1) + 1] ?? boxes[boxes.length - 1];
    if ((event.key === 'Insert' || event.key === '+') && box) {
      event.preventDefault();
      edit('bar line put in', (paper) => addBarLine(paper, place, (box.from + box.to) / 2));
    } else if (/^[1-9]$/.test(event.key) && box) {
      event.preventDefault();
      event.stopPropagation();
      const index = boxes.indexOf(box);
      edit('number of bars', (paper) => setBarsOfBox(paper, { ...place, box: index }, Number(event.key)));
    } else if (event.key === 'Delete' && chosen.line === null) {
      event.preventDefault();
      edit('line of music taken away', (paper) => removeSystem(paper, place));
      onChoose(null);
    }
  };
  return onKeyDown;
}

/** A page as it is corrected: its picture, and over it every system and bar line that was found. */
export function PageSheet(props: Props): ReactNode {
  const { page, number, names, chosen, staves, drawing, edit, onChoose, onDrawn } = props;
  const picture = usePagePicture(page.id);
  const sheet = useRef<HTMLDivElement | null>(null);
  const onKeyDown = usePageKeys(props, sheet);
  if (picture === null) return <Problem>The picture of page {number} is not in this studio.</Problem>;
  return (
    // The lines inside are the controls; the page itself only passes keys on to them.
    // eslint-disable-next-line jsx-a11y/no-static-element-interactions
    <div
      ref={sheet}
      className="relative border border-rule bg-white"
      style={{ aspectRatio: `${page.width} / ${page.height}` }}
      data-page={page.id}
      onKeyDown={onKeyDown}
    >
      {picture ? (
        <img
          src={pictureAddress(picture)}
          alt={`Page ${number}`}
          draggable={false}
          className="absolute inset-0 size-full select-none"
        />
      ) : null}
      {page.systems.map((system, i) => {
        const place = { page: page.id, system: i };
        const here = chosen?.page === page.id && chosen.system === i;
        return (
          <div key={system.boxes[0]?.bars[0] ?? i} data-of-system={i}>
            <SystemOverlay
              page={page}
              system={system}
              index={i}
              names={names}
              chosen={here}
              line={here ? chosen.line : null}
              sheet={sheet}
              onSystem={() => onChoose({ ...place, line: null })}
              onLine={(line) => onChoose({ ...place, line })}
              onAdd={(x) => edit('bar line put in', (paper) => addBarLine(paper, place, x))}
              onMove={(line, x) => edit('bar line moved', (paper) => moveBarLine(paper, { ...place, box: line }, x))}
              onRemove={(line) => edit('bar line taken away', (paper) => removeBarLine(paper, { ...place, box: line }))}
              onEdge={(edge, y) => edit('edge of a line moved', (paper) => moveSystemEdge(paper, place, edge, y))}
              onCount={(box, count) => edit('number of bars', (paper) => setBarsOfBox(paper, { ...place, box }, count))}
            />
          </div>
        );
      })}
      {drawing ? (
        <Drawing
          page={page}
          onDrawn={(edges) =>
            edit('line of music drawn', (paper) => addSystem(paper, page.id, edges, staves), { stored: onDrawn })
          }
        />
      ) : null}
    </div>
  );
}
