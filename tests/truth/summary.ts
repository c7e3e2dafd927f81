/** What is found of what is known of a set of pieces, summed. */
import { analysisOf } from '@/core/analysis';
import { cornersFound, type CornersFound } from './measure-corners';
import { f1, formFound, type Boundaries, type FormFound } from './measure-form';
import { cadencesFound, chordShare, keyShare, type Found, type Share } from './measure-harmony';
import { readTruths, type PieceSet, type Truth } from './read-truth';

export interface Measured {
  readonly truth: Truth;
  readonly chords: Share;
  readonly keys: Share;
  readonly cadences: Found | null;
  readonly form: FormFound;
  readonly corners: CornersFound | null;
}

export const measured = async (set: PieceSet): Promise<readonly Measured[]> =>
  (await readTruths(set)).map((truth) => {
    const { harmony, sections, corners } = analysisOf(truth.score);
    return {
      truth,
      chords: chordShare(truth, harmony),
      keys: keyShare(truth, harmony),
      cadences: cadencesFound(truth, harmony),
      form: formFound(truth, sections),
      corners: cornersFound(truth, corners),
    };
  });

const percent = (right: number, all: number): string => (all === 0 ? '-' : `${((100 * right) / all).toFixed(1)} %`);
const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);
const shareText = (shares: readonly Share[]): string =>
  `${percent(sum(shares.map((s) => s.right)), sum(shares.map((s) => s.all)))} of ${sum(shares.map((s) => s.all))}`;
const f1Of = (list: readonly (Boundaries | null)[]): string => {
  const known = list.flatMap((b) => (b === null ? [] : [b]));
  return f1({
    hits: sum(known.map((b) => b.hits)),
    known: sum(known.map((b) => b.known)),
    proposed: sum(known.map((b) => b.proposed)),
  }).toFixed(3);
};

/** One line for a set. */
export function summaryOf(list: readonly Measured[]): string {
  const cadences = list.flatMap((m) => (m.cadences === null ? [] : [m.cadences]));
  const forms = list.flatMap((m) => (m.form.letters === null ? [] : [m.form.letters]));
  const corners = list.flatMap((m) => (m.corners === null ? [] : [m.corners]));
  return [
    `${list.length} pieces`,
    `chords ${shareText(list.map((m) => m.chords))} beats`,
    `keys ${shareText(list.map((m) => m.keys))} bars`,
    `cadences ${sum(cadences.map((c) => c.hits))} of ${sum(cadences.map((c) => c.known))}, ${sum(cadences.map((c) => c.wrong))} wrong`,
    `sections F1 ${f1Of(list.map((m) => m.form.sections))}`,
    `phrases F1 ${f1Of(list.map((m) => m.form.phrases))}`,
    `forms ${forms.filter((right) => right).length} of ${forms.length}`,
    `corners ${sum(corners.map((c) => c.hits))} of ${sum(corners.map((c) => c.known))}, ${sum(corners.map((c) => c.extra))} more in ${sum(corners.map((c) => c.bars))} bars`,
  ].join('; ');
}
