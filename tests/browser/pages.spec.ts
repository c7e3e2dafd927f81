/** Printed pages: a photograph becomes bars, is corrected, worked on and printed; PDFs; what is no page is refused. */
import { deflateSync } from 'node:zlib';
import { expect, test, type Page } from '@playwright/test';
import { troublesOf } from './axe';
import { onFriday } from './friday';
import { dropPages, pdfOf, photograph } from './photographs';
import { goTo, openOwnStudio, storedRows } from './studio';

const MINUET = 'tests/pieces/training/minuet-g-minor.abc';
const RONDO = 'tests/pieces/training/rondo-g.abc';
const sum = (counts: readonly number[]): number => counts.reduce((a, b) => a + b, 0);

const shelve = (page: Page) => page.getByRole('button', { name: 'Put it on the shelf' });
const barLines = (page: Page) => page.locator('[data-bar-line]');
const lineAfter = (page: Page, bar: string) =>
  page.getByRole('button', { name: new RegExp(`^Bar line after bar ${bar}(,|$)`) });

/** Where the middle of a bar line is on its page, as a share: the page may have scrolled when it is clicked. */
async function placeOf(page: Page, bar: string): Promise<readonly [number, number]> {
  const line = await lineAfter(page, bar).boundingBox();
  const sheet = await page.locator('[data-page]').boundingBox();
  if (!line || !sheet) throw new Error(`no line after bar ${bar}`);
  return [(line.x + line.width / 2 - sheet.x) / sheet.width, (line.y + line.height / 2 - sheet.y) / sheet.height];
}

async function clickPlace(page: Page, [x, y]: readonly [number, number]): Promise<void> {
  const sheet = page.locator('[data-page]');
  const box = await sheet.boundingBox();
  await sheet.click({ position: { x: x * (box?.width ?? 0), y: y * (box?.height ?? 0) } });
}

/** The bars of the only piece, as its boxes are stored. */
async function storedBars(page: Page): Promise<number> {
  const layouts = (await storedRows(page, 'layouts')) as { systems: { boxes: { bars: string[] }[] }[] }[];
  return sum(layouts.flatMap((l) => l.systems.flatMap((s) => s.boxes.map((b) => b.bars.length))));
}

/** How far up the first line of the page is cut out. */
const upperEdge = async (page: Page): Promise<number> =>
  ((await storedRows(page, 'layouts')) as { systems: { upper: number }[] }[])[0]?.systems[0]?.upper ?? NaN;

async function bringPhotograph(page: Page, piece: string, title: string): Promise<readonly number[]> {
  const { jpeg, bars } = photograph(piece, 'photo', 5);
  await dropPages(page, [{ name: 'IMG_0412.jpg', mimeType: 'image/jpeg', buffer: jpeg }]);
  await page.getByRole('dialog').getByLabel('Title').fill(title);
  await shelve(page).click();
  await page.waitForURL(/\/read/);
  await expect(barLines(page)).toHaveCount(sum(bars) + bars.length);
  return bars;
}

