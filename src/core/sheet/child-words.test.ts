import { describe, expect, it } from 'vitest';
import { inChildWords, tellingFor } from './child-words';

describe('how a task is told', () => {
  it('is told to a child in a child’s words', () => {
    expect(inChildWords('Through once, from cold')).toBe('Play it once through, as the very first thing');
    expect(inChildWords('Loop bar 6 with the first note of the next')).toBe('Bar 6 and one note more, round and round');
    expect(inChildWords('Loop bar 8')).toBe('Bar 8, round and round');
    expect(inChildWords('3 in a row without a stop')).toBe('Three times right in a row, without stopping');
    expect(inChildWords('Dynamics as marked')).toBe('Loud and soft, just as it is written');
  });
  it('leaves what the teacher wrote as it is', () => {
    expect(inChildWords('sing it to the cat')).toBe('sing it to the cat');
    expect(inChildWords('')).toBe('');
  });
  it('goes by the age, and by the level where nobody said the age', () => {
    const told = (age: string, level?: 'beginner' | 'advanced') =>
      tellingFor({ age, ...(level ? { level } : {}) })('Tempo steps');
    expect(told('7')).toBe('A little faster each time');
    expect(told('12 years')).toBe('A little faster each time');
    expect(told('13', 'beginner')).toBe('Tempo steps');
    expect(told('adult', 'beginner')).toBe('Tempo steps');
    expect(told('', 'beginner')).toBe('A little faster each time');
    expect(told('', 'advanced')).toBe('Tempo steps');
  });
});
