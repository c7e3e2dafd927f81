/** Bars in the order they sound, worked out by hand from the printed signs of each piece (bars from 1). */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { playingOrder } from '@/core/score';
import { openPiece } from '@/core/studio';

const run = (from: number, to: number): number[] => Array.from({ length: to - from + 1 }, (_, i) => from + i);
const TRUTH: Readonly<Record<string, readonly number[]>> = {
  'amazing-grace.abc': run(1, 17),
  'au-clair.abc': run(1, 16),
  // Each of the four phrases has its own repeat signs.
  'brother-john.abc': [1, 2, 1, 2, 3, 4, 3, 4, 5, 6, 5, 6, 7, 8, 7, 8],
  // Da capo al fine: all eight bars, then to the fine in bar 4.
  'dacapo-air.abc': [...run(1, 8), ...run(1, 4)],
  'greensleeves.abc': run(1, 17),
  'hanon-1.abc': run(1, 9),
  'jig-endings.abc': [1, 2, 3, 4, 1, 2, 3, 5],
  'jingle.abc': run(1, 16),
  'lightly-row.abc': run(1, 16),
  'minuet-g.abc': [...run(1, 16), ...run(1, 16)],
  'pachelbel-ground.abc': run(1, 8),
  'petzold-menuet.musicxml': [...run(1, 16), ...run(1, 16)],
  'prelude-c.abc': run(1, 11),
  'sevens.abc': [...run(1, 4), ...run(1, 4), 5, 6, 5, 6, 7],
  'surprise.abc': [...run(1, 8), ...run(1, 8)],
  'trumpet-call.musicxml': run(1, 4),
  'twinkle.abc': run(1, 12),
};

describe('playing order as a musician reads it', () => {
  it.each(Object.entries(TRUTH))('%s', async (name, bars) => {
    const opened = await openPiece(readFileSync(`tests/pieces/${name}`), name);
    if (!opened.ok) throw new Error(opened.issue.message);
    expect(playingOrder(opened.value.read.score.bars).order.map((b) => b + 1)).toEqual(bars);
  });
});
