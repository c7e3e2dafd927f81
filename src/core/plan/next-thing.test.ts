import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nextThing, type NextFacts } from './next-thing';

const piece = { title: 'Quay', isDivided: true, isOrdered: true, players: 1 };
const student = {
  name: 'Imke',
  inWork: 1,
  hasPiece: true,
  lessonGoesOn: false,
  heardSinceWeek: false,
  lessonEnds: false,
};
const toHear = { name: 'B', title: 'Quay', state: 'due' } as const;
const facts = (more: Partial<NextFacts>): NextFacts => ({
  pieces: 3,
  students: 2,
  piece: null,
  student: null,
  toHear: null,
  waiting: null,
  ...more,
});
const next = (more: Partial<NextFacts>): string => {
  const { says, does } = nextThing(facts(more));
  return `${says} [${does ?? ''}]`;
};

describe('the next thing to do', () => {
  it('is first what has to be there', () => {
    expect(next({ pieces: 0, students: 0 })).toBe('The shelf is empty. [Bring in a piece]');
    expect(next({ students: 0, piece: { ...piece, isDivided: false } })).toBe(
      'Quay is not prepared yet. [Look at the proposal]',
    );
    expect(next({ students: 0, piece })).toBe('There is no student yet. [Add a student]');
    expect(next({ piece: { ...piece, isOrdered: false } })).toBe('The steps of Quay are in no order yet. [Order them]');
  });
  it('is then that somebody gets the piece', () => {
    expect(next({ piece: { ...piece, players: 0 } })).toBe('Nobody plays Quay yet. [Give it out]');
    expect(next({ piece, student: { ...student, hasPiece: false }, toHear })).toBe(
      'Imke does not have Quay in work. [Give it to Imke]',
    );
    expect(next({ student: { ...student, inWork: 0 } })).toBe('Imke has no piece in work. [Choose a piece]');
  });
  it('is then what is due, then the week', () => {
    expect(next({ piece, student, toHear })).toBe('Imke: B is due for a check. [Hear it]');
    expect(next({ student, toHear })).toBe('Imke: B of Quay is due for a check. [Hear it]');
    expect(next({ piece, student: { ...student, heardSinceWeek: true, lessonGoesOn: true } })).toBe(
      'Imke has been heard; the week is not given yet. [Give the week]',
    );
    expect(next({ piece, student, toHear: { ...toHear, state: 'fresh' } })).toBe(
      'Nothing of Imke’s is due. [To the board]',
    );
  });
  it('gives the week before what is new, and when the lesson ends', () => {
    const heard = { ...student, lessonGoesOn: true, heardSinceWeek: true };
    const give = 'Imke has been heard; the week is not given yet. [Give the week]';
    expect(next({ piece, student: heard, toHear })).toBe('Imke: B is due for a check. [Hear it]');
    expect(next({ piece, student: heard, toHear: { ...toHear, state: 'new' } })).toBe(give);
    expect(next({ piece, student: { ...heard, lessonEnds: true }, toHear })).toBe(give);
  });
  it('of everyone is who has most that is due', () => {
    expect(next({ waiting: { name: 'Oskar', due: 3 } })).toBe('Oskar has 3 sections due. [To Oskar]');
    expect(next({ waiting: { name: 'Oskar', due: 1 } })).toBe('Oskar has 1 section due. [To Oskar]');
    expect(next({ waiting: { name: 'Oskar', due: 0 } })).toBe('Nothing is due. [To the board]');
  });
  it('is always one sentence, and asks for nothing that is there already', () => {
    const some = fc.record({
      pieces: fc.nat(3),
      students: fc.nat(3),
      piece: fc.option(
        fc.record({
          title: fc.constant('Quay'),
          isDivided: fc.boolean(),
          isOrdered: fc.boolean(),
          players: fc.nat(2),
        }),
      ),
      student: fc.option(
        fc.record({
          name: fc.constant('Imke'),
          inWork: fc.nat(2),
          hasPiece: fc.boolean(),
          lessonGoesOn: fc.boolean(),
          heardSinceWeek: fc.boolean(),
          lessonEnds: fc.boolean(),
        }),
      ),
      toHear: fc.option(fc.constant(toHear)),
      waiting: fc.option(fc.record({ name: fc.constant('Oskar'), due: fc.nat(4) })),
    });
    fc.assert(
      fc.property(some, (f) => {
        const { kind, says } = nextThing(f);
        expect(says).toMatch(/^[A-Z].*\.$/);
        if (kind === 'bring') expect(f.pieces).toBe(0);
        if (kind === 'add-student') expect(f.students).toBe(0);
        if (kind === 'prepare') expect(f.piece?.isDivided).toBe(false);
        if (kind === 'order') expect(f.piece?.isOrdered).toBe(false);
        if (kind === 'hear') expect(f.toHear).not.toBeNull();
      }),
    );
  });
});
