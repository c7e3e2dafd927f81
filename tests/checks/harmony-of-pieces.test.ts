/**
 * Chords of public-domain pieces as theory books give them. Prelude in C, BWV 846: the bar-by-bar analysis found in any
 * harmony textbook (e.g. Aldwell and Schachter, "Harmony and Voice Leading", 1978). Pachelbel's ground and the tunes:
 * common knowledge. Share of beats with the right chord (root and kind, inversion aside) is counted over all.
 */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { findHarmony, type Harmony } from '@/core/harmony';
import { openPiece } from '@/core/studio';

const harmonyOf = async (name: string): Promise<Harmony> => {
  const opened = await openPiece(readFileSync(`tests/pieces/${name}`), name);
  if (!opened.ok) throw new Error(opened.issue.message);
  return findHarmony(opened.value.read.score);
};

/** Chords bar by bar; several in a bar are shared out over its beats. */
const BOOK: Readonly<Record<string, readonly string[]>> = {
  'prelude-c.abc': ['C', 'Dm7', 'G7 G', 'C', 'Am', 'D7', 'G', 'Cmaj7', 'Am7', 'D7', 'G'],
  'pachelbel-ground.abc': [
    'D A Bm F#m',
    'G D G A',
    'D A Bm F#m',
    'G D G A',
    'D A Bm F#m',
    'G D G A',
    'D A Bm F#m',
    'G D G A',
  ],
  // Petzold's menuet in the usual classroom reading.
  'minuet-g.abc': ['G', 'G', 'C', 'G', 'Am', 'G', 'D', 'D', 'G', 'G', 'C', 'G', 'Am', 'G', 'D', 'G'],
  // Greensleeves in A minor as in any songbook; its pick-up has no chord of its own.
  'greensleeves.abc': ['', 'Am', 'G', 'Am', 'E', 'Am', 'G', 'Am E', 'Am', 'C', 'G', 'Am', 'E', 'C', 'G', 'Am E', 'Am'],
};

const plain = (symbol: string): string => symbol.replace(/\/.*$/, '');

describe('chords as the books give them', () => {
  it('names at least three beats of four', async () => {
    let right = 0;
    let all = 0;
    const shares: string[] = [];
    for (const [name, bars] of Object.entries(BOOK)) {
      const { beats } = await harmonyOf(name);
      let mine = 0;
      let here = 0;
      bars.forEach((text, bar) => {
        if (text === '') return;
        const chords = text.split(' ');
        const inBar = beats.filter((b) => b.bar === bar);
        inBar.forEach((b, i) => {
          const wanted =
            name === 'prelude-c.abc' ? chords : [chords[Math.floor((i * chords.length) / inBar.length)] ?? ''];
          all += 1;
          here += 1;
          if (wanted.includes(plain(b.symbol))) {
            right += 1;
            mine += 1;
          }
        });
      });
      shares.push(`${name} ${(mine / here).toFixed(2)}`);
    }
    expect(right / all, shares.join(', ')).toBeGreaterThanOrEqual(0.75);
  });
  it('hears the prelude in C and the menuet in G throughout', async () => {
    expect((await harmonyOf('prelude-c.abc')).keys).toEqual([{ from: 0, to: 10, tonic: 0, mode: 'major' }]);
    expect((await harmonyOf('minuet-g.abc')).keys).toEqual([{ from: 0, to: 15, tonic: 7, mode: 'major' }]);
    expect((await harmonyOf('greensleeves.abc')).keys[0]).toMatchObject({ tonic: 9, mode: 'minor' });
  });
  it('gives the prelude its degrees, with a dominant of the dominant in bar 6', async () => {
    const { beats } = await harmonyOf('prelude-c.abc');
    const first = (bar: number) => beats.find((b) => b.bar === bar)?.degree;
    expect([0, 1, 2, 3, 4, 5, 6, 7].map(first)).toEqual(['I', 'ii42', 'V6', 'I', 'vi6', 'V42/V', 'V6', 'IM42']);
  });
});
