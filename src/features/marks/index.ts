/** The stage Marks. */
export { MarksScreen } from './marks-screen';
export { MarkedMusic } from './marked-music';
export { PieceStand } from './piece-stand';
export { suggestionsFor, toMark, type Suggestion } from './suggestions';
export { USUAL_BREATH } from './usual-breath';
