import { add, compare, decimalFraction, fraction, multiply, ZERO, type Fraction } from '../../score';
import { child, childText, childrenNamed, type XmlElement } from '../xml-tree';
import { integer } from './integer';
import { jumpFromWords } from './jump-words';
import { readMetronome } from './metronome';
import type { PartState, Warn } from './part-state';
import type { RawDirection, RawSigns, RawTempo } from './raw-measure';
import { readSound } from './sound';

interface Out {
  readonly directions: RawDirection[];
  readonly tempos: RawTempo[];
  readonly signs: RawSigns;
}

/** Words that say how to go on: a jump, the way to the coda, the end. */
function readWords(text: string, signs: RawSigns): void {
  const jump = jumpFromWords(text);
  if (jump) signs.jump = { ...jump, to: signs.jump?.to ?? null };
  else if (/^\s*to\s+coda\b/i.test(text)) signs.toCoda = true;
  else if (/^\s*fine\.?\s*$/i.test(text)) signs.fine = true;
}

/** One mark of a `<direction-type>`; metronome marks are read apart, for what they say depends on the sound. */
function readMark(mark: XmlElement, staff: number | null, onset: Fraction, { directions, signs }: Out): void {
  switch (mark.name) {
    case 'dynamics':
      for (const d of mark.children)
        directions.push({ kind: 'dynamic', level: d.name === 'other-dynamics' ? d.text.trim() : d.name, staff, onset });
      return;
    case 'wedge': {
      const role = mark.attributes['type'];
      if (role === 'crescendo' || role === 'diminuendo' || role === 'stop')
        directions.push({ kind: 'wedge', role, number: mark.attributes['number'] ?? '1', staff, onset });
      return;
    }
    case 'words': {
      const text = mark.text.trim();
      if (text === '') return;
      directions.push({ kind: 'words', text, staff, onset });
      readWords(text, signs);
      return;
    }
    case 'rehearsal':
      directions.push({ kind: 'rehearsal', text: mark.text.trim(), staff, onset });
      return;
    case 'segno':
      signs.segno ??= '';
      return;
    case 'coda':
      signs.codaGlyph = true;
      return;
    case 'pedal':
      directions.push({ kind: 'pedal', role: mark.attributes['type'] ?? 'start', staff, onset });
      return;
    case 'octave-shift':
      directions.push({
        kind: 'ottava',
        role: mark.attributes['type'] ?? 'stop',
        size: integer(mark.attributes['size']) ?? 8,
        staff,
        onset,
      });
      return;
    default:
      return;
  }
}

/** Where a direction or chord symbol stands, its offset counted in. */
export function onsetOf(element: XmlElement, at: Fraction, { divisions }: PartState): Fraction {
  const offset = decimalFraction(childText(element, 'offset') ?? '');
  if (!offset || !divisions) return at;
  const onset = add(at, multiply(offset, fraction(divisions.d, divisions.n)));
  return compare(onset, ZERO) < 0 ? ZERO : onset;
}

/** Reads `<direction>`: what is written over and under the staff. A tempo that sounds counts before a printed one. */
export function readDirection(element: XmlElement, at: Fraction, state: PartState, out: Out, warn: Warn): void {
  const onset = onsetOf(element, at, state);
  const staff = integer(childText(element, 'staff'));
  const sound = child(element, 'sound');
  const hasSoundTempo = sound?.attributes['tempo'] !== undefined;
  let printed: RawTempo['printed'] = null;
  for (const type of childrenNamed(element, 'direction-type'))
    for (const mark of type.children) {
      if (mark.name !== 'metronome') {
        readMark(mark, staff, onset, out);
        continue;
      }
      const tempo = readMetronome(mark, onset);
      printed = tempo?.printed ?? printed;
      if (tempo && !hasSoundTempo) out.tempos.push(tempo);
      else if (!tempo && !hasSoundTempo) warn('bad-tempo', 'a metronome mark could not be read and is ignored');
    }
  if (sound && readSound(sound, onset, out.signs, out.tempos, warn)) {
    const last = out.tempos.pop();
    if (last) out.tempos.push({ ...last, printed });
  }
}
