import { child, childrenNamed, type XmlElement } from '../xml-tree';
import { copy } from './copied-elements';

/** Directions copied into the excerpt: at least one whitelisted mark, staff and sound left out. */
export function directionXml(element: XmlElement, staffOffset: number | null): string {
  const types = childrenNamed(element, 'direction-type')
    .map((type) => type.children.map((c) => copy(c)).join(''))
    .filter((body) => body !== '')
    .map((body) => `<direction-type>${body}</direction-type>`)
    .join('');
  if (types === '') return '';
  const staff = child(element, 'staff')?.text.trim() ?? '';
  const placement = element.attributes['placement'];
  const where = placement === 'above' || placement === 'below' ? ` placement="${placement}"` : '';
  return `<direction${where}>${types}${staffOffset === null && /^\d{1,2}$/.test(staff) ? `<staff>${staff}</staff>` : ''}</direction>`;
}
