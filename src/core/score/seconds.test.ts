import { describe, expect, it } from 'vitest';
import { quarterBpm, ticks } from '../units';
import { pitchName, spellMidi, writtenMidi } from './pitch';
import { playingOrder } from './playing-order';
import { barSeconds, playedSeconds, quartersText, spanSeconds, tempoAt } from './seconds';
import { scoreOfAbc } from '../studio/abc-for-tests';

const score = scoreOfAbc('X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:C\n|: cdef | [Q:1/4=120] gabc :|');
const quarter = score.ticksPerQuarter;

describe('seconds', () => {
  it('follow the tempo marks', () => {
    expect(score.bars.map((bar) => barSeconds(score, bar))).toEqual([4, 2]);
    expect([tempoAt(score, ticks(0)), tempoAt(score, ticks(4 * quarter))]).toEqual([60, 120]);
  });
  it('run through a change inside the span', () =>
    expect(spanSeconds(score, ticks(2 * quarter), ticks(6 * quarter))).toBe(3));
  it('are those of one tempo when it is given', () =>
    expect(spanSeconds(score, ticks(0), ticks(8 * quarter), quarterBpm(240))).toBe(2));
  it('count repeats when the playing order does', () => {
    expect(playedSeconds(score, [0, 1])).toBe(6);
    expect(playedSeconds(score, playingOrder(score.bars).order)).toBe(12);
  });
  it('are nothing for nothing', () => expect(spanSeconds(score, ticks(5), ticks(5))).toBe(0));
  it('print lengths as exact quarters', () =>
    expect([quartersText(score, quarter / 3), quartersText(score, 3 * quarter)]).toEqual(['1/3', '3']));
});

describe('pitches', () => {
  // MIDI 1.0: note 60 is middle C.
  it('have their MIDI keys', () => {
    expect(writtenMidi({ step: 'C', alter: 0, octave: 4 })).toBe(60);
    expect(writtenMidi({ step: 'B', alter: 1, octave: 3 })).toBe(60);
    expect(writtenMidi({ step: 'A', alter: 0, octave: 4 })).toBe(69);
  });
  it('are spelled by the key and come back', () => {
    expect([pitchName(spellMidi(61, 2)), pitchName(spellMidi(61, -2))]).toEqual(['C♯4', 'D♭4']);
    for (let key = 0; key < 128; key += 1)
      for (const fifths of [-4, 0, 4]) expect(writtenMidi(spellMidi(key, fifths))).toBe(key);
  });
});
