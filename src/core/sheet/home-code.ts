import { fail, ok, type Result } from '../result';
import { dayAfter, daysBetween, type Day } from '../studio';
import { bitsOf, emptyBits, fromLetters, inLetters, type Bits, type BitsRead } from './bits';
import { checksum } from './checksum';
import { inOrder } from './done-at-home';
import { MOST_AT_HOME, MOST_TASKS } from './most-at-home';
import type { DoneAtHome, SentBack } from './sent-back';

/** No code is longer than a message takes. */
export const MOST_CODE = 400;
const BEGIN = 'OAK1';
const END = '=';
/** Days are counted from here; 13 bits reach to 2042. */
const FIRST_DAY: Day = '2020-01-01';
const WIDTH = { week: 32, device: 16, from: 13, tasks: 5, task: 16, day: 1, sum: 32 } as const;

/** Numbers of one day of a task in their order, and how many bits the largest needs. */
const FIELDS = [
  ['minutes', 8],
  ['times', 8],
  ['right', 8],
  ['row', 8],
  ['tempo', 9],
  ['ticks', 4],
  ['steps', 4],
] as const;
type Field = (typeof FIELDS)[number][0];

/** How a number is written: in full, or a small one in few bits with two in front that say how many. */
type Writing = 'full' | 'short';
const SHORT: readonly number[] = [0, 3, 6];

function put(bits: Bits, writing: Writing, value: number, width: number): void {
  if (writing === 'full') {
    bits.put(value, width);
    return;
  }
  const size = SHORT.findIndex((w) => value < 2 ** w);
  bits.put(size < 0 ? SHORT.length : size, 2);
  bits.put(value, size < 0 ? width : (SHORT[size] ?? width));
}

const take = (bits: BitsRead, writing: Writing, width: number): number =>
  bits.take(writing === 'full' ? width : (SHORT[bits.take(2)] ?? width));

/** No tempo is written as none. */
const written = (d: DoneAtHome): Readonly<Record<Field, number>> => ({ ...d, tempo: d.tempo ?? 0 });

function bytesFor({ week, device, from }: SentBack, done: readonly DoneAtHome[], writing: Writing): Uint8Array {
  const bits = emptyBits();
  bits.put(writing === 'full' ? 0 : 1, 1);
  bits.put(week, WIDTH.week);
  bits.put(device, WIDTH.device);
  bits.put(daysBetween(FIRST_DAY, from), WIDTH.from);
  const tasks = [...new Set(done.map((d) => d.task))].sort((a, b) => a - b);
  const days = Array.from({ length: MOST_AT_HOME.days }, (_, i) => dayAfter(from, i));
  const at = new Map(done.map((d) => [`${d.task} ${d.day}`, d]));
  bits.put(tasks.length, WIDTH.tasks);
  for (const task of tasks) {
    bits.put(task, WIDTH.task);
    for (const day of days) {
      const one = at.get(`${task} ${day}`);
      bits.put(one ? 1 : 0, WIDTH.day);
      const values = one ? written(one) : null;
      if (values) for (const [field, width] of FIELDS) put(bits, writing, values[field], width);
    }
  }
  return bits.bytes();
}

/** The shorter of both ways to write it. */
function codeOf(sent: SentBack, done: readonly DoneAtHome[]): string {
  const [bytes = new Uint8Array()] = (['full', 'short'] as const)
    .map((writing) => bytesFor(sent, done, writing))
    .sort((a, b) => a.length - b.length);
  const sum = emptyBits();
  sum.put(checksum(bytes), WIDTH.sum);
  return `${BEGIN}${inLetters(Uint8Array.of(...bytes, ...sum.bytes()))}${END}`;
}

/** A code, and the days that it had no room for. */
export interface HomeCode {
  readonly code: string;
  readonly leftOut: readonly Day[];
}

/**
 * What was done at home as a code of letters, at most 400 long. Notes are not in it. Where there is more than a code
 * holds the earliest days are left out, and named; a week of six tasks always fits.
 *
 * @example homeCode(sent('2026-11-24', 5)).leftOut // → []
 */
export function homeCode(sent: SentBack): HomeCode {
  const last = dayAfter(sent.from, MOST_AT_HOME.days - 1);
  const all = inOrder(sent.done).filter((d) => d.day >= sent.from && d.day <= last);
  const days = [...new Set(all.map((d) => d.day))];
  for (let from = 0; from <= days.length; from += 1) {
    const kept = all.filter((d) => days.indexOf(d.day) >= from);
    if (new Set(kept.map((d) => d.task)).size > MOST_TASKS) continue;
    const code = codeOf(sent, kept);
    if (code.length <= MOST_CODE) return { code, leftOut: days.slice(0, from) };
  }
  return { code: codeOf(sent, []), leftOut: days };
}

export type HomeCodeProblem = 'no-code' | 'damaged-code';

const damaged = () =>
  fail(
    'damaged-code' satisfies HomeCodeProblem,
    'This code is damaged: a letter was changed or is missing. Copy the whole of it once more; nothing was changed.',
  );

/** One task of a code: its days, one after the other. */
function takeTask(bits: BitsRead, writing: Writing, from: Day): DoneAtHome[] {
  const task = bits.take(WIDTH.task);
  const out: DoneAtHome[] = [];
  for (let i = 0; i < MOST_AT_HOME.days; i += 1) {
    if (bits.take(WIDTH.day) === 0) continue;
    const values = new Map(FIELDS.map(([field, width]) => [field, take(bits, writing, width)]));
    const of = (field: Field): number => values.get(field) ?? 0;
    const tempo = of('tempo');
    out.push({
      task,
      day: dayAfter(from, i),
      minutes: of('minutes'),
      times: of('times'),
      right: of('right'),
      row: of('row'),
      tempo: tempo === 0 ? null : tempo,
      ticks: of('ticks'),
      steps: of('steps'),
    });
  }
  return out;
}

/**
 * What a code says, wherever it stands in a message, broken into lines or not.
 *
 * @example readHomeCode('See you on Tuesday!').ok // → false
 */
export function readHomeCode(message: string): Result<SentBack, HomeCodeProblem> {
  const found = new RegExp(`${BEGIN}([A-Za-z0-9+\\-\\s]*)${END}`).exec(message);
  if (!found) return message.includes(BEGIN) ? damaged() : fail('no-code', 'There is no code from home in this text.');
  const bytes = fromLetters((found[1] ?? '').replace(/\s/g, ''));
  if (!bytes || bytes.length < WIDTH.sum / 8) return damaged();
  const body = bytes.slice(0, -WIDTH.sum / 8);
  if (bitsOf(bytes.slice(-WIDTH.sum / 8)).take(WIDTH.sum) !== checksum(body)) return damaged();
  const bits = bitsOf(body);
  const writing: Writing = bits.take(1) === 0 ? 'full' : 'short';
  const week = bits.take(WIDTH.week);
  const device = bits.take(WIDTH.device);
  const from = dayAfter(FIRST_DAY, bits.take(WIDTH.from));
  const tasks = bits.take(WIDTH.tasks);
  const done = Array.from({ length: tasks }, () => takeTask(bits, writing, from)).flat();
  if (bits.over()) return damaged();
  return ok({ week, device, from, done: inOrder(done), note: '' });
}
