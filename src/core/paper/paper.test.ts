import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Mark, Section } from '../studio';
import {
  addBarLine,
  addPages,
  addSystem,
  agreeToPages,
  barOrder,
  carryPlaces,
  layAnew,
  moveBarLine,
  movePage,
  moveSystemEdge,
  removeBarLine,
  removePage,
  removeSystem,
  setBarsOfBox,
  setStavesOfLine,
  type Paper,
  type PaperChange,
  type PaperResult,
} from '.';
import { EIGHT_ON_A_PAGE as EIGHT, pageOfBars } from './paper-for-tests';

const A0 = { page: 'a', system: 0 };
const done = (result: PaperResult): PaperChange => {
  if (!result.ok) throw new Error(result.issue.message);
  return result.value;
};
const after = (result: PaperResult): Paper => done(result).paper;
const ids = (result: PaperResult): readonly string[] => barOrder(after(result));
const section = (fromBar: string, toBar: string, more: Partial<Section> = {}): Section => ({
  id: `${fromBar}-${toBar}`,
  pieceId: 'p',
  name: '',
  letter: 'A',
  fromBar,
  toBar,
  fromOffset: '0',
  toOffset: null,
  parentId: null,
  likeId: null,
  hand: 'all',
  order: 1,
  updatedAt: '2026-05-20T15:00:00.000Z',
  ...more,
});
const pencil = (barId: string, at: number): Mark => ({
  id: `pencil ${barId} ${at}`,
  kind: 'pencil',
  pieceId: 'p',
  studentId: null,
  source: 'teacher',
  barId,
  at,
  side: 'above',
  role: 'finger',
  text: '3',
  updatedAt: '2026-05-20T15:00:00.000Z',
});
/** Sections that changed, as `from+offset to+offset`. */
const carried = (change: PaperChange, sections: readonly Section[], before = EIGHT): readonly string[] =>
  carryPlaces(change, before, { sections, marks: [] }).sections.map(
    (s) => `${s.fromBar}+${s.fromOffset} ${s.toBar}+${s.toOffset ?? 'end'}`,
  );

describe('a bar line that is put in', () => {
  it('makes two bars of one; what is printed at its end goes with the second', () => {
    const change = done(addBarLine(EIGHT, { page: 'a', system: 1 }, 400));
    expect(barOrder(change.paper)).toEqual(['g1', 'g2', 'g3', 'g4', 'g5', 'g6', 'g7', 'g8', 'g9']);
    const [g8, g9] = change.paper.grid.bars.slice(7);
    expect([g8?.doubleBar, g9?.doubleBar]).toEqual([undefined, 'light-heavy']);
  });
  it('keeps sections where they were on the paper: one that ended there ends with the second half', () => {
    const change = done(addBarLine(EIGHT, A0, 400));
    expect(barOrder(change.paper).slice(3, 5)).toEqual(['g4', 'g9']);
    expect(carried(change, [section('g1', 'g4'), section('g5', 'g8')])).toEqual(['g1+0 g9+end']);
  });
  it('keeps pencil marks where they were on the paper', () => {
    const { marks, goneMarks } = carryPlaces(done(addBarLine(EIGHT, A0, 100)), EIGHT, {
      sections: [],
      marks: [pencil('g1', 0.25), pencil('g1', 0.75), pencil('g2', 0.5)],
    });
    expect(marks).toMatchObject([
      { barId: 'g1', at: 0.5 },
      { barId: 'g9', at: 0.5 },
    ]);
    expect(goneMarks).toHaveLength(2);
  });
  it('behind the last bar of a line is one more bar, before the first one, too', () => {
    expect(ids(addBarLine(EIGHT, A0, 520))).toEqual(['g1', 'g2', 'g3', 'g4', 'g9', 'g5', 'g6', 'g7', 'g8']);
    const first = after(addBarLine(EIGHT, A0, 20));
    expect(barOrder(first)[0]).toBe('g9');
    // Meter and key stay with the first bar.
    expect(first.grid.bars[0]).toMatchObject({ id: 'g9', meter: '4/4', key: 'G' });
  });
  it('is refused where a bar would have hardly any width', () => {
    expect(addBarLine(EIGHT, A0, 52)).toMatchObject({ ok: false, issue: { code: 'paper-too-narrow' } });
    expect(addBarLine(EIGHT, { page: 'gone', system: 0 }, 100).ok).toBe(false);
  });
  it('cuts a box of several bars between them', () => {
    const six = after(setBarsOfBox(EIGHT, { ...A0, box: 1 }, 6));
    const cut = done(addBarLine(six, A0, 200));
    expect(barOrder(cut.paper)).toEqual(barOrder(six));
    expect(cut.paper.layouts[0]?.systems[0]?.boxes.map((b) => b.bars.length)).toEqual([1, 3, 3, 1, 1]);
  });
});

