import { plainText } from '@/ui';

/** What a teacher may look for by typing: its kind, its name, and what is said beside it. */
export interface Thing {
  readonly key: string;
  readonly kind: 'next' | 'student' | 'piece' | 'section' | 'bar' | 'stage' | 'action' | 'setting';
  readonly name: string;
  readonly about: string;
  readonly go: () => void;
}

/** Of things that fit alike, the earlier kind comes first. */
const KINDS: readonly Thing['kind'][] = ['next', 'bar', 'student', 'piece', 'section', 'stage', 'action', 'setting'];

export const KIND_WORDS: Readonly<Record<Thing['kind'], string>> = {
  next: 'what comes next',
  student: 'student',
  piece: 'piece',
  section: 'section',
  bar: 'bar',
  stage: 'stage',
  action: 'action',
  setting: 'setting',
};

const MOST = 30;

/** How well one word fits: it begins the name, begins a word of it, is in it, is only said beside it; null for no. */
function fitOf(word: string, name: string, about: string): number | null {
  if (name.startsWith(word)) return 0;
  if (name.includes(` ${word}`)) return 1;
  if (name.includes(word)) return 2;
  return about.includes(word) ? 3 : null;
}

/**
 * The things that hold every word that was typed, the best first; with nothing typed what comes next, the students and
 * the stages. Capitals and accents do not matter.
 *
 * @example findThings([{ key: 'a', kind: 'piece', name: 'Étude', about: '', go }], 'etu').length // → 1
 */
export function findThings(things: readonly Thing[], typed: string): readonly Thing[] {
  const words = plainText(typed).split(/\s+/).filter(Boolean);
  if (words.length === 0)
    return things.filter((t) => t.kind === 'next' || t.kind === 'student' || t.kind === 'stage').slice(0, MOST);
  return things
    .flatMap((thing) => {
      const name = plainText(thing.name);
      // Bars are looked for by their number: all of a piece would hide the piece.
      const about = thing.kind === 'bar' ? '' : plainText(`${thing.about} ${KIND_WORDS[thing.kind]}`);
      let sum = 0;
      for (const word of words) {
        const fit = fitOf(word, name, about);
        if (fit === null) return [];
        sum += fit;
      }
      return [{ thing, sum }];
    })
    .sort(
      (a, b) =>
        a.sum - b.sum ||
        KINDS.indexOf(a.thing.kind) - KINDS.indexOf(b.thing.kind) ||
        a.thing.name.localeCompare(b.thing.name, undefined, { numeric: true }),
    )
    .map(({ thing }) => thing)
    .slice(0, MOST);
}
