import type { Fraction } from '../../score';
import { childText, childrenNamed, type XmlElement } from '../xml-tree';
import { valueQuarters } from './note-values';
import type { RawTempo } from './raw-measure';

/** Reads a metronome mark: a tempo, or two notes of which the second gets the length of the first. */
export function readMetronome(element: XmlElement, onset: Fraction): RawTempo | null {
  const units: { unit: string; dots: number }[] = [];
  for (const c of element.children) {
    const last = units[units.length - 1];
    if (c.name === 'beat-unit') units.push({ unit: c.text.trim(), dots: 0 });
    else if (c.name === 'beat-unit-dot' && last) last.dots += 1;
  }
  for (const note of childrenNamed(element, 'metronome-note')) {
    units.push({ unit: childText(note, 'metronome-type') ?? '', dots: childrenNamed(note, 'metronome-dot').length });
  }
  const [first, second] = units;
  if (!first) return null;
  const length = valueQuarters(first.unit, first.dots, null);
  if (!length) return null;
  const perMinute = childText(element, 'per-minute');
  if (perMinute !== undefined) {
    const number = Number(/\d+(?:\.\d+)?/.exec(perMinute)?.[0] ?? NaN);
    if (!(number >= 1 && number <= 2000)) return null;
    return {
      onset,
      tempo: { bpm: (number * length.n) / length.d },
      printed: { unit: first.unit, dots: first.dots, text: perMinute },
    };
  }
  const fresh = second ? valueQuarters(second.unit, second.dots, null) : null;
  return fresh ? { onset, tempo: { old: length, fresh }, printed: null } : null;
}