test('a photograph is dropped, two bars corrected, sections made, a chunk given, and its excerpt printed', async ({
  page,
}) => {
  // On a Saturday a new student has nothing to practise.
  await onFriday(page);
  await openOwnStudio(page);
  const bars = await bringPhotograph(page, MINUET, 'Minuet from the drawer');
  expect(await storedBars(page)).toBe(sum(bars));

  // One that is none goes by a key, one that is missing comes by a click where it was.
  const where = await placeOf(page, '2');
  await lineAfter(page, '2').focus();
  await page.keyboard.press('Delete');
  await expect.poll(() => storedBars(page)).toBe(sum(bars) - 1);
  await expect(barLines(page)).toHaveCount(sum(bars) + bars.length - 1);
  await clickPlace(page, where);
  await expect.poll(() => storedBars(page)).toBe(sum(bars));
  // Undo takes both back, one after the other.
  await page.keyboard.press('Control+z');
  await expect.poll(() => storedBars(page)).toBe(sum(bars) - 1);
  await page.keyboard.press('Control+z');
  await expect.poll(() => storedBars(page)).toBe(sum(bars));
  // A box is five bars of rest, and is not.
  await page.getByRole('button', { name: 'Bar 3: how many bars it is' }).click();
  await page.getByRole('menuitem', { name: '5 bars' }).click();
  await expect.poll(() => storedBars(page)).toBe(sum(bars) + 4);
  await page.keyboard.press('Control+z');
  await expect.poll(() => storedBars(page)).toBe(sum(bars));
  for (const [width, height] of [
    [1280, 800],
    [820, 1180],
    [390, 844],
  ] as const) {
    await page.setViewportSize({ width, height });
    expect(await troublesOf(page, { seen: width < 1280 }), `at ${width}`).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
  }
  await page.setViewportSize({ width: 1280, height: 800 });

  const says = page.getByRole('group', { name: 'What the page says' });
  await says.getByLabel('Meter').fill('3/4');
  await page.keyboard.press('Enter');
  await says.getByLabel('Key').fill('gm');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'The bars are right' }).click();
  await expect(page.locator('svg.from-page').first()).toBeVisible();
  await page.reload();
  await expect(page.locator('svg.from-page')).toHaveCount(bars.length);
  await expect(page.getByText('G minor').first()).toBeVisible();

  // Everything that shows music cuts it from the page.
  await page.keyboard.press('F8');
  await page.waitForURL(/\/prepare/);
  await page.getByRole('button', { name: 'Take it all' }).click();
  await goTo(page, 'Marks');
  const layer = page.locator('[data-pencil-layer]').first();
  const box = await layer.boundingBox();
  await layer.click({ position: { x: (box?.width ?? 0) * 0.25, y: (box?.height ?? 0) * 0.2 } });
  await page.keyboard.type('4');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-pencil="finger"]')).toHaveText('4');
  expect(await storedRows(page, 'marks')).toMatchObject([{ kind: 'pencil', text: '4', role: 'finger', side: 'above' }]);
  await goTo(page, 'Board');
  await page.getByLabel('First name or initials').fill('Nela');
  await page.getByRole('button', { name: 'Add a student' }).click();
  await expect.poll(async () => (await storedRows(page, 'students')).length).toBe(1);
  const student = (await storedRows(page, 'students'))[0]?.['id'] as string;
  const piece = (await storedRows(page, 'pieces'))[0]?.['id'] as string;
  await page.goto(`/ladder?student=${student}&piece=${piece}`);
  await expect(page.locator('svg.from-page').first()).toBeVisible();
  await page.goto(`/lesson?student=${student}&piece=${piece}&view=week`);
  await page.getByRole('button', { name: /^Give this week/ }).click();
  await expect.poll(async () => (await storedRows(page, 'events')).some((e) => e['kind'] === 'assignment')).toBe(true);
  await page.goto(`/sheet?student=${student}`);
  await expect(page.locator('svg.from-page image').first()).toBeVisible();
  await expect(page.locator('[data-pencil="finger"]').first()).toHaveText('4');
  await page.goto(`/home?student=${student}`);
  await expect(page.locator('svg.from-page').first()).toBeVisible();
});

test('forty bars with three errors are right in under a minute, by mouse and by keys', async ({ page }) => {
  await openOwnStudio(page);
  const bars = await bringPhotograph(page, RONDO, 'Rondo');
  expect(sum(bars)).toBe(40);
  // As a bad picture would have it: two lines missing, one too many.
  const first = await placeOf(page, '10');
  await lineAfter(page, '10').focus();
  await page.keyboard.press('Delete');
  await expect.poll(() => storedBars(page)).toBe(39);
  await lineAfter(page, '20').focus();
  await page.keyboard.press('Delete');
  await expect.poll(() => storedBars(page)).toBe(38);
  await lineAfter(page, '5').focus();
  await page.keyboard.press('+');
  await expect.poll(() => storedBars(page)).toBe(39);
  const began = Date.now();
  await clickPlace(page, first);
  await expect.poll(() => storedBars(page)).toBe(40);
  await lineAfter(page, '6').focus();
  await page.keyboard.press('Delete');
  await expect.poll(() => storedBars(page)).toBe(39);
  // Bars are named anew a moment after a line is gone.
  await expect(lineAfter(page, '40')).toHaveCount(0);
  await lineAfter(page, '19').focus();
  await page.keyboard.press('+');
  await expect.poll(() => storedBars(page)).toBe(40);
  // Who works by keys stays where they are.
  await expect(lineAfter(page, '19')).toBeFocused();
  const upper = await upperEdge(page);
  await page.getByRole('button', { name: 'Line 1 of the page' }).click();
  await page.getByRole('button', { name: 'Upper edge of line 1' }).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect.poll(() => upperEdge(page)).toBe(upper - 2);
  await page.keyboard.press('Alt+Shift+ArrowUp');
  await expect.poll(() => upperEdge(page)).toBe(upper - 12);
  await page.getByRole('button', { name: 'The bars are right' }).click();
  await expect(page.getByText('40 bars').first()).toBeVisible();
  expect(Date.now() - began).toBeLessThan(60_000);
});

