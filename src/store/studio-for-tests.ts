import type { Asks, Command } from '@/core/commands';
import type { Result } from '@/core/result';
import type { Score } from '@/core/score';
import { openAbc, type Zone } from '@/core/studio';
import { bringInPiece } from '@/core/commands';
import { redoChange, undoChange } from './change-log';
import { StudioDatabase } from './database';
import { runCommand, type Done } from './run-command';

let databases = 0;

/** A studio in memory, with a clock that is set by hand. */
export interface TestStudio {
  readonly db: StudioDatabase;
  /** What the clock says; it moves on by a second with each command unless it is set. */
  readonly clock: { now: string; step: number };
  readonly run: <Args, A extends Asks>(command: Command<Args, A>, args: Args) => Promise<Result<Done>>;
  /** The same, for what must not be refused. */
  readonly does: <Args, A extends Asks>(command: Command<Args, A>, args: Args) => Promise<Done>;
  readonly undo: () => Promise<string | null>;
  readonly redo: () => Promise<string | null>;
}

export const freshName = (): string => `test-${(databases += 1)}`;

export async function testStudio(
  options: { readonly zone?: Zone; readonly now?: string; readonly device?: string } = {},
): Promise<TestStudio> {
  const { zone = 'UTC', now = '2026-05-20T15:00:00.000Z', device = freshName() } = options;
  const db = new StudioDatabase(freshName(), zone);
  await db.open();
  const clock = { now, step: 1000 };
  let ids = 0;
  const newId = (): string => `${device}-${(ids += 1)}`;
  const tick = (): string => {
    const before = clock.now;
    clock.now = new Date(Date.parse(before) + clock.step).toISOString();
    return before;
  };
  const run: TestStudio['run'] = (command, args) => runCommand(db, command, args, () => ({ now: tick(), zone, newId }));
  return {
    db,
    clock,
    run,
    does: async (command, args) => {
      const result = await run(command, args);
      if (!result.ok) throw new Error(`${result.issue.code}: ${result.issue.message}`);
      return result.value;
    },
    undo: () => undoChange(db, tick(), newId),
    redo: () => redoChange(db, tick(), newId),
  };
}

/** Eight bars in two phrases, the second as the first but for its end; made up for tests. */
export const EIGHT_BARS =
  'X:1\nT:Eight bars\nM:4/4\nL:1/4\nQ:1/4=80\nK:C\nC D E F | G A B c | c B A G | C4 | C D E F | G A B c | c B A F | G4 |]';

/** A piece on the shelf of a test studio, and its score. */
export async function withPiece(
  studio: TestStudio,
  abc = EIGHT_BARS,
): Promise<{ readonly pieceId: string; readonly score: Score }> {
  const opened = openAbc(abc, 'test.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  const { read, ...rest } = opened.value;
  const { made } = await studio.does(bringInPiece, {
    read: {
      ...rest,
      title: read.score.title,
      composer: read.score.composer,
      players: [],
      remembered: null,
      warnings: 0,
    },
    fileName: 'test.abc',
    verb: 'brought in',
  });
  return { pieceId: made ?? '', score: read.score };
}
