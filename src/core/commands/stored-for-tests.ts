import {
  ROW_TABLES,
  type Ladder,
  type Mark,
  type Piece,
  type Section,
  type Settings,
  type Student,
  type StoredWay,
  type StudioEvent,
  type Template,
  type Layout,
  type Page,
} from '../studio';
import type { FoldedStanding } from '../mastery';
import type { Result } from '../result';
import type { Score } from '../score';
import type { Asks, Command, EventAsk, Moment, Outcome, RowAsk, RowChange, Stored } from './command';
import { scoreOfAbc } from '../studio/abc-for-tests';

const AT = '2026-05-20T15:00:00.000Z';

/** Everything that a command may ask for, as a test has it. */
export interface TestStored {
  readonly pieces: readonly Piece[];
  readonly sections: readonly Section[];
  readonly marks: readonly Mark[];
  readonly ladders: readonly Ladder[];
  readonly ways: readonly StoredWay[];
  readonly templates: readonly Template[];
  readonly students: readonly Student[];
  readonly layouts: readonly Layout[];
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
  ways: [],
  templates: [],
  students: [],
  pages: [],
  layouts: [],
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

const asksForEvent = (ask: EventAsk, e: StudioEvent): boolean => {
  if ('ids' in ask) return ask.ids.includes(e.id);
  const about =
    'studentId' in ask
      ? 'studentId' in e && e.studentId === ask.studentId
      : 'pieceId' in e && e.pieceId === ask.pieceId;
  return about && ask.kinds.some((kind) => kind === e.kind);
};

/** As the store does: only what a command asks for is there when it runs, with the words that take records back. */
function askedOf<A extends Asks>(asks: A, stored: TestStored): Partial<TestStored> {
  const found: Record<string, readonly unknown[]> = {};
  for (const table of ROW_TABLES) {
    const ask: RowAsk | undefined = asks[table];
    if (ask === undefined) continue;
    const rows: readonly { readonly id: string; readonly pieceId?: unknown }[] = stored[table];
    found[table] = rows.filter((row) =>
      ask === 'all'
        ? true
        : 'ids' in ask
          ? ask.ids.includes(row.id)
          : (table === 'pieces' ? row.id : row.pieceId) === ask.pieceId,
    );
  }
  const { events, standings } = asks;
  if (events) {
    const records = stored.events.filter((e) => asksForEvent(events, e));
    const ids = new Set(records.map((e) => e.id));
    found['events'] = stored.events.filter(
      (e) => records.includes(e) || ((e.kind === 'retract' || e.kind === 'restore') && ids.has(e.target)),
    );
  }
  if (standings) found['standings'] = stored.standings.filter((s) => s.pieceId === standings.pieceId);
  return found;
}

/** Runs a command on what it asks for of what a test has; ids are `n1`, `n2`… */
export function runOn<Args, A extends Asks>(
  command: Command<Args, A>,
  stored: Partial<TestStored>,
  args: Args,
  now = AT,
  zone = 'UTC',
): Result<Outcome> {
  let ids = 0;
  const moment: Moment = { now, zone, newId: () => `n${(ids += 1)}` };
  return command.run(askedOf(command.asks(args), { ...nothing, ...stored }) as Stored<A>, args, moment);
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
