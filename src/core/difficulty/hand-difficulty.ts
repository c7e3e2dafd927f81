import { beatOnsets, isBlackKey, keyAlter, type Bar, type Note, type Score } from '../score';
import { plural, reason, type DifficultyReason } from './reasons';

/** A struck note with how long it sounds, ties joined, in ticks. */
export interface StruckNote {
  readonly note: Note;
  readonly sounding: number;
}

/** One staff of one bar, and what is around it. */
export interface HandBar {
  readonly score: Score;
  readonly bar: Bar;
  readonly notes: readonly StruckNote[];
  /** The last notes before it and the first after it on the same staff, where no beat of rest lies between. */
  readonly before: readonly Note[];
  readonly after: readonly Note[];
  readonly seconds: number;
  readonly isNewRhythm: boolean;
  /** Bars of one and the same pattern that it ends; 0 where it goes on. */
  readonly patternEnds: number;
  readonly span: number;
  readonly keyboard: boolean;
}

type Listen = (hand: HandBar) => readonly DifficultyReason[];

const keysOf = (notes: readonly Note[]): number[] => notes.flatMap((n) => (n.midi === null ? [] : [n.midi]));
const mainNotes = ({ notes }: HandBar): readonly Note[] =>
  notes.flatMap((s) => (s.note.grace === null ? [s.note] : []));

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
 * does not fit. A figure that goes to and fro between two places is counted once there and once back.
 */
function positionMoves(groups: readonly (readonly Note[])[], span: number): number {
  let low = Infinity;
  let high = -Infinity;
  const moves = new Set<string>();
  for (const group of groups) {
    const keys = keysOf(group);
    if (keys.length === 0) continue;
    const nextLow = Math.min(low, ...keys);
    const nextHigh = Math.max(high, ...keys);
    if (nextHigh - nextLow > span) {
      if (low !== Infinity) moves.add(`${low} ${Math.min(...keys)}`);
      low = Math.min(...keys);
      high = Math.max(...keys);
    } else {
      low = nextLow;
      high = nextHigh;
    }
  }
  return moves.size;
}

/** The least way between two groups: what the hand has to leap if it keeps the nearest finger. */
const leapBetween = (a: readonly Note[], b: readonly Note[]): number =>
  Math.min(...keysOf(b).map((k) => Math.min(...keysOf(a).map((o) => Math.abs(k - o)))));

const rate: Listen = (hand) => {
  const count = columns(mainNotes(hand)).length;
  const persecond = hand.seconds > 0 ? count / hand.seconds : 0;
  return count > 1 ? reason('rate', persecond, `${persecond.toFixed(1)} notes a second`) : [];
};

/** A second or a third is a step or a skip; from a fourth on it is a leap. */
const SKIP = 4;
/** Seconds in which a leap of any width is made at leisure. */
const AT_LEISURE = 0.7;
/** A leap into the next bar is mostly the next bar’s. */
const OUT_OF_THE_BAR = 0.6;

/** How hard a leap is: semitones past a skip, less where there is time for it. */
function leapValue(hand: HandBar, from: readonly Note[], to: readonly Note[]): number {
  const [a] = from;
  const [b] = to;
  if (!a || !b || keysOf(from).length === 0 || keysOf(to).length === 0) return 0;
  const seconds = ((b.onset - a.onset) * hand.seconds) / hand.bar.length;
  return (leapBetween(from, to) - SKIP) * Math.min(1, Math.max(0.5, AT_LEISURE / Math.max(seconds, 0.01)));
}

const leaps: Listen = (hand) => {
  const groups = columns(mainNotes(hand)).filter((g) => keysOf(g).length > 0);
  const all = [
    ...groups.slice(1).map((g, i) => ({ from: groups[i] ?? g, to: g, where: '', weight: 1 })),
    { from: hand.before, to: groups[0] ?? [], where: ' into the bar', weight: 1 },
    { from: groups[groups.length - 1] ?? [], to: hand.after, where: ' out of the bar', weight: OUT_OF_THE_BAR },
  ].map((leap) => ({ ...leap, value: leap.weight * leapValue(hand, leap.from, leap.to) }));
  const most = all.reduce((best, leap) => (leap.value > best.value ? leap : best));
  return most.value > 0
    ? reason('leap', most.value, `a leap of ${plural(leapBetween(most.from, most.to), 'semitone')}${most.where}`)
    : [];
};

const positions: Listen = (hand) => {
  const moves = positionMoves(columns(mainNotes(hand)), Math.min(hand.span, 9));
  return reason('position', moves, plural(moves, 'change of position', 'changes of position'));
};

/** The same accidental again in a bar is no second trouble. */
const accidentals: Listen = (hand) => {
  const outside = new Set(
    mainNotes(hand).flatMap((n) =>
      n.pitch !== null && n.pitch.alter !== keyAlter(hand.bar.key, n.pitch.step) ? [n.midi] : [],
    ),
  );
  return reason('accidental', outside.size, plural(outside.size, 'accidental'));
};

const blackKeys: Listen = (hand) => {
  const keys = keysOf(mainNotes(hand));
  const black = keys.filter(isBlackKey).length;
  return hand.keyboard && keys.length > 2
    ? reason('black', black / keys.length, `${plural(black, 'black key')} among ${keys.length}`)
    : [];
};

