import { describe, expect, it } from 'vitest';
import { proposeSections, type ProposedSection } from '../../sections';
import { ladderId, type Ladder, type Rung } from '../../studio';
import {
  does,
  EIGHT,
  nothing,
  puts,
  refusal,
  removes,
  runOn,
  scoreOf,
  section,
  standing,
  student,
} from '../stored-for-tests';
import { acceptSections, edgesOf } from './accept-sections';
import { changeSection } from './change-section';
import { joinSections } from './join-sections';
import { makeSection } from './make-section';
import { moveSectionCut } from './move-cut';
import { moveSectionEnds } from './move-ends';
import { removeSection } from './remove-section';
import { splitSection } from './split-section';

const of = { pieceId: 'p', score: EIGHT };
const rung = (id: string, more: Partial<Rung> = {}): Rung => ({
  id,
  kind: 'slow',
  what: id,
  hands: '',
  tempo: 60,
  tempoTo: null,
  times: 3,
  done: '3',
  why: '',
  own: false,
  ...more,
});
const ladder = (sectionId: string, rungs: readonly Rung[], removed?: string[]): Ladder => ({
  id: ladderId(sectionId),
  sectionId,
  pieceId: 'p',
  rungs: [...rungs],
  ...(removed ? { removed } : {}),
  updatedAt: '2026-05-20T15:00:00.000Z',
});
const a = section('a', 0, 3);
const b = section('b', 4, 7);

describe('a new section', () => {
  it('gets its id from its bars and the next letter that is free', () => {
    const made = does(makeSection, { sections: [section('x', 0, 1, { letter: 'A' })] }, { ...of, bars: [2, 3] });
    expect(puts(made, 'sections')).toMatchObject([
      { id: 'section~p~bar-3~0~bar-4~end~all', letter: 'B', fromBar: 'bar-3', toBar: 'bar-4', order: 2 },
    ]);
    expect(made.made).toBe('section~p~bar-3~0~bar-4~end~all');
  });
  it('of a place that another one had when it was made gets a number', () => {
    const first = does(makeSection, nothing, { ...of, bars: [0, 3] });
    const moved = { ...section('a', 2, 5), id: first.made ?? '' };
    expect(does(makeSection, { sections: [moved] }, { ...of, bars: [0, 3] }).made).toBe(`${first.made}~2`);
  });
  it('ends with the piece at the latest, and is refused where there is no bar', () => {
    expect(puts(does(makeSection, nothing, { ...of, bars: [6, 40] }), 'sections')).toMatchObject([{ toBar: 'bar-8' }]);
    expect(refusal(runOn(makeSection, nothing, { ...of, bars: [9, 9] }))).toBe('section-outside');
  });
});

describe('proposals taken over', () => {
  const proposed: ProposedSection[] = [
    {
      name: 'One',
      letter: 'A',
      from: 0,
      to: 3,
      upbeatQuarters: '0',
      endUpbeatQuarters: '0',
      certainty: 1,
      reasons: [],
      like: null,
      phrases: [],
    },
    {
      name: 'Two',
      letter: 'A′',
      from: 4,
      to: 7,
      upbeatQuarters: '0',
      endUpbeatQuarters: '0',
      certainty: 1,
      reasons: [],
      like: 0,
      phrases: [],
    },
  ];
  it('are linked to what they are like when that is taken, too', () => {
    const both = puts(does(acceptSections, nothing, { ...of, proposed, chosen: [0, 1] }), 'sections');
    expect(both.map((s) => s['likeId'])).toEqual([null, both[0]?.['id']]);
    const second = puts(does(acceptSections, nothing, { ...of, proposed, chosen: [1] }), 'sections');
    expect(second).toMatchObject([{ letter: 'A′', likeId: null }]);
    const later = puts(does(acceptSections, { sections: [a] }, { ...of, proposed, chosen: [1] }), 'sections');
    expect(later).toMatchObject([{ likeId: 'a' }]);
  });
  it('on two devices are the same ones, and none is made twice', () => {
    const [first, again] = [0, 1].map(() => does(acceptSections, nothing, { ...of, proposed, chosen: [0, 1] }));
    expect(again).toEqual(first);
    expect(does(acceptSections, { sections: [a, b] }, { ...of, proposed, chosen: [0, 1] }).changes).toEqual([]);
  });
  it('say what was accepted, and go to the first', () => {
    const one = does(acceptSections, nothing, { ...of, proposed, chosen: [1] });
    expect([one.label, one.made]).toEqual(['section A′ accepted', puts(one, 'sections')[0]?.['id']]);
    expect(does(acceptSections, nothing, { ...of, proposed, chosen: [0, 1] }).label).toBe('2 sections accepted');
  });
  it('begin in the bar before where they have an upbeat', () => {
    const upbeat = { ...proposed[1], upbeatQuarters: '1', endUpbeatQuarters: '0' } as ProposedSection;
    expect(edgesOf(EIGHT, upbeat)).toEqual({ fromBar: 'bar-4', fromOffset: '3', toBar: 'bar-8', toOffset: null });
    const before = { ...proposed[0], endUpbeatQuarters: '3/2' } as ProposedSection;
    expect(edgesOf(EIGHT, before)).toEqual({ fromBar: 'bar-1', fromOffset: '0', toBar: 'bar-4', toOffset: '5/2' });
    expect(edgesOf(EIGHT, { ...upbeat, to: 20 })).toBeNull();
  });
  it('of a real piece cover it', () => {
    const score = scoreOf('X:1\nM:4/4\nL:1/4\nK:C\nCDEF|GABc|cBAG|C4||EFGA|cBAG|FEDC|C4||CDEF|GABc|cBAG|C4|]');
    const all = proposeSections(score);
    const rows = puts(
      does(acceptSections, nothing, { pieceId: 'p', score, proposed: all, chosen: all.map((_, i) => i) }),
      'sections',
    );
    expect(rows.length).toBe(all.length);
    expect([rows[0]?.['fromBar'], rows[rows.length - 1]?.['toBar']]).toEqual(['bar-1', 'bar-12']);
  });
});

