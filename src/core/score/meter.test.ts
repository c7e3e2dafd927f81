import { describe, expect, it } from 'vitest';
import { fractionText } from './fraction';
import { meterBeats, meterQuarters, meterText, parseMeter } from './meter';

const meter = (text: string) => {
  const found = parseMeter(text);
  if (!found) throw new Error(`not a meter: ${text}`);
  return found;
};

// Beats as counted, common practice.
describe('meters', () => {
  it.each([
    ['4/4', '4', '1 1 1 1'],
    ['3/4', '3', '1 1 1'],
    ['2/2', '4', '2 2'],
    ['6/8', '3', '3/2 3/2'],
    ['3/8', '3/2', '3/2'],
    ['9/8', '9/2', '3/2 3/2 3/2'],
    ['6/4', '6', '3 3'],
    ['5/8', '5/2', '3/2 1'],
    ['2+2+3/8', '7/2', '1 1 3/2'],
    ['2/4+3/8', '7/2', '1 1 3/2'],
  ])('%s is %s quarters in beats of %s', (text, quarters, beats) => {
    expect(fractionText(meterQuarters(meter(text)))).toBe(quarters);
    expect(meterBeats(meter(text)).map(fractionText).join(' ')).toBe(beats);
    expect(meterText(meter(text))).toBe(text);
  });
  it('reads common and cut time, and free bars', () =>
    expect(['C', 'C|', 'free'].map((t) => meterText(meter(t)))).toEqual(['4/4', '2/2', 'free']));
  it('refuses what is no meter', () =>
    expect(['', '4', '4/3', '0/4', '4/4x', '65/4'].map(parseMeter)).toEqual([null, null, null, null, null, null]));
});
