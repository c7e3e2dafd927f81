import { barLengths } from '../bargrid';
import { fraction, fractionText, type Fraction } from '../score';
import { offsetQuarters } from '../sections';
import { markId, type Mark, type Section } from '../studio';
import type { PaperChange } from './change-paper';
import { barOrder, type MovedPart } from './moved-bars';
import type { Paper } from './paper';

type SectionPlace = Pick<Section, 'fromBar' | 'toBar' | 'fromOffset' | 'toOffset'>;
type MarkToPut = Omit<Mark, 'updatedAt' | 'touched'>;

/** A place in a bar as a share of it. */
interface Place {
  readonly bar: string;
  readonly at: number;
}

const decimal = ({ n, d }: Fraction): number => n / d;
/** Places inside a bar are kept to the half quarter: a cut by eye is no finer. */
const GRAIN = 2;
const offsetText = (quarters: number): string => fractionText(fraction(Math.round(quarters * GRAIN), GRAIN));

/** Where a place is now; at a seam a beginning goes on to the right, an end stays to the left. */
function placeNow(parts: readonly MovedPart[] | undefined, place: Place, end: boolean): Place | null {
  if (parts === undefined) return place;
  const part = end
    ? parts.find((p) => place.at > p.from && place.at <= p.to)
    : (parts.find((p) => place.at >= p.from && place.at < p.to) ?? parts[parts.length - 1]);
  if (!part) return null;
  const share = (place.at - part.from) / (part.to - part.from);
  return { bar: part.into, at: part.at[0] + share * (part.at[1] - part.at[0]) };
}

/**
 * A section on the changed paper: it begins and ends where it did on the page. What began or ended in bars that are
 * gone begins or ends with those beside them; the same section where nothing is left of it.
 */
function carriedSection<S extends SectionPlace>(section: S, change: PaperChange, before: Paper): S {
  const lengths = barLengths(before.grid);
  const now = barLengths(change.paper.grid);
  const there = new Set(barOrder(change.paper));
  const order = barOrder(before);
  const length = (bar: string, of: ReadonlyMap<string, Fraction>): number => decimal(of.get(bar) ?? fraction(4));
  const shareOf = (bar: string, offset: string | null): number =>
    offset === null ? 1 : Math.min(1, decimal(offsetQuarters(offset)) / length(bar, lengths));
  const partsOf = (bar: string): readonly MovedPart[] | undefined =>
    change.keepsLines && there.has(bar) ? undefined : change.moved.get(bar);
  const survivor = (bar: string, way: 1 | -1): string | null => {
    for (let i = order.indexOf(bar); i >= 0 && i < order.length; i += way) {
      const id = order[i];
      if (id !== undefined && there.has(id)) return id;
    }
    return null;
  };
  const begin = placeNow(
    partsOf(section.fromBar),
    { bar: section.fromBar, at: shareOf(section.fromBar, section.fromOffset) },
    false,
  );
  const end = placeNow(
    partsOf(section.toBar),
    { bar: section.toBar, at: shareOf(section.toBar, section.toOffset) },
    true,
  );
  const after = begin && there.has(begin.bar) ? null : survivor(section.fromBar, 1);
  const last = end && there.has(end.bar) ? null : survivor(section.toBar, -1);
  const fromBar = after ?? begin?.bar;
  const toBar = last ?? end?.bar;
  const orderNow = barOrder(change.paper);
  if (fromBar === undefined || toBar === undefined || orderNow.indexOf(fromBar) > orderNow.indexOf(toBar))
    return section;
  const fromOffset = after === null && begin ? offsetText(begin.at * length(begin.bar, now)) : '0';
  const whole = last !== null || !end || end.at > 1 - 1e-6;
  const toOffset = whole ? null : offsetText(end.at * length(end.bar, now));
  return { ...section, fromBar, toBar, fromOffset, toOffset: toOffset === '0' ? null : toOffset };
}

const isSame = (a: SectionPlace, b: SectionPlace): boolean =>
  a.fromBar === b.fromBar && a.toBar === b.toBar && a.fromOffset === b.fromOffset && a.toOffset === b.toOffset;

/** Rows that change with the paper: marks under a former id go when they are put under another. */
export interface Carried {
  readonly sections: readonly Section[];
  readonly marks: readonly MarkToPut[];
  readonly goneMarks: readonly string[];
}

/**
 * What stands at bars, on the changed paper: sections and pencil marks stay where they were on the page. Rows that stay
 * as they are are not among them.
 *
 * @example
 * carryPlaces(movePage(paper, 'a', 0).value, paper, { sections: [], marks: [] })
 * // → { sections: [], marks: [], goneMarks: [] }
 */
export function carryPlaces(
  change: PaperChange,
  before: Paper,
  stored: { readonly sections: readonly Section[]; readonly marks: readonly Mark[] },
): Carried {
  const sections = stored.sections.flatMap((s) => {
    const carried = carriedSection(s, change, before);
    return isSame(s, carried) ? [] : [carried];
  });
  const marks: MarkToPut[] = [];
  const goneMarks: string[] = [];
  for (const mark of stored.marks) {
    if (mark.kind !== 'pencil' || !change.moved.has(mark.barId)) continue;
    const place = placeNow(change.moved.get(mark.barId), { bar: mark.barId, at: mark.at }, false);
    if (!place) continue;
    const { updatedAt: _, touched: _t, ...bare } = mark;
    const next = { ...bare, barId: place.bar, at: Math.max(0, Math.min(1, place.at)) };
    const id = markId(next);
    if (id !== mark.id) goneMarks.push(mark.id);
    marks.push({ ...next, id });
  }
  return { sections, marks, goneMarks };
}
