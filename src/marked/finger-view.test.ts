import { describe, expect, it } from 'vitest';
import type { FingeredNote } from '@/core/fingering';
import { openAbc, type FingerMark } from '@/core/studio';
import { fingerAt, fingerLane, type FingerView } from './finger-view';

const opened = openAbc('X:1\nM:4/4\nL:1/4\nK:C\n"^x"C !2!D [EG] F|', 'x.abc');
if (!opened.ok) throw new Error(opened.issue.message);
const { notes } = opened.value.read.score;
const [c, d, e, g, f] = notes.map((n) => n.id) as [string, string, string, string, string];
const mark = (noteId: string, finger: string, source: FingerMark['source'] = 'teacher'): FingerMark => ({
  id: noteId,
  pieceId: 'p',
  studentId: null,
  updatedAt: '2026-01-01T00:00:00.000Z',
  source,
  kind: 'finger',
  noteId,
  finger,
});
const proposal = (noteId: string, finger: string, more: Partial<FingeredNote> = {}): FingeredNote => ({
  noteId,
  bar: 0,
  finger,
  locked: false,
  why: '',
  ...more,
});
const noteOf = (id: string) => {
  const note = notes.find((n) => n.id === id);
  if (!note) throw new Error(id);
  return note;
};
const proposed = new Map([c, d, e, g, f].map((id, i) => [id, proposal(id, String(i + 1))]));
const none: ReadonlySet<string> = new Set();

describe('the finger at a note', () => {
  it('is followed by the next best where it is refused', () => {
    const close = new Map([[c, proposal(c, '1', { alternatives: ['2'] })]]);
    const refused = new Set([`finger ${c} 1`]);
    expect(fingerAt(noteOf(c), new Map(), close, refused)).toEqual({ text: '2', source: 'suggested' });
    expect(fingerAt(noteOf(c), new Map(), close, new Set([...refused, `finger ${c} 2`]))).toBeNull();
  });
  it('is the teacher’s, else the printed one, else what is proposed', () => {
    expect(fingerAt(noteOf(d), new Map([[d, mark(d, '5')]]), proposed, none)).toEqual({ text: '5', source: 'teacher' });
    expect(fingerAt(noteOf(d), new Map(), proposed, none)).toEqual({ text: '2', source: 'printed' });
    expect(fingerAt(noteOf(c), new Map(), proposed, none)).toEqual({ text: '1', source: 'suggested' });
  });
  it('is none where the proposal was refused; another proposal is shown again', () => {
    const refused = new Set([`finger ${c} 1`]);
    expect(fingerAt(noteOf(c), new Map(), proposed, refused)).toBeNull();
    expect(fingerAt(noteOf(c), new Map(), new Map([[c, proposal(c, '3')]]), refused)?.text).toBe('3');
    expect(fingerAt(noteOf(c), new Map(), new Map(), none)).toBeNull();
  });
  it('of a wind instrument is its keys', () => {
    const keys = new Map([[c, proposal(c, '', { keys: 'T 123' })]]);
    expect(fingerAt(noteOf(c), new Map(), keys, none)?.text).toBe('T 123');
    expect(fingerAt(noteOf(c), new Map(), keys, new Set([`finger ${c} T 123`]))).toBeNull();
  });
});

describe('the lane of fingers', () => {
  const lane = (view: FingerView, chosen: string | null = null, own: ReadonlyMap<string, FingerMark> = new Map()) =>
    fingerLane(notes, view, own, proposed, none, chosen);
  it('has all, the first, or none; the chosen note shows its finger in any case', () => {
    expect(lane('every').texts.map((t) => t.noteId)).toEqual([c, d, g, e, f]);
    expect(lane('first').texts.map((t) => t.noteId)).toEqual([c]);
    expect(lane('none').texts).toEqual([]);
    expect(lane('none', f).texts).toMatchObject([{ noteId: f, text: '5', chosen: true }]);
  });
  it('has boxes to write in, whatever is known', () =>
    expect(new Set(lane('boxes').texts.map((t) => t.text))).toEqual(new Set(['▢'])));
  it('stands chords in rows, the highest note on top', () => {
    const { texts, rows } = lane('every');
    expect(rows).toBe(2);
    expect(texts.filter((t) => t.row === 1).map((t) => t.noteId)).toEqual([e]);
  });
  it('marks where a finger is missing at the chosen note', () => {
    const { texts } = fingerLane(notes, 'every', new Map(), new Map(), none, c);
    expect(texts.find((t) => t.noteId === c)).toMatchObject({ text: '·', chosen: true });
  });
});