describe('a section that changes', () => {
  it('keeps what was not said', () => {
    const [row] = puts(
      does(
        changeSection,
        { sections: [a, b] },
        { pieceId: 'p', sectionId: 'b', change: { name: 'Answer', likeId: 'a' } },
      ),
      'sections',
    );
    expect(row).toMatchObject({ id: 'b', name: 'Answer', likeId: 'a', letter: 'B', fromBar: 'bar-5' });
  });
  it('is never part of itself', () => {
    const inside = section('c', 1, 2, { parentId: 'a' });
    const deeper = section('d', 1, 1, { parentId: 'c' });
    const all = { sections: [a, inside, deeper] };
    expect(refusal(runOn(changeSection, all, { pieceId: 'p', sectionId: 'a', change: { parentId: 'd' } }))).toBe(
      'section-in-itself',
    );
    expect(refusal(runOn(changeSection, all, { pieceId: 'p', sectionId: 'a', change: { parentId: 'a' } }))).toBe(
      'section-in-itself',
    );
    expect(runOn(changeSection, all, { pieceId: 'p', sectionId: 'd', change: { parentId: 'a' } }).ok).toBe(true);
  });
  it('that is gone is refused', () =>
    expect(refusal(runOn(changeSection, nothing, { pieceId: 'p', sectionId: 'a', change: {} }))).toBe('gone'));
});

