import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { openAbc, type MadeRung, type Rung } from '../studio';
import { cautionsFor } from './cautions';
import { describeCopy } from './copy-of';
import { mergeLadder } from './merge-ladder';
import { estimateMinutes, learnedOverhead, passSeconds, USUAL_OVERHEAD } from './minutes';
import { drawnOrder, startingPoints } from './starting-points';
import { fromTemplateRungs, toTemplateRungs } from './templates';

const made = (what: string, tempo: number | null = 60, times = 3): MadeRung => ({
  what,
  hands: '',
  tempo,
  tempoTo: null,
  times,
  done: 'done',
});
const rung = (key: string, tempo: number | null = 60, times = 3): Rung => ({
  id: `id-${key}`,
  kind: 'tap',
  ...made(key, tempo, times),
  why: 'because',
  own: false,
  key,
  made: made(key, tempo, times),
});
const own: Rung = { id: 'mine', kind: 'own', ...made('hum it'), why: 'yours', own: true };

describe('a ladder built anew', () => {
  it('follows the new build where nothing was changed', () => {
    const merged = mergeLadder([rung('a'), rung('b')], [], [rung('a', 80), rung('b'), rung('c')]);
    expect(merged.rungs.map((r) => [r.key, r.tempo])).toEqual([
      ['a', 80],
      ['b', 60],
      ['c', 60],
    ]);
    expect(merged).toMatchObject({ conflicts: [], added: 1, dropped: 0 });
    expect(merged.rungs[0]?.id).toBe('id-a');
  });
  it('keeps what the teacher changed and lists where both did', () => {
    const mine: Rung = { ...rung('a'), tempo: 66, times: 5, own: true };
    const merged = mergeLadder([mine], [], [rung('a', 80)]);
    expect(merged.rungs[0]).toMatchObject({ tempo: 66, times: 5, own: true });
    expect(merged.conflicts).toEqual([{ rungId: 'id-a', what: 'a', field: 'tempo', kept: '66', built: '80' }]);
  });
  it('keeps own rungs and the order, leaves out what was taken away, drops what is no longer asked', () => {
    const merged = mergeLadder([rung('b'), own, rung('a')], ['c'], [rung('a'), rung('c'), rung('d')]);
    expect(merged.rungs.map((r) => r.key ?? r.id)).toEqual(['mine', 'a', 'd']);
    expect(merged.dropped).toBe(1);
  });
  it('puts a new rung after the one it follows', () =>
    expect(mergeLadder([rung('a'), rung('c')], [], [rung('a'), rung('b'), rung('c')]).rungs.map((r) => r.key)).toEqual([
      'a',
      'b',
      'c',
    ]));
  const anyLadder = fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'), { maxLength: 6 });
  it('changes nothing the second time, and never loses a changed or own rung', () => {
    fc.assert(
      fc.property(
        anyLadder,
        anyLadder,
        fc.integer({ min: 50, max: 99 }),
        fc.subarray(['a', 'b', 'c', 'd', 'e', 'f']),
        (mine, built, tempo, touched) => {
          const before = [
            ...mine.map((k) => (touched.includes(k) ? { ...rung(k), times: 9, own: true } : rung(k))),
            own,
          ];
          const next = built.map((k) => rung(k, tempo));
          const once = mergeLadder(before, [], next);
          expect(mergeLadder(once.rungs, [], next).rungs).toEqual(once.rungs);
          for (const k of mine) if (touched.includes(k)) expect(once.rungs.find((r) => r.key === k)?.times).toBe(9);
          expect(once.rungs).toContainEqual(own);
          for (const k of built) expect(once.rungs.some((r) => r.key === k)).toBe(true);
        },
      ),
    );
  });
});

const score = (() => {
  const opened = openAbc(
    'X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:C\nC D E F | G4 | C D E F | A4 | c4 | c4 | c4 | c4 | c4 | c4 | c4 | c4 |]',
    'x.abc',
  );
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value.read.score;
})();

describe('minutes', () => {
  it('are passes times their length times the overhead', () => {
    // One bar of four quarters at 60 is 4 seconds; five passes, three times as long with all that is besides, are 60.
    expect(passSeconds(score, 0, 0, 60)).toBe(4);
    expect(estimateMinutes(score, 0, 0, 60, 5)).toBe(1);
  });
  it('are learned from the logs, slowly, and never absurdly', () => {
    expect(learnedOverhead([])).toBe(USUAL_OVERHEAD);
    const slow = Array.from({ length: 30 }, () => ({ playingSeconds: 60, minutes: 5 }));
    expect(learnedOverhead(slow)).toBeGreaterThan(4.5);
    expect(learnedOverhead(slow.slice(0, 1))).toBeLessThan(3.5);
    expect(
      learnedOverhead([{ playingSeconds: 1, minutes: 600 }].flatMap((l) => Array.from({ length: 50 }, () => l))),
    ).toBe(8);
  });
});

describe('templates', () => {
  it('fit another tempo and come back the same at the old one', () => {
    const rungs = [rung('a', 50), rung('b', null), rung('c', 100)];
    const kept = toTemplateRungs(rungs, 100);
    expect(fromTemplateRungs(kept, 100, () => 'x').map((r) => r.tempo)).toEqual([50, null, 100]);
    expect(fromTemplateRungs(kept, 140, () => 'x').map((r) => r.tempo)).toEqual([70, null, 140]);
    expect(fromTemplateRungs(kept, 140, () => 'x').every((r) => r.own)).toBe(true);
  });
});

describe('starting points', () => {
  const points = startingPoints(
    score,
    [
      { from: 0, name: 'A' },
      { from: 2, name: 'B' },
    ],
    [],
  );
  it('are where sections begin and in the middle of long stretches', () => {
    expect(points.map((p) => p.bar)).toEqual([0, 2, 7]);
    expect(points[1]?.why).toBe('B begins');
  });
  it('are drawn each once', () => {
    fc.assert(
      fc.property(fc.infiniteStream(fc.double({ min: 0, max: 0.999, noNaN: true })), (chance) => {
        const order = drawnOrder(points, () => chance.next().value ?? 0);
        expect([...order].sort((a, b) => a.bar - b.bar)).toEqual(points);
      }),
    );
  });
});

describe('a copy in words', () => {
  it('names the notes it has instead, by bar', () =>
    expect(describeCopy(score, 'A', [0, 1], [2, 3])).toEqual({
      name: 'A',
      differences: [{ bar: 3, words: 'A instead of G' }],
    }));
  it('of an exact copy has no differences', () =>
    expect(describeCopy(score, 'A', [4, 5], [6, 7]).differences).toEqual([]));
});

describe('cautions', () => {
  const about = { wind: false, stretch: false, notesPerSecond: 2 };
  it('stand where a ladder gives reason for them', () => {
    expect(cautionsFor([rung('a')], about)).toEqual([]);
    expect(cautionsFor([{ ...rung('a'), kind: 'corner' }], about)[0]).toMatch(/^Pain, numbness or tingling/);
    expect(cautionsFor([{ ...rung('a'), minutes: 30 }], about)).toHaveLength(2);
    expect(cautionsFor([rung('a')], { ...about, wind: true })).toEqual([
      'Dizzy from many full breaths? Pause and breathe normally.',
    ]);
  });
});
