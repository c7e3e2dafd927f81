import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readScore } from '../musicxml';
import { playedSeconds, playingOrder, type Score } from '../score';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { looped, PLAIN_PLAN, timedMusic, type SoundPlan } from '.';

const abc = (music: string, meter = '4/4'): Score => scoreOfAbc(`X:1\nM:${meter}\nL:1/4\nQ:1/4=60\nK:C\n${music}`);
const two = (right: string, left: string): Score =>
  scoreOfAbc(
    `X:1\nM:4/4\nL:1/4\nQ:1/4=60\n%%score {R L}\nV:R clef=treble\nV:L clef=bass\nK:C\n[V:R] ${right}\n[V:L] ${left}`,
  );
const plan = (score: Score, more: Partial<SoundPlan> = {}): SoundPlan => ({
  ...PLAIN_PLAN,
  to: score.bars.length - 1,
  ...more,
});
const round = (n: number): number => Math.round(n * 1000) / 1000;

describe('a selection as it sounds', () => {
  it('has notes in seconds, ties joined, a repeat twice', () => {
    const score = abc('|: C2 D2- | D4 :| E4 |]');
    const { sounds, seconds, bars } = timedMusic(score, plan(score, { repeats: true, tempo: 120 }));
    expect(sounds.map((s) => [s.at, s.midi])).toEqual([
      [0, 60],
      [1, 62],
      [4, 60],
      [5, 62],
      [8, 64],
    ]);
    expect(bars.map((b) => [b.bar, b.turn])).toEqual([
      [0, 0],
      [1, 1],
      [0, 2],
      [1, 3],
      [2, 4],
    ]);
    expect(seconds).toBe(10);
  });
  it('lasts as long as the facts say, with and without repeats', () => {
    const score = abc('|: C4 | [Q:1/4=90] D4 :| [Q:1/4=45] E2 F2 |]');
    const { order } = playingOrder(score.bars);
    expect(timedMusic(score, plan(score, { repeats: true })).seconds).toBeCloseTo(playedSeconds(score, order), 9);
    const written = score.bars.map((b) => b.index);
    expect(timedMusic(score, plan(score)).seconds).toBeCloseTo(playedSeconds(score, written), 9);
  });
  it('plays one hand softly and the other not at all', () => {
    const score = two('c4 | d4 |]', 'C,4 | D,4 |]');
    const [part, other] = [score.notes[0], score.notes.find((n) => (n.midi ?? 0) > 60)];
    const soft = timedMusic(
      score,
      plan(score, {
        presence: (p, s) => (p === other?.part && s === other.staff ? 'soft' : 'silent'),
      }),
    );
    expect(soft.sounds.map((s) => s.midi)).toEqual([72, 74]);
    expect(soft.sounds.every((s) => s.loud < 0.3)).toBe(true);
    expect(part?.midi).toBe(48);
  });
  it('plays one voice of a staff alone', () => {
    const score = scoreOfAbc('X:1\nM:4/4\nL:1/4\n%%score (1 2)\nV:1\nV:2\nK:C\n[V:1] c2 e2|]\n[V:2] E4|]');
    const [lower] = score.notes.filter((n) => n.midi === 64).map((n) => n.voice);
    const music = timedMusic(score, plan(score, { presence: (_, __, v) => (v === lower ? 'full' : 'silent') }));
    expect(music.sounds.map((s) => s.midi)).toEqual([64]);
  });
  it('strikes what has no pitch, as a drum does, so that it can be heard and tapped', () => {
    const read = readScore(
      `<score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Drum</part-name></score-part></part-list><part id="P1"><measure number="1"><attributes><divisions>1</divisions><time><beats>2</beats><beat-type>4</beat-type></time></attributes>${'<note><unpitched><display-step>E</display-step><display-octave>4</display-octave></unpitched><duration>1</duration><type>quarter</type></note>'.repeat(2)}</measure></part></score-partwise>`,
      'drum.musicxml',
    );
    const drums = read.ok ? read.value.score : null;
    expect(drums && timedMusic(drums, plan(drums, { tempo: 60 })).sounds.map((s) => s.at)).toEqual([0, 1]);
  });
  it('shortens what is dotted and holds what is slurred', () => {
    const score = abc('.C D (E F) |]');
    expect(timedMusic(score, plan(score)).sounds.map((s) => round(s.seconds))).toEqual([0.5, 0.92, 1, 0.92]);
  });
  it('grows louder under a hairpin, up to the level behind it', () => {
    const score = abc('!p! C !<(! D E F !<)! | !f! G4 |]');
    const loud = timedMusic(score, plan(score)).sounds.map((s) => s.loud);
    for (let i = 2; i < loud.length; i += 1) expect(loud[i]).toBeGreaterThan(loud[i - 1] ?? 0);
    expect(round((loud[0] ?? 0) * 127)).toBe(49);
    expect(round((loud[4] ?? 0) * 127)).toBe(96);
  });
  it('broadens at a ritardando where there is no click, and is back behind it', () => {
    const score = abc('C4 | "^rit."D4 | "^a tempo"E4 |]');
    const strict = timedMusic(score, plan(score));
    const free = timedMusic(score, plan(score, { bends: true }));
    expect(free.bars.map((b) => round(b.at)).slice(0, 2)).toEqual([0, 4]);
    // From 60 to 42 in four quarters: 240 / -18 times the logarithm of 0.7 (the integral of 60 over the tempo).
    expect(free.bars[2]?.at).toBeCloseTo(4 + (240 / -18) * Math.log(0.7), 9);
    expect(free.seconds - (free.bars[2]?.at ?? 0)).toBeCloseTo(4, 9);
    expect(timedMusic(score, plan(score, { bends: true, click: 'beats' })).seconds).toBe(strict.seconds);
  });
});