describe('ends', () => {
  const ends = (outcome: ReturnType<typeof does>) =>
    puts(outcome, 'sections').map((s) => [s['id'], s['fromBar'], s['toBar']]);
  it('move by bars from where they are stored, or to a bar', () => {
    expect(
      ends(does(moveSectionEnds, { sections: [a] }, { ...of, sectionId: 'a', toBy: 1, withNeighbour: false })),
    ).toEqual([['a', 'bar-1', 'bar-5']]);
    expect(
      ends(does(moveSectionEnds, { sections: [a] }, { ...of, sectionId: 'a', fromBy: 1, withNeighbour: false })),
    ).toEqual([['a', 'bar-2', 'bar-4']]);
    expect(
      ends(does(moveSectionEnds, { sections: [a] }, { ...of, sectionId: 'a', to: 6, withNeighbour: false })),
    ).toEqual([['a', 'bar-1', 'bar-7']]);
  });
  it('take the neighbour with them where that is asked', () => {
    const all = { sections: [a, b] };
    expect(ends(does(moveSectionEnds, all, { ...of, sectionId: 'a', to: 4, withNeighbour: true }))).toEqual([
      ['a', 'bar-1', 'bar-5'],
      ['b', 'bar-6', 'bar-8'],
    ]);
    expect(ends(does(moveSectionEnds, all, { ...of, sectionId: 'b', from: 3, withNeighbour: true }))).toEqual([
      ['b', 'bar-4', 'bar-8'],
      ['a', 'bar-1', 'bar-3'],
    ]);
    expect(ends(does(moveSectionEnds, all, { ...of, sectionId: 'a', to: 4, withNeighbour: false }))).toHaveLength(1);
    // A section inside another is no neighbour of it.
    const inner = section('c', 4, 5, { parentId: 'b' });
    expect(
      ends(does(moveSectionEnds, { sections: [a, inner] }, { ...of, sectionId: 'a', to: 4, withNeighbour: true })),
    ).toHaveLength(1);
  });
  it('never leave a section, or its neighbour, without a bar', () => {
    expect(
      refusal(runOn(moveSectionEnds, { sections: [a] }, { ...of, sectionId: 'a', to: -1, withNeighbour: false })),
    ).toBe('section-outside');
    expect(
      refusal(runOn(moveSectionEnds, { sections: [a] }, { ...of, sectionId: 'a', from: 4, withNeighbour: false })),
    ).toBe('section-upside-down');
    expect(
      refusal(runOn(moveSectionEnds, { sections: [a, b] }, { ...of, sectionId: 'a', to: 7, withNeighbour: true })),
    ).toBe('section-upside-down');
    expect(refusal(runOn(moveSectionEnds, nothing, { ...of, sectionId: 'a', withNeighbour: false }))).toBe('gone');
    const elsewhere = section('a', 0, 3, { fromBar: 'bar-99' });
    expect(
      refusal(runOn(moveSectionEnds, { sections: [elsewhere] }, { ...of, sectionId: 'a', withNeighbour: false })),
    ).toBe('not-in-piece');
  });
});

describe('the cut between two sections', () => {
  it('moves by a beat, both ways, and back again', () => {
    const later = does(moveSectionCut, { sections: [a, b] }, { ...of, sectionId: 'a', by: 1 });
    const [first, second] = puts(later, 'sections');
    expect([first?.['toBar'], first?.['toOffset'], second?.['fromBar'], second?.['fromOffset']]).toEqual([
      'bar-5',
      '1',
      'bar-5',
      '1',
    ]);
    const earlier = puts(does(moveSectionCut, { sections: [a, b] }, { ...of, sectionId: 'a', by: -1 }), 'sections');
    expect([earlier[0]?.['toBar'], earlier[0]?.['toOffset'], earlier[1]?.['fromOffset']]).toEqual(['bar-4', '3', '3']);
    const moved = [first, second] as unknown as (typeof a)[];
    const back = puts(does(moveSectionCut, { sections: moved }, { ...of, sectionId: 'a', by: -1 }), 'sections');
    expect([back[0]?.['toBar'], back[0]?.['toOffset'], back[1]?.['fromBar'], back[1]?.['fromOffset']]).toEqual([
      'bar-4',
      null,
      'bar-5',
      '0',
    ]);
  });
  it('needs a section that begins there', () => {
    expect(refusal(runOn(moveSectionCut, { sections: [a] }, { ...of, sectionId: 'a', by: 1 }))).toBe(
      'section-no-neighbour',
    );
    expect(refusal(runOn(moveSectionCut, { sections: [b] }, { ...of, sectionId: 'a', by: 1 }))).toBe('gone');
  });
});

describe('a split', () => {
  it('leaves the first part its id, and gives the second a place and a letter of its own', () => {
    const result = does(splitSection, { sections: [a, b] }, { ...of, sectionId: 'a', at: 2 });
    const [first, second] = puts(result, 'sections');
    expect(first).toMatchObject({ id: 'a', fromBar: 'bar-1', toBar: 'bar-2' });
    expect(second).toMatchObject({
      id: 'section~p~bar-3~0~bar-4~end~all',
      letter: 'C',
      fromBar: 'bar-3',
      toBar: 'bar-4',
      likeId: null,
    });
    expect(result.made).toBe(second?.['id']);
  });
  it('is refused at the first bar, outside, and of what is gone', () => {
    expect(refusal(runOn(splitSection, { sections: [a] }, { ...of, sectionId: 'a', at: 0 }))).toBe('section-one-bar');
    expect(refusal(runOn(splitSection, { sections: [a] }, { ...of, sectionId: 'a', at: 50 }))).toBe('section-outside');
    expect(refusal(runOn(splitSection, nothing, { ...of, sectionId: 'a', at: 1 }))).toBe('gone');
  });
});

