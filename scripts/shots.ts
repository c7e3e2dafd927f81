/**
 * Retakes every picture of docs/screenshots from the demo data, with a fixed clock. Build first: `npm run shots` does
 * both.
 */
import { execFileSync, spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser, type Page } from 'playwright-core';
import { CHROMIUM_LAUNCH } from './chromium';

const PORT = 4631;
const NOW = '2026-05-20T15:00:00.000Z';
/** In the week of the demo, a day on which something is asked. */
const DAY_OF_PRACTICE = '2026-05-15T16:00:00';
const OUT = process.env['SHOTS_OUT'] ?? 'docs/screenshots';

const VIEWS: readonly {
  readonly name: string;
  readonly path: string;
  readonly telephone?: boolean;
  readonly before?: 'note' | 'hear' | 'week' | 'page' | 'later-note' | 'practice';
}[] = [
  { name: 'shelf', path: '/shelf' },
  { name: 'read', path: '/read?piece=demo-quay&bars=9-12' },
  { name: 'prepare', path: '/prepare?piece=demo-gull' },
  { name: 'sections', path: '/sections?piece=demo-quay&section=demo-quay-s1&bars=1-8' },
  { name: 'marks', path: '/marks?piece=demo-quay&section=demo-quay-s1&bars=1-8', before: 'later-note' },
  { name: 'ladder', path: '/ladder?piece=demo-quay&student=demo-lale' },
  { name: 'lesson', path: '/lesson?piece=demo-quay&section=demo-quay-s3&student=demo-imke', before: 'hear' },
  { name: 'lesson-week', path: '/lesson?piece=demo-quay&section=demo-quay-s3&student=demo-imke', before: 'week' },
  { name: 'home', path: '/home?student=demo-imke', before: 'practice' },
  { name: 'home-telephone', path: '/home?student=demo-imke', telephone: true, before: 'practice' },
  { name: 'board', path: '/board?piece=demo-quay' },
  { name: 'board-pieces', path: '/board' },
  { name: 'student', path: '/board?student=demo-imke' },
  { name: 'files', path: '/files' },
  { name: 'settings', path: '/settings' },
  // The printed page and the file for home are made from it, too.
  { name: 'sheet', path: '/sheet?student=demo-imke' },
  // Last: it brings a piece of its own in.
  { name: 'page', path: '/read?piece=demo-rain', before: 'page' },
];

/** The sheet as it comes out of a printer, and the file for home on a telephone without a network. */
async function goesHome(browser: Browser, page: Page): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'oak-shots-'));
  const pdf = join(folder, 'sheet.pdf');
  await page.pdf({ path: pdf, preferCSSPageSize: true, printBackground: true });
  execFileSync('pdftoppm', ['-r', '100', '-png', '-singlefile', pdf, `${OUT}/sheet-printed`]);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save for home/ }).click();
  const file = join(folder, 'home.html');
  await (await download).saveAs(file);
  const telephone = await browser.newContext({ viewport: { width: 390, height: 844 }, offline: true });
  const home = await telephone.newPage();
  await home.clock.setFixedTime(new Date(DAY_OF_PRACTICE));
  await home.goto(`file://${file}`);
  await home.getByRole('checkbox').first().click();
  await home.getByRole('button', { name: 'Practise task 2' }).click();
  await home.locator('#home .engraved g.note').first().waitFor();
  await home.screenshot({ path: `${OUT}/home-file-telephone.png` });
  await telephone.close();
}

async function main(): Promise<void> {
  mkdirSync(OUT, { recursive: true });
  const server = spawn('node_modules/.bin/next', ['start', '-p', String(PORT)], {
    env: { ...process.env, OAK_NOW: NOW, NEXT_TELEMETRY_DISABLED: '1' },
    stdio: 'ignore',
  });
  const browser = await chromium.launch(CHROMIUM_LAUNCH);
  try {
    const only = process.argv.slice(2);
    for (let tries = 0; tries < 100; tries += 1) {
      const up = await fetch(`http://localhost:${PORT}/about`).then(
        () => true,
        () => false,
      );
      if (up) break;
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      reducedMotion: 'reduce',
      acceptDownloads: true,
    });
    const page = await context.newPage();
    page.on('console', (message) =>
      message.type() === 'error' ? process.stderr.write(`console: ${message.text()}\n`) : undefined,
    );
    page.on('pageerror', (error) => process.stderr.write(`page error: ${error.message}\n`));
    for (const view of VIEWS) {
      if (only.length > 0 && !only.includes(view.name)) continue;
      await page.setViewportSize(view.telephone ? { width: 390, height: 844 } : { width: 1280, height: 800 });
      await page.goto(`http://localhost:${PORT}${view.path}`);
      await page.locator('main').waitFor();
      await page
        .getByText(/^Opening /)
        .first()
        .waitFor({ state: 'hidden', timeout: 30_000 });
      if (/read|sections|marks|ladder|lesson|sheet/.test(view.name))
        await page.locator('.engraved svg').first().waitFor({ timeout: 30_000 });
      if (view.name === 'prepare') {
        await page
          .getByRole('heading', { name: /^Prepare/ })
          .first()
          .waitFor();
        await page.getByText('being found').first().waitFor({ state: 'hidden', timeout: 60_000 });
      }
      if (view.before === 'note')
        await page.locator('.engraved g.note').nth(3).locator('.notehead').dispatchEvent('click');
      if (view.before === 'later-note') await page.locator('[id="p1-b3-n1"] .notehead').dispatchEvent('click');
      if (view.before === 'page') {
        await page.getByRole('button', { name: 'Correct the bars' }).click();
        await page.getByRole('button', { name: /^Bar line after bar 3/ }).focus();
      }
      if (view.before === 'practice') {
        // Asked once a day and visit.
        const asked = page.getByRole('button', { name: /^Yes, keep/ });
        await asked.click();
        await page.getByRole('list', { name: 'Today' }).getByRole('button').first().click();
        await page.locator('.engraved g.note').first().waitFor();
        for (const key of ['ArrowRight', 'ArrowRight']) await page.locator('body').press(key);
      }
      if (view.before === 'hear') for (const key of ['d', 'e']) await page.keyboard.press(key);
      if (view.before === 'week') {
        await page.keyboard.press('g');
        await page.getByRole('button', { name: 'Give this week' }).waitFor();
        await page.getByRole('button', { name: 'Monday' }).first().waitFor();
      }
      if (view.name === 'student') await page.locator('.apexcharts-svg').nth(2).waitFor();
      if (view.name === 'sections') await page.getByRole('heading', { name: 'Learn first' }).waitFor();
      if (view.name.startsWith('marks')) await page.getByRole('group', { name: 'Chords' }).first().waitFor();
      await page.waitForLoadState('networkidle');
      await page.screenshot({ path: `${OUT}/${view.name}.png` });
      if (view.name === 'sheet') await goesHome(browser, page);
    }
    process.stdout.write(`pictures are in ${OUT}\n`);
  } finally {
    await browser.close();
    server.kill();
  }
}

await main();
