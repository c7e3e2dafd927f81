import { describe, expect, it } from 'vitest';
import { carryMarks } from './carry-marks';
import type { Mark } from './kinds/marks';
import type { Piece, Student } from './schemas';
import { TEACHING_QUESTIONS, teachingFor, teachingSchema, USUAL_TEACHING } from './teaching';
import { piecesInWork } from './work';
import { scoreOfAbc } from './abc-for-tests';

describe('how it is taught', () => {
  it('follows the closest word: the piece, the student, the studio', () => {
    expect(teachingFor()).toEqual(USUAL_TEACHING);
    expect(
      teachingFor({ hands: 'together' }, { hands: 'separate', memory: 'asked' }, { memory: 'not', counting: 'unit' }),
    ).toMatchObject({
      hands: 'together',
      memory: 'asked',
      counting: 'unit',
    });
  });
  it('has a question for every setting, with the usual answer among its schools', () => {
    expect(TEACHING_QUESTIONS.map((q) => q.key).sort()).toEqual(Object.keys(teachingSchema.shape).sort());
    for (const q of TEACHING_QUESTIONS) expect(q.schools.map(([v]) => v)).toContain(USUAL_TEACHING[q.key]);
  });
});

describe('carrying marks to a copy', () => {
  const score = scoreOfAbc('X:1\nM:4/4\nL:1/4\nK:C\nC D E F | G4 | C D E F | A4 |]');
  const base = { pieceId: 'p', source: 'teacher' as const, updatedAt: '2026-01-01T00:00:00.000Z' };
  const at = (bar: number, i = 0): string => score.notes.filter((n) => n.bar === bar)[i]?.id ?? '';
  const marks: readonly Mark[] = [
    { ...base, id: '1', studentId: null, kind: 'finger', noteId: at(0), finger: '1' },
    { ...base, id: '2', studentId: null, kind: 'finger', noteId: at(1), finger: '5' },
    { ...base, id: '3', studentId: 's', kind: 'cue', noteId: at(0), text: 'only for one' },
    { ...base, id: '4', studentId: null, kind: 'wedge', noteId: at(0), toNoteId: at(0, 3), role: 'crescendo' },
  ];
  const carried = carryMarks(score, marks, [0, 1], [2, 3]);
  it('takes those on equal notes only, and no student’s own', () =>
    expect(carried).toMatchObject([
      { kind: 'finger', noteId: at(2), finger: '1' },
      { kind: 'wedge', noteId: at(2), toNoteId: at(2, 3) },
    ]));
  it('never puts one where one stands already', () =>
    expect(carryMarks(score, [...marks, ...carried], [0, 1], [2, 3])).toEqual([]));
});

describe('pieces in work', () => {
  const piece = (id: string) => ({ id }) as Piece;
  const student = (pieceIds?: string[]) => ({ id: 's', ...(pieceIds === undefined ? {} : { pieceIds }) }) as Student;
  it('are those put down, in their order; else those met', () => {
    const pieces = ['a', 'b', 'c'].map(piece);
    expect(piecesInWork(student(['c', 'gone', 'a']), pieces, new Set()).map((p) => p.id)).toEqual(['c', 'a']);
    expect(piecesInWork(student(), pieces, new Set(['b'])).map((p) => p.id)).toEqual(['b']);
  });
});
