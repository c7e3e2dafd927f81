import { barSeconds, playingOrder, type Score } from '../score';
import { barLines, type Line } from './bar-content';
import { beatSequences } from './beat-sequences';
import { diffBars } from './bar-similarity';
import type { BeatSequence, Difference, Ostinato, Repeat, RepeatKind, Sameness } from './repeat';
import {
  changedRuns,
  exactRuns,
  findOstinatos,
  movedRuns,
  rhythmRuns,
  selection,
  sequences,
  similarities,
  type Found,
} from './runs';

/** How much of its time a copy of each kind need not be learned again. Chosen by us; the pay-off uses the same. */
const SAVED: Readonly<Record<RepeatKind, number>> = { exact: 1, changed: 0.8, moved: 0.6, sequence: 0.6, rhythm: 0.3 };
/**
 * Comparing every bar with every other grows with the square: longer pieces are refused by the faces that call this
 * (`fitsSameness`).
 */
export const MOST_BARS_FOR_SAMENESS = 2500;
/**
 * Whether a piece is short enough to be compared bar by bar.
 *
 * @example fitsSameness(score) // → true
 */
export const fitsSameness = (score: Score): boolean => score.bars.length <= MOST_BARS_FOR_SAMENESS;
/**
 * Bars above which only exact, moved and rhythm runs are looked for: comparing every pair of bars note by note grows
 * with the square.
 */
const MOST_BARS_FOR_CHANGED = 2500;

function differencesOf(line: Line, f: Pick<Found, 'i' | 'j' | 'length'>): Difference[] {
  const out: Difference[] = [];
  for (let k = 0; k < f.length; k += 1) {
    const a = line.bars[f.i + k];
    const b = line.bars[f.j + k];
    if (!a || !b || a.exact === b.exact) continue;
    const { onlyA, onlyB } = diffBars(a, b);
    out.push({
      bar: f.j + k,
      noteIds: onlyB.map((n) => n.note.id),
      aBar: f.i + k,
      aNoteIds: onlyA.map((n) => n.note.id),
    });
  }
  return out;
}

/** Seconds that each bar sounds in one playing of the piece. */
function secondsOfBars(score: Score): number[] {
  const played = score.bars.map(() => 0);
  for (const bar of playingOrder(score.bars).order) played[bar] = (played[bar] ?? 0) + 1;
  return score.bars.map((bar, i) => barSeconds(score, bar) * Math.max(1, played[i] ?? 1));
}

/** Inside a figure that goes on unchanged only its first coming again is told. */
const saidByFigure = (f: Found, figures: readonly Ostinato[]): boolean =>
  figures.some(
    (o) =>
      f.j >= o.from + o.period &&
      f.j + f.length - 1 <= o.to &&
      !(f.kind === 'exact' && f.i === o.from && f.j === o.from + o.period && f.length === o.period),
  );

/** A staff alone needs not say what all staves say together. */
const saidTogether = (f: Found, together: readonly Found[]): boolean =>
  together.some(
    (t) => t.kind === f.kind && t.i <= f.i && t.j <= f.j && t.i + t.length >= f.i + f.length && t.j - t.i === f.j - f.i,
  );

/** Everything that comes again in one line, the closest kinds first, so that weaker ones need not say it again. */
function findingsOf(line: Line, figures: readonly Ostinato[]): readonly Found[] {
  const { kept, take, isExplained } = selection(line.bars.length);
  const unsaid = (findings: readonly Found[]): readonly Found[] =>
    figures.length === 0 ? findings : findings.filter((f) => !saidByFigure(f, figures));
  take(unsaid(exactRuns(line)));
  if (line.bars.length <= MOST_BARS_FOR_CHANGED) take(unsaid(changedRuns(line, similarities(line.bars))));
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
    differences: f.kind === 'changed' ? differencesOf(line, f) : [],
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
  const ostinatos: Ostinato[] = [];
  const fromBeats: BeatSequence[] = [];
  const together: Found[] = [];
  for (const [index, line] of lines.entries()) {
    if (!progress(index / lines.length)) break;
    const figures = findOstinatos(line).filter(
      (o) => !ostinatos.some((k) => k.part === null && k.from <= o.from && k.to >= o.to && k.period === o.period),
    );
    ostinatos.push(...figures);
    const isWhole = line === all;
    const kept = findingsOf(line, figures).filter((f) => isWhole || !saidTogether(f, together));
    if (isWhole) together.push(...kept);
    const share = isWhole ? 1 : 1 / staves.length;
    repeats.push(...kept.map((f) => repeatOf(line, f, secondsOf, share)));
    if (!isWhole || lines.length === 1)
      fromBeats.push(
        ...beatSequences(
          line,
          score,
          repeats.filter(
            (r) => r.kind === 'sequence' && (r.part === null || (r.part === line.part && r.staff === line.staff)),
          ),
        ),
      );
  }
  progress(1);
  repeats.sort((x, y) => y.saves - x.saves || x.a[0] - y.a[0] || x.b[0] - y.b[0]);
  return { repeats, beatSequences: fromBeats, ostinatos };
}
