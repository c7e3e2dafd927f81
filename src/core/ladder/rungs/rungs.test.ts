import { describe, expect, it } from 'vitest';
import { USUAL_TEACHING, type RungKind, type Teaching } from '../../studio';
import type { LadderScope, RungFacts, StudentLevel } from '../rung-facts';
import type { SectionContent } from '../section-content';
import { proposeRungs, RUNGS } from './rungs';

const NOTHING: SectionContent = {
  hands: [],
  accompanied: false,
  partner: 'the partner',
  entries: [],
  isPlayed: true,
  notes: 12,
  scaleRun: null,
  leap: null,
  chordBars: 0,
  chordChanges: [],
  newRhythms: [],
  touches: false,
  dynamics: false,
  words: false,
  ornaments: [],
  freeTime: null,
  corners: [],
};
interface Wish extends Partial<Omit<RungFacts, 'content' | 'teaching'>> {
  readonly content?: Partial<SectionContent>;
  readonly teaching?: Partial<Teaching>;
}
const facts = ({ content = {}, teaching = {}, ...more }: Wish = {}): RungFacts => ({
  scope: 'section',
  level: 'intermediate',
  strums: false,
  seesHands: true,
  strikes: false,
  sings: false,
  breathes: false,
  stroke: null,
  barOf: (bar) => `bar ${bar + 1}`,
  lastBar: 7,
  firstOfPiece: false,
  lastOfPiece: false,
  start: 60,
  target: 100,
  times: 3,
  ownDynamics: false,
  ...more,
  content: { ...NOTHING, ...content },
  teaching: { ...USUAL_TEACHING, ...teaching },
});
const of = (kind: RungKind, wish: Wish = {}) => RUNGS[kind].propose(facts(wish));
const SCOPES: readonly LadderScope[] = ['unit', 'join', 'phrase', 'section', 'whole', 'line', 'piece'];
const scopesOf = (kind: RungKind, wish: Wish): LadderScope[] =>
  SCOPES.filter((scope) => of(kind, { ...wish, scope }).length > 0);
const LEVELS: readonly StudentLevel[] = ['beginner', 'intermediate', 'advanced'];
const levelsOf = (kind: RungKind, wish: Wish): StudentLevel[] =>
  LEVELS.filter((level) => of(kind, { ...wish, level }).length > 0);
const two = { hands: ['right', 'left'] } as const;

/** What makes each kind appear, and for what it does: an answer to the bars, never by itself. */
const WHERE: readonly (readonly [RungKind, Wish, readonly LadderScope[]])[] = [
  ['posture', { firstOfPiece: true, level: 'beginner' }, ['unit', 'section']],
  ['listen', { teaching: { reading: 'rote' } }, ['unit', 'section']],
  ['warm-up', { content: { leap: { semitones: 14, bar: 2 } } }, ['unit', 'section']],
  ['tap', { content: { newRhythms: [4] } }, ['unit', 'section']],
  ['stroke', { stroke: 'bow', content: { newRhythms: [4] } }, ['unit', 'section']],
  ['block', { content: { chordBars: 1 } }, ['unit', 'section']],
  ['right-alone', { content: two }, ['unit', 'section']],
  ['left-alone', { content: two }, ['unit', 'section']],
  ['play-and-say', { level: 'beginner' }, ['unit', 'section']],
  ['alone', { content: { hands: ['right'] } }, ['unit', 'section']],
  ['stops', {}, ['phrase', 'section', 'line']],
  ['together', { content: two }, ['unit', 'section']],
  ['eyes', { teaching: { reading: 'reading' } }, ['section', 'whole', 'line']],
  ['corner', { content: { corners: [{ bar: 5, reason: 'a leap' }] } }, ['unit', 'section']],
  ['join', {}, ['join', 'section']],
  ['breath', { breathes: true }, ['phrase', 'section', 'whole', 'line']],
  ['words', { content: { words: true } }, ['section', 'whole', 'line']],
  ['slow', {}, ['phrase', 'section', 'whole', 'line', 'piece']],
  ['tempo', {}, ['section', 'whole', 'line', 'piece']],
  ['articulation', { content: { touches: true } }, ['section', 'whole', 'line']],
  ['dynamics', {}, ['section', 'whole', 'line']],
  ['partner', { content: { accompanied: true } }, ['section', 'whole', 'line', 'piece']],
  ['starting-point', { teaching: { memory: 'asked' } }, ['section', 'whole', 'line', 'piece']],
  ['memory', { teaching: { memory: 'asked' } }, ['section', 'whole', 'line', 'piece']],
  ['run', {}, ['section', 'whole', 'line', 'piece']],
  ['perform', {}, ['piece']],
  ['own', { content: { ...two, dynamics: true } }, []],
];

