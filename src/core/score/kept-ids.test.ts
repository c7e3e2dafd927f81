import { describe, expect, it } from 'vitest';
import { keepIds, withKeptIds, type KeptIds } from './kept-ids';
import { scoreOfAbc } from '../studio/abc-for-tests';

const read = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nK:C\n${music}`);
const FOUR = 'C D E F | G A B c | e f g a | c4 |]';
const notesOf = (score: ReturnType<typeof read>, bar: number) =>
  score.notes.filter((n) => n.bar === bar).map((n) => n.id);

describe('ids through editions of a file that has none', () => {
  it('stay with the content when a bar is taken out', () => {
    const before = read(FOUR);
    const after = read('C D E F | e f g a | c4 |]');
    const { kept, newBars } = keepIds(before, after, 1);
    const now = withKeptIds(after, kept);
    expect(notesOf(now, 1)).toEqual(notesOf(before, 2));
    expect(now.bars[1]?.id).toBe(before.bars[2]?.id);
    expect(notesOf(now, 0)).toEqual(notesOf(before, 0));
    expect(newBars).toEqual([]);
  });
  it('are new for a bar that was put in, and never those of something lost', () => {
    const before = read(FOUR);
    const without = keepIds(before, read('C D E F | e f g a | c4 |]'), 1);
    const second = withKeptIds(read('C D E F | e f g a | c4 |]'), without.kept);
    const third = keepIds(second, read('C D E F | B B d B | e f g a | c4 |]'), 2);
    const now = withKeptIds(read('C D E F | B B d B | e f g a | c4 |]'), third.kept);
    expect(third.newBars).toEqual([1]);
    expect(notesOf(now, 2)).toEqual(notesOf(before, 2));
    const known = new Set([...before.notes, ...second.notes].map((n) => n.id));
    expect(notesOf(now, 1).some((id) => known.has(id))).toBe(false);
    expect(new Set(now.notes.map((n) => n.id)).size).toBe(now.notes.length);
  });
  it('stay on the notes of a bar whose one note was corrected', () => {
    const before = read(FOUR);
    const now = withKeptIds(
      read('C D E F | G A A c | e f g a | c4 |]'),
      keepIds(before, read('C D E F | G A A c | e f g a | c4 |]'), 1).kept,
    );
    const [g, a, , c] = notesOf(before, 1);
    const [g2, a2, , c2] = notesOf(now, 1);
    expect([g2, a2, c2]).toEqual([g, a, c]);
  });
  it('are those of the file where nothing is kept', () => {
    const score = read(FOUR);
    expect(withKeptIds(score, null)).toBe(score);
    expect(withKeptIds(score, undefined)).toBe(score);
    const none: KeptIds = { edition: 1, bars: {}, notes: {} };
    expect(withKeptIds(score, none)).toEqual(score);
    expect(keepIds(score, read(FOUR), 3).kept).toEqual({ edition: 3, bars: {}, notes: {} });
  });
});
