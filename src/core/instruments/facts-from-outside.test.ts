// What the tool knows of instruments against what others wrote of them.
import { Midi } from '@tonejs/midi';
import { describe, expect, it } from 'vitest';
import { INSTRUMENT_IDS, INSTRUMENTS, type InstrumentId } from './instruments';
import { tunedTo, withCapo } from './instrument';

/** The name that General MIDI has for a program, from 0, as the library @tonejs/midi knows it. */
const programName = (program: number): string => {
  const track = new Midi().addTrack();
  track.instrument.number = program;
  return track.instrument.name;
};
const ours = INSTRUMENT_IDS.filter((id) => INSTRUMENTS[id].programs.length > 0);
const open = (id: InstrumentId): readonly number[] => {
  const { fingers } = INSTRUMENTS[id];
  return fingers && (fingers.kind === 'fretted' || fingers.kind === 'bowed') ? fingers.strings.map((s) => s.key) : [];
};

describe('General MIDI', () => {
  /** What General MIDI calls those of ours that it calls otherwise. */
  const OTHERWISE: Partial<Readonly<Record<InstrumentId, RegExp>>> = {
    // Whatever has a keyboard is fingered as a piano.
    piano: /piano|harpsichord|clavi|organ|celesta/,
    violin: /violin|fiddle/,
    bass: /contrabass|acoustic bass/,
    'bass-guitar': /electric bass|slap bass|fretless bass|synth bass/,
    guitar: /guitar/,
    saxophone: /sax/,
    horn: /french horn/,
    voice: /choir|voice|oohs/,
    'tenor-banjo': /banjo/,
    'alto-recorder': /recorder/,
    'recorder-german': /recorder/,
    'alto-recorder-german': /recorder/,
    'bass-clarinet': /clarinet/,
    percussion: /drum|percussion|timpani|marimba|xylophone|vibraphone|glockenspiel|bell|music box|agogo|woodblock|tom/,
    // What we have no fingers for.
    other: /accordion|harmonica|harp|english horn|pan flute|shakuhachi|whistle|ocarina/,
    cornet: /trumpet/,
    euphonium: /tuba|trombone/,
  };
  it.each(ours)('has the programs of %s under that name', (id) => {
    for (const program of INSTRUMENTS[id].programs)
      expect(programName(program), `program ${program}`).toMatch(OTHERWISE[id] ?? new RegExp(INSTRUMENTS[id].name));
  });
  it('gives no program to two instruments', () => {
    const all = ours.flatMap((id) => [...INSTRUMENTS[id].programs]);
    expect(new Set(all).size).toBe(all.length);
  });
});

describe('strings', () => {
  // Usual tunings, highest string first, sounding [common practice].
  it.each([
    ['violin', [76, 69, 62, 55]],
    ['viola', [69, 62, 55, 48]],
    ['cello', [57, 50, 43, 36]],
    ['bass', [43, 38, 33, 28]],
    ['guitar', [64, 59, 55, 50, 45, 40]],
    ['ukulele', [69, 64, 60, 67]],
    ['mandolin', [76, 69, 62, 55]],
    ['banjo', [62, 59, 55, 50, 67]],
    ['tenor-banjo', [69, 62, 55, 48]],
  ] as const)('of the %s', (id, keys) => expect(open(id)).toEqual(keys));
  it('of the bowed are a fifth apart, those of the double bass a fourth', () => {
    const steps = (id: InstrumentId) => open(id).flatMap((key, i, all) => (i === 0 ? [] : [(all[i - 1] ?? 0) - key]));
    for (const id of ['violin', 'viola', 'cello'] as const) expect(steps(id)).toEqual([7, 7, 7]);
    expect(steps('bass')).toEqual([5, 5, 5]);
  });
  it('may be tuned otherwise and have a capo; the drone of a banjo begins at its own fret', () => {
    const { fingers } = INSTRUMENTS.banjo;
    if (fingers?.kind !== 'fretted') throw new Error('a banjo has frets');
    expect(fingers.nut).toEqual([0, 0, 0, 0, 5]);
    const tuned = tunedTo(fingers, [62, 60, 55, 48, 67]);
    expect(tuned.strings.map((s) => s.key)).toEqual([62, 60, 55, 48, 67]);
    expect(tuned.nut).toEqual(fingers.nut);
    const high = withCapo(fingers, 3);
    expect(high.strings.map((s) => s.key)).toEqual(open('banjo').map((key) => key + 3));
    expect(high.frets).toBe(fingers.frets - 3);
    expect(withCapo(fingers, 100).frets).toBe(1);
  });
});

describe('ranges', () => {
  // Lowest sounding note [common practice]; professional upper ends differ from book to book and are not compared.
  it.each([
    ['piano', 21],
    ['violin', 55],
    ['viola', 48],
    ['cello', 36],
    ['bass', 28],
    ['guitar', 40],
    ['flute', 59],
    ['oboe', 58],
    ['clarinet', 50],
    ['bassoon', 34],
    ['trumpet', 52],
    ['trombone', 40],
    ['recorder', 72],
    ['alto-recorder', 65],
  ] as const)('%s begins about key %i', (id, lowest) => {
    const { range } = INSTRUMENTS[id];
    // Flutes go to B or C, trombones to E or further with the pedal notes.
    expect(Math.abs((range?.[0] ?? 0) - lowest)).toBeLessThanOrEqual(1);
  });
  it('reach from the lowest open string of an instrument that has strings', () => {
    for (const id of INSTRUMENT_IDS) {
      const lowest = Math.min(...open(id));
      if (Number.isFinite(lowest)) expect(INSTRUMENTS[id].range?.[0], id).toBe(lowest);
    }
  });
});

describe('who breathes', () => {
  it('are winds and singers, and nobody else', () => {
    for (const id of INSTRUMENT_IDS) {
      const { breathes, family } = INSTRUMENTS[id];
      if (id !== 'other') expect(breathes, id).toBe(['woodwind', 'brass', 'voice'].includes(family));
    }
  });
});
