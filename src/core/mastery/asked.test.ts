import { describe, expect, it } from 'vitest';
import { USUAL_TEACHING, type Mark } from '../studio';
import { askedFacets } from './asked';
import { scoreOfAbc } from '../studio/abc-for-tests';

const read = (abc: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nK:C\n${abc}`);
const ALWAYS = ['notes', 'rhythm', 'fingering', 'joined'];
const asked = (abc: string, from: number, to: number, marks: readonly Mark[] = []) => [
  ...askedFacets(read(abc), from, to, marks, USUAL_TEACHING),
];

describe('what a section asks', () => {
  const dynamicAt = (noteId: string, kind: 'dynamic' | 'wedge' = 'dynamic'): Mark => {
    const base = { id: 'm', pieceId: 'p', studentId: null, source: 'teacher' as const, updatedAt: '', noteId };
    return kind === 'dynamic' ? { ...base, kind, level: 'p' } : { ...base, kind, toNoteId: noteId, role: 'crescendo' };
  };
  it('is notes, rhythm, fingers and the join, everywhere', () => expect(asked('C D E F | G4 |', 0, 1)).toEqual(ALWAYS));
  it('is articulation where there is a slur or a dot, in these bars only', () => {
    expect(asked('(C D) E F | G4 | A4 |', 0, 0)).toEqual([...ALWAYS, 'articulation']);
    expect(asked('C D E F | .G4 | A4 |', 1, 1)).toEqual([...ALWAYS, 'articulation']);
    expect(asked('(C D) E F | G4 | .A4 |', 1, 1)).toEqual(ALWAYS);
  });
  it('is dynamics where they are printed or written in these bars', () => {
    const abc = '!p!C D E F | G4 | !f!A4 |';
    expect(asked(abc, 0, 0)).toEqual([...ALWAYS, 'dynamics']);
    expect(asked(abc, 1, 1)).toEqual(ALWAYS);
    expect(asked(abc, 1, 2)).toEqual([...ALWAYS, 'dynamics']);
    const plain = 'C D E F | G4 |';
    const second = read(plain).notes.find((n) => n.bar === 1)?.id ?? '';
    expect(asked(plain, 1, 1, [dynamicAt(second)])).toEqual([...ALWAYS, 'dynamics']);
    expect(asked(plain, 1, 1, [dynamicAt(second, 'wedge')])).toEqual([...ALWAYS, 'dynamics']);
    expect(asked(plain, 0, 0, [dynamicAt(second)])).toEqual(ALWAYS);
  });
  it('is memory where the teacher asks for it', () =>
    expect([...askedFacets(read('C4 |'), 0, 0, [], { ...USUAL_TEACHING, memory: 'asked' })]).toEqual([
      ...ALWAYS,
      'memory',
    ]));
  it('asks no fingers of an instrument that has none', () => {
    const asked = (hasFingers: boolean) => [...askedFacets(read('C4 |'), 0, 0, [], USUAL_TEACHING, hasFingers)];
    expect(asked(true)).toContain('fingering');
    expect(asked(false)).toEqual(['notes', 'rhythm', 'joined']);
  });
});
