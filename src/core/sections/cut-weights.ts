/** What each sign adds. Chosen by us, tuned on the pieces in `tests/pieces`; printed signs weigh most. */
export const CUT_WEIGHTS = {
  doubleBar: 1.1,
  repeat: 1.1,
  rehearsal: 1.3,
  /** Against a cut between the endings of a repeat. */
  ending: 2,
  jump: 0.8,
  key: 0.9,
  meter: 0.8,
  tempo: 0.6,
  longNote: 0.55,
  /** What of it counts where short notes lead over to what follows. */
  leadIn: 0.7,
  /** What of it counts where half of the bars have a note as long. */
  usualLong: 0.5,
  rest: 0.5,
  slur: 0.15,
  fermata: 1.6,
  /** Another level printed, and another clef. */
  dynamic: 0.25,
  clef: 0.1,
  /** Staves enter or leave, lines become chords or chords lines; and, less, only the figures are other ones. */
  texture: 0.14,
  figures: 0.07,
  returnBase: 0.25,
  /** For each bar the return lasts, up to 8. */
  returnBar: 0.1,
  lineBreak: 0.12,
} as const;
