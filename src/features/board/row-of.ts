import { instrumentName } from '@/core/instruments';
import type { Student } from '@/core/studio';
import type { GridRow } from './grid';

/** A student as a row of a board. */
export const rowOf = (s: Student): GridRow => ({
  id: s.id,
  name: s.name,
  about: [instrumentName(s), s.age].filter(Boolean).join(', '),
});
