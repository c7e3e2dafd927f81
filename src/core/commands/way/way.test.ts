import { describe, expect, it } from 'vitest';
import { analysisOf } from '../../analysis';
import { placeSections } from '../../sections';
import { ladderFor, teachingFor, type Rung, type Section, type StoredWay } from '../../studio';
import { keptShapes, proposeWay, walkedWay, type Way } from '../../way';
import {
  does,
  EIGHT,
  piece,
  puts,
  refusal,
  removes,
  runOn,
  section,
  student,
  type TestStored,
} from '../stored-for-tests';
import { arrangeWay, type WayEdit } from './arrange-way';
import { changePlace, type PlaceEdit } from './change-place';
import { takeWay } from './take-way';

const SETTING = { pieceId: 'p', score: EIGHT, teaching: teachingFor(), level: 'intermediate' as const };
const A = section('a', 0, 3);
const B = section('b', 4, 7);
const analysis = analysisOf(EIGHT);
const WAY: Way = proposeWay(
  { ...analysis, played: EIGHT, sections: keptShapes(EIGHT, placeSections(EIGHT, [A, B]), analysis.sections) },
  { level: 'intermediate', school: null },
);
const base: Partial<TestStored> = { pieces: [piece()], sections: [A, B], students: [student('s')] };

/** What is stored after a change. */
function after(stored: Partial<TestStored>, outcome: ReturnType<typeof does>): Partial<TestStored> {
  const rows = <T extends { readonly id: string }>(
    table: 'sections' | 'ways' | 'ladders',
    before: readonly T[],
  ): T[] => {
    const fresh = puts(outcome, table) as unknown as T[];
    const gone = removes(outcome, table);
    const changed = new Set(fresh.map((r) => r.id));
    return [...before.filter((r) => !changed.has(r.id) && !gone.includes(r.id)), ...fresh];
  };
  return {
    ...stored,
    sections: rows('sections', stored.sections ?? []),
    ways: rows('ways', stored.ways ?? []),
    ladders: rows('ladders', stored.ladders ?? []),
  };
}
const take = (stored: Partial<TestStored> = base): Partial<TestStored> =>
  after(stored, does(takeWay, stored, { pieceId: 'p', score: EIGHT, steps: WAY.steps }));
const order = (stored: Partial<TestStored>, studentId: string | null = null): string[] =>
  (
    walkedWay(
      (stored.ways ?? []) as readonly StoredWay[],
      placeSections(EIGHT, stored.sections ?? []),
      undefined,
      studentId,
    ) ?? []
  ).map((p) => p.section.name || p.section.letter);
const idOf = (stored: Partial<TestStored>, name: string): string =>
  (stored.sections ?? []).find((s: Section) => s.name === name)?.id ?? name;
const TAKEN = take();
const arrange = (stored: Partial<TestStored>, edit: WayEdit, studentId: string | null = null): Partial<TestStored> =>
  after(stored, does(arrangeWay, stored, { pieceId: 'p', studentId, edit }));
const change = (stored: Partial<TestStored>, edit: PlaceEdit): Partial<TestStored> =>
  after(stored, does(changePlace, stored, { ...SETTING, edit }));

describe('a way taken over', () => {
  it('has a row and a ladder for each step, the kept sections being their own', () => {
    expect(order(TAKEN)).toEqual(
      [
        'bars 1–2',
        'bars 3–4',
        '3 into 4',
        'A',
        'bars 7–8',
        'B',
        '4 into 5',
        'the whole piece, slowly',
        'the whole piece',
      ].map((name) => (name === '3 into 4' ? '2 into 3' : name)),
    );
    expect(TAKEN.ladders).toHaveLength(WAY.steps.length);
    expect(TAKEN.ladders?.every((l) => l.rungs.length > 0)).toBe(true);
  });
  it('links a copy to its model and puts chunks into their sections', () => {
    const chunk = TAKEN.sections?.find((s) => s.name === 'bars 1–2');
    expect(chunk).toMatchObject({ kind: 'chunk', parentId: 'a', hand: 'all', likeId: null });
  });
  it('taken again, keeps the ladders there are and changes nothing', () => {
    const again = does(takeWay, TAKEN, { pieceId: 'p', score: EIGHT, steps: WAY.steps });
    expect(puts(again, 'ladders')).toEqual([]);
    expect(removes(again, 'sections')).toEqual([]);
    expect(order(after(TAKEN, again))).toEqual(order(TAKEN));
  });
});

