import { describe, expect, it } from 'vitest';
import type { LevelEvent, StudioEvent } from '../../studio';
import { does, nothing, piece, refusal, runOn, section, student } from '../stored-for-tests';
import { beginLesson } from './begin-lesson';
import { correctPractice } from './correct-practice';
import { correctRecord } from './correct-record';
import { logPractice } from './log-practice';
import { putDownLesson } from './put-down-lesson';
import { recordLevel, type RecordLevel } from './record-level';
import { sayInLesson } from './say-in-lesson';
import { takeBackLesson } from './take-back-lesson';
import { takeBackRecord } from './take-back-record';
import { tickRung } from './tick-rung';

const NOW = '2026-05-20T15:00:00.000Z';
const lesson = (id: string, at: string, more: Partial<Extract<StudioEvent, { kind: 'lesson' }>> = {}): StudioEvent => ({
  id,
  at,
  kind: 'lesson',
  studentId: 's',
  minutes: 30,
  ...more,
});
const retract = (target: string): StudioEvent => ({ id: `r ${target}`, at: NOW, kind: 'retract', target });
const level = (id: string, more: Partial<LevelEvent> = {}): LevelEvent => ({
  id,
  at: '2026-05-20T14:40:00.000Z',
  kind: 'level',
  studentId: 's',
  pieceId: 'p',
  sectionId: 'a',
  level: 3,
  proposed: null,
  tempo: 80,
  note: 'n',
  facets: { notes: true },
  lessonId: 'L',
  ...more,
});
const base = { students: [student('s', { lessonMinutes: 45 })], sections: [section('a', 0, 3)] };
const heard: RecordLevel = {
  studentId: 's',
  sectionId: 'a',
  lessonId: null,
  level: null,
  proposed: null,
  tempo: null,
  note: '',
  facets: null,
  errors: [],
  signs: {},
};

describe('a level', () => {
  it('begins the lesson with the first record, at the length of this student', () => {
    const out = does(recordLevel, base, { ...heard, level: 3, note: ' late ' });
    expect(out.records).toEqual([
      { id: 'n1', at: NOW, kind: 'lesson', studentId: 's', minutes: 45 },
      {
        id: 'n2',
        at: NOW,
        kind: 'level',
        studentId: 's',
        pieceId: 'p',
        sectionId: 'a',
        level: 3,
        proposed: null,
        tempo: null,
        note: 'late',
        lessonId: 'n1',
      },
    ]);
    expect(out.label).toBe('S, A: level 3');
  });
  it('belongs to the lesson that is going on, not to one of hours ago, a missed or a taken back one', () => {
    const of = (...events: StudioEvent[]) => {
      const records = does(recordLevel, { ...base, events }, { ...heard, level: 1 }).records ?? [];
      return [records.length, records.flatMap((r) => (r.kind === 'level' ? [r.lessonId] : []))[0]];
    };
    expect(of(lesson('L', '2026-05-20T12:00:01.000Z'))).toEqual([1, 'L']);
    expect(of(lesson('L', '2026-05-20T12:00:00.000Z'))).toEqual([2, 'n1']);
    expect(of(lesson('L', '2026-05-20T15:00:01.000Z'))).toEqual([2, 'n1']);
    expect(of(lesson('L', '2026-05-20T14:50:00.000Z', { missed: true }))).toEqual([2, 'n1']);
    expect(of(lesson('L', '2026-05-20T14:50:00.000Z'), retract('L'))).toEqual([2, 'n1']);
  });
  it('of a lesson that was counts at its time', () => {
    const events = [lesson('L', '2026-05-13T15:00:00.000Z')];
    expect(does(recordLevel, { ...base, events }, { ...heard, level: 2, lessonId: 'L' }).records).toMatchObject([
      { at: '2026-05-13T15:00:00.000Z', lessonId: 'L' },
    ]);
    const current = [lesson('L', '2026-05-20T14:50:00.000Z')];
    expect(
      does(recordLevel, { ...base, events: current }, { ...heard, level: 2, lessonId: 'L' }).records,
    ).toMatchObject([{ at: NOW, lessonId: 'L' }]);
    expect(refusal(runOn(recordLevel, base, { ...heard, level: 2, lessonId: 'nowhere' }))).toBe('gone');
  });
  it('outside a lesson has none', () => {
    const [record, ...more] = does(recordLevel, base, { ...heard, level: 2, outside: true }).records ?? [];
    expect(more).toEqual([]);
    expect(record).not.toHaveProperty('lessonId');
  });
  it('is what was pressed, else what was heard comes to; what is only proposed is never stored', () => {
    const stored = (more: Partial<RecordLevel>) => runOn(recordLevel, base, { ...heard, ...more });
    expect(refusal(stored({ proposed: 4 }))).toBe('nothing-heard');
    expect(refusal(stored({ tempo: 80, note: 'x', proposed: 1 }))).toBe('nothing-heard');
    expect(refusal(stored({ facets: {} }))).toBe('nothing-heard');
    const both = does(recordLevel, base, {
      ...heard,
      level: 2,
      proposed: 4,
      facets: { notes: true },
      errors: [1, 0],
      signs: { slur: true },
    });
    expect(both.records?.[1]).toMatchObject({
      level: 2,
      proposed: 4,
      facets: { notes: true },
      errors: [1, 0],
      signs: { slur: true },
    });
    const facets = does(recordLevel, base, { ...heard, proposed: 4, facets: { notes: true } });
    expect(facets.records?.[1]).toMatchObject({ level: 4, proposed: 4 });
    const zero = does(recordLevel, base, { ...heard, level: 0 });
    expect(zero.records?.[1]).toMatchObject({ level: 0 });
    expect(zero.records?.[1]).not.toHaveProperty('facets');
    expect(zero.records?.[1]).not.toHaveProperty('errors');
    expect(zero.records?.[1]).not.toHaveProperty('signs');
  });
  it('needs a student and a section', () => {
    expect(refusal(runOn(recordLevel, { ...base, students: [] }, { ...heard, level: 1 }))).toBe('gone');
    expect(refusal(runOn(recordLevel, { ...base, sections: [] }, { ...heard, level: 1 }))).toBe('gone');
  });
});

