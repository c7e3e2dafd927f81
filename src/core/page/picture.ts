/** A picture of a page in greys: 0 black to 255 white, row by row. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly gray: Uint8Array;
}
