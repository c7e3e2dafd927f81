import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { analysisOf } from '../analysis';
import { changeBar, emptyGrid, type Grid } from '../bargrid';
import { countStaff, countText } from '../rhythm';
import { isBlankBar, playedSecondsOfBars, type Score } from '../score';
import { openGrid } from '../studio';
import { proposeWay } from './propose-way';

const page = (bars: number, staves: 1 | 2 = 1): Grid =>
  emptyGrid({
    title: 'Quay',
    composer: '',
    bars,
    staves,
    clef: 'treble',
    instrument: staves === 2 ? 'piano' : 'clarinet',
    meter: '3/4',
    key: 'G',
    pickup: '',
    perMinute: 96,
  });

function read(grid: Grid): Score {
  const opened = openGrid(grid, 'quay');
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value.read.score;
}

const typed = (grid: Grid, bar: number, text: string): Grid => changeBar(grid, bar, { typed: [text] });
const counts = (score: Score): string[] =>
  countStaff(score, 'P1', 1, 0, score.bars.length - 1).map((b) => countText(b.tokens));

describe('a page laid out without its notes', () => {
  const score = read(page(16, 2));
  const found = analysisOf(score);

  it('has bars of which nothing is known, not bars of rest', () => {
    expect(score.bars.every(isBlankBar)).toBe(true);
    expect(counts(score).join('')).toBe('');
    expect(found.difficulties.every((d) => d.blank === true && d.copyOf === null)).toBe(true);
    expect(score.warnings.map((w) => w.message)).toEqual([
      'bars 1 to 16: nothing is written; what is played there is not known',
    ]);
  });

  it('pays for nothing, comes again nowhere, is cut by what is printed only', () => {
    expect(found.payOff).toEqual([]);
    expect(found.sameness.repeats).toEqual([]);
    expect(found.sections.flatMap((s) => s.reasons)).toContain('its notes are not known');
    expect(found.sections.flatMap((s) => s.phrases.slice(1)).every((p) => p.certainty === 0)).toBe(true);
  });

  it('is learned in order all the same, hand by hand', () => {
    const way = proposeWay(found, { level: 'intermediate', school: null });
    const chunks = way.steps.filter((s) => s.chunk.kind === 'chunk');
    expect(chunks.map((s) => [s.chunk.from, s.chunk.to])).toContainEqual([0, 1]);
    expect(way.steps.every((s) => s.chunk.like === null)).toBe(true);
    expect(chunks[0]?.rungs.map((r) => r.kind)).toEqual(
      expect.arrayContaining(['right-alone', 'left-alone', 'together']),
    );
    expect(way.steps.at(-1)?.pays).toBe(1);
  });
});

describe('a page of which some bars are typed', () => {
  it('marks the bar that is too short, and counts only what is there', () => {
    const score = read(typed(typed(page(8), 0, 'D2 E2 F2'), 1, 'G2 A2'));
    expect(counts(score).slice(0, 3)).toEqual(['1 2 3', '1 2', '']);
    expect(score.warnings.map((w) => [w.code, w.bar])).toEqual([
      ['bars-blank', 2],
      ['bar-short', 1],
    ]);
    expect(score.warnings[1]?.message).toBe('bar 2: only 2 of its 3 quarters are written; the rest is not known');
  });

  it('hears no rest and no long note before what is not written', () => {
    const score = read(typed(typed(page(8), 2, 'D2 E2 F2'), 3, 'G6'));
    const cut = analysisOf(score).sections.flatMap((s) => s.reasons);
    expect(cut).not.toContain('rest');
    expect(
      analysisOf(score)
        .harmony.beats.flatMap((b) => b.flags)
        .join(),
    ).not.toContain('cadence');
  });

  it('keeps a bar of rest that is written as a bar of rest', () => {
    const score = read(typed(typed(page(4), 0, 'D2 E2 F2'), 1, 'z6'));
    expect(score.bars.map(isBlankBar)).toEqual([false, false, true, true]);
    expect(counts(score).slice(0, 2)).toEqual(['1 2 3', '(1) (2) (3)']);
  });

  it('is never paid for beyond what is written; what is not written is a copy of nothing', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.nat(11), { maxLength: 12 }), (bars) => {
        const grid = bars.reduce((g, bar, i) => typed(g, bar, i % 2 === 0 ? 'D2 E2 F2' : 'A3 G F2'), page(12));
        const score = read(grid);
        const { payOff } = analysisOf(score);
        const seconds = playedSecondsOfBars(score);
        const share = (of: readonly number[]): number => of.reduce((sum, b) => sum + (seconds[b] ?? 0), 0);
        const written = share(bars) / share(score.bars.map((b) => b.index));
        const way = proposeWay(analysisOf(score), { level: 'beginner', school: null });
        return (
          (payOff.at(-1)?.sharePlayed ?? 0) <= written + 1e-9 &&
          way.steps.every(
            ({ chunk }) =>
              chunk.like === null || score.bars.slice(chunk.from, chunk.to + 1).every((bar) => !isBlankBar(bar)),
          )
        );
      }),
      { numRuns: 30 },
    );
  });
});
