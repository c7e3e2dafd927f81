/**
 * Tablature: strings and frets instead of heads on lines. Beside a staff of notation it is the same music once more.
 */
import type { Clef, Note, Part, Score, StringTuning } from '../score';

/** Share of the notes of a tablature that stand on another staff at the same time with the same sound. */
const SAME_MUSIC = 0.8;

const staffKey = (part: string, staff: number): string => `${part} ${staff}`;

/** The clef that a staff begins with; null where the file says none. */
export function firstClef(part: Part, staff: number): Clef | null {
  for (const change of part.attributes) {
    const found = change.clefs?.find((c) => c.staff === staff);
    if (found) return found.clef;
  }
  return null;
}

/** The strings of a staff as the file says them first; null where it does not. */
export const tuningOf = (part: Part, staff: number): StringTuning | null =>
  part.attributes.flatMap((a) => a.tunings ?? []).find((t) => t.staff === staff) ?? null;

export const isTablature = (part: Part, staff: number): boolean => firstClef(part, staff)?.sign === 'TAB';

/** Where the strings and frets of a score are, and what they say. */
export interface Tablature {
  /** Staves of tablature that repeat another staff, `part staff` → `part staff` of the notation. */
  readonly beside: ReadonlyMap<string, string>;
  /** Notes of the notation with the string and the fret that stand under them, by note id. */
  readonly stops: ReadonlyMap<string, { readonly string: number; readonly fret: number }>;
}

type Staves = ReadonlyMap<string, readonly Note[]>;

function byStaff(score: Score): Staves {
  const staves = new Map<string, Note[]>();
  for (const part of score.parts)
    for (let staff = 1; staff <= part.staves; staff += 1) staves.set(staffKey(part.id, staff), []);
  for (const n of score.notes) staves.get(staffKey(n.part, n.staff))?.push(n);
  return staves;
}

const soundAt = (n: Note): string => `${n.onset} ${n.midi ?? ''}`;

/** How much of a tablature stands on a staff of notation too, from 0 to 1. */
function shared(tab: readonly Note[], notation: readonly Note[]): number {
  if (tab.length === 0) return 0;
  const there = new Set(notation.map(soundAt));
  return tab.filter((n) => there.has(soundAt(n))).length / tab.length;
}

/** The staff that a tablature repeats: one of its own part before one of another. */
function notationFor(score: Score, staves: Staves, part: Part, staff: number): string | null {
  const tab = staves.get(staffKey(part.id, staff)) ?? [];
  const candidates = [part, ...score.parts.filter((p) => p.id !== part.id)].flatMap((p) =>
    Array.from({ length: p.staves }, (_, i) => i + 1)
      .filter((s) => !isTablature(p, s))
      .map((s) => staffKey(p.id, s)),
  );
  let best: { readonly key: string; readonly share: number } | null = null;
  for (const key of candidates) {
    const share = shared(tab, staves.get(key) ?? []);
    if (share >= SAME_MUSIC && share > (best?.share ?? 0)) best = { key, share };
  }
  return best?.key ?? null;
}

const NOTHING: Tablature = { beside: new Map(), stops: new Map() };

/**
 * The tablature of a score joined to its notation, note by note, at the same time and with the same sound.
 *
 * @example tablatureOf(scoreOf('C D E F|')).beside.size // → 0
 */
export function tablatureOf(score: Score): Tablature {
  const tabs = score.parts.flatMap((part) =>
    Array.from({ length: part.staves }, (_, i) => i + 1)
      .filter((staff) => isTablature(part, staff))
      .map((staff) => ({ part, staff })),
  );
  if (tabs.length === 0) return NOTHING;
  const staves = byStaff(score);
  const beside = new Map<string, string>();
  const stops = new Map<string, { string: number; fret: number }>();
  for (const { part, staff } of tabs) {
    const key = staffKey(part.id, staff);
    const notation = notationFor(score, staves, part, staff);
    if (notation === null) continue;
    beside.set(key, notation);
    const printed = new Map<string, { string: number; fret: number }[]>();
    for (const n of staves.get(key) ?? []) {
      const [string] = n.marks.strings;
      const [fret] = n.marks.frets;
      if (string === undefined || fret === undefined) continue;
      const there = printed.get(soundAt(n));
      if (there) there.push({ string, fret });
      else printed.set(soundAt(n), [{ string, fret }]);
    }
    for (const n of staves.get(notation) ?? []) {
      const stop = printed.get(soundAt(n))?.shift();
      if (stop) stops.set(n.id, stop);
    }
  }
  return { beside, stops };
}
