import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { openPiece } from '../../src/core/studio';
import { bringMusic, goTo, openOwnStudio, pick, storedRows } from './studio';

test('a teacher accepts the proposal, moves a cut to a beat, links a copy, sees what differs, and undoes', async ({
  page,
}) => {
  const opened = await openPiece(readFileSync('tests/pieces/ode.abc'), 'ode.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  await openOwnStudio(page);
  await bringMusic(page, 'ode.musicxml', opened.value.text);
  await goTo(page, 'Sections');
  await page.getByRole('button', { name: /Accept all 4/ }).waitFor();
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await storedRows(page, 'sections')).length).toBe(4);
  const rows = async () => (await storedRows(page, 'sections')).sort((a, b) => Number(a['order']) - Number(b['order']));
  const [a, a2, b, last] = await rows();
  expect([a?.['letter'], a2?.['letter'], b?.['letter'], last?.['letter']]).toEqual(['A', 'A′', 'B', 'A′']);
  // The last is linked to the one it repeats.
  expect(last?.['likeId']).toBe(a2?.['id']);

  // The end of the first section two beats earlier: into bar 4, on its third beat.
  const list = page.getByRole('region', { name: 'Sections', exact: true });
  await list.getByRole('button', { name: /^A bars 1/ }).click();
  await page.keyboard.press(',');
  await page.keyboard.press(',');
  await expect.poll(async () => (await rows())[1]).toMatchObject({ fromBar: 'bar-4', fromOffset: '2' });
  expect((await rows())[0]).toMatchObject({ toBar: 'bar-4', toOffset: '2' });
  await expect(list.getByText('from bar 4, beat 3')).toBeVisible();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await rows())[0]).toMatchObject({ toBar: 'bar-4', toOffset: null });

  // The second beside the first: the notes of the last bar differ.
  await list.getByRole('button', { name: /^A′ bars 5/ }).click();
  await page.keyboard.press('c');
  await expect(page.getByRole('heading', { name: 'A and A′, side by side' })).toBeVisible();
  const differing = page.locator('.engraved [data-differs]');
  await expect(differing).toHaveCount(6);
  expect(await differing.evaluateAll((notes) => notes.map((n) => n.id).sort())).toEqual([
    ...[4, 8].flatMap((bar) => [1, 2, 3].map((n) => `p1-b${bar}-n${n}`)),
  ]);

  // What comes again is listed, lit on the strip, and the link can be taken away and brought back.
  await page.getByRole('button', { name: 'Back' }).click();
  await pick(list, 'Like', 'nothing');
  await expect.poll(async () => (await rows())[1]?.['likeId']).toBe(null);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await rows())[1]?.['likeId']).toBe(a?.['id']);
  await page
    .getByRole('region', { name: 'Comes again' })
    .getByRole('button', { name: /5–8 → 13–16/ })
    .click();
  await expect(page.getByRole('button', { name: /the same: bars 5 to 8 and bars 13 to 16/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});
