import { instrumentOf, tunedTo, type Fingerable, type InstrumentId } from '@/core/instruments';
import type { PlayersStrings } from '@/core/players';

const NOTE_NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

/** What finds fingers for an instrument, tuned as the page says; null where there is nothing to finger. */
export function fingersOf(instrument: InstrumentId, { tuning }: PlayersStrings = {}): Fingerable | null {
  const { fingers } = instrumentOf(instrument);
  return fingers?.kind === 'fretted' && tuning ? tunedTo(fingers, tuning) : fingers;
}

/** Names of the open strings, the highest first; none where it has no strings. */
export function stringNames(instrument: InstrumentId, strings: PlayersStrings = {}): readonly string[] {
  const fingers = fingersOf(instrument, strings);
  return fingers?.kind === 'bowed' || fingers?.kind === 'fretted'
    ? fingers.strings.map((s) => NOTE_NAMES[s.key % 12] ?? '')
    : [];
}
