import type { PartState, RawMeasure } from './measure';

/** A part while its bars are read: a bar that is missing in it is null. */
export interface GrowingPart {
  readonly id: string;
  readonly state: PartState;
  readonly measures: (RawMeasure | null)[];
  readonly ranges: (readonly [number, number] | null)[];
}

/** What is said of a bar by its element. */
export interface BarHead {
  number: string;
  writtenId: string | null;
  implicit: boolean;
}

/** A warning about the whole file, a bar, or a part of a bar. */
export type WarnOf = (
  code: string,
  message: string,
  bar: number | null,
  number: string | null,
  part: string | null,
) => void;