describe('a lesson', () => {
  it('begins once', () => {
    expect(does(beginLesson, base, { studentId: 's' })).toMatchObject({
      made: 'n1',
      records: [{ kind: 'lesson', minutes: 45 }],
    });
    expect(does(beginLesson, { students: [student('s')] }, { studentId: 's' }).records).toMatchObject([
      { minutes: 30 },
    ]);
    expect(
      refusal(runOn(beginLesson, { ...base, events: [lesson('L', '2026-05-20T14:30:00.000Z')] }, { studentId: 's' })),
    ).toBe('lesson-goes-on');
    expect(refusal(runOn(beginLesson, nothing, { studentId: 's' }))).toBe('gone');
  });
  it('is put down afterwards where the studio is, but not before it was', () => {
    const put = (day: string, clock: string, zone = 'America/Los_Angeles', missed = false) =>
      runOn(putDownLesson, base, { studentId: 's', day, clock, minutes: null, missed }, NOW, zone);
    expect(put('2026-05-18', '16:40')).toMatchObject({
      ok: true,
      value: { records: [{ at: '2026-05-18T23:40:00.000Z', minutes: 45 }], made: 'n1' },
    });
    const held = put('2026-05-18', '16:40');
    expect(held.ok && held.value.records?.[0]).not.toHaveProperty('missed');
    expect(put('2026-05-18', '16:40', 'UTC', true)).toMatchObject({
      value: { label: 'missed lesson put down', records: [{ missed: true }] },
    });
    expect(refusal(put('2026-05-21', '08:00'))).toBe('not-yet');
    expect(refusal(put('2026-05-20', '16:00', 'UTC'))).toBe('not-yet');
    expect(put('2026-05-20', '15:00', 'UTC').ok).toBe(true);
    expect(refusal(put('2026-05-20', 'soon', 'UTC'))).toBe('no-time');
    expect(refusal(put('2026-05-20', '99:99', 'UTC'))).toBe('no-time');
    expect(
      does(putDownLesson, base, { studentId: 's', day: '2026-05-01', clock: '10:00', minutes: 60, missed: false })
        .records,
    ).toMatchObject([{ minutes: 60 }]);
    expect(
      refusal(
        runOn(putDownLesson, nothing, {
          studentId: 's',
          day: '2026-05-01',
          clock: '10:00',
          minutes: 60,
          missed: false,
        }),
      ),
    ).toBe('gone');
  });
  it('has what was said about it, also about one that was', () => {
    const events = [lesson('L', '2026-05-13T15:00:00.000Z')];
    expect(does(sayInLesson, { ...base, events }, { studentId: 's', lessonId: 'L', text: ' slow ' }).records).toEqual([
      { id: 'n1', at: NOW, kind: 'said', studentId: 's', lessonId: 'L', text: 'slow' },
    ]);
    expect(does(sayInLesson, base, { studentId: 's', lessonId: null, text: 'x' }).records?.map((r) => r.kind)).toEqual([
      'lesson',
      'said',
    ]);
    expect(refusal(runOn(sayInLesson, base, { studentId: 's', lessonId: 'nowhere', text: 'x' }))).toBe('gone');
    expect(refusal(runOn(sayInLesson, nothing, { studentId: 's', lessonId: null, text: 'x' }))).toBe('gone');
  });
  it('is taken back with everything of it and of what was joined to it, and with nothing else', () => {
    const events: StudioEvent[] = [
      lesson('L', '2026-05-20T14:00:00.000Z'),
      lesson('M', '2026-05-20T14:10:00.000Z'),
      { id: 'j', at: NOW, kind: 'lesson-joined', studentId: 's', lessonId: 'M', into: 'L' },
      level('e1'),
      level('e2', { lessonId: 'M' }),
      level('e3', { lessonId: 'other' }),
      level('gone'),
      retract('gone'),
      { id: 'w', at: NOW, kind: 'said', studentId: 's', lessonId: 'L', text: 'x' },
    ];
    const out = does(takeBackLesson, { events }, { studentId: 's', lessonId: 'L' });
    expect(out.records?.map((r) => (r.kind === 'retract' ? r.target : r.kind)).sort()).toEqual([
      'L',
      'M',
      'e1',
      'e2',
      'j',
      'w',
    ]);
    expect(refusal(runOn(takeBackLesson, { events }, { studentId: 's', lessonId: 'M' }))).toBe('gone');
  });
});