describe('a way changed by the teacher and proposed anew', () => {
  it('keeps a dragged order, what was left out, what was taken away, renamed, split and added', () => {
    let now = arrange(TAKEN, { kind: 'move', sectionId: idOf(TAKEN, 'bars 7–8'), before: idOf(TAKEN, 'bars 1–2') });
    now = arrange(now, { kind: 'aside', sectionId: idOf(now, '4 into 5'), as: 'skipped' });
    now = change(now, { kind: 'remove', sectionId: idOf(now, '2 into 3') });
    now = change(now, { kind: 'split', sectionId: idOf(now, 'bars 3–4'), at: 3 });
    now = change(now, { kind: 'name', sectionId: idOf(now, 'bars 1–2'), name: 'the call' });
    now = change(now, { kind: 'add', from: 5, to: 6, hand: 'all', behind: idOf(now, 'bars 7–8') });
    const before = order(now);
    expect(before.slice(0, 5)).toEqual(['bars 7–8', 'bars 6–7', 'the call', 'bar 3', 'bar 4']);
    const again = take(now);
    expect(order(again)).toEqual(before);
    expect((again.ways as readonly StoredWay[])[0]?.aside).toEqual({ [idOf(again, '4 into 5')]: 'skipped' });
    expect(order(again)).not.toContain('2 into 3');
  });
  it('follows the new order where the teacher did not drag, and keeps own chunks where they followed', () => {
    const now = change(TAKEN, { kind: 'add', from: 2, to: 2, hand: 'all', behind: idOf(TAKEN, 'bars 1–2') });
    const turned = { ...WAY, steps: [...WAY.steps].reverse() };
    const again = after(now, does(takeWay, now, { pieceId: 'p', score: EIGHT, steps: turned.steps }));
    const names = order(again);
    expect(names.indexOf('bar 3')).toBe(names.indexOf('bars 1–2') + 1);
    expect(names.indexOf('bars 3–4')).toBeLessThan(names.indexOf('bars 1–2'));
  });
});

describe('a student’s own way', () => {
  it('deviates where it was changed, and is the piece’s again when given up', () => {
    const id = idOf(TAKEN, 'bars 3–4');
    const own = arrange(TAKEN, { kind: 'aside', sectionId: id, as: 'skipped' }, 's');
    const placed = placeSections(EIGHT, own.sections ?? []);
    const of = (studentId: string | null, stored = own) =>
      walkedWay((stored.ways ?? []) as readonly StoredWay[], placed, undefined, studentId)?.find(
        (p) => p.section.id === id,
      );
    expect(of('s')).toMatchObject({ aside: 'skipped', deviates: true });
    expect(of(null)).toMatchObject({ aside: null, deviates: false });
    expect(of('other')).toMatchObject({ aside: null, deviates: false });
    expect(of('s', arrange(own, { kind: 'as-the-piece' }, 's'))).toMatchObject({ aside: null, deviates: false });
  });
  it('may put a chunk off to the end, before the whole piece', () => {
    const own = arrange(TAKEN, { kind: 'aside', sectionId: idOf(TAKEN, 'bars 1–2'), as: 'later' }, 's');
    const names = order(own, 's');
    expect(names.slice(-3)).toEqual(['bars 1–2', 'the whole piece, slowly', 'the whole piece']);
    expect(order(own)).toEqual(order(TAKEN));
  });
});

describe('a student’s own order', () => {
  it('keeps what was dragged and takes in what is new on the way of the piece', () => {
    const own = arrange(
      TAKEN,
      { kind: 'move', sectionId: idOf(TAKEN, 'bars 7–8'), before: idOf(TAKEN, 'bars 1–2') },
      's',
    );
    expect(order(own, 's')[0]).toBe('bars 7–8');
    expect(order(own)).toEqual(order(TAKEN));
    const more = change(own, { kind: 'add', from: 5, to: 5, hand: 'all', behind: idOf(own, 'bars 3–4') });
    const names = order(more, 's');
    expect(names[0]).toBe('bars 7–8');
    expect(names.indexOf('bar 6')).toBe(names.indexOf('bars 3–4') + 1);
    // A chunk that goes takes its ladder with it.
    const less = change(more, { kind: 'remove', sectionId: idOf(more, 'bars 1–2') });
    expect(less.ladders?.some((l) => l.sectionId === idOf(more, 'bars 1–2'))).toBe(false);
    expect(order(less, 's')).not.toContain('bars 1–2');
  });
});

