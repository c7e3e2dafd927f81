import { barDifficulties, cornersOf, type BarDifficulty } from '../difficulty';
import { patternsFor } from '../facts';
import type { Entry } from '../players';
import { freeTimeIn, isBlankBar, perScore, type Note, type Score } from '../score';
import { struckBars, type StruckBars } from './struck-bars';

export interface Corner {
  readonly bar: number;
  readonly reason: string;
}

/** What a run of bars asks of a student, as far as the rungs of its ladder follow from it. */
export interface SectionContent {
  readonly hands: readonly ('right' | 'left')[];
  /** Others play too, and as what the one who matters is known. */
  readonly accompanied: boolean;
  readonly partner: string;
  readonly notes: number;
  /** Something is played here, or may be: the bars are not written. */
  readonly isPlayed: boolean;
  /** Name of the scale a run of it is found in, with the bar; null without a run. */
  readonly scaleRun: { readonly name: string; readonly bar: number } | null;
  /** Largest leap in semitones inside one staff, with the bar it lands in; null under an octave. */
  readonly leap: { readonly semitones: number; readonly bar: number } | null;
  /** Bars with chords of three or more in one hand. */
  readonly chordBars: number;
  /** Changes of lead-sheet chords met here, each once: `G to C`. */
  readonly chordChanges: readonly string[];
  readonly newRhythms: readonly number[];
  readonly touches: boolean;
  readonly dynamics: boolean;
  readonly words: boolean;
  readonly ornaments: readonly number[];
  /** Words of free time in the bars: rubato, a piacere. */
  readonly freeTime: string | null;
  readonly corners: readonly Corner[];
  /** Entries after bars of rest. */
  readonly entries: readonly Entry[];
}

/** Notes in a row by step before a scale is worth warming up. */
const RUN_LENGTH = 5;

function lines(notes: readonly Note[]): Map<string, Note[]> {
  const out = new Map<string, Note[]>();
  for (const n of notes) {
    if (n.chord || n.midi === null) continue;
    const key = `${n.part} ${n.staff} ${n.voice}`;
    const list = out.get(key);
    if (list) list.push(n);
    else out.set(key, [n]);
  }
  return out;
}

function scaleRun(score: Score, notes: readonly Note[]): SectionContent['scaleRun'] {
  for (const line of lines(notes).values()) {
    let length = 1;
    let way = 0;
    for (let i = 1; i < line.length; i += 1) {
      const by = (line[i]?.midi ?? 0) - (line[i - 1]?.midi ?? 0);
      const step = Math.abs(by) <= 2 && by !== 0;
      length = step && (way === 0 || Math.sign(by) === way) ? length + 1 : step ? 2 : 1;
      way = step ? Math.sign(by) : 0;
      const bar = line[i]?.bar ?? 0;
      if (length < RUN_LENGTH) continue;
      const key = score.bars[bar]?.key;
      const name = key ? patternsFor(key).find((p) => p.kind === 'scale' && p.role === 'tonic')?.name : undefined;
      if (name !== undefined) return { name, bar };
    }
  }
  return null;
}

function largestLeap(notes: readonly Note[]): SectionContent['leap'] {
  let best: SectionContent['leap'] = null;
  for (const line of lines(notes).values())
    line.forEach((n, i) => {
      const before = line[i - 1];
      const by = before ? Math.abs((n.midi ?? 0) - (before.midi ?? 0)) : 0;
      if (by >= 12 && by > (best?.semitones ?? 0)) best = { semitones: by, bar: n.bar };
    });
  return best;
}

const barsWithDynamics = perScore((score): readonly boolean[] => {
  const bars = new Set(score.directions.flatMap((d) => (d.kind === 'dynamic' || d.kind === 'wedge' ? [d.bar] : [])));
  return score.bars.map((b) => bars.has(b.index));
});

const chordsByBar = perScore((score): readonly Score['chords'][] => {
  const bars = score.bars.map((): Score['chords'][number][] => []);
  for (const c of score.chords) if (c.text !== '') bars[c.bar]?.push(c);
  return bars;
});

function changesOf(score: Score, from: number, to: number): string[] {
  const chords = chordsByBar(score)
    .slice(from, to + 1)
    .flat();
  const changes = chords.flatMap((c, i) => {
    const before = chords[i - 1];
    return before && before.text !== c.text ? [`${before.text} to ${c.text}`] : [];
  });
  return [...new Set(changes)];
}