describe('every kind of rung', () => {
  it.each(WHERE)('%s is proposed where its reason is, and only in its scopes', (kind, wish, scopes) =>
    expect(scopesOf(kind, wish)).toEqual(scopes),
  );
  it('has a case above', () => expect(WHERE.map(([kind]) => kind)).toEqual(Object.keys(RUNGS)));
  it('never asks for fewer times than being done needs', () => {
    for (const [kind, wish, scopes] of WHERE)
      for (const scope of scopes)
        for (const level of LEVELS)
          for (const rung of of(kind, { ...wish, scope, level }))
            expect(rung.times).toBeGreaterThanOrEqual(Number(/(\d+) in a row/.exec(rung.done)?.[1] ?? 1));
  });
  it('says what it is of, how it is done and why', () => {
    for (const [kind, wish, scopes] of WHERE)
      for (const scope of scopes)
        for (const rung of of(kind, { ...wish, scope })) {
          expect(rung.kind).toBe(kind);
          expect([rung.what, rung.done, rung.why, rung.key].every((text) => text.length > 2)).toBe(true);
          expect(rung.times).toBeGreaterThan(0);
        }
  });
  it.each([
    ['posture', {}],
    ['listen', { teaching: { reading: 'reading' } }],
    ['warm-up', {}],
    ['tap', {}],
    ['block', { content: { chordBars: 0 } }],
    ['stroke', { stroke: 'bow' }],
    ['stroke', { stroke: 'bow', level: 'advanced', content: { newRhythms: [1] } }],
    ['breath', { breathes: false }],
    ['right-alone', { content: { hands: ['right'] } }],
    ['left-alone', { content: { ...two }, teaching: { hands: 'together' } }],
    ['play-and-say', {}],
    ['alone', { content: two }],
    ['alone', { content: { notes: 0, isPlayed: false } }],
    ['stops', { content: { ...two, notes: 0, isPlayed: false } }],
    ['stops', { level: 'advanced' }],
    ['together', { content: { ...two, notes: 0, isPlayed: false } }],
    ['together', { content: { hands: ['left'] } }],
    ['eyes', { teaching: { reading: 'rote' } }],
    ['corner', {}],
    ['join', { firstOfPiece: true }],
    ['words', {}],
    ['slow', { content: { notes: 0, isPlayed: false } }],
    ['articulation', {}],
    ['dynamics', { content: { notes: 0, isPlayed: false } }],
    ['partner', {}],
    ['starting-point', {}],
    ['memory', {}],
    ['perform', {}],
    ['play-and-say', { level: 'beginner', content: { notes: 0, isPlayed: false } }],
  ] satisfies readonly (readonly [RungKind, Wish])[])('%s is not proposed without its reason (%j)', (kind, wish) =>
    expect(of(kind, wish)).toEqual([]),
  );
  it('of the kinds for those who begin is not for those who are far', () => {
    expect(levelsOf('stops', { content: two })).toEqual(['beginner', 'intermediate']);
    expect(levelsOf('tap', { content: { newRhythms: [1] } })).toEqual(['beginner', 'intermediate']);
    expect(levelsOf('eyes', { teaching: { reading: 'reading' } })).toEqual(['beginner', 'intermediate']);
    expect(levelsOf('posture', { firstOfPiece: true })).toEqual(['beginner', 'intermediate']);
    expect(levelsOf('play-and-say', {})).toEqual(['beginner']);
    // What is new is said by those with some years, too; who blows cannot say while playing.
    expect(levelsOf('play-and-say', { content: { newRhythms: [1] } })).toEqual(['beginner', 'intermediate']);
    expect(levelsOf('play-and-say', { breathes: true })).toEqual([]);
    // A small chunk is taken with both hands at once by those who are far; a section is not.
    expect(levelsOf('right-alone', { content: two, scope: 'unit' })).toEqual(['beginner', 'intermediate']);
    expect(levelsOf('right-alone', { content: two, scope: 'section' })).toEqual(LEVELS);
  });
});

