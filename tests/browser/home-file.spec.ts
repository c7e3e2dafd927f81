/** The one file for home: opened without a network on a telephone, practised in, sent back, taken in. */
import { statSync } from 'node:fs';
import { expect, test, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { homeCode, taskKey, weekKey } from '@/core/sheet';
import { dayOf, type AssignmentEvent } from '@/core/studio';
import { troublesOf } from './axe';
import { fillStorage, makeRoom } from './full-storage';
import { DEMO_OF_FRIDAY, onFriday } from './friday';
import { storedRows } from './studio';

test.use({ storageState: DEMO_OF_FRIDAY });
test.beforeEach(({ page }) => onFriday(page));

/** A week with its music is no larger, in bytes. */
const MOST_BYTES = 1_000_000;
/** With the notes of a real piano. */
const MOST_WITH_PIANO = 3_000_000;
const HOSTILE = '</script><img src=x onerror="window.hacked=1">';

/** Gives Imke this week, with words that would like to be a script, and saves it for home. */
async function saveForHome(page: Page, path: string, words = ''): Promise<string> {
  await page.goto('/lesson?student=demo-imke&view=week');
  await page.getByRole('button', { name: /^Give this week/ }).click();
  await page.getByLabel('A task of your own').fill(`Clap it ${words}`);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const cue = page.getByLabel('The cue of the week');
  await cue.fill(`the lamps come on ${words}`);
  await cue.blur();
  await expect
    .poll(async () =>
      (await storedRows(page, 'events', 'demo')).some(
        (e) => e['kind'] === 'assignment' && String(e['cue']).startsWith('the lamps come on'),
      ),
    )
    .toBe(true);
  await page.getByRole('button', { name: 'Sheet for home' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save for home/ }).click();
  const file = await download;
  await file.saveAs(path);
  return file.suggestedFilename();
}

interface Phone {
  readonly context: BrowserContext;
  readonly page: Page;
  /** What it wanted from anywhere. */
  readonly asked: readonly string[];
}

/** A telephone without a network, on which the file is opened. */
async function phoneWith(browser: Browser, path: string, script = true): Promise<Phone> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    offline: true,
    javaScriptEnabled: script,
    storageState: { cookies: [], origins: [] },
    permissions: ['clipboard-read', 'clipboard-write'],
  });
  const page = await context.newPage();
  const asked: string[] = [];
  page.on('request', (r) => {
    if (!/^(file|data|blob):/.test(r.url())) asked.push(r.url());
  });
  if (script) {
    await onFriday(page);
    await page.addInitScript(() => {
      const sounds: { hertz: number; at: number }[] = [];
      Object.assign(window, { sounds });
      const start = OscillatorNode.prototype.start;
      OscillatorNode.prototype.start = function (this: OscillatorNode, at = 0) {
        sounds.push({ hertz: this.frequency.value, at });
        start.call(this, at);
      };
    });
  }
  await page.goto(`file://${path}`);
  return { context, page, asked };
}

/** Takes a task into the room. */
async function practise(page: Page, task = 1): Promise<void> {
  await page.getByRole('button', { name: `Practise task ${task}` }).click();
  await page.getByRole('button', { name: 'Right', exact: true }).waitFor();
}

/** The code as it stands on the page. */
const codeOf = async (page: Page): Promise<string> => (await page.getByText(/^OAK1/).textContent()) ?? '';

const practised = async (page: Page): Promise<readonly Record<string, unknown>[]> => {
  const events = await storedRows(page, 'events', 'demo');
  const gone = new Set(events.flatMap((e) => (e['kind'] === 'retract' ? [e['target']] : [])));
  return events.filter((e) => String(e['id']).startsWith('home~') && !gone.has(e['id']));
};

/** What happened at home, as it stands in the lesson; opened where it is not. */
async function openedAtHome(page: Page): Promise<string> {
  const home = page.getByText(/^At home since/);
  await home.waitFor();
  const panel = page.getByRole('region', { name: 'What happened at home' });
  if (!(await panel.isVisible())) await home.click();
  return panel.innerText();
}

