import type { Transaction } from 'dexie';
import { foldStandings } from '@/core/mastery';
import {
  asDamaged,
  eventSchema,
  ladderWithPlace,
  markWithPlace,
  parseRow,
  sameContent,
  upgradeStudio,
  whyNot,
  type Damaged,
  type LooseStudio,
  type RowTable,
  type StudioEvent,
  type Zone,
} from '@/core/studio';

type Loose = Readonly<Record<string, unknown>>;

/** The tables of rows of version 3; those of later versions are not there yet. */
const TABLES_OF_3 = [
  'pieces',
  'sections',
  'marks',
  'ladders',
  'templates',
  'students',
  'pages',
  'settings',
] as const satisfies readonly RowTable[];

/** An entry of the undo log under the ids of places, so that what was done before can still be taken back. */
function entryWithPlace(entry: Loose): Loose {
  const rename = entry['table'] === 'marks' ? markWithPlace : entry['table'] === 'ladders' ? ladderWithPlace : null;
  if (entry['kind'] !== 'row' || rename === null) return entry;
  const renamed = (row: unknown): Loose | null =>
    typeof row === 'object' && row !== null ? rename(row as Loose) : null;
  const before = renamed(entry['before']);
  const after = renamed(entry['after']);
  return { ...entry, before, after, key: (after ?? before)?.['id'] ?? entry['key'] };
}

/**
 * Brings a database of an earlier version up to date, in the transaction that opens it: the same as for a file of that
 * version. Rows that do not hold what they should are kept as they are among the damaged ones; what was changed is left
 * as a notice.
 */
export async function upgradeDatabase(tx: Transaction, zone: Zone): Promise<void> {
  const names = [...TABLES_OF_3, 'events'];
  const old: LooseStudio = Object.fromEntries(
    await Promise.all(names.map(async (name) => [name, (await tx.table(name).toArray()) as Loose[]] as const)),
  );
  const { studio, listed } = upgradeStudio(old, zone);
  const damaged: Damaged[] = [];
  for (const table of TABLES_OF_3) {
    const sound: object[] = [];
    for (const row of studio[table] ?? []) {
      const parsed = parseRow(table, row);
      if ('row' in parsed) sound.push(parsed.row);
      else damaged.push(asDamaged(table, row, parsed.why));
    }
    await tx.table(table).clear();
    await tx.table(table).bulkPut(sound);
  }
  const events: StudioEvent[] = [];
  const broken: string[] = [];
  for (const row of studio['events'] ?? []) {
    const parsed = eventSchema.safeParse(row);
    if (parsed.success) events.push(parsed.data);
    else {
      damaged.push(asDamaged('events', row, whyNot(parsed.error)));
      broken.push(String(row['id']));
    }
  }
  await tx.table('events').bulkDelete(broken);
  // What stays as it was is not written again: most of the time of an upgrade goes into the indexes of the records.
  const before = new Map((old['events'] ?? []).map((row) => [row['id'], row]));
  await tx.table('events').bulkPut(events.filter((event) => !sameContent(before.get(event.id), event)));
  await tx.table('damaged').bulkPut(damaged);
  await tx.table('standings').clear();
  await tx.table('standings').bulkPut(foldStandings(events));
  await tx
    .table('changes')
    .toCollection()
    .modify((change: { entries: readonly Loose[] }) => {
      change.entries = change.entries.map(entryWithPlace);
    });
  const lines = [
    ...listed,
    ...(damaged.length > 0
      ? [`${damaged.length} rows do not hold what they should; they are kept as they are and go into the studio file.`]
      : []),
  ];
  if (lines.length > 0)
    await tx.table('notices').add({ at: new Date().toISOString(), title: 'This studio was brought up to date', lines });
}
