/** How much script each route brings on a visit by a browser that has seen nothing yet. */
import { gzipSync } from 'node:zlib';
import { address, withApplication } from './browser';
import type { Report } from './report';

const ROUTES = ['shelf', 'read', 'sections', 'marks', 'ladder', 'lesson', 'home', 'board', 'prepare', 'sheet', 'files'];
/** Kilobytes, compressed. */
const MOST_SCRIPT = 200;

/** Script that a page asked for by itself, workers and the engraver aside, as it would be packed. */
export async function measureRoutes({ figure }: Report): Promise<void> {
  await withApplication(async (_, browser) => {
    for (const route of ROUTES) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const page = await context.newPage();
      const sizes: Promise<number>[] = [];
      page.on('response', (response) => {
        const isScript = response.request().resourceType() === 'script' && response.url().includes('/_next/');
        if (isScript && response.request().frame() === page.mainFrame())
          sizes.push(
            response.body().then(
              (body) => gzipSync(body, { level: 9 }).length / 1000,
              () => 0,
            ),
          );
      });
      await page.goto(address(`/${route}`));
      await page.getByRole('navigation').first().waitFor();
      await page.waitForLoadState('networkidle');
      const all = await Promise.all(sizes);
      figure(
        `script of /${route}, packed`,
        all.reduce((a, b) => a + b, 0),
        'kB',
        MOST_SCRIPT,
      );
      await context.close();
    }
  });
}
