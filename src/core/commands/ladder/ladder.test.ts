import { describe, expect, it } from 'vitest';
import { ladderFor, ladderId, laddersOf, teachingFor, type Ladder, type Rung, type Template } from '../../studio';
import { does, EIGHT, nothing, piece, puts, refusal, removes, runOn, section, student } from '../stored-for-tests';
import { buildLadders } from './build-ladders';
import { changeRungs, type RungEdit } from './change-rungs';
import { settleOwnLadder } from './own-ladder';
import { setTarget } from './set-target';
import { addTemplate, keepTemplate, shareOwnRungs } from './templates';

const AT = '2026-05-20T15:00:00.000Z';
const setting = { score: EIGHT, teaching: teachingFor(), level: 'intermediate' as const, pieceId: 'p' };
const sections = [section('a', 0, 3), section('b', 4, 7, { likeId: 'a' })];
const stored = { pieces: [piece()], sections };
const asLadder = (row: Record<string, unknown>): Ladder => ({ ...row, updatedAt: AT }) as unknown as Ladder;
const build = (more: object = {}, ids = ['a', 'b'], args: object = {}) =>
  does(buildLadders, { ...stored, ...more }, { ...setting, sectionIds: ids, ...args });
const own = (id: string, more: Partial<Rung> = {}): Rung => ({
  id,
  kind: 'own',
  what: `do ${id}`,
  hands: '',
  tempo: null,
  tempoTo: null,
  times: 3,
  done: '3',
  why: 'yours',
  own: true,
  ...more,
});

describe('ladders built', () => {
  const built = () => puts(build(), 'ladders').map(asLadder);
  it('are one a section, with rungs whose ids say what they are', () => {
    expect(built().map((l) => [l.id, l.sectionId, l.pieceId])).toEqual([
      [ladderId('a'), 'a', 'p'],
      [ladderId('b'), 'b', 'p'],
    ]);
    const ids = built()[0]?.rungs.map((r) => r.id) ?? [];
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids[0]).toMatch(/^rung~a~/);
    expect(puts(build(), 'ladders')).toEqual(puts(build(), 'ladders'));
  });
  it('of a copy ask only for what differs', () => {
    expect(built()[1]?.rungs.map((r) => r.kind)).toContain('corner');
    expect(built()[1]?.rungs.some((r) => r.what.includes('as A'))).toBe(true);
  });
  it('are not built twice, unless anew, with the teacher’s changes kept', () => {
    const [first] = built();
    if (!first) throw new Error('no ladder');
    expect(puts(build({ ladders: [first] }), 'ladders').map((l) => l['sectionId'])).toEqual(['b']);
    expect(refusal(runOn(buildLadders, { ...stored, ladders: built() }, { ...setting, sectionIds: ['a', 'b'] }))).toBe(
      'nothing-to-build',
    );
    expect(refusal(runOn(buildLadders, stored, { ...setting, sectionIds: ['x'] }))).toBe('nothing-to-build');
    const [low, ...rest] = first.rungs;
    if (!low) throw new Error('no rung');
    const changed = {
      ...first,
      rungs: [{ ...low, times: 9, own: true }, ...rest.slice(1), own('mine')],
      removed: [rest[0]?.key ?? ''],
    };
    const again = build({ ladders: [changed] }, ['a'], { anew: true });
    const rungs = puts(again, 'ladders').map(asLadder)[0]?.rungs ?? [];
    expect(rungs.find((r) => r.id === low.id)?.times).toBe(9);
    expect(rungs.some((r) => r.id === 'mine')).toBe(true);
    expect(rungs.some((r) => r.key === rest[0]?.key)).toBe(false);
    expect([again.label, again.says]).toEqual(['ladder for A built anew', 'Built anew; your changes stay.']);
    expect(build({ ladders: [first] }, ['a'], { anew: true, teaching: teachingFor({ memory: 'asked' }) }).says).toMatch(
      /^Built anew: 2 new, 0 gone/,
    );
  });
  it('say what both changed', () => {
    const [first] = built();
    const rungs = first?.rungs.map((r) => (r.kind === 'run' ? { ...r, tempo: 66 } : r)) ?? [];
    const out = does(
      buildLadders,
      { pieces: [piece({ targetTempo: 100 })], sections, ladders: [{ ...(first as Ladder), rungs }] },
      { ...setting, sectionIds: ['a'], anew: true },
    );
    expect(out.warns).toBe(
      'You and the new build changed the same; yours stays: Through once, from cold: tempo stays 66, built 100.',
    );
  });
  it('need their piece', () =>
    expect(refusal(runOn(buildLadders, { sections }, { ...setting, sectionIds: ['a'] }))).toBe('gone'));
});

