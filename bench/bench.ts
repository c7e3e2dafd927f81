/**
 * `npm run bench`: measured here and now, as ratios in one run. Nothing is asserted; figures with a goal say whether it
 * is met, and all are kept in `bench/results.json`.
 */
import { spawnSync } from 'node:child_process';
import { performance } from 'node:perf_hooks';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { readScore, writeExcerpt } from '../src/core/musicxml';
import { barDifficulties } from '../src/core/difficulty';
import { countStaff } from '../src/core/rhythm';
import { fingerScore } from '../src/core/fingering';
import { findSameness, payOff, rhythmFamilies } from '../src/core/sameness';
import { proposeSections } from '../src/core/sections';
import { measured, summaryOf } from '../tests/truth/summary';
import { shareOfAgreement } from './old-editions';
import { measureGrowth } from './growth';
import { bigFile } from './big-file';
import { measureDay } from './day';
import { report, type Report } from './report';
import { measureRoutes } from './routes';
import { measureStudio } from './studio';
import { measureClickToFinger } from './browser';
import { measureMusicAtOnce } from './music-at-once';
import { measurePages } from './pages';

function best(runs: number, work: () => void): number {
  let least = Infinity;
  for (let i = 0; i < runs; i += 1) {
    const start = performance.now();
    work();
    least = Math.min(least, performance.now() - start);
  }
  return least;
}

/** Seconds of a call of the command line, the least of some. */
const seconds = (runs: number, args: readonly string[]): number =>
  best(runs, () => void spawnSync('npm', ['run', '-s', ...args], { encoding: 'utf8' })) / 1000;

const read = (text: string) => {
  const result = readScore(text, 'bench.xml');
  if (!result.ok) throw new Error(result.issue.message);
  return result.value;
};

/** Reading, cutting and the parts of the analysis, beside what another program takes to load the same file. */
async function measureCore({ say }: Report): Promise<void> {
  const file = bigFile(400);
  const big = read(file);
  say('file', `${(file.length / 1e6).toFixed(2)} MB, ${big.score.bars.length} bars, ${big.score.notes.length} notes`);
  const ours = best(4, () => void read(file));
  const toolkit = new VerovioToolkit(await createVerovioModule());
  toolkit.setOptions({ breaks: 'auto' });
  const theirs = best(2, () => void toolkit.loadData(file));
  say('read and model, 400 bars', `${ours.toFixed(0)} ms`);
  say("Verovio's load of the same file", `${theirs.toFixed(0)} ms`);
  say('ratio of reading to that load (wanted: at most 0.1)', (ours / theirs).toFixed(3));
  const perNote = (bars: number): number => {
    const text = bigFile(bars);
    const notes = bars * 20;
    return (best(3, () => void read(text)) / notes) * 1000;
  };
  say('reading, µs a note at 50 / 500 / 5,000 bars', [50, 500, 5000].map((n) => perNote(n).toFixed(1)).join(' / '));
  const small = bigFile(8);
  const smallRead = read(small);
  // Bar 203 holds the same notes as bar 0 (the pattern goes round every 7 bars), so that only the length of the piece
  // differs.
  const excerpt = best(10, () => void writeExcerpt(file, big, { from: 203, to: 210 }));
  const whole = best(10, () => void writeExcerpt(small, smallRead, { from: 0, to: 7 }));
  const engrave = (document: string): number =>
    best(8, () => {
      toolkit.loadData(document);
      toolkit.renderToSVG(1);
    });
  say('8 bars out of 400, excerpt / 8-bar piece', `${excerpt.toFixed(1)} ms / ${whole.toFixed(1)} ms`);
  const fromLong = writeExcerpt(file, big, { from: 203, to: 210 });
  const fromShort = writeExcerpt(small, smallRead, { from: 0, to: 7 });
  engrave(fromShort);
  const a = engrave(fromLong);
  const b = engrave(fromShort);
  say('engraving them, ratio', `${a.toFixed(0)} ms / ${b.toFixed(0)} ms = ${(a / b).toFixed(2)}`);
  say(
    'difficulty of 400 bars, ratio to that load',
    (best(3, () => void barDifficulties(big.score)) / theirs).toFixed(3),
  );
  say(
    'counts of one staff of 400 bars, ratio to that load',
    (best(3, () => void countStaff(big.score, 'P1', 1, 0, 399)) / theirs).toFixed(3),
  );
  const build = (score: typeof big.score): void => {
    const sameness = findSameness(score);
    proposeSections(score, sameness);
    rhythmFamilies(score);
    payOff(score);
    barDifficulties(score);
  };
  const built = best(2, () => build(big.score));
  say('sections, sameness, families, pay-off, corners of 400 bars', `${built.toFixed(0)} ms`);
  say('ratio to that load (wanted: under 1)', (built / theirs).toFixed(3));
}

