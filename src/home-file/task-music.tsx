import { useEffect, useMemo, useRef, type ReactNode } from 'react';
import type { Score } from '@/core/score';
import { LanesAbove, LanesBelow, PencilOver, type SeenMarks } from '@/marked';
import type { RoomMusicView } from '@/room';
import { EngravedLines } from '@/ui';

interface Props {
  readonly lines: readonly string[];
  readonly played: Score;
  readonly seen: SeenMarks;
  readonly view: RoomMusicView;
  readonly label: string;
}

/** Lines from the one in which a bar stands. */
function linesFrom(lines: readonly string[], barId: string | undefined): readonly string[] {
  const at = barId === undefined ? 0 : lines.findIndex((svg) => svg.includes(`id="${barId}"`));
  return at <= 0 ? lines : lines.slice(at);
}

/** The music of a task as it was printed, the bar that is heard in it. */
export function TaskMusic({ lines, played, seen, view, label }: Props): ReactNode {
  const { range, hearing, covers, said, words, onBar } = view;
  const host = useRef<HTMLDivElement | null>(null);
  const barId = hearing === null ? null : (played.bars[hearing]?.id ?? null);
  const from = played.bars[range[0]]?.id;
  const shown = useMemo(() => linesFrom(lines, from), [lines, from]);
  const heard = useMemo(() => new Set(barId === null ? [] : [barId]), [barId]);
  useEffect(() => {
    if (barId === null) return;
    const line = host.current?.querySelector(`g.measure[id="${CSS.escape(barId)}"]`)?.closest('[data-line]');
    line?.scrollIntoView({ block: 'nearest' });
  }, [barId]);
  return (
    <div ref={host} className={`overflow-x-auto pt-1 pl-4 ${words ? '' : 'without-words'}`}>
      <EngravedLines
        systems={shown}
        label={label}
        {...(covers ? { coveredBars: heard } : { chosenBars: heard })}
        onBar={(id) => {
          const bar = played.bars.find((b) => b.id === id);
          if (bar) onBar(bar.index);
        }}
        over={(layout) => <PencilOver marks={seen.pencil} layout={layout} />}
        above={(layout) => <LanesAbove seen={seen} played={played} layout={layout} dense />}
        below={(layout) => <LanesBelow seen={seen} played={played} layout={layout} said={said} cues={false} dense />}
      />
    </div>
  );
}
