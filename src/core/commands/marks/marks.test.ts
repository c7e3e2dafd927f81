import { describe, expect, it } from 'vitest';
import { markId, type Mark, type NewMark } from '../../studio';
import { does, EIGHT, nothing, puts, refusal, removes, runOn, section, standing, student } from '../stored-for-tests';
import { carryToCopies, copiesOf } from './carry-to-copies';
import { dropMark } from './drop-mark';
import { placeMark } from './place-mark';
import { putMarks } from './put-marks';
import { setFingers, type FingerAt } from './set-fingers';
import { setWords } from './set-words';
import { takeMarks } from './take-marks';

const base = { pieceId: 'p', studentId: null, source: 'teacher' as const };
const note = (bar: number, i = 0): string => EIGHT.notes.filter((n) => n.bar === bar)[i]?.id ?? '';
const mark = (m: NewMark): Mark => ({ ...m, id: markId(m), updatedAt: '2026-05-20T15:00:00.000Z' }) as Mark;
const finger = (noteId: string, digit: string, variant?: string): Mark =>
  mark({ ...base, kind: 'finger', noteId, finger: digit, ...(variant === undefined ? {} : { variant }) });

describe('fingers', () => {
  const set = (stored: Parameters<typeof does>[1], fingers: readonly FingerAt[], variant = 'full') =>
    does(setFingers, stored, { pieceId: 'p', score: EIGHT, variant, fingers, label: 'x' });
  it('stand at their notes, with string, fret and position where they have some', () => {
    const [row] = puts(
      set(nothing, [{ noteId: note(0), finger: { finger: '3', string: 2, fret: 5, position: 'III' } }]),
      'marks',
    );
    expect(row).toEqual({
      ...base,
      id: `finger~p~${note(0)}~full~`,
      kind: 'finger',
      noteId: note(0),
      finger: '3',
      string: 2,
      fret: 5,
      position: 'III',
    });
    expect(puts(set(nothing, [{ noteId: note(0), finger: { finger: '3' } }]), 'marks')[0]).not.toHaveProperty('string');
  });
  it('of a variant have a place of their own', () => {
    const [row] = puts(
      set({ marks: [finger(note(0), '1')] }, [{ noteId: note(0), finger: { finger: '2' } }], 'simple'),
      'marks',
    );
    expect(row).toMatchObject({ id: `finger~p~${note(0)}~simple~`, variant: 'simple' });
  });
  it('are taken away where they are', () => {
    const stored = { marks: [finger(note(0), '1')] };
    expect(removes(set(stored, [{ noteId: note(0), finger: null }]), 'marks')).toEqual([`finger~p~${note(0)}~full~`]);
    expect(set(stored, [{ noteId: note(1), finger: null }]).changes).toEqual([]);
    expect(set(stored, [{ noteId: note(0), finger: null }], 'simple').changes).toEqual([]);
  });
  it('of one note twice in one change are the later one', () =>
    expect(
      puts(
        set(nothing, [
          { noteId: note(0), finger: { finger: '1' } },
          { noteId: note(0), finger: { finger: '2' } },
        ]),
        'marks',
      ),
    ).toMatchObject([{ finger: '2' }]));
  it('that change after practice are remembered, each with before and after, and who practised is named', () => {
    const stored = {
      marks: [finger(note(0), '1'), finger(note(5), '1')],
      sections: [section('a', 0, 3), section('b', 4, 7)],
      standings: [standing('s', 'a'), standing('t', 'a'), standing('u', 'b')],
      students: [student('s'), student('t'), student('u')],
    };
    const out = set(stored, [
      { noteId: note(0), finger: { finger: '2' } },
      { noteId: note(0, 1), finger: { finger: '4' } },
    ]);
    expect(out.records).toEqual([
      {
        id: 'n1',
        at: '2026-05-20T15:00:00.000Z',
        kind: 'fingering',
        pieceId: 'p',
        noteId: note(0),
        before: '1',
        after: '2',
      },
    ]);
    expect(out.warns).toMatch(/^S, T practised/);
    // Taken away is a change, too; the same again is none; at the last bar of a section it counts.
    expect(set(stored, [{ noteId: note(0), finger: null }]).records).toMatchObject([{ before: '1', after: null }]);
    expect(set(stored, [{ noteId: note(0), finger: { finger: '1' } }]).records).toEqual([]);
    expect(
      set({ ...stored, marks: [finger(note(3), '1')] }, [{ noteId: note(3), finger: { finger: '2' } }]).records,
    ).toHaveLength(1);
    expect(
      set({ ...stored, standings: [standing('s', 'a')] }, [{ noteId: note(5), finger: { finger: '2' } }]).records,
    ).toEqual([]);
    expect(
      set({ ...stored, standings: [standing('s', 'a')] }, [{ noteId: note(5), finger: { finger: '2' } }]).warns,
    ).toBeUndefined();
  });
});

