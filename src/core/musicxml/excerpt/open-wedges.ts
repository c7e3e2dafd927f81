import type { Direction, Score } from '../../score';

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
