import { useState, type ReactNode } from 'react';
import { Button } from '@/ui';
import type { Range, RoomTask } from './room-task';

/** The bars of the range as a row of tiles, with the place that was asked for. */
function PlaceMap({ task, range: [from, to], place }: { task: RoomTask; range: Range; place: number }): ReactNode {
  return (
    <div className="flex flex-wrap gap-1" role="img" aria-label={`It is ${task.barName(place)}`}>
      {Array.from({ length: to - from + 1 }, (_, i) => from + i).map((bar) => (
        <span
          key={bar}
          className={`figure flex h-9 min-w-9 px-1 items-center justify-center rounded-sm border text-base ${bar === place ? 'border-acorn bg-acorn-wash font-semibold text-acorn' : 'border-rule-strong bg-sheet text-ink-2'}`}
        >
          {task.barLabel(bar)}
        </span>
      ))}
    </div>
  );
}

interface Props {
  readonly task: RoomTask;
  readonly range: Range;
  /** The music from a bar on. */
  readonly musicFrom: (bar: number) => ReactNode;
}

/** A place drawn at random is begun from cold; the map and the music show after. */
export function FindPlace({ task, range, musicFrom }: Props): ReactNode {
  const places = task.starts.filter((bar) => bar >= range[0] && bar <= range[1]);
  const all = places.length > 0 ? places : [range[0]];
  const draw = (not: number | null): number => {
    const open = all.length > 1 ? all.filter((bar) => bar !== not) : all;
    return open[Math.floor(Math.random() * open.length)] ?? range[0];
  };
  const [place, setPlace] = useState(() => draw(null));
  const [shown, setShown] = useState(false);
  return (
    <section className="panel grid gap-3 p-4" aria-label="Find the place">
      <p className="text-2xl">
        Begin at <strong>{task.barName(place)}</strong>: hands there, then play on.
      </p>
      <div className="flex flex-wrap gap-2">
        <Button big disabled={shown} onClick={() => setShown(true)}>
          Show me
        </Button>
        <Button
          big
          onClick={() => {
            setPlace(draw(place));
            setShown(false);
          }}
        >
          Another place
        </Button>
      </div>
      {shown ? (
        <>
          <PlaceMap task={task} range={range} place={place} />
          {musicFrom(place)}
        </>
      ) : null}
    </section>
  );
}