describe('chunks', () => {
  it('are joined only with what follows them, and the other one stays away', () => {
    const now = change(TAKEN, { kind: 'join', sectionId: idOf(TAKEN, 'bars 1–2'), withId: idOf(TAKEN, 'bars 3–4') });
    expect(now.sections?.find((s) => s.name === 'bars 1–4')).toMatchObject({
      own: true,
      fromBar: A.fromBar,
      toBar: A.toBar,
    });
    expect(order(take(now))).not.toContain('bars 3–4');
    const far = { kind: 'join', sectionId: idOf(TAKEN, 'bars 1–2'), withId: idOf(TAKEN, 'bars 7–8') } as const;
    expect(refusal(runOn(changePlace, TAKEN, { ...SETTING, edit: far }))).toBe('place-no-neighbour');
  });
  it('that are made, split, joined or moved have a ladder of their own bars at once; own rungs stay', () => {
    const id = idOf(TAKEN, 'bars 3–4');
    const mine = {
      ...TAKEN.ladders?.find((l) => l.sectionId === id)?.rungs[0],
      id: 'mine',
      own: true,
      what: 'Sing it',
    };
    const marked = {
      ...TAKEN,
      ladders: TAKEN.ladders?.map((l) => (l.sectionId === id ? { ...l, rungs: [...l.rungs, mine as Rung] } : l)) ?? [],
    };
    const rungsOf = (stored: Partial<TestStored>, name: string): readonly Rung[] =>
      ladderFor(stored.ladders ?? [], idOf(stored, name), undefined)?.rungs ?? [];
    const minutes = (rungs: readonly Rung[]): number =>
      rungs.filter((r) => r.id !== 'mine').reduce((sum, r) => sum + (r.minutes ?? 0), 0);
    const now = change(marked, { kind: 'split', sectionId: id, at: 3 });
    expect(rungsOf(now, 'bar 4').length).toBeGreaterThan(0);
    expect(rungsOf(now, 'bar 3').map((r) => r.what)).toContain('Sing it');
    expect(minutes(rungsOf(now, 'bar 3'))).toBeLessThan(minutes(rungsOf(TAKEN, 'bars 3–4')));
    const longer = change(now, { kind: 'ends', sectionId: id, from: 2, to: 3 });
    expect(minutes(rungsOf(longer, 'bars 3–4'))).toBeCloseTo(minutes(rungsOf(TAKEN, 'bars 3–4')));
    const more = change(now, { kind: 'add', from: 5, to: 5, hand: 'all', behind: null });
    expect(rungsOf(more, 'bar 6').length).toBeGreaterThan(0);
  });
  it('are refused where they cannot be, with a reason', () => {
    const say = (edit: PlaceEdit, stored = TAKEN) => refusal(runOn(changePlace, stored, { ...SETTING, edit }));
    const id = idOf(TAKEN, 'bars 1–2');
    expect(say({ kind: 'split', sectionId: id, at: 0 })).toBe('place-one-bar');
    expect(say({ kind: 'ends', sectionId: id, from: 3, to: 2 })).toBe('section-upside-down');
    expect(say({ kind: 'add', from: 7, to: 9, hand: 'all', behind: null })).toBe('place-outside');
    expect(say({ kind: 'name', sectionId: id, name: ' ' })).toBe('no-name');
    expect(say({ kind: 'split', sectionId: 'a', at: 1 })).toBe('place-is-section');
    expect(say({ kind: 'remove', sectionId: 'gone' })).toBe('gone');
    expect(say({ kind: 'remove', sectionId: id }, base)).toBe('no-way');
    const move: WayEdit = { kind: 'move', sectionId: 'x', before: null };
    expect(refusal(runOn(arrangeWay, base, { pieceId: 'p', studentId: null, edit: move }))).toBe('no-way');
    expect(refusal(runOn(arrangeWay, TAKEN, { pieceId: 'p', studentId: null, edit: move }))).toBe('gone');
  });
});
