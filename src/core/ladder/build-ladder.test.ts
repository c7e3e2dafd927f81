import type { InstrumentId } from '../instruments';
import { describe, expect, it } from 'vitest';
import { USUAL_TEACHING, type Mark, type Rung, type Teaching } from '../studio';
import { buildLadder, type LadderRequest } from './build-ladder';
import type { CopyOf } from './copy-of';
import { estimateMinutes, USUAL_OVERHEAD } from './minutes';
import { densestQuarter, startTempo } from './start-tempo';
import { scoreOfAbc } from '../studio/abc-for-tests';

const AT = '2026-05-20T15:00:00.000Z';
const score = (abc: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/8\nQ:1/4=100\nK:C\n${abc}`);
const ladder = (
  abc: string,
  teaching: Partial<Teaching> = {},
  level: 'beginner' | 'intermediate' | 'advanced' = 'intermediate',
): Rung[] => {
  const s = score(abc);
  return buildLadder({
    score: s,
    from: 0,
    to: s.bars.length - 1,
    instrument: 'piano',
    targetTempo: null,
    teaching: { ...USUAL_TEACHING, ...teaching },
    level,
    sectionId: 's',
  });
};
const kinds = (...args: Parameters<typeof ladder>): string[] => ladder(...args).map((r) => r.kind);

describe('the ladder of a section', () => {
  it('finds the busiest quarter', () => expect(densestQuarter(score('c8 | c/c/c/c/ c2 c4 |'), 0, 1)).toBe(4));
  it('starts at 60 % of the target where notes are few', () => expect(startTempo(score('c8|'), 0, 0, 100)).toBe(60));
  it('starts slower where the densest beat asks for it: sixteenths at four notes a second are 60, thirty-seconds 30', () => {
    expect(startTempo(score('c/c/c/c/ c6 |'), 0, 0, 200)).toBe(60);
    expect(startTempo(score('c/4c/4c/4c/4c/4c/4c/4c/4 c6 |'), 0, 0, 200)).toBe(30);
  });
  it('asks for hands apart only where there are two', () => {
    expect(ladder('c8|c8|').map((r) => r.kind)).not.toContain('left-alone');
    expect(ladder('%%score {1 2}\nV:1\nc8|\nV:2 clef=bass\nC8|').map((r) => r.kind)).toContain('left-alone');
  });
  it('shapes the line where no dynamics are printed', () => {
    const said = (music: string) => ladder(music).find((r) => r.kind === 'dynamics')?.what;
    expect(said('c8|c8|')).toMatch(/^Shape it/);
    expect(said('!p!c8|c8|')).toBe('Dynamics as printed');
  });
  it('begins low, ends with the run at the target, and says why each rung is there', () => {
    const rungs = ladder('cdef gabc|c8|');
    expect(rungs[rungs.length - 2]).toMatchObject({ kind: 'run', tempo: 100 });
    expect(rungs[rungs.length - 1]).toMatchObject({ kind: 'perform' });
    expect(rungs.every((r) => r.why !== '' && r.done !== '')).toBe(true);
  });
  it('warms up exactly the scale that a run goes along, and none without a run', () => {
    expect(ladder('cdef gabc|c8|')).toContainEqual(
      expect.objectContaining({ kind: 'warm-up', what: 'Warm up: the scale of C major' }),
    );
    expect(kinds('c2e2g2e2|c8|')).not.toContain('warm-up');
  });
  it('has the chord changes of a strummed song, each once, and of no other instrument', () => {
    const s = score('"G"c4 "C"c4|"G"c4 "C"c4|');
    const of = (instrument: InstrumentId): Rung[] =>
      buildLadder({ score: s, from: 0, to: 1, instrument, targetTempo: null, sectionId: 's' });
    expect(of('guitar').find((r) => r.key === 'warm-up chords')?.what).toBe('Change G to C, C to G, without strumming');
    expect(of('piano').some((r) => r.key === 'warm-up chords')).toBe(false);
  });
  it('asks for marked fingers only of those who have some', () => {
    const s = score('cdef gabc|c2e2g2e2|cdef gabc|c8|');
    const done = (instrument: InstrumentId) =>
      buildLadder({ score: s, from: 0, to: 3, instrument, targetTempo: null, sectionId: 's', scope: 'section' }).find(
        (r) => r.kind === 'stops',
      )?.done;
    expect([done('piano'), done('flute')]).toEqual(['3 in a row, fingers as marked', '3 in a row, fingers as marked']);
    expect(done('percussion')).toBe('3 in a row, sticking as marked');
    expect(done('voice')).not.toContain('fingers');
  });
  it('finds a leap and says how far it is', () =>
    expect(ladder("C4 c'4|c8|").find((r) => r.key === 'warm-up leap')?.why).toBe('a leap of 24 semitones'));
  it('follows the schools: together from the start, memory asked, by ear, dynamics from the start', () => {
    const two = '%%score {1 2}\nV:1\n!p!(cd) e2 f4|c8|\nV:2 clef=bass\nC8|C8|';
    expect(kinds(two)).toContain('right-alone');
    expect(kinds(two, { hands: 'together' })).not.toContain('right-alone');
    expect(kinds(two)).not.toContain('memory');
    expect(kinds(two, { memory: 'asked' })).toContain('memory');
    expect(kinds(two, { reading: 'rote' }).slice(0, 2)).toEqual(['posture', 'listen']);
    const order = (t: Partial<Teaching>) => kinds(two, t).filter((k) => k === 'dynamics' || k === 'tempo');
    expect(order({})).toEqual(['tempo', 'dynamics']);
    expect(order({ dynamics: 'start' })).toEqual(['dynamics', 'tempo']);
  });
  it('gives a beginner a check of the posture and a word to say, an advanced student neither', () => {
    expect(kinds('c4d4|c8|', {}, 'beginner')).toEqual(expect.arrayContaining(['posture', 'play-and-say', 'tap']));
    expect(kinds('c4d4|c8|', {}, 'advanced')).not.toContain('play-and-say');
    expect(kinds('c4d4|c8|', {}, 'advanced')).not.toContain('tap');
  });
  it('gives free passages a range instead of steps', () => {
    const free = ladder('"^rubato"c4d4|c8|').find((r) => r.kind === 'tempo');
    expect(free).toMatchObject({ tempo: 88, tempoTo: 112 });
    expect(free?.why).toContain('rubato');
  });
  it('asks of a copy only its differences, its join and a run', () => {
    const s = score('c4d4|e4f4|c4d4|e4g4|');
    const copy = buildLadder({
      score: s,
      from: 2,
      to: 3,
      instrument: 'piano',
      targetTempo: null,
      copyOf: { name: 'A', differences: [{ bar: 3, words: 'G instead of F' }] },
      sectionId: 's',
    });
    expect(copy.map((r) => r.kind)).toEqual(['corner', 'alone', 'join', 'run']);
    expect(copy[0]?.what).toContain('G instead of F');
  });
  it('says of an exact copy that it is the same, and of the first section that nothing joins into it', () => {
    const s = score('c4d4|e4f4|c4d4|e4f4|');
    const copy = (from: number, copyOf: CopyOf, more: Partial<LadderRequest> = {}) =>
      buildLadder({
        score: s,
        from,
        to: from + 1,
        instrument: 'piano',
        targetTempo: 72,
        copyOf,
        sectionId: 's',
        ...more,
      });
    const same = copy(2, { name: 'A', differences: [] });
    expect(same.map((r) => [r.kind, r.tempo, r.times])).toEqual([
      ['alone', 43, 2],
      ['join', 43, 3],
      ['run', 72, 1],
    ]);
    expect(same[0]?.why).toBe('the same as A');
    expect(copy(0, { name: 'B', differences: [] }).map((r) => r.kind)).toEqual(['alone', 'run']);
    const [differs, rest] = copy(2, { name: 'A', differences: [{ bar: 3, words: 'F more' }] });
    expect(differs).toMatchObject({
      what: 'Only here it is not as A: bar 4, F more',
      bars: [s.bars[3]?.id, s.bars[3]?.id],
      times: 4,
    });
    expect(rest?.why).toBe('the rest is as A');
    expect(rest).not.toHaveProperty('bars');
    expect(copy(2, { name: 'A', differences: [] }).every((r) => r.hands === '')).toBe(true);
  });
  it('plays a copy with both hands where there are two', () => {
    const s = score('%%score {1 2}\nV:1\nc8|c8|\nV:2 clef=bass\nC8|C8|');
    const rungs = buildLadder({
      score: s,
      from: 1,
      to: 1,
      instrument: 'piano',
      targetTempo: null,
      copyOf: { name: 'A', differences: [] },
      sectionId: 's',
    });
    expect(rungs.map((r) => r.hands)).toEqual(['both', 'both', 'both']);
  });
  it('has a rung for dynamics that the teacher wrote inside the section, not beside it', () => {
    const s = score('c4d4|e4f4|g4a4|c8|');
    const note = (bar: number) => s.notes.find((n) => n.bar === bar)?.id ?? '';
    const loud = (bar: number, kind: 'dynamic' | 'cue' = 'dynamic'): Mark => {
      const base = { id: 'm', pieceId: 'p', studentId: null, source: 'teacher' as const, updatedAt: AT };
      return kind === 'cue'
        ? { ...base, kind, noteId: note(bar), text: 'sing' }
        : { ...base, kind, noteId: note(bar), level: 'f' };
    };
    const swell: Mark = {
      id: 'w',
      pieceId: 'p',
      studentId: null,
      source: 'teacher',
      updatedAt: AT,
      kind: 'wedge',
      noteId: note(1),
      toNoteId: note(2),
      role: 'crescendo',
    };
    const withMarks = (...marks: readonly Mark[]) =>
      buildLadder({ score: s, from: 1, to: 2, instrument: 'piano', targetTempo: null, marks, sectionId: 's' }).some(
        (r) => r.kind === 'dynamics' && r.what === 'Dynamics as marked',
      );
    expect(withMarks()).toBe(false);
    expect([0, 1, 2, 3].map((bar) => withMarks(loud(bar)))).toEqual([false, true, true, false]);
    expect(withMarks(swell)).toBe(true);
    expect(withMarks(loud(1, 'cue'))).toBe(false);
  });
  it('gives a rung about one bar its bar, its printed number and the minutes of that bar', () => {
    const s = score("c8|c8|c8|c8|^c/=d/^d/e/ f/^f/g/^g/ a/^a/b/c'/ ^c'/d'/^d'/e'/|c8|c8|c8|");
    const rungs = buildLadder({ score: s, from: 0, to: 7, instrument: 'piano', targetTempo: null, sectionId: 's' });
    const corner = rungs.find((r) => r.kind === 'corner');
    expect(corner?.bars).toEqual([s.bars[4]?.id, s.bars[4]?.id]);
    expect(corner?.what).toContain('bar 5');
    expect(rungs.find((r) => r.kind === 'run')).not.toHaveProperty('bars');
    const tempo = corner?.tempo ?? 0;
    expect(corner?.minutes).toBe(estimateMinutes(s, 4, 4, tempo, corner?.times ?? 0, USUAL_OVERHEAD));
    expect(rungs.every((r) => !r.own && r.key !== undefined)).toBe(true);
  });
  it('counts minutes at the middle of a range of tempos, and longer for a student who practises slowly', () => {
    const s = score('"^rubato"c4d4|c8|');
    const request = { score: s, from: 0, to: 1, instrument: 'piano', targetTempo: 100, sectionId: 's' } as const;
    const free = buildLadder(request).find((r) => r.kind === 'tempo');
    expect(free?.minutes).toBe(estimateMinutes(s, 0, 1, 100, free?.times ?? 0, USUAL_OVERHEAD));
    const total = (rungs: readonly Rung[]) => rungs.reduce((sum, r) => sum + (r.minutes ?? 0), 0);
    expect(total(buildLadder({ ...request, overhead: USUAL_OVERHEAD * 2 }))).toBeGreaterThan(
      total(buildLadder(request)),
    );
  });
  it('performs the whole piece only at its end, and begins with its beginning', () => {
    const s = score('c4d4|e4f4|g4a4|c8|');
    const of = (from: number, to: number) =>
      buildLadder({ score: s, from, to, instrument: 'piano', targetTempo: null, sectionId: 's' }).map((r) => r.kind);
    expect(of(0, 3)).toContain('perform');
    expect(of(0, 1)).not.toContain('perform');
    expect(of(0, 1)).not.toContain('join');
    expect(of(2, 3)).toContain('join');
  });
});
