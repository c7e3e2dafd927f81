'use client';

import { useEffect, useLayoutEffect, useRef, useState, type MouseEvent, type ReactNode } from 'react';

/** Where things stand in one engraved line, in CSS pixels from its top left corner. */
export interface LineLayout {
  readonly width: number;
  readonly height: number;
  readonly notes: ReadonlyMap<string, { readonly x: number; readonly y: number; readonly width: number }>;
  readonly bars: ReadonlyMap<
    string,
    { readonly x: number; readonly width: number; readonly top: number; readonly height: number }
  >;
}

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
}

interface LineProps extends Omit<Props, 'systems' | 'label'> {
  readonly svg: string;
  readonly line: number;
}

/** Words that begin near the end of a line are moved to the left until they end with it. */
function keepWordsInside(host: HTMLElement): void {
  const edge = host.getBoundingClientRect().right;
  for (const words of host.querySelectorAll<SVGGElement>('g.dir, g.tempo, g.reh')) {
    const over = words.getBoundingClientRect().right - edge;
    if (over > 0) words.style.translate = `${-Math.ceil(over)}px`;
  }
}

function measure(host: HTMLElement): LineLayout {
  const frame = host.getBoundingClientRect();
  const notes = new Map<string, { x: number; y: number; width: number }>();
  for (const note of host.querySelectorAll('g.note, g.rest, g.mRest')) {
    const head = note.querySelector('.notehead') ?? note;
    const box = head.getBoundingClientRect();
    if (note.id !== '' && box.width > 0)
      notes.set(note.id, {
        x: box.left - frame.left + box.width / 2,
        y: box.top - frame.top + box.height / 2,
        width: box.width,
      });
  }
  const bars = new Map<string, { x: number; width: number; top: number; height: number }>();
  for (const bar of host.querySelectorAll('g.measure')) {
    const staves = [...bar.querySelectorAll(':scope > g.staff')];
    if (staves.length === 0) continue;
    // A staff's own lines give the height; its notes may stand far above or below.
    const lines = staves.flatMap((staff) =>
      [...staff.querySelectorAll(':scope > path')].map((path) => path.getBoundingClientRect()),
    );
    if (lines.length === 0) continue;
    const top = Math.min(...lines.map((l) => l.top));
    const bottom = Math.max(...lines.map((l) => l.bottom));
    const left = Math.min(...lines.map((l) => l.left));
    const right = Math.max(...lines.map((l) => l.right));
    bars.set(bar.id, { x: left - frame.left, width: right - left, top: top - frame.top, height: bottom - top });
  }
  return { width: frame.width, height: frame.height, notes, bars };
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

function EngravedLine({
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
}: LineProps): ReactNode {
  const host = useRef<HTMLDivElement | null>(null);
  const [layout, setLayout] = useState<LineLayout | null>(null);
  useLayoutEffect(() => {
    if (!host.current) return;
    keepWordsInside(host.current);
    setLayout(measure(host.current));
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
    if (!onBar || !host.current || !layout) return;
    const x = event.clientX - host.current.getBoundingClientRect().left;
    for (const [id, bar] of layout.bars)
      if (x >= bar.x && x <= bar.x + bar.width) {
        onBar(id, event.shiftKey);
        return;
      }
  };
  return (
    <div className="relative scroll-mt-24 scroll-mb-64" data-line={line}>
      {layout && above ? above(layout, line) : null}
      <div className="relative">
        {layout ? <BarBoxes layout={layout} bars={chosenBars} /> : null}
        {layout ? <NoteRings layout={layout} notes={differs} /> : null}
        {/* The keyboard reaches notes and bars through the bar strip and the stage's own keys. */}
        {/* eslint-disable-next-line jsx-a11y/no-static-element-interactions, jsx-a11y/click-events-have-key-events */}
        <div ref={host} className="engraved relative" onClick={onClick} dangerouslySetInnerHTML={{ __html: svg }} />
        {layout ? <BarBoxes layout={layout} bars={coveredBars} covers /> : null}
      </div>
      {layout && below ? below(layout, line) : null}
    </div>
  );
}

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
