/**
 * Marks into the source text. Only what is ours is added: fingers, strings and bowings in the note's own technical
 * group, a breath among its articulations, a direction in front of it for a dynamic, a hairpin or words, a rehearsal
 * mark where a section begins, and one namespaced field for what MusicXML has no place for. Everything else stays as it
 * was, character for character; earlier fingerings stay too, and a mark that is there already is not put in twice. With
 * no marks the text comes back unchanged.
 */
import type { Note, Score } from '../score';
import type { ReadScore } from './read-score';
import { child, childrenNamed, escapeXml, parseFragment, type XmlElement } from './xml-tree';

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
  | { readonly kind: 'rehearsal'; readonly barId: string; readonly text: string };

export interface WrittenDocument {
  readonly text: string;
  /** How many marks were put in; those that were there already are not counted. */
  readonly added: number;
  /** Marks whose note or bar is not in this document. */
  readonly unplaced: readonly WrittenMark[];
}

/** Name of the field that carries what the format has no place for. */
export const REMEMBERED_FIELD = 'oak-rungs';

interface Splice {
  readonly at: number;
  readonly remove?: number;
  readonly insert: string;
}

const DYNAMICS = new Set(['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff']);

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

interface Spot {
  readonly measure: XmlElement;
  readonly notes: readonly XmlElement[];
  readonly note: Note;
  readonly element: XmlElement;
  readonly staves: number;
}

function directionXml(inner: string, placement: 'above' | 'below', { note, staves }: Spot): string {
  return `<direction placement="${placement}"><direction-type>${inner}</direction-type><voice>${escapeXml(note.voice)}</voice>${staves > 1 ? `<staff>${note.staff}</staff>` : ''}</direction>`;
}

/** The note itself, or the first of its chord: directions stand in front of that one. */
function headOfChord({ notes, note, element }: Spot): XmlElement {
  let at = note.sourceIndex;
  let head = element;
  while (at > 0 && child(head, 'chord')) {
    at -= 1;
    head = notes[at] ?? head;
  }
  return head;
}

/** Whether one of the directions right before or after the note already says `inner`. */
function saidBeside(spot: Spot, head: XmlElement, name: string, matches: (mark: XmlElement) => boolean): boolean {
  const { children } = spot.measure;
  const at = children.indexOf(head);
  const beside: XmlElement[] = [];
  for (let i = at - 1; i >= 0 && children[i]?.name === 'direction'; i -= 1) beside.push(...children.slice(i, i + 1));
  for (let i = at + 1; i < children.length && children[i]?.name === 'direction'; i += 1)
    beside.push(...children.slice(i, i + 1));
  return beside.some((d) => childrenNamed(d, 'direction-type').some((t) => childrenNamed(t, name).some(matches)));
}

