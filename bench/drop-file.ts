import type { Page } from 'playwright-core';

/** Drops a file on the shelf and waits for an engraved system; the file is made before the time is taken. In ms. */
export async function dropToMusic(page: Page, text: string): Promise<number> {
  await page.evaluate('globalThis.__name = (f) => f');
  return page.evaluate(async (content) => {
    const file = new File([content], 'big.musicxml', { type: 'text/xml' });
    const data = new DataTransfer();
    data.items.add(file);
    // Where a file is let go of: inside the shelf, from where the event goes up.
    const target = document.querySelector('h1') ?? document.body;
    const start = performance.now();
    const seen = new Promise<number>((resolve, reject) => {
      setTimeout(() => reject(new Error('no music within a minute')), 60_000);
      const look = (): void => {
        if (document.querySelector('.engraved svg')) {
          observer.disconnect();
          requestAnimationFrame(() => resolve(performance.now() - start));
        }
      };
      const observer = new MutationObserver(look);
      observer.observe(document.body, { childList: true, subtree: true });
    });
    for (const kind of ['dragenter', 'dragover', 'drop'])
      target.dispatchEvent(new DragEvent(kind, { bubbles: true, cancelable: true, dataTransfer: data }));
    return seen;
  }, text);
}

/** Follows a link and waits until it is there with music that was not on the page before, seen. In ms. */
export async function linkToMusic(page: Page, link: string): Promise<number> {
  await page.evaluate('globalThis.__name = (f) => f');
  await page.locator(link).first().waitFor();
  return page.evaluate(
    (selector) =>
      new Promise<number>((resolve, reject) => {
        const before = new Set(document.querySelectorAll('.engraved svg'));
        const target = document.querySelector<HTMLAnchorElement>(selector);
        const there = new URL(target?.href ?? '', location.href).pathname;
        const start = performance.now();
        setTimeout(() => reject(new Error(`no music within a minute behind ${selector}`)), 60_000);
        const isNew = (svg: Element): boolean => !before.has(svg) && svg.getBoundingClientRect().width > 0;
        const look = (): void => {
          if (location.pathname !== there || ![...document.querySelectorAll('.engraved svg')].some(isNew)) return;
          observer.disconnect();
          requestAnimationFrame(() => resolve(performance.now() - start));
        };
        const observer = new MutationObserver(look);
        observer.observe(document.body, { childList: true, subtree: true, attributes: true });
        target?.click();
      }),
    link,
  );
}
