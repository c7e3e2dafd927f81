import { instrumentOf } from '../instruments';
import type { Ostinato } from '../sameness';
import type { Hand } from '../studio';
import type { Bars } from './copies';
import type { WayOf } from './way-of';

/** A part that goes on unchanged under what changes. */
export interface Unchanging {
  readonly hand: Hand;
  readonly bars: Bars;
  readonly name: string;
  readonly why: string;
}

/** Share of the piece that a figure has to go on for. Chosen by us. */
const MOST_OF_THE_PIECE = 0.6;

function figure(of: WayOf, o: Ostinato): Unchanging | null {
  const part = of.played.parts.find((p) => p.id === o.part);
  const isHand = part?.staves === 2 && (o.staff === 1 || o.staff === 2);
  if (!isHand || o.to - o.from + 1 < MOST_OF_THE_PIECE * of.played.bars.length) return null;
  const hand: Hand = o.staff === 1 ? 'right' : 'left';
  return {
    hand,
    bars: [o.from, o.to],
    name: `the ${hand}-hand figure`,
    why: 'it goes on unchanged: alone first, until it goes by itself',
  };
}

/**
 * What is learned alone, before anything is put on top of it **[common practice]**: a figure of one hand that goes on
 * through most of the piece, the strum under a song.
 */
export function unchangingParts(of: WayOf): readonly Unchanging[] {
  const last = of.played.bars.length - 1;
  const figures = of.sameness.ostinatos.flatMap((o) => figure(of, o) ?? []);
  const strums = instrumentOf(of.player.instrument ?? 'piano').strums && of.played.chords.length > 0;
  return strums
    ? [
        ...figures,
        {
          hand: 'right',
          bars: [0, last],
          name: 'the strum',
          why: 'it goes on under every chord: alone first, on one chord',
        },
      ]
    : figures;
}
