import { chromium } from 'playwright-core';
import { CHROMIUM_LAUNCH } from './chromium';
const B='http://localhost:4700';
const browser = await chromium.launch(CHROMIUM_LAUNCH);
const ctx = await browser.newContext({ viewport: { width: 820, height: 1180 }, reducedMotion: 'reduce', storageState:'/tmp/look/state.json' });
const page = await ctx.newPage();
page.on('console', (m) => m.type()==='error'?console.log('console:',m.text().slice(0,200)):undefined);
page.on('pageerror', (e) => console.log('pageerror', e.message));
const shot = (n: string) => page.screenshot({ path: `/tmp/look/v-${n}.png` });
const text = async (sel='main') => (await page.locator(sel).first().innerText()).replace(/\n+/g,' | ');
await page.goto(B+'/home'); await page.waitForTimeout(800);
for (const who of ['Eli','Cyd','Dot','Ben','Ada']) {
  await page.goto(B+'/home'); 
  await page.getByRole('button',{name:who}).first().click(); await page.waitForTimeout(500);
  const yes = page.getByRole('button',{name:/^Yes, keep/}); if (await yes.count()) await yes.click();
  const tasks = page.getByRole('list',{name:'Today'}).getByRole('button');
  const n = await tasks.count();
  for (let i=0;i<n;i++) { await tasks.nth(i).click(); await page.waitForTimeout(700);
    const ways = page.getByRole('button',{name:/^How to practise it/});
    console.log(who, i, (await page.locator('section[aria-label="In hand"]').innerText().catch(()=>'none')).replace(/\n+/g,' | ').slice(0,260)); }
  await tasks.nth(Math.min(1,n-1)).click(); await page.locator('.engraved g.note').first().waitFor().catch(()=>0);
  // do one: complete it
  for (let k=0;k<6;k++) { await page.locator('body').press('ArrowRight'); await page.waitForTimeout(250); }
  console.log(who,'after', (await page.locator('section[aria-label="In hand"]').innerText()).replace(/\n+/g,' | ').slice(0,260), await page.locator('[data-sonner-toast]').allInnerTexts());
  await shot(who);
}
await browser.close();