const stretch: Listen = (hand) => {
  const widths = columns(mainNotes(hand)).map((g) => Math.max(...keysOf(g)) - Math.min(...keysOf(g)) - hand.span);
  const most = Math.max(0, ...widths);
  return hand.keyboard ? reason('stretch', most, `a stretch ${plural(most, 'semitone')} past the hand`) : [];
};

const chords: Listen = (hand) => {
  const most = Math.max(1, ...columns(mainNotes(hand)).map((g) => new Set(keysOf(g)).size));
  return reason('chord', most, `${most} notes at once${hand.keyboard ? ' in one hand' : ''}`);
};

const INTERVAL_NAMES: Readonly<Record<number, string>> = {
  3: 'thirds',
  4: 'thirds',
  8: 'sixths',
  9: 'sixths',
  12: 'octaves',
};
/** Two notes at a time, other ones each time, in thirds, sixths or octaves. */
const doubles: Listen = (hand) => {
  const pairs = columns(mainNotes(hand)).map((g) => [...new Set(keysOf(g))].sort((a, b) => a - b));
  const names = pairs.map((p) => (p.length === 2 ? (INTERVAL_NAMES[(p[1] ?? 0) - (p[0] ?? 0)] ?? null) : null));
  const moving = names.filter((name, i) => name !== null && pairs[i]?.join() !== pairs[i - 1]?.join());
  const [name] = moving;
  return name
    ? reason('doubles', moving.length, `${name} one after another${hand.keyboard ? ' in one hand' : ''}`)
    : [];
};

const chordChanges: Listen = (hand) => {
  const groups = columns(mainNotes(hand)).map(keysOf);
  const changes = new Set(
    groups.flatMap((keys, i) => {
      const before = groups[i - 1] ?? [];
      return keys.length > 1 && before.length > 1 && keys.join() !== before.join()
        ? [`${before.join()} ${keys.join()}`]
        : [];
    }),
  ).size;
  return reason('chordChanges', changes, plural(changes, 'chord change'));
};

const voices: Listen = (hand) => {
  const onsets = new Map<string, Set<number>>();
  for (const n of mainNotes(hand)) onsets.set(n.voice, (onsets.get(n.voice) ?? new Set<number>()).add(n.onset));
  const [v1, v2] = [...onsets.values()];
  return v1 && v2 && [...v2].some((o) => !v1.has(o)) && v1.size + v2.size > 2
    ? reason('voices', 1, hand.keyboard ? 'two voices in one hand' : 'two voices at once')
    : [];
};

/** Struck off the beat and held over the next one. */
const syncopation: Listen = (hand) => {
  const beats = beatOnsets(hand.bar, hand.score.ticksPerQuarter).map((b) => hand.bar.onset + b.at);
  const ends = [...beats.slice(1), hand.bar.onset + hand.bar.length];
  const off = new Set(
    hand.notes.flatMap(({ note, sounding }) => {
      if (note.grace !== null || beats.includes(note.onset)) return [];
      const next = ends.find((e) => e > note.onset);
      return next !== undefined && note.onset + sounding > next ? [note.onset as number] : [];
    }),
  );
  return reason('syncopation', off.size, off.size === 1 ? 'a note off the beat' : `${off.size} notes off the beat`);
};

const tieOver: Listen = (hand) => {
  const end = hand.bar.onset + hand.bar.length;
  return hand.notes.some(
    ({ note, sounding }) => note.grace === null && note.onset > hand.bar.onset && note.onset + sounding > end,
  )
    ? reason('tieOver', 1, 'held over the bar line')
    : [];
};

/** Three in the time of two among straight notes, and stranger groups. */
const tuplets: Listen = (hand) => {
  const notes = mainNotes(hand);
  const odd = notes.find((n) => n.timeModification !== null);
  const straight = notes.some((n) => n.timeModification === null && n.duration < hand.score.ticksPerQuarter);
  if (!odd?.timeModification) return [];
  const { actual, normal } = odd.timeModification;
  return straight || actual !== 3
    ? reason('tuplet', 1, actual === 3 ? 'triplets among straight notes' : `${actual} in the time of ${normal}`)
    : [];
};

const newRhythm: Listen = (hand) =>
  hand.isNewRhythm ? reason('newRhythm', 1, 'a rhythm not met before in the piece') : [];
const newPattern: Listen = (hand) =>
  reason('newPattern', hand.patternEnds, `a new pattern after ${plural(hand.patternEnds, 'bar')} of one`);

const ornaments: Listen = (hand) => {
  const count = hand.notes.filter(({ note }) => note.grace !== null || note.marks.ornaments.length > 0).length;
  return reason('ornament', count, plural(count, 'ornament'));
};

const register: Listen = (hand) => {
  const ledger = keysOf(mainNotes(hand)).map((k) => Math.max(0, k - 84, 36 - k) / 2);
  return reason('register', Math.max(0, ...ledger), 'far outside the staff');
};

/** Everything that makes one staff of a bar hard, one function each. */
const OF_THE_HAND: readonly Listen[] = [
  rate,
  leaps,
  positions,
  accidentals,
  blackKeys,
  stretch,
  chords,
  doubles,
  chordChanges,
  voices,
  syncopation,
  tieOver,
  tuplets,
  newRhythm,
  newPattern,
  ornaments,
  register,
];

/** The reasons of one staff of a bar, largest first. */
export const handReasons = (hand: HandBar): readonly DifficultyReason[] =>
  OF_THE_HAND.flatMap((listen) => listen(hand)).sort((a, b) => b.points - a.points);
