/**
 * A rhythm that was tapped. In: when each note is due, when it was tapped, in seconds. Out: each note right, early,
 * late or missed, what was tapped too often, the steady lead and the scatter.
 */
export {
  judgeTaps,
  tapTolerance,
  type BeatToTap,
  type JudgedNote,
  type TapJudgement,
  type TapRule,
  type TapVerdict,
} from './judge-taps';
export { leaningBeats, leaningWords, type CellPlace, type LeaningBeat } from './by-cell';
export { rhythmIsThere, tappedOf, type Tapped } from './rhythm-shown';
export { tapRow } from './tap-row';
export { tapReport, type TapReport } from './tap-words';
