import { escapeXml } from '../../musicxml';
import type { DraftTempo } from '../draft';
import { spellLength } from './spell-length';

/** A tempo as words, a metronome mark and what sounds. */
export function tempoXml(tempo: DraftTempo): string {
  const types = tempo.word === '' ? '' : `<direction-type><words>${escapeXml(tempo.word)}</words></direction-type>`;
  if (tempo.perMinute === null) return types === '' ? '' : `<direction placement="above">${types}</direction>`;
  const [unit] = spellLength(tempo.unit);
  const metronome = unit?.value
    ? `<direction-type><metronome><beat-unit>${unit.value}</beat-unit>${'<beat-unit-dot/>'.repeat(unit.dots)}<per-minute>${tempo.perMinute}</per-minute></metronome></direction-type>`
    : '';
  const quarters = (tempo.perMinute * tempo.unit.n) / tempo.unit.d;
  return `<direction placement="above">${types}${metronome || (types === '' ? '<direction-type><words/></direction-type>' : '')}<sound tempo="${quarters}"/></direction>`;
}
