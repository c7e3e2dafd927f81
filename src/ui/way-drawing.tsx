'use client';

import { closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import { useEffect, useRef, type KeyboardEvent, type ReactNode } from 'react';

export interface DrawnPlace {
  readonly id: string;
  readonly name: string;
  readonly kind: 'section' | 'phrase' | 'chunk' | 'join' | 'piece';
  /** Bars, for its width. */
  readonly bars: number;
  /** Share of the playing time that is known after it, 0 to 1. */
  readonly pays: number;
  /** Behind who is looked at: washed. */
  readonly done: boolean;
  readonly aside: 'skipped' | 'later' | 'known' | null;
  readonly own: boolean;
  /** Names of students who stand here. */
  readonly chips: readonly string[];
}

/** A run of places of one section, folded to one line or open. */
export interface DrawnGroup {
  readonly id: string;
  /** Form letter or name, at the side. */
  readonly label: string;
  readonly open: boolean;
  readonly places: readonly DrawnPlace[];
}

interface Props {
  /** In the order in which they are learned; drawn from the bottom up. */
  readonly groups: readonly DrawnGroup[];
  readonly current: string | null;
  readonly label: string;
  readonly onChoose: (id: string) => void;
  readonly onOpen: (groupId: string) => void;
  /** A place put right before another, at the end for null; left out where the way is only shown. */
  readonly onMove?: (id: string, before: string | null) => void;
}

const ASIDE = { skipped: 'left out', later: 'put off', known: 'known already' } as const;
/** Widths in rem: of one bar, and of a whole piece. */
const NARROWEST = 4;
const WIDEST = 7.5;
const widthOf = ({ bars }: DrawnPlace): string =>
  `${Math.min(WIDEST, NARROWEST + 1.1 * Math.log2(Math.max(1, bars)))}rem`;

const washOf = (place: DrawnPlace, current: boolean): string =>
  current
    ? 'border-acorn bg-acorn-wash'
    : place.aside === 'skipped'
      ? 'border-rule bg-ground text-ink-2 line-through'
      : place.done
        ? 'border-leaf-deep bg-leaf-wash'
        : 'border-rule-strong bg-sheet';

const shapeOf = ({ kind }: DrawnPlace): string =>
  kind === 'join'
    ? 'rounded-full border-dashed text-sm'
    : kind === 'piece' || kind === 'section'
      ? 'font-bold border-2'
      : '';

function Chips({ names }: { readonly names: readonly string[] }): ReactNode {
  const shown = names.slice(0, 1);
  return (
    <span className="flex min-w-0 flex-1 gap-1">
      {shown.map((name) => (
        <span key={name} className="truncate rounded-full border border-slate bg-slate-wash px-1.5 text-sm text-slate">
          {name}
        </span>
      ))}
      {names.length > shown.length ? (
        <span className="text-sm text-slate" title={names.slice(1).join(', ')}>
          +{names.length - shown.length}
        </span>
      ) : null}
    </span>
  );
}

interface StoneProps {
  readonly place: DrawnPlace;
  readonly current: boolean;
  readonly movable: boolean;
  readonly onChoose: (id: string) => void;
  readonly onKey: (id: string, event: KeyboardEvent) => void;
}

function Stone({ place, current, movable, onChoose, onKey }: StoneProps): ReactNode {
  const { listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: place.id,
    disabled: !movable,
  });
  const said = [
    place.name,
    place.done ? 'done' : '',
    place.aside ? ASIDE[place.aside] : '',
    `${Math.round(place.pays * 100)} % known after it`,
    place.chips.length > 0 ? `${place.chips.join(', ')} here` : '',
  ];
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition, zIndex: isDragging ? 2 : undefined }}
      className="group relative flex items-center gap-1.5 py-[3px]"
    >
      <span className="relative grid w-[7.5rem] shrink-0 place-items-center">
        <span className="absolute inset-y-[-3px] left-1/2 w-0 border-l-2 border-rule-strong" aria-hidden="true" />
        <button
          type="button"
          data-place={place.id}
          tabIndex={current ? 0 : -1}
          aria-current={current ? 'step' : undefined}
          aria-label={said.filter(Boolean).join(', ')}
          className={`relative min-h-9 truncate border px-2 text-center leading-tight ${shapeOf(place)} ${washOf(place, current)} ${place.own ? 'text-plum' : ''}`}
          style={{ width: widthOf(place) }}
          onClick={() => onChoose(place.id)}
          onKeyDown={(event) => onKey(place.id, event)}
        >
          {place.name}
        </button>
      </span>
      <Chips names={place.chips} />
      {place.aside ? <span className="text-sm text-ink-2">{ASIDE[place.aside]}</span> : null}
      <span className="figure w-11 shrink-0 text-right text-sm whitespace-nowrap text-ink-2" aria-hidden="true">
        {place.kind === 'join' ? '' : `${Math.round(place.pays * 100)} %`}
      </span>
      {movable ? (
        <span
          ref={setActivatorNodeRef}
          {...listeners}
          className="grid h-9 w-5 shrink-0 cursor-grab touch-none place-items-center text-ink-3"
          title={`Drag ${place.name}`}
          data-drag={place.id}
        >
          <GripVertical size={16} aria-hidden="true" />
        </span>
      ) : null}
    </li>
  );
}

