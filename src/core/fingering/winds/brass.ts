/**
 * Brass: valves and slide positions from the harmonic series. A tube of a given length sounds the multiples of its lowest note; each
 * valve lengthens it by so many semitones (first two, second one, third three), each slide position by one. Source: acoustics of brass
 * instruments, e.g. N. H. Fletcher and T. D. Rossing, "The Physics of Musical Instruments" (1991), chapter 14; the choice among the
 * possible ones is that of the usual charts (the shortest tube, the seventh partial avoided).
 */
import type { WindChart, WindFingering } from './chart';

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
      [...list].sort((a, b) => a.weight - b.weight).flatMap((w) => (seen.has(w.fingering.keys) ? [] : (seen.add(w.fingering.keys), [w.fingering]))),
    );
  }
  return { name, source, notes };
}

/** Two lengths of tube may be offered (the double horn): `prefix` goes before the valves, `from` is where its notes become the main ones. */
function valved(
  name: string,
  tubes: readonly { readonly fundamental: number; readonly prefix: string; readonly main: (key: number) => boolean }[],
  fourth: boolean,
): WindChart {
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
          weight: down + third + (partial > 8 ? 0.5 : 0) + (tube.main(key) ? 0 : 10),
        });
        if (fourth && (valves === '13' || valves === '123'))
          list.push({ fingering: { keys: valves === '13' ? '4' : '24', hands: valves === '13' ? ['4'] : ['2', '4'] }, weight: down - 0.5 });
        ways.set(key, list);
      }
  return chartOf(name, 'harmonic series (Fletcher and Rossing 1991, chapter 14)', ways);
}

const always = (): boolean => true;

/** Written pitches, the open tube sounding written C: trumpet, cornet and flugelhorn in any key, baritone and euphonium in treble clef. */
export const TRUMPET = valved('trumpet', [{ fundamental: 48, prefix: '', main: always }], false);
/** Concert pitch, B flat tube: euphonium and baritone in bass clef, with a fourth valve. */
export const EUPHONIUM = valved('euphonium', [{ fundamental: 34, prefix: '', main: always }], true);
/** Concert pitch, B flat contrabass. */
export const TUBA = valved('tuba', [{ fundamental: 22, prefix: '', main: always }], true);
/** Written for F; the B flat side (thumb, T) takes over from written G sharp above middle C's octave. */
export const HORN = valved(
  'horn',
  [
    { fundamental: 36, prefix: '', main: (key) => key < 68 },
    { fundamental: 41, prefix: 'T', main: (key) => key >= 68 },
  ],
  false,
);

/** Slide positions 1 to 7, concert pitch. */
export const TROMBONE: WindChart = (() => {
  const ways = new Map<number, Ways[]>();
  for (const [partial, up] of PARTIALS)
    for (let position = 1; position <= 7; position += 1) {
      const key = 34 + up - (position - 1);
      const list = ways.get(key) ?? [];
      list.push({ fingering: { keys: String(position), hands: [], slide: position }, weight: position + (partial > 8 ? 0.5 : 0) });
      ways.set(key, list);
    }
  return chartOf('trombone', 'harmonic series (Fletcher and Rossing 1991, chapter 14)', ways);
})();
