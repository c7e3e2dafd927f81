/**
 * What each sign of a bar line is worth, for `core/page/judge-strokes`: logistic regression over the strokes of pages
 * whose bars are known: made-up music and the pieces of `tests/pieces` but `held-out`, so that no page on which the
 * finding of bars is measured has a part in it.
 *
 * `npx tsx scripts/fit-bar-lines.ts` prints the weights; about a quarter of an hour on one core.
 */
import { readdirSync } from 'node:fs';
import type { Stroke } from '../src/core/page/bar-line-signs';
import { strokesOf } from '../src/core/page/find-bar-lines';
import { findStaves } from '../src/core/page/find-page';
import { SIGNS, steadyOf, weighed, type Weighed } from '../src/core/page/judge-strokes';
import type { Frame } from '../src/core/page/resample';
import { middleOf } from '../src/core/page/system-lines';
import { engraveMusic, engravePage, MUSIC_FONTS, type TruePage } from '../tests/pages/engrave-page';
import { madeMusic } from '../tests/pages/made-music';
import { PAGE_KINDS, spoilPage } from '../tests/pages/spoil-page';

const SEEDS = 64;
const PIECES = ['tests/pieces', 'tests/pieces/training'] as const;
const ROUNDS = 3;
const NEWTON = 30;
/** Keeps weights small where signs tell the same. */
const RIDGE = 1e-4;
/** In spaces: a stroke so near to a bar line is one; what is nearer than `unclear` to it is left out. */
const NEAR = { same: 0.4, unclear: 2 } as const;
/** Before a repeat sign at the beginning of a line stand clef, key and meter, and no bar: it is left out. */
const PREFIX = 14;

interface Known {
  readonly stroke: Stroke;
  readonly isBarLine: boolean;
  readonly system: readonly Stroke[];
  readonly steady: number;
}

const look = (i: number) => ({
  font: MUSIC_FONTS[i % MUSIC_FONTS.length] ?? 'Bravura',
  dpi: 150,
  staff: 5.3 + ((i * 37) % 27) / 10,
});

/** A place of the picture as it came on the straightened page. */
function onStraight({ x0, y0, xx, xy, yx, yy }: Frame, [x, y]: readonly [number, number]): readonly [number, number] {
  const area = xx * yy - xy * yx;
  const [dx, dy] = [x - x0, y - y0];
  return [(yy * dx - yx * dy) / area, (xx * dy - xy * dx) / area];
}

/** The strokes of a page of which it is known whether they are bar lines. */
function knownOn(page: TruePage): readonly Known[] {
  const found = findStaves(page.picture, {});
  if (!found) return [];
  const { space, frame } = found.straight;
  const truth = page.systems.map((bars) =>
    bars.map((bar) => {
      const [a, b, c, d] = bar.map((corner) => onStraight(frame, corner));
      const mean = (p: number, q: number): number => (p + q) / 2;
      return a && b && c && d
        ? { from: mean(a[0], d[0]), to: mean(b[0], c[0]), row: mean(mean(a[1], b[1]), mean(c[1], d[1])) }
        : { from: 0, to: 0, row: 0 };
    }),
  );
  const systems = found.systems.map((system) => ({ system, strokes: strokesOf(system, found.headInk).strokes }));
  const steady = steadyOf(systems.flatMap((s) => s.strokes));
  return systems.flatMap(({ system, strokes }) => {
    const left = Math.min(...system.staves.map((s) => s.left));
    const right = Math.max(...system.staves.map((s) => s.right));
    const x = (left + right) / 2;
    const bars = truth.find((t) => {
      const nearest = [...t].sort((p, q) => Math.abs(p.from + p.to - 2 * x) - Math.abs(q.from + q.to - 2 * x))[0];
      return nearest !== undefined && Math.abs(nearest.row - middleOf(system, x)) < 1.5 * space;
    });
    if (!bars) return [];
    const lines = bars.flatMap((b) => [b.from, b.to]);
    return strokes.flatMap((stroke): Known[] => {
      const off = Math.min(...lines.map((l) => Math.abs(l - stroke.x))) / space;
      const { palest, headed, goesOn } = stroke.signs;
      const maySign = stroke.x - left < PREFIX * space && palest > 0.9 && headed < 0.3 && goesOn < 0.3;
      if (off > NEAR.same && (off < NEAR.unclear || maySign)) return [];
      return [{ stroke, isBarLine: off <= NEAR.same, system: strokes, steady }];
    });
  });
}

/** All that is known of the pages to learn from, system by system. */
async function everyPage(): Promise<readonly (readonly Known[])[]> {
  const music = [
    ...Array.from({ length: SEEDS }, (_, i) => () => engraveMusic(madeMusic(i), look(i))),
    ...PIECES.flatMap((folder) => readdirSync(folder).map((file) => `${folder}/${file}`))
      .filter((file) => /\.(abc|musicxml)$/.test(file))
      .map((file, i) => () => engravePage(file, look(i))),
  ];
  const known: (readonly Known[])[] = [];
  for (const [i, engrave] of music.entries()) {
    const page = await engrave();
    if (!page) continue;
    for (const [k, kind] of PAGE_KINDS.entries()) known.push(knownOn(spoilPage(page, kind, 1 + i * 13 + k * 1000)));
    process.stderr.write(`${i + 1} of ${music.length}\n`);
  }
  return known;
}

