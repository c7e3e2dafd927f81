import { fail, ok, type Result } from '../result';
import type { Box, PageSystem } from '../studio';
import { movedBars, type MovedBars } from './moved-bars';
import { freshIds, pageOf, settled, systemAt, withSystem, type Paper, type SystemPlace } from './paper';

/** Another state of the paper, and what it does to what stands at its bars. */
export interface PaperChange {
  readonly paper: Paper;
  readonly moved: MovedBars;
  /** Only lines were moved: what begins or ends at a bar line goes with it. */
  readonly keepsLines: boolean;
}

export type PaperCode = 'paper-nothing-there' | 'paper-too-narrow' | 'paper-full';
export type PaperResult = Result<PaperChange, PaperCode>;

const NOTHING = fail('paper-nothing-there', 'There is no such system or bar line on the page any more.');
const NARROW = fail('paper-too-narrow', 'That would leave a bar with hardly any width.');

/** No bar is narrower than this, in spaces of the staff. */
const NARROWEST = 1;
const MOST_BOXES = 200;

/** A box of a system. */
export interface BoxPlace extends SystemPlace {
  readonly box: number;
}

/** A system with other boxes. */
function changed(
  paper: Paper,
  place: SystemPlace,
  before: PageSystem,
  boxes: readonly Box[],
  { halves, keepsLines = false }: { readonly halves?: ReadonlyMap<string, string>; readonly keepsLines?: boolean } = {},
): PaperResult {
  if (boxes.length > MOST_BOXES) return fail('paper-full', 'A line holds at most 200 bars.');
  const after = boxes.length === 0 ? null : { ...before, boxes: [...boxes] };
  return ok({
    paper: settled(withSystem(paper, place, after), halves),
    moved: movedBars(before, after),
    keepsLines,
  });
}

const seen = ({ unsure: _, ...box }: Box): Box => box;
/** A box of which somebody has said how many bars it is. */
const counted = ({ longRest: _, ...box }: Box, bars: Box['bars']): Box => ({ ...box, bars });

/**
 * Puts a bar line in: the box there becomes two. Beside the first or the last box a new one begins or ends at the line.
 *
 * @example addBarLine(paper, { page: 'a', system: 0 }, 100).value.paper.grid.bars.length // → 9
 */
export function addBarLine(paper: Paper, place: SystemPlace, x: number): PaperResult {
  const system = systemAt(paper, place);
  const page = pageOf(paper, place);
  if (!system || !page) return NOTHING;
  const { boxes } = system;
  const first = boxes[0];
  const last = boxes[boxes.length - 1];
  if (!first || !last) return NOTHING;
  const [id = ''] = freshIds(paper, 1);
  const least = NARROWEST * page.space;
  if (x > last.to)
    return x - last.to < least
      ? NARROW
      : changed(paper, place, system, [...boxes, { bars: [id], from: last.to, to: x }]);
  if (x < first.from)
    return first.from - x < least
      ? NARROW
      : changed(paper, place, system, [{ bars: [id], from: x, to: first.from }, ...boxes]);
  const index = boxes.findIndex((b) => x >= b.from && x <= b.to);
  const box = boxes[index];
  if (!box || x - box.from < least || box.to - x < least) return NARROW;
  const count = box.bars.length;
  const share = (x - box.from) / (box.to - box.from);
  const left = count === 1 ? 1 : Math.max(1, Math.min(count - 1, Math.round(count * share)));
  const right = count === 1 ? [id] : box.bars.slice(left);
  const halves: Box[] = [
    { ...seen(box), bars: box.bars.slice(0, left), to: x },
    { ...seen(box), bars: right, from: x },
  ];
  return changed(paper, place, system, [...boxes.slice(0, index), ...halves, ...boxes.slice(index + 1)], {
    halves: new Map(count === 1 ? [[id, box.bars[0] ?? '']] : []),
  });
}

const ONLY_BAR = fail('paper-full', 'This is the only bar of the line. Take the whole line away instead.');

/**
 * Takes the bar line at the end of a box away: the box and the next become one bar. At the end of a line the last box
 * goes, with `box` -1 the first.
 *
 * @example removeBarLine(paper, { page: 'a', system: 0, box: 0 }).value.paper.grid.bars.length // → 7
 */
