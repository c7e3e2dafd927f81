import { describe, expect, it } from 'vitest';
import { piece } from '@/core/commands/stored-for-tests';
import { playedBy } from '@/core/players';
import { playerFor } from '@/core/studio';
import { scoreOfAbc } from '@/core/studio/abc-for-tests';
import type { SoundAsked } from './room-task';
import {
  backingsOf,
  familyIn,
  soundedMusic,
  taskSound,
  voicesOf,
  type SoundPlaces,
  type SoundedMusic,
} from './task-sound';

/** A piece as a stage has it, for whoever usually plays it. */
function contextOf(abc: string, instrument: Parameters<typeof piece>[0] = {}): SoundedMusic {
  const score = scoreOfAbc(abc);
  const row = piece(instrument);
  const player = playerFor(score, row, null);
  return soundedMusic({
    piece: row,
    student: null,
    score,
    player,
    played: playedBy(score, player),
    places: [],
    place: null,
  });
}
const SONG = contextOf('X:1\nM:4/4\nL:1/4\nK:C\n"C"C4|"C"D4|"G7"E4|"C"F4|]', { instrument: 'guitar' });
const PIANO = contextOf(
  'X:1\nM:3/4\nL:1/4\n%%score {R L}\nV:R clef=treble\nV:L clef=bass\nK:C\n[V:R] c3|d3|e3|f3|]\n[V:L] C,3|D,3|E,3|F,3|]',
  { instrument: 'piano' },
);
const PLACES: SoundPlaces = {
  phraseEnds: [1],
  starts: [0, 2],
  beat: 1,
  ornamentStyle: 'early',
  ornamentStyles: new Map(),
};
const asked = (more: Partial<SoundAsked> = {}): SoundAsked => ({
  way: 'play',
  heard: 'mine',
  loop: 'once',
  click: 'none',
  parts: 1,
  backing: null,
  tempo: 60,
  range: [0, 3],
  start: null,
  seed: 1,
  ...more,
});
const sound = (context: SoundedMusic, more: Partial<SoundAsked> = {}) => taskSound(context, [], PLACES, asked(more));

describe('what can be heard of a task', () => {
  it('is the hands of a keyboard player, the chords of a song, never what is not there', () => {
    expect(voicesOf(PIANO, [0, 3])).toEqual(['mine', 'right', 'left', 'none']);
    expect(voicesOf(SONG, [0, 3])).toEqual(['mine', 'chords', 'chords-mine', 'none']);
    expect(backingsOf(PIANO, 0)).toEqual([]);
    expect(backingsOf(SONG, 0)[0]).toBe('bass-and-brush');
  });
  it('is played by its own instrument, the chords by a plucked one', () => {
    expect(familyIn(SONG)('backing')).toBe('fretted');
    expect(familyIn(PIANO)(PIANO.played.parts[0]?.id ?? '')).toBe('keyboard');
  });
});

describe('a task as it sounds', () => {
  it('has only the hand that is asked for, a bar of count in front', () => {
    const left = sound(PIANO, { heard: 'left' });
    expect(left.sounds.map((s) => s.midi)).toEqual([48, 50, 52, 53]);
    expect(left.sounds[0]?.at).toBe(3);
    expect(left.clicks.map((c) => c.count)).toEqual([1, 2, 3]);
  });
  it('begins from a bar that was touched, the loop after it from its own first', () => {
    expect(sound(PIANO, { start: 2 }).bars.map((b) => b.bar)).toEqual([2, 3]);
    const looped = sound(PIANO, { start: 2, loop: 'beat' }).bars.map((b) => b.bar);
    expect(looped.slice(0, 6)).toEqual([2, 3, 0, 1, 2, 3]);
  });
  it('leaves one beat, two, or a bar between two times', () => {
    const second = (loop: SoundAsked['loop']): number =>
      sound(PIANO, { loop, range: [0, 0] }).sounds.filter((s) => s.staff === 1)[1]?.at ?? 0;
    expect([second('beat'), second('two-beats'), second('bar'), second('count')]).toEqual([7, 8, 9, 9]);
  });
  it('is called and answered chord by chord on a guitar, in two bars elsewhere', () => {
    const calls = (context: SoundedMusic) =>
      sound(context, { way: 'call' }).phases.flatMap((p) => (p.kind === 'listen' ? [[p.from, p.to]] : []));
    expect(calls(SONG)).toEqual([
      [0, 1],
      [2, 2],
      [3, 3],
    ]);
    expect(calls(PIANO)).toEqual([
      [0, 1],
      [2, 3],
    ]);
    // Nobody can answer what is not heard.
    expect(sound(PIANO, { way: 'call', heard: 'none' }).sounds.length).toBe(8);
  });
  it('goes line by line where its phrases end', () => {
    const lines = sound(PIANO, { way: 'lines' }).phases.map((p) => [p.kind, p.from, p.to]);
    expect(lines).toEqual([
      ['together', 0, 1],
      ['answer', 0, 1],
      ['together', 2, 3],
      ['answer', 2, 3],
      ['together', 0, 3],
    ]);
  });
  it('has the chords with the own part softly under them', () => {
    const { sounds } = sound(SONG, { heard: 'chords-mine', backing: 'waltz' });
    const own = sounds.filter((s) => s.part !== 'backing');
    expect(own).toHaveLength(4);
    expect(Math.max(...own.map((s) => s.loud))).toBeLessThan(0.5);
    expect(sounds.some((s) => s.part === 'backing')).toBe(true);
  });
  it('draws the same places from the same seed', () => {
    const drawn = (seed: number) => sound(PIANO, { loop: 'drawn', seed }).phases.map((p) => p.from);
    expect(drawn(7)).toEqual(drawn(7));
    expect(new Set(drawn(7))).toEqual(new Set([0, 2]));
  });
});