/** What the ladders of all chunks of a piece look at, found once. */
export interface PieceContent {
  readonly score: Score;
  readonly struck: StruckBars;
  readonly difficulties: readonly BarDifficulty[];
  /** Corners of the piece, hardest first. */
  readonly corners: readonly BarDifficulty[];
  /** Bars whose rhythm, of all that is struck, was not met earlier in the piece. */
  readonly newRhythms: ReadonlySet<number>;
  readonly entries: readonly Entry[];
  readonly accompanied: boolean;
  readonly partner?: string;
}

/** What is known of the others who play. */
export interface Company {
  readonly entries: readonly Entry[];
  readonly accompanied: boolean;
  /** Who the partner is: "the teacher". */
  readonly partner?: string;
}

const ALONE: Company = { entries: [], accompanied: false };

function newRhythms(score: Score, struck: StruckBars): ReadonlySet<number> {
  const seen = new Set<string>();
  const fresh = new Set<number>();
  struck.forEach((notes, bar) => {
    const face = notes.flatMap((n) =>
      n.grace ? [] : [`${n.part} ${n.staff} ${n.onset - (score.bars[bar]?.onset ?? 0)} ${n.duration}`],
    );
    const key = [...new Set(face)].sort().join('|');
    if (face.length > 1 && !seen.has(key)) fresh.add(bar);
    seen.add(key);
  });
  return fresh;
}

/**
 * Reads a whole piece, as its player has it, for its ladders.
 *
 * @example pieceContent(score).newRhythms.has(0) // → true
 */
export function pieceContent(
  score: Score,
  difficulties: readonly BarDifficulty[] = barDifficulties(score),
  company: Company = ALONE,
): PieceContent {
  const struck = struckBars(score);
  return {
    score,
    struck,
    difficulties,
    corners: cornersOf(difficulties),
    newRhythms: newRhythms(score, struck),
    ...company,
  };
}

/**
 * Reads a run of bars, both ends included, for its ladder. Corners are those of the piece, or the one bar clearly above
 * its neighbours.
 */
export function sectionContent(piece: PieceContent, from: number, to: number): SectionContent {
  const { score, difficulties } = piece;
  const inside = piece.struck.slice(from, to + 1).flat();
  const blank = score.bars.slice(from, to + 1).some(isBlankBar);
  const two = score.parts.find((p) => p.staves >= 2);
  const hands = two
    ? ([1, 2] as const)
        .filter((s) => blank || inside.some((n) => n.part === two.id && n.staff === s))
        .map((s) => (s === 1 ? 'right' : 'left'))
    : [];
  const columns = new Map<string, number>();
  for (const n of inside)
    columns.set(
      `${n.part} ${n.staff} ${n.onset} ${n.bar}`,
      (columns.get(`${n.part} ${n.staff} ${n.onset} ${n.bar}`) ?? 0) + 1,
    );
  const chordBars = new Set([...columns].flatMap(([key, count]) => (count >= 3 ? [key.split(' ')[3] ?? ''] : [])));
  const named = piece.corners.filter((c) => c.bar >= from && c.bar <= to).slice(0, 2);
  const here = difficulties.slice(from, to + 1);
  const middle = here.map((d) => d.score).sort((a, b) => a - b)[Math.floor(here.length / 2)] ?? 0;
  const hardest = [...here].sort((a, b) => b.score - a.score)[0];
  const corners = named.length > 0 ? named : to > from && hardest && hardest.score >= middle + 0.8 ? [hardest] : [];
  return {
    hands,
    accompanied: piece.accompanied,
    partner: piece.partner ?? 'the partner',
    notes: inside.length,
    isPlayed: inside.length > 0 || blank,
    scaleRun: scaleRun(score, inside),
    leap: largestLeap(inside),
    chordBars: chordBars.size,
    chordChanges: changesOf(score, from, to),
    newRhythms: score.bars
      .slice(from, to + 1)
      .flatMap((b) => (piece.newRhythms.has(b.index) ? [b.index as number] : [])),
    touches: inside.some((n) => n.marks.slurs.length > 0 || n.marks.articulations.some((a) => a !== 'breath-mark')),
    dynamics: barsWithDynamics(score)
      .slice(from, to + 1)
      .includes(true),
    words: inside.some((n) => n.marks.lyrics.length > 0),
    ornaments: [...new Set(inside.flatMap((n) => (n.marks.ornaments.length > 0 ? [n.bar] : [])))],
    freeTime: freeTimeIn(score, from, to),
    corners: corners.map((c) => ({ bar: c.bar, reason: c.reasons[0]?.text ?? 'more than its neighbours' })),
    entries: piece.entries.filter((e) => e.bar >= from && e.bar <= to),
  };
}
