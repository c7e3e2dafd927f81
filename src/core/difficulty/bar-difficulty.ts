import {
  barSeconds,
  beatOnsets,
  fraction,
  fractionText,
  isBlankBar,
  struckNotes,
  type Bar,
  type Note,
  type Score,
} from '../score';
import type { QuarterBpm } from '../units';
import { handReasons, type StruckNote } from './hand-difficulty';
import { barReasons } from './hands-together';
import { pointsOf, plural, reason, type DifficultyReason, type ReasonKind } from './reasons';

/** One staff of one bar: what one hand (or the one player) has to do there. */
export interface HandDifficulty {
  readonly part: string;
  readonly staff: number;
  readonly score: number;
  readonly reasons: readonly DifficultyReason[];
  /** The first bar in which this staff has the very same notes, where this is not it. */
  readonly copyOf: number | null;
}

export interface BarDifficulty {
  readonly bar: number;
  /** 0 (empty or a single held note) to 10, comparable between pieces. */
  readonly score: number;
  /** Largest first; each says what and how much. */
  readonly reasons: readonly DifficultyReason[];
  readonly hands: readonly HandDifficulty[];
  /** The first bar with the very same notes, where this is not it: learned there, it is no new trouble. */
  readonly copyOf: number | null;
  /** Nothing is written here: how hard it is, is not known. */
  readonly blank?: true;
}

/** What the fingering of an instrument adds to a bar: its own trouble, in its own words. */
export interface Trouble {
  readonly bar: number;
  readonly kind: ReasonKind;
  readonly amount: number;
  readonly text: string;
}

export interface DifficultyOptions {
  readonly tempo?: QuarterBpm;
  /** Comfortable span in semitones; an octave when nothing is known of the player. */
  readonly spanInSemitones?: number;
  /** Black keys and stretches count on keyboards only. */
  readonly keyboard?: boolean;
  /** From the solved fingering. */
  readonly troubles?: readonly Trouble[];
}

const OCTAVE = 12;
const tenth = (n: number): number => Math.round(Math.min(10, n) * 10) / 10;

/** What a staff of a bar looks like: places, lengths and how the pitches lie to one another. */
function patternOf(bar: Bar, notes: readonly StruckNote[]): string {
  const main = notes.filter((s) => s.note.grace === null);
  const [first] = main;
  return main
    .map((s) => `${s.note.onset - bar.onset}+${s.sounding}:${(s.note.midi ?? 0) - (first?.note.midi ?? 0)}`)
    .join(' ');
}

/** The figures of a bar, beat by beat: where in the beat notes begin. One note on the beat is no figure. */
function rhythmFigures(score: Score, bar: Bar, notes: readonly StruckNote[]): ReadonlySet<string> {
  const onsets = new Set(notes.flatMap(({ note }) => (note.grace === null ? [note.onset - bar.onset] : [])));
  const beats = beatOnsets(bar, score.ticksPerQuarter).map((b): number => b.at);
  const figures = beats.map((at, i) => {
    const length = (beats[i + 1] ?? bar.length) - at;
    const inside = [...onsets].filter((o) => o >= at && o < at + length);
    return inside.map((o) => fractionText(fraction(o - at, length))).join(' ');
  });
  return new Set(figures.filter((figure) => figure !== '' && figure !== '0'));
}

/** Notes of a bar by staff, in order of part and staff. */
function byStaff(notes: readonly StruckNote[]): ReadonlyMap<string, StruckNote[]> {
  const staves = new Map<string, StruckNote[]>();
  for (const s of notes) {
    const key = `${s.note.part} ${s.note.staff}`;
    const there = staves.get(key);
    if (there) there.push(s);
    else staves.set(key, [s]);
  }
  return new Map([...staves].sort(([a], [b]) => (a < b ? -1 : 1)));
}

/** The notes that a staff has last before a tick and first from another on, if no beat of rest lies between. */
function neighbours(
  list: readonly StruckNote[],
  from: number,
  to: number,
  beat: number,
): { readonly before: readonly Note[]; readonly after: readonly Note[] } {
  const earlier = list.filter((s) => s.note.onset < from && s.note.grace === null);
  const last = earlier[earlier.length - 1];
  const next = list.find((s) => s.note.onset >= to && s.note.grace === null);
  const lastEnds = last ? last.note.onset + last.sounding : -Infinity;
  return {
    before:
      last && from - lastEnds < beat ? earlier.filter((s) => s.note.onset === last.note.onset).map((s) => s.note) : [],
    after:
      next && next.note.onset - to < beat
        ? list.filter((s) => s.note.onset === next.note.onset).map((s) => s.note)
        : [],
  };
}

