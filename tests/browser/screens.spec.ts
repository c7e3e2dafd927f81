/** Every screen of the demo studio: nothing serious for axe, nothing in the console, nothing from elsewhere. */
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';

// One browser for all of them: the demo studio is built once.
let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await (await browser.newContext()).newPage();
});
test.afterAll(() => page.context().close());

const SCREENS: readonly (readonly [string, string, string])[] = [
  ['Shelf', '/shelf', 'Lamps Along the Quay'],
  ['Read', '/read?piece=demo-quay&bars=3', 'On the page'],
  ['Duet', '/read?piece=demo-oars&student=demo-imke', 'As a piece of its own'],
  ['Prepare', '/prepare?piece=demo-quay', 'For whom'],
  ['Way', '/ladder?piece=demo-quay', 'The way'],
  ['Sections', '/sections?piece=demo-quay&section=demo-quay-s1', 'First lamps'],
  ['Marks', '/marks?piece=demo-quay&section=demo-quay-s1', 'Where it starts'],
  ['Ladder', '/ladder?piece=demo-quay&section=demo-quay-s2&student=demo-imke', 'Slowly with the metronome'],
  ['Lesson', '/lesson?piece=demo-quay&section=demo-quay-s2&student=demo-imke', 'Next section'],
  ['Week', '/lesson?piece=demo-quay&student=demo-oskar', 'Start the clock'],
  ['Board', '/board?piece=demo-quay', 'Imke'],
  ['Pieces', '/board', 'Mirela'],
  ['Files', '/files', 'Save the studio file'],
  ['Settings', '/settings', 'How you teach'],
  ['About', '/about', 'verovio'],
];

for (const [name, path, text] of SCREENS)
  test(`${name} is clean`, async () => {
    page.removeAllListeners();
    const troubles: string[] = [];
    page.on('console', (message) => (message.type() === 'error' ? troubles.push(message.text()) : undefined));
    page.on('pageerror', (error) => troubles.push(error.message));
    page.on('request', (request) =>
      /^(http:\/\/localhost:|blob:|data:)/.test(request.url())
        ? undefined
        : troubles.push(`request to ${request.url()}`),
    );
    await page.goto(path);
    await expect(page.locator('main').getByText(text).first()).toBeVisible();
    if (['Read', 'Sections', 'Marks', 'Lesson'].includes(name))
      await page.locator('.engraved g.note').first().waitFor();
    const { violations } = await new AxeBuilder({ page }).analyze();
    const serious = violations
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
    expect(serious).toEqual([]);
    expect(troubles).toEqual([]);
  });

test('every response carries the strict policy', async ({ request }) => {
  const policy = (await request.get('/shelf')).headers()['content-security-policy'] ?? '';
  expect(policy).toContain("default-src 'self'");
  expect(policy).not.toContain(" 'unsafe-eval'");
  expect(policy).not.toMatch(/https?:/);
});
