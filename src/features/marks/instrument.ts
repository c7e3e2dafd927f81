import { instrumentOf, type Fingerable, type InstrumentId } from '@/core/instruments';

const NOTE_NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

/** What finds fingers for an instrument; null where there is nothing to finger. */
export const fingersOf = (instrument: InstrumentId): Fingerable | null => instrumentOf(instrument).fingers;

/** Names of the open strings, the highest first; none where it has no strings. */
export function stringNames(instrument: InstrumentId): readonly string[] {
  const fingers = fingersOf(instrument);
  return fingers?.kind === 'bowed' || fingers?.kind === 'fretted'
    ? fingers.strings.map((s) => NOTE_NAMES[s.key % 12] ?? '')
    : [];
}
