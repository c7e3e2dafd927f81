import { chromium, type Page } from '@playwright/test';
import { CHROMIUM_LAUNCH } from './chromium';
import { readFileSync } from 'node:fs';
const b = await chromium.launch(CHROMIUM_LAUNCH);
const c = await b.newContext({ viewport: { width: 1280, height: 800 } });
const p = await c.newPage();
p.on('pageerror', (e) => console.log('PAGEERROR', e.message));
p.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()));
await p.goto('http://localhost:4700/shelf');
await p.getByRole('button', { name: 'Start my own, empty studio' }).click();
await p.getByRole('heading', { name: 'No piece yet' }).waitFor();
const rows = (table: string) => p.evaluate((t) => new Promise<any[]>((res) => { const o = indexedDB.open('oak-rungs-own'); o.onsuccess = () => { const r = o.result.transaction(t).objectStore(t).getAll(); r.onsuccess = () => { o.result.close(); res(r.result); }; }; }), table);
await p.getByRole('link', { name: /^Board/ }).click();
for (const [name, inst, level, age] of [['Mia', 'recorder', 'beginner', '7'], ['Jonas', 'violin', 'beginner', '9'], ['Ada', 'piano', 'intermediate', '12']] as const) {
  await p.getByLabel('First name or initials').fill(name);
  await p.getByLabel('Instrument', { exact: true }).first().fill(inst).catch(async () => { await p.getByLabel('Instrument').first().selectOption(inst); });
  await p.getByRole('button', { name: 'Add a student' }).click();
  await p.waitForTimeout(500);
}
const shot = (n: string) => p.screenshot({ path: `/tmp/pics/t-${n}.png` });
await shot('board');
const students = await rows('students');
console.log(students.map((s) => [s.name, s.instrument, s.level, s.minutesPerDay]));
const bring = async (f: string) => {
  await p.goto('http://localhost:4700/shelf');
  await p.getByLabel('Choose a music file').setInputFiles({ name: f, mimeType: 'application/octet-stream', buffer: readFileSync('/tmp/pd/' + f) });
  const asked = p.getByRole('button', { name: 'Put it on the shelf' });
  await Promise.race([p.waitForURL(/prepare/), asked.waitFor()]);
  if (await asked.isVisible()) { await shot('asked-' + f); await asked.click(); }
  await p.waitForURL(/prepare/);
  await p.waitForFunction(() => [...document.querySelectorAll('button')].some((x) => /^Take it all/.test(x.textContent ?? '') && !x.disabled), null, { timeout: 60000 });
  await p.waitForTimeout(800);
};
for (const [f, name] of [['buns.abc', 'Mia'], ['longago.abc', 'Jonas'], ['minuet.abc', 'Ada']] as const) {
  const s = students.find((x) => x.name === name);
  await bring(f);
  await shot('prepare-' + f);
  await p.keyboard.press('Enter');
  await p.getByText('All of it is taken').waitFor();
  await p.getByRole('checkbox', { name: new RegExp(name) }).check();
  await p.waitForTimeout(300);
  await shot('forwhom-' + f);
  await p.keyboard.press('g');
  await p.waitForURL(/lesson/);
  await p.waitForTimeout(2500);
  await p.screenshot({ path: `/tmp/pics/t-week-${f}.png`, fullPage: true });
  console.log(name, (await p.locator('pre').innerText()), await p.getByRole('heading', { name: 'Left out' }).locator('xpath=..').innerText());
}
await b.close();
