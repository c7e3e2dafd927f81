import { useRef, useState, type FormEvent, type MouseEvent, type ReactNode } from 'react';
import type { PencilMark } from '@/core/studio';
import { PENCIL_LOOK, PENCIL_SHIFT, pencilPlace } from '@/marked';
import { useDrag, type LineLayout } from '@/ui';
import type { Pencil, PencilPlace } from './use-pencil';

/** The place of a bar that a pointer is over, snapped above, between or below the staves; null beside the bars. */
function placeAt(layout: LineLayout, x: number, y: number, staves: number): PencilPlace | null {
  const found = [...layout.bars].find(([, bar]) => x >= bar.x && x <= bar.x + bar.width);
  if (!found) return null;
  const [barId, bar] = found;
  const share = (y - bar.top) / bar.height;
  const side =
    staves > 1 ? (share < 0.25 ? 'above' : share < 0.75 ? 'between' : 'below') : share < 0.5 ? 'above' : 'below';
  return { barId, at: (x - bar.x) / bar.width, side };
}

/** Where something is written: a field at its place. */
function Writing({
  layout,
  place,
  mark,
  pencil,
}: {
  readonly layout: LineLayout;
  readonly place: PencilPlace;
  readonly mark: PencilMark | null;
  readonly pencil: Pencil;
}): ReactNode {
  const [text, setText] = useState(mark?.text ?? '');
  const at = pencilPlace(layout, place);
  if (!at) return null;
  const keep = (event: FormEvent): void => {
    event.preventDefault();
    pencil.write(place, text, mark);
  };
  return (
    <form
      className={`absolute z-20 ${PENCIL_SHIFT[place.side]}`}
      style={{ left: Math.max(70, Math.min(layout.width - 70, at.x)), top: at.y }}
      onSubmit={keep}
    >
      <input
        className="field min-h-10 w-36 text-plum"
        aria-label="Write in pencil"
        placeholder="3, mf, ’, words"
        maxLength={80}
        value={text}
        // It is opened to be typed in.
        // eslint-disable-next-line jsx-a11y/no-autofocus
        autoFocus
        onChange={(event) => setText(event.target.value)}
        onBlur={() => pencil.write(place, text, mark)}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Escape') pencil.setWriting(null);
        }}
      />
    </form>
  );
}

/** One mark: a click writes over it, dragging moves it. */
function PencilHandle({
  mark,
  layout,
  staves,
  host,
  pencil,
}: {
  readonly mark: PencilMark;
  readonly layout: LineLayout;
  readonly staves: number;
  readonly host: () => DOMRect | undefined;
  readonly pencil: Pencil;
}): ReactNode {
  const { to, handlers } = useDrag(
    (event): PencilPlace | null => {
      const box = host();
      return box ? placeAt(layout, event.clientX - box.left, event.clientY - box.top, staves) : null;
    },
    (place) => pencil.move(mark, place),
    () => pencil.setWriting({ place: mark, mark }),
  );
  const at = pencilPlace(layout, to ?? mark);
  if (!at) return null;
  return (
    <button
      type="button"
      data-pencil={mark.role}
      aria-label={`“${mark.text}” on the page`}
      className={`absolute z-10 cursor-grab touch-none rounded bg-sheet/85 px-1 whitespace-nowrap text-plum hover:bg-plum-wash ${PENCIL_SHIFT[(to ?? mark).side]} ${PENCIL_LOOK[mark.role]}`}
      style={{ left: at.x, top: at.y }}
      {...handlers}
      onKeyDown={(event) => {
        if (event.key === 'Enter') pencil.setWriting({ place: mark, mark });
        else if (event.key === 'Delete' || event.key === 'Backspace') pencil.drop(mark);
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      {mark.text}
    </button>
  );
}

/** Over a line that is cut from a page: a click writes there in pencil, what is written is moved and changed. */
export function PencilLayer({
  layout,
  staves,
  pencil,
}: {
  readonly layout: LineLayout;
  readonly staves: number;
  readonly pencil: Pencil;
}): ReactNode {
  const host = useRef<HTMLDivElement | null>(null);
  const { seen, writing } = pencil;
  const write = (event: MouseEvent): void => {
    const box = host.current?.getBoundingClientRect();
    const place = box ? placeAt(layout, event.clientX - box.left, event.clientY - box.top, staves) : null;
    if (place && event.target === event.currentTarget) pencil.setWriting({ place, mark: null });
  };
  return (
    // By keys it is written in the panel beside the music.
    // eslint-disable-next-line jsx-a11y/no-static-element-interactions, jsx-a11y/click-events-have-key-events
    <div ref={host} data-pencil-layer className="absolute inset-0 cursor-text" onClick={write}>
      {seen.map((mark) => (
        <PencilHandle
          key={mark.id}
          mark={mark}
          layout={layout}
          staves={staves}
          host={() => host.current?.getBoundingClientRect()}
          pencil={pencil}
        />
      ))}
      {writing && layout.bars.has(writing.place.barId) ? (
        <Writing
          key={`${writing.place.barId} ${writing.place.at} ${writing.place.side}`}
          layout={layout}
          place={writing.place}
          mark={writing.mark}
          pencil={pencil}
        />
      ) : null}
    </div>
  );
}
