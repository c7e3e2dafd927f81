/** Everything that passes between the page and its workers. */
import type { ExcerptRequest, WrittenDocument, WrittenMark } from '@/core/musicxml';
import type { Result } from '@/core/result';
import type { Score } from '@/core/score';
import type { PieceFormat } from '@/core/studio';
import type { Encoding } from '@/core/musicxml';

export interface OpenedFile {
  readonly format: PieceFormat;
  readonly text: string;
  readonly encoding: Encoding;
  readonly bom: boolean;
  readonly original: string | null;
  readonly score: Score;
}

/** Reads pieces and cuts excerpts; keeps the pieces it read by key. */
export interface PieceWorkerApi {
  open(bytes: Uint8Array, fileName: string): Promise<Result<OpenedFile>>;
  load(key: string, text: string, fileName: string): Promise<Result<Score>>;
  /** null when the piece of that key is not loaded. */
  excerpt(key: string, request: ExcerptRequest): Promise<string | null>;
  /** The source with marks spliced in; null when the piece of that key is not loaded. */
  write(key: string, marks: readonly WrittenMark[]): Promise<WrittenDocument | null>;
}

export interface EngraveOptions {
  /** CSS pixels. */
  readonly width: number;
  /** Percent of the engraver's natural size; 60 gives a staff of about 43 px. */
  readonly scale: number;
}

export type EngraveCode = 'engrave-failed' | 'engrave-too-long' | 'engrave-unsafe';

/** One SVG a system. */
export interface EngraverWorkerApi {
  engrave(document: string, options: EngraveOptions): Promise<Result<readonly string[], EngraveCode>>;
}
