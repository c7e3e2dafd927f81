import type { InstrumentFamily } from '@/core/instruments';
import type { TimedMusic } from '@/core/performance';
import { piano, pianoSamples, type PianoSource } from './piano';
import { click, tones } from './tones';
import { VOICE_OF, type Voice, type VoiceKind } from './voice';

/** What is needed to make music sound in a context. */
export interface Band {
  /** Which instrument plays a part. */
  readonly familyOf: (part: string) => InstrumentFamily;
  /** a′ in hertz. */
  readonly a4: number;
  /** Where the recordings of the piano are; null where there are none: its notes are made like the others. */
  readonly samples: PianoSource | null;
  readonly onLoading?: (share: number) => void;
}

/** Hands over what lies from one time of the music to another, where the music begins at `begin` of the clock. */
export type Scheduler = (begin: number, from: number, to: number) => void;

/**
 * The voices of some music, ready to play. Each event belongs to one span only: `from` counts, `to` does not. Rejects
 * where the piano cannot be loaded.
 */
export async function schedulerFor(
  context: BaseAudioContext,
  music: TimedMusic,
  into: AudioNode,
  { familyOf, a4, samples, onLoading }: Band,
): Promise<Scheduler> {
  const kindOf = (part: string): VoiceKind => VOICE_OF[familyOf(part)];
  const struck = music.sounds.filter((s) => kindOf(s.part) === 'struck').map((s) => s.midi);
  const voices = new Map<VoiceKind, Voice>();
  if (struck.length > 0 && samples !== null)
    voices.set('struck', piano(context, await pianoSamples(context, samples, struck, onLoading), into, a4));
  const voiceOf = (kind: VoiceKind): Voice => {
    const known = voices.get(kind);
    if (known) return known;
    const made = tones(context, kind, into, a4);
    voices.set(kind, made);
    return made;
  };
  return (begin, from, to) => {
    for (const { at, part, seconds, midi, loud } of music.sounds)
      if (at >= from && at < to) voiceOf(kindOf(part))({ at: begin + at, seconds, midi, loud });
    for (const { at, strength } of music.clicks) if (at >= from && at < to) click(context, into, begin + at, strength);
  };
}
