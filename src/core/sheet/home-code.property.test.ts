import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { crc32 } from 'node:zlib';
import { dayAfter } from '../studio';
import { answerFile } from './answer-file';
import { bitsOf, emptyBits, fromLetters, inLetters } from './bits';
import { checksum } from './checksum';
import { inOrder, isNothing, moreOf } from './done-at-home';
import { homeCode, MOST_CODE, readHomeCode } from './home-code';
import { MOST_AT_HOME } from './most-at-home';
import { readAnswer } from './read-answer';
import type { DoneAtHome, SentBack } from './sent-back';
import { anythingSent } from './sent-back-for-tests';

/** What a code carries of something sent: all but the note. */
const carried = (sent: SentBack): SentBack => ({ ...sent, done: inOrder(sent.done), note: '' });

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+-';

describe('a code from home', () => {
  it('says the same when it is read as when it was written, for any week of up to six tasks', () => {
    fc.assert(
      fc.property(anythingSent(6, 7), (sent) => {
        const { code, leftOut } = homeCode(sent);
        expect(leftOut).toEqual([]);
        expect(code.length).toBeLessThanOrEqual(MOST_CODE);
        expect(readHomeCode(code)).toEqual({ ok: true, value: carried(sent) });
      }),
      { numRuns: 80 },
    );
  });
  it('fits though every one of six tasks is full on every day', () => {
    const sent: SentBack = {
      week: 0xffffffff,
      device: 0xffff,
      from: '2026-11-24',
      note: 'x'.repeat(1000),
      done: Array.from({ length: 42 }, (_, i) => ({
        task: 60000 + (i % 6),
        day: dayAfter('2026-11-24', Math.floor(i / 6)),
        minutes: 240,
        times: 255,
        right: 255,
        row: 255,
        tempo: 400,
        ticks: 15,
        steps: 15,
      })),
    };
    const { code, leftOut } = homeCode(sent);
    expect(code.length).toBeLessThanOrEqual(MOST_CODE);
    expect(leftOut).toEqual([]);
    expect(readHomeCode(code)).toEqual({ ok: true, value: carried(sent) });
  });
  it('leaves out the earliest days of what it cannot hold, and names them', () => {
    let some = 0;
    fc.assert(
      fc.property(anythingSent(20, MOST_AT_HOME.days), (sent) => {
        const { code, leftOut } = homeCode(sent);
        expect(code.length).toBeLessThanOrEqual(MOST_CODE);
        if (leftOut.length > 0) some += 1;
        const kept = inOrder(sent.done).filter((d) => !leftOut.includes(d.day));
        expect(readHomeCode(code)).toEqual({ ok: true, value: { ...carried(sent), done: kept } });
        for (const { day } of kept) for (const gone of leftOut) expect(gone < day).toBe(true);
      }),
      { numRuns: 20 },
    );
    // Some of them are too many: how many is chance.
    expect(some).toBeGreaterThan(0);
  });
  it('is known to be damaged when any one letter is another', () => {
    fc.assert(
      fc.property(anythingSent(3, 7), fc.nat(), fc.nat(LETTERS.length - 1), (sent, place, letter) => {
        const { code } = homeCode(sent);
        const at = place % code.length;
        const other = LETTERS[letter] ?? 'A';
        fc.pre(other !== code[at]);
        expect(readHomeCode(`${code.slice(0, at)}${other}${code.slice(at + 1)}`).ok).toBe(false);
      }),
      { numRuns: 150 },
    );
  });
  it('is known to be damaged at every place of one code, whichever letter stands there', () => {
    const sent = carried({
      week: 123456789,
      device: 4711,
      from: '2026-11-24',
      note: '',
      done: [
        { task: 77, day: '2026-11-25', minutes: 12, times: 9, right: 7, row: 3, tempo: 66, ticks: 3, steps: 1 },
        { task: 901, day: '2026-11-26', minutes: 5, times: 0, right: 0, row: 0, tempo: null, ticks: 1, steps: 0 },
      ],
    });
    const { code } = homeCode(sent);
    expect(readHomeCode(code)).toEqual({ ok: true, value: sent });
    for (let at = 0; at < code.length; at += 1)
      for (const other of `${LETTERS}=! .`)
        if (other !== code[at])
          expect(readHomeCode(`${code.slice(0, at)}${other}${code.slice(at + 1)}`).ok, `${at} ${other}`).toBe(false);
  });
  it('is found in a message, and though a mail broke it into lines', () => {
    const sent: SentBack = { week: 5, device: 6, from: '2026-11-24', note: '', done: [] };
    const { code } = homeCode(sent);
    expect(readHomeCode(`Hello,\nhere is the week: ${code} See you!`)).toEqual({ ok: true, value: sent });
    expect(readHomeCode(code.replace(/(.{7})/g, '$1\n  '))).toEqual({ ok: true, value: sent });
    expect(readHomeCode('nothing here')).toMatchObject({ ok: false, issue: { code: 'no-code' } });
  });
});