function Folded({ group, onOpen }: { readonly group: DrawnGroup; readonly onOpen: () => void }): ReactNode {
  const done = group.places.filter((p) => p.done).length;
  const here = group.places.flatMap((p) => p.chips);
  return (
    <li className="py-[3px]">
      <button
        type="button"
        aria-expanded={false}
        className="flex min-h-9 w-full items-center gap-2 border border-rule bg-ground px-2 text-left hover:bg-leaf-wash"
        onClick={onOpen}
      >
        <span className="font-semibold">{group.label}</span>
        <span className="text-sm text-ink-2">
          {group.places.length} steps{done > 0 ? `, ${done} done` : ''}
        </span>
        <Chips names={here} />
      </button>
    </li>
  );
}

/**
 * The way through a piece as a path of stones from the bottom up: width by length, joins as links, what is behind
 * washed, students at their places. Arrows choose, Alt with arrows moves, dragging too.
 */
export function WayDrawing({ groups, current, label, onChoose, onOpen, onMove }: Props): ReactNode {
  const host = useRef<HTMLDivElement | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  const order = groups.flatMap((g) => g.places.map((p) => p.id));
  const visible = groups.flatMap((g) => (g.open ? g.places.map((p) => p.id) : []));
  useEffect(() => {
    const stone = host.current?.querySelector('[aria-current="step"]')?.getBoundingClientRect();
    const box = host.current?.parentElement;
    if (!stone || !box) return;
    // Only the path scrolls, never the page.
    const around = box.getBoundingClientRect();
    if (stone.top < around.top || stone.bottom > around.bottom)
      box.scrollTop += stone.top - around.top - (around.height - stone.height) / 2;
  }, [current]);
  const choose = (id: string | undefined): void => {
    if (id === undefined) return;
    onChoose(id);
    host.current?.querySelector<HTMLElement>(`[data-place="${inSelector(id)}"]`)?.focus();
  };
  const moveBy = (id: string, by: 1 | -1): void => {
    const at = order.indexOf(id);
    const rest = order.filter((o) => o !== id);
    const to = at + by;
    if (to >= 0 && to <= rest.length) onMove?.(id, rest[to] ?? null);
  };
  const onKey = (id: string, event: KeyboardEvent): void => {
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    const by = event.key === 'ArrowUp' ? 1 : -1;
    if (event.altKey) moveBy(id, by);
    else choose(visible[visible.indexOf(id) + by]);
  };
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    const [from, to] = [order.indexOf(String(active.id)), order.indexOf(String(over.id))];
    if (from < 0 || to < 0) return;
    const rest = order.filter((o) => o !== String(active.id));
    onMove?.(String(active.id), rest[to] ?? null);
  };
  const drawn = [...visible].reverse();
  return (
    <div ref={host}>
      <DndContext id={`way-${label}`} sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
        <SortableContext items={drawn} strategy={verticalListSortingStrategy}>
          <ol reversed aria-label={label}>
            {[...groups].reverse().map((group) => (
              <li key={group.id} className="flex gap-2 border-t border-rule py-1 first:border-0">
                <span className="w-5 shrink-0 self-end pb-3 font-semibold text-leaf-deep">{group.label}</span>
                <ol reversed className="min-w-0 flex-1">
                  {group.open ? (
                    [...group.places]
                      .reverse()
                      .map((place) => (
                        <Stone
                          key={place.id}
                          place={place}
                          current={place.id === current}
                          movable={onMove !== undefined}
                          onChoose={onChoose}
                          onKey={onKey}
                        />
                      ))
                  ) : (
                    <Folded group={group} onOpen={() => onOpen(group.id)} />
                  )}
                </ol>
              </li>
            ))}
          </ol>
        </SortableContext>
      </DndContext>
    </div>
  );
}

/** A folded run in the row: choosing it chooses its first place that is not behind, and so opens it. */
function FoldedInRow({ group, onChoose }: { readonly group: DrawnGroup } & Pick<Props, 'onChoose'>): ReactNode {
  const first = group.places.find((p) => !p.done) ?? group.places[0];
  if (!first) return null;
  const steps = `${group.places.length} steps`;
  return (
    <li className="shrink-0">
      <button
        type="button"
        aria-label={[group.label, steps].filter(Boolean).join(', ')}
        className="min-h-11 border border-rule bg-ground px-3 text-ink-2"
        onClick={() => onChoose(first.id)}
      >
        <span className="font-semibold text-ink">{group.label}</span> {steps}
      </button>
    </li>
  );
}

/** The same in one row, to choose from where there is no room beside the music. */
export function WayRow({ groups, current, label, onChoose }: Omit<Props, 'onOpen' | 'onMove'>): ReactNode {
  const host = useRef<HTMLOListElement | null>(null);
  useEffect(() => {
    host.current?.querySelector('[aria-current="step"]')?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [current]);
  return (
    <ol ref={host} aria-label={label} className="flex items-center gap-1 overflow-x-auto py-1">
      {groups.flatMap((group) =>
        group.open ? (
          group.places.map((place) => (
            <li key={place.id} className="shrink-0">
              <button
                type="button"
                aria-current={place.id === current ? 'step' : undefined}
                aria-label={[place.name, place.done ? 'done' : '', ...place.chips].filter(Boolean).join(', ')}
                className={`min-h-11 border px-3 text-center ${shapeOf(place)} ${washOf(place, place.id === current)} ${place.own ? 'text-plum' : ''}`}
                onClick={() => onChoose(place.id)}
              >
                {place.name}
                {place.chips.length > 0 ? (
                  <span className="ml-1 text-sm text-slate">
                    {place.chips.length > 1 ? place.chips.length : place.chips[0]}
                  </span>
                ) : null}
              </button>
            </li>
          ))
        ) : (
          <FoldedInRow key={group.id} group={group} onChoose={onChoose} />
        ),
      )}
    </ol>
  );
}

/** An id as it may stand in a selector. */
const inSelector = (id: string): string => id.replace(/["\\]/g, '\\$&');
