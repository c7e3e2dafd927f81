import { checksumOf } from './checksum';
import { inOrder } from './done-at-home';
import type { SentBack } from './sent-back';

export const ANSWER_FORMAT = 'oak-rungs-home';
export const ANSWER_VERSION = 1;

/** The same in one order, whoever wrote it. */
const settled = ({ week, device, from, done, note }: SentBack): SentBack => ({
  week,
  device,
  from,
  done: inOrder(done).map(({ task, day, minutes, times, right, row, tempo, ticks, steps }) => ({
    task,
    day,
    minutes,
    times,
    right,
    row,
    tempo,
    ticks,
    steps,
  })),
  note,
});

/** The checksum of what an answer says. */
export const answerSum = (sent: SentBack): number => checksumOf(JSON.stringify(settled(sent)));

/**
 * What was done at home as the text of a small file, with the notes.
 *
 * @example
 * answerFile({ week: 1, device: 2, from: '2026-11-24', done: [], note: '' }).includes('oak-rungs-home') // → true
 */
export const answerFile = (sent: SentBack): string =>
  JSON.stringify({ format: ANSWER_FORMAT, version: ANSWER_VERSION, sent: settled(sent), sum: answerSum(sent) });
