import { chromium } from '@playwright/test';
import { CHROMIUM_LAUNCH } from './chromium';
const b = await chromium.launch(CHROMIUM_LAUNCH);
const shots = process.argv.slice(2).map((a) => a.split('@'));
const pages = new Map<string, any>();
for (const [path = '', size = '1280x800', name = 'x', key] of shots) {
  const [w, h] = size.split('x').map(Number);
  if (!pages.has(size)) {
    const c = await b.newContext({ viewport: { width: w, height: h }, hasTouch: w < 1000, isMobile: false });
    pages.set(size, await c.newPage());
  }
  const p = pages.get(size);
  await p.goto('http://localhost:4700' + path);
  await p.waitForTimeout(6000);
  if (key) for (const k of key.split('+')) { await p.keyboard.press(k); await p.waitForTimeout(700); }
  await p.screenshot({ path: `/tmp/pics/${name}.png` });
}
await b.close();