/** Pastes into the page itself, as with Ctrl V. */
const paste = (page: Page, text: string): Promise<void> =>
  page.evaluate((pasted) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', pasted);
    document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  }, text);

test('a week goes home as one file, is practised there without a network, and comes back as a code', async ({
  page,
  browser,
}, info) => {
  const path = info.outputPath('home.html');
  expect(await saveForHome(page, path, HOSTILE)).toMatch(/^Imke, week of \d+ \w+\.html$/);
  expect(statSync(path).size).toBeLessThan(MOST_BYTES);
  const phone = await phoneWith(browser, path);
  await expect(phone.page.getByRole('heading', { name: 'Imke' })).toBeVisible();
  // Words of the teacher stay words.
  await expect(phone.page.locator('#home').getByText(`the lamps come on ${HOSTILE}`).first()).toBeVisible();
  expect(await phone.page.evaluate(() => 'hacked' in window)).toBe(false);
  expect(await phone.page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  expect(await troublesOf(phone.page)).toEqual([]);
  // A box is ticked, and stays ticked.
  const box = phone.page.getByRole('checkbox', { name: 'Task 1, 1 of' }).first();
  await box.click();
  await expect(box).toHaveAttribute('aria-checked', 'true');
  await phone.page.reload();
  await expect(box).toHaveAttribute('aria-checked', 'true');
  // It plays: the bar that is heard is marked, and notes are handed to the audio clock.
  await practise(phone.page, 2);
  expect(await troublesOf(phone.page)).toEqual([]);
  for (const name of ['Right', 'Again'])
    expect((await phone.page.getByRole('button', { name, exact: true }).boundingBox())?.height).toBeGreaterThanOrEqual(
      44,
    );
  await phone.page.getByRole('button', { name: 'Play it', exact: true }).click();
  await expect(phone.page.locator('[data-heard-bar]')).toBeVisible();
  const sounds = await phone.page.evaluate(
    () => (window as unknown as { sounds: { hertz: number; at: number }[] }).sounds.length,
  );
  expect(sounds).toBeGreaterThan(4);
  await phone.page.getByRole('button', { name: 'Silence' }).click();
  await phone.page.getByRole('button', { name: 'Right', exact: true }).click();
  await phone.page.reload();
  await practise(phone.page, 2);
  await expect(phone.page.getByRole('region', { name: 'In hand' }).getByRole('status').first()).toContainText(
    /1 in a row|Done/,
  );
  await phone.page.getByRole('button', { name: /^Keep it/ }).click();
  await phone.page.getByRole('button', { name: 'All tasks' }).click();
  const code = await codeOf(phone.page);
  expect(code.length).toBeLessThanOrEqual(400);
  await phone.page.getByRole('button', { name: 'Copy the code' }).click();
  await expect(phone.page.getByText('The code is copied.')).toBeVisible();
  expect(await phone.page.evaluate(() => navigator.clipboard.readText())).toBe(code);
  expect(phone.asked).toEqual([]);
  await phone.context.close();

  // Back in the studio: a changed letter is a sentence, another student is a sentence, nothing is kept.
  await page.goto('/lesson?student=demo-imke');
  await page.getByText(/^At home since/).waitFor();
  await paste(page, `${code.slice(0, 12)}${code[12] === 'A' ? 'B' : 'A'}${code.slice(13)}`);
  await expect(page.getByText(/^This code is damaged/)).toBeVisible();
  expect(await practised(page)).toEqual([]);
  await page.goto('/lesson?student=demo-wren');
  await page.getByText(/^At home since/).waitFor();
  await paste(page, code);
  await expect(page.getByText(/^This is from Imke, and somebody else is chosen/)).toBeVisible();
  expect(await practised(page)).toEqual([]);
  // Pasted where it belongs it is taken in, once.
  await page.goto('/lesson?student=demo-imke');
  await page.getByText(/^At home since/).waitFor();
  await paste(page, `Hello! ${code} Yours, Imke`);
  await expect(page.getByText(/^Imke, at home: /)).toBeVisible();
  const kept = await practised(page);
  expect(kept.length).toBeGreaterThan(0);
  expect(kept.some((e) => e['ticks'] === 1)).toBe(true);
  expect(kept.some((e) => e['times'] === 1 && e['right'] === 1)).toBe(true);
  await paste(page, code);
  await expect(page.getByText(/^This of Imke was taken in already/)).toBeVisible();
  expect(await practised(page)).toEqual(kept);
  expect(await openedAtHome(page)).toContain('1 of 1 right');
});

test('what was done comes back as a file with a word to the teacher, dropped anywhere; a new week makes it old', async ({
  page,
  browser,
}, info) => {
  const path = info.outputPath('home.html');
  await saveForHome(page, path);
  const phone = await phoneWith(browser, path);
  await phone.page.getByRole('checkbox', { name: 'Task 1, 1 of' }).first().click();
  await phone.page.getByLabel(/^A word to your teacher/).fill('The leap is hard.');
  const saved = phone.page.waitForEvent('download');
  await phone.page.getByRole('button', { name: 'Save as a file' }).click();
  const answer = info.outputPath('answer.json');
  await (await saved).saveAs(answer);
  await phone.context.close();
  const { readFileSync } = await import('node:fs');
  const text = readFileSync(answer, 'utf8');
  await page.goto('/shelf');
  await page.getByRole('heading', { name: 'Shelf' }).waitFor();
  await page.evaluate((content) => {
    const dataTransfer = new DataTransfer();
    dataTransfer.items.add(new File([content], 'done.json', { type: 'application/json' }));
    document.body.dispatchEvent(new DragEvent('drop', { dataTransfer, bubbles: true, cancelable: true }));
  }, text);
  await expect(page.getByText(/^Imke, at home: /)).toBeVisible();
  expect((await practised(page)).map((e) => e['note'])).toContain('The leap is hard.');
  await page.goto('/lesson?student=demo-imke');
  expect(await openedAtHome(page)).toContain('“The leap is hard.”');
  // By hand, where nothing can be dropped: the same is refused once more.
  await page.getByRole('button', { name: 'Back from home' }).click();
  await page.getByLabel('The code').fill(text);
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByText(/taken in already/)).toBeVisible();
  // Undo takes it out again.
  await page.getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await practised(page)).length).toBe(0);
});

