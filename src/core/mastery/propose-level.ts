import type { Facet, Level } from '../studio';

export interface Heard {
  /** True: heard; false: listened for and not there; absent: not listened for. */
  readonly facets: Readonly<Partial<Record<Facet, boolean>>>;
  /** Quarters a minute; null when no tempo was taken. */
  readonly tempo: number | null;
  /** Quarters a minute asked for. */
  readonly target: number;
  /** What this section asks at all: no dynamics where none are printed or wanted, no memory where none is asked. */
  readonly asked: ReadonlySet<Facet>;
  /** It was at level 4 or 5 in an earlier lesson, so that today it was heard from cold. */
  readonly heldBefore: boolean;
}

export interface ProposedLevel {
  readonly level: Level;
  /** What keeps it from the next level, in a few words; what carries it at level 5. */
  readonly because: string;
}

/** A tempo this close to the target counts as the target **[from memory]**. */
export const NEAR_TARGET = 0.97;

const NAMES: Readonly<Record<Facet, string>> = {
  notes: 'notes',
  rhythm: 'rhythm',
  fingering: 'fingering',
  joined: 'joining',
  articulation: 'articulation',
  dynamics: 'dynamics',
  memory: 'memory',
};

/** Facets a level asks for besides those of the levels under it (handbook chapter 12). */
const NEEDS: readonly (readonly Facet[])[] = [
  [],
  [],
  ['notes', 'rhythm', 'fingering'],
  ['joined'],
  ['articulation', 'dynamics'],
  ['memory'],
];

/**
 * The highest level whose conditions all hold, and its weakest link. 1: something was heard or played; 2: notes, rhythm
 * and fingering; 3: joined; 4: articulation, dynamics and the target tempo; 5: memory if asked, and it held since an
 * earlier lesson. What a section does not ask is no condition. Nothing heard at all gives 0.
 *
 * @example
 * proposeLevel({ facets: { notes: true }, tempo: null, target: 80, asked: new Set(['notes', 'rhythm']),
 *   heldBefore: false }) // → { level: 1, because: 'for 2: rhythm' }
 */
export function proposeLevel(heard: Heard): ProposedLevel {
  const any = heard.tempo !== null || Object.values(heard.facets).some((v) => v);
  if (!any) return { level: 0, because: 'nothing heard yet' };
  let level: Level = 1;
  for (const next of [2, 3, 4, 5] as const) {
    const missing = (NEEDS[next] ?? [])
      .filter((f) => heard.asked.has(f) && heard.facets[f] !== true)
      .map((f) => NAMES[f]);
    if (next === 4 && (heard.tempo === null || heard.tempo < heard.target * NEAR_TARGET))
      missing.push(heard.tempo === null ? 'a tempo taken' : `tempo ${Math.round(heard.target)}`);
    if (next === 5 && !heard.heldBefore) missing.push('a later lesson: it has to hold');
    if (missing.length > 0) return { level, because: `for ${next}: ${missing.join(', ')}` };
    level = next;
  }
  return { level, because: 'everything asked was heard, and it held' };
}
