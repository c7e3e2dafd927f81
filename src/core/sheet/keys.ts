import type { AssignmentEvent } from '../studio';
import { checksumOf } from './checksum';

/**
 * What a week of a student is known by on its way home and back: the same for as long as the week is changed within its
 * lesson.
 *
 * @example
 * weekKey({ id: 'a', studentId: 'b', lessonId: null }) === weekKey({ id: 'a', studentId: 'c', lessonId: null })
 * // → false
 */
export const weekKey = ({ id, studentId, lessonId }: Pick<AssignmentEvent, 'id' | 'studentId' | 'lessonId'>): number =>
  checksumOf(`${studentId} ${lessonId ?? id}`);

/**
 * What a task is known by within its week: 16 bits.
 *
 * @example taskKey('a') === taskKey('b') // → false
 */
export const taskKey = (itemId: string): number => checksumOf(itemId) >>> 16;
