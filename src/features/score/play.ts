'use client';

/** A note to be heard: MIDI key, seconds from now, seconds long. */
export interface HeardNote {
  readonly midi: number;
  readonly start: number;
  readonly seconds: number;
  readonly loud?: number;
}

let playing: { readonly stop: () => void } | null = null;

/** Plays notes on a plain tone; a second call stops the first. Returns how to stop it. */
export function playNotes(notes: readonly HeardNote[], onEnd: () => void = () => undefined): () => void {
  playing?.stop();
  if (notes.length === 0) return () => undefined;
  const audio = new AudioContext();
  const out = audio.createGain();
  out.gain.value = 0.22;
  out.connect(audio.destination);
  const begin = audio.currentTime + 0.06;
  let last = 0;
  for (const note of notes) {
    const tone = audio.createOscillator();
    const shape = audio.createGain();
    tone.type = 'triangle';
    tone.frequency.value = 440 * 2 ** ((note.midi - 69) / 12);
    const from = begin + note.start;
    const to = from + Math.max(0.04, note.seconds);
    shape.gain.setValueAtTime(0, from);
    shape.gain.linearRampToValueAtTime(note.loud ?? 0.8, from + 0.012);
    shape.gain.setTargetAtTime(0, Math.max(from + 0.02, to - 0.03), 0.02);
    tone.connect(shape);
    shape.connect(out);
    tone.start(from);
    tone.stop(to + 0.12);
    last = Math.max(last, note.start + note.seconds);
  }
  const timer = setTimeout(() => stop(), (last + 0.3) * 1000);
  const stop = (): void => {
    clearTimeout(timer);
    if (playing?.stop === stop) playing = null;
    audio.close().then(onEnd, onEnd);
  };
  playing = { stop };
  return stop;
}
