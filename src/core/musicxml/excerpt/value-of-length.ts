import { valueQuarters } from '../measure';

/** The written value and dots of a length that the source left unnamed; null when no single value fits. */
export function valueOfLength(duration: number, ticksPerQuarter: number): { value: string; dots: number } | null {
  for (const value of ['whole', 'half', 'quarter', 'eighth', '16th', '32nd', '64th', 'breve'])
    for (let dots = 0; dots <= 3; dots += 1) {
      const quarters = valueQuarters(value, dots, null);
      if (quarters && quarters.n * ticksPerQuarter === duration * quarters.d) return { value, dots };
    }
  return null;
}
