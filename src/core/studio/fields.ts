import { z } from 'zod';

/** Fields that many records share. */
export const id = z.string().min(1).max(120);
/** ISO string in UTC. */
export const time = z.string().min(10).max(40);
/** Quarters from the start of a bar, exact: `"0"`, `"3/2"`. */
export const quarters = z.string().regex(/^\d{1,6}(\/\d{1,6})?$/);
/** A calendar day, `2026-05-20`. */
export const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/);
/** Quarters a minute. */
export const bpm = z.number().min(1).max(600);
/** When a row changed last, and when each of its fields did where that is known. */
export const changed = { updatedAt: time, touched: z.record(z.string(), time).optional() };
