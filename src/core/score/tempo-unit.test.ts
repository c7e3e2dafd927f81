import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseMeter } from './meter';
import { inBeats, inQuarters, tempoUnit, type TempoUnit } from './tempo-unit';

const unitOf = (meter: string): TempoUnit => tempoUnit(parseMeter(meter) ?? { parts: [], symbol: null });

describe('the beat of a tempo', () => {
  // Common practice: metronomes of method books count so.
  it.each([
    ['4/4', 'quarter'],
    ['3/4', 'quarter'],
    ['2/2', 'half'],
    ['C|', 'half'],
    ['3/2', 'half'],
    ['6/8', 'dotted quarter'],
    ['9/8', 'dotted quarter'],
    ['12/8', 'dotted quarter'],
    ['3/8', 'dotted quarter'],
    ['6/4', 'dotted half'],
    ['5/8', 'quarter'],
    ['7/8', 'quarter'],
    ['2/4+3/8', 'quarter'],
    ['free', 'quarter'],
  ])('in %s is the %s', (meter, name) => expect(unitOf(meter).name).toBe(name));

  it('is said as it was typed, whatever the meter', () => {
    const meters = fc.constantFrom('4/4', '2/2', '6/8', '3/8', '6/4', '12/8', '5/8');
    fc.assert(
      fc.property(meters, fc.integer({ min: 10, max: 250 }), (meter, typed) => {
        const unit = unitOf(meter);
        expect(inBeats(inQuarters(typed, unit), unit)).toBe(typed);
      }),
    );
  });
  it('is a dotted quarter at 60 where quarters are 90', () => expect(inBeats(90, unitOf('6/8'))).toBe(60));
});
