import { frequencyOf, GONE, type Voice } from './voice';

/** One recorded key of the piano. */
interface Sample {
  readonly midi: number;
  readonly buffer: AudioBuffer;
  /** Seconds of silence before its hammer is heard. */
  readonly lead: number;
}

const LOWEST = 21;
/** Every third key was recorded, from A0 to C8. */
const KEYS: readonly number[] = Array.from({ length: 30 }, (_, i) => LOWEST + i * 3);

/** The file of a recorded key. */
export const fileOf = (midi: number): string =>
  `${['C', 'Ds', 'Fs', 'A'][(midi % 12) / 3] ?? 'A'}${Math.floor(midi / 12) - 1}.mp3`;

/** The recordings are of a hand that plays rather loud; this is a note of loudness 1. */
const LEVEL = 1.1;
/** Time constant with which a damper stops a string, in seconds. */
const DAMPED = 0.07;
/** Of its greatest size, what is heard of a recording as its beginning. */
const HEARD = 0.03;

/** Where a recording begins to be heard. */
function leadOf(buffer: AudioBuffer): number {
  const samples = buffer.getChannelData(0);
  const first = samples.subarray(0, buffer.sampleRate);
  const most = first.reduce((max, s) => Math.max(max, Math.abs(s)), 0);
  const at = first.findIndex((s) => Math.abs(s) >= most * HEARD);
  return Math.max(0, at) / buffer.sampleRate;
}

/** Recordings by key, loaded and decoded once for each audio context. */
const recorded = new WeakMap<BaseAudioContext, Map<number, Promise<Sample>>>();

/** Where the recordings are: files below an address, or bytes that came with the page, by key. */
export type PianoSource = { readonly from: string } | { readonly bytes: ReadonlyMap<number, Uint8Array> };

async function bytesOf(source: PianoSource, midi: number): Promise<ArrayBuffer> {
  if ('bytes' in source) {
    const bytes = source.bytes.get(midi);
    if (!bytes) throw new Error(`The piano has no key ${midi}.`);
    // Decoding takes the bytes away: they are needed again.
    return new Uint8Array(bytes).buffer;
  }
  const answer = await fetch(`${source.from}/${fileOf(midi)}`);
  if (!answer.ok) throw new Error(`The piano cannot be loaded (${answer.status}).`);
  return answer.arrayBuffer();
}

async function load(context: BaseAudioContext, source: PianoSource, midi: number): Promise<Sample> {
  const buffer = await context.decodeAudioData(await bytesOf(source, midi));
  return { midi, buffer, lead: leadOf(buffer) };
}

function sampleOf(context: BaseAudioContext, source: PianoSource, midi: number): Promise<Sample> {
  const mine = recorded.get(context) ?? new Map<number, Promise<Sample>>();
  recorded.set(context, mine);
  const known = mine.get(midi);
  if (known) return known;
  const loading = load(context, source, midi);
  mine.set(midi, loading);
  // A failure is not kept: the next time it is tried again.
  loading.catch(() => mine.delete(midi));
  return loading;
}

/** The recorded key that is nearest to another, among those that there are. */
export const nearestRecorded = (midi: number, keys: readonly number[] = KEYS): number =>
  keys.reduce((best, key) => (Math.abs(key - midi) < Math.abs(best - midi) ? key : best), keys[0] ?? LOWEST);

const keysOf = (source: PianoSource): readonly number[] => ('bytes' in source ? [...source.bytes.keys()] : KEYS);

/**
 * The recordings that some keys need, loaded and decoded; `onLoading` hears the share that is there. Rejects where one
 * cannot be loaded.
 */
export async function pianoSamples(
  context: BaseAudioContext,
  source: PianoSource,
  keys: readonly number[],
  onLoading: (share: number) => void = () => undefined,
): Promise<readonly Sample[]> {
  const recordings = keysOf(source);
  const wanted = [...new Set(keys.map((key) => nearestRecorded(key, recordings)))];
  let there = 0;
  return Promise.all(
    wanted.map(async (midi) => {
      const sample = await sampleOf(context, source, midi);
      there += 1;
      onLoading(there / wanted.length);
      return sample;
    }),
  );
}

/** The piano: the nearest recorded key, turned to the pitch; `a4` in hertz. */
export function piano(context: BaseAudioContext, samples: readonly Sample[], into: AudioNode, a4: number): Voice {
  const byKey = new Map(samples.map((s) => [s.midi, s]));
  const keys = [...byKey.keys()];
  return ({ at, seconds, midi, loud }) => {
    const sample = byKey.get(nearestRecorded(midi, keys));
    if (!sample) return;
    const source = context.createBufferSource();
    source.buffer = sample.buffer;
    source.playbackRate.value = frequencyOf(midi, a4) / frequencyOf(sample.midi, 440);
    const shape = context.createGain();
    // Softer keys are less loud than their number says: the ear hears the square.
    shape.gain.setValueAtTime(LEVEL * loud * loud, at);
    shape.gain.setTargetAtTime(0, at + seconds, DAMPED);
    source.connect(shape).connect(into);
    source.start(at, sample.lead);
    source.stop(at + seconds + GONE * DAMPED);
  };
}
