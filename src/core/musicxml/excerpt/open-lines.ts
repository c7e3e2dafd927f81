import type { Direction, Score } from '../../score';

/** An octave line that goes on over the edge of an excerpt. */
interface OpenOttava {
  readonly role: string;
  readonly size: number;
  readonly staff: number | null;
}

/** Octave lines of a part that began before bar `bar` and did not end there, as they are taken up or left. */
export function openOttavas(
  score: Score,
  part: string,
  bar: number,
  at: 'begin' | 'end',
  onlyStaff: number | null,
): string {
  const open = new Map<number | null, OpenOttava>();
  const edge = score.bars[bar]?.onset ?? Infinity;
  for (const d of score.directions) {
    if (d.kind !== 'ottava' || d.part !== part) continue;
    if (d.role === 'stop') {
      if (d.bar < bar || (at === 'begin' && d.onset <= edge)) open.delete(d.staff);
    } else if ((d.role === 'up' || d.role === 'down') && d.bar < bar)
      open.set(d.staff, { role: d.role, size: d.size, staff: d.staff });
  }
  return [...open.values()]
    .filter(({ staff }) => onlyStaff === null || (staff ?? 1) === onlyStaff)
    .map(({ role, size, staff }) => {
      const where = onlyStaff === null && staff !== null ? `<staff>${staff}</staff>` : '';
      return `<direction><direction-type><octave-shift type="${at === 'end' ? 'stop' : role}" size="${size}"/></direction-type>${where}</direction>`;
    })
    .join('');
}

/** A hairpin that goes on over the edge of an excerpt. */
export interface OpenWedge {
  readonly role: 'crescendo' | 'diminuendo';
  readonly number: string;
  readonly staff: number | null;
}

/**
 * Hairpins of a part that began before bar `bar` and did not end there. Where they are taken up, one that ends with the
 * bar's first moment is over.
 */
export function openWedges(score: Score, part: string, bar: number, at: 'begin' | 'end'): OpenWedge[] {
  const edge = score.bars[bar]?.onset ?? Infinity;
  const open = new Map<string, OpenWedge>();
  const isOver = (d: Direction): boolean => d.bar < bar || (at === 'begin' && d.onset <= edge);
  for (const d of score.directions) {
    if (d.kind !== 'wedge' || d.part !== part) continue;
    if (d.role === 'stop') {
      if (isOver(d)) open.delete(d.number);
    } else if (d.bar < bar) open.set(d.number, { role: d.role, number: d.number, staff: d.staff });
  }
  return [...open.values()];
}

/** Where a hairpin is taken up, or left, at the edge of an excerpt; `onlyStaff` where one staff alone is shown. */
export function wedgeXml({ role, number, staff }: OpenWedge, edge: 'begin' | 'end', onlyStaff: number | null): string {
  if (onlyStaff !== null && (staff ?? 1) !== onlyStaff) return '';
  const type = edge === 'end' ? 'stop' : role;
  const where = onlyStaff === null && staff !== null ? `<staff>${staff}</staff>` : '';
  return `<direction><direction-type><wedge type="${type}" number="${number}"/></direction-type>${where}</direction>`;
}
