import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { chromium, type Browser, type Page } from 'playwright-core';
import { CHROMIUM_LAUNCH } from '../scripts/chromium';

export const PORT = 4633;
export const address = (path: string): string => `http://localhost:${PORT}${path}`;

/** Runs `work` on a page of the built application; null when it is not built. */
export async function withApplication<T>(work: (page: Page, browser: Browser) => Promise<T>): Promise<T | null> {
  if (!existsSync('.next/BUILD_ID')) return null;
  const server = spawn('node_modules/.bin/next', ['start', '-p', String(PORT)], { stdio: 'ignore' });
  const browser = await chromium.launch(CHROMIUM_LAUNCH);
  try {
    const up = (): Promise<boolean> =>
      fetch(address('/about')).then(
        (r) => r.ok,
        () => false,
      );
    while (!(await up())) await new Promise((resolve) => setTimeout(resolve, 100));
    return await work(await browser.newPage({ viewport: { width: 1280, height: 800 } }), browser);
  } finally {
    await browser.close();
    server.kill();
  }
}

/** Milliseconds from a digit key to its finger on screen in the built application; null when it is not built. */
export function measureClickToFinger(): Promise<number | null> {
  return withApplication(async (page) => {
    await page.goto(address('/marks?piece=demo-quay&section=demo-quay-s1'));
    await page.locator('[id="p1-b1-n1"] .notehead').click();
    const times: number[] = [];
    for (let i = 0; i < 10; i += 1) {
      const digit = String((i % 2) + 3);
      times.push(
        await page.evaluate(
          (key) =>
            new Promise<number>((resolve) => {
              const lane = document.querySelector('[role="group"][aria-label="Right hand"]');
              const start = performance.now();
              const observer = new MutationObserver(() => {
                if (lane?.querySelector('.outline-acorn')?.textContent === key) {
                  observer.disconnect();
                  requestAnimationFrame(() => resolve(performance.now() - start));
                }
              });
              if (lane)
                observer.observe(lane, { childList: true, subtree: true, characterData: true, attributes: true });
              document.dispatchEvent(new KeyboardEvent('keydown', { key, code: `Digit${key}`, bubbles: true }));
              document.dispatchEvent(new KeyboardEvent('keyup', { key, code: `Digit${key}`, bubbles: true }));
            }),
          digit,
        ),
      );
    }
    return times.sort((x, y) => x - y)[5] ?? null;
  });
}
