import { describe, expect, it } from 'vitest';
import { placeSections } from '../sections';
import type { Assigned, AssignmentEvent, Ladder, Rung, Section } from '../studio';
import { EIGHT, piece, section, student } from '../commands/stored-for-tests';
import { weekSheet, type SheetRequest } from './week-sheet';

const rung = (id: string, more: Partial<Rung> = {}): Rung => ({
  id,
  kind: 'slow',
  what: id,
  hands: '',
  tempo: 60,
  tempoTo: null,
  times: 3,
  done: '3 in a row',
  why: '',
  own: false,
  ...more,
});
const item = (id: string, what: string, more: Partial<Assigned> = {}): Assigned => ({
  id,
  kind: 'rung',
  pieceId: 'p',
  sectionId: 'a',
  what,
  tempo: null,
  minutes: 5,
  days: [0, 2, 4],
  timesADay: 2,
  by: 'lesson',
  cue: '',
  why: '',
  ...more,
});
const ladder = (sectionId: string, rungs: readonly Rung[]): Ladder => ({
  id: `l ${sectionId}`,
  sectionId,
  pieceId: 'p',
  rungs: [...rungs],
  updatedAt: '',
});
const SECTIONS: readonly Section[] = [
  section('a', 0, 3),
  section('b', 4, 7),
  section('c', 0, 1),
  section('w', 0, 7),
  section('j', 3, 4),
];
const PIECE = { piece: piece({ title: 'Lamps' }), score: EIGHT, places: placeSections(EIGHT, SECTIONS) };
const given = (items: readonly Assigned[], more: Partial<AssignmentEvent> = {}): AssignmentEvent => ({
  id: 'week',
  // A Tuesday, in the evening of where the studio is.
  at: '2026-11-24T23:30:00.000Z',
  kind: 'assignment',
  studentId: 's',
  lessonId: 'L',
  items: [...items],
  leftOut: [],
  cue: 'the lamps come on',
  minutesAvailable: 100,
  ...more,
});
const sheet = (items: readonly Assigned[], more: Partial<SheetRequest> = {}) =>
  weekSheet({
    student: student('s', { name: 'Imke', age: '14', minutesPerDay: [20, 20, 15, 20, 20, 0, 0] }),
    assignment: given(items),
    pieces: new Map([['p', PIECE]]),
    ladders: [ladder('a', [rung('Slowly'), rung('Together')]), ladder('b', [rung('Up', { tempoTo: 96, times: 14 })])],
    lessonDays: [],
    zone: 'UTC',
    ...more,
  });