describe('rungs', () => {
  const ladder: Ladder = {
    id: ladderId('a'),
    sectionId: 'a',
    pieceId: 'p',
    updatedAt: AT,
    rungs: [own('x', { key: 'k', own: false }), own('y'), own('z')],
  };
  const edit = (e: RungEdit, more: object = {}) =>
    does(changeRungs, { sections, ladders: [ladder], ...more }, { pieceId: 'p', sectionId: 'a', edit: e });
  const ids = (e: RungEdit) =>
    puts(edit(e), 'ladders')
      .map(asLadder)[0]
      ?.rungs.map((r) => r.id);
  it('come behind another, on top, or at the bottom', () => {
    expect(ids({ kind: 'add', rung: own('n'), behind: 'x' })).toEqual(['x', 'n', 'y', 'z']);
    expect(ids({ kind: 'add', rung: own('n'), behind: null })).toEqual(['x', 'y', 'z', 'n']);
    expect(ids({ kind: 'add', rung: own('n'), behind: 'bottom' })).toEqual(['n', 'x', 'y', 'z']);
    expect(edit({ kind: 'add', rung: own('n'), behind: null })).toMatchObject({ made: 'n', label: 'rung added' });
  });
  it('change and become the teacher’s', () => {
    const rungs = puts(edit({ kind: 'change', id: 'x', change: { times: 7 } }), 'ladders').map(asLadder)[0]?.rungs;
    expect(rungs?.map((r) => [r.id, r.times, r.own])).toEqual([
      ['x', 7, true],
      ['y', 3, true],
      ['z', 3, true],
    ]);
  });
  it('that are taken away do not come back by themselves', () => {
    const built = asLadder(puts(edit({ kind: 'remove', id: 'x' }), 'ladders')[0] ?? {});
    expect([built.rungs.map((r) => r.id), built.removed]).toEqual([['y', 'z'], ['k']]);
    expect(asLadder(puts(edit({ kind: 'remove', id: 'y' }), 'ladders')[0] ?? {}).removed).toBeUndefined();
    const again = does(
      changeRungs,
      { sections, ladders: [{ ...ladder, removed: ['old', 'k'] }] },
      { pieceId: 'p', sectionId: 'a', edit: { kind: 'remove', id: 'x' } },
    );
    expect(asLadder(puts(again, 'ladders')[0] ?? {}).removed).toEqual(['old', 'k']);
  });
  it('are put in order; those that are not named stay behind', () => {
    expect(ids({ kind: 'order', ids: ['z', 'x', 'gone'] })).toEqual(['z', 'x', 'y']);
  });
  it('need a ladder and a section that are there', () => {
    const args = { pieceId: 'p', sectionId: 'a' };
    expect(refusal(runOn(changeRungs, { sections, ladders: [] }, { ...args, edit: { kind: 'order', ids: [] } }))).toBe(
      'no-ladder',
    );
    expect(refusal(runOn(changeRungs, nothing, { ...args, edit: { kind: 'order', ids: [] } }))).toBe('gone');
    for (const kind of ['change', 'remove'] as const)
      expect(
        refusal(
          runOn(changeRungs, { sections, ladders: [ladder] }, { ...args, edit: { kind, id: 'gone', change: {} } }),
        ),
      ).toBe('gone');
  });
});

