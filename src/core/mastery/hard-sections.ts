import type { Level } from '../studio';

export interface SectionLevels {
  readonly sectionId: string;
  /** Level of each student who works on the piece, by student id. */
  readonly levels: ReadonlyMap<string, Level>;
}

export interface HardSection {
  readonly sectionId: string;
  /** How many levels students stand here under their own average of the piece; larger is harder. */
  readonly behind: number;
  readonly students: number;
}

/**
 * Sections that everyone finds hard, hardest first: against each student's own average, so that quick and slow students
 * count alike.
 *
 * @example
 * hardSections([{ sectionId: 'a', levels: new Map([['s', 4]]) }, { sectionId: 'b', levels: new Map([['s', 2]]) }])
 * // → [{ sectionId: 'b', students: 1, behind: 1 }]
 */
export function hardSections(sections: readonly SectionLevels[]): HardSection[] {
  const sums = new Map<string, { sum: number; n: number }>();
  for (const s of sections)
    for (const [student, level] of s.levels) {
      const there = sums.get(student) ?? { sum: 0, n: 0 };
      sums.set(student, { sum: there.sum + level, n: there.n + 1 });
    }
  return sections
    .map(({ sectionId, levels }) => {
      const behind = [...levels].map(([student, level]) => {
        const own = sums.get(student);
        return own ? own.sum / own.n - level : 0;
      });
      return {
        sectionId,
        students: behind.length,
        behind: behind.length === 0 ? 0 : Math.round((behind.reduce((a, b) => a + b, 0) / behind.length) * 100) / 100,
      };
    })
    .filter((s) => s.behind > 0)
    .sort((a, b) => b.behind - a.behind || (a.sectionId < b.sectionId ? -1 : 1));
}
