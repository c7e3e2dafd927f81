import { BOWED, FRETTED, isInstrument, WIND_INSTRUMENTS, type InstrumentName } from '@/core/fingering';
import type { Score } from '@/core/score';
import type { Piece } from '@/core/studio';

export type Family = 'keyboard' | 'bowed' | 'fretted' | 'wind';

/** The solver for a piece: its instrument's, or the keyboard's for two staves; null where none fits. */
export function solverFor(piece: Piece, score: Score): InstrumentName | null {
  const name = piece.instrument.trim().toLowerCase().replace(/\s+/g, '-');
  if (isInstrument(name)) return name;
  if (name === 'double-bass') return 'bass';
  return (score.parts[0]?.staves ?? 1) > 1 ? 'piano' : null;
}

export const familyOf = (instrument: InstrumentName): Family =>
  instrument === 'piano' ? 'keyboard' : instrument in BOWED ? 'bowed' : instrument in FRETTED ? 'fretted' : 'wind';

const NOTE_NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

/** Names of the open strings, the highest first. */
export function stringNames(instrument: InstrumentName): readonly string[] {
  const tables: Readonly<Record<string, { readonly strings: readonly { readonly key: number }[] } | undefined>> = { ...BOWED, ...FRETTED };
  return (tables[instrument]?.strings ?? []).map((s) => NOTE_NAMES[s.key % 12] ?? '');
}

export const isWind = (instrument: InstrumentName | null): boolean => instrument !== null && instrument in WIND_INSTRUMENTS;
export const isFretted = (instrument: InstrumentName): instrument is keyof typeof FRETTED & InstrumentName => instrument in FRETTED;
