import type { FoldedStanding } from '../mastery';
import type { Result } from '../result';
import type { RowOf, RowTable, StudioEvent, Zone } from '../studio';

/** Which rows of a table a command wants: by their ids, those of a piece, or all. */
export type RowAsk = { readonly ids: readonly string[] } | { readonly pieceId: string } | 'all';

/** Which records a command wants; what takes them back comes with them. */
export type EventAsk =
  | { readonly studentId: string; readonly kinds: readonly StudioEvent['kind'][] }
  | { readonly pieceId: string; readonly kinds: readonly ('fingering' | 'section-joined')[] }
  | { readonly ids: readonly string[] };

/** What a command asks of the store before it runs. */
export type Asks = { readonly [T in RowTable]?: RowAsk } & {
  readonly events?: EventAsk;
  /** Where the students stand on a piece. */
  readonly standings?: { readonly pieceId: string };
};

interface Everything extends Readonly<Record<'events', readonly StudioEvent[]>> {
  readonly standings: readonly FoldedStanding[];
}
export type StoredNow = { readonly [T in RowTable]: readonly RowOf[T][] } & Everything;
/** What is stored now of what was asked for, and nothing else. */
export type Stored<A extends Asks> = Pick<StoredNow, Extract<keyof A, keyof StoredNow>>;

/** The clock, the zone and the chance of the moment. */
export interface Moment {
  /** ISO, UTC. */
  readonly now: string;
  readonly zone: Zone;
  readonly newId: () => string;
}

type Distributed<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
/** A row without its times: the store knows when. */
export type RowToPut<T extends RowTable> = Distributed<RowOf[T], 'updatedAt' | 'touched'>;

/** A row as it is to be, or that it goes. */
export type RowChange = {
  readonly [T in RowTable]:
    { readonly table: T; readonly put: RowToPut<T> } | { readonly table: T; readonly remove: string };
}[RowTable];

/** A row as it is to be. */
export const put = <T extends RowTable>(table: T, row: RowToPut<T>): RowChange =>
  ({ table, put: row }) as unknown as RowChange;
/** A row that goes. */
export const remove = <T extends RowTable>(table: T, id: string): RowChange =>
  ({ table, remove: id }) as unknown as RowChange;

/** What a command comes to: changes of rows and new records, stored together or not at all. */
export interface Outcome {
  /** As undo names it. */
  readonly label: string;
  readonly changes?: readonly RowChange[];
  readonly records?: readonly StudioEvent[];
  /** Said once it is stored. */
  readonly says?: string;
  /** Said once it is stored, where the teacher should think twice. */
  readonly warns?: string;
  /** Id of the row or record that it made, for the screen to go to. */
  readonly made?: string;
}

/**
 * Something that can be done: from what is stored at that moment and what was asked for, to an outcome or a refusal in
 * a sentence.
 */
export interface Command<Args, A extends Asks = Asks> {
  readonly asks: (args: Args) => A;
  readonly run: (stored: Stored<A>, args: Args, moment: Moment) => Result<Outcome>;
}

/** A command, with its types found from what it asks. */
export const command = <Args, A extends Asks>(definition: Command<Args, A>): Command<Args, A> => definition;

/** The row of an id among those asked for. */
export const rowOf = <R extends { readonly id: string }>(rows: readonly R[], id: string): R | null =>
  rows.find((r) => r.id === id) ?? null;
