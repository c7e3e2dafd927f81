'use client';

import { memo, useEffect, useMemo, useRef, type ReactNode } from 'react';
import { MarkedMusic } from '@/features/marks';
import { useMusicSize, type PieceContext } from '@/features/score';
import type { RoomMusicView } from '@/room';

/** Of the music at home, larger than in the lesson. */
const SCALE = 64;
/** On a telephone. */
const NARROW_SCALE = 44;
const isNarrow = (): boolean => window.matchMedia('(max-width: 640px)').matches;
const isStill = (): boolean => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/** Brings the line of a bar into view, or the next one where the bar is the last of its line: ahead of the eyes. */
function turnAhead(host: HTMLElement, barId: string): void {
  const bar = host.querySelector(`g.measure[id="${CSS.escape(barId)}"]`);
  const line = bar?.closest<HTMLElement>('[data-line]');
  if (!bar || !line) return;
  const bars = line.querySelectorAll('g.measure');
  const isLast = bars[bars.length - 1] === bar;
  const next = line.nextElementSibling;
  const to = isLast && next instanceof HTMLElement ? next : line;
  to.scrollIntoView({ block: 'nearest', behavior: isStill() ? 'auto' : 'smooth' });
}

interface Props {
  readonly context: PieceContext;
  readonly view: RoomMusicView;
  readonly label: string;
}

/** Nothing of the music has changed: it is not drawn anew at every beat. */
const isSameMusic = (a: Props, b: Props): boolean =>
  a.context === b.context &&
  a.label === b.label &&
  a.view.range[0] === b.view.range[0] &&
  a.view.range[1] === b.view.range[1] &&
  a.view.hearing === b.view.hearing &&
  a.view.covers === b.view.covers &&
  a.view.said === b.view.said &&
  a.view.words === b.view.words &&
  a.view.onBar === b.view.onBar;

function Music({ context, view, label }: Props): ReactNode {
  const { played } = context;
  const { range, hearing, covers, said, words, onBar } = view;
  const { factor } = useMusicSize('home');
  const host = useRef<HTMLDivElement | null>(null);
  const barId = hearing === null ? null : (played.bars[hearing]?.id ?? null);
  useEffect(() => {
    if (host.current && barId !== null) turnAhead(host.current, barId);
  }, [barId]);
  const heard = useMemo(() => new Set(barId === null ? [] : [barId]), [barId]);
  return (
    <div ref={host} className={words ? '' : 'without-words'}>
      <MarkedMusic
        context={context}
        from={range[0]}
        to={range[1]}
        label={label}
        scale={(isNarrow() ? NARROW_SCALE : SCALE) * factor}
        cuesBeside
        said={said}
        onBar={(id) => {
          const bar = played.bars.find((b) => b.id === id);
          if (bar) onBar(bar.index);
        }}
        {...(covers ? { coveredBars: heard } : { chosenBars: heard })}
      />
    </div>
  );
}

/** The music of a task with this student’s marks, the bar that is heard in it, the pages turned ahead of time. */
export const FollowedMusic = memo(Music, isSameMusic);
