import { describe, expect, it } from 'vitest';
import { USUAL_WAY } from '../rhythm';
import type { Mark } from '../studio';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { worksheet } from './worksheet';

const asked = (abc: string, marks: readonly Mark[] = [], to = 1) => {
  const played = scoreOfAbc(`X:1\nM:4/4\nL:1/4\nK:D\n${abc}`);
  return { played, ...worksheet({ played, from: 0, to, way: USUAL_WAY, marks }) };
};
/** Names of two notes after one another, as they are written. */
const namesOf = ({ names, interval }: ReturnType<typeof asked>): string[] =>
  (interval?.pairs ?? []).map(([a, b]) => `${names.get(a) ?? ''} ${names.get(b) ?? ''}`);

describe('what is asked about some bars', () => {
  it('is the names of the notes as they sound in their key: F sharp and C sharp in D', () => {
    const { names } = asked('D F A c|d4|');
    expect([...names.values()]).toEqual(['D', 'F♯', 'A', 'C♯', 'D']);
  });
  it('is every fourth, up or down, whatever its signs', () => {
    // D E F G and F G A B are four letters each, whichever way one goes; G–A is a second, D–F a third.
    expect(namesOf(asked('D G A D|D F B F|'))).toEqual(['D G', 'F♯ B', 'B F♯']);
    expect(namesOf(asked('A d d A|A D D G|'))).toEqual(['A D', 'D A', 'D G']);
  });
  it('is the next best interval where there is no fourth', () => {
    const fifths = asked('D A D A|D4|');
    expect(fifths.interval?.name).toBe('fifth');
    expect(asked('D E F G|A B c d|').interval?.name).toBe('second');
    expect(asked('D4|D4|').interval).toBeNull();
  });
  it('is no interval over a rest, and a held note is no new one', () => {
    expect(asked('D z G z|D4|').interval).toBeNull();
    expect([...asked('D4-|D4|').names.values()]).toEqual(['D']);
  });
  it('is the top of a chord', () => {
    expect([...asked('[DFA] [EGB]|z4|').names.values()]).toEqual(['A', 'B']);
  });
  it('is where a phrase ends, as the teacher marked it', () => {
    const before = asked('D E F G|A4|');
    expect(before.phraseEnds).toEqual([]);
    const last = before.played.notes[4]?.id ?? '';
    const mark = { kind: 'phrase', noteId: last, sign: '.' } as unknown as Mark;
    expect(asked('D E F G|A4|', [mark]).phraseEnds).toEqual([last]);
  });
  it('is counted as the student counts', () => {
    const { counts } = asked('D E F G|A4|');
    expect(counts[0]?.tokens.filter((t) => t.sounding).map((t) => t.text)).toEqual(['1', '2', '3', '4']);
    expect(counts.map((c) => c.bar)).toEqual([0, 1]);
  });
});
