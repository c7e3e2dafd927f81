'use client';

import { memo, useEffect, useLayoutEffect, useMemo, useRef, type MouseEvent, type ReactNode } from 'react';
import { lineLayout, type LineLayout } from './line-layout';

interface Props {
  readonly systems: readonly string[];
  readonly label: string;
  /** Ids of notes drawn as the current selection. */
  readonly chosen?: ReadonlySet<string>;
  /** Ids of bars with a wash behind them. */
  readonly chosenBars?: ReadonlySet<string>;
  /** Ids of bars that are covered, so that nobody can read them. */
  readonly coveredBars?: ReadonlySet<string>;
  readonly differs?: ReadonlySet<string>;
  readonly onNote?: (noteId: string) => void;
  readonly onBar?: (barId: string, extend: boolean) => void;
  readonly above?: (layout: LineLayout, line: number) => ReactNode;
  readonly below?: (layout: LineLayout, line: number) => ReactNode;
  /** Laid over the music itself. */
  readonly over?: (layout: LineLayout, line: number) => ReactNode;
}

interface LineProps extends Omit<Props, 'systems' | 'label'> {
  readonly svg: string;
  readonly line: number;
}

/** Words that begin near the end of a line are moved to the left until they end with it. */
function keepWordsInside(host: HTMLElement): void {
  const all = host.querySelectorAll<SVGGElement>('g.dir, g.tempo, g.reh');
  // Asking where it ends makes the browser lay the line out: not where there is nothing to move.
  if (all.length === 0) return;
  const edge = host.getBoundingClientRect().right;
  for (const words of all) {
    const over = words.getBoundingClientRect().right - edge;
    if (over > 0) words.style.translate = `${-Math.ceil(over)}px`;
  }
}

/** Boxes behind bars that stand out, or over bars that are covered from top to bottom. */
function BarBoxes({
  layout,
  bars = new Set(),
  covers = false,
}: {
  readonly layout: LineLayout;
  readonly bars: ReadonlySet<string> | undefined;
  readonly covers?: boolean;
}): ReactNode {
  return [...bars].map((id) => {
    const bar = layout.bars.get(id);
    if (!bar) return null;
    const { x: left, width } = bar;
    return covers ? (
      <div
        key={id}
        aria-hidden="true"
        data-covers={id}
        className="pointer-events-none absolute z-10 rounded-sm border border-rule-strong bg-ground"
        style={{ left, width, top: 0, height: layout.height }}
      />
    ) : (
      <div
        key={id}
        aria-hidden="true"
        className="absolute rounded-sm bg-acorn-wash"
        style={{ left, width, top: bar.top - 12, height: bar.height + 24 }}
      />
    );
  });
}

/** Rings around notes that differ. */
function NoteRings({
  layout,
  notes = new Set(),
}: {
  readonly layout: LineLayout;
  readonly notes: ReadonlySet<string> | undefined;
}): ReactNode {
  return [...notes].map((id) => {
    const at = layout.notes.get(id);
    return at ? (
      <div
        key={id}
        aria-hidden="true"
        className="pointer-events-none absolute z-10 rounded-full border-[2.5px] border-leaf"
        style={{ left: at.x - at.width / 2 - 6, top: at.y - 12, width: at.width + 12, height: 24 }}
      />
    ) : null;
  });
}

/** Drawn anew only where something of its own changes: another line that comes in is not. */
const EngravedLine = memo(function EngravedLine({
  svg,
  line,
  chosen,
  chosenBars,
  coveredBars,
  differs,
  onNote,
  onBar,
  above,
  below,
  over,
}: LineProps): ReactNode {
  const host = useRef<HTMLDivElement | null>(null);
  const layout = useMemo(() => lineLayout(svg), [svg]);
  useLayoutEffect(() => {
    if (host.current) keepWordsInside(host.current);
  }, [svg]);
  useEffect(() => {
    const element = host.current;
    if (!element) return;
    for (const old of element.querySelectorAll('[data-chosen]')) old.removeAttribute('data-chosen');
    for (const id of chosen ?? []) element.querySelector(`[id="${CSS.escape(id)}"]`)?.setAttribute('data-chosen', '');
    for (const old of element.querySelectorAll('[data-differs]')) old.removeAttribute('data-differs');
    for (const id of differs ?? []) element.querySelector(`[id="${CSS.escape(id)}"]`)?.setAttribute('data-differs', '');
  }, [chosen, differs, svg]);
  const onClick = (event: MouseEvent): void => {
    const target = event.target as Element;
    const note = target.closest('g.note');
    if (note?.id && onNote) {
      onNote(note.id);
      return;
    }
    if (!onBar || !host.current) return;
    const x = event.clientX - host.current.getBoundingClientRect().left;
    for (const [id, bar] of layout.bars)
      if (x >= bar.x && x <= bar.x + bar.width) {
        onBar(id, event.shiftKey);
        return;
      }
  };
  return (
    <div className="relative scroll-mt-24 scroll-mb-64" data-line={line}>
      {above ? above(layout, line) : null}
      <div className="relative">
        <BarBoxes layout={layout} bars={chosenBars} />
        <NoteRings layout={layout} notes={differs} />
        {/* The keyboard reaches notes and bars through the bar strip and the stage's own keys. */}
        {/* eslint-disable-next-line jsx-a11y/no-static-element-interactions, jsx-a11y/click-events-have-key-events */}
        <div ref={host} className="engraved relative" onClick={onClick} dangerouslySetInnerHTML={{ __html: svg }} />
        <BarBoxes layout={layout} bars={coveredBars} covers />
        {over ? over(layout, line) : null}
      </div>
      {below ? below(layout, line) : null}
    </div>
  );
});

/** Engraved music line by line, with room for lanes above and below each line. */
export function EngravedLines({ systems, label, ...rest }: Props): ReactNode {
  return (
    <div role="group" aria-label={label} className="flex flex-col gap-5">
      {systems.map((svg, i) => (
        <EngravedLine key={i} svg={svg} line={i} {...rest} />
      ))}
    </div>
  );
}
