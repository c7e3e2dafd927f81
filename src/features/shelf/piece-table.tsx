import Link from 'next/link';
import type { ReactNode } from 'react';
import { changePiece, removePiece } from '@/core/commands';
import { instrumentName } from '@/core/instruments';
import { dayOf, type Piece } from '@/core/studio';
import { useStudio } from '@/store';
import { dayWords, MoreMenu, useGrowing } from '@/ui';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';
import { CAME_AS, type ShelfRow } from './find-pieces';

/** What can be done with a piece on the shelf. */
function usePieceActions(): (piece: Piece) => readonly (readonly [string, () => void])[] {
  const where = useWhere();
  const { run } = useActs();
  const leave = (piece: Piece) => () => where.pieceId === piece.id && where.change({ pieceId: null });
  const archive = (piece: Piece, archived: boolean): void =>
    run(
      changePiece,
      {
        pieceId: piece.id,
        change: { archived },
        label: archived ? `${piece.title} archived` : `${piece.title} brought back`,
      },
      { stored: archived ? leave(piece) : () => undefined },
    );
  return (piece) => [
    ['Give it to students', () => where.go('prepare', { pieceId: piece.id })],
    piece.archived
      ? [`Bring ${piece.title} back`, () => archive(piece, false)]
      : ['Archive, with everything kept', () => archive(piece, true)],
    ['Remove', () => run(removePiece, { pieceId: piece.id }, { stored: leave(piece) })],
  ];
}

/** Rows drawn at a time; the rest follows by itself. */
const ROWS_AT_A_TIME = 10;

const cell = 'hidden px-4 py-2 md:table-cell';

function Row({ row, actions }: { readonly row: ShelfRow; readonly actions: ReturnType<typeof usePieceActions> }) {
  const { zone } = useStudio();
  const where = useWhere();
  const { piece, players, usedAt } = row;
  const about = [piece.grade ?? '', ...(piece.tags ?? [])].filter((t) => t !== '');
  const names = players.map((s) => s.name).join(', ');
  return (
    <tr className={`border-t border-rule ${piece.id === where.pieceId ? 'bg-acorn-wash' : ''}`}>
      <td className="px-4 py-1">
        <Link
          prefetch={false}
          href={where.addressOf('read', { pieceId: piece.id })}
          translate="no"
          className="flex min-h-11 items-center text-lg font-semibold text-leaf underline-offset-4 hover:underline"
        >
          {piece.title}
        </Link>
        {about.length > 0 ? <span className="block pb-1 text-ink-2">{about.join(' · ')}</span> : null}
        <span className="block pb-1 text-ink-2 md:hidden">
          {[piece.composer, instrumentName(piece), names].filter((t) => t !== '').join(', ')}
        </span>
      </td>
      <td className={cell} translate="no">
        {piece.composer}
      </td>
      <td className={cell}>{instrumentName(piece)}</td>
      <td className={`${cell} max-w-56`}>{names}</td>
      <td className={cell}>{piece.exercise ? 'exercise' : CAME_AS[piece.format]}</td>
      <td className={`figure ${cell} whitespace-nowrap`}>{dayWords(dayOf(usedAt.slice(0, 24), zone))}</td>
      <td className="px-2 text-right">
        <MoreMenu label={`More for ${piece.title}`} items={actions(piece)} />
      </td>
    </tr>
  );
}

/** Pieces as a table; the title opens the piece, everything else is behind one button. */
export function PieceTable({ rows, label }: { readonly rows: readonly ShelfRow[]; readonly label: string }): ReactNode {
  const actions = usePieceActions();
  const drawn = useGrowing(rows, ROWS_AT_A_TIME);
  return (
    <table className="panel w-full border-collapse text-left" aria-label={label}>
      <thead className="text-sm text-ink-2">
        <tr>
          <th className="px-4 py-2 font-semibold">Piece</th>
          {['Composer', 'Instrument', 'Who plays it', 'Came as', 'Last used'].map((head) => (
            <th key={head} className={`${cell} font-semibold`}>
              {head}
            </th>
          ))}
          <th className="px-2 py-2">
            <span className="sr-only">More</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {drawn.map((row) => (
          <Row key={row.piece.id} row={row} actions={actions} />
        ))}
      </tbody>
    </table>
  );
}
