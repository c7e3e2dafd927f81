/** Figures with their goals: printed, kept beside the last ones, and compared with them. */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { cpus, totalmem } from 'node:os';
import { z } from 'zod';

const FILE = 'bench/results.json';

const figureSchema = z.object({
  name: z.string(),
  value: z.number(),
  unit: z.string(),
  /** Not more than this is wanted; null for a figure that only tells. */
  atMost: z.number().nullable(),
});
type Figure = z.infer<typeof figureSchema>;
const resultsSchema = z.object({
  machine: z.string(),
  measured: z.string(),
  figures: z.array(figureSchema),
});

/** What the figures were measured on. */
const machine = (): string => {
  const [cpu] = cpus();
  return `${cpus().length} × ${cpu?.model ?? 'unknown'}, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.version}`;
};

const rounded = (value: number): number => Number(value.toPrecision(3));
/** Figures that changed by less are the same: machines are not quiet. */
const SAME_WITHIN = 0.25;

/** Figures of the last run that was kept, by name. */
function lastFigures(): ReadonlyMap<string, Figure> {
  if (!existsSync(FILE)) return new Map();
  const kept = resultsSchema.safeParse(JSON.parse(readFileSync(FILE, 'utf8')));
  return new Map(kept.success ? kept.data.figures.map((f) => [f.name, f] as const) : []);
}

export interface Report {
  /** A figure in words only. */
  readonly say: (name: string, value: string) => void;
  /** A figure that is kept, with its goal where it has one. */
  readonly figure: (name: string, value: number, unit: string, atMost?: number) => void;
  /** Writes what was measured, and says what has changed since the last time. */
  readonly end: (measured: string) => void;
}

export function report(): Report {
  const figures: Figure[] = [];
  const say = (name: string, value: string): void => void process.stdout.write(`${name.padEnd(72)} ${value}\n`);
  return {
    say,
    figure: (name, value, unit, atMost) => {
      figures.push({ name, value: rounded(value), unit, atMost: atMost ?? null });
      const goal = atMost === undefined ? '' : `, wanted at most ${atMost}: ${value <= atMost ? 'met' : 'NOT MET'}`;
      say(name, `${rounded(value)} ${unit}${goal}`);
    },
    end: (measured) => {
      const last = lastFigures();
      for (const { name, value } of figures) {
        const before = last.get(name)?.value;
        if (before !== undefined && before > 0 && Math.abs(value / before - 1) > SAME_WITHIN)
          say(`changed: ${name}`, `${before} before, ${value} now`);
      }
      const missed = figures.filter((f) => f.atMost !== null && f.value > f.atMost);
      say('goals missed', missed.length === 0 ? 'none' : missed.map((f) => f.name).join('; '));
      // Of what was not measured this time the last figures stay.
      const all = [...new Map([...last, ...figures.map((f) => [f.name, f] as const)]).values()];
      writeFileSync(FILE, `${JSON.stringify({ machine: machine(), measured, figures: all }, null, 2)}\n`);
    },
  };
}
