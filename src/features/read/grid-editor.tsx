'use client';

import { useMemo, type ReactNode } from 'react';
import { changeBar, gridToDraft, insertBar, parseGrid, removeBar, typedAt, type Grid } from '@/core/bargrid';
import type { Score } from '@/core/score';
import { tempoUnitOf, type Piece } from '@/core/studio';
import { BarPicture } from '@/features/pages';
import { Button, Panel, Problem } from '@/ui';
import { BarField } from './bar-field';
import { BarSigns, type ChangeBar } from './bar-signs';
import { SameAs } from './same-as';
import { TypedBar } from './typed-bar';
import { useKeepingGrid, type KeepGrid } from './use-keeping-grid';

/** Puts a bar in, or takes one out, where bars are laid out without a page. */
function InAndOut({
  grid,
  index,
  number,
  keep,
  onChoose,
}: {
  readonly grid: Grid;
  readonly index: number;
  readonly number: string;
  readonly keep: KeepGrid;
  readonly onChoose: (bar: number) => void;
}): ReactNode {
  return (
    <span className="flex flex-wrap gap-1">
      <Button
        onClick={() => {
          keep(`bar put in after ${number}`, (before) => insertBar(before, index));
          onChoose(index + 1);
        }}
      >
        Bar after it
      </Button>
      <Button
        look="quiet"
        disabled={grid.bars.length <= 1}
        onClick={() => {
          keep(`bar ${number} taken out`, (before) => removeBar(before, index));
          onChoose(Math.max(0, index - 1));
        }}
      >
        Take it out
      </Button>
    </span>
  );
}

/** Bars of a printed piece: what the page says about the chosen bar, and its notes or only its rhythm, typed. */
export function GridEditor({
  piece,
  score,
  selection,
  onPages,
  onChoose,
}: {
  readonly piece: Piece;
  readonly score: Score;
  readonly selection: readonly [number, number] | null;
  /** Its bars lie on the pictures of pages: there they are put in and taken out. */
  readonly onPages: boolean;
  readonly onChoose: (bar: number) => void;
}): ReactNode {
  const grid = useMemo(() => parseGrid(piece.original ?? ''), [piece.original]);
  const { keep, problem } = useKeepingGrid(piece, grid, onPages);
  const read = useMemo(() => (grid ? gridToDraft(grid) : null), [grid]);
  if (!grid) return <Problem>The bar grid of this piece is damaged. Undo, or lay the piece out again.</Problem>;
  const [at, end] = selection ?? [0, 0];
  const index = Math.max(0, Math.min(grid.bars.length - 1, at));
  const bar = grid.bars[index];
  if (!bar) return null;
  const change: ChangeBar = (label, what, stored) => keep(label, (before) => changeBar(before, index, what), stored);
  const number = score.bars[index]?.name ?? String(index + 1);
  // A bar that is not begun is nothing to mend; one that is too short or too long is.
  const here = score.warnings.filter((w) => w.bar === index && w.code !== 'bars-blank').map((w) => w.message);
  const notes = read?.ok ? read.value.warnings.filter((w) => w.bar === index).map((w) => w.message) : [];
  const said = [...new Set([...here, ...notes])].slice(0, 3);
  const hands = grid.staves === 2 ? ['Right hand', 'Left hand'] : ['Notes'];
  const typed = typedAt(grid, bar);
  return (
    <Panel
      title={`Bar ${number}`}
      aside={onPages ? null : <InAndOut grid={grid} index={index} number={number} keep={keep} onChoose={onChoose} />}
    >
      <div className="grid gap-3">
        {onPages && bar.id !== undefined ? <BarPicture pieceId={piece.id} barId={bar.id} number={number} /> : null}
        {hands.map((hand, staff) => (
          <BarField
            key={`${bar.id ?? ''} ${hand}`}
            wide
            label={`${hand} of bar ${number}, as ABC (C D E = middle octave, c = above, C2 longer, n = rhythm only)`}
            value={typed[staff] ?? ''}
            placeholder={staff === 0 ? 'C D E2   or   n n n2' : 'C,2 G,2'}
            draftKey={`grid ${piece.id} ${bar.id ?? ''} ${staff}`}
            onKeep={(text, stored) => {
              const next = Array.from({ length: hands.length }, (_, s) => (s === staff ? text : (typed[s] ?? '')));
              change(
                `notes of bar ${number}`,
                { typed: next.every((t) => t.trim() === '') ? undefined : next, like: undefined },
                stored,
              );
            }}
          />
        ))}
        {typed.some((t) => t.trim() !== '') ? <TypedBar piece={piece} bar={index} number={number} /> : null}
        <SameAs grid={grid} score={score} from={index} to={Math.max(index, end)} keep={keep} />
        {problem ? <Problem>{problem}</Problem> : null}
        {said.length > 0 ? <Problem>{said.join('; ')}</Problem> : null}
        <BarSigns key={bar.id} unit={tempoUnitOf(piece)} bar={bar} number={number} pieceId={piece.id} change={change} />
      </div>
    </Panel>
  );
}
