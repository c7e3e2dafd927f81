import { describe, expect, it } from 'vitest';
import type { InstrumentId } from '../../instruments';
import type { PlayerChoice } from '../../players';
import { MOST, rememberPiece, type Mark, type Page } from '../../studio';
import { addStudent } from '../people/add-student';
import { changeStudent, type StudentChange } from '../people/change-student';
import { changeSettings, freshSettings, type SettingsChange } from '../files/change-settings';
import { does, EIGHT, nothing, piece, puts, refusal, removes, runOn, section, student } from '../stored-for-tests';
import { bringInPiece, type BringInPiece, type ReadPiece } from './bring-in-piece';
import { changePiece, type PieceChange } from './change-piece';
import { addPage, removePage } from './pages';
import { removePiece } from './remove-piece';
import { setDocument } from './set-document';

const choice = (name: string, instrument: InstrumentId | null, part = 'P1'): PlayerChoice => ({
  player: { parts: [part], ...(instrument === null ? {} : { instrument }) },
  key: part,
  name,
  told: { instrument, by: 'name', sure: instrument !== null },
  range: [60, 72],
  rangeText: 'C4 to C5',
  restBars: 0,
  firstBar: 0,
  notes: 8,
});

const AT = '2026-05-20T15:00:00.000Z';
const read: ReadPiece = {
  format: 'musicxml',
  text: '<x/>',
  encoding: 'utf-8',
  bom: false,
  original: null,
  title: 'Air',
  composer: 'Someone',
  players: [choice('Viola', 'viola')],
  remembered: null,
  warnings: 0,
};
const bring = (more: Partial<ReadPiece> = {}, args: Partial<BringInPiece> = {}) =>
  does(bringInPiece, nothing, { read: { ...read, ...more }, fileName: 'air.musicxml', verb: 'brought in', ...args });

describe('a piece brought in', () => {
  it('has what its file says, and the instrument of its part', () => {
    expect(puts(bring(), 'pieces')).toEqual([
      {
        id: 'n1',
        title: 'Air',
        composer: 'Someone',
        format: 'musicxml',
        fileName: 'air.musicxml',
        source: '<x/>',
        encoding: 'utf-8',
        bom: false,
        original: null,
        instrument: 'viola',
        targetTempo: null,
        addedAt: AT,
      },
    ]);
    expect(bring()).toMatchObject({ label: 'Air brought in', says: 'Air is on the shelf.', made: 'n1' });
  });
  it('is called by its file where it has no title, and by the teacher where there is one', () => {
    expect(puts(bring({ title: '' }), 'pieces')).toMatchObject([{ title: 'air' }]);
    expect(puts(bring({}, { title: 'Mine', instrument: 'alto sax' }), 'pieces')).toMatchObject([
      { title: 'Mine', instrument: 'saxophone', instrumentWords: 'alto sax' },
    ]);
    expect(puts(bring({ players: [choice('Staff 1', null)] }), 'pieces')).toMatchObject([{ instrument: 'piano' }]);
  });
  it('says what was cut to fit, what the file says, and what could not be read', () => {
    const long = bring({ title: 'word '.repeat(100), warnings: 1 });
    expect(String(puts(long, 'pieces')[0]?.['title']).length).toBeLessThanOrEqual(MOST.title);
    expect(long.says).toContain('with 1 note about the file, its title or composer was too long and is cut');
    expect(bring({ composer: 'c'.repeat(400), warnings: 2 }).says).toContain(
      'with 2 notes about the file, its title or composer was too long',
    );
    expect(bring({ remembered: '{' }).says).toContain('the marks it carried could not be read');
  });
  it('brings the marks and sections it remembers, at their places', () => {
    const mark: Mark = {
      id: 'old',
      pieceId: 'q',
      studentId: null,
      source: 'teacher',
      kind: 'finger',
      noteId: 'p1-b1-n1',
      finger: '2',
      updatedAt: AT,
    };
    const out = bring({
      remembered: rememberPiece(
        [mark],
        [section('a', 0, 3, { pieceId: 'q' }), section('b', 4, 7, { pieceId: 'q', likeId: 'a' })],
      ),
    });
    expect(puts(out, 'marks')).toMatchObject([{ id: 'finger~n1~p1-b1-n1~full~', pieceId: 'n1' }]);
    const rows = puts(out, 'sections');
    expect(rows).toMatchObject([{ pieceId: 'n1', letter: 'A' }, { likeId: rows[0]?.['id'] }]);
    expect(out.says).toContain('with its 1 marks');
  });
});