describe('a bar line that is taken away', () => {
  it('makes one bar of two, and sections begin where they began on the paper', () => {
    const change = done(removeBarLine(EIGHT, { ...A0, box: 1 }));
    expect(barOrder(change.paper)).toEqual(['g1', 'g2', 'g4', 'g5', 'g6', 'g7', 'g8']);
    expect(carried(change, [section('g1', 'g2'), section('g3', 'g4'), section('g5', 'g8')])).toEqual([
      'g1+0 g2+2',
      'g2+2 g4+end',
    ]);
  });
  it('keeps what was typed in both, and what is printed at the end of the second', () => {
    const bars = EIGHT.grid.bars.map((b) =>
      b.id === 'g7' ? { ...b, typed: ['C2'] } : b.id === 'g8' ? { ...b, typed: ['D2'] } : b,
    );
    const joined = after(removeBarLine({ ...EIGHT, grid: { ...EIGHT.grid, bars } }, { page: 'a', system: 1, box: 2 }));
    expect(joined.grid.bars[6]).toMatchObject({ id: 'g7', typed: ['C2 D2'], doubleBar: 'light-heavy' });
  });
  it('at either end of a line takes the bar there away, but never the last one of the line', () => {
    expect(ids(removeBarLine(EIGHT, { ...A0, box: 3 }))).toEqual(['g1', 'g2', 'g3', 'g5', 'g6', 'g7', 'g8']);
    expect(ids(removeBarLine(EIGHT, { ...A0, box: -1 }))).toEqual(['g2', 'g3', 'g4', 'g5', 'g6', 'g7', 'g8']);
    const one: Paper = { ...EIGHT, layouts: [pageOfBars('a', [1], 1)] };
    expect(removeBarLine(one, { ...A0, box: 0 })).toMatchObject({ ok: false });
  });
  it('is the way back from one that was put in', () => {
    fc.assert(
      fc.property(fc.integer({ min: 61, max: 439 }), (x) => {
        const put = addBarLine(EIGHT, A0, x);
        if (!put.ok) return;
        const box = put.value.paper.layouts[0]?.systems[0]?.boxes.findIndex((b) => b.to === x) ?? -1;
        const back = after(removeBarLine(put.value.paper, { ...A0, box }));
        expect(back.layouts).toEqual(EIGHT.layouts);
        expect(back.grid.bars).toEqual(EIGHT.grid.bars);
      }),
    );
  });
});

describe('a bar line that is moved', () => {
  it('moves what begins and ends at it, and leaves pencil marks where they are on the paper', () => {
    const change = done(moveBarLine(EIGHT, { ...A0, box: 0 }, 130));
    expect(change.paper.layouts[0]?.systems[0]?.boxes.slice(0, 2)).toMatchObject([
      { from: 50, to: 130 },
      { from: 130, to: 250 },
    ]);
    expect(carried(change, [section('g1', 'g1'), section('g2', 'g4')])).toEqual([]);
    const { marks } = carryPlaces(change, EIGHT, { sections: [], marks: [pencil('g1', 0.9)] });
    expect(marks).toMatchObject([{ barId: 'g2' }]);
  });
  it('stays between its neighbours', () => {
    const far = after(moveBarLine(EIGHT, { ...A0, box: 0 }, 900)).layouts[0]?.systems[0]?.boxes[0];
    expect(far?.to).toBe(240);
    expect(after(moveBarLine(EIGHT, { ...A0, box: -1 }, 0)).layouts[0]?.systems[0]?.boxes[0]?.from).toBe(0);
  });
});

