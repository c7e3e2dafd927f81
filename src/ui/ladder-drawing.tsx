'use client';

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { Check, GripVertical } from 'lucide-react';
import type { KeyboardEvent, ReactNode } from 'react';

export interface DrawnRung {
  readonly id: string;
  readonly what: string;
  readonly hands: string;
  readonly tempo: string;
  readonly times: string;
  readonly done: string;
  readonly climbed: boolean;
  readonly own: boolean;
  /** Names of students standing here. */
  readonly chips: readonly string[];
}

interface Props {
  /** Lowest rung first. */
  readonly rungs: readonly DrawnRung[];
  readonly current: string | null;
  readonly onChoose: (id: string) => void;
  /** New order, lowest first; left out where the ladder is only shown. */
  readonly onReorder?: (ids: readonly string[]) => void;
  readonly onTick?: (id: string) => void;
  readonly label: string;
}

interface RungProps {
  readonly rung: DrawnRung;
  readonly place: number;
  readonly count: number;
  readonly current: boolean;
  readonly movable: boolean;
  readonly onChoose: (id: string) => void;
  readonly onStep?: (id: string, by: 1 | -1) => void;
  readonly onTick?: (id: string) => void;
}

function Rung({ rung, place, count, current, movable, onChoose, onStep, onTick }: RungProps): ReactNode {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: rung.id,
    disabled: !movable,
  });
  const onKeyDown = (event: KeyboardEvent): void => {
    if (!event.altKey || !onStep) return;
    if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      onStep(rung.id, event.key === 'ArrowUp' ? 1 : -1);
    }
  };
  const wash = current
    ? 'border-acorn bg-acorn-wash'
    : rung.climbed
      ? 'border-leaf-deep bg-leaf-wash'
      : 'border-leaf-deep bg-sheet';
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition, zIndex: isDragging ? 2 : undefined }}
      className="relative -mx-1 my-[7px] first:mt-4 last:mb-4"
    >
      <div className={`flex items-stretch border-y-2 border-x-2 ${wash}`}>
        {movable ? (
          <button
            type="button"
            ref={setActivatorNodeRef}
            {...attributes}
            {...listeners}
            className="grid w-9 place-items-center text-ink-3"
            aria-label={`Move ${rung.what}`}
          >
            <GripVertical size={18} aria-hidden="true" />
          </button>
        ) : null}
        <button
          type="button"
          className="flex min-h-13 flex-1 items-center gap-3 px-3 py-1.5 text-left"
          aria-label={`Rung ${place} of ${count}: ${rung.what}${rung.climbed ? ', done' : ''}`}
          aria-current={current ? 'step' : undefined}
          onClick={() => onChoose(rung.id)}
          onKeyDown={onKeyDown}
        >
          <span className="figure w-6 text-right text-ink-3">{place}</span>
          <span className="flex-1">
            <span className={`block font-semibold ${rung.own ? 'text-plum' : ''}`}>{rung.what}</span>
            <span className="block text-sm text-ink-2">{[rung.times, rung.done].filter(Boolean).join(', ')}</span>
          </span>
          {rung.chips.map((name) => (
            <span key={name} className="rounded-full border border-slate bg-slate-wash px-2 text-sm text-slate">
              {name}
            </span>
          ))}
          <span className="text-sm text-ink-2">{rung.hands}</span>
          <span className="figure min-w-10 text-right">{rung.tempo}</span>
        </button>
        {onTick ? (
          <button
            type="button"
            className="grid min-w-11 place-items-center border-l border-rule"
            aria-pressed={rung.climbed}
            aria-label={`${rung.what}: done`}
            onClick={() => onTick(rung.id)}
          >
            {rung.climbed ? (
              <Check size={20} aria-hidden="true" />
            ) : (
              <span className="h-5 w-5 rounded border border-rule-strong" />
            )}
          </button>
        ) : null}
      </div>
    </li>
  );
}

/**
 * A section's steps as a ladder that is climbed upwards: the first rung at the bottom. Drag, or Alt with the arrow
 * keys, moves a rung.
 */
export function LadderDrawing({ rungs, current, onChoose, onReorder, onTick, label }: Props): ReactNode {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const drawn = [...rungs].reverse();
  const ids = drawn.map((r) => r.id);
  const reorder = (next: readonly string[]): void => onReorder?.([...next].reverse());
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    reorder(arrayMove(ids, ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  const onStep = (id: string, by: 1 | -1): void => {
    const at = ids.indexOf(id);
    const to = at - by;
    if (to >= 0 && to < ids.length) reorder(arrayMove(ids, at, to));
  };
  return (
    <DndContext id={`ladder-${label}`} sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol reversed aria-label={label} className="border-x-[5px] border-leaf-deep">
          {drawn.map((rung, i) => (
            <Rung
              key={rung.id}
              rung={rung}
              place={rungs.length - i}
              count={rungs.length}
              current={rung.id === current}
              movable={onReorder !== undefined}
              onChoose={onChoose}
              onStep={onReorder ? onStep : undefined}
              onTick={onTick}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}
