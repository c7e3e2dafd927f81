import { expect, it } from 'vitest';
import { rungOf } from '../ladder/rung-for-tests';
import { taskRungs } from '.';

const LADDER = ['Tap the rhythm', 'Say the notes', 'Play slowly', 'Loop: the leap', 'Loop: bar 4'].map((what) =>
  rungOf({ id: what, what }),
);
const asked = (what: string): string[] => taskRungs(what, LADDER).map((r) => r.what);

it('a task asks for the rungs it names and those between, whatever the sentence makes of their first letter', () => {
  expect(asked('Tide, bars 1–2: Tap the rhythm')).toEqual(['Tap the rhythm']);
  expect(asked('Tide, bars 1–2: Tap the rhythm, then say the notes; by the lesson play slowly')).toEqual([
    'Tap the rhythm',
    'Say the notes',
    'Play slowly',
  ]);
  expect(asked('Tide: Say the notes; by the lesson loop: the leap')).toEqual([
    'Say the notes',
    'Play slowly',
    'Loop: the leap',
  ]);
  expect(asked('Tide: Loop: the leap; bar 4')).toEqual(['Loop: the leap', 'Loop: bar 4']);
  expect(asked('Tide: whatever the teacher wrote')).toEqual([]);
});