describe('tempos of the rungs', () => {
  const tempoOf = (kind: RungKind, wish: Wish = {}) => of(kind, wish)[0]?.tempo;
  it('are the start for what is new, the target for what is whole', () => {
    expect(tempoOf('together', { content: two })).toBe(60);
    expect(tempoOf('run')).toBe(100);
    expect(tempoOf('perform', { scope: 'piece' })).toBe(100);
    expect(tempoOf('listen', { teaching: { reading: 'rote' } })).toBe(100);
  });
  it('with stops are a tenth slower, never under 30, never over the start', () => {
    expect(tempoOf('stops', { content: two })).toBe(54);
    expect(tempoOf('stops', { content: two, start: 32 })).toBe(30);
    expect(tempoOf('stops', { content: two, start: 28 })).toBe(28);
  });
  it('of touch and dynamics lie half way; dynamics from the start are taught at the start', () => {
    expect(tempoOf('articulation', { content: { touches: true } })).toBe(80);
    expect(tempoOf('dynamics', { content: { dynamics: true }, teaching: { dynamics: 'after' } })).toBe(80);
    expect(tempoOf('dynamics', { content: { dynamics: true }, teaching: { dynamics: 'start' } })).toBe(60);
  });
  it('from memory are four fifths of the target', () => {
    expect(tempoOf('memory', { teaching: { memory: 'asked' } })).toBe(80);
    expect(tempoOf('starting-point', { teaching: { memory: 'asked' } })).toBe(80);
  });
  it('go in steps a little past the target, each step twice', () => {
    const [steps] = of('tempo', { teaching: { tempoSteps: 'bpm' } });
    // 60, 68, 76, 84, 92, 100, 104: seven steps [worked by hand].
    expect(steps).toMatchObject({ tempo: 60, tempoTo: 104, times: 14, what: 'Tempo steps' });
    expect(of('tempo', { start: 100, target: 100, teaching: { tempoSteps: 'bpm' } })[0]?.tempoTo).toBe(104);
  });
  it('where time is free are a span, by as much as it bends', () => {
    const [free] = of('tempo', { content: { freeTime: 'rubato' } });
    expect(free?.what).toBe(`Free in time, between ${free?.tempo} and ${free?.tempoTo}`);
    expect((free?.tempo ?? 0) + (free?.tempoTo ?? 0)).toBe(200);
    expect(free?.tempo).toBeLessThan(100);
    expect(free).toMatchObject({ times: 4, why: 'printed here: rubato' });
  });
});

