/**
 * Every screen of the demo studio at three sizes: nothing beside the screen, a small frame, nothing moderate or worse
 * for axe, nothing in the console, nothing from elsewhere.
 */
import { expect, test, type Page } from '@playwright/test';
import { troublesOf } from './axe';
import { DEMO_BUILT } from './demo-built';

// One browser for all of them: the demo studio is built once.
let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await (await browser.newContext({ storageState: DEMO_BUILT })).newPage();
});
test.afterAll(() => page.context().close());

const SCREENS: readonly (readonly [string, string, string])[] = [
  ['Shelf', '/shelf', 'Lamps Along the Quay'],
  ['Read', '/read?piece=demo-quay&bars=3', 'On the page'],
  ['Printed page', '/read?piece=demo-rain', 'Printed pages'],
  ['Pencil', '/marks?piece=demo-rain', 'In pencil'],
  ['Duet', '/read?piece=demo-oars&student=demo-imke', 'As a piece of its own'],
  ['Prepare', '/prepare?piece=demo-quay', 'For whom'],
  ['Way', '/ladder?piece=demo-quay', 'The way'],
  ['Sections', '/sections?piece=demo-quay&section=demo-quay-s1', 'First lamps'],
  ['Marks', '/marks?piece=demo-quay&section=demo-quay-s1', 'Where it starts'],
  ['Ladder', '/ladder?piece=demo-quay&section=demo-quay-s2&student=demo-imke', 'Slowly with the metronome'],
  ['Lesson', '/lesson?piece=demo-quay&section=demo-quay-s2&student=demo-imke', 'Next section'],
  ['Week', '/lesson?student=demo-imke&view=week', 'Give this week'],
  ['Past lessons', '/lesson?student=demo-imke&view=past', 'Put it down'],
  ['Nobody’s lesson', '/lesson', 'Who is the lesson with?'],
  ['Sheet', '/sheet?student=demo-imke', 'Hurts? Stop and rest'],
  ['Sheets', '/sheet', 'Draw 10 sheets'],
  ['Worksheet', '/sheet?piece=demo-quay&section=demo-quay-s1&view=worksheet', 'Write the counts'],
  // Whether something is asked for depends on the day.
  ['Home', '/home?student=demo-imke', 'Imke'],
  ['Board', '/board?piece=demo-quay', 'Imke'],
  ['Pieces', '/board', 'Mirela'],
  ['Student', '/board?student=demo-imke', 'In work'],
  ['Files', '/files', 'Save the studio file'],
  ['Settings', '/settings', 'How you teach'],
  ['About', '/about', 'verovio'],
];

/** Width, height, and the most that the frame may take of it. */
const SIZES = [
  [1280, 800, 112],
  [820, 1180, 120],
  [390, 844, 64],
] as const;

const WIDEST = 1280;
/** Between the widest and the narrowest: laid out as one of them, so that axe has nothing more to find. */
const BETWEEN = 820;

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
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(path);
    await expect(page.locator('main').getByText(text).first()).toBeVisible();
    if (['Read', 'Sections', 'Marks', 'Lesson'].includes(name))
      await page.locator('.engraved g.note').first().waitFor();
    for (const [width, height, most] of SIZES) {
      await page.setViewportSize({ width, height });
      // Charts follow a new size a little later.
      const wide = (): Promise<number> => page.evaluate(() => document.documentElement.scrollWidth);
      await expect.poll(wide, { message: `at ${width}` }).toBeLessThanOrEqual(width);
      const top = await page.evaluate(() => document.querySelector('main')?.getBoundingClientRect().top ?? Infinity);
      expect(top, `the frame at ${width}`).toBeLessThanOrEqual(most);
      if (width !== BETWEEN) expect(await troublesOf(page, { seen: width !== WIDEST }), `at ${width}`).toEqual([]);
    }
    expect(troubles).toEqual([]);
  });

/** What opens over a screen: where, and what opens it. */
const DIALOGS: readonly (readonly [string, string, (page: Page) => Promise<void>])[] = [
  ['Keys', '/marks?piece=demo-quay', (p) => p.keyboard.press('?')],
  ['Find anything', '/board', (p) => p.keyboard.press('F2')],
  ['Stand', '/lesson?piece=demo-quay&student=demo-imke', (p) => p.getByRole('button', { name: /^Stand/ }).click()],
  ['Page', '/shelf', (p) => p.getByRole('button', { name: 'Lay out a printed piece' }).click()],
  ['Exercise', '/shelf', (p) => p.getByRole('button', { name: 'Add an exercise' }).click()],
  ['Lists', '/board', (p) => p.getByRole('button', { name: /^by: / }).click()],
  [
    'More',
    '/shelf',
    (p) =>
      p
        .getByRole('button', { name: /^More for/ })
        .first()
        .click(),
  ],
  ['Studio', '/files', (p) => p.getByRole('button', { name: 'Studio', exact: true }).click()],
  ['Counts and lanes', '/marks?piece=demo-quay', (p) => p.getByRole('button', { name: 'Counts and lanes' }).click()],
  ['Tour', '/shelf', (p) => p.getByRole('button', { name: 'Tour' }).click()],
];

for (const [name, path, open] of DIALOGS)
  test(`what opens is clean: ${name}`, async () => {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(path);
    await page.locator('main :is(h1, h2, table)').first().waitFor({ state: 'attached' });
    await open(page);
    await page
      .locator('[role="dialog"], [role="listbox"], [role="menu"], [id^="headlessui-popover-panel"], aside h2')
      .last()
      .waitFor({ state: 'attached' });
    for (const [width, height] of SIZES.filter(([w]) => w !== BETWEEN)) {
      await page.setViewportSize({ width, height });
      expect(await troublesOf(page, { seen: width !== WIDEST }), `at ${width}`).toEqual([]);
    }
  });

test('every response carries the strict policy', async ({ request }) => {
  const policy = (await request.get('/shelf')).headers()['content-security-policy'] ?? '';
  expect(policy).toContain("default-src 'self'");
  expect(policy).not.toContain(" 'unsafe-eval'");
  expect(policy).not.toMatch(/https?:/);
});
