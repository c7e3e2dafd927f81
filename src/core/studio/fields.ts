import { z } from 'zod';
import { MOST, TEMPO_RANGE } from './limits';

const TIME = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z/;
const isTime = (text: string): boolean => !Number.isNaN(Date.parse(text.slice(0, 24)));

/** Fields that many records share. */
export const id = z.string().min(1).max(MOST.id);
/** ISO string in UTC with milliseconds. */
export const time = z
  .string()
  .regex(new RegExp(`${TIME.source}$`), 'is not a time')
  .refine(isTime, 'is not a time');
/** A time with the count of a clock that never goes back, see `clock.ts`. */
export const stamp = z
  .string()
  .regex(new RegExp(`${TIME.source}(\\+\\d{4})?$`), 'is not a time')
  .refine(isTime, 'is not a time');
/** Quarters from the start of a bar, exact: `"0"`, `"3/2"`. */
export const quarters = z.string().regex(/^\d{1,6}(\/\d{1,6})?$/);
/** A calendar day, `2026-05-20`. */
export const day = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/)
  .refine((text) => isTime(`${text}T00:00:00.000Z`), 'is not a day');
/** Quarters a minute. */
export const bpm = z.number().min(1).max(TEMPO_RANGE.most);
/** When a row changed last, and when each of its fields did; under `id` since when it is there. */
export const changed = { updatedAt: stamp, touched: z.record(z.string(), stamp).optional() };
