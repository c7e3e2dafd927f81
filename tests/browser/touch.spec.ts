/** What the foot, the bow, the breath and the strumming hand do: proposed, set over a stretch, taken back. */
import { expect, test } from '@playwright/test';
import { bringMusic, goTo, openCounts, openOwnStudio, pick, storedRows } from './studio';

const abc = (instrument: string, music: string): string =>
  `X:1\nT:Quay\nM:4/4\nL:1/4\nQ:1/4=80\nV:1 name="${instrument}"\nK:C\n${music}\n`;
const marksOf = async (page: Parameters<typeof storedRows>[0], kind: string) =>
  (await storedRows(page, 'marks')).filter((m) => m['kind'] === kind);

test('bows over a stretch go in turn, a phrase ends at its last note; each is one step to undo', async ({ page }) => {
  await openOwnStudio(page);
  await bringMusic(page, 'quay.abc', abc('Violin', 'C D E F | G A B c | B A G F | E4 |]'));
  await goTo(page, 'Marks');
  await page.locator('.engraved g.note').first().waitFor();
  await page.keyboard.press('ArrowRight');
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByText('4 notes chosen')).toBeVisible();
  await pick(page, 'Bow', /^down/);
  await expect.poll(async () => (await marksOf(page, 'bow')).length).toBe(4);
  const bows = new Map((await marksOf(page, 'bow')).map((m) => [m['noteId'], m['direction']]));
  expect([1, 2, 3, 4].map((n) => bows.get(`p1-b1-n${n}`))).toEqual(['down', 'up', 'down', 'up']);
  await pick(page, 'A phrase ends', /closes/);
  await expect.poll(async () => (await marksOf(page, 'phrase')).map((m) => m['noteId'])).toEqual(['p1-b1-n4']);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await marksOf(page, 'phrase')).length).toBe(0);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await marksOf(page, 'bow')).length).toBe(0);
});

test('the pedal is proposed with the harmony only when it is asked for', async ({ page }) => {
  await openOwnStudio(page);
  await bringMusic(page, 'quay.abc', abc('Piano', '[C,EGc]4 | [F,FAc]4 | [G,GBd]4 | [C,EGc]4 |]'));
  await goTo(page, 'Marks');
  await page.locator('.engraved g.note').first().waitFor();
  await expect(page.getByRole('group', { name: 'Pedal' })).toHaveCount(0);
  await openCounts(page);
  await page.getByText('Lanes', { exact: true }).click();
  await page.getByRole('checkbox', { name: 'Pedal', exact: true }).check();
  const lane = page.getByRole('group', { name: 'Pedal' }).first();
  await expect(lane.getByRole('button')).toHaveText(['Ped', '∧', '∧', '∧', '✱']);
});

test('a strum is written beat by beat and holds; what is no strum is said', async ({ page }) => {
  await openOwnStudio(page);
  await bringMusic(page, 'quay.abc', abc('Guitar', '"C"C4 | "F"F4 | "G"G4 | "C"C4 |]'));
  await goTo(page, 'Marks');
  const field = page.getByLabel(/^From bar 1, a group a beat/);
  await field.fill('DD UU what');
  await field.blur();
  await expect(page.getByText(/“DD UU what” is not kept/)).toBeVisible();
  await field.fill('D DU -U DU');
  await field.blur();
  await expect.poll(async () => (await marksOf(page, 'strum')).map((m) => m['pattern'])).toEqual(['D DU -U DU']);
  await expect(page.getByRole('group', { name: 'Strum' }).first()).toContainText('↓↓↑↑↓↑');
});
