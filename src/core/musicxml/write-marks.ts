/**
 * Marks into the source text. Only what is ours is added: a `<fingering>` in the note's own technical group, a direction in front of
 * a note for a dynamic, a cue or a breath. Everything else stays as it was, character for character; earlier fingerings stay too.
 * With no marks the text comes back unchanged.
 */
import type { Note } from '../score';
import type { ReadScore } from './read-score';
import { child, childrenNamed, escapeXml, parseFragment, type XmlElement } from './xml-tree';

/** A mark at a note, as it is written into the document. */
export type WrittenMark =
  | { readonly kind: 'finger'; readonly noteId: string; readonly finger: string }
  | { readonly kind: 'dynamic'; readonly noteId: string; readonly level: string }
  | { readonly kind: 'cue'; readonly noteId: string; readonly text: string }
  | { readonly kind: 'breath'; readonly noteId: string };

export interface WrittenDocument {
  readonly text: string;
  /** How many marks were put in. */
  readonly added: number;
  /** Marks whose note is not in this document. */
  readonly unplaced: readonly WrittenMark[];
}

interface Splice {
  readonly at: number;
  readonly insert: string;
}

const DYNAMICS = new Set(['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff']);

/** Elements of a note that come after `<notations>` in the schema: it is put in before the first of them. */
const AFTER_NOTATIONS = new Set(['lyric', 'play', 'listen']);

/** Puts one mark inside a note: into the named group of its notations, which are made where they are missing. */
function insideNote(note: XmlElement, group: 'technical' | 'articulations', body: string): Splice {
  const wrapped = `<${group}>${body}</${group}>`;
  const notations = child(note, 'notations');
  if (!notations) {
    const next = note.children.find((c) => AFTER_NOTATIONS.has(c.name));
    const last = note.children[note.children.length - 1];
    return { at: next ? next.start : (last?.end ?? note.contentStart), insert: `<notations>${wrapped}</notations>` };
  }
  const existing = childrenNamed(note, 'notations').flatMap((n) => childrenNamed(n, group))[0];
  const lastInside = existing?.children[existing.children.length - 1];
  if (existing && lastInside) return { at: lastInside.end, insert: body };
  const lastNotation = notations.children[notations.children.length - 1];
  // An empty `<notations/>` cannot be opened by splicing: a second group beside it is allowed.
  return lastNotation ? { at: lastNotation.end, insert: wrapped } : { at: notations.end, insert: `<notations>${wrapped}</notations>` };
}

function directionXml(inner: string, placement: 'above' | 'below', note: Note, staves: number): string {
  return `<direction placement="${placement}"><direction-type>${inner}</direction-type><voice>${escapeXml(note.voice)}</voice>${staves > 1 ? `<staff>${note.staff}</staff>` : ''}</direction>`;
}

/** Where a direction for a note goes: before it, or before the first note of its chord. */
function beforeNote(notes: readonly XmlElement[], index: number): number {
  let at = index;
  let note = notes[at];
  while (note && at > 0 && child(note, 'chord')) {
    at -= 1;
    note = notes[at];
  }
  return note?.start ?? 0;
}

/** Writes marks into the text that `read` came from. */
export function writeMarks(text: string, read: Pick<ReadScore, 'score' | 'ranges'>, marks: readonly WrittenMark[]): WrittenDocument {
  const { score, ranges } = read;
  const byId = new Map(score.notes.map((n) => [n.id, n]));
  const unplaced: WrittenMark[] = [];
  const byBar = new Map<string, { note: Note; mark: WrittenMark }[]>();
  for (const mark of marks) {
    const note = byId.get(mark.noteId);
    if (!note || (mark.kind === 'dynamic' && !DYNAMICS.has(mark.level))) {
      unplaced.push(mark);
      continue;
    }
    const place = `${score.parts.findIndex((p) => p.id === note.part)} ${note.bar}`;
    const there = byBar.get(place);
    if (there) there.push({ note, mark });
    else byBar.set(place, [{ note, mark }]);
  }
  const splices: Splice[] = [];
  let added = 0;
  for (const [place, list] of byBar) {
    const [part = 0, bar = 0] = place.split(' ').map(Number);
    const range = ranges[part]?.[bar];
    const tree = range ? parseFragment(text.slice(range[0], range[1])) : null;
    if (!range || !tree) {
      unplaced.push(...list.map((l) => l.mark));
      continue;
    }
    const notes = childrenNamed(tree, 'note');
    const staves = score.parts[part]?.staves ?? 1;
    for (const { note, mark } of list) {
      const element = notes[note.sourceIndex];
      if (!element) {
        unplaced.push(mark);
        continue;
      }
      added += 1;
      const put = (splice: Splice): void => void splices.push({ at: range[0] + splice.at, insert: splice.insert });
      switch (mark.kind) {
        case 'finger':
          put(insideNote(element, 'technical', `<fingering>${escapeXml(mark.finger)}</fingering>`));
          break;
        case 'breath':
          put(insideNote(element, 'articulations', '<breath-mark/>'));
          break;
        case 'dynamic':
          put({ at: beforeNote(notes, note.sourceIndex), insert: directionXml(`<dynamics><${mark.level}/></dynamics>`, 'below', note, staves) });
          break;
        case 'cue':
          put({
            at: beforeNote(notes, note.sourceIndex),
            insert: directionXml(`<words font-style="italic">${escapeXml(mark.text)}</words>`, 'above', note, staves),
          });
          break;
      }
    }
  }
  // Splices at one place keep the order in which the marks were given.
  const ordered = splices.map((s, i) => ({ ...s, i })).sort((a, b) => a.at - b.at || a.i - b.i);
  const out: string[] = [];
  let from = 0;
  for (const splice of ordered) {
    out.push(text.slice(from, splice.at), splice.insert);
    from = splice.at;
  }
  out.push(text.slice(from));
  return { text: out.join(''), added, unplaced };
}
