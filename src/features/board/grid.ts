/** What a board of levels is made of. */
import type { Level } from '@/core/studio';

export interface GridCell {
  readonly level: Level;
  readonly due: boolean;
  readonly atRisk: boolean;
  readonly overruled: boolean;
  /** Its level is on its way into the database. */
  readonly storing: boolean;
  /** It is being read out of the database. */
  readonly waiting?: true;
  /** Date, tempo, who decided, in words. */
  readonly says: string;
  /** Of something heard in part: `2/5`. */
  readonly part?: string;
}

export interface GridRow {
  readonly id: string;
  readonly name: string;
  readonly about: string;
}

export interface GridColumn {
  readonly id: string;
  readonly head: string;
  readonly under: string;
  /** Its chunks can be shown, or put away again. */
  readonly opens?: 'open' | 'close';
  /** A chunk of the section before it. */
  readonly isChunk?: boolean;
}

/** The ids of the rows and columns that are drawn. */
export interface InSight {
  readonly rows: readonly string[];
  readonly columns: readonly string[];
}
