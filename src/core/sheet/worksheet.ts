import { countStaff, type BarCount, type CountingWay } from '../rhythm';
import { pitchLetter, type Note, type Pitch, type Score } from '../score';
import type { Mark } from '../studio';

/** What is asked about some bars of a piece, with its answers. */
export interface Worksheet {
  readonly counts: readonly BarCount[];
  /** Names of the notes by note id; the highest of a chord. */
  readonly names: ReadonlyMap<string, string>;
  /** Two notes after one another that are so far apart; null where no such pair is there. */
  readonly interval: { readonly name: string; readonly pairs: readonly (readonly [string, string])[] } | null;
  /** Notes with which a phrase ends, by what the teacher marked and the page prints; empty where neither says. */
  readonly phraseEnds: readonly string[];
}

export interface WorksheetRequest {
  /** The score of the player alone. */
  readonly played: Score;
  /** Bars, both included. */
  readonly from: number;
  readonly to: number;
  readonly way: CountingWay;
  readonly marks: readonly Mark[];
}

/** Asked for first; where there is none, the next. */
const ASKED: readonly (readonly [number, string])[] = [
  [3, 'fourth'],
  [4, 'fifth'],
  [2, 'third'],
  [1, 'second'],
];

const STEPS = 'CDEFGAB';
/** Steps of the staff from the lowest C. */
const staffStep = ({ step, octave }: Pitch): number => octave * STEPS.length + STEPS.indexOf(step);

/** The tune of the upper staff: one note an onset, the highest, in time; what is held over is no new note. */
function tuneOf({ played, from, to }: WorksheetRequest): readonly Note[] {
  const byOnset = new Map<number, Note>();
  for (const note of played.notes) {
    const isHere = note.part === played.parts[0]?.id && note.staff === 1 && note.bar >= from && note.bar <= to;
    const isNew = note.grace === null && note.pitch !== null && note.tie !== 'stop' && note.tie !== 'continue';
    const there = byOnset.get(note.onset);
    if (isHere && isNew && (note.midi ?? 0) > (there?.midi ?? -1)) byOnset.set(note.onset, note);
  }
  return [...byOnset.values()].sort((a, b) => a.onset - b.onset);
}

/** Neighbours of the tune that are so many steps of the staff apart, no rest between them. */
function pairsOf(tune: readonly Note[], steps: number): readonly (readonly [string, string])[] {
  return tune.flatMap((note, i) => {
    const next = tune[i + 1];
    const isNeighbour = next !== undefined && next.onset === note.onset + note.duration;
    return isNeighbour && note.pitch && next.pitch && Math.abs(staffStep(next.pitch) - staffStep(note.pitch)) === steps
      ? [[note.id, next.id] as const]
      : [];
  });
}

function intervalOf(tune: readonly Note[]): Worksheet['interval'] {
  for (const [steps, name] of ASKED) {
    const pairs = pairsOf(tune, steps);
    if (pairs.length > 0) return { name, pairs };
  }
  return null;
}

/** Where phrases end: as the teacher marked, else where the page prints a breath. */
function phraseEndsOf(tune: readonly Note[], marks: readonly Mark[]): readonly string[] {
  const ids = new Set(tune.map((n) => n.id));
  const marked = marks.flatMap((m) => (m.kind === 'phrase' && ids.has(m.noteId) ? [m.noteId] : []));
  if (marked.length > 0) return [...new Set(marked)];
  return tune.filter((n) => n.marks.articulations.includes('breath-mark')).map((n) => n.id);
}

/**
 * What can be asked about some bars of a piece, and what is right.
 *
 * @example worksheet({ played: score, from: 0, to: 0, way: USUAL_WAY, marks: [] }).names.size // → 4
 */
export function worksheet(request: WorksheetRequest): Worksheet {
  const { played, from, to, way, marks } = request;
  const tune = tuneOf(request);
  const part = played.parts[0];
  return {
    counts: part ? countStaff(played, part.id, 1, from, to, way) : [],
    names: new Map(tune.flatMap((n) => (n.pitch ? [[n.id, pitchLetter(n.pitch)] as const] : []))),
    interval: intervalOf(tune),
    phraseEnds: phraseEndsOf(tune, marks),
  };
}
