import { chromium } from 'playwright-core';
import { CHROMIUM_LAUNCH } from './chromium';
const browser = await chromium.launch(CHROMIUM_LAUNCH);
const page = await browser.newPage({ viewport: { width: 1280, height: 1000 } });
page.on('console', (m) => {
  if (m.type() === 'error') console.log('ERR', m.text());
});
page.on('pageerror', (e) => console.log('PAGEERR', e.message));
for (const who of process.argv.slice(2)) {
  await page.goto(`http://localhost:4700/sheet?student=demo-${who}`);
  await page.waitForSelector('.sheet-task', { timeout: 30000 });
  await page.waitForTimeout(1200);
  await page.screenshot({ path: `/tmp/look/s-${who}.png`, fullPage: true });
  await page.pdf({ path: `/tmp/look/s-${who}.pdf`, preferCSSPageSize: true, printBackground: true });
}
await browser.close();
