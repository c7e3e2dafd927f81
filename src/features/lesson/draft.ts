import type { Facet, Level } from '@/core/studio';

/** What has been heard of one section and is not recorded yet. */
export interface Draft {
  readonly sectionId: string;
  readonly level: Level | null;
  readonly facets: Readonly<Partial<Record<Facet, boolean>>>;
  /** Something was listened for in this hearing. */
  readonly touched: boolean;
  readonly tempo: number | null;
  /** Mistakes in each repetition; the last one is going on. */
  readonly errors: readonly number[];
  readonly signs: Readonly<Record<string, boolean>>;
  readonly note: string;
}

/** A fresh draft: what was there last time is taken as there until it is not heard. */
export const freshDraft = (sectionId: string, facets: Draft['facets']): Draft => ({
  sectionId,
  level: null,
  facets: Object.fromEntries(Object.entries(facets).filter(([, there]) => there)),
  touched: false,
  tempo: null,
  errors: [],
  signs: {},
  note: '',
});

/** A facet heard, then not heard, then heard again. */
export const toggleFacet = (draft: Draft, facet: Facet): Draft => ({
  ...draft,
  touched: true,
  facets: { ...draft.facets, [facet]: draft.facets[facet] !== true },
});

/** One mistake more in the repetition that is going on. */
export function addMistake(draft: Draft): Draft {
  const before = draft.errors.length === 0 ? [0] : draft.errors;
  return { ...draft, touched: true, errors: before.map((n, i) => (i === before.length - 1 ? n + 1 : n)) };
}

/** The repetition is over; the next one has no mistakes yet. */
export const nextRepetition = (draft: Draft): Draft => ({ ...draft, touched: true, errors: [...(draft.errors.length === 0 ? [0] : draft.errors), 0] });