test('where no script runs the file is the sheet, to be read and printed', async ({ page, browser }, info) => {
  const path = info.outputPath('home.html');
  await saveForHome(page, path, HOSTILE);
  const { page: reader, context } = await phoneWith(browser, path, false);
  await expect(reader.getByRole('heading', { level: 1 })).toContainText('Imke');
  await expect(reader.getByRole('list', { name: 'Boxes to tick' }).first()).toBeVisible();
  await expect(reader.locator('.sheet-narrow .engraved svg').first()).toBeVisible();
  await expect(reader.locator('img')).toHaveCount(0);
  await context.close();
});

test('with the sound of a real piano it is larger, and the piano plays', async ({ page, browser }, info) => {
  const path = info.outputPath('piano.html');
  await page.goto('/sheet?student=demo-imke');
  await page.getByLabel(/^with the sound of a real piano/).check();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save for home/ }).click();
  await (await download).saveAs(path);
  expect(statSync(path).size).toBeGreaterThan(MOST_BYTES);
  expect(statSync(path).size).toBeLessThan(MOST_WITH_PIANO);
  const phone = await phoneWith(browser, path);
  await phone.page.evaluate(() => {
    const struck: number[] = [];
    Object.assign(window, { struck });
    const start = AudioBufferSourceNode.prototype.start;
    AudioBufferSourceNode.prototype.start = function (this: AudioBufferSourceNode, at = 0, ...rest) {
      struck.push(this.buffer?.duration ?? 0);
      start.call(this, at, ...rest);
    };
  });
  // The week of the demo may have begun on another day: any day of it will do.
  const days = phone.page.getByRole('group', { name: 'Days' }).getByRole('button');
  for (let i = 0; i < (await days.count()); i += 1) {
    if (await days.nth(i).isEnabled()) await days.nth(i).click();
    if ((await phone.page.getByRole('button', { name: /^Practise task/ }).count()) > 0) break;
  }
  await practise(phone.page);
  await phone.page.getByRole('button', { name: 'Play it', exact: true }).click();
  await expect
    .poll(() =>
      phone.page.evaluate(() => (window as unknown as { struck: number[] }).struck.filter((s) => s > 2).length),
    )
    .toBeGreaterThan(2);
  expect(phone.asked).toEqual([]);
  await phone.context.close();
});

