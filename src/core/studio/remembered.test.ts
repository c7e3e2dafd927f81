import { describe, expect, it } from 'vitest';
import { readScore, REMEMBERED_FIELD, writeMarks } from '../musicxml';
import { openAbc } from './open-piece';
import { recallPiece, rememberPiece, toWrittenMarks } from './remembered';
import type { Mark } from './kinds/marks';
import type { Section } from './schemas';

const opened = openAbc('X:1\nT:T\nM:4/4\nL:1/4\nK:C\nC D E F | G A B c |', 'x.abc');
if (!opened.ok) throw new Error(opened.issue.message);
const { text, read } = opened.value;
const base = { pieceId: 'p', studentId: null, source: 'teacher' as const, updatedAt: '2026-01-01T00:00:00.000Z' };
const [a = '', b = '', c = ''] = read.score.notes.map((n) => n.id);
const MARKS: readonly Mark[] = [
  { ...base, id: '1', kind: 'finger', noteId: a, finger: '1', string: 3, position: 'III' },
  { ...base, id: '2', kind: 'dynamic', noteId: a, level: 'mp' },
  { ...base, id: '3', kind: 'wedge', noteId: a, toNoteId: c, role: 'crescendo' },
  { ...base, id: '4', kind: 'cue', noteId: b, text: 'sing & <breathe>' },
  { ...base, id: '5', kind: 'breath', noteId: b, catch: true },
  { ...base, id: '6', kind: 'bow', noteId: c, direction: 'down' },
  { ...base, id: '7', kind: 'phrase', noteId: c, sign: '?' },
  { ...base, id: '8', kind: 'ornament', noteId: c, style: 'early' },
  { ...base, id: '9', kind: 'syllable', noteId: c, text: 'la' },
  { ...base, id: '10', kind: 'refused', what: 'finger x' },
];
const section: Section = {
  id: 's1',
  pieceId: 'p',
  name: 'Start',
  letter: 'A',
  fromBar: read.score.bars[0]?.id ?? '',
  toBar: read.score.bars[1]?.id ?? '',
  fromOffset: '0',
  toOffset: null,
  parentId: null,
  likeId: null,
  hand: 'all',
  order: 0,
  updatedAt: base.updatedAt,
};

describe('a piece written with its marks and read again', () => {
  const writtenOnce = () => {
    const written = writeMarks(text, read, toWrittenMarks(MARKS, [section]), rememberPiece(MARKS, [section]));
    const again = readScore(written.text, 'again.xml');
    if (!again.ok) throw new Error(again.issue.message);
    return { written, again: again.value };
  };
  it('shows them to any reader', () => {
    const { again } = writtenOnce();
    const note = (id: string) => again.score.notes.find((n) => n.id === id)?.marks;
    expect(note(a)).toMatchObject({ fingers: ['1'], strings: [3] });
    expect(note(b)?.articulations).toContain('breath-mark');
    expect(note(c)?.technical).toContain('down-bow');
    expect(
      again.score.directions.map((d) =>
        d.kind === 'wedge' ? `${d.kind} ${d.role}` : d.kind === 'words' || d.kind === 'rehearsal' ? d.text : d.kind,
      ),
    ).toEqual(expect.arrayContaining(['A', 'dynamic', 'wedge crescendo', 'wedge stop', 'III', 'sing & <breathe>']));
  });
  it('brings every mark and section back to us', () => {
    const back = recallPiece(writtenOnce().again.miscellaneous[REMEMBERED_FIELD] ?? '', 'new');
    const bare = (list: readonly Mark[] | undefined) => list?.map((m) => ({ ...m, id: '', pieceId: '' }));
    expect(bare(back?.marks)).toEqual(bare(MARKS));
    expect(back?.sections[0]).toMatchObject({ pieceId: 'new', letter: 'A', fromBar: section.fromBar });
  });
  it('is not written twice', () => {
    const { written, again } = writtenOnce();
    const twice = writeMarks(written.text, again, toWrittenMarks(MARKS, [section]), rememberPiece(MARKS, [section]));
    expect([twice.added, twice.text]).toEqual([0, written.text]);
  });
  it('refuses a damaged field and goes on without', () => expect(recallPiece('{"version":1', 'new')).toBeNull());

  it('is recalled under the ids of its places; copies and parts point to them, what is not there to nothing', () => {
    const rows = [
      section,
      { ...section, id: 's2', letter: 'B', fromBar: section.toBar, likeId: 's1', parentId: 'gone' },
      { ...section, id: 's3', letter: 'C' },
    ];
    const back = recallPiece(rememberPiece([], rows), 'new');
    const [first, second, third] = back?.sections ?? [];
    expect(first?.id).toMatch(/^section~new~/);
    expect(second).toMatchObject({ pieceId: 'new', likeId: first?.id, parentId: null });
    // Two sections of one place keep apart.
    expect(third?.id).toBe(`${first?.id}~2`);
    expect([first?.likeId, first?.parentId]).toEqual([null, null]);
  });
  it('leaves what is of one student at home, and writes neither suggestions nor what was printed', () => {
    const mine: Mark = { ...base, id: 'x', kind: 'cue', noteId: a, text: 'for her', studentId: 's' };
    const printed: Mark = { ...base, id: 'y', kind: 'finger', noteId: a, finger: '2', source: 'printed' };
    const editors: Mark = { ...base, id: 'z', kind: 'finger', noteId: b, finger: '3', source: 'editor' };
    expect(recallPiece(rememberPiece([mine, editors], []), 'p')?.marks).toMatchObject([{ noteId: b }]);
    expect(toWrittenMarks([mine, printed, editors], [])).toMatchObject([{ kind: 'finger', noteId: b }]);
  });
  it('has a rehearsal mark where a section begins with its bar and has a letter', () => {
    const letters = (more: Partial<Section>) => toWrittenMarks([], [{ ...section, ...more }]);
    expect(letters({})).toEqual([{ kind: 'rehearsal', barId: section.fromBar, text: 'A' }]);
    expect(letters({ letter: '' })).toEqual([]);
    expect(letters({ fromOffset: '1' })).toEqual([]);
  });
  it('comes back from the version before', () =>
    expect(recallPiece(rememberPiece(MARKS, []).replace('"version":2', '"version":1'), 'p')?.marks).toHaveLength(
      MARKS.length,
    ));
  it('of another version, or of nobody, is left alone', () => {
    expect(recallPiece(rememberPiece([], []).replace('"version":2', '"version":9'), 'p')).toBeNull();
    expect(recallPiece('hello', 'p')).toBeNull();
  });
});
