/** A staff as it runs over a page: where its first line is, and how far apart its lines are, at each pixel column. */
export interface TracedStaff {
  /** Columns of its first and last pixel. */
  readonly left: number;
  readonly right: number;
  /** Rows of the first line and distances of two lines, from `left` to `right`. */
  readonly top: Float32Array;
  readonly space: Float32Array;
  /** How much darker its lines are than what lies between them. */
  readonly contrast: Float32Array;
  /** How much of it is there, from 0 to 1. */
  readonly certainty: number;
}
