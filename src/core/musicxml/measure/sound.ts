import type { Fraction } from '../../score';
import type { XmlElement } from '../xml-tree';
import type { Warn } from './part-state';
import type { RawSigns, RawTempo } from './raw-measure';

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
