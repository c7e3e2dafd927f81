import { readdirSync } from 'node:fs';
import { flatPage, readPage } from '../src/core/page';
import { engravePage, MUSIC_FONTS } from '../tests/pages/engrave-page';
import { scoreOf, shareFound, type PageScore } from '../tests/pages/page-score';
import { PAGE_KINDS, spoilPage } from '../tests/pages/spoil-page';
import { median } from './median';

/** Pieces that nothing was tuned on. */
const FOLDER = 'tests/pieces/held-out';
const STAVES = [5.5, 6.4, 7.2, 8] as const;
const EIGHT_MEGAPIXELS = 8_000_000;

/** Bars found on pages, kind by kind, and how long a page of eight megapixels takes beside copying its pixels once. */
export async function measurePages(say: (name: string, value: string) => void): Promise<void> {
  const files = readdirSync(FOLDER).filter((f) => f.endsWith('.abc'));
  for (const kind of PAGE_KINDS) {
    const scores: PageScore[] = [];
    for (const [i, file] of files.entries()) {
      const look = { font: MUSIC_FONTS[i % 5] ?? 'Bravura', dpi: 150, staff: STAVES[i % 4] ?? 7 };
      const page = await engravePage(`${FOLDER}/${file}`, look);
      if (!page) continue;
      const spoiled = spoilPage(page, kind, 100 + i);
      scores.push(scoreOf(readPage(spoiled.picture), spoiled));
    }
    const right = scores.filter((s) => s.systemsRight).length;
    say(
      `bars found on ${scores.length} pages, ${kind}`,
      `${(100 * shareFound(scores)).toFixed(1)} %, systems right on ${right}, corners ${(median(scores.flatMap((s) => s.cornersOff)) || 0).toFixed(1)} px`,
    );
  }
  const large = await engravePage(`${FOLDER}/${files[0] ?? ''}`, { font: 'Bravura', dpi: 290, staff: 7 });
  if (!large) return;
  const { picture } = spoilPage(large, 'photo', 3);
  const times = [0, 1, 2].map(() => {
    const began = performance.now();
    flatPage(picture);
    return performance.now() - began;
  });
  say(
    `a page of ${((picture.width * picture.height) / EIGHT_MEGAPIXELS).toFixed(2)} × 8 megapixels, read and made flat`,
    `${(median(times) / 1000).toFixed(2)} s (goal 1.5)`,
  );
}