/** The command line: what it takes above npm's own start. */
function measureCommandLine({ figure }: Report): void {
  // What npm needs for nothing is its own.
  const call = ['oak', '--', 'read', 'tests/pieces/ode.abc'];
  figure(
    'a verb of the command line, above what npm needs',
    seconds(4, call) - seconds(4, ['--if-present', 'none']),
    's',
    0.4,
  );
}

function measureFingers({ say }: Report): void {
  const fingers = (bars: number): number => {
    const { score } = read(bigFile(bars));
    return best(2, () => void fingerScore(score, { instrument: 'piano' }));
  };
  const two = fingers(100);
  say(
    'fingering 100 bars, 2,000 notes (wanted: under 1,000 ms)',
    `${two.toFixed(0)} ms, ${(2000 / (two / 1000)).toFixed(0)} notes a second`,
  );
  say('fingering 400 bars, ratio to four times that', (fingers(400) / (4 * two)).toFixed(2));
  const agreement = shareOfAgreement();
  say(
    'fingers that agree with old editions',
    `${agreement.agree} of ${agreement.all} = ${(agreement.agree / agreement.all).toFixed(2)} (${agreement.by})`,
  );
}

async function measureJudgement({ say }: Report): Promise<void> {
  for (const set of ['training', 'held-out'] as const) say(`judgement, ${set}`, summaryOf(await measured(set)));
}

async function measureMusic({ say, figure }: Report): Promise<void> {
  const drop = await measureMusicAtOnce(bigFile(400));
  if (drop) {
    say(
      'from a drop of 400 bars to its first system, settled / cold',
      `${drop.settled.toFixed(0)} / ${drop.cold.toFixed(0)} ms`,
    );
    say('another engraver loading and drawing it in the same browser', `${drop.others.toFixed(0)} ms`);
    figure('drop to first system, settled, to that', drop.settled / drop.others, 'times', 0.25);
    figure('drop to first system, cold profile, to that', drop.cold / drop.others, 'times', 0.5);
    figure('longest task of the page meanwhile', drop.longTasks[0] ?? 0, 'ms', 50);
  }
  const click = await measureClickToFinger();
  say(
    'from the key to the visible finger, median of 10',
    click === null ? 'not measured: build first (next build)' : `${click.toFixed(0)} ms`,
  );
}

/** What is measured, by the word that asks for it alone: `npm run bench -- growth music`. */
const PARTS: Readonly<Record<string, (kept: Report) => void | Promise<void>>> = {
  core: measureCore,
  growth: measureGrowth,
  cli: measureCommandLine,
  fingers: measureFingers,
  judgement: measureJudgement,
  pages: ({ say }) => measurePages(say),
  music: measureMusic,
  routes: measureRoutes,
  day: measureDay,
  studio: measureStudio,
};

const asked = process.argv.slice(2);
const kept = report();
for (const [part, measure] of Object.entries(PARTS))
  if (asked.length === 0 || asked.includes(part)) await measure(kept);
kept.end(new Date().toISOString());
