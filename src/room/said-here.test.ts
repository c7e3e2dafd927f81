import { describe, expect, it } from 'vitest';
import { USUAL_WAY } from '@/core/rhythm';
import { FULL_FINGERING, type Mark } from '@/core/studio';
import { scoreOfAbc } from '@/core/studio/abc-for-tests';
import { sayingsOf } from './said-here';

const TUNE = scoreOfAbc('X:1\nM:2/4\nL:1/8\nK:G\nG2 AB|c2 BA|G4|]\nw:Row, row a-long the quiet bay');
const at = { played: TUNE, from: 0, to: 2, staff: 1 };
const id = (n: number): string => TUNE.notes[n]?.id ?? '';
const mark = (body: object, n: number): Mark =>
  ({ id: `m${n}`, pieceId: 'p', studentId: null, noteId: id(n), updatedAt: '', ...body }) as unknown as Mark;
const said = (marks: readonly Mark[] = [], variant = FULL_FINGERING) => sayingsOf(at, marks, variant, USUAL_WAY);

describe('what can be said of some bars', () => {
  it('is what is there: no fingers where none are written', () => {
    expect(said().sayings).toEqual(['letters', 'counts', 'words']);
    expect(said([mark({ kind: 'finger', finger: '2' }, 0)]).sayings).toContain('fingers');
  });
  it('is the letter with its sign, the count without its beat, the words of the first verse', () => {
    expect([...said().saidTexts('letters').values()].join(' ')).toBe('G A B C B A G');
    expect([...said().saidTexts('counts').values()].join(' ')).toBe('1 2 & 1 2 & 1');
    expect([...said().saidTexts('words').values()].join(' ')).toBe('Row, row a- long the quiet bay');
  });
  it('has the fingers of the variant, else of the full one, and the student’s own words', () => {
    const marks = [
      mark({ kind: 'finger', finger: '1' }, 0),
      mark({ kind: 'finger', finger: '3', variant: 'easy' }, 0),
      mark({ kind: 'syllable', text: 'Hop' }, 1),
    ];
    expect(said(marks, 'easy').saidTexts('fingers').get(id(0))).toBe('3');
    expect(said(marks, 'other').saidTexts('fingers').get(id(0))).toBe('1');
    expect(said(marks).saidTexts('words').get(id(1))).toBe('Hop');
  });
  it('tells where a note stands in its rhythm: bars of one rhythm share a cell', () => {
    const { placeOf } = said();
    expect(placeOf(id(2))).toEqual({ cell: placeOf(id(5))?.cell, count: '2 &' });
    expect(placeOf(id(6))?.cell).not.toBe(placeOf(id(0))?.cell);
    expect(placeOf('nothing')).toBeNull();
  });
});
