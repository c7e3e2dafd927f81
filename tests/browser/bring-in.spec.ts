import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { strToU8, zipSync } from 'fflate';
import { bringMusic, goTo, openOwnStudio, pick, storedRows } from './studio';

const MENUET = readFileSync('tests/pieces/petzold-menuet.musicxml', 'utf8');
const CONTAINER =
  '<?xml version="1.0"?><container><rootfiles><rootfile full-path="score.xml"/></rootfiles></container>';

test('a zipped score comes in and is engraved', async ({ page }) => {
  await openOwnStudio(page);
  const mxl = zipSync({ 'META-INF/container.xml': strToU8(CONTAINER), 'score.xml': strToU8(MENUET) });
  await page
    .getByLabel('Choose a music file')
    .setInputFiles({ name: 'menuet.mxl', mimeType: 'application/octet-stream', buffer: Buffer.from(mxl) });
  await page.waitForURL(/\/prepare/);
  await goTo(page, 'Read');
  await expect(page.locator('.engraved g.note').first()).toBeVisible();
  await expect(page.getByText('16 bars')).toBeVisible();
  expect(await storedRows(page, 'pieces')).toMatchObject([{ format: 'mxl', title: 'Menuet', source: MENUET }]);
});

test('a printed piece is laid out as bars, two of them typed, and its export opens again', async ({ page }) => {
  await openOwnStudio(page);
  await page.getByRole('button', { name: 'Lay out a printed piece' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Title').fill('Page from the drawer');
  await dialog.getByLabel('Bars').fill('12');
  await dialog.getByLabel('Meter').fill('3/4');
  await dialog.getByLabel('Key').fill('G');
  await pick(page, 'Staves', 'one');
  await dialog.getByRole('button', { name: 'Lay it out' }).click();
  await page.waitForURL(/\/read/);
  await expect(page.getByText('12 bars')).toBeVisible();
  await page.getByLabel(/^Notes of bar 1/).fill('D2 G2 B2');
  await expect(page.locator('[id="g1-p1-n3"]')).toBeVisible();
  await page.getByRole('listbox', { name: 'Bars of the piece' }).focus();
  await page.keyboard.press('ArrowRight');
  await page.getByLabel(/^Notes of bar 2/).fill('n n n n n n');
  await expect(page.locator('[id="g2-p1-n6"]')).toBeVisible();
  await pick(page, 'Closing line', 'repeat sign');
  await expect(page.getByText(/with repeats/).first()).toBeVisible();

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as MusicXML with your marks' }).click();
  const path = await (await download).path();
  await goTo(page, 'Shelf');
  await bringMusic(page, 'again.musicxml', readFileSync(path));
  await expect(page.locator('[id="g1-p1-n3"]')).toBeVisible();
  const pieces = await storedRows(page, 'pieces');
  expect(pieces).toHaveLength(2);
  expect(pieces.map((p) => p['title'])).toEqual(['Page from the drawer', 'Page from the drawer']);
});

test('a hostile file is refused in words and nothing is stored', async ({ page }) => {
  await openOwnStudio(page);
  const bomb = `<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;"><!ENTITY c SYSTEM "http://127.0.0.1:1/x">]><html><script>window.hurt=true</script></html>`;
  await page
    .getByLabel('Choose a music file')
    .setInputFiles({ name: 'bad.xml', mimeType: 'text/xml', buffer: Buffer.from(bomb) });
  await expect(page.getByRole('alert').filter({ hasText: 'bad.xml' })).toBeVisible();
  expect(await page.evaluate(() => 'hurt' in window)).toBe(false);
  expect(await storedRows(page, 'pieces')).toHaveLength(0);
});

test('a corrected edition keeps the fingers on the notes that did not change', async ({ page }) => {
  await openOwnStudio(page);
  await page
    .getByLabel('Choose a music file')
    .setInputFiles({ name: 'menuet.musicxml', mimeType: 'text/xml', buffer: Buffer.from(MENUET) });
  await page.waitForURL(/\/prepare/);
  await goTo(page, 'Read');
  await goTo(page, 'Marks');
  await page.locator('[id="p1-b1-n1"] .notehead').click();
  await page.keyboard.press('5');
  await expect.poll(async () => (await storedRows(page, 'marks')).length).toBe(1);
  await goTo(page, 'Read');
  // An editor put a bar in front; every note has moved one bar on.
  const corrected = MENUET.replace(
    /<measure number="1">/,
    '<measure number="0"><attributes><divisions>2</divisions><time><beats>3</beats><beat-type>4</beat-type></time><staves>2</staves></attributes><note><rest measure="yes"/><duration>6</duration><voice>1</voice><staff>1</staff></note></measure><measure number="1">',
  );
  await page
    .getByLabel('Choose the corrected edition')
    .setInputFiles({ name: 'menuet-2.musicxml', mimeType: 'text/xml', buffer: Buffer.from(corrected) });
  await expect(page.getByText('1 bar is new.')).toBeVisible();
  // The note keeps its id in the new edition, one bar later; nothing is written anew.
  await expect(page.locator('[id="p1-b1-n1"]').first()).toBeVisible();
  expect(await storedRows(page, 'marks')).toMatchObject([{ noteId: 'p1-b1-n1', finger: '5' }]);
  expect(await storedRows(page, 'pieces')).toMatchObject([{ kept: { edition: 2, notes: { 'p1-b2-n1': 'p1-b1-n1' } } }]);

  // Another edition is without the bar of the mark: it waits to be placed, and sits on no other note.
  const cut = MENUET.replace(/<measure number="1">[\s\S]*?<\/measure>/, '');
  await page
    .getByLabel('Choose the corrected edition')
    .setInputFiles({ name: 'menuet-3.musicxml', mimeType: 'text/xml', buffer: Buffer.from(cut) });
  await expect(page.getByText(/bars? [^.]*are gone|bar [^.]*is gone/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Place finger 5' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Place finger 5' })).toBeHidden();
});

test('a picture of the page is kept and shown, and typed text is drawn as it is typed', async ({ page }) => {
  await openOwnStudio(page);
  await page.getByRole('button', { name: 'Type a piece' }).click();
  await page.getByRole('dialog').getByLabel('Title').fill('Typed tune');
  await page.getByRole('button', { name: 'Begin typing' }).click();
  const text = page.getByLabel('The piece as ABC text');
  await text.fill('X:1\nT:Typed tune\nM:2/4\nL:1/8\nK:F\nF2 A2 | c4 | f4 |]');
  await expect(page.getByText('3 bars')).toBeVisible();
  await text.fill('X:1\nK:');
  await expect(page.getByRole('alert').filter({ hasText: 'last readable music' })).toBeVisible();
  await expect(page.getByText('3 bars')).toBeVisible();
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  await page
    .getByLabel('Choose pictures of the page')
    .setInputFiles({ name: 'page.png', mimeType: 'image/png', buffer: png });
  await expect(page.getByRole('img', { name: 'The printed page, page.png' })).toBeVisible();
  expect(await storedRows(page, 'pages')).toMatchObject([{ name: 'page.png', type: 'image/png' }]);
});
