/**
 * Retakes every picture of docs/screenshots from the demo data, with a fixed clock. Build first: `npm run shots` does
 * both.
 */
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { chromium } from 'playwright-core';
import { TWO_AT_THE_OARS } from '../src/demo/pieces/two-at-the-oars';
import { CHROMIUM_LAUNCH } from './chromium';

const PORT = 4631;
const NOW = '2026-05-20T15:00:00.000Z';
const OUT = process.env['SHOTS_OUT'] ?? 'docs/screenshots';

const VIEWS: readonly {
  readonly name: string;
  readonly path: string;
  readonly tablet?: boolean;
  readonly telephone?: boolean;
  readonly before?: 'note' | 'hear' | 'week' | 'grid' | 'later-note' | 'file' | 'practice';
}[] = [
  { name: 'shelf', path: '/shelf' },
  { name: 'read', path: '/read?piece=demo-quay&bars=9-12' },
  { name: 'prepare', path: '/prepare?piece=demo-gull' },
  { name: 'sections', path: '/sections?piece=demo-quay&section=demo-quay-s1&bars=1-8' },
  { name: 'marks', path: '/marks?piece=demo-quay&section=demo-quay-s1&bars=1-8', before: 'later-note' },
  {
    name: 'marks-flute',
    path: '/marks?piece=demo-gull&section=demo-gull-s1&bars=1-8&student=demo-oskar',
    before: 'note',
  },
  { name: 'ladder', path: '/ladder?piece=demo-quay&student=demo-lale' },
  { name: 'lesson', path: '/lesson?piece=demo-quay&section=demo-quay-s3&student=demo-imke', before: 'hear' },
  { name: 'lesson-tablet', path: '/lesson?piece=demo-quay&section=demo-quay-s3&student=demo-imke', tablet: true },
  { name: 'lesson-week', path: '/lesson?piece=demo-quay&section=demo-quay-s3&student=demo-imke', before: 'week' },
  { name: 'home', path: '/home?student=demo-imke', before: 'practice' },
  { name: 'home-telephone', path: '/home?student=demo-imke', telephone: true, before: 'practice' },
  { name: 'board', path: '/board?piece=demo-quay' },
  { name: 'board-pieces', path: '/board' },
  { name: 'student', path: '/board?student=demo-imke' },
  { name: 'files', path: '/files' },
  { name: 'settings', path: '/settings' },
  { name: 'whose-part', path: '/shelf', before: 'file' },
  // Last: it brings a piece of its own in.
  { name: 'grid', path: '/shelf', before: 'grid' },
];

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
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
    const page = await context.newPage();
    page.on('console', (message) =>
      message.type() === 'error' ? process.stderr.write(`console: ${message.text()}\n`) : undefined,
    );
    page.on('pageerror', (error) => process.stderr.write(`page error: ${error.message}\n`));
    for (const view of VIEWS) {
      if (only.length > 0 && !only.includes(view.name)) continue;
      await page.setViewportSize(
        view.telephone
          ? { width: 390, height: 844 }
          : view.tablet
            ? { width: 820, height: 1180 }
            : { width: 1280, height: 800 },
      );
      await page.goto(`http://localhost:${PORT}${view.path}`);
      await page.locator('main').waitFor();
      if (/read|sections|marks|ladder|lesson/.test(view.name) && view.before !== 'grid')
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
      if (view.before === 'grid') {
        await page.getByRole('button', { name: 'Lay out a printed piece' }).click();
        await page.getByRole('dialog').getByLabel('Title').fill('Tide Table');
        await page.getByRole('dialog').getByLabel('Bars').fill('12');
        await page.getByRole('button', { name: 'Lay it out' }).click();
        await page.getByLabel(/^Right hand of bar 1/).fill('E2 G2 c4');
        await page.locator('[id="g1-p1-n3"]').waitFor();
      }
      if (view.before === 'file') {
        // Under another title: the demo has it already, and would ask about that first.
        const text = TWO_AT_THE_OARS.replace(/^T:.*$/m, 'T:Three at the Oars');
        const file = { name: 'three-at-the-oars.abc', mimeType: 'text/plain', buffer: Buffer.from(text) };
        await page.getByLabel('Choose a music file').setInputFiles(file);
        await page.getByRole('dialog').locator('.engraved svg').nth(1).waitFor();
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
    }
    process.stdout.write(`pictures are in ${OUT}\n`);
  } finally {
    await browser.close();
    server.kill();
  }
}

await main();
