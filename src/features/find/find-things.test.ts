import { describe, expect, it } from 'vitest';
import { findThings, type Thing } from './find-things';

const thing = (kind: Thing['kind'], name: string, about = ''): Thing => ({
  key: `${kind} ${name}`,
  kind,
  name,
  about,
  go: () => undefined,
});
const things = [
  thing('stage', 'Marks'),
  thing('student', 'Imke', 'piano'),
  thing('piece', 'Ménuet of the Mast', 'Oak Rungs demo, piano'),
  thing('piece', 'Lamps Along the Quay', 'piano'),
  thing('section', 'B Out on the water', 'Lamps Along the Quay'),
  thing('action', 'undo'),
  thing('setting', 'Time zone'),
];
const found = (typed: string): readonly string[] => findThings(things, typed).map((t) => t.name);

describe('what is looked for', () => {
  it('is found by the beginning of a word, without accents or capitals', () => {
    expect(found('menu')).toEqual(['Ménuet of the Mast']);
    expect(found('QUAY')).toEqual(['Lamps Along the Quay', 'B Out on the water']);
  });
  it('has all words that were typed, somewhere', () => {
    expect(found('water lamps')).toEqual(['B Out on the water']);
    expect(found('water menuet')).toEqual([]);
  });
  it('comes with the name that begins so first, then students, pieces, sections, stages', () => {
    expect(found('ma')).toEqual(['Marks', 'Ménuet of the Mast']);
    expect(found('piano')[0]).toBe('Imke');
  });
  it('is the students and the stages before anything is typed', () => expect(found('')).toEqual(['Marks', 'Imke']));
  it('is a bar by its number, not by its piece', () => {
    const bars = [thing('bar', 'bar 12', 'Lamps Along the Quay'), ...things];
    expect(findThings(bars, '12').map((t) => t.name)).toEqual(['bar 12']);
    expect(findThings(bars, 'quay').map((t) => t.name)).not.toContain('bar 12');
  });
  it('is found by what it is', () => expect(found('setting')).toEqual(['Time zone']));
});
