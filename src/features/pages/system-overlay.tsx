import type { MouseEvent, ReactNode, RefObject } from 'react';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { outerLines, type PageLayout } from '@/core/paper';
import type { Box, PageSystem } from '@/core/studio';
import { BarLineHandle } from './bar-line-handle';
import { EdgeHandle } from './edge-handle';
import { across, down, endsOf, pointOn } from './page-places';

/** Counts that a box can be said to stand for without typing. */
const COUNTS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 14, 16, 20, 24, 32] as const;

/** What is done to a system of the page. */
export interface SystemEdits {
  readonly onAdd: (x: number) => void;
  readonly onMove: (line: number, x: number) => void;
  readonly onRemove: (line: number) => void;
  readonly onCount: (box: number, count: number) => void;
  readonly onEdge: (edge: 'upper' | 'lower', y: number) => void;
  readonly onLine: (line: number) => void;
  readonly onSystem: () => void;
}

interface Props extends SystemEdits {
  readonly page: PageLayout;
  readonly system: PageSystem;
  /** Its place on the page, from 0. */
  readonly index: number;
  /** What bars are called, by id. */
  readonly names: ReadonlyMap<string, string>;
  /** The line that is chosen; null where none is. */
  readonly line: number | null;
  readonly chosen: boolean;
  readonly sheet: RefObject<HTMLDivElement | null>;
}

const boxName = ({ bars }: Box, names: ReadonlyMap<string, string>): string => {
  const first = names.get(bars[0] ?? '') ?? '?';
  const last = names.get(bars[bars.length - 1] ?? '') ?? '?';
  return bars.length > 1 ? `${first}–${last}` : first;
};

/** The number of a box over it; it opens how many bars the box stands for. */
function BoxCount({
  page,
  system,
  box,
  name,
  onCount,
}: {
  readonly page: PageLayout;
  readonly system: PageSystem;
  readonly box: Box;
  readonly name: string;
  readonly onCount: (count: number) => void;
}): ReactNode {
  const [top, foot] = outerLines(system);
  // The number of a long rest is printed above it: there nothing may cover it.
  const isAsked = box.longRest === true;
  const y = isAsked ? foot + 1.4 * page.space : top - 1.4 * page.space;
  return (
    <Menu>
      <MenuButton
        aria-label={`Bar ${name}: how many bars it is${isAsked ? ' is not said yet' : ''}`}
        className={`figure absolute min-h-8 min-w-9 -translate-x-1/2 rounded border px-1 text-sm font-semibold whitespace-nowrap ${isAsked ? 'border-acorn bg-acorn-wash' : '-translate-y-full border-leaf bg-sheet hover:bg-leaf-wash'}`}
        style={{ left: across(page, (box.from + box.to) / 2), top: down(page, y) }}
      >
        {isAsked ? 'how many?' : name}
      </MenuButton>
      <MenuItems
        anchor="bottom"
        modal={false}
        className="z-50 grid grid-cols-4 gap-1 rounded border border-rule-strong bg-sheet p-2 focus:outline-none"
        onKeyDown={(event) => event.stopPropagation()}
      >
        {COUNTS.map((count) => (
          <MenuItem key={count}>
            <button
              type="button"
              className={`figure grid min-h-11 min-w-11 place-items-center rounded data-focus:bg-leaf-wash ${count === box.bars.length ? 'bg-acorn-wash font-bold' : ''}`}
              aria-label={count === 1 ? 'one bar' : `${count} bars`}
              onClick={() => onCount(count)}
            >
              {count}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}

/** What is cut out with a system, above and below. */
const Edges = ({
  onEdge,
  ...of
}: Pick<Props, 'page' | 'system' | 'sheet' | 'onEdge'> & { readonly number: number }): ReactNode =>
  (['upper', 'lower'] as const).map((edge) => (
    <EdgeHandle key={edge} {...of} edge={edge} onMove={(y) => onEdge(edge, y)} />
  ));

/** One system with its bar lines, to be corrected. */
export function SystemOverlay({
  page,
  system,
  index,
  names,
  line,
  chosen,
  sheet,
  onAdd,
  onMove,
  onRemove,
  onCount,
  onEdge,
  onLine,
  onSystem,
}: Props): ReactNode {
  const [top, foot] = outerLines(system);
  const [left, right] = endsOf(system);
  const lines = [-1, ...system.boxes.map((_, i) => i)];
  const add = (event: MouseEvent): void => {
    if (sheet.current) onAdd(pointOn(page, sheet.current, event)[0]);
  };
  return (
    <>
      {/* A line is put in by keys from the bar line before it. */}
      {/* eslint-disable-next-line jsx-a11y/no-static-element-interactions, jsx-a11y/click-events-have-key-events */}
      <div
        data-system={index}
        className={`absolute cursor-copy mix-blend-multiply ${chosen ? 'bg-acorn-wash' : 'bg-leaf-wash'}`}
        style={{
          left: across(page, left - 3 * page.space),
          width: across(page, right - left + 6 * page.space),
          top: down(page, top - page.space),
          height: down(page, foot - top + 2 * page.space),
        }}
        onClick={add}
      />
      <button
        type="button"
        aria-pressed={chosen}
        aria-label={`Line ${index + 1} of the page`}
        className={`figure absolute left-0 grid min-h-11 min-w-9 -translate-y-1/2 place-items-center rounded-r border border-l-0 text-sm font-semibold ${chosen ? 'border-acorn bg-acorn-wash' : 'border-leaf bg-sheet hover:bg-leaf-wash'}`}
        style={{ top: down(page, (top + foot) / 2) }}
        onClick={onSystem}
      >
        {index + 1}
      </button>
      {chosen ? <Edges page={page} system={system} number={index + 1} sheet={sheet} onEdge={onEdge} /> : null}
      {lines.map((at) => (
        <BarLineHandle
          key={at}
          page={page}
          system={system}
          line={at}
          name={
            at < 0
              ? `Beginning of line ${index + 1}`
              : `Bar line after bar ${names.get(system.boxes[at]?.bars.slice(-1)[0] ?? '') ?? '?'}${system.boxes[at]?.unsure ? ', found with doubt' : ''}`
          }
          chosen={line === at}
          sheet={sheet}
          onChoose={() => onLine(at)}
          onMove={(x) => onMove(at, x)}
          onRemove={() => onRemove(at)}
        />
      ))}
      {system.boxes.map((box, i) => (
        <BoxCount
          key={box.bars[0]}
          page={page}
          system={system}
          box={box}
          name={boxName(box, names)}
          onCount={(count) => onCount(i, count)}
        />
      ))}
    </>
  );
}
