'use client';

import { useMemo, type ReactNode } from 'react';
import type { Player } from '@/core/players';
import { playingOrder, type Score } from '@/core/score';
import type { PlacedSection } from '@/core/sections';
import type { Piece } from '@/core/studio';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { BarStrip, Button, type StripArc, type StripBracket, type StripJump, useKeptChoice } from '@/ui';
import { useWhere } from '@/features/where';
import { stripBars, stripBrackets } from './strip';
import { useHardBars } from './use-hard-bars';

interface Props {
  readonly piece: Piece;
  readonly score: Score;
  /** Whose bars are hard. */
  readonly player: Player;
  readonly sections: readonly PlacedSection[];
  readonly section: PlacedSection | null;
  readonly compact?: boolean;
  /** Sections not yet accepted, drawn dashed. */
  readonly proposed?: readonly StripBracket[];
  readonly arcs?: readonly StripArc[];
  readonly chosenArc?: string | null;
  readonly onArc?: (id: string | null) => void;
  readonly onMoveEnd?: (id: string, end: 'first' | 'last', bar: number) => void;
  readonly onProposed?: (id: string) => void;
  /** Rhythm family of each bar, and the teacher's own ratings, by bar index. */
  readonly families?: ReadonlyMap<number, string>;
  readonly ratings?: ReadonlyMap<number, number>;
  /** Bars that are paid for, where a way is looked at. */
  readonly paid?: ReadonlySet<number>;
}

/** Jumps of the playing order: everywhere the next bar is not the next one written. */
export function jumpsOf(score: Score): StripJump[] {
  const { order } = playingOrder(score.bars);
  const seen = new Set<string>();
  return order.flatMap((bar, i) => {
    const next = order[i + 1];
    const key = `${bar} ${next}`;
    if (next === undefined || next === bar + 1 || seen.has(key)) return [];
    seen.add(key);
    return [{ from: bar, to: next }];
  });
}

/** The bar strip of the piece, tied to the selection in the address. */
export function StripPanel({
  piece,
  score,
  player,
  sections,
  section,
  compact = false,
  proposed = [],
  families,
  ratings,
  paid,
  onProposed,
  ...rest
}: Props): ReactNode {
  const where = useWhere();
  const hard = useHardBars(piece, player);
  const bars = useMemo(
    () =>
      stripBars(score, hard).map((bar, i) => ({
        ...bar,
        family: families?.get(i) ?? null,
        difficulty: ratings?.get(i) ?? bar.difficulty,
        ...(paid === undefined ? {} : { paid: paid.has(i) }),
      })),
    [score, hard, families, ratings, paid],
  );
  const jumps = useMemo(() => jumpsOf(score), [score]);
  const brackets = useMemo(() => [...stripBrackets(sections), ...proposed], [sections, proposed]);
  const [folded, setFolded] = useKeptChoice('strip', ['open', 'folded']);
  const first = score.bars[where.bars?.[0] ?? 0]?.name ?? '';
  const last = score.bars[where.bars?.[1] ?? score.bars.length - 1]?.name ?? '';
  if (compact && folded === 'folded')
    return (
      <div className="no-print -my-1 flex items-center gap-2">
        <Button look="quiet" aria-expanded="false" onClick={() => setFolded('open')}>
          <ChevronRight size={18} aria-hidden="true" />
          {section ? `${section.section.letter || section.section.name}, ` : ''}bars {first} to {last}
        </Button>
      </div>
    );
  return (
    <div className={`panel no-print relative pb-1 pl-4 pt-2 ${compact ? 'pr-9' : 'pr-4'}`}>
      {compact ? (
        <button
          type="button"
          aria-expanded="true"
          aria-label="Fold the strip of bars"
          className="absolute right-0 top-0 z-10 grid min-h-8 min-w-8 place-items-center text-ink-2 hover:bg-leaf-wash"
          onClick={() => setFolded('folded')}
        >
          <ChevronDown size={18} aria-hidden="true" />
        </button>
      ) : null}
      <BarStrip
        bars={bars}
        brackets={brackets}
        jumps={jumps}
        compact={compact}
        selection={where.bars}
        onSelect={(next) => where.change({ bars: next, sectionId: null })}
        onBracket={(id) => {
          const found = sections.find((p) => p.section.id === id);
          if (found) where.change({ sectionId: id, bars: [found.from, found.to] });
          else onProposed?.(id);
        }}
        chosenBracket={section?.section.id ?? null}
        {...rest}
      />
    </div>
  );
}
