import { describe, expect, it } from 'vitest';
import type { Piece, Student } from '@/core/studio';
import { ANYTHING, choicesOf, findPieces, shelfRows, twinOf, type Wanted } from './find-pieces';

const piece = (id: string, more: Partial<Piece> = {}): Piece =>
  ({
    id,
    title: id,
    composer: '',
    format: 'abc',
    instrument: 'piano',
    source: `<${id}/>`,
    addedAt: '2026-05-01T00:00:00.000Z',
    updatedAt: '2026-05-01T00:00:00.000Z',
    ...more,
  }) as Piece;
const imke = { id: 's1', name: 'Imke', order: 1, pieceIds: ['Lamps', 'Étude'] } as unknown as Student;
const bram = { id: 's2', name: 'Bram', order: 0, pieceIds: ['Wall'] } as unknown as Student;
const pieces = [
  piece('Lamps', { composer: 'A. Quay', grade: 'Grade 2', tags: ['recital'] }),
  piece('Étude', { updatedAt: '2026-05-09T00:00:00.000Z' }),
  piece('Wall', { instrument: 'cello', format: 'musicxml' }),
  piece('Old', { archived: true }),
];
const rows = shelfRows(pieces, [imke, bram], new Map([['Wall', '2026-05-20T00:00:00.000Z']]));
const found = (wanted: Partial<Wanted>, sort: Parameters<typeof findPieces>[2] = 'title'): readonly string[] =>
  findPieces(rows, { ...ANYTHING, ...wanted }, sort).map((r) => r.piece.id);

describe('the shelf', () => {
  it('is looked through by any word that is known of a piece, without accents', () => {
    expect(found({ text: 'etude' })).toEqual(['Étude']);
    expect(found({ text: 'imke quay' })).toEqual(['Lamps']);
    expect(found({ text: 'RECITAL' })).toEqual(['Lamps']);
    expect(found({ text: 'cello' })).toEqual(['Wall']);
    expect(found({ text: 'nothing of the kind' })).toEqual([]);
  });
  it('is narrowed by instrument, level, tag, player and where it came from', () => {
    expect(found({ instrument: 'cello' })).toEqual(['Wall']);
    expect(found({ grade: 'Grade 2' })).toEqual(['Lamps']);
    expect(found({ tag: 'recital' })).toEqual(['Lamps']);
    expect(found({ studentId: 's1' })).toEqual(['Étude', 'Lamps']);
    expect(found({ from: 'MusicXML' })).toEqual(['Wall']);
  });
  it('shows what is archived only where that is asked for', () => {
    expect(found({})).toEqual(['Étude', 'Lamps', 'Wall']);
    expect(found({ archived: true })).toEqual(['Old']);
  });
  it('has what was used last first: heard, changed, brought in', () => {
    expect(found({}, 'used')).toEqual(['Wall', 'Étude', 'Lamps']);
  });
  it('offers only what there is to choose, players in the teacher’s order', () => {
    const { instruments, grades, tags, students } = choicesOf(rows);
    expect([instruments, grades, tags]).toEqual([['cello', 'piano'], ['Grade 2'], ['recital']]);
    expect(students.map((s) => s.name)).toEqual(['Bram', 'Imke']);
  });
});

describe('a piece that comes in', () => {
  const read = (more: object) => ({ text: '<new/>', title: 'New', composer: '', ...more });
  it('is known by its document, or by its title and composer', () => {
    expect(twinOf(pieces, read({ text: '<Wall/>' }))).toMatchObject({ piece: { id: 'Wall' }, same: 'document' });
    expect(twinOf(pieces, read({ title: 'lamps', composer: 'a. quay' }))).toMatchObject({ same: 'name' });
    expect(twinOf(pieces, read({ title: 'Lamps', composer: 'Another' }))).toBeNull();
    expect(twinOf(pieces, read({ title: '' }))).toBeNull();
  });
});
