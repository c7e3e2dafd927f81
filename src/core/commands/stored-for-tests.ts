import {
  type Ladder,
  type Mark,
  type Piece,
  type Section,
  type Settings,
  type Student,
  type StudioEvent,
  type Template,
  type Page,
} from '../studio';
import type { FoldedStanding } from '../mastery';
import type { Result } from '../result';
import type { Score } from '../score';
import type { Asks, Command, Moment, Outcome, RowChange } from './command';
import { scoreOfAbc } from '../studio/abc-for-tests';

const AT = '2026-05-20T15:00:00.000Z';

/** Everything that a command may ask for, as a test has it. */
export interface TestStored {
  readonly pieces: readonly Piece[];
  readonly sections: readonly Section[];
  readonly marks: readonly Mark[];
  readonly ladders: readonly Ladder[];
  readonly templates: readonly Template[];
  readonly students: readonly Student[];
  readonly pages: readonly Page[];
  readonly settings: readonly Settings[];
  readonly events: readonly StudioEvent[];
  readonly standings: readonly FoldedStanding[];
}

export const nothing: TestStored = {
  pieces: [],
  sections: [],
  marks: [],
  ladders: [],
  templates: [],
  students: [],
  pages: [],
  settings: [],
  events: [],
  standings: [],
};

export const scoreOf = (abc: string): Score => scoreOfAbc(abc);
/** Eight bars of one line, the second four as the first but for their end. */
export const EIGHT = scoreOf(
  'X:1\nM:4/4\nL:1/4\nQ:1/4=80\nK:C\nC D E F | G A B c | c B A G | C4 | C D E F | G A B c | c B A F | G4 |]',
);

export const piece = (more: Partial<Piece> = {}): Piece => ({
  id: 'p',
  title: 'Piece',
  composer: '',
  format: 'abc',
  fileName: 'p.abc',
  source: '',
  encoding: 'utf-8',
  bom: false,
  original: null,
  instrument: 'piano',
  targetTempo: null,
  addedAt: AT,
  updatedAt: AT,
  ...more,
});
export const section = (id: string, from: number, to: number, more: Partial<Section> = {}): Section => ({
  id,
  pieceId: 'p',
  name: '',
  letter: id.toUpperCase(),
  fromBar: EIGHT.bars[from]?.id ?? '',
  toBar: EIGHT.bars[to]?.id ?? '',
  fromOffset: '0',
  toOffset: null,
  parentId: null,
  likeId: null,
  hand: 'all',
  order: from,
  updatedAt: AT,
  ...more,
});
export const student = (id: string, more: Partial<Student> = {}): Student => ({
  id,
  name: id.toUpperCase(),
  instrument: 'piano',
  age: '',
  handSpanInSemitones: null,
  breathSpanInSeconds: null,
  minutesPerDay: [20, 20, 20, 20, 20, 0, 0],
  order: 1,
  updatedAt: AT,
  ...more,
});
export const standing = (studentId: string, sectionId: string, level: FoldedStanding['level'] = 2): FoldedStanding => ({
  key: `${studentId} ${sectionId}`,
  studentId,
  sectionId,
  pieceId: 'p',
  level,
  at: AT,
  tempo: null,
  note: '',
  facets: {},
  overruled: false,
  proposed: null,
  hearings: [],
  fading: null,
  rungsDone: [],
});

/** Runs a command on what a test has; ids are `n1`, `n2`… */
export function runOn<Args, A extends Asks>(
  command: Command<Args, A>,
  stored: Partial<TestStored>,
  args: Args,
  now = AT,
  zone = 'UTC',
): Result<Outcome> {
  let ids = 0;
  const moment: Moment = { now, zone, newId: () => `n${(ids += 1)}` };
  return command.run({ ...nothing, ...stored } as never, args, moment);
}

/** The same, for what must not be refused. */
export function does<Args, A extends Asks>(
  command: Command<Args, A>,
  stored: Partial<TestStored>,
  args: Args,
  now = AT,
  zone = 'UTC',
): Outcome {
  const result = runOn(command, stored, args, now, zone);
  if (!result.ok) throw new Error(`${result.issue.code}: ${result.issue.message}`);
  return result.value;
}
export const refusal = (result: Result<unknown>): string => (result.ok ? 'not refused' : result.issue.code);

/** Rows that an outcome puts into a table, and ids that it takes away. */
export const puts = (outcome: Outcome, table: RowChange['table']): Record<string, unknown>[] =>
  (outcome.changes ?? []).flatMap((c) =>
    c.table === table && 'put' in c ? [c.put as unknown as Record<string, unknown>] : [],
  );
export const removes = (outcome: Outcome, table: RowChange['table']): string[] =>
  (outcome.changes ?? []).flatMap((c) => (c.table === table && 'remove' in c ? [c.remove] : []));
