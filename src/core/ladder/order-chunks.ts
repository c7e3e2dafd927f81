import { barDifficulties, cornersOf, type BarDifficulty } from '../difficulty';
import { barLines, payOff } from '../sameness';
import { barsText, type SectionShape } from '../sections';
import type { Score } from '../score';
import type { StudentLevel } from './rung-facts';

export type OrderSchool = 'start' | 'end' | 'ends' | 'corners' | 'sameness';
export const ORDER_SCHOOLS: readonly OrderSchool[] = ['start', 'end', 'ends', 'corners', 'sameness'];

export interface LadderChunk {
  readonly name: string;
  readonly kind: 'unit' | 'join' | 'phrase' | 'section' | 'piece';
  readonly from: number;
  readonly to: number;
  readonly why: string;
  /** Name of an earlier chunk that it is an exact copy of. */
  readonly copyOf: string | null;
}

export interface OrderRequest {
  readonly level: StudentLevel;
  readonly school: OrderSchool;
}

/** Bars of a first chunk by level: one with the first note of the next, two, four **[common practice]**. */
const UNIT: Readonly<Record<StudentLevel, number>> = { beginner: 1, intermediate: 2, advanced: 4 };

interface Range {
  readonly from: number;
  readonly to: number;
}

/** Short pieces of a phrase; a rest of one bar joins the one before it. */
function unitsOf(phrase: Range, size: number): Range[] {
  const out: Range[] = [];
  for (let b = phrase.from; b <= phrase.to; b += size) out.push({ from: b, to: Math.min(phrase.to, b + size - 1) });
  const last = out[out.length - 1];
  const before = out[out.length - 2];
  if (last && before && size > 1 && last.to - last.from + 1 < size / 2)
    out.splice(-2, 2, { from: before.from, to: last.to });
  return out;
}

/** The order in which the units are learned, by school, with why each comes where it does; `hard` is the player's. */
export function orderUnits(
  units: readonly Range[],
  school: OrderSchool,
  score: Score,
  hard: readonly BarDifficulty[] = barDifficulties(score),
): { readonly index: number; readonly why: string }[] {
  const n = units.length;
  const all = units.map((_, i) => i);
  switch (school) {
    case 'start':
      return all.map((index) => ({ index, why: index === 0 ? 'where the piece begins' : 'next in the piece' }));
    case 'end':
      return all.reverse().map((index) => ({
        index,
        why: index === n - 1 ? 'the end first: every run then leads to what is known' : 'leads into what is known',
      }));
    case 'ends': {
      const out: { index: number; why: string }[] = [];
      for (let a = 0, z = n - 1; a <= z; a += 1, z -= 1) {
        out.push({ index: a, why: 'from the beginning inwards' });
        if (a !== z) out.push({ index: z, why: 'from the end inwards' });
      }
      return out;
    }
    case 'corners': {
      const corners = new Set(cornersOf(hard).map((c) => c.bar));
      const worst = (u: Range): number => Math.max(...hard.slice(u.from, u.to + 1).map((d) => d.score), 0);
      const reason = (u: Range): string => {
        const top = hard
          .slice(u.from, u.to + 1)
          .reduce<(typeof hard)[number] | null>((m, d) => (m === null || d.score > m.score ? d : m), null);
        const isCorner = Array.from({ length: u.to - u.from + 1 }, (_, i) => u.from + i).some((b) => corners.has(b));
        return `${isCorner ? 'a corner: ' : ''}${top?.reasons[0]?.text ?? 'few notes'}`;
      };
      return all
        .sort((a, b) => worst(units[b] ?? { from: 0, to: 0 }) - worst(units[a] ?? { from: 0, to: 0 }) || a - b)
        .map((index) => ({ index, why: reason(units[index] ?? { from: 0, to: 0 }) }));
    }
    case 'sameness': {
      const steps = payOff(score);
      const order = steps[steps.length - 1]?.bars ?? [];
      const shareAt = new Map(steps.map((s) => [s.bars[s.bars.length - 1] ?? 0, s.sharePlayed]));
      const rank = (u: Range): number =>
        Math.min(
          ...Array.from({ length: u.to - u.from + 1 }, (_, i) => order.indexOf(u.from + i)).map((r) =>
            r < 0 ? order.length + u.from : r,
          ),
        );
      return all
        .sort((a, b) => rank(units[a] ?? { from: 0, to: 0 }) - rank(units[b] ?? { from: 0, to: 0 }) || a - b)
        .map((index) => {
          const u = units[index] ?? { from: 0, to: 0 };
          const bar = order[rank(u)];
          const share = bar === undefined ? undefined : shareAt.get(bar);
          return {
            index,
            why:
              share === undefined
                ? 'like what is already learned'
                : `with this ${Math.round(share * 100)} % of the playing time is paid for`,
          };
        });
    }
  }
}

