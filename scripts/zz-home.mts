import { chromium } from 'playwright-core';
import { statSync } from 'node:fs';
import { CHROMIUM_LAUNCH } from './chromium';
const browser = await chromium.launch(CHROMIUM_LAUNCH);
const page = await browser.newPage({ viewport: { width: 1280, height: 1000 }, acceptDownloads: true });
page.on('console', (m) => {
  if (m.type() === 'error') console.log('ERR', m.text());
});
page.on('pageerror', (e) => console.log('PAGEERR', e.message));
for (const who of process.argv.slice(2)) {
  await page.goto(`http://localhost:4700/sheet?student=demo-${who}`);
  await page.waitForSelector('.sheet-task', { timeout: 30000 });
  const [d] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /Save for home/ }).click(),
  ]);
  await d.saveAs(`/tmp/look/home-${who}.html`);
  console.log(who, d.suggestedFilename(), statSync(`/tmp/look/home-${who}.html`).size);
}
await browser.close();