describe('two sections joined', () => {
  const copy = section('c', 6, 7, { likeId: 'b' });
  const inner = section('d', 4, 5, { parentId: 'b' });
  const stored = {
    sections: [a, b, copy, inner],
    ladders: [
      ladder('a', [rung('one')], ['gone']),
      ladder('b', [rung('two'), rung('three', { bars: ['bar-6', 'bar-6'] })]),
    ],
    standings: [standing('s', 'b', 3), standing('t', 'b', null)],
    students: [student('s'), student('t')],
  };
  const joined = () => does(joinSections, stored, { ...of, sectionId: 'a' });
  it('keep the rungs of both, each with its bars', () => {
    const [row] = puts(joined(), 'ladders') as unknown as Ladder[];
    expect(row?.rungs.map((r) => [r.id, r.bars])).toEqual([
      ['one', ['bar-1', 'bar-4']],
      ['two', ['bar-5', 'bar-8']],
      ['three', ['bar-6', 'bar-6']],
    ]);
    expect(row?.removed).toEqual(['gone']);
    expect(removes(joined(), 'ladders')).toEqual([ladderId('b')]);
  });
  it('leaves a student with a ladder of their own of one section the rungs of both', () => {
    const [ofA] = stored.ladders.filter((l) => l.sectionId === 'a');
    if (!ofA) throw new Error('no ladder');
    const own: Ladder = { ...ofA, id: ladderId('a', undefined, 's'), studentId: 's' };
    const outcome = does(joinSections, { ...stored, ladders: [...stored.ladders, own] }, { ...of, sectionId: 'a' });
    const rows = puts(outcome, 'ladders') as unknown as Ladder[];
    const rungs = (studentId: string | undefined) => rows.find((l) => l.studentId === studentId)?.rungs.length;
    expect(rungs('s')).toBe(rungs(undefined));
    expect(removes(outcome, 'ladders')).toEqual([ladderId('b')]);
  });
  it('leave nothing that points to the one that is gone', () => {
    const rows = puts(joined(), 'sections');
    expect(rows).toMatchObject([
      { id: 'a', fromBar: 'bar-1', toBar: 'bar-8' },
      { id: 'c', likeId: null },
      { id: 'd', parentId: 'a' },
    ]);
    expect(removes(joined(), 'sections')).toEqual(['b']);
  });
  it('are said to be one in a record, and what that means is said', () => {
    expect(joined().records).toMatchObject([{ kind: 'section-joined', sectionId: 'b', into: 'a', pieceId: 'p' }]);
    expect(joined().says).toBe(
      'Joined: the 2 rungs of B stand on top; C is no copy any more; S stands where the weaker of the two stood until the whole is heard.',
    );
    expect(does(joinSections, { sections: [a, b] }, { ...of, sectionId: 'a' }).says).toBeUndefined();
  });
  it('are no copy of one another', () => {
    const like = does(joinSections, { sections: [{ ...a, likeId: 'b' }, b] }, { ...of, sectionId: 'a' });
    expect(puts(like, 'sections')).toMatchObject([{ id: 'a', likeId: null, toBar: 'bar-8' }]);
  });
  it('need to follow one another', () => {
    expect(refusal(runOn(joinSections, { sections: [a, section('b', 5, 7)] }, { ...of, sectionId: 'a' }))).toBe(
      'section-no-neighbour',
    );
    expect(refusal(runOn(joinSections, { sections: [b] }, { ...of, sectionId: 'a' }))).toBe('gone');
  });
});

describe('a section removed', () => {
  it('goes with its ladder; what was like it or inside it stands for itself', () => {
    const stored = {
      sections: [
        a,
        section('b', 4, 7, { likeId: 'a' }),
        section('c', 0, 1, { parentId: 'a' }),
        section('d', 5, 6, { parentId: 'b' }),
      ],
      ladders: [ladder('a', []), ladder('b', [])],
      standings: [standing('s', 'a'), standing('t', 'a', null), standing('s', 'b')],
    };
    const out = does(removeSection, stored, { pieceId: 'p', sectionId: 'a' });
    expect(removes(out, 'sections')).toEqual(['a']);
    expect(removes(out, 'ladders')).toEqual([ladderId('a')]);
    expect(puts(out, 'sections')).toMatchObject([
      { id: 'b', likeId: null },
      { id: 'c', parentId: null },
    ]);
    expect(out.says).toContain('1 student was');
    expect(does(removeSection, { sections: [a] }, { pieceId: 'p', sectionId: 'a' }).says).toBeUndefined();
    expect(refusal(runOn(removeSection, nothing, { pieceId: 'p', sectionId: 'a' }))).toBe('gone');
  });
});
