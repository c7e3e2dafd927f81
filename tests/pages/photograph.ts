/**
 * Takes a photograph of a piece whose bars are known: `tsx tests/pages/photograph.ts PIECE KIND SEED OUT.jpg`. Prints
 * the number of bars of each of its systems.
 */
import { writeFileSync } from 'node:fs';
import { encode } from 'jpeg-js';
import { engravePage } from './engrave-page';
import { PAGE_KINDS, spoilPage } from './spoil-page';

const [piece = '', wanted = 'photo', seed = '1', out = 'page.jpg'] = process.argv.slice(2);
const kind = PAGE_KINDS.find((k) => k === wanted);
const page = await engravePage(piece, { font: 'Bravura', dpi: 150, staff: 6 });
if (!page || !kind) throw new Error(`There is no ${wanted} of ${piece}.`);
const { picture, systems } = spoilPage(page, kind, Number(seed));
const data = Buffer.alloc(picture.gray.length * 4, 255);
picture.gray.forEach((grey, i) => data.fill(grey, 4 * i, 4 * i + 3));
writeFileSync(out, encode({ width: picture.width, height: picture.height, data }, 90).data);
process.stdout.write(systems.map((s) => s.length).join(' '));
