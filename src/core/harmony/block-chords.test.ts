import { describe, expect, it } from 'vitest';
import { blockChords } from './block-chords';
import { findHarmony } from './find-harmony';
import type { BeatChord } from './harmony';
import { scoreOfAbc } from '../studio/abc-for-tests';

const read = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nK:C\n${music}`);
const blocks = (music: string) => blockChords(findHarmony(read(music)).beats);

describe('a passage in blocks', () => {
  it('is one chord as long as it lasts, in close position over its bass', () => {
    const [c, ...more] = blocks('[CEG][CEG][CEG][CEG] |]');
    expect(more).toEqual([]);
    expect(c).toMatchObject({ bar: 0, onset: 0, symbol: 'C', keys: [48, 60, 64, 67] });
    expect(c?.length).toBe(4 * read('C4 |]').ticksPerQuarter);
  });
  it('begins anew in each bar and at each change', () => {
    const found = blocks('[CEG]2 [DGB]2 | [DGB]4 |]');
    expect(found.map((b) => [b.bar, b.symbol.charAt(0)])).toEqual([
      [0, 'C'],
      [0, 'G'],
      [1, 'G'],
    ]);
    // A sixth above the bass: D below, then G B D folded into the octave over middle C.
    expect(found[1]?.keys).toEqual([50, 62, 67, 71]);
  });
  it('has no keys where there is no chord', () => {
    const silent: BeatChord = {
      ...(findHarmony(read('C4 |]')).beats[0] as BeatChord),
      root: null,
      bass: null,
      symbol: '',
    };
    expect(blockChords([silent]).map((b) => b.keys)).toEqual([[]]);
    expect(blockChords([])).toEqual([]);
  });
});
