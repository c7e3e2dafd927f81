import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Score } from '../score';
import { scoreOfAbc } from '../studio/abc-for-tests';
import {
  backingsFor,
  BACKINGS,
  barSpans,
  callAndAnswer,
  chordSpans,
  fromDrawnStarts,
  growing,
  lineByLine,
  lineSpans,
  PLAIN_PLAN,
  timedMusic,
  type SoundPlan,
} from '.';

const abc = (music: string, meter = '4/4'): Score => scoreOfAbc(`X:1\nM:${meter}\nL:1/4\nQ:1/4=60\nK:C\n${music}`);
const plan = (score: Score, more: Partial<SoundPlan> = {}): SoundPlan => ({
  ...PLAIN_PLAN,
  to: score.bars.length - 1,
  tempo: 60,
  countInBars: 1,
  ...more,
});
const EIGHT = 'C4|D4|E4|F4|G4|A4|B4|c4|]';

describe('pieces of a range', () => {
  it('takes a pick-up with the first, and a short rest with the last', () => {
    expect(barSpans(abc('G|C4|D4|E4|F4|]'), 0, 4, 2)).toEqual([
      [0, 2],
      [3, 4],
    ]);
    expect(barSpans(abc('C4|D4|E4|F4|G4|]'), 0, 4, 4)).toEqual([[0, 4]]);
  });
  it('cuts lines where phrases end, and long ones in half', () => {
    expect(lineSpans(abc(EIGHT), 0, 7, [2])).toEqual([
      [0, 2],
      [3, 7],
    ]);
    expect(lineSpans(abc(EIGHT), 0, 7, [])).toEqual([
      [0, 3],
      [4, 7],
    ]);
  });
  it('goes chord by chord where chords are printed', () => {
    expect(chordSpans(abc('"C"C4|D4|"G"E4|"C"F2"F"G2|A4|]'), 0, 4)).toEqual([
      [0, 1],
      [2, 2],
      [3, 3],
      [4, 4],
    ]);
  });
  it('leaves no bar out and has none twice', () => {
    const score = abc(EIGHT);
    fc.assert(
      fc.property(
        fc.nat(7),
        fc.nat(7),
        fc.integer({ min: 1, max: 5 }),
        fc.array(fc.nat(7), { maxLength: 4 }),
        (a, b, size, ends) => {
          const [from, to] = [Math.min(a, b), Math.max(a, b)];
          const all = Array.from({ length: to - from + 1 }, (_, i) => from + i);
          for (const spans of [barSpans(score, from, to, size), lineSpans(score, from, to, ends)])
            expect(spans.flatMap(([x, y]) => Array.from({ length: y - x + 1 }, (_, i) => x + i))).toEqual(all);
        },
      ),
    );
  });
});

// Handbook chapter 16 **[common practice]**.
describe('call and answer', () => {
  const score = abc(EIGHT);
  const music = callAndAnswer(score, plan(score), barSpans(score, 0, 7, 2));
  it('lets two bars sound and two bars be answered, through the piece', () => {
    expect(music.phases.map((p) => [p.at, p.kind, p.from, p.to])).toEqual([
      [0, 'listen', 0, 1],
      [12, 'answer', 0, 1],
      [20, 'listen', 2, 3],
      [28, 'answer', 2, 3],
      [36, 'listen', 4, 5],
      [44, 'answer', 4, 5],
      [52, 'listen', 6, 7],
      [60, 'answer', 6, 7],
    ]);
    expect(music.seconds).toBe(68);
  });
  it('has no note in an answer and no click in a call, but four clicks in front', () => {
    const answers = music.phases.filter((p) => p.kind === 'answer').map((p) => p.at);
    const inAnswer = (at: number): boolean => answers.some((from) => at >= from && at < from + 8);
    expect(music.sounds.some((s) => inAnswer(s.at))).toBe(false);
    expect(music.clicks.filter((c) => !inAnswer(c.at)).map((c) => c.at)).toEqual([0, 1, 2, 3]);
    expect(music.clicks.filter((c) => inAnswer(c.at))).toHaveLength(32);
  });
});

describe('line by line', () => {
  it('goes slowly with time to try again, then at tempo with all repeats and verses', () => {
    const score = abc('|:C4|D4:|]');
    const music = lineByLine(score, plan(score), lineSpans(score, 0, 1, []), 2);
    expect(music.phases.map((p) => p.kind)).toEqual(['together', 'answer', 'together', 'together']);
    // A bar and two bars at 42, the same again; a bar at 60, four bars, four bars.
    const slow = (12 * 60) / 42;
    expect(music.phases.map((p) => Math.round(p.at * 100) / 100)).toEqual(
      [0, slow, 2 * slow, 2 * slow + 4 + 16].map((s) => Math.round(s * 100) / 100),
    );
    expect(music.bars.map((b) => b.bar)).toEqual([0, 1, 0, 1, 0, 1, 0, 1, 0, 1, 0, 1]);
    expect(music.sounds).toHaveLength(10);
  });
});

