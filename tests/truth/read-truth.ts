/**
 * What is known of a piece: written in the comment lines of its ABC file that begin with `%: `, so that the notes and
 * the truth stand together. Bars count from 0 in the order written, a pick-up is bar 0.
 *
 * - `chords`: bars between `|`; one word for the whole bar, or as many as share it evenly; `=` joins readings that are
 *   equally good, `x` is not judged.
 * - `keys`, `sections`, `phrases`: readings that are equally good between ` / `.
 * - `cadences`, `pedals`: lists; a cadence at bar and beat.
 * - `corners`: the places that a teacher would name, each one word: its bars, any of them as good, joined with `=`;
 *   `none` where nothing stands out.
 */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import type { Score } from '@/core/score';
import { openPiece } from '@/core/studio';

export interface KnownKey {
  readonly tonic: string;
  readonly mode: string;
  readonly from: number;
  readonly to: number;
}
export interface KnownSection {
  readonly letter: string;
  readonly from: number;
  readonly to: number;
}
export interface KnownCadence {
  readonly bar: number;
  readonly beat: number;
  /** The kinds that are equally good. */
  readonly kinds: readonly ('authentic' | 'half' | 'plagal' | 'deceptive')[];
}
export interface Truth {
  readonly name: string;
  readonly score: Score;
  /** By bar, each a list of words, each word a list of readings. */
  readonly chords: readonly (readonly (readonly string[])[])[];
  readonly keys: readonly (readonly KnownKey[])[];
  readonly cadences: readonly KnownCadence[] | null;
  readonly sections: readonly (readonly KnownSection[])[];
  readonly phrases: readonly (readonly number[])[];
  readonly pedals: readonly { readonly from: number; readonly to: number; readonly tone: string }[] | null;
  /** By place, the bars that would name it; empty where nothing stands out. */
  readonly corners: readonly (readonly number[])[] | null;
}

const CADENCE = z.enum(['authentic', 'half', 'plagal', 'deceptive']);
const items = (text: string, separator: string): string[] =>
  text
    .split(separator)
    .map((t) => t.trim())
    .filter((t) => t !== '');

function spanOf(text: string): { from: number; to: number } {
  const [from = NaN, to = from] = text.split('-').map(Number);
  if (!Number.isInteger(from) || !Number.isInteger(to)) throw new Error(`no bars: ${text}`);
  return { from, to };
}

function barsOf(place: string): readonly number[] {
  const bars = place.split('=').map(Number);
  if (!bars.every(Number.isInteger)) throw new Error(`no bars: ${place}`);
  return bars;
}

function known(lines: ReadonlyMap<string, string>, key: string): string[] {
  return items(lines.get(key) ?? '', ' / ');
}

function truthOf(name: string, source: string, score: Score): Truth {
  const lines = new Map(
    [...source.matchAll(/^%: (\w+) (.+)$/gm)].map(([, key = '', value = '']) => [key, value] as const),
  );
  return {
    name,
    score,
    chords: (lines.get('chords') ?? '')
      .split('|')
      .filter((bar) => bar !== '')
      .map((bar) => items(bar, ' ').map((word) => word.split('='))),
    keys: known(lines, 'keys').map((reading) =>
      items(reading, ',').map((text) => {
        const [tonic = '', mode = '', bars = ''] = text.split(' ');
        return { tonic, mode, ...spanOf(bars) };
      }),
    ),
    cadences: lines.has('cadences')
      ? items(lines.get('cadences') ?? '', ',').map((text) => {
          const [place = '', kind = ''] = text.split(' ');
          const [bar = NaN, beat = NaN] = place.split('.').map(Number);
          return { bar, beat, kinds: kind.split('=').map((k) => CADENCE.parse(k)) };
        })
      : null,
    sections: known(lines, 'sections').map((reading) =>
      items(reading, ',').map((text) => {
        const [letter = '', bars = ''] = text.split(' ');
        return { letter, ...spanOf(bars) };
      }),
    ),
    phrases: known(lines, 'phrases').map((reading) => items(reading, ' ').map(Number)),
    pedals: lines.has('pedals')
      ? items(lines.get('pedals') ?? '', ',').map((text) => {
          const [bars = '', tone = ''] = text.split(' ');
          return { ...spanOf(bars), tone };
        })
      : null,
    corners: lines.has('corners')
      ? items(lines.get('corners') ?? '', ' ').flatMap((place) => (place === 'none' ? [] : [barsOf(place)]))
      : null,
  };
}

const FOLDERS = { training: ['tests/pieces', 'tests/pieces/training'], 'held-out': ['tests/pieces/held-out'] } as const;

export type PieceSet = keyof typeof FOLDERS;

/** The pieces of a set of which something is known. Weights are set on `training` alone. */
export async function readTruths(set: PieceSet): Promise<Truth[]> {
  const truths: Truth[] = [];
  for (const folder of FOLDERS[set])
    for (const file of readdirSync(folder).filter((name) => name.endsWith('.abc'))) {
      const bytes = readFileSync(join(folder, file));
      const source = bytes.toString('utf8');
      if (!/^%: /m.test(source)) continue;
      const opened = await openPiece(new Uint8Array(bytes), file);
      if (!opened.ok) throw new Error(opened.issue.message);
      truths.push(truthOf(file.replace('.abc', ''), source, opened.value.read.score));
    }
  return truths;
}
