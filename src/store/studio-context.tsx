'use client';

import {
  createContext,
  startTransition,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import type { Asks, Command } from '@/core/commands';
import { ok, type Issue, type Result } from '@/core/result';
import { dayOf, isZone, UTC, type Day, type Zone } from '@/core/studio';
import { redoChange, undoChange } from './change-log';
import { databaseName, isNewer, isNewerStored, StudioDatabase, type StudioName } from './database';
import { runCommand, type Done } from './run-command';
import { noteZone } from './studio-data';
import { storageProblem } from './stored-problem';
import { useLiveZone } from './use-zone';

const CHOICE = 'oak-rungs.studio';
const DEMO_GONE = 'oak-rungs.demo-removed';

/** A choice kept beside the database; a browser that keeps nothing has none. */
const kept = {
  read: (key: string): string | null => {
    try {
      return window.localStorage.getItem(key);
    } catch {
      return null;
    }
  },
  write: (key: string, value: string | null): void => {
    try {
      if (value === null) window.localStorage.removeItem(key);
      else window.localStorage.setItem(key, value);
    } catch {
      // The choice is made again next time.
    }
  },
};

export interface StudioAccess {
  readonly db: StudioDatabase;
  readonly name: StudioName;
  readonly demoRemoved: boolean;
  /** Where the studio is: its days begin and end there. */
  readonly zone: Zone;
  readonly now: () => string;
  readonly today: () => Day;
  readonly newId: () => string;
  /** Runs a command; a refusal or a problem of the storage comes back as a value, it never rejects. */
  readonly run: <Args, A extends Asks>(command: Command<Args, A>, args: Args) => Promise<Result<Done>>;
  readonly undo: () => Promise<Result<string | null>>;
  readonly redo: () => Promise<Result<string | null>>;
  readonly openStudio: (name: StudioName) => Promise<void>;
  readonly removeDemo: () => Promise<void>;
  readonly bringBackDemo: () => Promise<void>;
}

const Context = createContext<StudioAccess | null>(null);

export function useStudio(): StudioAccess {
  const access = useContext(Context);
  if (!access) throw new Error('useStudio outside its provider');
  return access;
}

interface Props {
  readonly children: ReactNode;
  /** Shown while the database opens. */
  readonly waiting: ReactNode;
  /** Shown when it cannot be opened: what is wrong, and what can still be done. */
  readonly failed: (issue: Issue, again: () => void) => ReactNode;
  /** Load the demo studio on a first visit. */
  readonly startWithDemo: boolean;
  /** A fixed time for pictures and tests; null is the real clock. */
  readonly fixedNow: string | null;
  /** Puts the demo studio into an empty database. */
  readonly fillDemo: (database: string, now: string, zone: Zone) => Promise<Result<null>>;
}

/** Nothing of a newer program's database is read or written. */
class NewerDatabase extends Error {
  override name = 'VersionError';
}

type Opened =
  | { readonly kind: 'opening' }
  | { readonly kind: 'open'; readonly name: StudioName; readonly db: StudioDatabase; readonly demoRemoved: boolean }
  | { readonly kind: 'failed'; readonly issue: Issue; readonly name: StudioName };

/** The zone the browser is in. */
function browserZone(): Zone {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return isZone(zone) ? zone : UTC;
}

/** Opens the chosen studio's database and hands it to everything inside. */
export function StudioProvider({ children, waiting, failed, startWithDemo, fixedNow, fillDemo }: Props): ReactNode {
  const [opened, setOpened] = useState<Opened>({ kind: 'opening' });
  const current = useRef<StudioDatabase | null>(null);
  const now = useCallback(() => fixedNow ?? new Date().toISOString(), [fixedNow]);

  const begin = useRef<(name: StudioName) => void>(() => undefined);
  const open = useCallback(
    async (name: StudioName): Promise<void> => {
      const zone = browserZone();
      const db = new StudioDatabase(databaseName(name), zone);
      const fails = (issue: Issue): void => {
        db.close();
        setOpened({ kind: 'failed', issue, name });
      };
      try {
        if (await isNewerStored(db.name)) throw new NewerDatabase();
        await db.open();
        if (isNewer(db)) throw new NewerDatabase();
        if (name === 'demo' && (await db.pieces.count()) === 0) {
          const filled = await fillDemo(db.name, now(), zone);
          if (!filled.ok) {
            fails(filled.issue);
            return;
          }
        }
        await noteZone(db, zone, now());
      } catch (error) {
        fails(storageProblem(error).issue);
        return;
      }
      kept.write(CHOICE, name);
      current.current?.close();
      current.current = db;
      db.on('versionchange', (event) => {
        // Another tab takes this studio away, or opened a newer version of it: nothing may bring it back behind its
        // back.
        db.close();
        if (event.newVersion === null) begin.current('own');
        else setOpened({ kind: 'failed', issue: storageProblem({ name: 'DatabaseClosedError' }).issue, name });
      });
      // It brings a whole screen.
      startTransition(() => setOpened({ kind: 'open', name, db, demoRemoved: kept.read(DEMO_GONE) === 'yes' }));
    },
    [fillDemo, now],
  );

  useEffect(() => {
    // Opening ends in a state of its own, whatever happens; nothing is left to reject.
    begin.current = (name) => {
      open(name).catch((error: unknown) => setOpened({ kind: 'failed', issue: storageProblem(error).issue, name }));
    };
    const chosen = kept.read(CHOICE);
    const gone = kept.read(DEMO_GONE) === 'yes';
    const start: StudioName =
      chosen === 'own' || (chosen === 'demo' && !gone) ? chosen : startWithDemo && !gone ? 'demo' : 'own';
    begin.current(start);
    // Where the browser asks or refuses, the studio works all the same.
    navigator.storage?.persist?.().catch(() => false);
    return () => current.current?.close();
  }, [open, startWithDemo]);

  if (opened.kind === 'opening') return waiting;
  if (opened.kind === 'failed') return failed(opened.issue, () => begin.current(opened.name));
  return (
    <OpenStudio opened={opened} now={now} open={open}>
      {children}
    </OpenStudio>
  );
}

function OpenStudio({
  opened,
  now,
  open,
  children,
}: {
  readonly opened: Extract<Opened, { kind: 'open' }>;
  readonly now: () => string;
  readonly open: (name: StudioName) => Promise<void>;
  readonly children: ReactNode;
}): ReactNode {
  const { db, name, demoRemoved } = opened;
  const zone = useLiveZone(db) ?? browserZone();
  const access = useMemo<StudioAccess>(() => {
    const newId = (): string => crypto.randomUUID();
    const inWords = async (step: () => Promise<string | null>): Promise<Result<string | null>> => {
      try {
        return ok(await step());
      } catch (error) {
        return storageProblem(error);
      }
    };
    return {
      db,
      name,
      demoRemoved,
      zone,
      now,
      today: () => dayOf(now(), zone),
      newId,
      run: (command, args) => runCommand(db, command, args, () => ({ now: now(), zone, newId })),
      undo: () => inWords(() => undoChange(db, now(), newId)),
      redo: () => inWords(() => redoChange(db, now(), newId)),
      openStudio: open,
      removeDemo: async () => {
        kept.write(DEMO_GONE, 'yes');
        await open('own');
        await new StudioDatabase(databaseName('demo')).delete();
      },
      bringBackDemo: async () => {
        kept.write(DEMO_GONE, null);
        await open('demo');
      },
    };
  }, [db, name, demoRemoved, zone, now, open]);
  return <Context.Provider value={access}>{children}</Context.Provider>;
}
