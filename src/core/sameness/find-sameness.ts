import { barSeconds, playingOrder, type Score } from '../score';
import { alikeClasses } from './alike-bars';
import { barLines, type Line } from './bar-content';
import { beatSequences } from './beat-sequences';
import type { BeatSequence, Ostinato, Repeat, RepeatKind, Sameness } from './repeat';
import {
  changedRuns,
  exactRuns,
  findOstinatos,
  movedRuns,
  rhythmRuns,
  selection,
  sequences,
  type Found,
  type SaidByFigure,
} from './runs';

/** How much of its time a copy of each kind need not be learned again. Chosen by us; the pay-off uses the same. */
const SAVED: Readonly<Record<RepeatKind, number>> = { exact: 1, changed: 0.8, moved: 0.6, sequence: 0.6, rhythm: 0.3 };
/** Seconds that each bar sounds in one playing of the piece. */
function secondsOfBars(score: Score): number[] {
  const played = score.bars.map(() => 0);
  for (const bar of playingOrder(score.bars).order) played[bar] = (played[bar] ?? 0) + 1;
  return score.bars.map((bar, i) => barSeconds(score, bar) * Math.max(1, played[i] ?? 1));
}

/** Inside a figure that goes on unchanged only its first coming again is told. */
const saidBy = (figures: readonly Ostinato[]): SaidByFigure => ({
  covers: (copy, length) => figures.some((o) => copy >= o.from + o.period && copy + length - 1 <= o.to),
  isFirst: (model, copy, length) =>
    figures.some((o) => model === o.from && copy === o.from + o.period && length === o.period),
});

/** A staff alone needs not say what all staves say together: asked of findings by kind and distance. */
function saidTogether(together: readonly Found[]): (f: Found) => boolean {
  const key = (f: Found): string => `${f.kind} ${f.j - f.i}`;
  const byKey = new Map<string, Found[]>();
  for (const t of together) {
    const list = byKey.get(key(t));
    if (list) list.push(t);
    else byKey.set(key(t), [t]);
  }
  return (f) => byKey.get(key(f))?.some((t) => t.i <= f.i && t.i + t.length >= f.i + f.length) ?? false;
}

/** Everything that comes again in one line, the closest kinds first, so that weaker ones need not say it again. */
function findingsOf(line: Line, figures: readonly Ostinato[]): readonly Found[] {
  const { kept, take, isExplained } = selection(line.bars.length);
  const said = saidBy(figures);
  const unsaid = (findings: readonly Found[]): readonly Found[] =>
    figures.length === 0 ? findings : findings.filter((f) => !said.covers(f.j, f.length));
  take(exactRuns(line, said));
  take(unsaid(changedRuns(line, alikeClasses(line.bars))));
  take(
    unsaid([
      ...movedRuns(line, 'chromatic', isExplained),
      ...movedRuns(line, 'diatonic', isExplained),
      ...sequences(line),
    ]),
  );
  take(unsaid(rhythmRuns(line, isExplained)));
  return kept;
}

/** A finding as it is told; `share` is how much of the music its line is. */
function repeatOf(line: Line, f: Found, secondsOf: readonly number[], share: number): Repeat {
  const time = secondsOf.slice(f.j, f.j + f.length * (f.times - 1)).reduce((sum, s) => sum + s, 0);
  return {
    kind: f.kind,
    part: line.part,
    staff: line.staff,
    a: [f.i, f.i + f.length - 1],
    b: [f.j, f.j + f.length - 1],
    semitones: f.semitones,
    steps: f.steps,
    diatonic: f.diatonic,
    times: f.times,
    saves: time * SAVED[f.kind] * share,
  };
}

/**
 * Everything that comes again, for all staves together and for each alone, best savings first. Ranges are maximal; a
 * place that is explained by a longer or closer repeat is not listed again with a weaker one. `progress` is told 0 to 1
 * and may stop the search by returning false; then what was found so far comes back.
 *
 * @example findSameness(score).repeats[0].kind // → 'changed'
 */
export function findSameness(score: Score, progress: (share: number) => boolean = () => true): Sameness {
  const { all, staves } = barLines(score);
  const lines = staves.length === 1 ? [all] : [all, ...staves];
  const secondsOf = secondsOfBars(score);
  const repeats: Repeat[] = [];
  const sequencesOfBars: Repeat[] = [];
  const ostinatos: Ostinato[] = [];
  const fromBeats: BeatSequence[] = [];
  let together: (f: Found) => boolean = () => false;
  for (const [index, line] of lines.entries()) {
    if (!progress(index / lines.length)) break;
    const figures = findOstinatos(line).filter(
      (o) => !ostinatos.some((k) => k.part === null && k.from <= o.from && k.to >= o.to && k.period === o.period),
    );
    ostinatos.push(...figures);
    const isWhole = line === all;
    const found = findingsOf(line, figures);
    const kept = isWhole ? found : found.filter((f) => !together(f));
    if (isWhole) together = saidTogether(kept);
    const share = isWhole ? 1 : 1 / staves.length;
    const told = kept.map((f) => repeatOf(line, f, secondsOf, share));
    for (const repeat of told) repeats.push(repeat);
    const inBars = told.filter((r) => r.kind === 'sequence');
    if (isWhole) sequencesOfBars.push(...inBars);
    if (!isWhole || lines.length === 1)
      fromBeats.push(...beatSequences(line, score, isWhole ? inBars : [...sequencesOfBars, ...inBars]));
  }
  progress(1);
  repeats.sort((x, y) => y.saves - x.saves || x.a[0] - y.a[0] || x.b[0] - y.b[0]);
  return { repeats, beatSequences: fromBeats, ostinatos };
}
