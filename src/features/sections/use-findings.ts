import { useMemo, useState } from 'react';
import { differencesOf, type Repeat } from '@/core/sameness';
import type { Score } from '@/core/score';
import type { PlacedSection } from '@/core/sections';
import { useMarks } from '@/store';
import type { StripArc } from '@/ui';
import { refusedKeys } from '@/marked';
import { useAnalysis, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { repeatKey, repeatWords } from './comes-again';
import { proposalKey } from './section-actions';
import { besideEachOther, placesOfRepeat, type TwoPlaces } from './two-places';

/** Arcs drawn at most: more would be a thicket. */
const MOST_ARCS = 7;
/** Bars shown while none are chosen. */
const FIRST_BARS = 8;

const ARC_KIND = { exact: 'exact', changed: 'changed', moved: 'moved', sequence: 'moved', rhythm: 'moved' } as const;

/** A label that fits on an arc. */
function shortWords(kind: string, words: string, differing: number): string {
  if (kind === 'changed') return `${differing} ${differing === 1 ? 'note differs' : 'notes differ'}`;
  return words
    .replace(/^(right|left) hand: /, '')
    .replace(/ each time.*/, '')
    .replace(/^sequence, /, '');
}

/** What the teacher said of proposals and bars: those refused, and own ratings by bar index. */
function useSaid({ piece, score }: PieceContext) {
  const marks = useMarks(piece.id);
  return useMemo(() => {
    const index = new Map(score.bars.map((b) => [b.id, b.index as number]));
    return {
      refused: refusedKeys(marks ?? []),
      ratings: new Map(
        (marks ?? []).flatMap((m) => {
          const bar = m.kind === 'rating' ? index.get(m.barId) : undefined;
          return m.kind === 'rating' && bar !== undefined ? [[bar, m.score] as const] : [];
        }),
      ),
    };
  }, [marks, score]);
}

function arcsOf(score: Score, repeats: readonly Repeat[]): readonly StripArc[] {
  return repeats
    .filter((r) => r.kind !== 'rhythm' && (r.staff === null || r.staff === 1))
    .slice(0, MOST_ARCS)
    .map((r) => ({
      id: repeatKey(r),
      a: r.a,
      b: r.b,
      kind: ARC_KIND[r.kind],
      label: shortWords(
        r.kind,
        repeatWords(score, r),
        r.kind === 'changed'
          ? differencesOf(score, r).reduce((n, d) => n + Math.max(d.noteIds.length, d.aNoteIds.length), 0)
          : 0,
      ),
    }));
}

/**
 * How the piece is built, as far as it is looked at: what is proposed and still open, the arc and the family in hand,
 * and the two places that are shown beside each other.
 */
export function useFindings(context: PieceContext) {
  const { piece, score, player, played, sections, section } = context;
  const begins = played.notes[0]?.bar ?? 0;
  const where = useWhere();
  const { state, stop, start } = useAnalysis(piece, player);
  const analysis = state.kind === 'ready' ? state.analysis : null;
  const { refused, ratings } = useSaid(context);
  const [arc, setArc] = useState<string | null>(null);
  const [family, setFamily] = useState<string | null>(null);
  const [beside, setBeside] = useState<PlacedSection | null>(null);
  const selected = where.bars;
  const open = useMemo(
    () =>
      (analysis?.sections ?? []).filter(
        (p) =>
          !refused.has(proposalKey(score, p)) &&
          !sections.some((s) => s.from <= p.to && s.to >= p.from + (s.section.toOffset === null ? 0 : 1)),
      ),
    [analysis, refused, sections, score],
  );
  const arcs = useMemo(() => arcsOf(score, analysis?.repeats ?? []), [analysis, score]);
  const families = useMemo(
    () =>
      new Map(
        (analysis?.families ?? []).filter((f) => f.staff === 1).flatMap((f) => f.bars.map((b) => [b, f.tag] as const)),
      ),
    [analysis],
  );
  const familyBars = useMemo(() => {
    const found = analysis?.families.find((f) => `${f.part} ${f.staff} ${f.tag}` === family);
    return new Set((found?.bars ?? []).flatMap((b) => score.bars[b]?.id ?? []));
  }, [analysis, family, score]);
  const two = useMemo((): TwoPlaces | null => {
    const repeat = analysis?.repeats.find((r) => repeatKey(r) === arc);
    if (repeat) return placesOfRepeat(score, repeat);
    return beside && section ? besideEachOther(score, beside, section) : null;
  }, [analysis, arc, beside, section, score]);
  const alone = (): void => {
    setArc(null);
    setBeside(null);
  };
  const shown: readonly [number, number] = section
    ? [section.from, section.to]
    : (selected ?? [begins, Math.min(begins + FIRST_BARS, score.bars.length) - 1]);
  return {
    analysis,
    state,
    stop,
    start,
    ratings,
    open,
    all: analysis?.sections ?? [],
    selected,
    chosenProposal: section ? null : (open.find((p) => selected?.[0] === p.from && selected[1] === p.to) ?? null),
    arcs,
    arc,
    setArc,
    families,
    family,
    setFamily,
    familyBars,
    two,
    alone,
    shown,
    /** Another section beside the chosen one, or the chosen one alone again. */
    toggleBeside: (other: PlacedSection): void => setBeside(beside ? null : other),
    chooseBars: (from: number, to: number): void => {
      alone();
      where.change({ sectionId: null, bars: [from, to] });
    },
    chooseSection: (p: PlacedSection): void => {
      alone();
      where.change({ sectionId: p.section.id, bars: [p.from, p.to] });
    },
  };
}

export type Findings = ReturnType<typeof useFindings>;
