export interface Output {
  readonly into: AudioNode;
  /** Fades to silence within `seconds`, from now. */
  readonly fade: (seconds: number) => void;
  readonly close: () => void;
}

/** Up to here sound passes as it is. */
const KNEE = 0.7;
/** Nothing gets louder than this. */
const CEILING = 0.97;
/** The loudest that comes in and is still told apart. */
const WIDEST = 4;
const CURVE_POINTS = 8193;

/** What a sample becomes: itself, or bent ever closer to the ceiling. Without delay, unlike a compressor. */
function bent(sample: number): number {
  const size = Math.abs(sample);
  if (size <= KNEE) return sample;
  const room = CEILING - KNEE;
  return Math.sign(sample) * (KNEE + room * Math.tanh((size - KNEE) / room));
}

/** Where everything goes through: the level that is set, and a limiter that nothing gets past. */
export function output(context: BaseAudioContext, level: number): Output {
  const limiter = context.createWaveShaper();
  limiter.curve = Float32Array.from({ length: CURVE_POINTS }, (_, i) =>
    bent(((2 * i) / (CURVE_POINTS - 1) - 1) * WIDEST),
  );
  const narrow = context.createGain();
  narrow.gain.value = 1 / WIDEST;
  const gain = context.createGain();
  gain.gain.value = level;
  gain.connect(narrow).connect(limiter).connect(context.destination);
  return {
    into: gain,
    fade: (seconds) => {
      const now = context.currentTime;
      gain.gain.setValueAtTime(level, now);
      gain.gain.linearRampToValueAtTime(0, now + seconds);
    },
    close: () => {
      gain.disconnect();
      narrow.disconnect();
      limiter.disconnect();
    },
  };
}
