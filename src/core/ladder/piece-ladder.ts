import { barDifficulties, cornersOf } from '../difficulty';
import { barLines, payOff } from '../sameness';
import { barsText, proposeSections, type ProposedSection } from '../sections';
import { playedSeconds, tempoAt, type Score } from '../score';
import type { RungKind } from '../studio';
import { quarterBpm, ticks } from '../units';
import { startTempo } from './default-ladder';
import { tempoSteps } from './tempo-steps';

export type OrderSchool = 'start' | 'end' | 'ends' | 'corners' | 'sameness';
export const ORDER_SCHOOLS: readonly OrderSchool[] = ['start', 'end', 'ends', 'corners', 'sameness'];
export type StudentLevel = 'beginner' | 'intermediate' | 'advanced';
export const STUDENT_LEVELS: readonly StudentLevel[] = ['beginner', 'intermediate', 'advanced'];

export interface LadderChunk {
  readonly name: string;
  readonly kind: 'unit' | 'join' | 'phrase' | 'section' | 'piece';
  readonly from: number;
  readonly to: number;
  readonly why: string;
  /** Name of an earlier chunk that it is an exact copy of. */
  readonly copyOf: string | null;
}

export interface PieceRung {
  readonly chunk: string;
  readonly kind: RungKind;
  readonly what: string;
  readonly hands: 'right' | 'left' | 'both' | 'all';
  readonly bars: readonly [number, number];
  readonly tempo: number;
  readonly times: number;
  readonly done: string;
  readonly why: string;
}

export interface PieceLadder {
  readonly chunks: readonly LadderChunk[];
  readonly rungs: readonly PieceRung[];
  /** Estimated practice, passes times their length and as much again for stopping and thinking. */
  readonly minutes: number;
}

export interface PieceLadderRequest {
  readonly level: StudentLevel;
  readonly school: OrderSchool;
  /** Target in quarters a minute; the tempo of the piece when left out. */
  readonly tempo?: number;
}

/** Bars of a first chunk by level: one with the first note of the next, two, four **[common practice]**. */
const UNIT: Readonly<Record<StudentLevel, number>> = { beginner: 1, intermediate: 2, advanced: 4 };
const TIMES: Readonly<Record<StudentLevel, number>> = { beginner: 4, intermediate: 3, advanced: 2 };
/** Stopping, thinking and turning back take as long again as the playing; until a student's own logs say better. */
const OVERHEAD = 2;
const STEP_BPM = 8;

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
  if (last && before && size > 1 && last.to - last.from + 1 < size / 2) out.splice(-2, 2, { from: before.from, to: last.to });
  return out;
}

/** The order in which the units are learned, by school, with why each comes where it does. */
export function orderUnits(units: readonly Range[], school: OrderSchool, score: Score): { readonly index: number; readonly why: string }[] {
  const n = units.length;
  const all = units.map((_, i) => i);
  switch (school) {
    case 'start':
      return all.map((index) => ({ index, why: index === 0 ? 'where the piece begins' : 'next in the piece' }));
    case 'end':
      return all
        .reverse()
        .map((index) => ({ index, why: index === n - 1 ? 'the end first: every run then leads to what is known' : 'leads into what is known' }));
    case 'ends': {
      const out: { index: number; why: string }[] = [];
      for (let a = 0, z = n - 1; a <= z; a += 1, z -= 1) {
        out.push({ index: a, why: 'from the beginning inwards' });
        if (a !== z) out.push({ index: z, why: 'from the end inwards' });
      }
      return out;
    }
    case 'corners': {
      const hard = barDifficulties(score);
      const corners = new Set(cornersOf(hard).map((c) => c.bar));
      const worst = (u: Range): number => Math.max(...hard.slice(u.from, u.to + 1).map((d) => d.score), 0);
      const reason = (u: Range): string => {
        const top = hard.slice(u.from, u.to + 1).reduce<(typeof hard)[number] | null>((m, d) => (m === null || d.score > m.score ? d : m), null);
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
        Math.min(...Array.from({ length: u.to - u.from + 1 }, (_, i) => order.indexOf(u.from + i)).map((r) => (r < 0 ? order.length + u.from : r)));
      return all
        .sort((a, b) => rank(units[a] ?? { from: 0, to: 0 }) - rank(units[b] ?? { from: 0, to: 0 }) || a - b)
        .map((index) => {
          const u = units[index] ?? { from: 0, to: 0 };
          const bar = order[rank(u)];
          const share = bar === undefined ? undefined : shareAt.get(bar);
          return {
            index,
            why: share === undefined ? 'like what is already learned' : `with this ${Math.round(share * 100)} % of the playing time is paid for`,
          };
        });
    }
  }
}

/** Chunks in learning order: units by school, each join as soon as both its sides are there, then phrases, sections, the piece. */
export function orderChunks(score: Score, sections: readonly ProposedSection[], request: PieceLadderRequest): LadderChunk[] {
  const phrases = sections.flatMap((s) => s.phrases);
  const units = phrases.flatMap((p) => unitsOf(p, UNIT[request.level]));
  const { all } = barLines(score);
  const face = (r: Range): string =>
    all.bars
      .slice(r.from, r.to + 1)
      .map((b) => b.exact)
      .join(' ');
  const name = (r: Range): string => (r.from === r.to ? `bar ${score.bars[r.from]?.number ?? ''}` : `bars ${barsText(score, r.from, r.to)}`);
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
    out.push({ name: kind === 'piece' ? 'the piece' : name(r), kind, from: r.from, to: r.to, why: copyOf ? `the same as ${copyOf}` : why, copyOf });
  };
  const whole = (r: Range): boolean => units.every((u, i) => u.to < r.from || u.from > r.to || learned.has(i));
  for (const { index, why } of orderUnits(units, request.school, score)) {
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
      if (left && right && learned.has(a) && learned.has(b) && phrases.some((p) => p.from <= left.from && p.to >= right.to))
        add('join', { from: left.from, to: right.to }, 'the join is learned with its neighbours');
    }
    for (const p of phrases) if (whole(p)) add('phrase', p, 'all of its chunks are there');
    for (const s of sections) if (whole(s)) add('section', { from: s.from, to: s.to }, `section ${s.letter} is whole`);
  }
  add('piece', { from: 0, to: score.bars.length - 1 }, 'everything is there');
  return out;
}

