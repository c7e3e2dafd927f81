import { fraction, parseMeter, type Fraction, type Key, type Meter, type Mode } from '../score';
import type { DraftTempo } from './draft';

const TONIC_FIFTHS: Readonly<Record<string, number>> = { C: 0, G: 1, D: 2, A: 3, E: 4, B: 5, F: -1 };
/** How many fifths a mode's signature lies from the major key on the same note. */
const MODE_FIFTHS: Readonly<Record<string, readonly [Mode, number]>> = {
  maj: ['major', 0],
  ion: ['ionian', 0],
  '': ['major', 0],
  m: ['minor', -3],
  min: ['minor', -3],
  aeo: ['aeolian', -3],
  mix: ['mixolydian', -1],
  dor: ['dorian', -2],
  phr: ['phrygian', -4],
  lyd: ['lydian', 1],
  loc: ['locrian', -5],
};

/** `K:` of ABC 2.1, section 3.1.14: `G`, `Am`, `D dorian`, `F#m`, `none`, `HP`; null when it cannot be read. */
export function parseAbcKey(text: string): Key | null {
  const trimmed = text.trim();
  if (trimmed === '' || /^none\b/i.test(trimmed)) return { fifths: 0, mode: 'none' };
  if (/^(HP|Hp)\b/.test(trimmed)) return { fifths: 2, mode: 'mixolydian' };
  const match = /^([A-G])([#b]?)\s*([A-Za-z]*)/.exec(trimmed);
  if (!match) return null;
  const [, tonic = 'C', sign = '', rawMode = ''] = match;
  if (/^exp/i.test(rawMode)) return { fifths: 0, mode: 'none' };
  const mode =
    rawMode === 'm'
      ? 'm'
      : /^(clef|middle|transpose|octave|treble|bass|alto|tenor)/i.test(rawMode)
        ? ''
        : rawMode.slice(0, 3).toLowerCase();
  const [name, shift] = MODE_FIFTHS[mode] ?? [null, 0];
  if (name === null) return null;
  const fifths = (TONIC_FIFTHS[tonic] ?? 0) + (sign === '#' ? 7 : sign === 'b' ? -7 : 0) + shift;
  return Math.abs(fifths) > 7 ? null : { fifths, mode: name };
}

/**
 * Accidentals that a `K:` names one by one (ABC 2.1, 3.1.14): by step, in half steps.
 *
 * @example [...parseKeySigns('D Phr ^f')] // → [['F', 1]]
 */
export const parseKeySigns = (text: string): ReadonlyMap<string, number> =>
  new Map(
    [...text.matchAll(/(?:^|\s)(\^{1,2}|_{1,2}|=)([A-Ga-g])(?=\s|$)/g)].map(([, sign = '', step = '']) => [
      step.toUpperCase(),
      sign === '=' ? 0 : sign.startsWith('^') ? sign.length : -sign.length,
    ]),
  );

/** `1/8`, `1`, `3/2` as quarters: 1/8 is 1/2 a quarter. */
export function parseAbcLength(text: string): Fraction | null {
  const match = /^\s*(\d{1,3})(?:\/(\d{1,3}))?\s*$/.exec(text);
  if (!match) return null;
  const d = Number(match[2] ?? '1');
  return d === 0 ? null : fraction(4 * Number(match[1]), d);
}

/** `M:` and the default note length it brings (ABC 2.1, 3.1.7): under 3/4 a sixteenth, else an eighth. */
export function parseAbcMeter(text: string): { meter: Meter; unitLength: Fraction } | null {
  const meter = parseMeter(text);
  if (!meter) return null;
  const size = meter.parts.reduce((sum, p) => sum + p.groups.reduce((a, b) => a + b, 0) / p.unit, 0);
  return { meter, unitLength: meter.parts.length > 0 && size < 0.75 ? fraction(1, 4) : fraction(1, 2) };
}

/** `Q:1/4=96`, `Q:"Allegro" 3/8=60`, `Q:120` (of the unit length). */
export function parseAbcTempo(text: string, unitLength: Fraction): DraftTempo | null {
  const word = /"([^"]{0,80})"/.exec(text)?.[1] ?? '';
  const rest = text.replace(/"[^"]*"/g, ' ').trim();
  const full = /^((?:\d{1,2}\/\d{1,3}\s*)+)=\s*(\d{1,4}(?:\.\d{1,3})?)/.exec(rest);
  if (full) {
    const units = (full[1] ?? '').trim().split(/\s+/).map(parseAbcLength);
    const unit = units.reduce<Fraction | null>(
      (sum, u) => (sum && u ? fraction(sum.n * u.d + u.n * sum.d, sum.d * u.d) : null),
      fraction(0),
    );
    const perMinute = Number(full[2]);
    return unit && perMinute > 0 ? { word, unit, perMinute } : null;
  }
  const bare = /^(?:C\s*=\s*)?(\d{1,4})$/.exec(rest);
  if (bare && Number(bare[1]) > 0) return { word, unit: unitLength, perMinute: Number(bare[1]) };
  return word === '' ? null : { word, unit: fraction(1), perMinute: null };
}