test('a PDF of two pages comes in, its pages are chosen, turned round and taken away', async ({ page }) => {
  await openOwnStudio(page);
  const [one, two] = [photograph(MINUET, 'scan', 1), photograph(RONDO, 'scan', 1)];
  const pdf = pdfOf([one.jpeg, two.jpeg], "this.hurt = true; app.alert('x')");
  await dropPages(page, [{ name: 'Two dances.pdf', mimeType: 'application/pdf', buffer: pdf }]);
  await expect(page.getByRole('dialog').getByRole('checkbox')).toHaveCount(2);
  expect(await troublesOf(page)).toEqual([]);
  await page.getByRole('button', { name: 'Read these pages' }).click();
  await expect(page.getByRole('dialog').getByLabel('Title')).toHaveValue('Two dances');
  await shelve(page).click();
  await page.waitForURL(/\/read/);
  await expect(page.locator('[data-page]')).toHaveCount(2);
  const all = sum(one.bars) + sum(two.bars);
  expect(await storedBars(page)).toBe(all);
  await page.getByRole('button', { name: 'Page 2 earlier' }).click();
  await expect(page.getByRole('list', { name: 'Pages in order' }).getByRole('listitem').first()).toContainText(
    `${two.bars.length} lines`,
  );
  await page.getByRole('button', { name: 'Take page 1 away' }).click();
  await expect.poll(() => storedBars(page)).toBe(sum(one.bars));
  await page.keyboard.press('Control+z');
  await expect.poll(() => storedBars(page)).toBe(all);
});

/** A PNG of one grey, 8 bits, so wide and high (W3C PNG). */
function greyPng(width: number, height: number, rows: Buffer): Buffer {
  const chunk = (type: string, data: Buffer): Buffer => {
    const head = Buffer.alloc(8);
    head.writeUInt32BE(data.length);
    head.write(type, 4);
    const crcOf = Buffer.concat([Buffer.from(type), data]);
    let crc = 0xffffffff;
    for (const byte of crcOf) {
      crc ^= byte;
      for (let k = 0; k < 8; k += 1) crc = (crc >>> 1) ^ (crc & 1 ? 0xedb88320 : 0);
    }
    const end = Buffer.alloc(4);
    end.writeUInt32BE((crc ^ 0xffffffff) >>> 0);
    return Buffer.concat([head, data, end]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width);
  head.writeUInt32BE(height, 4);
  head[8] = 8;
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

test('what is no page is refused in a sentence at once, nothing is run and nothing stored', async ({ page }) => {
  await openOwnStudio(page);
  const { jpeg } = photograph(MINUET, 'scan', 1);
  const hostile = [
    ['huge.png', 'image/png', greyPng(60_000, 60_000, Buffer.alloc(10)), /3600 million pixels/],
    ['cut.jpg', 'image/jpeg', jpeg.subarray(0, 400), /damaged|not a PNG/],
    ['page.png', 'image/png', Buffer.from('<html><script>window.hurt = true</script></html>'), /is not a PNG, JPEG/],
    ['broken.pdf', 'application/pdf', Buffer.from('%PDF-1.4 nothing more'), /damaged or not a PDF/],
    ['locked.pdf', 'application/pdf', Buffer.from('<svg onload="window.hurt = true"/>'), /damaged or not a PDF/],
  ] as const;
  for (const [name, mimeType, buffer, says] of hostile) {
    const began = Date.now();
    await dropPages(page, [{ name, mimeType, buffer }]);
    await expect(page.getByRole('dialog').getByRole('alert')).toContainText(says);
    expect(Date.now() - began, name).toBeLessThan(4000);
    await page.getByRole('button', { name: 'Close' }).click();
  }
  expect(await page.evaluate(() => 'hurt' in window)).toBe(false);
  expect(await storedRows(page, 'pieces')).toEqual([]);
  expect(await storedRows(page, 'pages')).toEqual([]);
});

test('a page on which nothing is found says so and is cut by hand', async ({ page }) => {
  await openOwnStudio(page);
  const rows = Buffer.alloc(601 * 800, 255);
  for (let y = 0; y < 800; y += 1) rows[y * 601] = 0;
  await dropPages(page, [{ name: 'hand drawn.png', mimeType: 'image/png', buffer: greyPng(600, 800, rows) }]);
  await expect(page.getByRole('dialog')).toContainText('No staff was found on this page');
  await shelve(page).click();
  await page.waitForURL(/\/read/);
  await page.getByRole('button', { name: 'Draw a line', exact: true }).click();
  const sheet = await page.locator('[data-drawing]').boundingBox();
  const at = (x: number, y: number): readonly [number, number] => [
    (sheet?.x ?? 0) + (sheet?.width ?? 0) * x,
    (sheet?.y ?? 0) + (sheet?.height ?? 0) * y,
  ];
  await page.mouse.move(...at(0.1, 0.1));
  await page.mouse.down();
  await page.mouse.move(...at(0.5, 0.15));
  await page.mouse.move(...at(0.9, 0.2));
  await page.mouse.up();
  await expect.poll(() => storedBars(page)).toBe(1);
  await expect(page.locator('[data-drawing]')).toHaveCount(0);
  await expect(barLines(page)).toHaveCount(2);
  await page.mouse.click(...at(0.4, 0.15));
  await expect(barLines(page)).toHaveCount(3);
  await page.mouse.click(...at(0.7, 0.15));
  await expect.poll(() => storedBars(page)).toBe(3);
  await page.getByRole('button', { name: 'The bars are right' }).click();
  await expect(page.locator('svg.from-page')).toHaveCount(1);
  await expect(page.getByText('3 bars').first()).toBeVisible();
});