test('boxes that were ticked on paper are entered by touches, once', async ({ page }) => {
  await page.goto('/lesson?student=demo-imke');
  expect(await openedAtHome(page)).not.toContain('ticked');
  await page.getByRole('button', { name: 'Boxes on paper' }).click();
  const boxes = page.getByRole('dialog').getByRole('checkbox');
  expect(await boxes.count()).toBeGreaterThan(6);
  expect((await boxes.first().boundingBox())?.height).toBeGreaterThanOrEqual(44);
  expect(await troublesOf(page)).toEqual([]);
  await boxes.nth(0).click();
  await boxes.nth(1).click();
  await page.getByRole('button', { name: 'Keep these' }).click();
  await expect(page.getByText(/^Imke, at home: /)).toBeVisible();
  const kept = await practised(page);
  expect(kept.reduce((sum, e) => sum + Number(e['ticks']), 0)).toBe(2);
  for (const e of kept) expect(Number(e['minutes'])).toBeGreaterThan(0);
  expect(await openedAtHome(page)).toMatch(/box(es)? ticked/);
  // They are there when it is opened again, and cannot be kept twice.
  await page.getByRole('button', { name: 'Boxes on paper' }).click();
  await expect(boxes.nth(0)).toHaveAttribute('aria-checked', 'true');
  await page.getByRole('button', { name: 'Keep these' }).click();
  await expect(page.getByText(/taken in already/)).toBeVisible();
  expect(await practised(page)).toEqual(kept);
});

test('with a full disk nothing is said to be kept, and the same code is taken in once there is room', async ({
  page,
}) => {
  await page.goto('/lesson?student=demo-imke');
  await page.getByText(/^At home since/).waitFor();
  const weeks = (await storedRows(page, 'events', 'demo'))
    .filter((e) => e['kind'] === 'assignment' && e['studentId'] === 'demo-imke')
    .sort((a, b) => (String(a['at']) < String(b['at']) ? -1 : 1));
  const week = weeks[weeks.length - 1] as unknown as AssignmentEvent;
  const from = dayOf(week.at, 'UTC');
  const done = { task: taskKey(week.items[0]?.id ?? ''), day: from, minutes: 12, times: 6, right: 5, row: 3 };
  const { code } = homeCode({
    week: weekKey(week),
    device: 1,
    from,
    done: [{ ...done, tempo: 66, ticks: 1, steps: 0 }],
    note: '',
  });
  await fillStorage(page);
  await paste(page, code);
  await expect(page.getByText(/no room left/)).toBeVisible();
  await expect(page.getByText(/^Imke, at home: /)).toBeHidden();
  expect(await practised(page)).toEqual([]);
  await makeRoom(page);
  await paste(page, code);
  await expect(page.getByText('Imke, at home: 12 minutes on 1 day.')).toBeVisible();
  expect(await practised(page)).toMatchObject([{ minutes: 12, times: 6, right: 5, row: 3 }]);
});
