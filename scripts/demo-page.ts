/**
 * Photographs the page of the demo's printed piece and keeps it as the application would: `tsx scripts/demo-page.ts`
 * writes `src/demo/pieces/rain-on-the-slip.json`.
 */
import { writeFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import { flatPage } from '../src/core/page';
import { engravePage } from '../tests/pages/engrave-page';
import { spoilPage } from '../tests/pages/spoil-page';

/** Greys that are kept of the picture: more of them are noise. */
const GREYS = 8;

const page = await engravePage('src/demo/pieces/rain-on-the-slip.abc', { font: 'Leland', dpi: 150, staff: 7 });
const flat = page && flatPage(spoilPage(page, 'photo', 7).picture);
if (!flat) throw new Error('No staff was found on the page of the demo.');
const { width, height, gray } = flat.picture;
const png = new PNG({ width, height, colorType: 0 });
gray.forEach((grey, i) => {
  const level = Math.round(Math.round((grey / 255) * (GREYS - 1)) * (255 / (GREYS - 1)));
  png.data.fill(level, 4 * i, 4 * i + 3);
  png.data[4 * i + 3] = 255;
});
const data = PNG.sync.write(png, { colorType: 0, deflateLevel: 9 }).toString('base64');
writeFileSync(
  'src/demo/pieces/rain-on-the-slip.json',
  `${JSON.stringify({ width, height, space: flat.space, systems: flat.systems, type: 'image/png', data })}\n`,
);
process.stdout.write(
  `${flat.systems.map((s) => s.bars.length).join(' ')} bars, ${Math.round(data.length / 1000)} kB\n`,
);