/**
 * Chunks in learning order: units by school, each join as soon as both its sides are there, then phrases, sections, the
 * piece.
 *
 * @example
 * orderChunks(score, proposeSections(score), { level: 'advanced', school: 'start' }).map((c) => c.kind)
 * // → ['unit', 'unit', 'section']
 */
export function orderChunks(
  score: Score,
  sections: readonly SectionShape[],
  request: OrderRequest,
  hard?: readonly BarDifficulty[],
): LadderChunk[] {
  const { all } = barLines(score);
  const sounds = all.bars.some((b) => b.exact >= 0);
  // Bars of rest are counted, not learned.
  const isPlayed = (r: Range): boolean => !sounds || all.bars.slice(r.from, r.to + 1).some((b) => b.exact >= 0);
  const phrases = sections.flatMap((s) => s.phrases).filter(isPlayed);
  const units = phrases.flatMap((p) => unitsOf(p, UNIT[request.level])).filter(isPlayed);
  const face = (r: Range): string =>
    all.bars
      .slice(r.from, r.to + 1)
      .map((b) => b.exact)
      .join(' ');
  const name = (r: Range): string =>
    r.from === r.to ? `bar ${score.bars[r.from]?.name ?? ''}` : `bars ${barsText(score, r.from, r.to)}`;
  const out: LadderChunk[] = [];
  const learned = new Set<number>();
  const done = new Set<string>();
  const firstOf = new Map<string, string>();
  const add = (kind: LadderChunk['kind'], r: Range, why: string): void => {
    const key = `${r.from} ${r.to}`;
    if (done.has(key)) return;
    done.add(key);
    const copyOf = kind === 'unit' && !/^(-1 ?)+$/.test(face(r)) ? (firstOf.get(face(r)) ?? null) : null;
    if (kind === 'unit' && copyOf === null) firstOf.set(face(r), name(r));
    out.push({
      name: kind === 'piece' ? 'the piece' : name(r),
      kind,
      from: r.from,
      to: r.to,
      why: copyOf ? `the same as ${copyOf}` : why,
      copyOf,
    });
  };
  // A section of rests comes when what is before it is there.
  const isReached = (r: Range): boolean => isPlayed(r) || units.every((u, i) => u.from >= r.from || learned.has(i));
  const whole = (r: Range): boolean => units.every((u, i) => u.to < r.from || u.from > r.to || learned.has(i));
  for (const { index, why } of orderUnits(units, request.school, score, hard)) {
    const unit = units[index];
    if (!unit) continue;
    add('unit', unit, why);
    learned.add(index);
    for (const [a, b] of [
      [index - 1, index],
      [index, index + 1],
    ] as const) {
      const left = units[a];
      const right = units[b];
      // Joins inside a phrase; across phrases the section does it.
      if (
        left &&
        right &&
        right.from === left.to + 1 &&
        learned.has(a) &&
        learned.has(b) &&
        phrases.some((p) => p.from <= left.from && p.to >= right.to)
      )
        add('join', { from: left.from, to: right.to }, 'the join is learned with its neighbours');
    }
    for (const p of phrases) if (whole(p)) add('phrase', p, 'all of its chunks are there');
    for (const s of sections)
      if (isReached(s) && whole(s)) add('section', { from: s.from, to: s.to }, `section ${s.letter} is whole`);
  }
  add('piece', { from: 0, to: score.bars.length - 1 }, 'everything is there');
  return out;
}
