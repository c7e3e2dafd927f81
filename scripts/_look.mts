// usage: tsx _look.mts steps...   file=path | shot=name | click=role:name | text=... | sel=label:value | goto=/path | key=.. | wait=css | size=WxH | own
import { chromium } from 'playwright-core';
import { CHROMIUM_LAUNCH } from './chromium';
const browser = await chromium.launch(CHROMIUM_LAUNCH);
const ctx = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
const page = await ctx.newPage();
page.on('console', (m) => { if (m.type() === 'error') console.log('console', m.text().slice(0, 300)); });
page.on('pageerror', (e) => console.log('pageerror', e.message.slice(0, 400)));
const B = 'http://localhost:4630';
const idle = async () => { await page.waitForTimeout(500); await page.waitForFunction(() => !document.body.innerText.includes('Drawing the music…') && !document.body.innerText.includes('Opening the piece…'), undefined, { timeout: 20000 }).catch(() => console.log('not idle')); await page.waitForTimeout(400); };
for (const s of process.argv.slice(2)) {
  const [k, ...r] = s.split('='); const v = r.join('=');
  try {
    if (k === 'own') { await page.goto(B + '/shelf'); await page.getByRole('button', { name: 'Start my own, empty studio' }).click(); await page.getByRole('heading', { name: 'No piece yet' }).waitFor(); }
    else if (k === 'goto') { await page.goto(B + v); await idle(); }
    else if (k === 'file') await page.getByLabel('Choose a music file').setInputFiles(v);
    else if (k === 'click') { const [role, ...n] = v.split(':'); await page.getByRole(role as 'button', { name: n.join(':') }).first().click({ timeout: 8000 }); await page.waitForTimeout(300); }
    else if (k === 'text') await page.getByText(v).first().click({ timeout: 8000 });
    else if (k === 'sel') { const [l, ...n] = v.split(':'); await page.getByLabel(l).first().selectOption({ label: n.join(':') }); }
    else if (k === 'fill') { const [l, ...n] = v.split(':'); await page.getByLabel(l).first().fill(n.join(':')); await page.keyboard.press('Enter'); }
    else if (k === 'key') await page.keyboard.press(v);
    else if (k === 'wait') await page.waitForTimeout(Number(v));
    else if (k === 'size') { const [w, h] = v.split('x').map(Number); await page.setViewportSize({ width: w ?? 1280, height: h ?? 800 }); }
    else if (k === 'shot') { await idle(); await page.screenshot({ path: `/tmp/pics/${v}.png` }); }
    else if (k === 'print') console.log((await page.locator(v).allInnerTexts()).join(' | ').slice(0, 1500));
  } catch (e) { console.log('FAILED', s, String(e).slice(0, 300)); await page.screenshot({ path: '/tmp/pics/failed.png' }); break; }
}
await browser.close();
