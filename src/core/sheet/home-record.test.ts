import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayAfter } from '../studio';
import { homeRecordPlace, PAPER, placeOfRecord } from './home-record';

describe('an id of what came from home', () => {
  it('names its week, device, day and task again', () => {
    fc.assert(
      fc.property(fc.nat(0xffffffff), fc.nat(0xffff), fc.nat(3000), fc.nat(0xffff), (week, device, after, task) => {
        const place = { week, device, day: dayAfter('2026-01-01', after), task };
        expect(placeOfRecord(`${homeRecordPlace(place)}5-4-3-2-60-1`)).toEqual(place);
      }),
    );
  });
  it('is told from every other id', () => {
    expect(placeOfRecord('8d1f3f1a-3f0c-4f5e-9d3c-2b1a0f9e8d7c')).toBeNull();
    expect(placeOfRecord(`${homeRecordPlace({ week: 1, device: PAPER, day: '2026-11-24', task: 2 })}`)?.device).toBe(0);
  });
});
