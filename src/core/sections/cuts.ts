import { findSameness, type Repeat } from '../sameness';
import type { Score } from '../score';
import { breathBefore } from './breath-before';
import { musicCues, printedCues, type Cue } from './cut-cues';
import { phrasingOf } from './phrasing';

/** How much speaks for a new section or phrase at a bar, and why. `bar` is the first bar after the cut. */
export interface Cut {
  readonly bar: number;
  /** 0 for nothing; about 1 for a clear sign. */
  readonly strength: number;
  /** A printed sign that no division may cross: double bar, repeat, rehearsal mark. */
  readonly printed: boolean;
  readonly reasons: readonly string[];
  /** How far before the bar line the new material begins (an upbeat), in ticks; 0 at the bar line. */
  readonly upbeat: number;
}

const weightOf = (cues: readonly Cue[]): number => cues.reduce((sum, cue) => sum + cue.weight, 0);
const reasonsOf = (cues: readonly Cue[]): string[] => cues.map((cue) => cue.reason);

/** Everything that speaks for a cut before each bar but the first. `repeats` of all lines; found anew when left out. */
export function cutsOf(score: Score, repeats: readonly Repeat[] = findSameness(score).repeats): Cut[] {
  const music = phrasingOf(score, repeats);
  return score.bars.slice(1).flatMap((bar) => {
    const before = score.bars[bar.index - 1];
    if (!before) return [];
    const line = { music, before, bar };
    const page = printedCues(line);
    const breath = breathBefore(music, bar.onset);
    const sound = musicCues(line);
    const breathes = breath.strength > 0;
    return [
      {
        bar: bar.index,
        strength: Math.max(0, weightOf(page) + (breathes ? breath.strength : 0) + weightOf(sound)),
        printed: page.some((cue) => cue.printed),
        reasons: [...reasonsOf(page), ...(breathes ? breath.reasons : []), ...reasonsOf(sound)],
        upbeat: breath.upbeat,
      },
    ];
  });
}