describe('a piece', () => {
  const change = (c: PieceChange, more = {}) =>
    puts(does(changePiece, { pieces: [piece(more)] }, { pieceId: 'p', change: c, label: 'x' }), 'pieces')[0];
  it('changes in what was said only', () => {
    expect(change({ title: ' New ' })).toMatchObject({ title: 'New', composer: '', instrument: 'piano' });
    expect(change({ title: '  ' })).toMatchObject({ title: 'Piece' });
    expect(change({ instrument: 'glass harp' })).toMatchObject({ instrument: 'other', instrumentWords: 'glass harp' });
    expect(change({ instrument: 'viola' }, { instrument: 'other', instrumentWords: 'glass harp' })).not.toHaveProperty(
      'instrumentWords',
    );
    expect(change({ title: 'x' }, { instrument: 'other', instrumentWords: 'glass harp' })).toMatchObject({
      instrumentWords: 'glass harp',
    });
    expect(change({ answer: ['hands', 'together'] }, { teaching: { counting: 'unit' } })).toMatchObject({
      teaching: { counting: 'unit', hands: 'together' },
    });
    expect(change({ answer: ['counting', null] }, { teaching: { counting: 'unit' } })?.['teaching']).toEqual({});
    expect(change({ answer: ['counting', 'loudly'] }, { teaching: { counting: 'unit' } })).toMatchObject({
      teaching: { counting: 'unit' },
    });
    expect(refusal(runOn(changePiece, nothing, { pieceId: 'p', change: {}, label: 'x' }))).toBe('gone');
  });
  it('has another document in its place, with the ids it keeps', () => {
    const kept = { edition: 2, bars: {}, notes: { a: 'b' } };
    const set = (document: object, k: typeof kept | null, more = {}) =>
      puts(
        does(
          setDocument,
          { pieces: [piece(more)] },
          { pieceId: 'p', document: { source: 'new', original: 'abc', ...document }, kept: k, label: 'x', says: 'y' },
        ),
        'pieces',
      )[0];
    expect(set({}, kept)).toMatchObject({ source: 'new', original: 'abc', title: 'Piece', kept });
    expect(set({ title: 'Other', composer: 'C' }, null, { kept })).not.toHaveProperty('kept');
    expect(set({ title: '', composer: 'C' }, null)).toMatchObject({ title: 'Piece', composer: 'C' });
    expect(String(set({ title: 't'.repeat(400) }, null)?.['title'])).toHaveLength(MOST.title);
    expect(
      refusal(
        runOn(setDocument, nothing, { pieceId: 'p', document: { source: '', original: null }, kept: null, label: 'x' }),
      ),
    ).toBe('gone');
  });
  it('goes, and says how it comes back', () => {
    const out = does(removePiece, { pieces: [piece()] }, { pieceId: 'p' });
    expect([removes(out, 'pieces'), out.says]).toEqual([
      ['p'],
      'Piece removed; what was heard on it is hidden with it. Undo brings it all back.',
    ]);
    expect(refusal(runOn(removePiece, nothing, { pieceId: 'p' }))).toBe('gone');
  });
  it('has pages, each behind the last', () => {
    const page: Page = { id: 'g', pieceId: 'p', name: '1.png', type: 'image/png', data: 'x', order: 4, updatedAt: AT };
    const { id: _i, order: _o, updatedAt: _u, ...fresh } = page;
    expect(puts(does(addPage, { pieces: [piece()], pages: [page] }, fresh), 'pages')).toMatchObject([
      { id: 'n1', order: 5 },
    ]);
    expect(puts(does(addPage, { pieces: [piece()] }, fresh), 'pages')).toMatchObject([{ order: 1 }]);
    expect(refusal(runOn(addPage, nothing, fresh))).toBe('gone');
    expect(removes(does(removePage, { pages: [page] }, { pageId: 'g' }), 'pages')).toEqual(['g']);
    expect(refusal(runOn(removePage, nothing, { pageId: 'g' }))).toBe('gone');
  });
  it('keeps its bars', () => expect(EIGHT.bars).toHaveLength(8));
});