describe('a correction', () => {
  const stored = {
    events: [level('e')],
    sections: [section('b', 4, 7, { pieceId: 'q' })],
    students: [student('s'), student('t')],
  };
  const right = (correction: Parameters<typeof correctRecord.run>[1]['correction']) =>
    does(correctRecord, stored, { recordId: 'e', correction }).records?.[0] as LevelEvent;
  it('says all of the record but what was wrong', () => {
    expect(right({ level: 1 })).toEqual({ ...level('e'), id: 'n1', at: NOW, level: 1, corrects: 'e' });
    expect(right({ tempo: null, note: '', facets: { rhythm: false } })).toMatchObject({
      level: 3,
      tempo: null,
      note: '',
      facets: { rhythm: false },
    });
  });
  it('may be about another section, or another student whose lesson it is not', () => {
    expect(right({ sectionId: 'b' })).toMatchObject({ sectionId: 'b', pieceId: 'q', lessonId: 'L' });
    expect(right({ studentId: 't' })).not.toHaveProperty('lessonId');
    expect(right({ studentId: 's' })).toMatchObject({ lessonId: 'L' });
  });
  it('needs a record that stands, and a place to go to', () => {
    const refused = (more: object, recordId = 'e', correction = {}) =>
      refusal(runOn(correctRecord, { ...stored, ...more }, { recordId, correction }));
    expect(refused({}, 'nowhere')).toBe('gone');
    expect(refused({ events: [lesson('e', NOW)] })).toBe('gone');
    expect(refused({ events: [level('e'), retract('e')] })).toBe('taken-back');
    expect(refused({ sections: [] }, 'e', { sectionId: 'b' })).toBe('gone');
    expect(refused({ students: [] }, 'e', { studentId: 't' })).toBe('gone');
  });
  it('or the record is taken back as never heard', () => {
    expect(does(takeBackRecord, { events: [level('e')] }, { recordId: 'e' })).toMatchObject({
      label: 'level taken back',
      records: [{ kind: 'retract', target: 'e' }],
    });
    expect(refusal(runOn(takeBackRecord, { events: [level('e'), retract('e')] }, { recordId: 'e' }))).toBe(
      'taken-back',
    );
  });
});

describe('a rung', () => {
  const tick = (events: StudioEvent[], inLesson = false) =>
    does(tickRung, { ...base, events }, { studentId: 's', sectionId: 'a', rungId: 'r', inLesson });
  it('is ticked, and the tick taken away where it stands', () => {
    const first = tick([]);
    expect([first.label, first.records]).toEqual([
      'rung ticked',
      [{ id: 'n1', at: NOW, kind: 'rung', studentId: 's', pieceId: 'p', sectionId: 'a', rungId: 'r', done: true }],
    ]);
    const again = tick(first.records as StudioEvent[]);
    expect([again.label, again.records]).toMatchObject(['tick taken away', [{ done: false }]]);
    expect(tick([...(first.records as StudioEvent[]), retract('n1')]).records).toMatchObject([{ done: true }]);
  });
  it('in a lesson belongs to it', () => {
    expect(tick([], true).records).toMatchObject([{ kind: 'lesson' }, { kind: 'rung', lessonId: 'n1' }]);
    expect(tick([lesson('L', '2026-05-20T14:50:00.000Z')], true).records).toMatchObject([{ lessonId: 'L' }]);
  });
  it('needs a student and a section', () => {
    const args = { studentId: 's', sectionId: 'a', rungId: 'r', inLesson: false };
    expect(refusal(runOn(tickRung, { ...base, students: [] }, args))).toBe('gone');
    expect(refusal(runOn(tickRung, { ...base, sections: [] }, args))).toBe('gone');
  });
});

