import { barSeconds, keyAlter, struckNotes, type Bar, type Note, type Score } from '../score';
import type { QuarterBpm } from '../units';

export interface DifficultyReason {
  readonly kind: WeightName;
  readonly points: number;
  readonly text: string;
}

/** One staff of one bar: what one hand (or the one player) has to do there. */
export interface HandDifficulty {
  readonly part: string;
  readonly staff: number;
  readonly score: number;
  readonly reasons: readonly DifficultyReason[];
}

export interface BarDifficulty {
  readonly bar: number;
  /** 0 (empty or a single held note) to 10, comparable between pieces. */
  readonly score: number;
  /** Largest first; each says what and how much. */
  readonly reasons: readonly DifficultyReason[];
  readonly hands: readonly HandDifficulty[];
}

/**
 * Points at full strength, where a reason begins to count and where it is at full strength. Chosen by us; a reason
 * never gives more than its points. Rates are struck onsets a second in one staff, spans and leaps semitones.
 */
export const DIFFICULTY_WEIGHTS = {
  rate: { points: 3.5, from: 1, full: 9 },
  /** Semitones past the comfortable span between notes that follow one another. */
  leap: { points: 2, from: 0, full: 12 },
  /** Times the hand has to move to another position. */
  position: { points: 1.5, from: 0, full: 3 },
  accidental: { points: 1.5, from: 0, full: 4 },
  black: { points: 0.8, from: 0.2, full: 0.8 },
  chord: { points: 1.5, from: 1, full: 4 },
  /** Semitones past the comfortable span in one chord. */
  stretch: { points: 2, from: 0, full: 5 },
  voices: { points: 1.2, from: 0, full: 1 },
  chordChanges: { points: 1, from: 1, full: 4 },
  /** Both staves busy with different rhythms. */
  together: { points: 1.2, from: 0, full: 4 },
  against: { points: 1.6, from: 0, full: 1 },
  newRhythm: { points: 0.8, from: 0, full: 1 },
  ornament: { points: 1, from: 0, full: 2 },
  register: { points: 0.7, from: 0, full: 5 },
  key: { points: 1, from: 1, full: 6 },
  /** Bars of rest before it, which are counted; said of an entry, not of the notes. */
  entry: { points: 1, from: 0, full: 8 },
} as const;

type WeightName = keyof typeof DIFFICULTY_WEIGHTS;

export interface DifficultyOptions {
  readonly tempo?: QuarterBpm;
  /** Comfortable span in semitones; an octave when nothing is known of the player. */
  readonly spanInSemitones?: number;
  /** Black keys and stretches count on keyboards only. */
  readonly keyboard?: boolean;
}

const OCTAVE = 12;
const BLACK = new Set([1, 3, 6, 8, 10]);

function points(name: WeightName, value: number): number {
  const { points: most, from, full } = DIFFICULTY_WEIGHTS[name];
  return most * Math.max(0, Math.min(1, (value - from) / (full - from)));
}

const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

class Reasons {
  readonly list: DifficultyReason[] = [];
  say(kind: WeightName, value: number, text: string): void {
    const p = points(kind, value);
    if (p >= 0.25) this.list.push({ kind, points: Math.round(p * 10) / 10, text });
  }
  get total(): number {
    return this.list.reduce((sum, r) => sum + r.points, 0);
  }
  get sorted(): DifficultyReason[] {
    return [...this.list].sort((a, b) => b.points - a.points);
  }
}

const tenth = (n: number): number => Math.round(Math.min(10, n) * 10) / 10;

function outsideKey(note: Note, fifths: number): boolean {
  return note.pitch !== null && note.pitch.alter !== keyAlter({ fifths }, note.pitch.step);
}

/** Notes of a staff grouped by onset, in order. */
function columns(notes: readonly Note[]): Note[][] {
  const at = new Map<number, Note[]>();
  for (const n of notes) {
    const there = at.get(n.onset);
    if (there) there.push(n);
    else at.set(n.onset, [n]);
  }
  return [...at].sort(([a], [b]) => a - b).map(([, list]) => list);
}

/**
 * How often a hand of this span has to leave its place to reach the notes in order: a new place where the next note
 * does not fit.
 */
function positionMoves(groups: readonly (readonly Note[])[], span: number): number {
  let low = Infinity;
  let high = -Infinity;
  let moves = 0;
  for (const group of groups) {
    const keys = group.flatMap((n) => (n.midi === null ? [] : [n.midi as number]));
    if (keys.length === 0) continue;
    const nextLow = Math.min(low, ...keys);
    const nextHigh = Math.max(high, ...keys);
    if (nextHigh - nextLow > span) {
      moves += low === Infinity ? 0 : 1;
      low = Math.min(...keys);
      high = Math.max(...keys);
    } else {
      low = nextLow;
      high = nextHigh;
    }
  }
  return moves;
}

