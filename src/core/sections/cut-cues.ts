import { isBlankBar, meterText, type Bar } from '../score';
import { CUT_WEIGHTS } from './cut-weights';
import type { Phrasing } from './phrasing';

/** A bar line, and what the cues look at. */
export interface BarLine {
  readonly music: Phrasing;
  readonly before: Bar;
  readonly bar: Bar;
}

/** What speaks for or against a cut. A printed one may be crossed by no division. */
export interface Cue {
  readonly weight: number;
  readonly reason: string;
  readonly printed: boolean;
}

type Listen = (line: BarLine) => readonly Cue[];
const printed = (weight: number, reason: string): readonly Cue[] => [{ weight, reason, printed: true }];
const heard = (weight: number, reason: string): readonly Cue[] => [{ weight, reason, printed: false }];

const doubleBar: Listen = ({ before, bar }) =>
  isNextEnding(bar)
    ? []
    : before.signs.doubleBar === 'light-light'
      ? printed(CUT_WEIGHTS.doubleBar, 'double bar')
      : before.signs.doubleBar === 'light-heavy'
        ? printed(CUT_WEIGHTS.doubleBar, 'final bar line')
        : [];
/** The next ending goes with the one before it: what is repeated closes after the last. */
const isNextEnding = (bar: Bar): boolean => bar.signs.ending?.starts ?? false;
const repeatSign: Listen = ({ before, bar }) => {
  if (isNextEnding(bar)) return [];
  if (before.signs.repeatEnd !== null || bar.signs.repeatStart) return printed(CUT_WEIGHTS.repeat, 'repeat sign');
  // The bracket of the last ending may be left open: it says less than a sign.
  return before.signs.ending?.stops ? heard(CUT_WEIGHTS.repeat, 'the last ending closes') : [];
};
/** An ending goes with the bars before it. */
const ending: Listen = ({ bar }) =>
  isNextEnding(bar) ? heard(-CUT_WEIGHTS.ending, `ending ${bar.signs.ending?.numbers.join(', ') ?? ''}`) : [];
const playingOrder: Listen = ({ before, bar }) =>
  before.signs.fine || before.signs.jump || bar.signs.segno !== null || bar.signs.coda !== null
    ? printed(CUT_WEIGHTS.jump, 'a sign of the playing order')
    : [];
const newKey: Listen = ({ before, bar }) =>
  before.key.fifths !== bar.key.fifths || before.key.mode !== bar.key.mode ? heard(CUT_WEIGHTS.key, 'key changes') : [];
const newMeter: Listen = ({ before, bar }) =>
  meterText(before.meter) !== meterText(bar.meter) ? heard(CUT_WEIGHTS.meter, 'meter changes') : [];
const rehearsal: Listen = ({ music, bar }) =>
  music.score.directions.some((d) => d.kind === 'rehearsal' && d.bar === bar.index && d.onset === bar.onset)
    ? printed(CUT_WEIGHTS.rehearsal, 'rehearsal mark')
    : [];
const newTempo: Listen = ({ music, bar }) =>
  music.score.tempos.some((t) => t.bar === bar.index && t.onset === bar.onset)
    ? heard(CUT_WEIGHTS.tempo, 'new tempo')
    : [];
const newLine: Listen = ({ bar }) => (bar.lineBreak ? heard(CUT_WEIGHTS.lineBreak, 'new line of print') : []);

const comesAgain: Listen = ({ music, bar }) => {
  const back = music.returns.get(bar.index);
  return back ? heard(CUT_WEIGHTS.returnBase + CUT_WEIGHTS.returnBar * Math.min(8, back.length), back.text) : [];
};
const texture: Listen = ({ music, before, bar }) => {
  const was = music.textures[before.index];
  const is = music.textures[bar.index];
  if (!was || !is) return [];
  const other = was.staves !== is.staves || was.chords !== is.chords;
  if (!other && was.name === is.name) return [];
  const said = was.name === is.name ? 'texture changes' : `${is.name} after ${was.name}`;
  return heard(other ? CUT_WEIGHTS.texture : CUT_WEIGHTS.figures, said);
};

/** The level in force before a place, as printed; null before the first. */
const levelBefore = ({ music }: BarLine, onset: number): string | null =>
  music.levels.findLast((l) => l.onset < onset)?.level ?? null;
const newDynamic: Listen = (line) => {
  const level = line.music.levels.find((l) => l.onset === line.bar.onset)?.level;
  const before = levelBefore(line, line.bar.onset);
  return level !== undefined && before !== null && level !== before
    ? heard(CUT_WEIGHTS.dynamic, `${level} after ${before}`)
    : [];
};
const newClef: Listen = ({ music, bar }) =>
  music.score.parts.some((part) => part.attributes.some((a) => a.clefs !== undefined && a.onset === bar.onset))
    ? heard(CUT_WEIGHTS.clef, 'clef changes')
    : [];

/** Cues at the line itself; they say nothing where the line only ends a pick-up. */
const AT_THE_LINE: readonly Listen[] = [doubleBar, repeatSign, ending, playingOrder, newKey, newMeter];
/** Cues of what begins. */
const OF_THE_BAR: readonly Listen[] = [rehearsal, newTempo, newLine, newDynamic, newClef];
/** Cues that are heard after how the music breathes. */
const OF_THE_MUSIC: readonly Listen[] = [comesAgain, texture];

const cuesOf = (cues: readonly Listen[], line: BarLine): Cue[] => cues.flatMap((listen) => listen(line));

/** What is printed at a bar line, in the order in which it is said. */
export const printedCues = (line: BarLine): Cue[] => {
  const endsPickup = line.bar.index === 1 && line.music.pickup > 0;
  return cuesOf(endsPickup ? OF_THE_BAR : [...AT_THE_LINE, ...OF_THE_BAR], line);
};
/** What the music itself says at a bar line; nothing beside bars that are not written. */
export const musicCues = (line: BarLine): Cue[] =>
  isBlankBar(line.bar) || isBlankBar(line.before) ? [] : cuesOf(OF_THE_MUSIC, line);
