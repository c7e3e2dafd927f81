import { z } from 'zod';
import { facets, type Facet, type Level } from '@/core/studio';

const levels = [0, 1, 2, 3, 4, 5] as const satisfies readonly Level[];

/** What has been heard of one section and is not recorded yet; kept as it is made, so that a reload loses nothing. */
export const draftSchema = z.object({
  sectionId: z.string(),
  level: z.literal(levels).nullable(),
  facets: z.partialRecord(z.enum(facets), z.boolean()),
  /** Something was listened for in this hearing. */
  touched: z.boolean(),
  /** The tempo as it is typed. */
  tempo: z.string().max(12),
  /** Mistakes in each repetition; the last one is going on. */
  errors: z.array(z.number().int().min(0)),
  signs: z.record(z.string(), z.boolean()),
  note: z.string(),
});
export type Draft = z.infer<typeof draftSchema>;

/** A kept draft; null where what was kept is no draft any more. */
export function parseDraft(value: unknown): Draft | null {
  const parsed = draftSchema.safeParse(value);
  return parsed.success ? parsed.data : null;
}

/** A fresh draft: what was there last time is taken as there until it is not heard. */
export const freshDraft = (sectionId: string, known: Readonly<Partial<Record<Facet, boolean>>>): Draft => ({
  sectionId,
  level: null,
  facets: Object.fromEntries(Object.entries(known).filter(([, there]) => there)),
  touched: false,
  tempo: '',
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
export const nextRepetition = (draft: Draft): Draft => ({
  ...draft,
  touched: true,
  errors: [...(draft.errors.length === 0 ? [0] : draft.errors), 0],
});

const SLOWEST = 10;
const FASTEST = 400;

/** The tempo that was typed; null while it is none. */
export function tempoOf(draft: Draft | null): number | null {
  const typed = Number(draft?.tempo ?? '');
  return draft !== null && draft.tempo.trim() !== '' && typed >= SLOWEST && typed <= FASTEST ? Math.round(typed) : null;
}

/** Something was heard: a level was pressed or something was listened for. What is only proposed was not. */
export const isHeard = (draft: Draft | null): boolean => draft !== null && (draft.level !== null || draft.touched);
