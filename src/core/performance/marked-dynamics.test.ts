import { describe, expect, it } from 'vitest';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { markedDynamics, PLAIN_PLAN, timedMusic, type LoudnessMark } from '.';

const score = scoreOfAbc('X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:C\n!p!C D E F | G A B c |]');
const id = (i: number): string => score.notes[i]?.id ?? '';
const loudness = (marks: readonly LoudnessMark[]): readonly number[] =>
  timedMusic(score, { ...PLAIN_PLAN, to: 1, dynamics: markedDynamics(score, marks) }).sounds.map((s) =>
    Math.round(s.loud * 127),
  );

describe('loudness that a teacher wrote', () => {
  it('holds from its note on, over what is printed there', () => {
    expect(loudness([{ kind: 'dynamic', noteId: id(4), level: 'f' }])).toEqual([49, 49, 49, 49, 96, 96, 96, 96]);
    expect(loudness([{ kind: 'dynamic', noteId: id(0), level: 'ff' }])[0]).toBe(112);
  });
  it('grows under a hairpin of the teacher', () => {
    const loud = loudness([
      { kind: 'wedge', noteId: id(0), toNoteId: id(4), role: 'crescendo' },
      { kind: 'dynamic', noteId: id(4), level: 'f' },
    ]);
    expect(loud.slice(0, 5)).toEqual([49, 61, 73, 84, 96]);
  });
  it('says nothing by other marks, or by marks of notes that are gone', () => {
    expect(
      loudness([
        { kind: 'cue', noteId: id(2) },
        { kind: 'dynamic', noteId: 'gone', level: 'f' },
      ]),
    ).toEqual(loudness([]));
  });
});
