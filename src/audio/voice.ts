import type { InstrumentFamily } from '@/core/instruments';

/** How an instrument is made to sound here. */
export type VoiceKind = 'struck' | 'plucked' | 'bowed' | 'blown' | 'sung' | 'beaten';

/** What sounds for each family of instruments. */
export const VOICE_OF: Readonly<Record<InstrumentFamily, VoiceKind>> = {
  keyboard: 'struck',
  bowed: 'bowed',
  fretted: 'plucked',
  woodwind: 'blown',
  brass: 'blown',
  voice: 'sung',
  percussion: 'beaten',
  other: 'struck',
};

export interface VoicedNote {
  /** Seconds of the audio clock. */
  readonly at: number;
  readonly seconds: number;
  /** May lie between two keys. */
  readonly midi: number;
  /** 0 to 1. */
  readonly loud: number;
}

/** Something that plays notes at exact times of the audio clock, handed over ahead of time. */
export type Voice = (note: VoicedNote) => void;

/** A key in hertz where a′ is `a4`. */
export const frequencyOf = (midi: number, a4: number): number => a4 * 2 ** ((midi - 69) / 12);

/** After so many time constants nothing is left of a release. */
export const GONE = 6;
