import { parseAbcKey, parseAbcLength, parseAbcMeter, parseAbcTempo, parseKeySigns } from '../abc-header';
import { Scanner, type AbcWarn } from './scanner';
import { abcText } from './text-strings';
import type { AbcVoice } from './voice';

/** A field inside the music. */
export function inlineField(scanner: Scanner, letter: string, body: string): void {
  const { voice, bar } = scanner;
  switch (letter) {
    case 'K': {
      const key = parseAbcKey(body);
      if (key) {
        voice.key = key;
        voice.keySigns = parseKeySigns(body);
        bar.key = key;
      } else scanner.warn(`the key "${body.trim().slice(0, 20)}" cannot be read`);
      return;
    }
    case 'M': {
      const found = parseAbcMeter(body);
      if (found) {
        voice.meter = found.meter;
        bar.meter = found.meter;
      } else scanner.warn(`the meter "${body.trim().slice(0, 20)}" cannot be read`);
      return;
    }
    case 'L':
      voice.unitLength = parseAbcLength(body) ?? voice.unitLength;
      return;
    case 'Q': {
      const tempo = parseAbcTempo(body, voice.unitLength);
      if (tempo) bar.tempo = tempo;
      return;
    }
    case 'P':
      bar.rehearsal = abcText(body.trim());
      return;
    case 'r':
    case 'N':
    case 'I':
      return;
    default:
      scanner.warn(`the field ${letter}: is not used inside the music`);
  }
}

/** Reads a `K:`, `M:`, `L:`, `Q:` or `P:` line between music lines. */
export function voiceField(voice: AbcVoice, letter: string, body: string, warn: AbcWarn): void {
  inlineField(new Scanner('', voice, warn), letter, body);
}
