import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import type * as Axe from 'axe-core';

const SOURCE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * What axe finds on the page that is moderate or worse, as it stands now.
 *
 * The page has no frames, so one run sees it all; only what is wrong is worked out in full, and only its sentences
 * leave the page: naming and handing over every element that passes takes many times as long as the rules themselves.
 *
 * @param seen the same things were looked at in another size: their colours, most of the work, are not asked again
 */
export async function troublesOf(page: Page, { seen = false } = {}): Promise<string[]> {
  // Where one has just gone to another stage its title comes a moment after it.
  await page.waitForFunction(() => document.title !== '');
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(SOURCE);
  return page.evaluate(async (colours) => {
    const { axe } = window as unknown as { readonly axe: typeof Axe };
    // An open list or menu hangs at the end of the page and belongs to its button, not to a region.
    const open = document.querySelector('#headlessui-portal-root :is([role=listbox], [role=menu])') !== null;
    const { violations } = await axe.run(
      // Notes are drawn as shapes; what is said of them stands beside. The focus only turns round at a guard.
      { exclude: ['.engraved svg', '[data-headlessui-focus-guard]'] },
      {
        resultTypes: ['violations'],
        rules: { ...(open && { region: { enabled: false } }), 'color-contrast': { enabled: colours } },
      },
    );
    return violations
      .filter((v) => v.impact !== 'minor')
      .map((v) => `${v.impact} ${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
  }, !seen);
}
