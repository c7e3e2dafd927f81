/**
 * What the analysis says of a piece, each answer as a short sum (of the pay-off its shares), so that a later algorithm
 * can be held against it.
 */
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { analysisOf } from '@/core/analysis';
import { readScore } from '@/core/musicxml';
import { soundingScore } from '@/core/players';
import { differencesOf, type Repeat } from '@/core/sameness';
import type { Score } from '@/core/score';
import { openPiece } from '@/core/studio';
import { proposeWay } from '@/core/way';
import { madeMusic } from '../pages/made-music';
import { LONG_PIECES, longPiece, type LongPiece } from './long-piece';

/** Digits that are compared: sums of the same numbers in another order differ in the last ones. */
const DIGITS = 9;

function sumOf(answer: unknown): string {
  const text = JSON.stringify(answer, (_key, value: unknown) =>
    typeof value === 'number' && !Number.isInteger(value) ? Number(value.toPrecision(DIGITS)) : value,
  );
  return createHash('sha256').update(text).digest('hex').slice(0, 16);
}

export type Outputs = Readonly<Record<string, string>>;

/** Repeats as they were told when each still held its differences. */
const toldRepeats = (score: Score, repeats: readonly Repeat[]): readonly object[] =>
  repeats.map(({ kind, part, staff, a, b, semitones, steps, diatonic, times, saves, ...rest }) => ({
    ...{ kind, part, staff, a, b, semitones, steps, diatonic, times, saves },
    differences: kind === 'changed' ? differencesOf(score, { part, staff, a, b, ...rest }) : [],
  }));

/** Each answer by its name. */
export function outputsOf(score: Score): Outputs {
  const a = analysisOf(score);
  const repeats = toldRepeats(soundingScore(score), a.sameness.repeats) as readonly { readonly kind: string }[];
  return {
    exact: sumOf(repeats.filter((r) => r.kind === 'exact')),
    changed: sumOf(repeats.filter((r) => r.kind === 'changed')),
    moved: sumOf(repeats.filter((r) => r.kind === 'moved')),
    sequences: sumOf(repeats.filter((r) => r.kind === 'sequence')),
    rhythm: sumOf(repeats.filter((r) => r.kind === 'rhythm')),
    repeats: sumOf(repeats),
    ostinatos: sumOf(a.sameness.ostinatos),
    beatSequences: sumOf(a.sameness.beatSequences),
    sections: sumOf(a.sections),
    families: sumOf(a.families),
    payOff: a.payOff.map((s) => s.sharePlayed.toFixed(3)).join(' '),
    harmony: sumOf(a.harmony),
    difficulties: sumOf(a.difficulties),
    corners: sumOf(a.corners),
    way: sumOf(proposeWay(a, { level: 'intermediate', school: null })),
  };
}

async function opened(bytes: Uint8Array, name: string): Promise<Score> {
  const piece = await openPiece(bytes, name);
  if (!piece.ok) throw new Error(`${name}: ${piece.issue.message}`);
  return piece.value.read.score;
}

const made = (text: string, name: string): Score => {
  const read = readScore(text, name);
  if (!read.ok) throw new Error(`${name}: ${read.issue.message}`);
  return read.value.score;
};

const FOLDERS = ['tests/pieces', 'tests/pieces/training', 'tests/pieces/held-out'];
const SEEDS = [1, 2, 3, 4, 5, 6];
const KINDS = Object.keys(LONG_PIECES) as readonly LongPiece[];

/** Every piece the outputs are kept of: those of the tests, and some that nobody wrote. Opened when asked for. */
export function comparedPieces(): readonly { readonly name: string; readonly score: () => Promise<Score> }[] {
  const files = FOLDERS.flatMap((folder) =>
    readdirSync(folder)
      .filter((file) => /\.(abc|musicxml)$/.test(file))
      .sort()
      .map((file) => ({
        name: `${folder}/${file}`,
        score: () => opened(readFileSync(join(folder, file)), file),
      })),
  );
  const pages = SEEDS.map((seed) => ({
    name: `made music ${seed}`,
    score: () => Promise.resolve(made(madeMusic(seed), 'made.musicxml')),
  }));
  const long = KINDS.flatMap((kind) =>
    [40, 150].map((bars) => ({
      name: `${kind} ${bars}`,
      score: () => Promise.resolve(made(longPiece(kind, bars, bars), 'long.musicxml')),
    })),
  );
  return [...files, ...pages, ...long];
}
