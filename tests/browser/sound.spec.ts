/** What is heard, rendered by the browser without a loudspeaker: when, how high, how loud, and where it is silent. */
import { expect, test, type Page } from '@playwright/test';
import { PLAIN_PLAN, timedMusic, type TimedMusic } from '../../src/core/performance';
import { scoreOfAbc } from '../../src/core/studio/abc-for-tests';
import { RATE, renderSound } from './rendered-sound';

const score = scoreOfAbc('X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:C\n.C .E .G .c | z2 .A, .e |]');
const music = timedMusic(score, { ...PLAIN_PLAN, to: 1 });

let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await browser.newPage();
  await page.goto('/icon.svg');
});
test.afterAll(() => page.close());

for (const [name, family, withPiano] of [
  ['a sampled piano', 'keyboard', true],
  ['the keys of a file for home, which has no recordings', 'keyboard', false],
  ['plucked strings', 'fretted', true],
  ['bowed strings', 'bowed', true],
  ['winds', 'woodwind', true],
  ['a voice', 'voice', true],
] as const)
  test(`${name}: every note in time, in tune, and silence between`, async () => {
    const listenAt = music.sounds.map((sound) => sound.at + 0.12);
    const { onsets, pitches, loudest } = await renderSound(page, music, {
      family,
      listenAt,
      withPiano,
      // A bow and a breath begin softly.
      floor: family === 'keyboard' ? 0.002 : 0.0005,
    });
    expect(onsets).toHaveLength(music.sounds.length);
    const off = onsets.map((at, i) => at - (music.sounds[i]?.at ?? 0));
    expect(Math.max(...off.map(Math.abs)), off.join(' ')).toBeLessThan(0.002);
    music.sounds.forEach(({ midi }, i) => expect(Math.abs((pitches[i] ?? 0) - midi)).toBeLessThan(0.1));
    expect(loudest).toBeLessThanOrEqual(1);
    expect(loudest).toBeGreaterThan(0.05);
  });

test('a′ can be tuned', async () => {
  const one: TimedMusic = { ...music, sounds: music.sounds.slice(0, 1), seconds: 1 };
  const { pitches } = await renderSound(page, one, { family: 'keyboard', a4: 430, listenAt: [0.12] });
  expect(pitches[0]).toBeCloseTo(60 + 12 * Math.log2(430 / 440), 1);
});

test('many loud notes at once stay below full scale', async () => {
  const sounds = Array.from({ length: 24 }, (_, i) => ({
    ...(music.sounds[0] ?? { noteId: '', part: '', staff: 1, bar: 0 }),
    at: 0.1,
    seconds: 1,
    midi: 48 + i,
    loud: 1,
  }));
  const { loudest } = await renderSound(page, { ...music, sounds, seconds: 1.5 }, { family: 'bowed' });
  expect(loudest).toBeLessThanOrEqual(1);
});

test('ten minutes of the metronome: every click there, none off by more than a block of samples', async () => {
  test.slow();
  const long = scoreOfAbc(`X:1\nM:3/4\nL:1/4\nQ:1/4=97\nK:C\n${'z3 | '.repeat(323)}z3 |]`);
  const clicks = timedMusic(long, { ...PLAIN_PLAN, to: 323, click: 'beats' });
  expect(clicks.seconds).toBeGreaterThan(600);
  const { onsets } = await renderSound(page, clicks, { family: 'keyboard' });
  expect(onsets).toHaveLength(972);
  // 128 samples are what the browser computes at a time.
  const off = onsets.map((at, i) => Math.abs(at - (clicks.clicks[i]?.at ?? 0)) * RATE);
  expect(Math.max(...off)).toBeLessThan(128);
});

test('a drum is a short knock that has gone before the next', async () => {
  const { onsets, loudest } = await renderSound(page, music, { family: 'percussion', floor: 0.01 });
  expect(onsets).toHaveLength(music.sounds.length);
  onsets.forEach((at, i) => expect(Math.abs(at - (music.sounds[i]?.at ?? 0))).toBeLessThan(0.002));
  expect(loudest).toBeGreaterThan(0.05);
});