describe('marks', () => {
  const dynamic: NewMark = { ...base, kind: 'dynamic', noteId: note(0), level: 'f' };
  it('are put at their places, the later of two at one place', () => {
    const out = does(putMarks, nothing, {
      marks: [dynamic, { ...dynamic, level: 'p' }, { ...base, kind: 'breath', noteId: note(0), catch: true }],
      label: 'three',
      says: 'done',
    });
    expect(puts(out, 'marks')).toMatchObject([{ id: `dynamic~p~${note(0)}~`, level: 'p' }, { kind: 'breath' }]);
    expect([out.label, out.says]).toEqual(['three', 'done']);
  });
  it('are asked for by their places, and taken from there', () => {
    expect(takeMarks.asks({ marks: [dynamic], label: 'x' })).toEqual({ marks: { ids: [`dynamic~p~${note(0)}~`] } });
    expect(removes(does(takeMarks, { marks: [mark(dynamic)] }, { marks: [dynamic], label: 'x' }), 'marks')).toEqual([
      `dynamic~p~${note(0)}~`,
    ]);
    expect(does(takeMarks, nothing, { marks: [dynamic], label: 'x' }).changes).toEqual([]);
  });
  it('that lost their note go to another, or are dropped', () => {
    const lost = mark({ ...dynamic, noteId: 'old' });
    const out = does(placeMark, { marks: [lost] }, { markId: lost.id, noteId: note(2) });
    expect([removes(out, 'marks'), puts(out, 'marks')]).toMatchObject([
      [lost.id],
      [{ id: `dynamic~p~${note(2)}~`, noteId: note(2) }],
    ]);
    const there = mark(dynamic);
    expect(removes(does(placeMark, { marks: [there] }, { markId: there.id, noteId: note(0) }), 'marks')).toEqual([]);
    expect(removes(does(dropMark, { marks: [lost] }, { markId: lost.id }), 'marks')).toEqual([lost.id]);
    expect(refusal(runOn(placeMark, nothing, { markId: 'x', noteId: note(0) }))).toBe('gone');
    expect(
      refusal(
        runOn(
          placeMark,
          { marks: [mark({ ...base, kind: 'rating', barId: 'bar-1', score: 3 })] },
          { markId: 'x', noteId: note(0) },
        ),
      ),
    ).toBe('gone');
  });
});

describe('own words', () => {
  const line = [note(0, 0), note(0, 1), note(0, 2)];
  const words = (text: string, marks: readonly Mark[] = [], at = line) =>
    does(setWords, { marks }, { pieceId: 'p', line: at, text });
  it('go on note by note, split by hyphens and spaces', () =>
    expect(puts(words('wa-ter-fall'), 'marks').map((m) => [m['noteId'], m['text']])).toEqual([
      [line[0], 'wa'],
      [line[1], 'ter'],
      [line[2], 'fall'],
    ]));
  it('are taken away by nothing, where there is one', () => {
    const there = mark({ ...base, kind: 'syllable', noteId: line[0] ?? '', text: 'wa' });
    expect(removes(words(' ', [there]), 'marks')).toEqual([there.id]);
    expect(words('').changes).toEqual([]);
  });
  it('say when there are more than notes, and cut what is no syllable', () => {
    expect(words('a b c d', [], line.slice(0, 2)).warns).toBe(
      '2 syllables more than there are notes here; they were left out.',
    );
    expect(words('a b c', [], line.slice(0, 2)).warns).toContain('1 syllable more');
    expect(words('a b c').warns).toBeUndefined();
    expect(String(puts(words('x'.repeat(60)), 'marks')[0]?.['text'])).toHaveLength(40);
  });
});

describe('marks carried to copies', () => {
  const [a, b, c] = [section('a', 0, 3), section('b', 4, 7, { likeId: 'a' }), section('c', 6, 7, { likeId: 'a' })];
  const marks = [finger(note(0), '1'), finger(note(6, 3), '5')];
  it('go to what is linked to it, to what it is linked to, and to their copies', () => {
    expect(copiesOf(a, [a, b, c]).map((s) => s.id)).toEqual(['b', 'c']);
    expect(copiesOf(b, [a, b, c]).map((s) => s.id)).toEqual(['a', 'c']);
    expect(copiesOf(section('d', 0, 1), [a, section('e', 2, 3)])).toEqual([]);
  });
  it('stand on the notes that are the same', () => {
    const out = does(carryToCopies, { marks, sections: [a, b] }, { pieceId: 'p', score: EIGHT, from: 'a' });
    expect(puts(out, 'marks')).toMatchObject([{ noteId: note(4), finger: '1' }]);
    expect([out.label, out.says]).toEqual(['marks of A carried to B', '1 mark carried to B.']);
    expect(
      puts(
        does(carryToCopies, { marks, sections: [a, b, c] }, { pieceId: 'p', score: EIGHT, from: 'a', to: ['b'] }),
        'marks',
      ),
    ).toHaveLength(1);
  });
  it('are refused where there is nothing to carry, or no section', () => {
    expect(
      refusal(runOn(carryToCopies, { marks: [], sections: [a, b] }, { pieceId: 'p', score: EIGHT, from: 'a' })),
    ).toBe('nothing-to-carry');
    expect(refusal(runOn(carryToCopies, nothing, { pieceId: 'p', score: EIGHT, from: 'a' }))).toBe('gone');
    expect(
      refusal(
        runOn(
          carryToCopies,
          { marks, sections: [section('a', 0, 3, { fromBar: 'x' }), b] },
          { pieceId: 'p', score: EIGHT, from: 'a' },
        ),
      ),
    ).toBe('not-in-piece');
  });
});