/** The splices of one mark at its note; none when it is there already. */
function atNote(mark: Exclude<WrittenMark, { kind: 'rehearsal' | 'wedge' }>, spot: Spot): Splice[] {
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

/**
 * Where a mark about the whole bar goes: in front of its first note or direction, after attributes and left bar line.
 */
function startOfBar(measure: XmlElement): number {
  const first = measure.children.find((c) => c.name !== 'attributes' && c.name !== 'print' && c.name !== 'barline');
  return first?.start ?? measure.children[measure.children.length - 1]?.end ?? measure.contentStart;
}

function miscellaneousSplice(
  text: string,
  read: Pick<ReadScore, 'identification' | 'headerEnd'>,
  remembered: string,
): Splice {
  const field = `<miscellaneous-field name="${REMEMBERED_FIELD}">${escapeXml(remembered)}</miscellaneous-field>`;
  const range = read.identification;
  if (!range)
    return { at: read.headerEnd, insert: `<identification><miscellaneous>${field}</miscellaneous></identification>` };
  const tree = parseFragment(text.slice(range[0], range[1]));
  if (!tree || tree.children.length === 0)
    return {
      at: range[0],
      remove: range[1] - range[0],
      insert: `<identification><miscellaneous>${field}</miscellaneous></identification>`,
    };
  const group = child(tree, 'miscellaneous');
  const old = group
    ? childrenNamed(group, 'miscellaneous-field').find((f) => f.attributes['name'] === REMEMBERED_FIELD)
    : undefined;
  if (old) return { at: range[0] + old.start, remove: old.end - old.start, insert: field };
  const lastField = group?.children[group.children.length - 1];
  if (lastField) return { at: range[0] + lastField.end, insert: field };
  const last = tree.children[tree.children.length - 1];
  return { at: range[0] + (last?.end ?? tree.contentStart), insert: `<miscellaneous>${field}</miscellaneous>` };
}

function spliced(text: string, splices: readonly Splice[]): string {
  // Splices at one place keep the order in which the marks were given.
  const ordered = splices.map((s, i) => ({ ...s, i })).sort((a, b) => a.at - b.at || a.i - b.i);
  const out: string[] = [];
  let from = 0;
  for (const splice of ordered) {
    out.push(text.slice(from, splice.at), splice.insert);
    from = splice.at + (splice.remove ?? 0);
  }
  out.push(text.slice(from));
  return out.join('');
}

type Source = Pick<ReadScore, 'score' | 'ranges' | 'filledFrom' | 'identification' | 'headerEnd'>;

/** Cuts bars out of the source as trees, each once. */
function barTrees(
  text: string,
  { ranges, filledFrom }: Source,
): (part: number, bar: number) => { readonly tree: XmlElement; readonly start: number } | null {
  const known = new Map<string, { tree: XmlElement; start: number } | null>();
  return (part, bar) => {
    const key = `${part} ${bar}`;
    const there = known.get(key);
    if (there !== undefined) return there;
    const range = filledFrom.has(key) ? null : (ranges[part]?.[bar] ?? null);
    const tree = range ? parseFragment(text.slice(range[0], range[1])) : null;
    const cut = range && tree ? { tree, start: range[0] } : null;
    known.set(key, cut);
    return cut;
  };
}

const partIndex = (score: Score, id: string): number => score.parts.findIndex((p) => p.id === id);

/**
 * Writes marks into the text that `read` came from. `remembered`, when given, replaces our field about the whole piece.
 * Marks on notes under a bar-repeat sign have no place in the source and come back unplaced.
 *
 * @example writeMarks(xml, read, [{ kind: 'finger', noteId: read.score.notes[0].id, finger: '3' }]).added // → 1
 */
export function writeMarks(
  text: string,
  read: Source,
  marks: readonly WrittenMark[],
  remembered: string | null = null,
): WrittenDocument {
  const { score } = read;
  const byId = new Map(score.notes.map((n) => [n.id, n]));
  const barById = new Map(score.bars.map((b) => [b.id, b.index as number]));
  const cut = barTrees(text, read);
  const spotOf = (noteId: string): (Spot & { start: number }) | null => {
    const note = byId.get(noteId);
    const place = note ? cut(partIndex(score, note.part), note.bar) : null;
    if (!note || !place) return null;
    const notes = childrenNamed(place.tree, 'note');
    const element = notes[note.sourceIndex];
    return element
      ? {
          measure: place.tree,
          notes,
          note,
          element,
          staves: score.parts[partIndex(score, note.part)]?.staves ?? 1,
          start: place.start,
        }
      : null;
  };
  const unplaced: WrittenMark[] = [];
  const splices: Splice[] = [];
  let added = 0;
  const put = (start: number, list: readonly Splice[]): void => {
    if (list.length > 0) added += 1;
    for (const s of list) splices.push({ ...s, at: start + s.at });
  };
  for (const mark of marks) {
    if (mark.kind === 'rehearsal') {
      const bar = barById.get(mark.barId);
      const place = bar === undefined ? null : cut(0, bar);
      if (!place) {
        unplaced.push(mark);
        continue;
      }
      const said = childrenNamed(place.tree, 'direction').some((d) =>
        childrenNamed(d, 'direction-type').some((t) =>
          childrenNamed(t, 'rehearsal').some((r) => r.text.trim() === mark.text),
        ),
      );
      const inner = `<direction placement="above"><direction-type><rehearsal>${escapeXml(mark.text)}</rehearsal></direction-type></direction>`;
      put(place.start, said ? [] : [{ at: startOfBar(place.tree), insert: inner }]);
      continue;
    }
    const spot = spotOf(mark.noteId);
    if (!spot || (mark.kind === 'dynamic' && !DYNAMICS.has(mark.level))) {
      unplaced.push(mark);
      continue;
    }
    if (mark.kind === 'wedge') {
      const last = spotOf(mark.toNoteId);
      if (!last) {
        unplaced.push(mark);
        continue;
      }
      const head = headOfChord(spot);
      if (saidBeside(spot, head, 'wedge', (e) => e.attributes['type'] === mark.role)) continue;
      // The sign closes after the last note and its chord, in front of whatever comes next.
      const after = last.measure.children
        .slice(last.measure.children.indexOf(last.element) + 1)
        .find((c) => c.name !== 'note' || !child(c, 'chord'));
      const end = after?.start ?? last.measure.children[last.measure.children.length - 1]?.end ?? last.element.end;
      put(0, [
        { at: spot.start + head.start, insert: directionXml(`<wedge type="${mark.role}"/>`, 'below', spot) },
        { at: last.start + end, insert: directionXml('<wedge type="stop"/>', 'below', last) },
      ]);
      continue;
    }
    put(spot.start, atNote(mark, spot));
  }
  if (remembered !== null) splices.push(miscellaneousSplice(text, read, remembered));
  return { text: spliced(text, splices), added, unplaced };
}
