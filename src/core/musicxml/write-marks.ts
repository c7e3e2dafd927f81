/**
 * Marks into the source text. Only what is ours is added: fingers, strings and bowings in the note's own technical
 * group, a breath among its articulations, a direction in front of it for a dynamic, a hairpin or words, a rehearsal
 * mark where a section begins, and one namespaced field for what MusicXML has no place for. Everything else stays as it
 * was, character for character; earlier fingerings stay too, and a mark that is there already is not put in twice. With
 * no marks the text comes back unchanged.
 */
import type { Score } from '../score';
import {
  atNote,
  directionXml,
  headOfChord,
  saidBeside,
  type Splice,
  type Spot,
  type WrittenMark,
} from './marks-at-notes';
import type { ReadScore } from './read-score';
import { child, childrenNamed, escapeXml, parseFragment, type XmlElement } from './xml-tree';

export interface WrittenDocument {
  readonly text: string;
  /** How many marks were put in; those that were there already are not counted. */
  readonly added: number;
  /** Marks whose note or bar is not in this document. */
  readonly unplaced: readonly WrittenMark[];
}

/** Name of the field that carries what the format has no place for. */
export const REMEMBERED_FIELD = 'oak-rungs';

const DYNAMICS = new Set(['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff']);

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
