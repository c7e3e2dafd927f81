import type { GrowingPart } from '../growing-part';

/**
 * Bars under a bar-repeat sign get the notes of the bars they repeat, where the file holds no notes of its own there.
 */
export function fillBarRepeats(parts: readonly GrowingPart[]): Map<string, number> {
  const filledFrom = new Map<string, number>();
  parts.forEach((part, partIndex) => {
    let size: number | null = null;
    part.measures.forEach((measure, i) => {
      if (measure?.barRepeat) size = measure.barRepeat.role === 'start' ? measure.barRepeat.size : null;
      if (size === null || !measure || measure.events.some((e) => e.kind === 'note')) return;
      const from = filledFrom.get(`${partIndex} ${i - size}`) ?? i - size;
      const source = part.measures[from];
      if (!source) return;
      filledFrom.set(`${partIndex} ${i}`, from);
      part.measures[i] = {
        ...measure,
        events: source.events.map((e) => ({ ...e, writtenId: null })),
        length: source.length,
        hasBeams: source.hasBeams,
      };
    });
  });
  return filledFrom;
}
