import type { Meter, Pitch } from '../score';

/**
 * A written pitch as an element.
 *
 * @example pitchXml({ step: 'C', alter: 0, octave: 4 }) // → '<pitch><step>C</step><octave>4</octave></pitch>'
 */
export const pitchXml = (pitch: Pitch): string =>
  `<pitch><step>${pitch.step}</step>${pitch.alter === 0 ? '' : `<alter>${pitch.alter}</alter>`}<octave>${pitch.octave}</octave></pitch>`;

/**
 * A meter as an element; one without beats is free, and one that is not printed is not written.
 *
 * @example meterXml({ parts: [], symbol: null }) // → '<time><senza-misura/></time>'
 */
export function meterXml({ parts, symbol, ours }: Meter): string {
  if (ours) return '';
  if (parts.length === 0) return '<time><senza-misura/></time>';
  const beats = parts.map((p) => `<beats>${p.groups.join('+')}</beats><beat-type>${p.unit}</beat-type>`).join('');
  return `<time${symbol ? ` symbol="${symbol}"` : ''}>${beats}</time>`;
}
