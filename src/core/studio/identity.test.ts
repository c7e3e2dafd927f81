import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contentHash } from './content-hash';
import { ladderId, placeId, rungId, sectionId } from './identity';
import { clampTempo, clampText, MOST } from './limits';

describe('ids from places', () => {
  it('are one for one place and two for two, whatever the parts hold', () => {
    fc.assert(
      fc.property(fc.array(fc.string(), { maxLength: 4 }), fc.array(fc.string(), { maxLength: 4 }), (a, b) => {
        const same = a.length === b.length && a.every((x, i) => x === b[i]);
        // No parts at all and one empty part are the only two that look alike.
        if (a.join('') === '' && b.join('') === '' && a.length < 2 && b.length < 2) return;
        expect(placeId(...a) === placeId(...b)).toBe(same);
      }),
    );
    expect(placeId('finger', 'p', 'n1')).toBe('finger~p~n1');
    expect(placeId('a~b', 'c')).not.toBe(placeId('a', 'b~c'));
    expect(placeId('a%7Eb')).not.toBe(placeId('a~b'));
    expect(ladderId('s')).toBe('ladder~s');
    expect(rungId('s', 'run')).toBe('rung~s~run');
  });
  it('of sections tell hands and offsets apart, and number a second one at one place', () => {
    const place = { pieceId: 'p', fromBar: 'b1', fromOffset: '0', toBar: 'b4', toOffset: null, hand: 'all' };
    const first = sectionId(place, new Set());
    expect(first).toBe('section~p~b1~0~b4~end~all');
    expect(sectionId({ ...place, hand: 'left' }, new Set([first]))).not.toBe(first);
    expect(sectionId({ ...place, toOffset: '2' }, new Set())).toBe('section~p~b1~0~b4~2~all');
    const second = sectionId(place, new Set([first]));
    expect(second).toBe(`${first}~2`);
    expect(sectionId(place, new Set([first, second]))).toBe(`${first}~3`);
  });
});

describe('what is kept within limits', () => {
  it('is cut at a word, never longer than allowed, and left alone where it fits', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 80 }), fc.integer({ min: 2, max: 60 }), (text, most) => {
        const cut = clampText(text, most);
        expect(cut.length).toBeLessThanOrEqual(most);
        if (text.length <= most) expect(cut).toBe(text);
        else expect(cut.endsWith('…') && text.startsWith(cut.slice(0, -1))).toBe(true);
      }),
    );
    expect(clampText('one two three four', 15)).toBe('one two three…');
    expect(clampText('one twothreefourfive', 12)).toBe('one twothre…');
    expect(clampText('x'.repeat(400), MOST.title).length).toBe(300);
  });
  it('is a whole tempo from 10 to 600', () => {
    expect([3, 9.6, 10, 72.4, 600.4, 9000].map(clampTempo)).toEqual([10, 10, 10, 72, 600, 600]);
  });
});

describe('a hash of content', () => {
  it('does not see the order of keys, and sees everything else', () => {
    expect(contentHash({ a: 1, b: [1, 2] })).toBe(contentHash({ b: [1, 2], a: 1 }));
    const different = [{ a: 1 }, { a: 2 }, { a: '1' }, { b: 1 }, { a: [1, 2] }, { a: [2, 1] }, null, ''];
    expect(new Set(different.map(contentHash)).size).toBe(different.length);
  });
});