describe('another target', () => {
  it('is followed by every ladder there is, within what a metronome keeps', () => {
    const ladders = puts(build(), 'ladders').map(asLadder).slice(0, 1);
    const out = does(setTarget, { ...stored, ladders }, { ...setting, targetTempo: 120 });
    expect(puts(out, 'pieces')).toMatchObject([{ targetTempo: 120 }]);
    const rungs = puts(out, 'ladders').map(asLadder);
    expect(rungs.map((l) => l.sectionId)).toEqual(['a']);
    expect(rungs[0]?.rungs.find((r) => r.kind === 'run')?.tempo).toBe(120);
    expect(out.label).toBe('target 120');
    expect(puts(does(setTarget, stored, { ...setting, targetTempo: 9999 }), 'pieces')).toMatchObject([
      { targetTempo: 600 },
    ]);
    const printed = does(setTarget, { ...stored, ladders }, { ...setting, targetTempo: null });
    expect([printed.label, puts(printed, 'pieces')[0]?.['targetTempo']]).toEqual(['target as printed', null]);
    expect(refusal(runOn(setTarget, { sections }, { ...setting, targetTempo: 100 }))).toBe('gone');
  });
});

describe('templates', () => {
  const ladder: Ladder = {
    id: ladderId('a'),
    sectionId: 'a',
    pieceId: 'p',
    updatedAt: AT,
    rungs: [own('x', { tempo: 40, tempoTo: 80 }), own('y', { own: false })],
  };
  const at = { ...setting, sectionId: 'a' };
  const kept = () => does(keepTemplate, { ...stored, ladders: [ladder] }, { ...at, name: 'Careful' });
  it('keep tempos as shares of the target', () => {
    expect(puts(kept(), 'templates')).toMatchObject([
      {
        id: 'n1',
        name: 'Careful',
        rungs: [
          { what: 'do x', tempo: 0.5, tempoTo: 1 },
          { what: 'do y', tempo: null },
        ],
      },
    ]);
    expect(refusal(runOn(keepTemplate, stored, { ...at, name: 'x' }))).toBe('no-ladder');
    expect(refusal(runOn(keepTemplate, { ...stored, ladders: [{ ...ladder, rungs: [] }] }, { ...at, name: 'x' }))).toBe(
      'no-ladder',
    );
    expect(refusal(runOn(keepTemplate, { pieces: [piece()] }, { ...at, name: 'x' }))).toBe('gone');
  });
  it('are put on top of a ladder at its target', () => {
    const template = { ...puts(kept(), 'templates')[0], updatedAt: AT } as unknown as Template;
    const on = { pieces: [piece({ targetTempo: 120 })], sections, templates: [template], ladders: [ladder] };
    const rungs = puts(does(addTemplate, on, { ...at, templateId: template.id }), 'ladders').map(asLadder)[0]?.rungs;
    expect(rungs?.map((r) => [r.what, r.tempo, r.own])).toEqual([
      ['do x', 40, true],
      ['do y', null, false],
      ['do x', 60, true],
      ['do y', null, true],
    ]);
    expect(
      puts(does(addTemplate, { ...on, ladders: [] }, { ...at, templateId: template.id }), 'ladders').map(asLadder)[0]
        ?.rungs,
    ).toHaveLength(2);
    expect(refusal(runOn(addTemplate, { ...on, templates: [] }, { ...at, templateId: 'x' }))).toBe('gone');
    expect(refusal(runOn(addTemplate, { ...on, sections: [] }, { ...at, templateId: 'x' }))).toBe('gone');
  });
  it('own rungs are shared once, with ladders that are built first where there is none', () => {
    const out = does(shareOwnRungs, { ...stored, ladders: [ladder] }, { ...at, to: ['b'] });
    const [b] = puts(out, 'ladders').map(asLadder);
    expect(b?.sectionId).toBe('b');
    expect(b?.rungs[b.rungs.length - 1]).toMatchObject({ what: 'do x', tempo: 40, own: true });
    expect(b?.rungs.length).toBeGreaterThan(2);
    const again = does(shareOwnRungs, { ...stored, ladders: [ladder, b as Ladder] }, { ...at, to: ['b'] });
    expect(puts(again, 'ladders').map(asLadder)[0]?.rungs).toEqual(b?.rungs);
    expect(out.says).toBe('1 rung now also in 1 other section.');
    expect(refusal(runOn(shareOwnRungs, stored, { ...at, to: ['b'] }))).toBe('no-own-rungs');
    expect(refusal(runOn(shareOwnRungs, { pieces: [piece()] }, { ...at, to: ['b'] }))).toBe('gone');
  });
});

