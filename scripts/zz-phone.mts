import { chromium } from 'playwright-core';
import { CHROMIUM_LAUNCH } from './chromium';
const [who = 'imke', day = '2026-05-15'] = process.argv.slice(2);
const browser = await chromium.launch(CHROMIUM_LAUNCH);
const context = await browser.newContext({
  viewport: { width: 390, height: 844 },
  deviceScaleFactor: 1,
  offline: true,
});
const page = await context.newPage();
page.on('console', (m) => {
  if (m.type() === 'error' || m.type() === 'warning') console.log('CON', m.text());
});
page.on('pageerror', (e) => console.log('PAGEERR', e.message));
page.on('request', (r) => {
  if (!r.url().startsWith('file:') && !r.url().startsWith('data:')) console.log('REQ', r.url());
});
await page.clock.setFixedTime(new Date(`${day}T16:00:00`));
await page.goto(`file:///tmp/look/home-${who}.html`);
await page.waitForTimeout(500);
await page.screenshot({ path: `/tmp/look/hf-${who}-1.png`, fullPage: true });
await page
  .getByRole('button', { name: /Practise task/ })
  .first()
  .click();
await page.waitForTimeout(500);
await page.screenshot({ path: `/tmp/look/hf-${who}-2.png`, fullPage: true });
const play = page.getByRole('button', { name: /^Play/ }).first();
await play.click();
await page.waitForTimeout(3500);
await page.screenshot({ path: `/tmp/look/hf-${who}-3.png` });
await page.emulateMedia({ media: 'print' });
await page.pdf({ path: `/tmp/look/hf-${who}.pdf`, format: 'A4' });
await context.close();
const c2 = await browser.newContext({ viewport: { width: 390, height: 844 }, javaScriptEnabled: false, offline: true });
const p2 = await c2.newPage();
await p2.goto(`file:///tmp/look/home-${who}.html`);
await p2.screenshot({ path: `/tmp/look/hf-${who}-ns.png`, fullPage: true });
await browser.close();
