import { describe, expect, it } from 'vitest';
import type { FingerMark } from '@/core/studio';
import { scoreOfAbc } from '@/core/studio/abc-for-tests';
import { placeMap } from './place-map';

const finger = (noteId: string, digit: string, more: Partial<FingerMark> = {}): readonly [string, FingerMark] => [
  noteId,
  {
    id: noteId,
    pieceId: 'p',
    studentId: null,
    updatedAt: '',
    source: 'teacher',
    kind: 'finger',
    noteId,
    finger: digit,
    ...more,
  },
];

describe('where the hands begin', () => {
  it('is the first keys of both hands, with the fingers that are chosen', () => {
    const score = scoreOfAbc(
      'X:1\nM:4/4\nL:1/1\n%%score {R L}\nV:R clef=treble\nV:L clef=bass\nK:C\n[V:R] c|e|]\n[V:L] C,|G,|]',
    );
    const first = score.notes.find((n) => n.staff === 1);
    const map = placeMap(score, 'piano', { fingers: new Map([finger(first?.id ?? '', '3')]) }, [0, 1]);
    expect(map).toMatchObject({ kind: 'keyboard' });
    expect(map?.kind === 'keyboard' ? map.keys.map((k) => [k.midi, k.finger, k.hand]) : []).toContainEqual([
      72,
      '3',
      'right',
    ]);
  });
  it('is a string and a place where the teacher said both, and is not guessed', () => {
    const score = scoreOfAbc('X:1\nM:4/4\nL:1/4\nK:G\nB c d e|');
    const [note] = score.notes;
    const id = note?.id ?? '';
    expect(placeMap(score, 'violin', { fingers: new Map([finger(id, '1', { string: 2 })]) }, [0, 0])).toEqual({
      kind: 'strings',
      names: ['E', 'A', 'D', 'G'],
      stops: [{ string: 2, fret: 1, finger: '1' }],
    });
    expect(placeMap(score, 'violin', { fingers: new Map([finger(id, '1')]) }, [0, 0])).toBeNull();
    expect(placeMap(score, 'voice', { fingers: new Map([finger(id, '1')]) }, [0, 0])).toBeNull();
  });
  it('is what is closed on a wind instrument, where it was chosen', () => {
    const score = scoreOfAbc('X:1\nM:4/4\nL:1/4\nK:G\nB c d e|');
    const closed = finger(score.notes[0]?.id ?? '', 'T 1--|---');
    expect(placeMap(score, 'flute', { fingers: new Map([closed]) }, [0, 0])).toEqual({
      kind: 'keys',
      text: 'T 1--|---',
    });
    expect(placeMap(score, 'flute', { fingers: new Map() }, [0, 0])).toBeNull();
  });
});
