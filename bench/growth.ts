/** How time grows with the bars of a piece, each answer by itself, on pieces that are the worst case of something. */
import { spawnSync } from 'node:child_process';
import { performance } from 'node:perf_hooks';
import { analysisOf } from '../src/core/analysis';
import { barDifficulties } from '../src/core/difficulty';
import { findHarmony } from '../src/core/harmony';
import { readScore } from '../src/core/musicxml';
import { findSameness, payOff, rhythmFamilies } from '../src/core/sameness';
import type { Score } from '../src/core/score';
import { phraseEnds, proposeSections } from '../src/core/sections';
import { proposeWay } from '../src/core/way';
import { LONG_PIECES, longPiece, type LongPiece } from '../tests/growth/long-piece';
import type { Report } from './report';

const SHORT = 400;
const LONG = 2000;
const LONGEST = 10_000;
/** Five times the bars may take so much longer. */
const MOST_GROWTH = 6;

function read(kind: LongPiece, bars: number): Score {
  const result = readScore(longPiece(kind, bars), 'long.musicxml');
  if (!result.ok) throw new Error(result.issue.message);
  return result.value.score;
}

const ANSWERS = ['sameness', 'sections', 'families', 'pay-off', 'difficulty', 'harmony', 'way'] as const;
type Answer = (typeof ANSWERS)[number];

/** Milliseconds of each answer on a piece that nothing is known of yet. */
function timesOf(score: Score): Readonly<Record<Answer, number>> {
  const times: Partial<Record<Answer, number>> = {};
  const timed = <T>(answer: Answer, work: () => T): T => {
    const start = performance.now();
    const made = work();
    times[answer] = performance.now() - start;
    return made;
  };
  const sameness = timed('sameness', () => findSameness(score));
  const sections = timed('sections', () => proposeSections(score, sameness));
  timed('families', () => rhythmFamilies(score));
  timed('pay-off', () => payOff(score));
  timed('difficulty', () => barDifficulties(score));
  timed('harmony', () => findHarmony(score, phraseEnds(score, sections)));
  const analysis = analysisOf(score);
  // What the way asks of the analysis is found before.
  void [analysis.sections, analysis.corners, analysis.entries, analysis.sameness];
  timed('way', () => proposeWay(analysis, { level: 'intermediate', school: null }));
  return times as Readonly<Record<Answer, number>>;
}

/** Runs of the long piece, each between two of the short one: what else the machine does falls on both. */
const ROUNDS = 3;

/** How often the short piece's time the long one takes, each answer by itself: the least times of all rounds. */
function growthOf(kind: LongPiece): Readonly<Record<string, number>> {
  const [short, long] = [read(kind, SHORT), read(kind, LONG)];
  // A score of its own each time: nothing is remembered from one run to the next.
  const times = (score: Score): Readonly<Record<Answer, number>> => timesOf({ ...score, notes: [...score.notes] });
  times(short);
  const rounds = Array.from({ length: ROUNDS }, () => ({ short: [times(short), times(short)], long: times(long) }));
  const least = (answer: Answer, of: readonly Readonly<Record<Answer, number>>[]): number =>
    Math.min(...of.map((t) => t[answer]));
  return Object.fromEntries(
    ANSWERS.map((answer) => [
      answer,
      least(
        answer,
        rounds.map((r) => r.long),
      ) /
        least(
          answer,
          rounds.flatMap((r) => r.short),
        ),
    ]),
  );
}

export function measureGrowth({ figure }: Report): void {
  for (const kind of Object.keys(LONG_PIECES) as LongPiece[]) {
    for (const [answer, times] of Object.entries(growthOf(kind)))
      figure(`${answer} of ${LONG} bars to ${SHORT}, ${kind}`, times, 'times', MOST_GROWTH);
  }
  // In a process of its own, for its memory.
  const longest = spawnSync('node_modules/.bin/tsx', ['bench/longest.ts', 'themes', String(LONGEST)], {
    encoding: 'utf8',
  });
  const [milliseconds = NaN, megabytes = NaN] = longest.stdout.trim().split(' ').map(Number);
  figure(`all answers of ${LONGEST} bars`, milliseconds / 1000, 's', 20);
  figure(`memory of the process for ${LONGEST} bars`, megabytes, 'MB', 500);
}
