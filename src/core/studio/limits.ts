/**
 * How much one kept thing may hold. The schemas refuse more; what the core makes is kept within them where it is made.
 * They are wide: a limit is there for damaged and hostile files, not for a large piece.
 */
export const MOST = {
  id: 1500,
  what: 600,
  title: 300,
  name: 120,
  words: 2000,
  task: 1000,
  cue: 500,
  note: 2000,
  said: 8000,
  rungs: 1000,
  wayPlaces: 5000,
  removedKeys: 4000,
  sectionsOfPiece: 5000,
  tasksOfWeek: 500,
  leftOutOfWeek: 5000,
  repetitions: 2000,
  piecesOfStudent: 2000,
  tag: 40,
  tags: 40,
  ownCues: 1000,
  /** Base 64 characters of a page's picture. */
  picture: 30_000_000,
} as const;

/** Tempos that a metronome or a person can keep, quarters a minute. */
export const TEMPO_RANGE = { least: 10, most: 600 } as const;

/**
 * A text no longer than `most`, cut at a word where one ends near, with an ellipsis for what is gone.
 *
 * @example clampText('hands together', 6) // → 'hands…'
 */
export function clampText(text: string, most: number): string {
  if (text.length <= most) return text;
  const cut = text.slice(0, most - 1);
  const space = cut.lastIndexOf(' ');
  return `${space > most * 0.8 ? cut.slice(0, space) : cut}…`;
}

/**
 * A tempo within what is kept: whole, from 10 to 600.
 *
 * @example clampTempo(4000) // → 600
 */
export const clampTempo = (tempo: number): number =>
  Math.max(TEMPO_RANGE.least, Math.min(TEMPO_RANGE.most, Math.round(tempo)));
