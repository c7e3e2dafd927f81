import type { InstrumentId } from '@/core/instruments';
import { DEMO_PIECES } from './demo-pieces';

/** A piece that comes with the application, to be taken into one's own studio. */
export interface ShippedPiece {
  readonly id: string;
  readonly title: string;
  readonly instrument: InstrumentId;
  readonly abc: string;
}

/** All of them, composed for this application. */
export const SHIPPED_PIECES: readonly ShippedPiece[] = DEMO_PIECES.map(({ id, abc, instrument }) => ({
  id,
  abc,
  instrument,
  title: /^T:(.*)$/m.exec(abc)?.[1]?.trim() ?? id,
}));
