import { useState, type PointerEvent } from 'react';

/** A pointer that went no farther than this, in pixels of the screen, has clicked. */
const CLICK = 4;

/** What the element that is dragged listens to. */
export interface DragHandlers {
  readonly onPointerDown: (event: PointerEvent) => void;
  readonly onPointerMove: (event: PointerEvent) => void;
  readonly onPointerUp: (event: PointerEvent) => void;
  readonly onPointerCancel: () => void;
}

/**
 * Dragging by mouse, pen or finger.
 *
 * @param placeOf where a pointer is; null where nothing can be dropped
 * @param onDrop called once with the last place, when the pointer is let go of there
 * @param onClick called instead where the pointer did not move
 * @returns `to`, the place over which it is now, null while nothing is dragged
 */
export function useDrag<P>(
  placeOf: (event: PointerEvent) => P | null,
  onDrop: (to: P) => void,
  onClick?: () => void,
): { readonly to: P | null; readonly handlers: DragHandlers } {
  const [drag, setDrag] = useState<{ readonly x: number; readonly y: number; readonly to: P | null } | null>(null);
  const isFar = (event: PointerEvent): boolean =>
    drag !== null && Math.hypot(event.clientX - drag.x, event.clientY - drag.y) > CLICK;
  return {
    to: drag?.to ?? null,
    handlers: {
      onPointerDown: (event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setDrag({ x: event.clientX, y: event.clientY, to: null });
      },
      onPointerMove: (event) => {
        if (drag && isFar(event)) setDrag({ ...drag, to: placeOf(event) });
      },
      onPointerUp: (event) => {
        if (!drag) return;
        const to = isFar(event) ? placeOf(event) : null;
        setDrag(null);
        if (to !== null) onDrop(to);
        else onClick?.();
      },
      onPointerCancel: () => setDrag(null),
    },
  };
}
