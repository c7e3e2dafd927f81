/**
 * A teacher's whole way through the thinnest slice, on a real public-domain piece (Petzold, Menuet in G, 16 bars, two
 * staves).
 */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { goTo, leaveDemo, openOwnStudio, pick, storedRows, storedStandings } from './studio';

const PIECE = 'tests/pieces/petzold-menuet.musicxml';

test('from an empty studio to records, over a reload, and into another browser', async ({ page, browser }) => {
  await leaveDemo(page);

  await test.step('what is not music is refused and nothing is stored', async () => {
    await page.getByLabel('Choose a music file').setInputFiles({
      name: 'page.xml',
      mimeType: 'text/xml',
      buffer: Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'),
    });
    await expect(page.getByRole('alert').filter({ hasText: 'page.xml' })).toContainText('not a MusicXML score');
    expect(await storedRows(page, 'pieces')).toHaveLength(0);
  });

  await test.step('bring the piece in and see it engraved', async () => {
    await page.getByLabel('Choose a music file').setInputFiles(PIECE);
    await expect(page).toHaveURL(/\/prepare\?piece=/);
    await goTo(page, 'Read');
    await page.locator('.engraved g.note').first().waitFor();
    await expect(page.getByText('16 bars, 0:26; 0:51 with repeats')).toBeVisible();
    const [stored] = await storedRows(page, 'pieces');
    expect(stored?.['source']).toBe(readFileSync(PIECE, 'utf8'));
  });

  await test.step('choose bars on the strip by keyboard and make two sections', async () => {
    await goTo(page, 'Sections');
    const strip = page.getByRole('listbox', { name: 'Bars of the piece' });
    await strip.focus();
    await page.keyboard.press('Home');
    for (let i = 0; i < 7; i += 1) await page.keyboard.press('Shift+ArrowRight');
    await expect(page).toHaveURL(/bars=1-8/);
    await page.getByRole('button', { name: /Make 1–8/ }).click();
    await page.getByLabel('Name').fill('First half');
    await page.getByLabel('Letter').focus();
    await expect(page.getByRole('button', { name: /First half/ })).toBeVisible();
    await strip.focus();
    await page.keyboard.press('End');
    for (let i = 0; i < 7; i += 1) await page.keyboard.press('Shift+ArrowLeft');
    await page.getByRole('button', { name: /Make 9–16/ }).click();
    await expect(
      page.getByRole('region', { name: 'Sections', exact: true }).getByRole('button', { name: /^B bars 9–16/ }),
    ).toBeVisible();
    expect((await storedRows(page, 'sections')).map((s) => s['letter']).sort()).toEqual(['A', 'B']);
  });

  await test.step('split, join, move an end, and undo', async () => {
    const strip = page.getByRole('listbox', { name: 'Bars of the piece' });
    const list = page.getByRole('region', { name: 'Sections', exact: true });
    await list.getByRole('button', { name: /First half/ }).click();
    await strip.getByRole('option', { name: 'bar 5,' }).click();
    await page.keyboard.press('s');
    await expect(list.getByRole('button', { name: /First half 2 5–8/ })).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(list.getByRole('button', { name: /First half 1–8/ })).toBeVisible();
    await list.getByRole('button', { name: /First half/ }).click();
    await page.getByRole('button', { name: 'End one bar earlier' }).click();
    await expect(list.getByRole('button', { name: /First half 1–7/ })).toBeVisible();
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(list.getByRole('button', { name: /First half 1–8/ })).toBeVisible();
  });

  await test.step('a finger, a dynamic and a cue at a note; counts under the staff', async () => {
    await page.getByRole('button', { name: /First half/ }).click();
    await goTo(page, 'Marks');
    await page.locator('.engraved g.note').first().waitFor();
    await page.locator('[id="p1-b1-n1"] .notehead').click();
    await page.keyboard.press('5');
    const head = await page.locator('[id="p1-b1-n1"] .notehead').boundingBox();
    const finger = page
      .getByRole('group', { name: 'Right hand' })
      .first()
      .getByRole('button', { name: 'D5, bar 1, yours 5', exact: true })
      .first();
    await expect(finger).toBeVisible();
    const digit = await finger.boundingBox();
    // The finger stands over its note: their middles are within half a note head.
    expect(
      Math.abs((digit?.x ?? 0) + (digit?.width ?? 0) / 2 - ((head?.x ?? 0) + (head?.width ?? 0) / 2)),
    ).toBeLessThan((head?.width ?? 0) / 2);
    await pick(page, 'Dynamic here', 'mf');
    await page.getByRole('combobox', { name: 'Cue' }).fill('like a bow to the partner');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('group', { name: 'Cues' }).first()).toContainText('like a bow to the partner');
    await expect(page.getByRole('group', { name: 'Count' }).first()).toContainText('12&3&');
    expect((await storedRows(page, 'marks')).map((m) => [m['kind'], m['noteId']]).sort()).toEqual([
      ['cue', 'p1-b1-n1'],
      ['dynamic', 'p1-b1-n1'],
      ['finger', 'p1-b1-n1'],
    ]);
  });

  await test.step('build the ladder and move a rung by keyboard', async () => {
    await goTo(page, 'Ladder');
    await page.getByRole('button', { name: 'Build the ladder' }).click();
    const right = page.getByRole('button', { name: /^Rung \d+ of \d+: Right hand alone/ });
    const placeOf = async (): Promise<number> =>
      Number(/^Rung (\d+)/.exec((await right.getAttribute('aria-label')) ?? '')?.[1]);
    await right.waitFor();
    const place = await placeOf();
    await right.focus();
    await page.keyboard.press('Alt+ArrowDown');
    await expect.poll(placeOf).toBe(place - 1);
    await page.getByRole('button', { name: /^Add a rung/ }).click();
    await page.getByLabel('What to do').fill('Hum the bass line');
    await page.getByLabel('Done when').focus();
    await expect(page.getByRole('button', { name: /Hum the bass line/ }).first()).toBeVisible();
  });

  await test.step('add a student and record levels in the lesson by key', async () => {
    await goTo(page, 'Board');
    await page.getByLabel('First name or initials').fill('Wren');
    await page.getByRole('button', { name: 'Add a student' }).click();
    await page.getByRole('button', { name: 'Wren, section A: not heard yet' }).click();
    await expect(page).toHaveURL(/\/lesson/);
    await page.getByRole('group', { name: 'Level heard' }).waitFor();
    await page.keyboard.press('3');
    await expect(page.getByRole('button', { name: '3 Joined' })).toHaveAttribute('aria-pressed', 'true');
    await page.keyboard.press('Enter');
    await page.keyboard.press('1');
    await page.keyboard.press('Enter');
    await expect
      .poll(async () =>
        (await storedRows(page, 'events')).flatMap((e) => (e['kind'] === 'level' ? [e['level']] : [])).sort(),
      )
      .toEqual([1, 3]);
  });

  await test.step('everything is there after a reload, and undo still works', async () => {
    await goTo(page, 'Board');
    await page.reload();
    await page.getByRole('button', { name: 'All students' }).click();
    await expect(page.getByRole('button', { name: /Wren, section A: level 3, Joined/ })).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('button', { name: /Wren, section B: not heard yet/ })).toBeVisible();
    await page.keyboard.press('Control+Shift+z');
    await expect(page.getByRole('button', { name: /Wren, section B: level 1, Found/ })).toBeVisible();
    await goTo(page, 'Marks');
    await page.getByRole('listbox', { name: 'Bars of the piece' }).getByRole('option', { name: 'bar 1,' }).click();
    await expect(page.getByRole('group', { name: 'Right hand' }).first()).toContainText('5');
  });

  await test.step('a broken or newer studio file is refused and changes nothing', async () => {
    await goTo(page, 'Files');
    const before = await storedRows(page, 'events');
    await page.getByLabel('Choose a studio file').setInputFiles({
      name: 'new.json',
      mimeType: 'application/json',
      buffer: Buffer.from('{"format":"oakrungs-studio","version":99}'),
    });
    await expect(page.getByRole('alert').filter({ hasText: 'new.json' })).toContainText('newer Oak Rungs');
    await page
      .getByLabel('Choose a studio file')
      .setInputFiles({ name: 'bad.json', mimeType: 'application/json', buffer: Buffer.from('{"format":') });
    await expect(page.getByRole('alert').filter({ hasText: 'bad.json' })).toContainText('not JSON');
    expect(await storedRows(page, 'events')).toEqual(before);
  });

  await test.step('the piece saved as MusicXML has the marks, and is read again', async () => {
    await goTo(page, 'Read');
    const downloading = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as MusicXML with your marks' }).click();
    const saved = readFileSync(await (await downloading).path(), 'utf8');
    expect(
      saved.replace(
        /<notations><technical><fingering>5<.*?<\/notations>|<direction placement="(below|above)"><direction-type><(dynamics><mf|words font-style|rehearsal).*?<\/direction>|<miscellaneous>.*?<\/miscellaneous>/g,
        '',
      ),
    ).toBe(readFileSync(PIECE, 'utf8'));
    expect(saved).toContain('<fingering>5</fingering>');
    expect(saved).toContain('like a bow to the partner');
    await goTo(page, 'Files');
  });

  await test.step('out to a file and into a fresh browser, identical', async () => {
    const downloading = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the studio file' }).click();
    const path = await (await downloading).path();
    const other = await (await browser.newContext()).newPage();
    await openOwnStudio(other);
    await goTo(other, 'Files');
    await other
      .getByLabel('Choose a studio file')
      .setInputFiles({ name: 'studio.oakrungs.json.gz', mimeType: 'application/gzip', buffer: readFileSync(path) });
    await expect(other.getByText('was brought in: 1 pieces, 1 students')).toBeVisible();
    for (const table of ['pieces', 'sections', 'marks', 'ladders', 'students', 'events'])
      expect(await storedRows(other, table), table).toEqual(await storedRows(page, table));
    expect(await storedStandings(other)).toEqual(await storedStandings(page));
    await goTo(other, 'Board');
    await other.getByRole('button', { name: /^Piece:/ }).click();
    await other.getByRole('option', { name: 'Menuet' }).click();
    await expect(other.getByRole('button', { name: /Wren, section A: level 3, Joined/ })).toBeVisible();
    await other.context().close();
  });
});

test('the demo studio goes and comes back, apart from the own studio', async ({ page }) => {
  await page.goto('/shelf');
  await expect(page.getByText('Lamps Along the Quay').first()).toBeVisible();
  await goTo(page, 'Files');
  await page.getByRole('button', { name: 'Remove the demo studio' }).click();
  await expect(page.getByRole('heading', { name: 'Three steps to begin' })).toBeVisible();
  await goTo(page, 'Files');
  await page.getByRole('button', { name: 'Bring the demo studio back' }).click();
  await expect(page.getByRole('link', { name: 'Lamps Along the Quay' })).toBeVisible();
  expect(await storedRows(page, 'pieces')).toHaveLength(0);
});
