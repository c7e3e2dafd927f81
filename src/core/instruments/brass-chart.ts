/**
 * Brass: valves and slide positions from the harmonic series. A tube of a given length sounds the multiples of its
 * lowest note; each valve lengthens it by so many semitones (first two, second one, third three), each slide position
 * by one. Source: acoustics of brass instruments, e.g. N. H. Fletcher and T. D. Rossing, "The Physics of Musical
 * Instruments" (1991), chapter 14; the choice among the possible ones is that of the usual charts (the shortest tube,
 * the seventh partial avoided).
 */
import type { WindChart, WindFingering } from './wind-chart';

/** Semitones of the partials above the fundamental; the 7th, 11th, 13th and 14th are out of tune and left out. */
const PARTIALS: readonly (readonly [number, number])[] = [
  [2, 12],
  [3, 19],
  [4, 24],
  [5, 28],
  [6, 31],
  [8, 36],
  [9, 38],
  [10, 40],
  [12, 43],
  [16, 48],
];

/** Valves by how far they lower, best first for each distance. */
const VALVES: readonly (readonly [number, string])[] = [
  [0, '0'],
  [1, '2'],
  [2, '1'],
  [3, '12'],
  [3, '3'],
  [4, '23'],
  [5, '13'],
  [6, '123'],
];

interface Ways {
  readonly fingering: WindFingering;
  readonly weight: number;
}

function chartOf(name: string, source: string, ways: ReadonlyMap<number, readonly Ways[]>): WindChart {
  const notes = new Map<number, readonly WindFingering[]>();
  for (const [key, list] of ways) {
    const seen = new Set<string>();
    notes.set(
      key,
      [...list]
        .sort((a, b) => a.weight - b.weight)
        .flatMap((w) => (seen.has(w.fingering.keys) ? [] : (seen.add(w.fingering.keys), [w.fingering]))),
    );
  }
  return { name, source, notes };
}

/** One length of tube. */
interface Tube {
  readonly fundamental: number;
  readonly prefix: string;
  /** Whether its ways are the main ones for a note. */
  readonly main: (key: number) => boolean;
  /** Its fifth partial is flat and comes after any other way; elsewhere players bend it into tune. */
  readonly avoidsFifth?: boolean;
}

/** How far a partial that is out of tune stands back. */
const FLAT_FIFTH = 6;

/**
 * Two lengths of tube may be offered (the double horn): `prefix` goes before the valves, `from` is where its notes
 * become the main ones.
 */
export function valved(name: string, tubes: readonly Tube[], fourth: boolean): WindChart {
  const ways = new Map<number, Ways[]>();
  for (const tube of tubes)
    for (const [partial, up] of PARTIALS)
      for (const [down, valves] of VALVES) {
        const key = tube.fundamental + up - down;
        const keys = `${tube.prefix}${valves}`;
        const list = ways.get(key) ?? [];
        const third = valves === '3' ? 1.5 : 0;
        // The 5th partial sounds flat and the 9th, 10th are shaky: others first where there is a choice.
        list.push({
          fingering: { keys, hands: valves === '0' ? [] : [...valves] },
          weight:
            down +
            third +
            (partial > 8 ? 0.5 : 0) +
            (partial === 5 && tube.avoidsFifth ? FLAT_FIFTH : 0) +
            (tube.main(key) ? 0 : 10),
        });
        if (fourth && (valves === '13' || valves === '123'))
          list.push({
            fingering: { keys: valves === '13' ? '4' : '24', hands: valves === '13' ? ['4'] : ['2', '4'] },
            weight: down - 0.5,
          });
        ways.set(key, list);
      }
  return chartOf(name, 'harmonic series (Fletcher and Rossing 1991, chapter 14)', ways);
}

/** Slide positions 1 to 7 of a tube with this fundamental, sounding keys. */
export function slide(name: string, fundamental: number): WindChart {
  const ways = new Map<number, Ways[]>();
  for (const [partial, up] of PARTIALS)
    for (let position = 1; position <= 7; position += 1) {
      const key = fundamental + up - (position - 1);
      const list = ways.get(key) ?? [];
      list.push({
        fingering: { keys: String(position), hands: [], slide: position },
        weight: position + (partial > 8 ? 0.5 : 0),
      });
      ways.set(key, list);
    }
  return chartOf(name, 'harmonic series (Fletcher and Rossing 1991, chapter 14)', ways);
}
