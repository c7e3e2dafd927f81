/**
 * The score: bars, notes and marks as written.
 * In: nothing but plain data. Out: exact times in ticks, playing order in bar indexes, lengths in seconds.
 */
export type { Accord, StringTuning } from './tuning';
export type {
  Aside,
  AttributeChange,
  Bar,
  BarSigns,
  ChordSymbol,
  Clef,
  Direction,
  DirectionMark,
  Jump,
  Key,
  Lyric,
  Meter,
  MeterPart,
  Mode,
  Note,
  Origin,
  NoteMarks,
  Part,
  Pitch,
  Rest,
  Score,
  ScoreWarning,
  Step,
  SwingMark,
  TempoMark,
  TieRole,
  TimeModification,
  Transposition,
} from './model';
export {
  add,
  compare,
  decimalFraction,
  fraction,
  fractionText,
  lcm,
  max,
  multiply,
  subtract,
  ZERO,
  type Fraction,
} from './fraction';
export { isBlankBar, isBlankBetween, notFound, withBlanks } from './blank-bars';
export { beatOnsets } from './beats';
export { onlyBars } from './only-bars';
export { lastWhere } from './last-where';
export { hasUnsaidGroups, meterBeats, meterQuarters, meterText, parseMeter, simpleMeter } from './meter';
export {
  isBlackKey,
  pitchLetter,
  pitchName,
  spellMidi,
  staffPosition,
  STEPS,
  transpositionInSemitones,
  writtenMidi,
} from './pitch';
export { notesByBar } from './notes-by-bar';
export { perScore } from './per-score';
export { isPickupBar, pickupLength } from './pickup';
export { playingOrder, type PlayingOrder } from './playing-order';
export {
  barSeconds,
  clockText,
  playedSeconds,
  playedSecondsOfBars,
  quartersText,
  spanSeconds,
  tempoAt,
} from './seconds';
export { inBeats, inQuarters, tempoUnit, type TempoUnit } from './tempo-unit';
export { workText } from './origin';
export { struckNotes, tieLinks, withTiesClosed } from './ties';
export { type EditionMatch } from './match-editions';
export { keepBarsInOrder, keepIds, withKeptIds, type KeptEdition, type KeptIds } from './kept-ids';
export { isMinor, keyAlter, keyName, majorTonic, minorTonic } from './key';
export { FREE_BEND, freeTimeIn, isForAll } from './free-time';
