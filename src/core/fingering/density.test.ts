import { describe, expect, it } from 'vitest';
import { fingerChanges } from './density';
import type { FingeredNote } from './types';
import { scoreOfAbc } from '../studio/abc-for-tests';

const read = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/8\nK:C\n${music}`);
/** Which notes (by place from 0) must be written when the notes carry these fingers. */
function written(music: string, fingers: string, more: (i: number) => Partial<FingeredNote> = () => ({})): number[] {
  const { notes } = read(music);
  const fingered = new Map(
    notes.flatMap((n, i) => {
      const finger = fingers[i];
      if (finger === undefined || finger === '-') return [];
      return [[n.id, { noteId: n.id, finger, hand: 'right', why: '', locked: false, ...more(i) } as FingeredNote]];
    }),
  );
  const shown = fingerChanges(notes, fingered);
  return notes.flatMap((n, i) => (shown.has(n.id) ? [i] : []));
}

describe('which fingers are written, from which the rest follows [common practice]', () => {
  it('is the first of a five-finger place and nothing more', () =>
    expect(written('CDEFGFED', '12345432')).toEqual([0]));
  it('is the thumb that passes under in a scale, and not what follows it', () =>
    expect(written('CDEFGABc', '12312345')).toEqual([0, 3]));
  it('is another finger on the same key', () => expect(written('CCCC', '3211')).toEqual([0, 1, 2]));
  it('is every lock, and no note without a finger', () => {
    expect(written('CDEF', '1234', (i) => ({ locked: i === 2 }))).toEqual([0, 2]);
    expect(written('CDEF', '1-3-')).toEqual([0]);
  });
  it('counts from the other side in the left hand', () =>
    expect(written('CDEFG', '54321', () => ({ hand: 'left' }))).toEqual([0]));
  it('keeps hands apart', () =>
    expect(written('CDEF', '1533', (i) => ({ hand: i % 2 === 0 ? 'right' : 'left' }))).toEqual([0, 1]));
  it('is one finger of a chord in place, and two where it is wider than the hand’s five keys', () => {
    expect(written('[CEG]', '135')).toEqual([0]);
    expect(written('[CEc]', '125')).toEqual([0, 2]);
  });
  it('is where the hand moves on strings: by position, or by the fret less the finger', () => {
    const on = (positions: string) => (i: number) => ({ hand: undefined, position: positions[i] });
    expect(written('CDEF', '1234', on('1111'))).toEqual([0]);
    expect(written('CDEF', '1213', on('1133'))).toEqual([0, 2]);
    const fret = (frets: readonly number[]) => (i: number) => ({ hand: undefined, fret: frets[i] });
    expect(written('CDEF', '1341', fret([1, 3, 4, 5]))).toEqual([0, 3]);
    expect(written('CDEF', '1030', fret([1, 0, 3, 0]))).toEqual([0]);
  });
  it('is, on a wind instrument, each pitch where it first comes, and other keys for it', () => {
    const keys = (list: readonly string[]) => (i: number) => ({ hand: undefined, finger: '', keys: list[i] });
    // Valves of a trumpet: C, D and E, then E with other valves.
    expect(written('CDCE', '    ', keys(['0', '13', '0', '12']))).toEqual([0, 1, 3]);
    expect(written('EDEE', '    ', keys(['12', '13', '3', '3']))).toEqual([0, 1, 2]);
    expect(written('CC', '  ', (i) => ({ ...keys(['0', '0'])(i), locked: i === 1 }))).toEqual([0, 1]);
  });
});
