import { guessInstrument } from '../instruments';
import type { Part, Score } from '../score';

const namesInstrument = (name: string): boolean => guessInstrument({ name, sound: null, program: null }) !== null;

/** A name that says nothing by itself: a number, a letter of a group. */
const ONLY_NUMBER = /^[\divx.,&+\s-]*$/i;

/**
 * What a part is called in full: a name that stands under the name of a group, "1, 2" under "Horns in F", with it.
 *
 * @example partName({ id: 'P1', name: '1, 2', abbreviation: '', groups: ['Horns in F'] }) // → 'Horns in F 1, 2'
 */
export function partName(part: Pick<Part, 'id' | 'name' | 'abbreviation' | 'groups'>): string {
  const group = part.groups[part.groups.length - 1] ?? '';
  const name = part.name || (group === '' ? part.abbreviation : '');
  // Players of a part that is named itself are numbered by its group: "1, 2" around "Flutes".
  if (ONLY_NUMBER.test(group) && group.trim() !== '' && name !== '' && !ONLY_NUMBER.test(name))
    return `${name} ${group}`;
  const full =
    group !== '' &&
    !name.includes(group) &&
    (ONLY_NUMBER.test(name) || (!namesInstrument(name) && namesInstrument(group)))
      ? `${group} ${name}`.trim()
      : name;
  return full || part.id;
}

/**
 * The names of all parts, by id, no two alike.
 *
 * @example [...partNames(scoreOf('C|')).values()].length // → 1
 */
export function partNames(score: Score): ReadonlyMap<string, string> {
  const names = score.parts.map((p) => [p.id, partName(p)] as const);
  const count = (name: string): number => names.filter(([, n]) => n === name).length;
  const seen = new Map<string, number>();
  return new Map(
    names.map(([id, name]) => {
      if (count(name) < 2) return [id, name];
      const place = (seen.get(name) ?? 0) + 1;
      seen.set(name, place);
      return [id, `${name} (${place})`];
    }),
  );
}
