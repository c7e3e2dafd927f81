import { chromium } from '@playwright/test';
import { CHROMIUM_LAUNCH } from './chromium';
const b = await chromium.launch(CHROMIUM_LAUNCH);
for (const [n, w, h] of [['d', 1280, 800], ['t', 820, 1180], ['p', 390, 844]] as const) {
  const c = await b.newContext({ storageState: '/work/main/.cache/demo-built.json', viewport: { width: w, height: h }, hasTouch: w < 1000, isMobile: w < 1000 });
  const p = await c.newPage();
  p.on('pageerror', (m) => console.log('ERR', m.message));
  await p.goto('http://localhost:4700/home?student=demo-imke');
  await p.getByRole('button', { name: /^Yes, keep/ }).click();
  await p.getByRole('list', { name: 'Today' }).getByRole('button').nth(1).click();
  await p.waitForTimeout(800);
  await p.locator('.engraved g.note').first().waitFor();
  await p.getByRole('button', { name: 'Right', exact: true }).click();
  await p.getByRole('button', { name: 'Right', exact: true }).click();
  await p.evaluate(() => window.scrollTo(0, 0));
  await p.screenshot({ path: `/tmp/${n}.png` });
  await c.close();
}
await b.close();