interface Fit {
  readonly weights: readonly number[];
  readonly bias: number;
}

/** Solves a x = b by elimination with the largest pivot; both are changed. */
function solved(a: number[][], b: number[]): readonly number[] {
  const n = b.length;
  for (let i = 0; i < n; i += 1) {
    let pivot = i;
    for (let r = i + 1; r < n; r += 1) if (Math.abs(a[r]?.[i] ?? 0) > Math.abs(a[pivot]?.[i] ?? 0)) pivot = r;
    [a[i], a[pivot]] = [a[pivot] ?? [], a[i] ?? []];
    [b[i], b[pivot]] = [b[pivot] ?? 0, b[i] ?? 0];
    for (let r = 0; r < n; r += 1) {
      const row = a[r];
      if (r === i || !row) continue;
      const factor = (row[i] ?? 0) / (a[i]?.[i] ?? 1);
      for (let c = i; c < n; c += 1) row[c] = (row[c] ?? 0) - factor * (a[i]?.[c] ?? 0);
      b[r] = (b[r] ?? 0) - factor * (b[i] ?? 0);
    }
  }
  return b.map((v, i) => v / (a[i]?.[i] ?? 1));
}

/** Logistic regression with a small ridge, by Newton's method. */
function fitted(rows: readonly (readonly number[])[], truth: readonly boolean[]): Fit {
  const n = SIGNS.length;
  const means = SIGNS.map((_, i) => rows.reduce((sum, r) => sum + (r[i] ?? 0), 0) / rows.length);
  const spread = SIGNS.map(
    (_, i) => Math.sqrt(rows.reduce((sum, r) => sum + ((r[i] ?? 0) - (means[i] ?? 0)) ** 2, 0) / rows.length) || 1,
  );
  const scaled = rows.map((r) => [...r.map((v, i) => (v - (means[i] ?? 0)) / (spread[i] ?? 1)), 1]);
  const ridge = RIDGE * rows.length;
  let w = Array.from({ length: n + 1 }, () => 0);
  for (let round = 0; round < NEWTON; round += 1) {
    const slope = w.map((v) => -ridge * v);
    const curve = w.map((_, i) => w.map((__, j) => (i === j ? ridge : 0)));
    scaled.forEach((x, k) => {
      const p = 1 / (1 + Math.exp(-x.reduce((sum, v, i) => sum + v * (w[i] ?? 0), 0)));
      const q = Math.max(1e-6, p * (1 - p));
      x.forEach((v, i) => {
        slope[i] = (slope[i] ?? 0) + (Number(truth[k]) - p) * v;
        const row = curve[i];
        if (row) x.forEach((u, j) => (row[j] = (row[j] ?? 0) + q * v * u));
      });
    });
    const step = solved(curve, slope);
    w = w.map((v, i) => v + Math.max(-2, Math.min(2, step[i] ?? 0)));
  }
  const weights = SIGNS.map((_, i) => (w[i] ?? 0) / (spread[i] ?? 1));
  return { weights, bias: (w[n] ?? 0) - weights.reduce((sum, v, i) => sum + v * (means[i] ?? 0), 0) };
}

const say = (line: string): boolean => process.stdout.write(`${line}\n`);
const known = (await everyPage()).flat();
const scoreBy =
  ({ weights, bias }: Fit) =>
  (signs: Weighed): number =>
    SIGNS.reduce((sum, sign, i) => sum + (weights[i] ?? 0) * signs[sign], bias);
// What looks like a bar line, for the first round: dark in each staff, and nothing hangs on it.
let score = (s: Weighed): number => s.palest - s.head - s.busy - 0.3;
for (let round = 0; round < ROUNDS; round += 1) {
  const signsOf = new Map(known.map((k) => [k.system, weighed(k.system, k.steady, score)]));
  const rows = known.map((k) => {
    const signs = signsOf.get(k.system)?.[k.system.indexOf(k.stroke)];
    return SIGNS.map((sign) => signs?.[sign] ?? 0);
  });
  const fit = fitted(
    rows,
    known.map((k) => k.isBarLine),
  );
  score = scoreBy(fit);
  const wrong = rows.filter((r, i) => {
    const value = r.reduce((sum, v, j) => sum + v * (fit.weights[j] ?? 0), fit.bias);
    return value > 0 !== (known[i]?.isBarLine ?? false);
  });
  say(`round ${round + 1}: ${wrong.length} of ${rows.length} strokes are taken for what they are not`);
  if (round === ROUNDS - 1)
    say(
      [...SIGNS.map((sign, i) => `${sign}: ${fit.weights[i]?.toFixed(2) ?? ''}`), `bias: ${fit.bias.toFixed(2)}`].join(
        '\n',
      ),
    );
}
