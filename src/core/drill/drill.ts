/**
 * What counts as done, and how the tempo moves.
 *
 * Sources: three right in a row, a miss back to none or one off, a fall of two steps after three misses in a row, past
 * the target a little (handbook chapters 11 and 20 **[common practice]**).
 */
export interface DrillRule {
  /** Right passes in a row that are asked for at one tempo. */
  readonly inRow: number;
  /** What a miss does to the row: back to none, or one less. */
  readonly miss: 'gate' | 'gentle';
  /** Tempos from the first to the last, in quarters a minute; one for a tempo that stays. */
  readonly steps: readonly number[];
}

/** One playing of the chunk as it was judged. */
export interface Pass {
  readonly right: boolean;
  /** Quarters a minute. */
  readonly tempo: number;
  /** Seconds that it took. */
  readonly seconds: number;
}

export interface Drill {
  readonly rule: DrillRule;
  /** Place in `rule.steps`. */
  readonly step: number;
  /** Right in a row at this step. */
  readonly row: number;
  /** Missed in a row. */
  readonly missed: number;
  readonly passes: readonly Pass[];
  /** The last step has its row. */
  readonly done: boolean;
}

/** After so many misses in a row the tempo falls. */
const MISSES = 3;
/** By so many steps. */
const FALL = 2;

/**
 * A drill before its first pass.
 *
 * @example beginDrill({ inRow: 3, miss: 'gate', steps: [60, 66] }).step // → 0
 */
export const beginDrill = (rule: DrillRule): Drill => ({ rule, step: 0, row: 0, missed: 0, passes: [], done: false });

/**
 * The tempo of the next pass, quarters a minute.
 *
 * @example drillTempo(beginDrill({ inRow: 3, miss: 'gate', steps: [60, 66] })) // → 60
 */
export const drillTempo = ({ rule, step }: Pick<Drill, 'rule' | 'step'>): number =>
  rule.steps[Math.min(step, rule.steps.length - 1)] ?? 60;

function afterRight(drill: Drill): Omit<Drill, 'passes' | 'rule'> {
  const { rule, step } = drill;
  const row = drill.row + 1;
  const last = rule.steps.length - 1;
  if (row < rule.inRow) return { step, row, missed: 0, done: drill.done };
  return step < last ? { step: step + 1, row: 0, missed: 0, done: drill.done } : { step, row, missed: 0, done: true };
}

/** The step two tempos slower, also where the steps go up and back; the first where there are fewer. */
function fallen(steps: readonly number[], step: number): number {
  const slower = [...new Set(steps.slice(0, step).filter((t) => t < (steps[step] ?? 0)))].sort((a, b) => b - a);
  const to = slower[FALL - 1] ?? slower[slower.length - 1];
  return to === undefined ? step : steps.lastIndexOf(to, step - 1);
}

function afterMiss({ rule, step, row, missed, done }: Drill): Omit<Drill, 'passes' | 'rule'> {
  const falls = missed + 1 >= MISSES && step > 0;
  if (falls) return { step: fallen(rule.steps, step), row: 0, missed: 0, done };
  return { step, row: rule.miss === 'gate' ? 0 : Math.max(0, row - 1), missed: missed + 1, done };
}

/**
 * The drill after one more pass, at whatever tempo it was played. Once done it stays done; more passes are still
 * counted.
 *
 * @example
 * judged(beginDrill({ inRow: 1, miss: 'gate', steps: [60, 66] }), { right: true, tempo: 60, seconds: 8 }).step // → 1
 */
export const judged = (drill: Drill, pass: Pass): Drill => ({
  ...drill,
  ...(pass.right ? afterRight(drill) : afterMiss(drill)),
  passes: [...drill.passes, pass],
});

/**
 * The drill as it was before its last pass; the same where there was none.
 *
 * @example takenBackPass(beginDrill({ inRow: 2, miss: 'gate', steps: [60] })).row // → 0
 */
export const takenBackPass = ({ rule, passes }: Drill): Drill => passes.slice(0, -1).reduce(judged, beginDrill(rule));

/** What a drill amounts to: what is kept of it as practice. */
export interface DrillSum {
  readonly passes: number;
  readonly right: number;
  readonly wrong: number;
  readonly seconds: number;
  /** The longest run of right passes. */
  readonly row: number;
  /** The fastest tempo at which a pass was right; null where none was. */
  readonly reached: number | null;
}

/** The longest run of right ones. */
function longestRow(passes: readonly Pass[]): number {
  let row = 0;
  return passes.reduce((most, { right }) => Math.max(most, (row = right ? row + 1 : 0)), 0);
}

/**
 * What a drill amounts to.
 *
 * @example drillSum({ passes: [{ right: true, tempo: 60, seconds: 8 }] }).reached // → 60
 */
export function drillSum({ passes }: Pick<Drill, 'passes'>): DrillSum {
  const right = passes.filter((p) => p.right);
  return {
    passes: passes.length,
    right: right.length,
    wrong: passes.length - right.length,
    row: longestRow(passes),
    seconds: passes.reduce((sum, p) => sum + p.seconds, 0),
    reached: right.length > 0 ? Math.max(...right.map((p) => p.tempo)) : null,
  };
}
