/** The one way in which anything is changed: a command in one transaction, from what is stored at that moment. */
import type { Asks, Command, EventAsk, Moment, Outcome, RowAsk, Stored } from '@/core/commands';
import { fail, ok, type Result } from '@/core/result';
import { eventSchema, parseRow, ROW_TABLES, ROW_WORDS, whyNot, type StudioEvent } from '@/core/studio';
import { logChange } from './change-log';
import type { ChangeEntry, StudioDatabase } from './database';
import { recordsById, recordsOfPiece, recordsOfStudent, wordsAbout } from './find-records';
import { refold } from './works';
import { storageProblem } from './stored-problem';
import { COMMAND_TABLES } from './tables';
import { writeRows, type RowWish } from './write-rows';

const readRows = (db: StudioDatabase, table: (typeof ROW_TABLES)[number], ask: RowAsk): PromiseLike<object[]> =>
  ask === 'all'
    ? db.table(table).toArray()
    : 'ids' in ask
      ? db.table(table).where('id').anyOf(ask.ids).toArray()
      : table === 'pieces'
        ? db.pieces.where('id').equals(ask.pieceId).toArray()
        : db.table(table).where('pieceId').equals(ask.pieceId).toArray();

async function readEvents(db: StudioDatabase, ask: EventAsk): Promise<StudioEvent[]> {
  if ('studentId' in ask) return recordsOfStudent(db, ask.studentId, ask.kinds);
  if ('pieceId' in ask) return recordsOfPiece(db, ask.pieceId, ask.kinds);
  const records = await recordsById(db, ask.ids);
  return [...records, ...(await wordsAbout(db, records))];
}

/** Reads what a command asks for, and nothing else. */
async function readAsked(db: StudioDatabase, asks: Asks): Promise<Record<string, unknown>> {
  const stored: Record<string, unknown> = {};
  for (const table of ROW_TABLES) {
    const ask = asks[table];
    if (ask !== undefined) stored[table] = await readRows(db, table, ask);
  }
  if (asks.events) stored['events'] = await readEvents(db, asks.events);
  if (asks.standings)
    stored['standings'] = (await db.works.where('pieceId').equals(asks.standings.pieceId).toArray()).flatMap(
      (work) => work.standings,
    );
  return stored;
}

/** What stands against keeping it: the first row or record that does not hold what it should. */
function refusalOf(outcome: Outcome, wishes: readonly RowWish[], now: string): Result<null> {
  for (const { table, row } of wishes) {
    if (row === null) continue;
    const parsed = parseRow(table, { ...row, updatedAt: now, touched: undefined });
    if ('why' in parsed)
      return fail('not-kept', `This ${ROW_WORDS[table]} cannot be kept: ${parsed.why}. Nothing was changed.`);
  }
  for (const record of outcome.records ?? []) {
    const parsed = eventSchema.safeParse(record);
    if (!parsed.success)
      return fail('not-kept', `This record cannot be kept: ${whyNot(parsed.error)}. Nothing was changed.`);
  }
  return ok(null);
}

/** What was done, as the screen says it. */
export type Done = Pick<Outcome, 'label' | 'says' | 'warns' | 'made'>;

/**
 * Runs a command: reads what it asks for, runs it, checks what it comes to, writes and logs it, all in one transaction
 * that waits for those of every other tab. A refusal changes nothing; so does an error of the storage, which comes back
 * as a refusal in words. The clock is read inside the transaction, so that of two commands the one that comes second is
 * also the later one.
 */
export async function runCommand<Args, A extends Asks>(
  db: StudioDatabase,
  command: Command<Args, A>,
  args: Args,
  momentNow: () => Moment,
): Promise<Result<Done>> {
  try {
    return await db.transaction(
      'rw',
      COMMAND_TABLES.map((t) => db.table(t)),
      async (): Promise<Result<Done>> => {
        const stored = (await readAsked(db, command.asks(args))) as Stored<A>;
        const moment = momentNow();
        const result = command.run(stored, args, moment);
        if (!result.ok) return result;
        const { changes = [], records = [], label, ...said } = result.value;
        const wishes = changes.map((c): RowWish =>
          'put' in c ? { table: c.table, id: c.put.id, row: c.put } : { table: c.table, id: c.remove, row: null },
        );
        const rows = new Set(wishes.map((w) => `${w.table} ${w.id}`));
        if (rows.size < wishes.length)
          return fail('not-kept', 'This would change one thing twice at once. Nothing was changed.');
        const checked = refusalOf(result.value, wishes, moment.now);
        if (!checked.ok) return checked;
        const entries: ChangeEntry[] = await writeRows(db, wishes, moment.now);
        await db.events.bulkAdd([...records]);
        await refold(db, records);
        const all = [...entries, ...records.map((event): ChangeEntry => ({ kind: 'event', event }))];
        if (all.length > 0) await logChange(db, { at: moment.now, label, entries: all });
        return ok({ label, ...said });
      },
    );
  } catch (error) {
    return storageProblem(error);
  }
}