/** Onset groups of one beat that divide it by 2 in one staff and by 3 in another. */
function twoAgainstThree(bar: Bar, staves: readonly (readonly Note[])[], ticksPerQuarter: number): boolean {
  const kinds = new Map<number, Set<number>>();
  for (const [s, notes] of staves.entries())
    for (const n of notes) {
      const inBeat = (n.onset - bar.onset) % ticksPerQuarter;
      const beat = Math.floor((n.onset - bar.onset) / ticksPerQuarter);
      if (inBeat === 0) continue;
      const third = (inBeat * 3) % ticksPerQuarter === 0;
      const half = (inBeat * 4) % ticksPerQuarter === 0;
      if (!third && !half) continue;
      const set = kinds.get(beat) ?? new Set<number>();
      set.add(third ? 3 + s * 10 : 2 + s * 10);
      kinds.set(beat, set);
    }
  return [...kinds.values()].some((set) =>
    [...set].some((a) => [...set].some((b) => a % 10 !== b % 10 && Math.floor(a / 10) !== Math.floor(b / 10))),
  );
}

function handOf(
  score: Score,
  bar: Bar,
  notes: readonly Note[],
  seconds: number,
  isNewRhythm: boolean,
  options: Required<Omit<DifficultyOptions, 'tempo'>>,
): Reasons {
  const r = new Reasons();
  const { spanInSemitones: span, keyboard } = options;
  const main = notes.filter((n) => n.grace === null);
  const groups = columns(main);
  if (groups.length > 1)
    r.say(
      'rate',
      seconds > 0 ? groups.length / seconds : 0,
      `${(groups.length / Math.max(seconds, 0.01)).toFixed(1)} notes a second`,
    );
  let leap = 0;
  let chord = 1;
  let stretch = 0;
  let changes = 0;
  groups.forEach((group, i) => {
    const keys = group.flatMap((n) => (n.midi === null ? [] : [n.midi as number]));
    const before = (groups[i - 1] ?? []).flatMap((n) => (n.midi === null ? [] : [n.midi as number]));
    chord = Math.max(chord, new Set(keys).size);
    if (keys.length > 1) stretch = Math.max(stretch, Math.max(...keys) - Math.min(...keys) - span);
    if (before.length > 0 && keys.length > 0) {
      leap = Math.max(leap, Math.min(...keys.map((k) => Math.min(...before.map((b) => Math.abs(k - b))))));
      if (keys.length > 1 && before.length > 1 && keys.join() !== before.join()) changes += 1;
    }
  });
  // A leap counts by how far it leaves the hand: inside half the span it is a reach, not a leap.
  r.say('leap', leap - span / 2 + 1, `a leap of ${plural(leap, 'semitone')}`);
  r.say(
    'position',
    positionMoves(groups, Math.min(span, 9)),
    plural(positionMoves(groups, Math.min(span, 9)), 'change of position', 'changes of position'),
  );
  const accidentals = main.filter((n) => outsideKey(n, bar.key.fifths)).length;
  r.say('accidental', accidentals, plural(accidentals, 'accidental'));
  if (keyboard) {
    const keys = main.flatMap((n) => (n.midi === null ? [] : [n.midi as number]));
    const black = keys.filter((k) => BLACK.has(k % 12)).length;
    if (keys.length > 2) r.say('black', black / keys.length, `${plural(black, 'black key')} among ${keys.length}`);
    r.say('stretch', stretch, `a stretch ${plural(stretch, 'semitone')} past the hand`);
  }
  r.say('chord', chord, `${chord} notes at once${keyboard ? ' in one hand' : ''}`);
  r.say('chordChanges', changes, plural(changes, 'chord change'));
  const voices = new Map<string, Set<number>>();
  for (const n of main) voices.set(n.voice, (voices.get(n.voice) ?? new Set<number>()).add(n.onset));
  const [v1, v2] = [...voices.values()];
  if (v1 && v2 && [...v2].some((o) => !v1.has(o)) && v1.size + v2.size > 2)
    r.say('voices', 1, keyboard ? 'two voices in one hand' : 'two voices at once');
  if (isNewRhythm) r.say('newRhythm', 1, 'a rhythm not met before in the piece');
  const ornaments = notes.filter((n) => n.grace !== null || n.marks.ornaments.length > 0).length;
  r.say('ornament', ornaments, plural(ornaments, 'ornament'));
  const ledger = main.flatMap((n) => (n.midi === null ? [] : [Math.max(0, n.midi - 84, 36 - n.midi) / 2]));
  r.say('register', Math.max(0, ...ledger), 'far outside the staff');
  return r;
}

