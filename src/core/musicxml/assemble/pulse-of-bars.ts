/**
 * How bars of an uneven meter without printed groups are beaten: 5/8 as 2+3 or 3+2. Their beams say it, else their
 * accents, else their long notes; what they all leave open is left open.
 */
import { hasUnsaidGroups, type Bar, type Meter, type Note, type Score } from '../../score';
import type { BeamedGroup } from '../measure/raw-measure';

type Groups = readonly number[];

/** Up to how many parts a bar is heard in groups. */
const MOST_PARTS = 13;

/** Ways to make a sum of twos and threes, both of them in it. */
function groupings(sum: number): readonly Groups[] {
  const out: Groups[] = [];
  const grow = (so: Groups, left: number): void => {
    if (left === 0) out.push(so);
    for (const g of [2, 3]) if (g <= left && left - g !== 1) grow([...so, g], left - g);
  };
  grow([], sum);
  return out.filter((groups) => groups.includes(2) && groups.includes(3));
}

/** The numerator of a meter whose beats could be of two lengths; null for every other. */
function unevenParts(meter: Meter): number | null {
  const [part] = meter.parts;
  if (!part || meter.parts.length > 1 || !hasUnsaidGroups(part)) return null;
  const [count = 0] = part.groups;
  return count <= MOST_PARTS ? count : null;
}

/** Places in parts of the bar at which something speaks for a beat, and stretches that speak against one inside. */
interface Evidence {
  readonly starts: readonly number[];
  readonly stretches: readonly { readonly from: number; readonly to: number }[];
}

/** How well groups fit: beats where something begins, less what lies across them. */
function fit(groups: Groups, { starts, stretches }: Evidence): number {
  const beats = new Set<number>();
  let at = 0;
  for (const g of groups) {
    beats.add(at);
    at += g;
  }
  const within = (n: number): boolean => n > 0 && n < at;
  const begun = starts.filter(within).reduce((sum, n) => sum + (beats.has(n) ? 1 : -1), 0);
  const across = stretches.reduce((sum, { from, to }) => {
    const ends = [from, to].filter(within).reduce((n, place) => n + (beats.has(place) ? 1 : -1), 0);
    return sum + ends - 2 * [...beats].filter((b) => b > from && b < to).length;
  }, 0);
  return begun + across;
}

const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);

/** The one grouping that fits better than all others; null where two fit alike. */
function best(candidates: readonly Groups[], evidence: readonly Evidence[]): Groups | null {
  const ranked = candidates
    .map((groups) => ({ groups, fit: sum(evidence.map((e) => fit(groups, e))) }))
    .sort((a, b) => b.fit - a.fit);
  const [first, second] = ranked;
  // An even bar may as well have even beats: more has to speak for these than against them.
  const enough = sum(first?.groups ?? []) % 2 === 1 || (first?.fit ?? 0) > 0;
  return first && second && enough && first.fit > second.fit ? first.groups : null;
}

const ACCENTS: ReadonlySet<string> = new Set(['accent', 'strong-accent']);

/** Everything in a bar that may say where its beats are, the surest first. */
function evidenceOf(
  bar: Bar,
  partTicks: number,
  beams: readonly BeamedGroup[],
  ticksPerQuarter: number,
  notes: readonly Note[],
): readonly Evidence[] {
  const inParts = (ticks: number): number => ticks / partTicks;
  const quarters = ({ n, d }: { readonly n: number; readonly d: number }): number => (n * ticksPerQuarter) / d;
  const main = notes.filter((n) => n.grace === null);
  return [
    {
      starts: [],
      stretches: beams.map(({ from, length }) => ({
        from: inParts(quarters(from)),
        to: inParts(quarters(from) + quarters(length)),
      })),
    },
    {
      starts: main
        .filter((n) => n.marks.articulations.some((a) => ACCENTS.has(a)))
        .map((n) => inParts(n.onset - bar.onset)),
      stretches: [],
    },
    {
      starts: [],
      stretches: main
        .filter((n) => n.duration > partTicks)
        .map((n) => ({ from: inParts(n.onset - bar.onset), to: inParts(n.onset - bar.onset + n.duration) })),
    },
  ];
}

/**
 * The bars with the pulse that they themselves tell; a bar that tells none has that of the others of its meter. A
 * pick-up and a bar that is not full tell nothing.
 */
export function withPulses(
  { bars, notes, ticksPerQuarter }: Pick<Score, 'bars' | 'notes' | 'ticksPerQuarter'>,
  beamsOf: (bar: number) => readonly BeamedGroup[],
): readonly Bar[] {
  if (!bars.some((bar) => unevenParts(bar.meter) !== null)) return bars;
  const notesOf = new Map<number, Note[]>();
  for (const note of notes) {
    const there = notesOf.get(note.bar);
    if (there) there.push(note);
    else notesOf.set(note.bar, [note]);
  }
  const told = bars.map((bar) => {
    const count = unevenParts(bar.meter);
    const partTicks = (4 * ticksPerQuarter) / (bar.meter.parts[0]?.unit ?? 8);
    if (count === null || bar.length !== count * partTicks) return { count, evidence: [], own: null };
    const evidence = evidenceOf(bar, partTicks, beamsOf(bar.index), ticksPerQuarter, notesOf.get(bar.index) ?? []);
    const candidates = groupings(count);
    const own = evidence.reduce<Groups | null>((found, e) => found ?? best(candidates, [e]), null);
    return { count, evidence, own };
  });
  const usual = new Map<number, Groups | null>();
  const usualOf = (count: number): Groups | null => {
    const known = usual.get(count);
    if (known !== undefined) return known;
    const found = best(
      groupings(count),
      told.flatMap((t) => (t.count === count ? t.evidence : [])),
    );
    usual.set(count, found);
    return found;
  };
  return bars.map((bar, i) => {
    const { count = null, own = null } = told[i] ?? {};
    const pulse = count === null ? null : (own ?? usualOf(count));
    return pulse === null
      ? bar
      : { ...bar, meter: { ...bar.meter, parts: bar.meter.parts.map((part) => ({ ...part, pulse })) } };
  });
}
