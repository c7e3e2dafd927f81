import { barDifficulties, cornersOf, type BarDifficulty } from '../difficulty';
import { findHarmony, type Harmony } from '../harmony';
import type { InstrumentId } from '../instruments';
import {
  findSameness,
  fitsSameness,
  payOff,
  rhythmFamilies,
  type PayOffStep,
  type RhythmFamily,
  type Sameness,
} from '../sameness';
import { proposeSections, type ProposedSection } from '../sections';
import type { Part, Score } from '../score';
import type { Player } from '../studio';

/**
 * What everything else asks of a piece, for one player. Each answer is computed when it is first asked for and kept
 * with the score. Harmony, sameness and sections look at all parts and say so by not depending on the player.
 */
export interface Analysis {
  readonly score: Score;
  readonly player: Player;
  /** The player's parts that are in this score, in its order; never empty where the score has parts. */
  readonly parts: readonly Part[];
  /**
   * False where the piece is too long for its bars to be compared with one another: sameness, sections and what follows
   * are then empty.
   */
  readonly comparable: boolean;
  readonly sameness: Sameness;
  readonly sections: readonly ProposedSection[];
  readonly harmony: Harmony;
  readonly families: readonly RhythmFamily[];
  readonly payOff: readonly PayOffStep[];
  /** One a bar. */
  readonly difficulties: readonly BarDifficulty[];
  /** Hardest first. */
  readonly corners: readonly BarDifficulty[];
}

const NO_SAMENESS: Sameness = { repeats: [], ostinatos: [] };

/** A value computed when it is first asked for. */
function once<T>(compute: () => T): () => T {
  let known: { readonly value: T } | null = null;
  return () => (known ??= { value: compute() }).value;
}

/**
 * The player of a piece of which nothing is said: the first part that has notes, else the first.
 *
 * @example usualPlayer(score, 'piano') // → { parts: ['P1'], instrument: 'piano' }
 */
export function usualPlayer(score: Score, instrument?: InstrumentId): Player {
  const withNotes = new Set(score.notes.map((n) => n.part));
  const part = score.parts.find((p) => withNotes.has(p.id)) ?? score.parts[0];
  return { parts: [part?.id ?? 'P1'], ...(instrument === undefined ? {} : { instrument }) };
}

function compute(score: Score, player: Player): Analysis {
  const wanted = new Set(player.parts);
  const mine = score.parts.filter((p) => wanted.has(p.id));
  const parts = mine.length > 0 ? mine : score.parts.slice(0, 1);
  const comparable = fitsSameness(score);
  const sameness = once(() => (comparable ? findSameness(score) : NO_SAMENESS));
  const sections = once(() => (comparable ? proposeSections(score, sameness()) : []));
  const harmony = once(() => findHarmony(score));
  const families = once(() => rhythmFamilies(score));
  const paid = once(() => (comparable ? payOff(score) : []));
  const difficulties = once(() => barDifficulties(score, { keyboard: (player.instrument ?? 'piano') === 'piano' }));
  const corners = once(() => cornersOf(difficulties()));
  return {
    score,
    player,
    parts,
    comparable,
    get sameness() {
      return sameness();
    },
    get sections() {
      return sections();
    },
    get harmony() {
      return harmony();
    },
    get families() {
      return families();
    },
    get payOff() {
      return paid();
    },
    get difficulties() {
      return difficulties();
    },
    get corners() {
      return corners();
    },
  };
}

/** Analyses are kept as long as their score is. */
const known = new WeakMap<Score, Map<string, Analysis>>();

/**
 * The analysis of a score for a player, the usual one where none is named. The same score and player give the same
 * object.
 *
 * @example analysisOf(score).corners // the hard bars, hardest first
 */
export function analysisOf(score: Score, player: Player = usualPlayer(score)): Analysis {
  const key = [...player.parts, player.instrument ?? ''].sort().join(' ');
  const ofScore = known.get(score) ?? new Map<string, Analysis>();
  known.set(score, ofScore);
  const there = ofScore.get(key);
  if (there) return there;
  const fresh = compute(score, player);
  ofScore.set(key, fresh);
  return fresh;
}