describe('a student', () => {
  it('needs a name, and comes behind the others', () => {
    const added = does(
      addStudent,
      { students: [student('s', { order: 7 })] },
      { name: ' Wren ', instrument: 'Blockflöte' },
    );
    expect(puts(added, 'students')).toMatchObject([
      {
        id: 'n1',
        name: 'Wren',
        instrument: 'recorder',
        instrumentWords: 'Blockflöte',
        order: 8,
        minutesPerDay: [20, 20, 20, 20, 20, 0, 0],
      },
    ]);
    expect(puts(does(addStudent, nothing, { name: 'W', instrument: '' }), 'students')).toMatchObject([
      { instrument: 'piano', order: 1 },
    ]);
    expect(refusal(runOn(addStudent, nothing, { name: '  ', instrument: '' }))).toBe('no-name');
  });
  it('changes in what was said only', () => {
    const change = (c: StudentChange, more = {}) =>
      puts(
        does(changeStudent, { students: [student('s', more)] }, { studentId: 's', change: c, label: 'x' }),
        'students',
      )[0];
    expect(change({ minutesOn: [2, 45] })).toMatchObject({ minutesPerDay: [20, 20, 45, 20, 20, 0, 0], name: 'S' });
    expect(change({ variant: ['p', 'simple'] }, { variants: { q: 'full' } })).toMatchObject({
      variants: { q: 'full', p: 'simple' },
    });
    expect(change({ instrument: 'cello' }, { instrument: 'other', instrumentWords: 'saw' })).not.toHaveProperty(
      'instrumentWords',
    );
    expect(change({ age: '9', level: 'beginner' }, { instrument: 'other', instrumentWords: 'saw' })).toMatchObject({
      age: '9',
      level: 'beginner',
      instrumentWords: 'saw',
    });
    expect(change({ answer: ['memory', 'asked'] })).toMatchObject({ teaching: { memory: 'asked' } });
    expect(refusal(runOn(changeStudent, nothing, { studentId: 's', change: {}, label: 'x' }))).toBe('gone');
  });
});

describe('settings', () => {
  const change = (c: SettingsChange, before: object | null = null) =>
    puts(
      does(changeSettings, before ? { settings: [{ ...freshSettings(), updatedAt: AT, ...before }] } : nothing, {
        change: c,
        label: 'x',
      }),
      'settings',
    )[0];
  it('begin from the usual ones', () =>
    expect(change({ name: 'Rooms' })).toEqual({ ...freshSettings(), name: 'Rooms' }));
  it('keep what was not said', () => {
    const before = { name: 'Rooms', gestureCues: { 'accent wind': 'air' }, teaching: { hands: 'together' as const } };
    expect(change({ zone: 'Europe/Lisbon' }, before)).toMatchObject({ ...before, zone: 'Europe/Lisbon' });
    expect(change({ gestureCue: ['accent keyboard', 'lean'] }, before)).toMatchObject({
      gestureCues: { 'accent wind': 'air', 'accent keyboard': 'lean' },
    });
    expect(change({ gestureCue: ['accent wind', ''] }, before)?.['gestureCues']).toEqual({});
    expect(change({ answer: ['hands', null] }, before)?.['teaching']).toEqual({});
    expect(change({ answer: ['counting', 'unit'] }, before)?.['teaching']).toEqual({
      hands: 'together',
      counting: 'unit',
    });
  });
});
