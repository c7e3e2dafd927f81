import { frequencyOf, GONE, type Voice, type VoiceKind } from './voice';

/** A voice that is made of partials: how strong each is, and how a note begins, falls and ends, in seconds. */
interface Tone {
  readonly partials: readonly number[];
  readonly attack: number;
  /** To `sustain` of its loudness it falls with this time constant. */
  readonly decay: number;
  readonly sustain: number;
  readonly release: number;
  /** Of full scale, for a note of loudness 1. */
  readonly level: number;
}

/**
 * Set by looking at the spectrum of what comes out: many even partials for a bowed string, the odd ones before the even
 * for a wind, a quick fall for a plucked string **[from memory of how such spectra look]**.
 */
const TONES: Readonly<Record<VoiceKind, Tone>> = {
  // Stands in where no recordings are at hand.
  struck: {
    partials: [1, 0.42, 0.22, 0.12, 0.06, 0.03],
    attack: 0.003,
    decay: 0.8,
    sustain: 0.04,
    release: 0.08,
    level: 0.32,
  },
  plucked: {
    partials: [1, 0.5, 0.34, 0.18, 0.1, 0.05],
    attack: 0.002,
    decay: 0.45,
    sustain: 0.02,
    release: 0.06,
    level: 0.3,
  },
  bowed: {
    partials: [1, 0.52, 0.38, 0.26, 0.19, 0.14, 0.1],
    attack: 0.05,
    decay: 0.1,
    sustain: 0.85,
    release: 0.04,
    level: 0.22,
  },
  blown: {
    partials: [1, 0.22, 0.3, 0.08, 0.1, 0.03],
    attack: 0.03,
    decay: 0.08,
    sustain: 0.8,
    release: 0.025,
    level: 0.25,
  },
  sung: { partials: [1, 0.42, 0.2, 0.1, 0.04], attack: 0.05, decay: 0.1, sustain: 0.85, release: 0.04, level: 0.25 },
  beaten: { partials: [1, 0.3, 0.6, 0.2], attack: 0.001, decay: 0.06, sustain: 0, release: 0.03, level: 0.4 },
};

/** One wave a context and tone: making one is not cheap. */
const waves = new WeakMap<BaseAudioContext, Map<Tone, PeriodicWave>>();

function waveOf(context: BaseAudioContext, tone: Tone): PeriodicWave {
  const mine = waves.get(context) ?? new Map<Tone, PeriodicWave>();
  waves.set(context, mine);
  const known = mine.get(tone);
  if (known) return known;
  const imaginary = Float32Array.from([0, ...tone.partials]);
  const wave = context.createPeriodicWave(new Float32Array(imaginary.length), imaginary);
  mine.set(tone, wave);
  return wave;
}

/** A voice made of partials; `a4` in hertz. */
export function tones(context: BaseAudioContext, kind: keyof typeof TONES, into: AudioNode, a4: number): Voice {
  const tone = TONES[kind];
  return ({ at, seconds, midi, loud }) => {
    const source = context.createOscillator();
    source.setPeriodicWave(waveOf(context, tone));
    source.frequency.value = frequencyOf(midi, a4);
    const shape = context.createGain();
    const full = tone.level * loud;
    const attack = Math.min(tone.attack, seconds / 2);
    const end = at + Math.max(seconds, attack);
    shape.gain.setValueAtTime(0, at);
    shape.gain.linearRampToValueAtTime(full, at + attack);
    shape.gain.setTargetAtTime(full * tone.sustain, at + attack, tone.decay);
    shape.gain.setTargetAtTime(0, end, tone.release);
    source.connect(shape).connect(into);
    source.start(at);
    source.stop(end + GONE * tone.release);
  };
}

/** Pitch of a click in hertz, and how loud: the first beat higher, what lies between the beats softer. */
const CLICKS = {
  strong: { hertz: 1568, loud: 0.5 },
  beat: { hertz: 1046, loud: 0.4 },
  between: { hertz: 784, loud: 0.2 },
} as const;
const CLICK_SECONDS = 0.04;

/** The metronome: a short knock at an exact time. */
export function click(context: BaseAudioContext, into: AudioNode, at: number, strength: keyof typeof CLICKS): void {
  const { hertz, loud } = CLICKS[strength];
  const source = context.createOscillator();
  source.type = 'triangle';
  source.frequency.value = hertz;
  const shape = context.createGain();
  shape.gain.setValueAtTime(loud, at);
  shape.gain.exponentialRampToValueAtTime(0.001, at + CLICK_SECONDS);
  source.connect(shape).connect(into);
  source.start(at);
  source.stop(at + CLICK_SECONDS);
}

/** Two soft notes, a fifth apart: something is done. In hertz, seconds after one another. */
const RING = [
  { hertz: 783.99, after: 0 },
  { hertz: 1174.66, after: 0.14 },
] as const;
const RING_SECONDS = 0.7;
const RING_LOUD = 0.12;

/** A quiet ring. */
export function ring(context: BaseAudioContext, into: AudioNode, at: number): void {
  for (const { hertz, after } of RING) {
    const source = context.createOscillator();
    source.frequency.value = hertz;
    const shape = context.createGain();
    const begin = at + after;
    shape.gain.setValueAtTime(0, begin);
    shape.gain.linearRampToValueAtTime(RING_LOUD, begin + 0.01);
    shape.gain.exponentialRampToValueAtTime(0.0005, begin + RING_SECONDS);
    source.connect(shape).connect(into);
    source.start(begin);
    source.stop(begin + RING_SECONDS);
  }
}
