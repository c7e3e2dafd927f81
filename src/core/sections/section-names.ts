import type { Score } from '../score';
import { letterText, type Lettered } from './form-letters';
import type { Range } from './likeness';

/** What a namer looks at: all sections, and which is to be named. */
interface Named {
  /** Lines of words under each section. */
  readonly sung: readonly number[];
  readonly ranges: readonly Range[];
  readonly letters: readonly Lettered[];
  readonly index: number;
}

type Namer = (at: Named) => string | null;

const lengthOf = ([from, to]: Range): number => to - from + 1;

/** How many lines of words stand under the notes of each range: 0 where none are sung. */
function versesIn(score: Score, ranges: readonly Range[]): readonly number[] {
  const byBar = new Map<number, Set<string>>();
  for (const n of score.notes)
    for (const lyric of n.marks.lyrics) byBar.set(n.bar, (byBar.get(n.bar) ?? new Set<string>()).add(lyric.verse));
  return ranges.map(
    ([from, to]) => new Set([...byBar].flatMap(([bar, verses]) => (bar >= from && bar <= to ? [...verses] : []))).size,
  );
}

/** Words under several lines of words are verses; what is sung to one line between them is the chorus. */
const verseOrChorus: Namer = ({ sung, index }) => {
  const most = Math.max(...sung);
  if (most < 2 || !sung.some((s) => s === 1)) return null;
  const mine = sung[index] ?? 0;
  return mine === 0 ? null : mine === 1 ? 'Chorus' : 'Verse';
};

/** A first section that comes back ornamented, again and again, is a theme. */
const themeOrVariation: Namer = ({ letters, index }) => {
  const varied = letters.filter((l) => l.family === 0 && (l.how?.varied ?? false)).length;
  const all = letters.length;
  if (varied === 0 || letters.some((l) => l.family !== 0) || varied * 2 < all - 1) return null;
  return index === 0 ? 'Theme' : `Variation ${index}`;
};

/** A short beginning before what then comes again. */
const introduction: Namer = ({ ranges, letters, index }) => {
  const [first, second] = ranges;
  if (index !== 0 || !first || !second || ranges.length < 4) return null;
  const comesBack = letters.some((l, i) => i > 1 && l.family === letters[1]?.family);
  const alone = letters.filter((l) => l.family === letters[0]?.family).length === 1;
  return comesBack && alone && lengthOf(first) * 2 <= lengthOf(second) ? 'Introduction' : null;
};

/** A last, short section that is new. */
const coda: Namer = ({ ranges, letters, index }) => {
  const mine = ranges[index];
  if (!mine || index !== ranges.length - 1 || ranges.length < 3) return null;
  const alone = letters.filter((l) => l.family === letters[index]?.family).length === 1;
  const mean = ranges.slice(0, -1).reduce((sum, r) => sum + lengthOf(r), 0) / (ranges.length - 1);
  const afterReturn = letters
    .slice(0, index)
    .some((l, i) => i >= 2 && l.like !== null && l.family !== letters[i - 1]?.family);
  return alone && afterReturn && lengthOf(mine) <= mean ? 'Coda' : null;
};

/** The opening after something else. */
const comesBack: Namer = ({ letters, index }) => {
  const mine = letters[index];
  const before = letters[index - 1];
  if (!mine || !before || mine.family !== 0 || before.family === 0 || mine.how?.moved) return null;
  return mine.exact ? 'Return' : 'Return, changed';
};

const NAMERS: readonly Namer[] = [verseOrChorus, themeOrVariation, introduction, coda, comesBack];

/** What a teacher would call each section: by what it does where that is plain, else its letter. */
export function sectionNames(score: Score, ranges: readonly Range[], letters: readonly Lettered[]): readonly string[] {
  const sung = versesIn(score, ranges);
  return letters.map((lettered, index) => {
    for (const namer of NAMERS) {
      const name = namer({ sung, ranges, letters, index });
      if (name !== null) return name;
    }
    return letterText(lettered);
  });
}