describe('the click', () => {
  const at = (score: Score, more: Partial<SoundPlan>): (readonly [number, string])[] =>
    timedMusic(score, plan(score, more)).clicks.map((c) => [round(c.at), c.strength]);
  it('counts a bar in, and fills what a pick-up lacks', () => {
    const score = abc('G | C4 |]');
    const music = timedMusic(score, plan(score, { countInBars: 1 }));
    expect(music.clicks.map((c) => [c.at, c.count])).toEqual([
      [0, 1],
      [1, 2],
      [2, 3],
      [3, 4],
      [4, 1],
      [5, 2],
      [6, 3],
    ]);
    expect(music.sounds[0]?.at).toBe(7);
    expect(music.before).toBe(7);
  });
  it('counts two bars in at the tempo chosen', () => {
    const score = abc('C4 |]');
    const music = timedMusic(score, plan(score, { countInBars: 2, tempo: 120, share: 0.5 }));
    expect(music.clicks).toHaveLength(8);
    expect(music.before).toBe(8);
  });
  it('beats 6/8 in two, and 3+2 eighths long and short', () => {
    expect(at(scoreOfAbc('X:1\nM:6/8\nL:1/8\nQ:1/4=60\nK:C\nC3 D3 |]'), { click: 'beats' })).toEqual([
      [0, 'strong'],
      [1.5, 'beat'],
    ]);
    expect(at(scoreOfAbc('X:1\nM:3+2/8\nL:1/8\nQ:1/4=60\nK:C\nC3 D2 |]'), { click: 'beats' })).toEqual([
      [0, 'strong'],
      [1.5, 'beat'],
    ]);
  });
  it('divides a beat, and leaves beats out as it is told', () => {
    const four = abc('C4 | D4 | E4 | F4 |]');
    expect(at(four, { click: 'beats', parts: 2 })).toHaveLength(32);
    expect(at(four, { click: 'strong' }).map(([t]) => t)).toEqual([0, 4, 8, 12]);
    expect(at(four, { click: 'second-bar' }).map(([t]) => t)).toEqual([0, 1, 2, 3, 8, 9, 10, 11]);
    expect(at(four, { click: 'silent-fourth' }).map(([t]) => t)).not.toContain(12);
    const drawn = at(four, { click: 'chance', seed: 7 });
    expect(drawn).toEqual(at(four, { click: 'chance', seed: 7 }));
    expect(drawn.length).toBeLessThan(16);
    expect(drawn.filter(([, strength]) => strength === 'strong')).toHaveLength(4);
  });
});

describe('laws', () => {
  const note = fc.constantFrom('C', 'D/2E/2', 'z', '[CE]', 'G2', 'C-', 'A3/2B/2');
  const music = fc.array(note, { minLength: 1, maxLength: 12 }).map((notes) => `${notes.join(' ')} |]`);
  it('half the tempo doubles every onset, length and click', () => {
    fc.assert(
      fc.property(music, fc.integer({ min: 40, max: 160 }), (text, tempo) => {
        const score = abc(text);
        const asked = plan(score, { tempo, click: 'beats', countInBars: 1 });
        const [whole, half] = [timedMusic(score, asked), timedMusic(score, { ...asked, share: 0.5 })];
        whole.sounds.forEach((s, i) => expect(half.sounds[i]?.at).toBeCloseTo(2 * s.at, 6));
        whole.clicks.forEach((c, i) => expect(half.clicks[i]?.at).toBeCloseTo(2 * c.at, 6));
        expect(half.seconds).toBeCloseTo(2 * whole.seconds, 6);
      }),
    );
  });
  it('a silent hand takes exactly its own notes away', () => {
    fc.assert(
      fc.property(music, music, (right, left) => {
        const score = two(right, left);
        const all = timedMusic(score, plan(score)).sounds;
        for (const part of score.parts)
          for (let staff = 1; staff <= part.staves; staff += 1) {
            const mine = (p: string, s: number): boolean => p === part.id && s === staff;
            const without = timedMusic(score, plan(score, { presence: (p, s) => (mine(p, s) ? 'silent' : 'full') }));
            expect(without.sounds).toEqual(all.filter((s) => !mine(s.part, s.staff)));
          }
      }),
    );
  });
  it('a loop of a loop is one longer loop', () => {
    fc.assert(
      fc.property(music, fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 3 }), (text, inner, outer) => {
        const score = abc(text);
        const once = timedMusic(score, plan(score, { click: 'beats' }));
        const nested = looped(looped(once, inner, 0.25, true), outer, 0.25, true);
        const flat = looped(once, inner * outer, 0.25, true);
        expect(nested.seconds).toBeCloseTo(flat.seconds, 6);
        flat.sounds.forEach((s, i) => expect(nested.sounds[i]?.at).toBeCloseTo(s.at, 6));
        expect(nested.bars.map((b) => b.turn)).toEqual(flat.bars.map((b) => b.turn));
      }),
    );
  });
  it('the count-in of a loop is heard once, unless it is asked for each time', () => {
    const score = abc('C4 |]');
    const music = timedMusic(score, plan(score, { countInBars: 1 }));
    expect(looped(music, 3, 1, false).clicks).toHaveLength(4);
    expect(looped(music, 3, 1, false).sounds.map((s) => s.at)).toEqual([4, 9, 14]);
    expect(looped(music, 3, 1, true).clicks).toHaveLength(12);
    expect(looped(music, 3, 1, true).sounds.map((s) => s.at)).toEqual([4, 13, 22]);
  });
});