describe('a file from home', () => {
  it('says the same when it is read as when it was written, with the note', () => {
    fc.assert(
      fc.property(anythingSent(12, MOST_AT_HOME.days), (sent) => {
        expect(readAnswer(answerFile(sent))).toEqual({ ok: true, value: { ...sent, done: inOrder(sent.done) } });
      }),
      { numRuns: 60 },
    );
  });
  it('is known to be damaged when a figure in it was changed', () => {
    const text = answerFile({
      week: 5,
      device: 6,
      from: '2026-11-24',
      note: 'It was hard.',
      done: [{ task: 7, day: '2026-11-25', minutes: 12, times: 9, right: 7, row: 3, tempo: 66, ticks: 3, steps: 1 }],
    });
    for (const [before, after] of [
      ['"minutes":12', '"minutes":13'],
      ['It was hard', 'It was easy'],
      ['"week":5', '"week":6'],
    ] as const)
      expect(readAnswer(text.replace(before, after))).toMatchObject({ ok: false, issue: { code: 'damaged-answer' } });
    expect(readAnswer(text.slice(0, -3))).toMatchObject({ ok: false, issue: { code: 'damaged-answer' } });
    expect(readAnswer(text.replace('"version":1', '"version":2'))).toMatchObject({
      ok: false,
      issue: { code: 'newer-answer' },
    });
  });
});

describe('what was done at home', () => {
  const day = (over: Partial<DoneAtHome>): DoneAtHome => ({
    task: 1,
    day: '2026-11-24',
    minutes: 0,
    times: 0,
    right: 0,
    row: 0,
    tempo: null,
    ticks: 0,
    steps: 0,
    ...over,
  });
  it('is joined to the more of both, in any order, once as well as twice', () => {
    fc.assert(
      fc.property(anythingSent(2, 2), (sent) => {
        const [a, b, c] = sent.done;
        if (!a || !b || !c) return;
        const on = (d: DoneAtHome): DoneAtHome => ({ ...d, task: 1, day: '2026-11-24' });
        const [x, y, z] = [on(a), on(b), on(c)];
        expect(moreOf(x, y)).toEqual(moreOf(y, x));
        expect(moreOf(x, x)).toEqual(x);
        expect(moreOf(moreOf(x, y), z)).toEqual(moreOf(x, moreOf(y, z)));
      }),
    );
  });
  it('is nothing where nothing was ticked, judged or timed', () => {
    expect(isNothing(day({}))).toBe(true);
    expect(isNothing(day({ ticks: 1 }))).toBe(false);
    expect(inOrder([day({}), day({ task: 2, minutes: 3 }), day({ minutes: 1 })]).map((d) => d.task)).toEqual([1, 2]);
  });
});

describe('letters and checksums', () => {
  it('are those that another implementation finds', () => {
    // zlib of Node.
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => {
        expect(checksum(bytes)).toBe(crc32(bytes));
        expect(fromLetters(inLetters(bytes))).toEqual(bytes);
        // Base 64 (RFC 4648) with two other letters at its end.
        const base64 = Buffer.from(bytes).toString('base64').replace(/\//g, '-').replace(/=+$/, '');
        expect(inLetters(bytes)).toBe(base64);
      }),
    );
  });
  it('keep numbers in the width they were written in', () => {
    const bits = emptyBits();
    bits.put(5, 3);
    bits.put(0xffffffff, 32);
    bits.put(1, 1);
    const read = bitsOf(bits.bytes());
    expect([read.take(3), read.take(32), read.take(1)]).toEqual([5, 0xffffffff, 1]);
    expect(read.over()).toBe(false);
    read.take(5);
    expect(read.over()).toBe(true);
  });
});
