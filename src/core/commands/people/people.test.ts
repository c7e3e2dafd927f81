import { describe, expect, it } from 'vitest';
import type { StudioEvent } from '../../studio';
import { changePiece } from '../pieces/change-piece';
import { does, nothing, piece, puts, refusal, removes, runOn, student } from '../stored-for-tests';
import { changeStudent } from './change-student';
import { bringBack, removeStudent } from './remove-student';

const AT = '2026-05-20T15:00:00.000Z';
const level = (id: string): StudioEvent =>
  ({ id, at: AT, kind: 'level', studentId: 's', pieceId: 'p', sectionId: 'a', level: 3 }) as StudioEvent;
const imke = student('s', { name: 'Imke' });

describe('a student who stops', () => {
  it('is archived and brought back by one field, with everything else as it was', () => {
    const change = (archived: boolean) =>
      puts(
        does(changeStudent, { ...nothing, students: [imke] }, { studentId: 's', change: { archived }, label: 'x' }),
        'students',
      );
    expect(change(true)).toMatchObject([{ ...imke, archived: true }]);
    expect(change(false)).toMatchObject([{ name: 'Imke', archived: false }]);
  });
  it('is removed with no record touched, and what is hidden is said', () => {
    const stored = { ...nothing, students: [imke], events: [level('e1'), level('e2')] };
    const outcome = does(removeStudent, stored, { studentId: 's' });
    expect(removes(outcome, 'students')).toEqual(['s']);
    expect(outcome.records).toBeUndefined();
    expect(outcome.says).toBe('Imke removed; hidden with the name: 2 levels. Undo brings it all back.');
    expect(does(removeStudent, { ...nothing, students: [imke] }, { studentId: 's' }).says).toBe(
      'Imke removed. Undo brings it all back.',
    );
  });
  it('that is not there cannot be removed', () => {
    expect(refusal(runOn(removeStudent, nothing, { studentId: 's' }))).toBe('gone');
  });
  it('comes back as it was, and so does a piece', () => {
    expect(puts(does(bringBack, nothing, { table: 'students', row: imke }), 'students')).toEqual([imke]);
    expect(puts(does(bringBack, nothing, { table: 'pieces', row: piece() }), 'pieces')).toEqual([piece()]);
  });
});

describe('a cap on the tempo', () => {
  const capped = (caps: Readonly<Record<string, number>> | undefined, tempo: number | null) =>
    puts(
      does(
        changeStudent,
        { ...nothing, students: [{ ...imke, ...(caps ? { caps } : {}) }] },
        { studentId: 's', change: { cap: ['p', tempo] }, label: 'x' },
      ),
      'students',
    )[0]?.caps;
  it('is of one piece, and goes away alone', () => {
    expect(capped(undefined, 72)).toEqual({ p: 72 });
    expect(capped({ p: 72, q: 60 }, null)).toEqual({ q: 60 });
    expect(capped({ q: 60 }, 9000)).toEqual({ q: 60, p: 600 });
  });
});

describe('a piece on the shelf', () => {
  it('is archived, graded and tagged without another word about it', () => {
    const change = { archived: true, grade: 'Grade 2', tags: ['recital'] };
    const outcome = does(changePiece, { ...nothing, pieces: [piece()] }, { pieceId: 'p', change, label: 'x' });
    expect(puts(outcome, 'pieces')).toMatchObject([{ title: 'Piece', ...change }]);
  });
});