/**
 * How hard each bar is, per hand and in all, with named reasons, at the tempo in force or at `tempo`.
 *
 * @example barDifficulties(score).length // → 8
 */
export function barDifficulties(score: Score, options: DifficultyOptions = {}): BarDifficulty[] {
  const { tempo } = options;
  const full = { spanInSemitones: options.spanInSemitones ?? OCTAVE, keyboard: options.keyboard ?? true };
  const byBar: Note[][] = score.bars.map(() => []);
  for (const { note } of struckNotes(score.notes)) byBar[note.bar]?.push(note);
  const seenRhythms = new Map<string, Set<string>>();
  return score.bars.map((bar, index) => {
    const notes = byBar[index] ?? [];
    const time = barSeconds(score, bar, tempo);
    const staves = new Map<string, Note[]>();
    for (const n of notes) {
      const key = `${n.part} ${n.staff}`;
      const there = staves.get(key);
      if (there) there.push(n);
      else staves.set(key, [n]);
    }
    const hands: { part: string; staff: number; reasons: Reasons }[] = [];
    for (const [key, list] of staves) {
      const [first] = list;
      if (!first) continue;
      const rhythm = [...new Set(list.filter((n) => !n.grace).map((n) => n.onset - bar.onset))].join(' ');
      const seen = seenRhythms.get(key) ?? new Set<string>();
      const isNew = index >= 2 && rhythm.split(' ').length > 2 && !seen.has(rhythm);
      seenRhythms.set(key, seen.add(rhythm));
      hands.push({ part: first.part, staff: first.staff, reasons: handOf(score, bar, list, time, isNew, full) });
    }
    const all = new Reasons();
    // The harder hand counts whole, the other for a third: the two are not learned one after the other for nothing.
    const ordered = [...hands].sort((a, b) => b.reasons.total - a.reasons.total);
    const lists = [...staves.values()].map((l) => l.filter((n) => n.grace === null));
    const [a, b] = lists.map((l) => new Set<number>(l.map((n) => n.onset)));
    const together = a && b && [...b, ...a].some((o) => !a.has(o) || !b.has(o)) ? Math.min(a.size, b.size) : 0;
    if (together > 1) all.say('together', together, 'the staves move in different rhythms');
    if (lists.length > 1 && twoAgainstThree(bar, lists, score.ticksPerQuarter))
      all.say('against', 1, 'two against three');
    all.say(
      'key',
      Math.abs(bar.key.fifths),
      `${plural(Math.abs(bar.key.fifths), bar.key.fifths > 0 ? 'sharp' : 'flat')}`,
    );
    if (notes.length <= 1) all.list.length = 0;
    const total =
      all.total + (ordered[0]?.reasons.total ?? 0) + ordered.slice(1).reduce((sum, h) => sum + h.reasons.total / 3, 0);
    const best = new Map<WeightName, DifficultyReason>();
    for (const r of [...all.list, ...ordered.flatMap((h) => h.reasons.list)])
      if ((best.get(r.kind)?.points ?? 0) < r.points) best.set(r.kind, r);
    return {
      bar: index,
      score: tenth(total),
      reasons: [...best.values()].sort((x, y) => y.points - x.points),
      hands: hands.map((h) => ({
        part: h.part,
        staff: h.staff,
        score: tenth(h.reasons.total),
        reasons: h.reasons.sorted,
      })),
    };
  });
}

/**
 * What an entry after bars of rest adds to its bar.
 *
 * @example entryReason(4).text // → '4 bars of rest before it, to be counted'
 */
export const entryReason = (restBars: number): DifficultyReason => ({
  kind: 'entry',
  points: tenth(points('entry', restBars)),
  text: `${plural(restBars, 'bar')} of rest before it, to be counted`,
});

/**
 * Bars that will cost the time: clearly above the piece's own middle and not easy in themselves, hardest first.
 *
 * @example cornersOf(barDifficulties(score)) // → []
 */
export function cornersOf(difficulties: readonly BarDifficulty[]): BarDifficulty[] {
  const sorted = difficulties.map((d) => d.score).sort((a, b) => a - b);
  const middle = sorted[Math.floor(sorted.length / 2)] ?? 0;
  return difficulties
    .filter((d) => d.score >= middle + 1.2 && d.score >= 2)
    .sort((a, b) => b.score - a.score || a.bar - b.bar);
}
