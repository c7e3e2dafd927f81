import type { Bar, Note, Score } from '../score';
import { plural, reason, type DifficultyReason } from './reasons';

/** What the staves of a bar have to do with one another. */
export interface StavesOfBar {
  readonly score: Score;
  readonly bar: Bar;
  /** Highest staff first, without grace notes. */
  readonly staves: readonly (readonly Note[])[];
}

type Listen = (staves: StavesOfBar) => readonly DifficultyReason[];

/** The parts into which the onsets of a staff divide each beat: 2, 3 or 4; quarters counted from the bar line. */
function divisions({ bar, score }: StavesOfBar, notes: readonly Note[]): ReadonlyMap<number, number> {
  const out = new Map<number, number>();
  for (const n of notes) {
    const at = n.onset - bar.onset;
    const inBeat = at % score.ticksPerQuarter;
    if (inBeat === 0) continue;
    const beat = Math.floor(at / score.ticksPerQuarter);
    const by = (inBeat * 2) % score.ticksPerQuarter === 0 ? 2 : (inBeat * 3) % score.ticksPerQuarter === 0 ? 3 : 4;
    out.set(beat, Math.max(out.get(beat) ?? 0, by));
  }
  return out;
}

const WORDS: Readonly<Record<number, string>> = { 2: 'two', 3: 'three', 4: 'four' };

/** Two against three, three against four: beats that the staves divide otherwise. */
const against: Listen = (all) => {
  const [one, two] = all.staves.map((notes) => divisions(all, notes));
  if (!one || !two) return [];
  for (const [beat, a] of one) {
    const b = two.get(beat);
    if (b !== undefined && (a === 3) !== (b === 3))
      return reason('against', 1, `${WORDS[Math.min(a, b)] ?? ''} against ${WORDS[Math.max(a, b)] ?? ''}`);
  }
  return [];
};

const together: Listen = ({ staves }) => {
  const [a, b] = staves.map((l) => new Set<number>(l.map((n) => n.onset)));
  const differ = a && b && [...b, ...a].some((o) => !a.has(o) || !b.has(o));
  const count = differ ? Math.min(a.size, b.size) : 0;
  return count > 1 ? reason('together', count, 'the staves move in different rhythms') : [];
};

/** The lower staff has the higher notes. */
const crossing: Listen = ({ staves }) => {
  const [upper, lower] = staves;
  if (!upper || !lower) return [];
  const over = upper.filter((u) =>
    lower.some(
      (l) =>
        l.midi !== null &&
        u.midi !== null &&
        l.midi > u.midi &&
        l.onset < u.onset + u.duration &&
        u.onset < l.onset + l.duration,
    ),
  ).length;
  return reason('crossing', over, 'one hand over the other');
};

const keySignature: Listen = ({ bar }) => {
  const { fifths } = bar.key;
  return reason('key', Math.abs(fifths), plural(Math.abs(fifths), fifths > 0 ? 'sharp' : 'flat'));
};

const OF_THE_BAR: readonly Listen[] = [together, against, crossing, keySignature];

/** What makes a bar hard beside what each hand has to do. */
export const barReasons = (staves: StavesOfBar): readonly DifficultyReason[] =>
  OF_THE_BAR.flatMap((listen) => listen(staves));
