import { describe, expect, it } from 'vitest';
import { PLAIN_PLAN, timedMusic } from '../performance';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { judgeTaps, leaningBeats, leaningWords, rhythmIsThere, tappedOf, tapReport, tapRow } from '.';

const score = scoreOfAbc('X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:C\nC [DF] E2 | G/2A/2 B2 z |]');
const row = tapRow(timedMusic(score, { ...PLAIN_PLAN, to: 1 }).sounds);
const name = (bar: number): string => `bar ${bar + 1}`;

describe('a rhythm tapped', () => {
  it('has a stroke for each moment at which something begins', () => {
    expect(row.map((n) => [n.at, n.bar])).toEqual([
      [0, 0],
      [1, 0],
      [2, 0],
      [4, 1],
      [4.5, 1],
      [5, 1],
    ]);
  });
  it('is told bar by bar: what is early, late, missed, too much', () => {
    const taps = [0, 1, 2.25, 3.2, 4, 5];
    const { right, of, sentences } = tapReport(judgeTaps(row, taps, { beat: 1, withoutLead: false }), name);
    expect([right, of]).toEqual([4, 6]);
    expect(sentences).toEqual(['4 of 6 in time.', 'In bar 1: 1 late.', 'In bar 2: 1 missed.', '1 tap too many.']);
  });
  it('says of a steady lead that it may be the device', () => {
    const taps = row.map((n) => n.at - 0.07);
    const { sentences } = tapReport(judgeTaps(row, taps, { beat: 1, withoutLead: true }), name);
    expect(sentences[0]).toBe('6 of 6 in time.');
    expect(sentences[1]).toContain('ahead by about 70');
  });
});

describe('a beat that leans', () => {
  // Four bars of one rhythm and one of another: long, short short, long.
  const four = scoreOfAbc('X:1\nM:2/4\nL:1/8\nQ:1/4=60\nK:C\nC2DE|F2GA|B2cd|C2DE|C4|]');
  const beats = tapRow(timedMusic(four, { ...PLAIN_PLAN, to: 4 }).sounds);
  const placeOf = (noteId: string) => {
    const note = four.notes.find((n) => n.id === noteId);
    const bar = note && four.bars[note.bar];
    const eighth = note && bar ? ((note.onset - bar.onset) * 2) / four.ticksPerQuarter : 0;
    return { cell: bar?.index === 4 ? 'b' : 'a', count: ['1', '1 &', '2', '2 &'][eighth] ?? '' };
  };
  const tapped = (wrong: (at: number, bar: number) => number | null) =>
    judgeTaps(
      beats,
      beats.flatMap(({ at, bar }) => {
        const off = wrong(at, bar);
        return off === null ? [] : [at + off];
      }),
      { beat: 1, withoutLead: false },
    );
  it('is named with its rhythm where it goes the same way again and again', () => {
    const judged = tapped((at) => (at % 2 === 1.5 ? -0.2 : 0.01));
    expect(leaningBeats(judged, placeOf).map(leaningWords)).toEqual([
      'In rhythm a, “2 &” comes early: 4 of 4 times, by about 200 thousandths of a second.',
    ]);
  });
  it('is not named for a slip, nor where it goes both ways', () => {
    expect(
      leaningBeats(
        tapped((at) => (at === 1.5 ? -0.2 : 0)),
        placeOf,
      ),
    ).toEqual([]);
    expect(
      leaningBeats(
        tapped((at, bar) => (at % 2 === 1.5 ? (bar % 2 ? 0.2 : -0.2) : 0)),
        placeOf,
      ),
    ).toEqual([]);
    expect(
      leaningBeats(
        tapped((at, bar) => (at % 2 === 1 && bar < 3 ? null : 0)),
        placeOf,
      ),
    ).toMatchObject([{ cell: 'a', count: '2', verdict: 'missed', times: 3, of: 4, off: null }]);
  });
  it('counts what was too much against what was in time', () => {
    const [sum] = [tappedOf([judgeTaps(row, [0, 1, 2, 3.2, 4, 4.5, 5], { beat: 1, withoutLead: false })])];
    expect(sum).toEqual({ right: 6, of: 7 });
    expect(rhythmIsThere({ right: 6, of: 7 })).toBe(false);
    expect(rhythmIsThere({ right: 9, of: 10 })).toBe(true);
    expect(rhythmIsThere({ right: 3, of: 3 })).toBeNull();
  });
});
