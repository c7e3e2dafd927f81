import { describe, expect, it } from 'vitest';
import type { FingeredNote } from '@/core/fingering';
import { digitRefused, fingerOfDigit } from './finger-choices';

const proposal = (more: Partial<FingeredNote> = {}): FingeredNote => ({
  noteId: 'c',
  bar: 0,
  finger: '',
  locked: false,
  why: '',
  ...more,
});

describe('what a digit stands for', () => {
  const blown = proposal({ keys: 'T 123', alternates: ['T 12 side'] });
  it('is the finger itself where the instrument has it', () => {
    expect(fingerOfDigit('keyboard', undefined, '5')).toBe('5');
    expect(fingerOfDigit('keyboard', undefined, '0')).toBeNull();
    expect(fingerOfDigit('bowed', undefined, '0')).toBe('0');
    expect(fingerOfDigit('fretted', undefined, '5')).toBeNull();
    expect(fingerOfDigit(null, undefined, '1')).toBeNull();
  });
  it('is one of the fingerings of a blown note, never a finger', () => {
    expect(fingerOfDigit('wind', blown, '1')).toBe('T 123');
    expect(fingerOfDigit('wind', blown, '2')).toBe('T 12 side');
    expect(fingerOfDigit('wind', blown, '3')).toBeNull();
  });
  it('is said where there is none', () => {
    expect(digitRefused('keyboard', undefined)).toBe('A finger here is 1 to 5.');
    expect(digitRefused('wind', blown)).toBe('This note has 2 fingerings: keys 1 to 2.');
    expect(digitRefused('wind', undefined)).toBe('No fingering is known for this note.');
    expect(digitRefused(null, undefined)).toBe('There are no fingers on this instrument.');
  });
});