describe('a line of music', () => {
  it('is drawn where none was found, in reading order, and taken away again', () => {
    const drawn = after(addSystem(EIGHT, 'a', { left: 50, right: 450, top: 210, bottom: 250 }, 1));
    expect(barOrder(drawn)).toEqual(['g1', 'g2', 'g3', 'g4', 'g9', 'g5', 'g6', 'g7', 'g8']);
    expect(drawn.grid.bars[4]?.lineBreak).toBe(true);
    expect(ids(removeSystem(drawn, { page: 'a', system: 1 }))).toEqual(barOrder(EIGHT));
  });
  it('is too small to be one where it is smaller than a staff', () => {
    expect(addSystem(EIGHT, 'a', { left: 50, right: 60, top: 210, bottom: 250 }, 1).ok).toBe(false);
  });
  it('that goes takes its bars out of the sections around it; the last one stays', () => {
    const change = done(removeSystem(EIGHT, { page: 'a', system: 1 }));
    expect(carried(change, [section('g1', 'g6'), section('g5', 'g8')])).toEqual(['g1+0 g4+end']);
    expect(removeSystem(change.paper, A0).ok).toBe(false);
  });
  it('has edges that never cut into its staves', () => {
    const { upper } = after(moveSystemEdge(EIGHT, A0, 'upper', 120)).layouts[0]?.systems[0] ?? { upper: 0 };
    expect(upper).toBe(100);
  });
  it('has as many staves as is said, once for all pages', () => {
    const two = after(setStavesOfLine(EIGHT, 2));
    expect(two.layouts[0]?.systems.map((s) => [s.staves.length, s.boxes.length])).toEqual([[2, 4]]);
    expect(two.grid.staves).toBe(2);
    const back = after(setStavesOfLine(two, 1));
    expect(back.layouts[0]?.systems.map((s) => s.boxes.length)).toEqual([4, 4]);
    expect(new Set(barOrder(back)).size).toBe(8);
  });
});

describe('pages', () => {
  const second = pageOfBars('b', [3], 9, 2);
  const both = after(addPages(EIGHT, [second]));
  it('come behind one another, in the order they are put in, and go', () => {
    expect(barOrder(both).slice(-3)).toEqual(['g9', 'g10', 'g11']);
    const turned = after(movePage(both, 'b', 0));
    expect(barOrder(turned).slice(0, 4)).toEqual(['g9', 'g10', 'g11', 'g1']);
    expect(turned.grid.bars[0]).toMatchObject({ meter: '4/4', key: 'G' });
    expect(ids(removePage(both, 'b'))).toEqual(barOrder(EIGHT));
    expect(removePage(EIGHT, 'a').ok).toBe(false);
  });
  it('photographed again keep every bar in reading order, whatever the lines are', () => {
    const { change, differences } = layAnew(EIGHT, [pageOfBars('c', [3, 3, 2], 20)]);
    expect(ids(change)).toEqual(barOrder(EIGHT));
    expect(differences).toEqual({ before: 8, after: 8, lost: [] });
    expect(carried(done(change), [section('g1', 'g4'), section('g5', 'g8')])).toEqual([]);
  });
  it('photographed again with a bar fewer or more say so', () => {
    expect(layAnew(EIGHT, [pageOfBars('c', [7], 20)]).differences).toMatchObject({ after: 7, lost: ['g8'] });
    const more = layAnew(EIGHT, [pageOfBars('c', [9], 20)]);
    expect(more.differences).toMatchObject({ after: 9, lost: [] });
    expect(ids(more.change)).toHaveLength(9);
  });
  it('count the rests again that were counted before', () => {
    const rests = after(setBarsOfBox(EIGHT, { ...A0, box: 1 }, 6));
    expect(ids(layAnew(rests, [pageOfBars('c', [8], 30)]).change)).toEqual(barOrder(rests));
  });
});

