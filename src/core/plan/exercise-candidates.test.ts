import { describe, expect, it } from 'vitest';
import type { FoldedStanding } from '../mastery';
import { exerciseRows } from '../commands/exercise/exercise-rows';
import { scoreOf, standing } from '../commands/stored-for-tests';
import type { StudentLevel } from '../ladder';
import { teachingFor, type Ladder, type Piece } from '../studio';
import { exerciseCandidates, proposeExercises, studyCandidates } from './index';

const RUNS = scoreOf('X:1\nM:4/4\nL:1/4\nK:G\nG A B c | d c B A | G2 D2 | G4 |]');
const BROKEN = scoreOf('X:1\nM:3/4\nL:1/4\nK:Dm\nD F A | d A F | D3 | A3 |]');
const piano = (title: string, score = RUNS) => ({ title, score, instrument: 'piano' as const });
const names = (level: StudentLevel, ...pieces: Parameters<typeof proposeExercises>[0]) =>
  proposeExercises(pieces, level).map(({ exercise: e }) => `${e.figure} ${e.tonic} ${e.mode} ${e.octaves}`);

describe('exercises that pieces ask for', () => {
  it('are in their keys, five notes before the scale for a beginner, each piece in turn', () => {
    expect(names('beginner', piano('Lamps'), piano('Oars', BROKEN))).toEqual([
      'five-notes G major 1',
      'five-notes D minor 1',
      'scale G major 1',
      'scale D minor 1',
      'arpeggio G major 1',
      'arpeggio D minor 1',
    ]);
  });
  it('begin with the arpeggio where a piece breaks its chords and never runs, and say the bar', () => {
    expect(names('intermediate', piano('Oars', BROKEN))[0]).toBe('arpeggio D minor 2');
    expect(proposeExercises([piano('Oars', BROKEN)], 'intermediate')[0]?.why).toBe('Oars is made of it, as in bar 1');
  });
  it('fit the instrument: fewer octaves, five notes only for a voice, none for drums or without notes', () => {
    // A tune of five notes asks for one octave; a wide one for as many as the instrument has.
    const wide = scoreOf('X:1\nM:4/4\nL:1/4\nK:G\nG, D G B | d g b2 | g4 | G,4 |]');
    expect(names('advanced', { ...piano('Lamps'), instrument: 'trumpet' })[0]).toBe('scale G major 1');
    expect(names('advanced', { ...piano('Wide', wide), instrument: 'trumpet' })).toContain('scale G major 2');
    expect(names('advanced', { ...piano('Lamps'), instrument: 'voice' })).toEqual(['five-notes G major 1']);
    expect(names('advanced', { ...piano('Lamps'), instrument: 'percussion' })).toEqual([]);
    expect(names('advanced', piano('Empty', scoreOf('X:1\nM:4/4\nL:1/4\nK:G\nz4 | z4 |]')))).toEqual([]);
  });
  it('are asked once where two pieces are in one key', () => {
    expect(names('intermediate', piano('Lamps'), piano('Mist'))).toEqual(['scale G major 2', 'arpeggio G major 2']);
  });
});

describe('exercises of a week', () => {
  const at = (level: StudentLevel, standings: readonly FoldedStanding[] = []) => ({
    studentId: 's',
    standings: new Map(standings.map((s) => [s.key, s])),
    level,
    overhead: 5,
    studies: 0,
  });
  const made = (() => {
    const [first] = exerciseCandidates([], [], [piano('Lamps')], at('beginner')).toMake;
    if (!first) throw new Error('none');
    const rows = exerciseRows(
      { exercise: first.exercise, instrument: 'piano', level: 'beginner', teaching: teachingFor() },
      { now: '2026-05-20T15:00:00.000Z', zone: 'UTC' as never, newId: () => 'x' },
    );
    if (!rows.ok) throw new Error(rows.issue.message);
    const row = (table: string) => rows.value.find((c) => c.table === table && 'put' in c) as { put: unknown };
    return { ids: first, piece: row('pieces').put as Piece, ladder: row('ladders').put as Ladder };
  })();
  it('begin with one that is not there yet, under the ids it gets when the week is given', () => {
    const { candidates, toMake } = exerciseCandidates([], [], [piano('Lamps')], at('beginner'));
    expect(candidates).toMatchObject([
      { kind: 'technique', what: 'Five notes of G major: say its notes, then slowly' },
    ]);
    expect(toMake).toHaveLength(1);
    expect([made.piece.id, made.ladder.sectionId]).toEqual([made.ids.pieceId, made.ids.sectionId]);
  });
  it('go on with the rungs of the one in work, and begin no second one for a beginner', () => {
    const { candidates, toMake } = exerciseCandidates([made.piece], [made.ladder], [piano('Lamps')], at('beginner'));
    expect(toMake).toEqual([]);
    expect(candidates[0]?.what).toMatch(/^Five notes of G major: Say its notes, .*: G A B C D, then right hand/);
    const [first, second] = made.ladder.rungs;
    const climbed = { ...standing('s', made.ladder.sectionId, 1), rungsDone: [first?.id ?? ''] };
    const next = exerciseCandidates([made.piece], [made.ladder], [piano('Lamps')], at('beginner', [climbed]));
    expect(next.candidates[0]?.what.includes(second?.what ?? '?')).toBe(true);
  });
  it('are begun no more where a study stands for them; its next place is the technique of the week', () => {
    expect(exerciseCandidates([], [], [piano('Lamps')], { ...at('beginner'), studies: 1 }).candidates).toEqual([]);
    const task = (key: string, more: object = {}) => ({ ...rung, key, what: key, ...more });
    const rung = {
      kind: 'rung' as const,
      pieceId: 'p',
      sectionId: 's',
      tempo: null,
      minutes: 3,
      days: 4,
      timesADay: 1,
      by: 'lesson' as const,
      why: '',
      weight: 70,
    };
    const of = studyCandidates([
      task('joins', { inDay: 'join' }),
      task('bars 1–4'),
      task('bars 5–8'),
      task('check', { kind: 'check' }),
    ]);
    expect(of.map((c) => [c.key, c.kind])).toEqual([
      ['bars 1–4', 'technique'],
      ['check', 'check'],
    ]);
  });
  it('turn to the next one once it is known, never to the same again', () => {
    const known = standing('s', made.ladder.sectionId, 4);
    const { candidates } = exerciseCandidates([made.piece], [made.ladder], [piano('Lamps')], at('beginner', [known]));
    expect(candidates.map((c) => c.what)).toEqual(['Scale of G major, one octave: say its notes, then slowly']);
  });
});