export function removeBarLine(paper: Paper, place: BoxPlace): PaperResult {
  const system = systemAt(paper, place);
  if (system && place.box === -1)
    return system.boxes.length > 1 ? changed(paper, place, system, system.boxes.slice(1)) : ONLY_BAR;
  const box = system?.boxes[place.box];
  if (!system || !box) return NOTHING;
  const next = system.boxes[place.box + 1];
  const before = system.boxes.slice(0, place.box);
  if (!next) return before.length === 0 ? ONLY_BAR : changed(paper, place, system, before);
  const joined: Box = { ...seen(box), bars: [...box.bars, ...next.bars.slice(1)], to: next.to };
  return withEnds(
    changed(paper, place, system, [...before, joined, ...system.boxes.slice(place.box + 2)]),
    paper,
    box.bars[box.bars.length - 1],
    next.bars[0],
  );
}

/** What stood at the end of the second of two bars that became one stands at the end of the one. */
function withEnds(change: PaperResult, before: Paper, into: string | undefined, from: string | undefined): PaperResult {
  if (!change.ok) return change;
  const gone = before.grid.bars.find((b) => b.id === from);
  if (!gone) return change;
  const { id: _, meter: _m, key: _k, tempo: _t, repeatStart: _r, ending: _e, lineBreak: _l, typed, ...end } = gone;
  const { grid } = change.value.paper;
  const bars = grid.bars.map((bar) => {
    if (bar.id !== into) return bar;
    const both = [0, 1].map((staff) => [bar.typed?.[staff], typed?.[staff]].filter(Boolean).join(' '));
    return {
      ...bar,
      ...end,
      ...(both.some((t) => t !== '') ? { typed: both.slice(0, grid.staves) } : {}),
    };
  });
  return ok({ ...change.value, paper: { ...change.value.paper, grid: { ...grid, bars } } });
}

/**
 * Moves the bar line at the end of a box; with `box` -1 the beginning of the line.
 *
 * @example
 * moveBarLine(paper, { page: 'a', system: 0, box: 0 }, 130).value.paper.layouts[0].systems[0].boxes[0].to // → 130
 */
export function moveBarLine(paper: Paper, place: BoxPlace, x: number): PaperResult {
  const system = systemAt(paper, place);
  const page = pageOf(paper, place);
  if (!system || !page) return NOTHING;
  const { boxes } = system;
  const box = boxes[place.box];
  const next = boxes[place.box + 1];
  if (!box && !next) return NOTHING;
  const least = NARROWEST * page.space;
  const touching = box && next && Math.abs(next.from - box.to) < least;
  const from = box ? box.from + least : 0;
  const to = next ? (touching || !box ? next.to - least : next.from) : page.width;
  if (to < from) return NARROW;
  const at = Math.max(from, Math.min(to, x));
  return changed(
    paper,
    place,
    system,
    boxes.map((b, i) =>
      i === place.box ? { ...seen(b), to: at } : i === place.box + 1 && (touching || !box) ? { ...b, from: at } : b,
    ),
    { keepsLines: true },
  );
}

const MOST_IN_BOX = 200;

/**
 * Says how many bars a box stands for: rests that are drawn as one.
 *
 * @example setBarsOfBox(paper, { page: 'a', system: 0, box: 0 }, 4).value.paper.grid.bars.length // → 11
 */
export function setBarsOfBox(paper: Paper, place: BoxPlace, count: number): PaperResult {
  const system = systemAt(paper, place);
  const box = system?.boxes[place.box];
  if (!system || !box) return NOTHING;
  const wanted = Math.max(1, Math.min(MOST_IN_BOX, Math.round(count)));
  const bars = [...box.bars.slice(0, wanted), ...freshIds(paper, Math.max(0, wanted - box.bars.length))];
  const last = box.bars[box.bars.length - 1] ?? '';
  const end = bars[bars.length - 1] ?? '';
  return changed(
    paper,
    place,
    system,
    system.boxes.map((b, i) => (i === place.box ? counted(seen(b), bars) : b)),
    { halves: new Map(end === last || wanted < box.bars.length ? [] : [[end, last]]) },
  );
}

/**
 * Marks every box as looked at.
 *
 * @example agreeToPages(paper).ok // → true
 */
export const agreeToPages = (paper: Paper): PaperResult =>
  ok({
    paper: {
      grid: { ...paper.grid, agreed: true },
      layouts: paper.layouts.map((l) => ({
        ...l,
        systems: l.systems.map((s) => ({ ...s, boxes: s.boxes.map(seen) })),
      })),
    },
    moved: new Map(),
    keepsLines: true,
  });
