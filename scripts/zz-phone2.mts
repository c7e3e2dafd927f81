import { chromium } from 'playwright-core';
import { CHROMIUM_LAUNCH } from './chromium';
const browser = await chromium.launch(CHROMIUM_LAUNCH);
const context = await browser.newContext({ viewport: { width: 390, height: 844 }, offline: true });
const page = await context.newPage();
page.on('console', (m) => console.log('CON', m.text()));
page.on('pageerror', (e) => console.log('PAGEERR', e.message));
for (const f of ['menuet', 'tc']) {
  await page.goto(`file:///tmp/look/${f}.html`);
  await page.waitForTimeout(300);
  await page.screenshot({ path: `/tmp/look/${f}-1.png`, fullPage: true });
  await page
    .getByRole('button', { name: /Practise task/ })
    .first()
    .click();
  await page.waitForTimeout(500);
  await page.screenshot({ path: `/tmp/look/${f}-2.png` });
}
await browser.close();
