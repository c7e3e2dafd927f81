/**
 * Ornaments into notes. In: a score, a style, a tempo in quarters a minute. Out: small notes with onsets and lengths in
 * exact quarters.
 */
export { ORNAMENT_STYLES, type OrnamentNote, type OrnamentStyle, type RealisedOrnament } from './ornament';
export { realiseOrnaments, usualStyle } from './realise';
