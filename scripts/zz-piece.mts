import { chromium } from 'playwright-core';
import { CHROMIUM_LAUNCH } from './chromium';
const browser = await chromium.launch(CHROMIUM_LAUNCH);
const page = await browser.newPage({ viewport: { width: 1280, height: 900 } });
page.on('console', (m) => { if (m.type() === 'error') console.log('ERR', m.text().slice(0, 300)); });
page.on('pageerror', (e) => console.log('PAGEERR', e.message));
for (const [name, url] of [
  ['piece', '/sheet?piece=demo-quay&student=demo-imke&view=piece'],
  ['families', '/sheet?piece=demo-flags&student=demo-sunniva&view=families'],
  ['work', '/sheet?piece=demo-quay&student=demo-imke&section=demo-quay-s1&view=worksheet'],
  ['chords', '/sheet?piece=demo-boat&student=demo-jonah&view=chords'],
] as const) {
  await page.goto(`http://localhost:4700${url}`);
  try { await page.waitForSelector('.sheet-page', { timeout: 20000 }); } catch { console.log('none', name, await page.locator('main').innerText()); continue; }
  await page.waitForTimeout(1000);
  await page.pdf({ path: `/tmp/look/p-${name}.pdf`, preferCSSPageSize: true });
  if (name === 'piece') await page.screenshot({ path: '/tmp/look/p-piece.png' });
}
await browser.close();
