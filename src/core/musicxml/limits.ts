/**
 * What a file may hold. Over a limit it is refused with a code; the numbers are stated in the room's README.
 * They keep the largest accepted file under 1 GiB of memory and well under a minute in every room.
 */
export const LIMITS = {
  /** Bytes of a file as it comes, zipped or not: 64 MiB. */
  fileBytes: 64 * 1024 * 1024,
  /** Characters of the score text after unzipping and decoding: 48 Mi. */
  textLength: 48 * 1024 * 1024,
  bars: 20_000,
  notes: 400_000,
  parts: 200,
  staves: 16,
  /** Frets of a capo. */
  frets: 24,
  /** Nesting of elements; real scores stay under 12. */
  depth: 64,
  /** Divisions of a quarter note; MIDI stops at 16,383. */
  divisions: 1_000_000,
  /** Longest single note or bar in quarters. */
  quarters: 1024,
  /** Most often a repeat is played. */
  repeatTimes: 64,
  warnings: 500,
} as const;