describe('the sheet of a week', () => {
  it('says whose it is, of which week, and how long a day', () => {
    const { student: name, week, minutes, from, weekdays, nextLesson, cue } = sheet([]);
    expect([name, week, minutes, from, nextLesson, cue]).toEqual([
      'Imke',
      'week of 24 November',
      '15 to 20 minutes a day',
      '2026-11-24',
      null,
      'the lamps come on',
    ]);
    // From the day of the lesson on: Tuesday first.
    expect(weekdays).toEqual([1, 2, 3, 4, 5, 6, 0]);
  });
  it('counts its days where the studio is, not where midnight is in Greenwich', () => {
    expect(sheet([], { zone: 'Europe/Berlin' }).week).toBe('week of 25 November');
  });
  it('names the next lesson where lessons come every week, and only there', () => {
    expect(sheet([], { lessonDays: ['2026-11-17', '2026-11-24'] }).nextLesson).toBe('Tuesday 1 December');
    expect(sheet([], { lessonDays: ['2026-11-10', '2026-11-24'] }).nextLesson).toBeNull();
  });
  it('says one step in the heading, several one after the other', () => {
    const { tasks } = sheet([item('x', 'Lamps, A: Slowly'), item('y', 'Lamps, A: Slowly; together')]);
    expect(tasks[0]).toMatchObject({
      title: 'Lamps, bars 1–4: Slowly',
      steps: [{ what: '', how: '3 times at 60', done: '3 in a row' }],
    });
    expect(tasks[1]).toMatchObject({ title: 'Lamps, bars 1–4', steps: [{ what: 'Slowly' }, { what: 'Together' }] });
  });
  it('says tempos that rise from where to where, in the beats that a metronome counts', () => {
    expect(sheet([item('x', 'Lamps, B: Up', { sectionId: 'b' })]).tasks[0]?.steps[0]?.how).toBe('from 60 to 96');
    expect(sheet([item('x', 'Lamps, A: Slowly', { tempo: 72 })]).tasks[0]?.steps[0]?.how).toBe('3 times at 72');
  });
  it('keeps a task that is of no rung, of no music or of a piece that cannot be read in its own words', () => {
    const { tasks, excerpts } = sheet([
      item('x', 'Lamps, A: play it for the cat'),
      item('y', 'Clap at the table', { pieceId: null, sectionId: null }),
      item('z', 'Gone: play', { pieceId: 'gone' }),
    ]);
    expect(tasks.map((t) => t.title)).toEqual([
      'Lamps, bars 1–4: play it for the cat',
      'Clap at the table',
      'Gone: play',
    ]);
    expect(tasks.map((t) => t.excerpt === null)).toEqual([false, true, true]);
    expect(excerpts).toHaveLength(1);
  });
  it('prints the bars of several tasks once, with the first of them, and the longer of two', () => {
    const { tasks, excerpts } = sheet([
      item('x', 'Lamps, C: play', { sectionId: 'c' }),
      item('y', 'Lamps, B: Up', { sectionId: 'b' }),
      item('z', 'Lamps, A: Slowly'),
    ]);
    expect(excerpts.map((e) => [e.from, e.to])).toEqual([
      [0, 3],
      [4, 7],
    ]);
    expect(tasks.map((t) => t.excerpt?.withTask)).toEqual([1, 2, 1]);
    // The task of bars 1 and 2 finds them by their numbers.
    expect(excerpts.map((e) => e.numbered)).toEqual([true, false]);
  });
  it('prints a join with the bars that it joins', () => {
    const { tasks, excerpts } = sheet([
      item('x', 'Lamps, A: Slowly'),
      item('y', 'Lamps, join: Slowly', { sectionId: 'j' }),
      item('z', 'Lamps, B: Up', { sectionId: 'b' }),
    ]);
    expect(excerpts).toMatchObject([{ from: 0, to: 7, numbered: true }]);
    expect(tasks.map((t) => t.excerpt?.withTask)).toEqual([1, 1, 1]);
  });
  it('stands in the order in which a day goes', () => {
    const { tasks } = sheet([
      item('run', 'Lamps: run', { kind: 'check' }),
      item('new', 'Lamps, A: Slowly'),
      item('scale', 'G major', { kind: 'technique', pieceId: null, sectionId: null }),
    ]);
    expect(tasks.map((t) => t.itemId)).toEqual(['scale', 'new', 'run']);
    expect(tasks.map((t) => t.number)).toEqual([1, 2, 3]);
  });
  it('prints only the bars of the steps where these say their own', () => {
    const bars: [string, string] = [EIGHT.bars[2]?.id ?? '', EIGHT.bars[2]?.id ?? ''];
    const corner = [ladder('a', [rung('Loop bar 3', { bars })])];
    const { tasks, excerpts } = sheet([item('x', 'Lamps, A: Loop bar 3')], { ladders: corner });
    expect(tasks[0]?.title).toBe('Lamps, bar 3: Loop bar 3');
    expect(excerpts).toMatchObject([{ from: 2, to: 2 }]);
  });
  it('says a long way by its beginning and its end', () => {
    const many = ['one', 'two', 'three', 'four', 'five', 'six'].map((id) => rung(id));
    const { tasks } = sheet([item('x', 'Lamps, A: one; two; up to six')], { ladders: [ladder('a', many)] });
    expect(tasks[0]?.steps.map((s) => s.what)).toEqual(['one', 'two', 'three', 'Then on, up to: six']);
  });
  it('names the whole piece by its title alone', () => {
    expect(sheet([item('x', 'Lamps: play', { sectionId: 'w' })]).tasks[0]?.title).toBe('Lamps: play');
  });
  it('has no more boxes than are ticked, and always the caution', () => {
    const { tasks, cautions } = sheet([item('x', 'Lamps, A: Slowly', { timesADay: 40 })]);
    expect(tasks[0]?.boxes).toBe(5);
    expect(cautions[0]).toMatch(/^Hurts\? Stop and rest/);
  });
  it('warns who blows long lines of their breath', () => {
    const flute = { ...PIECE, piece: piece({ title: 'Gull', instrument: 'flute' }) };
    const breath = [ladder('a', [rung('Breathe', { kind: 'breath' })])];
    const { cautions } = sheet([item('x', 'Gull, A: Breathe')], { pieces: new Map([['p', flute]]), ladders: breath });
    expect(cautions.join(' ')).toMatch(/Dizzy/);
  });
});
