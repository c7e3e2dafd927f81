import { beatOnsets, struckNotes, type Note, type Score } from '../score';

export type BowDirection = 'down' | 'up';

/** Notes under one bow. */
export interface Stroke {
  readonly notes: readonly Note[];
  readonly downbeat: boolean;
  readonly upbeat: boolean;
  readonly afterRest: boolean;
  readonly accent: boolean;
  readonly printed: BowDirection | null;
}

export interface Bowing {
  readonly strokes: readonly {
    readonly noteIds: readonly string[];
    readonly direction: BowDirection;
    readonly retake: boolean;
    readonly awkward: boolean;
    readonly reason: string;
  }[];
  readonly cost: number;
}

/** Costs, chosen by us: the same way again without time for it, and strong beats up or upbeats down. */
const W = { retake: 2, retakeAfterRest: 0.2, downbeatUp: 1, accentUp: 0.8, upbeatDown: 0.7, firstUp: 0.5 } as const;

/** Strokes of the first part: a slur or a tied chain is one. */
export function strokesOf(score: Score): Stroke[] {
  const part = score.parts.find((p) => score.notes.some((n) => n.part === p.id && n.midi !== null));
  const struck = struckNotes(score.notes).filter((s) => s.note.part === part?.id && !s.note.grace && !s.note.chord);
  const strokes: Stroke[] = [];
  let open = 0;
  let current: Note[] = [];
  let end = 0;
  let gap = false;
  const close = (): void => {
    const [first] = current;
    if (!first) return;
    const bar = score.bars[first.bar];
    const beats = bar ? beatOnsets(bar, score.ticksPerQuarter) : [];
    const at = first.onset - (bar?.onset ?? 0);
    const pickup = bar !== undefined && bar.index === 0 && !beats.some((b) => b.downbeat);
    strokes.push({
      notes: current,
      downbeat: beats.some((b) => b.downbeat && b.at === at),
      upbeat: pickup || (strokes.length === 0 && !beats.some((b) => b.downbeat && b.at === at)),
      afterRest: gap,
      accent: first.marks.articulations.some((a) => a === 'accent' || a === 'strong-accent'),
      printed: first.marks.technical.includes('down-bow')
        ? 'down'
        : first.marks.technical.includes('up-bow')
          ? 'up'
          : null,
    });
    current = [];
  };
  for (const { note, sounding } of struck) {
    if (current.length === 0) gap = strokes.length > 0 && note.onset > end;
    current.push(note);
    for (const s of note.marks.slurs) {
      if (s.role === 'start') open += 1;
      if (s.role === 'stop') open = Math.max(0, open - 1);
    }
    end = note.onset + sounding;
    if (open === 0) close();
  }
  close();
  return strokes;
}

const own = (s: Stroke, d: BowDirection, i: number): number =>
  (s.printed !== null && s.printed !== d ? 1000 : 0) +
  (s.downbeat && d === 'up' ? W.downbeatUp : 0) +
  (s.accent && d === 'up' ? W.accentUp : 0) +
  (s.upbeat && d === 'down' ? W.upbeatDown : 0) +
  (i === 0 && !s.upbeat && d === 'up' ? W.firstUp : 0);

const step = (b: Stroke, x: BowDirection, y: BowDirection): number =>
  x === y ? (b.afterRest ? W.retakeAfterRest : W.retake) : 0;

/** Cost of given directions: what the proposal makes least. */
export const bowingCost = (strokes: readonly Stroke[], directions: readonly BowDirection[]): number =>
  strokes.reduce((sum, s, i) => {
    const d = directions[i] ?? 'down';
    const before = directions[i - 1];
    return sum + own(s, d, i) + (before === undefined ? 0 : step(s, before, d));
  }, 0);

/**
 * A direction for every stroke: down on downbeats where it works out, a retake where it does not; printed bowings are
 * kept.
 *
 * @example Object.keys(proposeBowing(score)) // → ['cost', 'strokes']
 */
export function proposeBowing(score: Score): Bowing {
  const strokes = strokesOf(score);
  const both: readonly BowDirection[] = ['down', 'up'];
  let costs = both.map((d) => (strokes[0] ? own(strokes[0], d, 0) : 0));
  const backs: number[][] = [];
  strokes.slice(1).forEach((s, i) => {
    const back: number[] = [];
    costs = both.map((d, k) => {
      const ways = both.map((b, m) => (costs[m] ?? 0) + step(s, b, d));
      const m = (ways[1] ?? 0) < (ways[0] ?? 0) - 1e-12 ? 1 : 0;
      back[k] = m;
      return (ways[m] ?? 0) + own(s, d, i + 1);
    });
    backs.push(back);
  });
  let at = (costs[1] ?? 0) < (costs[0] ?? 0) - 1e-12 ? 1 : 0;
  const cost = costs[at] ?? 0;
  const picks = [at];
  for (let i = strokes.length - 1; i >= 1; i -= 1) {
    at = backs[i - 1]?.[at] ?? 0;
    picks.unshift(at);
  }
  return {
    cost: strokes.length === 0 ? 0 : cost,
    strokes: strokes.map((s, i) => {
      const direction = both[picks[i] ?? 0] ?? 'down';
      const before = i > 0 ? both[picks[i - 1] ?? 0] : undefined;
      const retake = before === direction;
      const awkward = s.downbeat && direction === 'up';
      return {
        noteIds: s.notes.map((n) => n.id),
        direction,
        retake,
        awkward,
        reason: s.printed
          ? 'printed'
          : retake
            ? s.afterRest
              ? 'retake in the rest'
              : 'retake'
            : awkward
              ? 'up on the downbeat: the strokes do not work out'
              : s.downbeat
                ? 'down on the downbeat'
                : s.upbeat
                  ? 'up on the upbeat'
                  : 'in turn',
      };
    }),
  };
}
