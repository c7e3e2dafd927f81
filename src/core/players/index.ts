/**
 * Who plays. In: a score. Out: the parts and lines that one can play, their names and instruments, and the score as it
 * sounds or as one player has it, with the same bars, ids and times.
 */
export { choiceNamed, playerChoices, usualChoice, usualPlayer, whoByName, type PlayerChoice } from './choices';
export { entriesOf, type Entry } from './entries';
export { partName } from './part-names';
export { instrumentOfPart, type PartInstrument, type ToldBy } from './part-instrument';
export { playedBy, soundingScore } from './played';
export { playerKey, type Line, type Player } from './player';
export { playerSchema } from './player-schema';
export { stringsOf, type PlayersStrings } from './strings-of';
