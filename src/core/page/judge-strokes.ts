import type { Stroke, StrokeSigns } from './bar-line-signs';
import { quantile } from './quantile';

/** What is weighed: the signs of a stroke, and what the other strokes of its system tell of it. */
export interface Weighed extends StrokeSigns {
  /** How much of it is missing between staves where lines of its system go through, 0 to 1. */
  readonly gap: number;
  /** Between how many of its staves lines of its system go through, 0 to 1. */
  readonly joined: number;
  /** 1 where the system is a single staff. */
  readonly solo: number;
}

/**
 * What each sign is worth, in log odds: logistic regression over the strokes of pages that were made with known bars
 * (`scripts/fit-bar-lines.ts`), none of them among those on which it is measured.
 */
const WEIGHTS: Readonly<Record<keyof Weighed, number>> = {
  dark: 5.85,
  palest: -0.63,
  busy: -7.14,
  busiest: 0.81,
  winding: -107.22,
  head: -5.82,
  headed: -0.8,
  goesOn: -3.33,
  inkBeyond: -9.16,
  gap: -7.9,
  joined: 2.84,
  solo: -2.36,
};
const BIAS = 2.96;

/** What weighs, by name. */
export const SIGNS = Object.keys(WEIGHTS) as (keyof Weighed)[];

/** A stroke with what is thought of it: over 0 it is rather a bar line. */
export interface Judged extends Stroke {
  /** Log odds. */
  readonly score: number;
  /** From 0, which is even, to 1. */
  readonly certainty: number;
}

const scoreOf = (signs: Weighed): number => SIGNS.reduce((sum, sign) => sum + WEIGHTS[sign] * signs[sign], BIAS);

/** Of a line that goes through so much is there between two staves. */
const GOES_THROUGH = 0.4;

/** Of the strokes of a page this one, from the straightest, wanders as a straight one does. */
const STRAIGHT = 0.2;

/** How far a straight stroke wanders on a page, in spaces: more where it is blurred. */
export const steadyOf = (strokes: readonly Stroke[]): number =>
  quantile(
    strokes.map((s) => s.signs.winding),
    STRAIGHT,
  );

/**
 * What is weighed of each stroke of a system. Where those that look like bar lines go through from one staff to the
 * next, each must. `steady` is how far a straight stroke wanders on this page; `score` is over 0 for a likely bar line.
 */
export function weighed(
  strokes: readonly Stroke[],
  steady: number,
  score: (signs: Weighed) => number,
): readonly Weighed[] {
  const gaps = strokes[0]?.through.length ?? 0;
  const alone = ({ signs }: Stroke): Weighed => ({
    ...signs,
    winding: signs.winding - steady,
    gap: 0,
    joined: 0,
    solo: gaps === 0 ? 1 : 0,
  });
  const clear = strokes.filter((s) => score(alone(s)) > 0);
  const usual = Array.from({ length: gaps }, (_, g) =>
    quantile(
      clear.map((s) => s.through[g] ?? 0),
      0.5,
    ),
  );
  const joined = usual.filter((u) => u > GOES_THROUGH).length;
  return strokes.map((stroke) => {
    const missing = usual.reduce(
      (sum, u, g) => (u > GOES_THROUGH ? sum + Math.max(0, 1 - (stroke.through[g] ?? 0) / u) : sum),
      0,
    );
    return {
      ...alone(stroke),
      gap: joined === 0 ? 0 : missing / joined,
      joined: gaps === 0 ? 0 : joined / gaps,
    };
  });
}

/** The strokes of a system with what is thought of them; `steady` is how far a straight one wanders on this page. */
export function judged(strokes: readonly Stroke[], steady: number): readonly Judged[] {
  const signs = weighed(strokes, steady, scoreOf);
  return strokes.map((stroke, i) => {
    const own = signs[i];
    const score = own ? scoreOf(own) : -Infinity;
    return { ...stroke, score, certainty: Math.max(0, 2 / (1 + Math.exp(-score)) - 1) };
  });
}
