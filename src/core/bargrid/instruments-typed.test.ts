import { describe, expect, it } from 'vitest';
import { playerChoices } from '../players';
import { openAbc, openGrid } from '../studio';
import { emptyGrid, type Grid } from '.';

const keysOf = (voice: string, music = 'C'): readonly (number | null)[] => {
  const opened = openAbc(`X:1\nL:1/4\nM:4/4\n${voice}\nK:C\n${music}4 |]`, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value.read.score.notes.map((n) => n.midi);
};
/** The C that is read as middle C where nothing moves it. */
const MIDDLE = 60;

// How far instruments sound from the page: common practice.
describe('a typed voice', () => {
  it.each([
    ['V:1 name="Double Bass" clef=bass', MIDDLE - 12],
    ['V:1 name="Guitar"', MIDDLE - 12],
    ['V:1 name="Guitar" clef=treble-8', MIDDLE - 12],
    ['V:1 name="Piccolo"', MIDDLE + 12],
    ['V:1 name="Tenor"', MIDDLE - 12],
    ['V:1 name="Tenor" clef=treble-8', MIDDLE - 12],
    ['V:1 name="Tenor" clef=bass', MIDDLE],
    ['V:1 name="Violin"', MIDDLE],
    ['V:1 clef=bass+8', MIDDLE + 12],
  ])('%s sounds where it should', (voice, key) => expect(keysOf(voice)).toEqual([key]));
  it('is typed as it sounds where an instrument is built in a key, unless it says how far it moves', () => {
    expect(keysOf('V:1 name="Clarinet"')).toEqual([MIDDLE]);
    expect(keysOf('V:1 name="Clarinet" transpose=-2')).toEqual([MIDDLE - 2]);
    expect(keysOf('V:1 name="Guitar" transpose=0')).toEqual([MIDDLE]);
  });
  it('has the program that is said for it', () => {
    const opened = openAbc('X:1\nL:1/4\nM:4/4\nV:1\n%%MIDI program 73\nK:C\nC4 |]', 'x.abc');
    expect(opened.ok && playerChoices(opened.value.read.score)[0]?.told).toMatchObject({
      instrument: 'flute',
      by: 'program',
    });
  });
});

describe('a page laid out as bars', () => {
  const gridKeys = (instrument: string, clef: Grid['clef']) => {
    const grid = emptyGrid({
      title: '',
      composer: '',
      bars: 1,
      staves: 1,
      clef,
      instrument,
      meter: '4/4',
      key: 'C',
      pickup: '',
      perMinute: null,
    });
    const opened = openGrid({ ...grid, bars: grid.bars.map((b) => ({ ...b, typed: ['C8'] })) }, 'x');
    if (!opened.ok) throw new Error(opened.issue.message);
    const { score } = opened.value.read;
    return [score.notes[0]?.midi, playerChoices(score)[0]?.told.instrument];
  };
  it.each([
    ['guitar', 'treble', MIDDLE - 12, 'guitar'],
    ['guitar', 'treble-8', MIDDLE - 12, 'guitar'],
    ['double bass', 'bass', MIDDLE - 12, 'bass'],
    ['clarinet', 'treble', MIDDLE - 2, 'clarinet'],
    ['horn', 'treble', MIDDLE - 7, 'horn'],
    ['piccolo', 'treble', MIDDLE + 12, 'piccolo'],
    ['viola', 'alto', MIDDLE, 'viola'],
    ['tenor', 'treble-8', MIDDLE - 12, 'voice'],
  ] as const)('for the %s in the %s clef is typed as it is read and sounds where it should', (name, clef, key, id) => {
    expect(gridKeys(name, clef)).toEqual([key, id]);
  });
});