describe('a loop that grows', () => {
  const score = abc('C4|D4|E4|]');
  it('from the first bar, and from the last backwards', () => {
    const bars = (from: 'first' | 'last'): string =>
      growing(score, plan(score), from, 1)
        .bars.map((b) => b.bar + 1)
        .join('');
    expect(bars('first')).toBe('112123');
    expect(bars('last')).toBe('323123');
  });
  it('is counted in at every size', () => {
    const { clicks, seconds } = growing(score, plan(score), 'last', 2);
    expect(clicks.filter((c) => c.before)).toHaveLength(12);
    expect(seconds).toBe(3 * 4 + 2 * (4 + 8 + 12));
  });
});

it('drawn places: to the end of the range, none twice in a row', () => {
  const score = abc(EIGHT);
  fc.assert(
    fc.property(fc.integer(), (seed) => {
      const { phases } = fromDrawnStarts(score, plan(score, { from: 1, seed }), [0, 2, 4, 6], 6);
      expect(phases.every((p) => [2, 4, 6].includes(p.from) && p.to === 7)).toBe(true);
      expect(phases.some((p, k) => k > 0 && p.from === phases[k - 1]?.from)).toBe(false);
    }),
  );
  expect(fromDrawnStarts(score, plan(score, { from: 3, to: 3 }), [0], 2).bars.map((b) => b.bar)).toEqual([3, 3]);
});

// Patterns of accompaniment: common practice.
describe('the chords of a song', () => {
  const song = abc('"C"C4|"G7"D4|"N.C."E4|]');
  const heard = (score: Score, more: Partial<SoundPlan>) =>
    timedMusic(score, plan(score, { countInBars: 0, presence: () => 'silent', ...more })).sounds;
  it('bass and brush: the root, the chord, the fifth, the chord', () => {
    const sounds = heard(song, { backing: 'bass-and-brush', to: 0 });
    const at = (from: number) => sounds.filter((s) => s.at >= from && s.at < from + 1).map((s) => s.midi % 12);
    expect(at(0)).toEqual([0]);
    expect(new Set(at(1))).toEqual(new Set([0, 4, 7]));
    expect(at(2)).toEqual([7]);
    expect(new Set(at(3))).toEqual(new Set([0, 4, 7]));
  });
  it('a waltz in three, two strokes a beat up and down, single strings', () => {
    const three = abc('"Am"C3|]', '3/4');
    expect(backingsFor(three.bars[0] as (typeof three.bars)[0])[0]).toBe('waltz');
    const waltz = heard(three, { backing: 'waltz' });
    expect(waltz.filter((s) => s.at < 1).map((s) => s.midi % 12)).toEqual([9]);
    expect(new Set(waltz.filter((s) => s.at >= 2).map((s) => s.midi % 12))).toEqual(new Set([9, 0, 4]));
    const strums = heard(three, { backing: 'down-and-up' });
    expect(strums.filter((s) => s.at >= 0.5 && s.at < 0.6).map((s) => s.midi)).toEqual(
      [...strums.filter((s) => s.at >= 0.5 && s.at < 0.6).map((s) => s.midi)].sort((a, b) => b - a),
    );
    const picked = heard(three, { backing: 'picked' });
    expect(new Set(picked.map((s) => s.at)).size).toBe(picked.length);
    expect(picked).toHaveLength(6);
  });
  it('is silent where no chord is named, and only ever plays tones of the chord', () => {
    for (const backing of BACKINGS) {
      const sounds = heard(song, { backing });
      expect(sounds.some((s) => s.at >= 8)).toBe(false);
      expect(sounds.filter((s) => s.at < 4).every((s) => [0, 4, 7].includes(s.midi % 12))).toBe(true);
      expect(sounds.filter((s) => s.at >= 4).every((s) => [7, 11, 2, 5].includes(s.midi % 12))).toBe(true);
    }
  });
  it('keeps its order of bars in repeats, under the melody', () => {
    const score = abc('|:"C"C4|"F"D4:|]');
    const sounds = timedMusic(score, plan(score, { countInBars: 0, repeats: true, backing: 'waltz' })).sounds;
    expect(sounds.filter((s) => s.part === 'backing' && s.midi < 52).map((s) => s.midi % 12)).toEqual([0, 5, 0, 5]);
    expect(sounds.filter((s) => s.part !== 'backing')).toHaveLength(4);
  });
});

describe('time that bends', () => {
  it('holds a fermata, and nothing under a click', () => {
    const score = abc('C3 HD|E4|]');
    const free = timedMusic(score, plan(score, { countInBars: 0, bends: true }));
    expect(free.sounds.map((s) => Math.round(s.at * 1000) / 1000)).toEqual([0, 3, 4.667]);
    const clicked = timedMusic(score, plan(score, { countInBars: 0, bends: true, click: 'beats' }));
    expect(clicked.sounds.map((s) => s.at)).toEqual([0, 3, 4]);
  });
  it('does not click where time is free', () => {
    const score = abc('C4|"^rubato"D4|"^a tempo"E4|]');
    const { clicks } = timedMusic(score, plan(score, { countInBars: 0, click: 'beats' }));
    expect(clicks.map((c) => c.at)).toEqual([0, 1, 2, 3, 8, 9, 10, 11]);
  });
});
