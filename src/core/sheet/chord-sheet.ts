import type { ChordSymbol, Lyric, Note, Score } from '../score';

/** A chord, where one begins, and what is sung from it on. */
export interface ChordSegment {
  readonly chord: string;
  readonly text: string;
}

/** A line of a song: its bars, and one row of segments for each verse. */
export interface ChordLine {
  /** Bars, both included. */
  readonly from: number;
  readonly to: number;
  readonly verses: readonly { readonly verse: string; readonly segments: readonly ChordSegment[] }[];
}

/** A syllable as it stands in running text: what goes on is not cut. */
const asText = ({ text, syllabic }: Lyric): string => (syllabic === 'single' || syllabic === 'end' ? `${text} ` : text);

/** Verses by their numbers; those without one first. */
const verseOrder = (a: string, b: string): number => a.localeCompare(b, 'en', { numeric: true });

/** What sounds of a verse between two onsets. */
function sung(notes: readonly Note[], verse: string, from: number, to: number): string {
  return notes
    .filter((n) => n.onset >= from && n.onset < to && n.grace === null)
    .flatMap((n) => n.marks.lyrics.filter((l) => l.verse === verse).slice(0, 1))
    .map(asText)
    .join('');
}

/** The chords of some bars, the one that goes on from before them first. */
function chordsIn(chords: readonly ChordSymbol[], begins: number, ends: number): readonly ChordSymbol[] {
  const here = chords.filter((c) => c.onset >= begins && c.onset < ends);
  const before = chords.filter((c) => c.onset < begins);
  const goesOn = before[before.length - 1];
  return goesOn && (here[0]?.onset ?? ends) > begins
    ? [{ ...goesOn, onset: begins as ChordSymbol['onset'] }, ...here]
    : here;
}

/**
 * A song as words with chords above them, line by line; each chord stands over the syllable that is sung with it. One
 * line a span of bars; none where no chords are printed.
 *
 * @example chordSheet(score, [[0, 3]]) // → []
 */
export function chordSheet(score: Score, spans: readonly (readonly [number, number])[]): readonly ChordLine[] {
  if (score.chords.length === 0) return [];
  const part = score.parts.find((p) => score.notes.some((n) => n.part === p.id && n.marks.lyrics.length > 0));
  const notes = score.notes.filter((n) => n.part === part?.id);
  const verses = [...new Set(notes.flatMap((n) => n.marks.lyrics.map((l) => l.verse)))].sort(verseOrder);
  return spans.flatMap(([from, to]): ChordLine[] => {
    const first = score.bars[from];
    const last = score.bars[to];
    if (!first || !last) return [];
    const ends = last.onset + last.length;
    const chords = chordsIn(score.chords, first.onset, ends);
    const beginnings = chords.map((c) => c.onset);
    const rows = (verses.length > 0 ? verses : ['']).map((verse) => {
      const pickUp = sung(notes, verse, first.onset, beginnings[0] ?? ends);
      return {
        verse,
        segments: [
          ...(pickUp === '' ? [] : [{ chord: '', text: pickUp }]),
          ...chords.map((c, i) => ({ chord: c.text, text: sung(notes, verse, c.onset, beginnings[i + 1] ?? ends) })),
        ],
      };
    });
    const isSung = (row: (typeof rows)[number]): boolean => row.segments.some((s) => s.text !== '');
    const told = rows.filter(isSung);
    return [{ from, to, verses: told.length > 0 ? told : rows.slice(0, 1) }];
  });
}