/** Tells of each thing in which bar it came first; null where this is the first. */
function firstSeen(): { readonly of: (face: string, bar: number) => number | null } {
  const bars = new Map<string, number>();
  return {
    of: (face, bar) => {
      const first = bars.get(face);
      if (first === undefined) bars.set(face, bar);
      return first ?? null;
    },
  };
}

/**
 * How hard each bar is, per hand and in all, with named reasons, at the tempo in force or at `tempo`.
 *
 * @example barDifficulties(score).length // → 8
 */
export function barDifficulties(score: Score, options: DifficultyOptions = {}): BarDifficulty[] {
  const { tempo, spanInSemitones: span = OCTAVE, keyboard = true } = options;
  const struckByBar: StruckNote[][] = score.bars.map(() => []);
  for (const s of struckNotes(score.notes)) struckByBar[s.note.bar]?.push(s);
  const bars = struckByBar.map(byStaff);
  const troubles = new Map<number, DifficultyReason[]>();
  for (const t of options.troubles ?? [])
    troubles.set(t.bar, [...(troubles.get(t.bar) ?? []), ...reason(t.kind, t.amount, t.text)]);
  const seenRhythms = new Map<string, Set<string>>();
  const runs = new Map<string, { readonly pattern: string; readonly bars: number }>();
  const wholeBars = firstSeen();
  const handBars = firstSeen();
  return score.bars.map((bar, index) => {
    const staves = bars[index] ?? new Map<string, StruckNote[]>();
    const seconds = barSeconds(score, bar, tempo);
    const hands = [...staves].map(([key, notes]): HandDifficulty => {
      const figures = rhythmFigures(score, bar, notes);
      const seen = seenRhythms.get(key) ?? new Set<string>();
      const isNewRhythm = index >= 2 && [...figures].some((figure) => !seen.has(figure));
      seenRhythms.set(key, new Set([...seen, ...figures]));
      const pattern = patternOf(bar, notes);
      const run = runs.get(key);
      const goesOn = run?.pattern === pattern;
      runs.set(key, { pattern, bars: goesOn ? run.bars + 1 : 1 });
      const near = [index - 1, index, index + 1].flatMap((b) => bars[b]?.get(key) ?? []);
      const reasons = handReasons({
        score,
        bar,
        notes,
        ...neighbours(near, bar.onset, bar.onset + bar.length, score.ticksPerQuarter),
        seconds,
        isNewRhythm,
        patternEnds: goesOn ? 0 : (run?.bars ?? 0),
        span,
        keyboard,
      });
      const [first] = notes;
      return {
        part: first?.note.part ?? '',
        staff: first?.note.staff ?? 1,
        score: tenth(pointsOf(reasons)),
        reasons,
        copyOf: handBars.of(`${key}|${first?.note.midi ?? ''}|${pattern}`, index),
      };
    });
    const count = struckByBar[index]?.length ?? 0;
    const lists = [...staves.values()].map((l) => l.flatMap((s) => (s.note.grace === null ? [s.note] : [])));
    const all = count <= 1 ? [] : [...barReasons({ score, bar, staves: lists }), ...(troubles.get(index) ?? [])];
    // The harder hand counts whole, the other for a third: the two are not learned one after the other for nothing.
    const ordered = [...hands].sort((a, b) => pointsOf(b.reasons) - pointsOf(a.reasons));
    const total =
      pointsOf(all) +
      pointsOf(ordered[0]?.reasons ?? []) +
      ordered.slice(1).reduce((sum, h) => sum + pointsOf(h.reasons) / 3, 0);
    const best = new Map<ReasonKind, DifficultyReason>();
    for (const r of [...all, ...ordered.flatMap((h) => h.reasons)])
      if ((best.get(r.kind)?.points ?? 0) < r.points) best.set(r.kind, r);
    const face = [...staves]
      .map(([key, notes]) => `${key}|${notes[0]?.note.midi ?? ''}|${patternOf(bar, notes)}`)
      .join('/');
    return {
      bar: index,
      score: tenth(total),
      reasons: [...best.values()].sort((x, y) => y.points - x.points),
      hands,
      copyOf: isBlankBar(bar) ? null : wholeBars.of(face, index),
      ...(isBlankBar(bar) ? { blank: true as const } : {}),
    };
  });
}

/**
 * What an entry after bars of rest adds to its bar.
 *
 * @example entryReason(4).text // → '4 bars of rest before it, to be counted'
 */
export function entryReason(restBars: number): DifficultyReason {
  const text = `${plural(restBars, 'bar')} of rest before it, to be counted`;
  const [said] = reason('entry', restBars, text);
  return said ?? { kind: 'entry', points: 0, text };
}
