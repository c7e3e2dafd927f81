import { parseMeter, tempoUnit, type TempoUnit } from '../score';
import type { Piece } from './schemas';

const TIME = /<time\b[^>]*>([\s\S]*?)<\/time>/;
const PARTS = /<beats>\s*([\d+\s]+?)\s*<\/beats>\s*<beat-type>\s*(\d+)\s*<\/beat-type>/g;

const known = new Map<string, TempoUnit>();
/** So many documents are remembered. */
const MOST = 500;

/**
 * The beat in which the tempos of a piece are said: that of its first meter, so that one piece has one. Found in the
 * document, before the piece is opened. Quarters where the piece is not at hand.
 *
 * @example tempoUnitOf({ source: '<time><beats>6</beats><beat-type>8</beat-type></time>' }).name // → 'dotted quarter'
 */
export function tempoUnitOf(piece: Pick<Piece, 'source'> | undefined): TempoUnit {
  const [, time = ''] = TIME.exec(piece?.source ?? '') ?? [];
  const there = known.get(time);
  if (there) return there;
  const text = [...time.matchAll(PARTS)].map(([, beats = '', type = '']) => `${beats.replace(/\s/g, '')}/${type}`);
  const unit = tempoUnit(parseMeter(text.join('+')) ?? { parts: [], symbol: null });
  if (known.size >= MOST) known.clear();
  known.set(time, unit);
  return unit;
}