describe('whatever is done to a paper', () => {
  const edit = fc.oneof(
    fc.record({ kind: fc.constant('add'), system: fc.nat(3), x: fc.integer({ min: 0, max: 1000 }) }),
    fc.record({ kind: fc.constant('remove'), system: fc.nat(3), x: fc.integer({ min: -1, max: 5 }) }),
    fc.record({ kind: fc.constant('move'), system: fc.nat(3), x: fc.integer({ min: 0, max: 1000 }) }),
    fc.record({ kind: fc.constant('count'), system: fc.nat(3), x: fc.integer({ min: 0, max: 12 }) }),
    fc.record({ kind: fc.constant('draw'), system: fc.nat(3), x: fc.integer({ min: 0, max: 1000 }) }),
    fc.record({ kind: fc.constant('gone'), system: fc.nat(3), x: fc.constant(0) }),
    fc.record({ kind: fc.constant('staves'), system: fc.constant(0), x: fc.integer({ min: 1, max: 3 }) }),
  );
  type Edit = { readonly kind: string; readonly system: number; readonly x: number };
  const run = (paper: Paper, { kind, system, x }: Edit): PaperResult => {
    const place = { page: 'a', system };
    switch (kind) {
      case 'add':
        return addBarLine(paper, place, x);
      case 'remove':
        return removeBarLine(paper, { ...place, box: x });
      case 'move':
        return moveBarLine(paper, { ...place, box: x % 5 }, x);
      case 'count':
        return setBarsOfBox(paper, { ...place, box: x % 5 }, x);
      case 'draw':
        return addSystem(paper, 'a', { left: 40, right: 500, top: x, bottom: x + 40 }, 1);
      case 'gone':
        return removeSystem(paper, place);
      default:
        return setStavesOfLine(paper, x);
    }
  };
  it('has its bars once each, in reading order, in boxes that follow one another; sections and marks lie in it', () => {
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 12 }), (edits) => {
        let paper = EIGHT;
        let sections: readonly Section[] = [section('g1', 'g4'), section('g5', 'g8')];
        for (const each of edits) {
          const result = run(paper, each);
          if (!result.ok) continue;
          const rows = carryPlaces(result.value, paper, { sections, marks: [] }).sections;
          sections = sections.map((s) => rows.find((r) => r.id === s.id) ?? s);
          paper = result.value.paper;
          const order = barOrder(paper);
          expect(paper.grid.bars.map((b) => b.id)).toEqual(order);
          expect(new Set(order).size).toBe(order.length);
          for (const { boxes } of paper.layouts.flatMap((l) => l.systems))
            boxes.forEach((box, i) => {
              expect(box.to).toBeGreaterThan(box.from);
              expect(box.from).toBeGreaterThanOrEqual((boxes[i - 1]?.to ?? -Infinity) - 1e-6);
            });
          for (const s of sections) {
            const [from, to] = [order.indexOf(s.fromBar), order.indexOf(s.toBar)];
            // A section of which nothing is left keeps the bars that it had.
            if (from >= 0 && to >= 0) expect(to).toBeGreaterThanOrEqual(from);
          }
        }
      }),
      { numRuns: 300 },
    );
  });
  it('is agreed to in one go: nothing is doubtful any more', () => {
    const doubtful = structuredClone(EIGHT) as Paper;
    const [page] = doubtful.layouts;
    const unsure: Paper = {
      ...doubtful,
      layouts: [
        {
          ...(page ?? pageOfBars('a', [1], 1)),
          systems: (page?.systems ?? []).map((s) => ({ ...s, boxes: s.boxes.map((b) => ({ ...b, unsure: true })) })),
        },
      ],
    };
    expect(after(agreeToPages(unsure)).layouts).toEqual(EIGHT.layouts);
  });
});
