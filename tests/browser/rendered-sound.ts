import { build } from 'esbuild';
import type { Page } from '@playwright/test';
import type { InstrumentFamily } from '@/core/instruments';
import type { TimedMusic } from '@/core/performance';

/** The rate at which sound is rendered here, samples a second. */
export const RATE = 44_100;

const ENTRY = `
import { output } from './output';
import { schedulerFor } from './schedule';
globalThis.oakRender = async ({ music, family, a4, level, rate, floor, listenAt, withPiano }) => {
  const context = new OfflineAudioContext(1, Math.ceil((music.seconds + 0.5) * rate), rate);
  const band = { familyOf: () => family, a4, samples: withPiano ? { from: '/piano' } : null };
  const schedule = await schedulerFor(context, music, output(context, level).into, band);
  // Handed over bit by bit ahead of time, as it is live.
  schedule(0, 0, 12);
  for (let at = 10; at < music.seconds; at += 10)
    void context.suspend(at).then(() => {
      schedule(0, at + 2, at + 12);
      void context.resume();
    });
  const buffer = await context.startRendering();
  const samples = buffer.getChannelData(0);
  const onsets = [];
  let loudest = 0;
  let silent = Infinity;
  for (let i = 0; i < samples.length; i += 1) {
    const size = Math.abs(samples[i]);
    if (size > loudest) loudest = size;
    if (size < floor) silent += 1;
    else {
      // At least 20 ms of silence before it.
      if (silent >= 0.02 * rate) onsets.push(i / rate);
      silent = 0;
    }
  }
  return {
    onsets,
    loudest,
    windows: listenAt.map((at) => [...samples.subarray(Math.round(at * rate), Math.round(at * rate) + 8192)]),
  };
};`;

/** What is heard of a rendering. */
interface Heard {
  /** Seconds at which sound begins after silence. */
  readonly onsets: readonly number[];
  /** The largest sample; 1 is full scale. */
  readonly loudest: number;
  /** MIDI keys with cents as decimals, at each time asked for. */
  readonly pitches: readonly number[];
}

let script: Promise<string> | null = null;

/** The rooms that make sound, as they are, for a page that renders without a loudspeaker. */
async function soundScript(): Promise<string> {
  const { outputFiles } = await build({
    stdin: { contents: ENTRY, resolveDir: 'src/audio', loader: 'ts' },
    alias: { '@': `${process.cwd()}/src` },
    bundle: true,
    write: false,
    format: 'iife',
    target: 'es2022',
    logLevel: 'error',
  });
  return outputFiles[0]?.text ?? '';
}

/** Timed music rendered by the browser's own offline audio: what is heard of it. */
export async function renderSound(
  page: Page,
  music: TimedMusic,
  asked: {
    readonly family: InstrumentFamily;
    readonly a4?: number;
    /** What is below it is silence. */
    readonly floor?: number;
    readonly listenAt?: readonly number[];
    /** The recordings of the piano are at hand; usually they are. */
    readonly withPiano?: boolean;
  },
): Promise<Heard> {
  script ??= soundScript();
  if (!(await page.evaluate(() => 'oakRender' in globalThis))) await page.evaluate(await script);
  const { windows, ...heard } = await page.evaluate(
    (request) =>
      (
        globalThis as unknown as {
          readonly oakRender: (r: unknown) => Promise<Omit<Heard, 'pitches'> & { readonly windows: number[][] }>;
        }
      ).oakRender(request),
    { a4: 440, level: 1, rate: RATE, floor: 0.002, listenAt: [], withPiano: true, ...asked, music },
  );
  return { ...heard, pitches: windows.map(pitchOf) };
}

/** The pitch of a window of samples, as a MIDI key with its cents as decimals, by autocorrelation. */
function pitchOf(window: readonly number[]): number {
  const agreement = (lag: number): number => {
    let sum = 0;
    let energy = 0;
    for (let i = 0; i + lag < window.length; i += 1) {
      sum += (window[i] ?? 0) * (window[i + lag] ?? 0);
      energy += (window[i] ?? 0) ** 2 + (window[i + lag] ?? 0) ** 2;
    }
    return energy === 0 ? 0 : (2 * sum) / energy;
  };
  const lags = Array.from({ length: Math.floor(RATE / 50) - 10 }, (_, i) => i + 10);
  const values = lags.map(agreement);
  const best = Math.max(...values);
  // The first high peak is the period; its multiples agree as well.
  const place = values.findIndex(
    (v, i) => v > best * 0.95 && v >= (values[i - 1] ?? -1) && v >= (values[i + 1] ?? -1) && i > 0,
  );
  const [before = 0, here = 0, after = 0] = [values[place - 1], values[place], values[place + 1]];
  const shift = (before - after) / (2 * (before - 2 * here + after) || 1);
  return 69 + 12 * Math.log2(RATE / ((lags[place] ?? 1) + shift) / 440);
}