describe('what rungs say', () => {
  const said = (kind: RungKind, wish: Wish = {}) => of(kind, wish).map((r) => r.what);
  it('names the bars and where to stop a loop', () => {
    const corners = [{ bar: 5, reason: 'a leap' }];
    expect(of('corner', { content: { corners } })).toMatchObject([
      {
        what: 'Loop bar 6 with the first note of the next',
        key: 'corner 5',
        bars: [5, 5],
        times: 5,
        why: 'a leap',
      },
    ]);
    expect(said('corner', { content: { corners: [{ bar: 7, reason: '' }] }, lastOfPiece: true })).toEqual([
      'Loop bar 8',
    ]);
    expect(said('corner', { content: { corners }, lastOfPiece: true })).toEqual([
      'Loop bar 6 with the first note of the next',
    ]);
    expect(said('run')).toEqual(['Through once, from cold']);
    expect(said('run', { scope: 'piece' })).toEqual(['From beginning to end']);
    expect(said('memory', { teaching: { memory: 'asked' } })).toEqual(['From memory']);
    expect(said('listen', { teaching: { reading: 'rote' } })).toEqual(['Listen and sing it back']);
    expect(of('tap', { content: { newRhythms: [4, 6] } })[0]?.why).toBe('a rhythm not met before in bar 5');
  });
  it('takes an ornament away first, and measures it where trills are measured', () => {
    const slow = (trills: Teaching['trills']) =>
      of('slow', { content: { ornaments: [6, 7] }, teaching: { trills }, scope: 'unit' });
    expect(slow('measured')).toMatchObject([
      { what: 'The ornament of bar 7: without it, then with it, measured', key: 'slow ornament', bars: [6, 6] },
    ]);
    expect(slow('free')[0]?.what).toBe('The ornament of bar 7: without it, then with it');
  });
  it('warms up chord changes of those who strum, a scale and a leap, each with its own key', () => {
    const content = {
      chordChanges: ['G to C', 'C to D', 'D to G', 'G to Em', 'Em to C'],
      scaleRun: { name: 'G major', bar: 5 },
      leap: { semitones: 14, bar: 6 },
    };
    expect(of('warm-up', { content, strums: true }).map((r) => [r.key, r.what, r.tempo])).toEqual([
      ['warm-up chords', 'Change G to C, C to D, D to G, G to Em, without strumming', 60],
      ['warm-up scale', 'Warm up: the scale of G major', 60],
      ['warm-up leap', 'Find the leap into bar 7 without playing', null],
    ]);
    expect(of('warm-up', { content }).map((r) => r.key)).toEqual(['warm-up scale', 'warm-up leap']);
    expect(of('warm-up', { content, strums: true }).map((r) => r.why)).toEqual([
      '5 chord changes here',
      'bar 6 runs along it',
      'a leap of 14 semitones',
    ]);
    expect(of('warm-up', { content: { chordChanges: ['G to C'] }, strums: true })[0]?.why).toBe('1 chord change here');
  });
  it('joins from the bar before, or through a join of two chunks', () => {
    expect(said('join')).toEqual(['From the bar before into this section']);
    expect(said('join', { scope: 'join', firstOfPiece: true })).toEqual(['Through the join without a stop']);
  });
  it('has the dynamics that are printed, else those that were marked, else the shape of the line', () => {
    expect(said('dynamics')).toEqual(['Shape it: grow to the top of the line, round off its end']);
    expect(said('dynamics', { ownDynamics: true })).toEqual(['Dynamics as marked']);
    expect(said('dynamics', { ownDynamics: true, content: { dynamics: true } })).toEqual(['Dynamics as printed']);
  });
  it('is done at the gate of three in a row, or comes back tomorrow', () => {
    const done = (moveOn: Teaching['moveOn']) => of('together', { content: two, teaching: { moveOn } })[0]?.done;
    expect(done('gate')).toBe('3 in a row without a stop');
    expect(done('return')).toBe('once through, then come back tomorrow');
  });
  it('is for both hands where there are two', () => {
    expect(of('run', { content: two })[0]?.hands).toBe('both');
    expect(of('run', { content: { hands: ['left'] } })[0]?.hands).toBe('');
    expect(of('left-alone', { content: two })[0]).toMatchObject({ hands: 'left', what: 'Left hand alone', times: 3 });
    expect(of('right-alone', { content: two })[0]).toMatchObject({ hands: 'right', what: 'Right hand alone' });
  });
  it('performs a section that is the whole piece, and no other', () => {
    expect(said('perform', { firstOfPiece: true, lastOfPiece: true })).toEqual(['For someone']);
    expect(said('perform', { firstOfPiece: true })).toEqual([]);
    expect(said('perform', { lastOfPiece: true })).toEqual([]);
    expect(said('perform', { scope: 'phrase', firstOfPiece: true, lastOfPiece: true })).toEqual([]);
  });
});

describe('the order of a ladder', () => {
  const content = { ...two, dynamics: true, touches: true };
  const kinds = (dynamics: Teaching['dynamics']) =>
    proposeRungs(facts({ content, teaching: { dynamics, reading: 'reading' } })).map((r) => r.kind);
  it('has touch and dynamics after the tempo, or before the eyes leave the hands', () => {
    const after = kinds('after');
    expect(after.indexOf('dynamics')).toBeGreaterThan(after.indexOf('tempo'));
    const start = kinds('start');
    expect(start.slice(start.indexOf('articulation'), start.indexOf('articulation') + 3)).toEqual([
      'articulation',
      'dynamics',
      'eyes',
    ]);
    expect([...start].sort()).toEqual([...after].sort());
  });
  it('goes from hands apart over stops to both without a stop, and ends from cold', () => {
    const order = kinds('after');
    const place = (kind: RungKind): number => order.indexOf(kind);
    expect(place('right-alone')).toBeLessThan(place('left-alone'));
    expect(place('left-alone')).toBeLessThan(place('stops'));
    expect(place('stops')).toBeLessThan(place('together'));
    expect(order[order.length - 1]).toBe('run');
  });
  it('asks a singer neither to look away from hands nor to play', () => {
    const content = { words: true };
    expect(of('eyes', { content, seesHands: true })).toHaveLength(1);
    expect(of('eyes', { content, seesHands: false })).toEqual([]);
    expect(of('words', { content, sings: true })[0]?.what).toBe('Say the words in the rhythm, then sing them');
    expect(of('words', { content })[0]?.what).toContain('play');
  });
});
