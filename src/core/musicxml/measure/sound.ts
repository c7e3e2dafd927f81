import type { Fraction } from '../../score';
import { child, childText, type XmlElement } from '../xml-tree';
import { integer } from './integer';
import type { Warn } from './part-state';
import type { RawSigns, RawSwing, RawTempo } from './raw-measure';

const MOST_OF_PAIR = 12;

/** Reads `<swing>` of a sound: how a pair of eighths or sixteenths is played; null where none is said. */
export function readSwing(sound: XmlElement, onset: Fraction): RawSwing | null {
  const swing = child(sound, 'swing');
  if (!swing) return null;
  const perQuarter = childText(swing, 'swing-type') === '16th' ? 4 : 2;
  if (child(swing, 'straight')) return { onset, first: 1, second: 1, perQuarter };
  const first = integer(childText(swing, 'first'));
  const second = integer(childText(swing, 'second'));
  const isRatio = (n: number | null): n is number => n !== null && n >= 1 && n <= MOST_OF_PAIR;
  return isRatio(first) && isRatio(second) ? { onset, first, second, perQuarter } : null;
}

/** Reads `<sound>`: tempo, jumps and their goals. True where it gave a tempo. */
export function readSound(
  sound: XmlElement,
  onset: Fraction,
  signs: RawSigns,
  tempos: RawTempo[],
  warn: Warn,
): boolean {
  const a = sound.attributes;
  let saidTempo = false;
  if (a['tempo'] !== undefined) {
    const bpm = Number(a['tempo']);
    if (Number.isFinite(bpm) && bpm >= 1 && bpm <= 2000) {
      tempos.push({ onset, tempo: { bpm }, printed: null });
      saidTempo = true;
    } else warn('bad-tempo', `a tempo of "${a['tempo'].slice(0, 20)}" is ignored`);
  }
  if (a['dacapo'] === 'yes')
    signs.jump = {
      kind: 'dacapo',
      until: signs.jump?.until ?? null,
      to: null,
      withRepeats: signs.jump?.withRepeats ?? false,
    };
  if (a['dalsegno'] !== undefined)
    signs.jump = {
      kind: 'dalsegno',
      until: signs.jump?.until ?? null,
      to: a['dalsegno'],
      withRepeats: signs.jump?.withRepeats ?? false,
    };
  if (a['segno'] !== undefined) signs.segno = a['segno'];
  if (a['coda'] !== undefined) signs.coda = a['coda'];
  if (a['tocoda'] !== undefined) signs.toCoda = true;
  if (a['fine'] !== undefined) signs.fine = true;
  return saidTempo;
}
