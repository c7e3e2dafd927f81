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

type Answer = 'sameness' | 'sections' | 'families' | 'pay-off' | 'difficulty' | 'harmony' | 'way';

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

/** The least of some runs, each on a score of its own: nothing is remembered from one to the next. */
function leastTimes(kind: LongPiece, bars: number, runs: number): Readonly<Record<Answer, number>> {
  const score = read(kind, bars);
  const all = Array.from({ length: runs }, () => timesOf({ ...score, notes: [...score.notes] }));
  const [first = timesOf(score)] = all;
  return Object.fromEntries(
    (Object.keys(first) as Answer[]).map((answer) => [answer, Math.min(...all.map((t) => t[answer]))]),
  ) as Readonly<Record<Answer, number>>;
}

export function measureGrowth({ figure }: Report): void {
  for (const kind of Object.keys(LONG_PIECES) as LongPiece[]) {
    // Once for nothing: a program is slow before it is warm.
    leastTimes(kind, SHORT, 1);
    const short = leastTimes(kind, SHORT, 3);
    const long = leastTimes(kind, LONG, 2);
    for (const answer of Object.keys(short) as Answer[])
      figure(`${answer} of ${LONG} bars to ${SHORT}, ${kind}`, long[answer] / short[answer], 'times', MOST_GROWTH);
  }
  // In a process of its own, for its memory.
  const longest = spawnSync('node_modules/.bin/tsx', ['bench/longest.ts', 'themes', String(LONGEST)], {
    encoding: 'utf8',
  });
  const [milliseconds = NaN, megabytes = NaN] = longest.stdout.trim().split(' ').map(Number);
  figure(`all answers of ${LONGEST} bars`, milliseconds / 1000, 's', 20);
  figure(`memory of the process for ${LONGEST} bars`, megabytes, 'MB', 500);
}
