import { describe, expect, it } from 'vitest';
import { guessInstrument, instrumentFromWords, instrumentName } from './guess-instrument';
import { INSTRUMENT_IDS, INSTRUMENTS, instrumentOf, isInstrumentId } from './instruments';

const named = (name: string) => guessInstrument({ name, sound: null, program: null });

describe('the instrument of a part', () => {
  // Names in scores of five languages [common practice].
  it.each([
    ['Violin I', 'violin'],
    ['Violine', 'violin'],
    ['Violoncello', 'cello'],
    ['Bratsche', 'viola'],
    ['Viola', 'viola'],
    ['Kontrabass', 'bass'],
    ['Klavier', 'piano'],
    ['Pianoforte', 'piano'],
    ['Querflöte', 'flute'],
    ['Flauto', 'flute'],
    ['Blockflöte', 'recorder'],
    ['Altblockflöte', 'alto-recorder'],
    ['Bass Clarinet in B♭', 'bass-clarinet'],
    ['Clarinet in B♭', 'clarinet'],
    ['Alto Saxophone', 'saxophone'],
    ['Trompete', 'trumpet'],
    ['French Horn', 'horn'],
    ['Posaune', 'trombone'],
    ['Gitarre', 'guitar'],
    ['Voice', 'voice'],
    ['Soprano', 'voice'],
  ])('called %s is %s', (name, id) => expect(named(name)).toBe(id));
  it('is found as a whole word only, and the longest name wins', () => {
    expect(named('Violinist’s notebook')).toBeNull();
    expect(named('Tenor banjo')).toBe('tenor-banjo');
    expect(named('')).toBeNull();
  });
  it('is told by its sound where the name says nothing, then by its program', () => {
    const said = (sound: string | null, program: number | null) => guessInstrument({ name: 'Part 1', sound, program });
    expect(said('wind.flutes.flute', null)).toBe('flute');
    expect(said('wind.flutes.flute.alto', null)).toBe('flute');
    expect(said('wind.flutes', null)).toBe('flute');
    expect(said('synth.pad.halo', null)).toBeNull();
    // General MIDI counts the violin as 41 from 1.
    expect(said(null, 40)).toBe('violin');
    expect(said('wind.flutes.flute', 40)).toBe('flute');
    expect(said(null, 127)).toBeNull();
  });
  it('keeps the words of what it does not know', () => {
    expect(instrumentFromWords('glass harp')).toEqual({ instrument: 'other', instrumentWords: 'glass harp' });
    expect(instrumentName({ instrument: 'other', instrumentWords: 'glass harp' })).toBe('glass harp');
    expect(instrumentName({ instrument: 'viola' })).toBe('viola');
  });
});

describe('every instrument', () => {
  it.each(INSTRUMENT_IDS)('%s is found by its own name and holds together', (id) => {
    const it = INSTRUMENTS[id];
    expect(instrumentOf(id)).toBe(it);
    if (id !== 'other') expect(named(it.name)).toBe(id);
    if (it.range !== null) expect(it.range[0]).toBeLessThan(it.range[1]);
    expect(it.clefs.length).toBeGreaterThan(0);
  });
  it('has names that no other one has', () => {
    const all = INSTRUMENT_IDS.flatMap((id) => [...new Set([INSTRUMENTS[id].name, ...INSTRUMENTS[id].names])]);
    expect(new Set(all.map((n) => n.toLowerCase())).size).toBe(all.length);
  });
  it('is known by id', () => {
    expect(isInstrumentId('viola')).toBe(true);
    expect(isInstrumentId('toString')).toBe(false);
  });
  // Written pitch against sounding pitch [common practice]: a C on the page sounds…
  it.each([
    ['trumpet', -2],
    ['clarinet', -2],
    ['horn', -7],
    ['flute', 0],
    ['guitar', -12],
    ['bass', -12],
  ] as const)('%s sounds %d semitones from the page', (id, semitones) =>
    expect(instrumentOf(id).transposition).toBe(semitones),
  );
});