/** An ordered ladder for a whole piece: every rung has a reason in its chunk. An empty piece has none. */
export function pieceLadder(score: Score, request: PieceLadderRequest): PieceLadder {
  const sections = proposeSections(score);
  const chunks = orderChunks(score, sections, request);
  const target = Math.round(request.tempo ?? tempoAt(score, ticks(0)));
  const times = TIMES[request.level];
  const rungs: PieceRung[] = [];
  const staves = new Set(score.notes.map((n) => `${n.part} ${n.staff}`)).size;
  const firstPart = score.parts.find((p) => p.staves >= 2);
  const corners = new Set(cornersOf(barDifficulties(score)).map((c) => c.bar));
  const seenRhythms = new Set<number>();
  const { all } = barLines(score);
  for (const chunk of chunks) {
    const { from, to } = chunk;
    const notes = score.notes.filter((n) => n.bar >= from && n.bar <= to);
    const start = startTempo(score, from, to, target);
    const two = firstPart !== undefined && new Set(notes.filter((n) => n.part === firstPart.id).map((n) => n.staff)).size > 1;
    const put = (kind: RungKind, what: string, hands: PieceRung['hands'], tempo: number, n: number, done: string, why: string): void => {
      rungs.push({ chunk: chunk.name, kind, what, hands, bars: [from, to], tempo, times: n, done, why });
    };
    const both = two ? 'both' : 'all';
    if (chunk.copyOf !== null) {
      put('run', `Play it as ${chunk.copyOf}`, both, start, 2, 'twice without a stop', chunk.why);
      continue;
    }
    if (chunk.kind === 'unit') {
      const fresh = all.bars.slice(from, to + 1).some((b) => b.rhythm >= 0 && !seenRhythms.has(b.rhythm));
      for (const b of all.bars.slice(from, to + 1)) seenRhythms.add(b.rhythm);
      if (fresh && request.level !== 'advanced') put('tap', 'Tap and count', both, start, 2, 'twice without a stop', 'a rhythm not met before');
      if (notes.length === 0) {
        if (!fresh) put('tap', 'Count through', 'all', start, 1, 'once without a stop', 'no notes, only time');
        continue;
      }
      if (two && request.level !== 'advanced') {
        put('right-alone', 'Right hand alone', 'right', start, times, '3 in a row without a stop', 'one problem at a time');
        put('left-alone', 'Left hand alone', 'left', start, times, '3 in a row without a stop', 'one problem at a time');
      }
      put(
        two ? 'together' : 'alone',
        two ? 'Hands together, slowly' : 'Slowly, eyes on the page',
        both,
        start,
        times,
        '3 in a row without a stop',
        two ? 'both hands as one' : 'right notes and fingers from the first time',
      );
      for (let b = from; b <= to; b += 1)
        if (corners.has(b))
          put(
            'corner',
            `Loop bar ${score.bars[b]?.number ?? ''} with the first note of the next`,
            both,
            start,
            times + 2,
            '4 in a row',
            'a corner of the piece',
          );
    } else if (chunk.kind === 'join')
      put('join', 'Through the join without a stop', both, start, times, '3 in a row', 'the join is learned with its neighbours');
    else if (chunk.kind === 'phrase' || chunk.kind === 'section') {
      if (chunk.kind === 'phrase' && notes.some((n) => n.marks.articulations.length > 0 || n.marks.slurs.length > 0))
        put('articulation', 'Every slur and touch as printed', both, start, 2, 'heard by someone else', 'slurs or touches are printed here');
      if (score.directions.some((d) => d.bar >= from && d.bar <= to && (d.kind === 'dynamic' || d.kind === 'wedge')))
        put('dynamics', 'Dynamics as printed', both, start, 2, 'heard by someone else', 'dynamics are printed here');
      if (chunk.kind === 'section' || sections.every((s) => s.phrases.length > 1))
        for (const tempo of tempoSteps({ start, target, school: 'bpm', step: STEP_BPM, over: 0, cap: null }))
          put('tempo', `At ${tempo}`, both, tempo, 2, 'twice in a row, all notes right', tempo === target ? 'the target' : 'a step towards the target');
    } else {
      put('run', 'From beginning to end', both, target, 1, 'once without a stop', 'the whole piece at its tempo');
      put(
        'memory',
        'From the start of any section, in random order',
        both,
        Math.round(target * 0.8),
        sections.length,
        'every start found at once',
        'starting points keep it safe',
      );
      put('perform', 'For someone', both, target, 1, 'played to the end', staves > 0 ? 'a first performance before the real one' : '');
    }
  }
  const minutes = rungs.reduce(
    (sum, r) =>
      sum +
      (r.times *
        OVERHEAD *
        playedSeconds(
          score,
          score.bars.slice(r.bars[0], r.bars[1] + 1).map((b) => b.index),
          quarterBpm(r.tempo),
        )) /
        60,
    0,
  );
  return { chunks: score.bars.length === 0 ? [] : chunks, rungs, minutes: Math.round(minutes * 10) / 10 };
}
