/**
 * What the search for chords and keys is priced with. All ours, set on the training pieces in `tests/pieces` and
 * reported on the held-out ones by `npm run bench`; the kinds of price follow Pardo and Birmingham, "Algorithms for
 * chordal analysis", Computer Music Journal 26 (2002): what sounds in the chord for it, what sounds outside against it.
 * Unit: what one beat of a chord that fits wholly is worth.
 */
export const HARMONY_WEIGHTS = {
  /** A note outside the chord, against one inside; times the price of its figure. */
  foreign: 1.84,
  /** Notes struck at a beat, and the lowest that sounds, say more. */
  onBeat: 1.25,
  lowest: 1.25,
  /** What a bass that is heard on speaks for its tone, a beat. */
  ringing: 0.09,
  /** How much of a figure's weight still speaks for a chord that has it: half of what a plain note gives, and up. */
  figureCredit: 0.72,
  pedalCredit: 0.2,
  /** A tone of the chord that does not sound: root, third, fifth (where it may not be left out), what lies above. */
  missing: { root: 0.45, third: 0.25, fifth: 0.1, needed: 0.55, above: 1.18 },
  /** Share of a beat from which a tone counts as sounding. */
  soundsFrom: 0.14,
  /** With how much of the length of a run that share grows: 1 for all of it. */
  soundsGrows: 1.56,
  /** The same for what lies above a triad: it may sound just once. */
  aboveGrows: 0.3,
  /** What of those prices a tune alone is charged for the tones of the triad. */
  missingAlone: 0.36,
  /** By the place of the bass in the chord: root, third, fifth, seventh and above; outside the chord. */
  bass: { root: 0.32, third: 0.08, fifth: -0.22, above: 0, outside: -0.32 },
  /** Share of the notes that the page spells with another letter than the chord has. */
  spelling: 0.9,
  /** The same for a chord of equal steps, whose root only the spelling tells. */
  spellingOfEqual: 3.6,
  /** A seventh, ninth or fourth that never sounds together with the root: the notes of two chords, not of one. */
  apart: 1.12,
  /** Where a chord begins, by the strength of the beat: bar line, half bar, beat. */
  begins: { 3: 0.07, 2: 0.11, 1: 0.45 },
  /** The same for a tune alone, whose notes leave most of the chord to be guessed. */
  beginsAlone: { 3: 0.16, 2: 0.5, 1: 1.0 },
  /** A chord that begins while the bass of the one before is heard on, as under a waltz. */
  overRinging: 0.5,
  /** A seventh that joins its own triad is half a change. */
  sameRoot: 0.75,
  /** A chord that goes on past the longest run that is weighed at once. */
  goesOn: 0.02,
  /** How much of a beat's worth the notes of a tune alone are. */
  alone: 0.45,
  /** Profile of the key, a beat. */
  keyProfile: 0.32,
  /** A change of key. */
  keyChange: 1.1,
  /** A piece that ends on another chord than its tonic. */
  endsAway: 0.4,
  /** One whose last lowest note is not the tonic. */
  lastAway: 1,
  /** A beat in a key of the signature; one that the file names besides. */
  signature: 0.1,
  named: 0.02,
} as const;