describe('a ladder of one student', () => {
  const imke = student('imke');
  const nils = student('nils');
  const built = puts(build(), 'ladders').map(asLadder);
  const have = { ...stored, students: [imke, nils], ladders: built };
  const [first] = built[0]?.rungs ?? [];
  const edit = { kind: 'change', id: first?.id ?? '', change: { times: 9 } } as const;
  const changed = puts(
    does(changeRungs, have, { pieceId: 'p', sectionId: 'a', edit, studentId: 'imke' }),
    'ladders',
  ).map(asLadder);
  const both = { ...have, ladders: [...built, ...changed] };
  it('stands beside everyone’s, for her alone, with the same rungs', () => {
    expect(changed).toMatchObject([{ id: ladderId('a', undefined, 'imke'), studentId: 'imke' }]);
    const of = (id?: string) => ladderFor(both.ladders, 'a', undefined, id)?.rungs[0];
    expect([of('imke')?.times, of('nils')?.times, of()?.times]).toEqual([9, first?.times, first?.times]);
    expect(of('imke')?.id).toBe(of()?.id);
    expect(laddersOf(both.ladders, [piece()], imke).map((l) => l.studentId)).toEqual(['imke', undefined]);
  });
  it('is given up, or made everyone’s', () => {
    const back = does(settleOwnLadder, both, { ...setting, student: imke, sectionId: 'a', to: 'as-the-piece' });
    expect([puts(back, 'ladders'), removes(back, 'ladders')]).toEqual([[], [ladderId('a', undefined, 'imke')]]);
    const given = does(settleOwnLadder, both, { ...setting, student: imke, sectionId: 'a', to: 'for-everyone' });
    expect(puts(given, 'ladders')).toMatchObject([
      { id: ladderId('a'), rungs: [{ times: 9 }, ...(built[0]?.rungs.slice(1) ?? []).map(() => ({}))] },
    ]);
    expect(
      refusal(runOn(settleOwnLadder, both, { ...setting, student: nils, sectionId: 'a', to: 'as-the-piece' })),
    ).toBe('no-own-ladder');
  });
  it('follows her own target; the piece and the others keep theirs', () => {
    const slow = does(setTarget, both, { ...setting, student: imke, targetTempo: 60 });
    expect(puts(slow, 'pieces')).toEqual([]);
    expect(puts(slow, 'students')).toMatchObject([{ id: 'imke', tempos: { p: 60 } }]);
    const rows = puts(slow, 'ladders').map(asLadder);
    expect(rows.map((l) => l.studentId)).toEqual(['imke', 'imke']);
    const fastest = (l: Ladder | undefined) => Math.max(...(l?.rungs ?? []).map((r) => r.tempoTo ?? r.tempo ?? 0));
    expect(fastest(rows[0])).toBeLessThan(fastest(built[0]));
    // Back to the piece's.
    const mine = { ...both, students: [student('imke', { tempos: { p: 60 } })] };
    const again = does(setTarget, mine, { ...setting, student: imke, targetTempo: null });
    expect(puts(again, 'students')).toMatchObject([{ tempos: {} }]);
    expect(fastest(puts(again, 'ladders').map(asLadder)[0])).toBe(fastest(built[0]));
  });
});
