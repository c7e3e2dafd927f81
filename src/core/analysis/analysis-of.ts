import { barDifficulties, cornersOf, entryReason, type BarDifficulty, type Corner } from '../difficulty';
import { fingerScore, fingeringTroubles } from '../fingering';
import { findHarmony, type Harmony } from '../harmony';
import { instrumentOf } from '../instruments';
import {
  entriesOf,
  playedBy,
  playerKey,
  soundingScore,
  stringsOf,
  usualPlayer,
  type Entry,
  type Player,
} from '../players';
import { findSameness, payOff, rhythmFamilies, type PayOffStep, type RhythmFamily, type Sameness } from '../sameness';
import { phraseEnds, proposeSections, type ProposedSection } from '../sections';
import type { Score } from '../score';

/**
 * What everything else asks of a piece, for one player. Each answer is computed when it is first asked for and kept
 * with the score. Harmony, sameness and sections look at all that sounds; what is hard, and whatever else is asked of
 * `played`, is the player's own.
 */
export interface Analysis {
  readonly score: Score;
  readonly player: Player;
  /** What the player has to play. */
  readonly played: Score;
  /** Others play too. */
  readonly accompanied: boolean;
  /** Where the player comes in after bars of rest. */
  readonly entries: readonly Entry[];
  readonly sameness: Sameness;
  readonly sections: readonly ProposedSection[];
  /** Where phrases close, in ticks. */
  readonly phraseEnds: readonly number[];
  readonly harmony: Harmony;
  readonly families: readonly RhythmFamily[];
  /** Which bars, learned first, pay most: of the player's own. */
  readonly payOff: readonly PayOffStep[];
  /** One a bar. */
  readonly difficulties: readonly BarDifficulty[];
  /** Hardest first, then the entries that are counted. */
  readonly corners: readonly Corner[];
  /** Both without what the fingering makes hard: soon there, for drawing while the rest is found elsewhere. */
  readonly atFirstSight: HardBars;
}

/** How hard each bar is, and which are the corners. */
export type HardBars = Pick<Analysis, 'difficulties' | 'corners'>;

/** A value computed when it is first asked for. */
function once<T>(compute: () => T): () => T {
  let known: { readonly value: T } | null = null;
  return () => (known ??= { value: compute() }).value;
}

/** Corners of a player: the hard bars, then the entries among the rest. */
function cornersWith(difficulties: readonly BarDifficulty[], entries: readonly Entry[]): readonly Corner[] {
  const hard = cornersOf(difficulties);
  const there = new Set(hard.map((c) => c.bar));
  const counted = new Map(entries.map((e) => [e.bar, e] as const));
  const withEntry = (d: Corner): Corner => {
    const entry = counted.get(d.bar);
    if (!entry) return d;
    const reason = entryReason(entry.restBars);
    return {
      ...d,
      score: Math.min(10, Math.round((d.score + reason.points) * 10) / 10),
      reasons: [reason, ...d.reasons],
    };
  };
  const more = difficulties
    .filter((d) => counted.has(d.bar) && !there.has(d.bar))
    .map((d): Corner => ({ ...d, margin: null }));
  return [...hard, ...more].map(withEntry);
}

/** What is asked of all that sounds: the same for every player. */
function computeSounding(score: Score) {
  const heard = once(() => soundingScore(score));
  const sameness = once(() => findSameness(heard()));
  const sections = once(() => proposeSections(heard(), sameness()));
  const closes = once(() => phraseEnds(heard(), sections()));
  return {
    sameness,
    sections,
    // Cuts are found first and without chords; cadences are looked for where phrases end.
    phraseEnds: closes,
    harmony: once(() => findHarmony(heard(), closes())),
    families: once(() => rhythmFamilies(heard())),
  };
}

const heardOf = new WeakMap<Score, ReturnType<typeof computeSounding>>();

function soundingOf(score: Score): ReturnType<typeof computeSounding> {
  const there = heardOf.get(score);
  if (there) return there;
  const fresh = computeSounding(score);
  heardOf.set(score, fresh);
  return fresh;
}

const isKeyboard = (player: Player): boolean => instrumentOf(player.instrument ?? 'piano').fingers?.kind === 'keyboard';

/** Hard bars of a player, with what the fingering of the instrument makes hard. */
function difficultiesOf(score: Score, player: Player): readonly BarDifficulty[] {
  const played = playedBy(score, player);
  const instrument = player.instrument ?? 'piano';
  const fingering = fingerScore(played, { ...stringsOf(score, player), instrument });
  return barDifficulties(played, {
    keyboard: isKeyboard(player),
    troubles: fingeringTroubles(played, fingering, instrument),
  });
}

function hardAtFirstSight(score: Score, player: Player, entries: readonly Entry[]): HardBars {
  const difficulties = barDifficulties(playedBy(score, player), { keyboard: isKeyboard(player) });
  return { difficulties, corners: cornersWith(difficulties, entries) };
}

function compute(score: Score, player: Player): Analysis {
  const { sameness, sections, phraseEnds: closes, harmony, families } = soundingOf(score);
  const paid = once(() => payOff(playedBy(score, player)));
  const entries = once(() => entriesOf(score, player));
  const difficulties = once(() => difficultiesOf(score, player));
  const corners = once(() => cornersWith(difficulties(), entries()));
  const firstSight = once(() => hardAtFirstSight(score, player, entries()));
  return {
    score,
    player,
    get played() {
      return playedBy(score, player);
    },
    get accompanied() {
      const mine = new Set(player.parts);
      return soundingScore(score).notes.some((n) => !mine.has(n.part));
    },
    get entries() {
      return entries();
    },
    get sameness() {
      return sameness();
    },
    get sections() {
      return sections();
    },
    get phraseEnds() {
      return closes();
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
    get atFirstSight() {
      return firstSight();
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
  const key = `${playerKey(player)} ${player.instrument ?? ''}`;
  const ofScore = known.get(score) ?? new Map<string, Analysis>();
  known.set(score, ofScore);
  const there = ofScore.get(key);
  if (there) return there;
  const fresh = compute(score, player);
  ofScore.set(key, fresh);
  return fresh;
}
