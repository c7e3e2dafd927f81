/**
 * Breaths, phrase punctuation and bowing. In: a score, a tempo in quarters a minute, a span in seconds. Out: breaths
 * after notes with reasons, the seconds of each span, signs of phrase ends, a direction for every stroke. Onsets in
 * ticks.
 */
export { placeBreaths, type Breath, type BreathPlan, type BreathSpan } from './place-breaths';
export { proposeBowing, type BowDirection, type Bowing, type Stroke } from './bowing';
export { breathsInTime, type BreathInTime } from './breaths-in-time';
export { punctuatePhrases, type PhraseSign } from './punctuation';
