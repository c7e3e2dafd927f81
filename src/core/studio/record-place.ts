import type { StudioEvent } from './kinds/records';

/** Whose records lie together: one student and one piece; `''` stands for what is about no student, or no piece. */
export interface RecordPlace {
  readonly studentId: string;
  readonly pieceId: string;
}

/**
 * Where a record lies; null for a word about another record, which lies with that one.
 *
 * @example placeOfRecord(level('2026-05-20', 'a', 3)) // → { studentId: 's', pieceId: 'p' }
 * @example placeOfRecord(takenBack('2026-05-21', 'e1')) // → null
 */
export function placeOfRecord(record: StudioEvent): RecordPlace | null {
  switch (record.kind) {
    case 'level':
    case 'rung':
      return { studentId: record.studentId, pieceId: record.pieceId };
    case 'practice':
      return { studentId: record.studentId, pieceId: record.pieceId ?? '' };
    case 'lesson':
    case 'lesson-joined':
    case 'said':
    case 'assignment':
      return { studentId: record.studentId, pieceId: '' };
    case 'fingering':
    case 'section-joined':
      return { studentId: '', pieceId: record.pieceId };
    case 'retract':
    case 'restore':
      return null;
  }
}

/**
 * A place as one text, to count by.
 *
 * @example placeKey({ studentId: 's', pieceId: 'p' }) // → 's p'
 */
export const placeKey = ({ studentId, pieceId }: RecordPlace): string => `${studentId} ${pieceId}`;

/**
 * The record that this one is a word about, or that it stands in for; null where it is neither.
 *
 * @example aboutRecord(takenBack('2026-05-21', 'e1')) // → 'e1'
 */
export const aboutRecord = (record: StudioEvent): string | null =>
  record.kind === 'retract' || record.kind === 'restore'
    ? record.target
    : record.kind === 'level'
      ? (record.corrects ?? null)
      : null;

/**
 * Words by what they are about; records that are about none are left out.
 *
 * @example [...wordsByTarget([takenBack('2026-05-21', 'e1')]).keys()] // → ['e1']
 */
export function wordsByTarget(records: readonly StudioEvent[]): Map<string, readonly StudioEvent[]> {
  const by = new Map<string, StudioEvent[]>();
  for (const record of records) {
    const target = aboutRecord(record);
    if (target === null) continue;
    const there = by.get(target);
    if (there) there.push(record);
    else by.set(target, [record]);
  }
  return by;
}

/**
 * Of some records, those that are about others of a given set, about those, and so on.
 *
 * @example wordsAmong([takenBack('2026-05-21', 'e1'), takenBack('2026-05-22', 'e9')], new Set(['e1'])).length // → 1
 */
export function wordsAmong(records: readonly StudioEvent[], ids: ReadonlySet<string>): StudioEvent[] {
  const about = wordsByTarget(records);
  const found = new Map<string, StudioEvent>();
  let next = [...about].flatMap(([target, words]) => (ids.has(target) ? words : []));
  while (next.length > 0) {
    const fresh = next.filter((w) => !found.has(w.id));
    for (const w of fresh) found.set(w.id, w);
    next = fresh.flatMap((w) => about.get(w.id) ?? []);
  }
  return [...found.values()];
}
