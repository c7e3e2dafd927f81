/** Sections, phrases and letters proposed, against what is known of a piece; the best of the good readings counts. */
import { analysisOf } from '@/core/analysis';
import type { ProposedSection } from '@/core/sections';
import type { KnownSection, Truth } from './read-truth';

export interface Boundaries {
  readonly hits: number;
  readonly known: number;
  readonly proposed: number;
}

/** F1 of boundaries inside the piece; 1 where there are none and none is proposed. */
export const f1 = ({ hits, known, proposed }: Boundaries): number =>
  known + proposed === 0 ? 1 : (2 * hits) / (known + proposed);

function boundaries(ours: readonly number[], known: readonly number[]): Boundaries {
  const inner = (list: readonly number[]): number[] => [...new Set(list)].filter((b) => b > 0);
  return {
    hits: inner(ours).filter((b) => known.includes(b)).length,
    known: inner(known).length,
    proposed: inner(ours).length,
  };
}

const bestOf = (ours: readonly number[], readings: readonly (readonly number[])[]): Boundaries =>
  readings
    .map((known) => boundaries(ours, known))
    .reduce((best, b) => (f1(b) > f1(best) ? b : best), { hits: 0, known: ours.length + 1, proposed: ours.length + 1 });

export interface FormFound {
  readonly sections: Boundaries | null;
  readonly phrases: Boundaries | null;
  /** Whether the whole form, cuts and letters, is one of the good readings. */
  readonly letters: boolean | null;
  readonly said: string;
}

const text = (list: readonly KnownSection[]): string => list.map((s) => `${s.letter} ${s.from}-${s.to}`).join(', ');

export function formFound(
  truth: Truth,
  ours: readonly ProposedSection[] = analysisOf(truth.score).sections,
): FormFound {
  return {
    sections: truth.sections.length
      ? bestOf(
          ours.map((s) => s.from),
          truth.sections.map((reading) => reading.map((s) => s.from)),
        )
      : null,
    phrases: truth.phrases.length
      ? bestOf(
          ours.flatMap((s) => s.phrases.map((p) => p.from)),
          truth.phrases,
        )
      : null,
    letters: truth.sections.length ? truth.sections.some((reading) => text(reading) === text(ours)) : null,
    said: `${text(ours)} | ${ours.flatMap((s) => s.phrases.map((p) => p.from)).join(' ')}`,
  };
}
