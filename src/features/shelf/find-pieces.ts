import { instrumentName } from '@/core/instruments';
import type { Piece, Student } from '@/core/studio';
import { plainText } from '@/ui';

/** A piece as the shelf lists it. */
export interface ShelfRow {
  readonly piece: Piece;
  /** Who has it in work, in the teacher's order. */
  readonly players: readonly Student[];
  /** When it was last worked on: brought in, changed, or heard. ISO. */
  readonly usedAt: string;
}

/** What is looked for; empty texts for no matter what. */
export interface Wanted {
  readonly text: string;
  readonly instrument: string;
  readonly grade: string;
  readonly tag: string;
  readonly studentId: string;
  readonly from: string;
  readonly archived: boolean;
}

export const ANYTHING: Wanted = {
  text: '',
  instrument: '',
  grade: '',
  tag: '',
  studentId: '',
  from: '',
  archived: false,
};

export const SORTS = ['used', 'title', 'composer', 'added'] as const;
export type Sort = (typeof SORTS)[number];

/** Where a piece came from, in words. */
export const CAME_AS: Readonly<Record<Piece['format'], string>> = {
  musicxml: 'MusicXML',
  mxl: 'MusicXML, zipped',
  abc: 'ABC',
  midi: 'MIDI, rough',
  grid: 'printed page',
};

/**
 * The rows of the shelf, of what is stored.
 *
 * @example shelfRows([piece], [student], new Map()).map((r) => r.players.length) // → [1]
 */
export function shelfRows(
  pieces: readonly Piece[],
  students: readonly Student[],
  heardAt: ReadonlyMap<string, string>,
): readonly ShelfRow[] {
  return pieces.map((piece) => ({
    piece,
    players: students.filter((s) => s.pieceIds?.includes(piece.id) ?? false),
    usedAt: [piece.addedAt, piece.updatedAt, heardAt.get(piece.id) ?? ''].reduce((a, b) => (a > b ? a : b)),
  }));
}

function fits({ piece, players }: ShelfRow, wanted: Wanted): boolean {
  const said = plainText(
    [
      piece.title,
      piece.composer,
      instrumentName(piece),
      piece.grade ?? '',
      ...(piece.tags ?? []),
      ...players.map((s) => s.name),
    ].join(' '),
  );
  return (
    (piece.archived ?? false) === wanted.archived &&
    plainText(wanted.text)
      .split(/\s+/)
      .every((word) => said.includes(word)) &&
    (wanted.instrument === '' || instrumentName(piece) === wanted.instrument) &&
    (wanted.grade === '' || piece.grade === wanted.grade) &&
    (wanted.tag === '' || (piece.tags?.includes(wanted.tag) ?? false)) &&
    (wanted.studentId === '' || players.some((s) => s.id === wanted.studentId)) &&
    (wanted.from === '' || CAME_AS[piece.format] === wanted.from)
  );
}

const byText = (a: string, b: string): number => a.localeCompare(b, undefined, { sensitivity: 'base', numeric: true });

const ORDER: Readonly<Record<Sort, (a: ShelfRow, b: ShelfRow) => number>> = {
  used: (a, b) => (a.usedAt < b.usedAt ? 1 : a.usedAt > b.usedAt ? -1 : 0),
  title: () => 0,
  composer: (a, b) => byText(a.piece.composer, b.piece.composer),
  added: (a, b) => (a.piece.addedAt < b.piece.addedAt ? 1 : a.piece.addedAt > b.piece.addedAt ? -1 : 0),
};

/**
 * The pieces that are looked for: all words are found somewhere, in any case and without accents. Pieces that are even
 * are in the order of their titles.
 */
export const findPieces = (rows: readonly ShelfRow[], wanted: Wanted, sort: Sort): readonly ShelfRow[] =>
  rows
    .filter((r) => fits(r, wanted))
    .sort((a, b) => ORDER[sort](a, b) || byText(a.piece.title, b.piece.title) || byText(a.piece.id, b.piece.id));

const distinct = (values: readonly string[]): readonly string[] =>
  [...new Set(values.filter((v) => v !== ''))].sort(byText);

/** What there is to choose from, each list in order. */
export const choicesOf = (rows: readonly ShelfRow[]) => ({
  instruments: distinct(rows.map((r) => instrumentName(r.piece))),
  grades: distinct(rows.map((r) => r.piece.grade ?? '')),
  tags: distinct(rows.flatMap((r) => r.piece.tags ?? [])),
  from: distinct(rows.map((r) => CAME_AS[r.piece.format])),
  students: [...new Map(rows.flatMap((r) => r.players.map((s) => [s.id, s] as const))).values()].sort(
    (a, b) => a.order - b.order,
  ),
});

/** A piece that may be the same as one that comes in: the very same document, or the same title and composer. */
export function twinOf(
  pieces: readonly Piece[],
  read: { readonly text: string; readonly title: string; readonly composer: string },
): { readonly piece: Piece; readonly same: 'document' | 'name' } | null {
  const same = pieces.find((p) => p.source === read.text);
  if (same) return { piece: same, same: 'document' };
  const named = pieces.find(
    (p) =>
      read.title !== '' &&
      plainText(p.title) === plainText(read.title) &&
      plainText(p.composer) === plainText(read.composer),
  );
  return named ? { piece: named, same: 'name' } : null;
}
