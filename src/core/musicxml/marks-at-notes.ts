/** One mark at its note: what is put into the source for it, and where; nothing where it stands there already. */
import type { Note } from '../score';
import { child, childrenNamed, escapeXml, type XmlElement } from './xml-tree';

/** A mark at a note or a bar, as it is written into the document. */
export type WrittenMark =
  | { readonly kind: 'finger'; readonly noteId: string; readonly finger: string }
  | { readonly kind: 'string'; readonly noteId: string; readonly string: number; readonly fret?: number }
  | { readonly kind: 'bow'; readonly noteId: string; readonly direction: 'up' | 'down' }
  | { readonly kind: 'dynamic'; readonly noteId: string; readonly level: string }
  | {
      readonly kind: 'wedge';
      readonly noteId: string;
      readonly toNoteId: string;
      readonly role: 'crescendo' | 'diminuendo';
    }
  | { readonly kind: 'cue'; readonly noteId: string; readonly text: string }
  | { readonly kind: 'words'; readonly noteId: string; readonly text: string }
  | { readonly kind: 'breath'; readonly noteId: string; readonly catch?: boolean }
  | { readonly kind: 'pedal'; readonly noteId: string; readonly sign: 'down' | 'change' | 'up' }
  | { readonly kind: 'rehearsal'; readonly barId: string; readonly text: string };

/** A text put in at a place of the source, in the stead of `remove` characters. */
export interface Splice {
  readonly at: number;
  readonly remove?: number;
  readonly insert: string;
}

/** Elements of a note that come after `<notations>` in the schema: it is put in before the first of them. */
const AFTER_NOTATIONS = new Set(['lyric', 'play', 'listen']);

const groupsOf = (note: XmlElement, group: string): readonly XmlElement[] =>
  childrenNamed(note, 'notations').flatMap((n) => childrenNamed(n, group));

/** Puts one mark inside a note: into the named group of its notations, which are made where they are missing. */
function insideNote(note: XmlElement, group: 'technical' | 'articulations', body: string): Splice {
  const wrapped = `<${group}>${body}</${group}>`;
  const notations = child(note, 'notations');
  if (!notations) {
    const next = note.children.find((c) => AFTER_NOTATIONS.has(c.name));
    const last = note.children[note.children.length - 1];
    return { at: next ? next.start : (last?.end ?? note.contentStart), insert: `<notations>${wrapped}</notations>` };
  }
  const existing = groupsOf(note, group)[0];
  const lastInside = existing?.children[existing.children.length - 1];
  if (existing && lastInside) return { at: lastInside.end, insert: body };
  const lastNotation = notations.children[notations.children.length - 1];
  // An empty `<notations/>` cannot be opened by splicing: a second group beside it is allowed.
  return lastNotation
    ? { at: lastNotation.end, insert: wrapped }
    : { at: notations.end, insert: `<notations>${wrapped}</notations>` };
}

const hasInside = (note: XmlElement, group: string, name: string, text?: string): boolean =>
  groupsOf(note, group).some((g) => childrenNamed(g, name).some((e) => text === undefined || e.text.trim() === text));

/** Where a mark is written: its note in the source, and the bar around it. */
export interface Spot {
  readonly measure: XmlElement;
  readonly notes: readonly XmlElement[];
  readonly note: Note;
  readonly element: XmlElement;
  readonly staves: number;
}

/** A direction of ours at a note. */
export function directionXml(inner: string, placement: 'above' | 'below', { note, staves }: Spot): string {
  return `<direction placement="${placement}"><direction-type>${inner}</direction-type><voice>${escapeXml(note.voice)}</voice>${staves > 1 ? `<staff>${note.staff}</staff>` : ''}</direction>`;
}

/** The note itself, or the first of its chord: directions stand in front of that one. */
export function headOfChord({ notes, note, element }: Spot): XmlElement {
  let at = note.sourceIndex;
  let head = element;
  while (at > 0 && child(head, 'chord')) {
    at -= 1;
    head = notes[at] ?? head;
  }
  return head;
}

/** Whether one of the directions right before or after the note already says `inner`. */
export function saidBeside(
  spot: Spot,
  head: XmlElement,
  name: string,
  matches: (mark: XmlElement) => boolean,
): boolean {
  const { children } = spot.measure;
  const at = children.indexOf(head);
  const beside: XmlElement[] = [];
  for (let i = at - 1; i >= 0 && children[i]?.name === 'direction'; i -= 1) beside.push(...children.slice(i, i + 1));
  for (let i = at + 1; i < children.length && children[i]?.name === 'direction'; i += 1)
    beside.push(...children.slice(i, i + 1));
  return beside.some((d) => childrenNamed(d, 'direction-type').some((t) => childrenNamed(t, name).some(matches)));
}

const PEDAL_TYPES = { down: 'start', change: 'change', up: 'stop' } as const;

/** The splices of one mark at its note; none when it is there already. */
export function atNote(mark: Exclude<WrittenMark, { kind: 'rehearsal' | 'wedge' }>, spot: Spot): Splice[] {
  const { element } = spot;
  const head = headOfChord(spot);
  const direction = (
    name: string,
    inner: string,
    placement: 'above' | 'below',
    matches: (e: XmlElement) => boolean,
  ): Splice[] =>
    saidBeside(spot, head, name, matches) ? [] : [{ at: head.start, insert: directionXml(inner, placement, spot) }];
  switch (mark.kind) {
    case 'finger':
      return hasInside(element, 'technical', 'fingering', mark.finger)
        ? []
        : [insideNote(element, 'technical', `<fingering>${escapeXml(mark.finger)}</fingering>`)];
    case 'string': {
      if (hasInside(element, 'technical', 'string', String(mark.string))) return [];
      const fret = mark.fret === undefined ? '' : `<fret>${mark.fret}</fret>`;
      return [insideNote(element, 'technical', `<string>${mark.string}</string>${fret}`)];
    }
    case 'bow':
      return hasInside(element, 'technical', `${mark.direction}-bow`)
        ? []
        : [insideNote(element, 'technical', `<${mark.direction}-bow/>`)];
    case 'breath':
      return hasInside(element, 'articulations', 'breath-mark')
        ? []
        : [insideNote(element, 'articulations', mark.catch ? '<breath-mark>tick</breath-mark>' : '<breath-mark/>')];
    case 'dynamic':
      return direction(
        'dynamics',
        `<dynamics><${mark.level}/></dynamics>`,
        'below',
        (e) => child(e, mark.level) !== undefined,
      );
    case 'pedal': {
      const type = PEDAL_TYPES[mark.sign];
      const inner = `<pedal type="${type}" sign="yes"/>`;
      if (saidBeside(spot, head, 'pedal', (e) => e.attributes['type'] === type)) return [];
      // It is lifted with the end of its note.
      const at = mark.sign === 'up' ? element.end : head.start;
      return [{ at, insert: directionXml(inner, 'below', spot) }];
    }
    case 'cue':
      return direction(
        'words',
        `<words font-style="italic">${escapeXml(mark.text)}</words>`,
        'above',
        (e) => e.text.trim() === mark.text.trim(),
      );
    case 'words':
      return direction(
        'words',
        `<words>${escapeXml(mark.text)}</words>`,
        'above',
        (e) => e.text.trim() === mark.text.trim(),
      );
  }
}