describe('practice', () => {
  const log = {
    studentId: 's',
    pieceId: 'p',
    sectionId: 'a',
    day: '2026-05-18',
    minutes: 12.4,
    times: 3.6,
    tempo: 60,
    note: '',
  };
  const stored = { ...base, pieces: [piece()] };
  it('is logged on the day it was done, with its repetitions', () => {
    expect(does(logPractice, stored, { ...log, rung: 'slow' }).records).toEqual([
      {
        id: 'n1',
        at: NOW,
        kind: 'practice',
        studentId: 's',
        pieceId: 'p',
        sectionId: 'a',
        day: '2026-05-18',
        minutes: 12.4,
        times: 4,
        tempo: 60,
        note: '',
        rung: 'slow',
      },
    ]);
    expect(does(logPractice, stored, log).records?.[0]).not.toHaveProperty('rung');
    expect(does(logPractice, stored, { ...log, day: '2026-05-20' }).label).toBe('practice of S');
  });
  it('is kept once, though it is handed over from two tabs', () => {
    const [first] = does(logPractice, stored, { ...log, id: 'from-the-room' }).records ?? [];
    expect(first?.id).toBe('from-the-room');
    const again = { ...stored, events: first ? [first] : [] };
    expect(refusal(runOn(logPractice, again, { ...log, id: 'from-the-room' }))).toBe('kept-already');
  });
  it('ticks the rung that it finished', () => {
    const done = { ...log, right: 3, tapped: { right: 9, of: 10 }, rungDone: 'x' };
    const [practice, tick, ...none] = does(logPractice, stored, done).records ?? [];
    expect(practice).toMatchObject({ kind: 'practice', right: 3, tapped: { right: 9, of: 10 } });
    expect(tick).toMatchObject({ kind: 'rung', sectionId: 'a', rungId: 'x', done: true });
    expect(none).toEqual([]);
    expect(does(logPractice, stored, { ...done, sectionId: null }).records).toHaveLength(1);
    expect(does(logPractice, stored, { ...done, right: 9 }).records?.[0]).toMatchObject({ times: 4, right: 4 });
  });
  it('is put right by a record that stands in for it', () => {
    const [wrong] = does(logPractice, stored, { ...log, right: 3 }).records ?? [];
    const events = wrong ? [wrong] : [];
    const fix = (correction: object) =>
      runOn(correctPractice, { ...stored, events }, { recordId: wrong?.id ?? '', correction });
    expect(
      does(correctPractice, { ...stored, events }, { recordId: 'n1', correction: { minutes: 20, times: 2 } }),
    ).toMatchObject({
      records: [
        { kind: 'retract', target: 'n1' },
        { kind: 'practice', minutes: 20, times: 2, right: 2, tempo: 60, day: '2026-05-18' },
      ],
    });
    expect(refusal(fix({ day: '2026-05-21' }))).toBe('not-yet');
    expect(refusal(fix({ minutes: 0 }))).toBe('no-minutes');
    expect(refusal(runOn(correctPractice, { ...stored, events: [] }, { recordId: 'n1', correction: {} }))).toBe('gone');
    const takenBack = { ...stored, events: [...events, retract('n1')] };
    expect(refusal(runOn(correctPractice, takenBack, { recordId: 'n1', correction: {} }))).toBe('taken-back');
  });
  it('is not of a day to come, of no minutes, of nobody', () => {
    expect(refusal(runOn(logPractice, stored, { ...log, day: '2026-05-21' }))).toBe('not-yet');
    // In Auckland it is the 21st already.
    expect(runOn(logPractice, stored, { ...log, day: '2026-05-21' }, NOW, 'Pacific/Auckland').ok).toBe(true);
    expect(refusal(runOn(logPractice, stored, { ...log, minutes: 0 }))).toBe('no-minutes');
    expect(refusal(runOn(logPractice, stored, { ...log, minutes: Number.NaN }))).toBe('no-minutes');
    expect(refusal(runOn(logPractice, { ...stored, students: [] }, log))).toBe('gone');
    expect(refusal(runOn(logPractice, { ...stored, pieces: [] }, log))).toBe('gone');
  });
});
