'use client';

import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { commitChange, redoChange, undoChange } from './changes';
import { databaseName, StudioDatabase, type ChangeEntry, type StudioName } from './database';
import { putStudio } from './studio-data';
import type { Studio } from '@/core/studio';

const CHOICE = 'oak-rungs.studio';
const DEMO_GONE = 'oak-rungs.demo-removed';

export interface StudioAccess {
  readonly db: StudioDatabase;
  readonly name: StudioName;
  readonly demoRemoved: boolean;
  readonly now: () => string;
  readonly newId: () => string;
  readonly commit: (label: string, entries: readonly ChangeEntry[]) => Promise<void>;
  readonly undo: () => Promise<string | null>;
  readonly redo: () => Promise<string | null>;
  readonly openStudio: (name: StudioName) => void;
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
  /** Load the demo studio on a first visit. */
  readonly startWithDemo: boolean;
  /** A fixed time for pictures and tests; null is the real clock. */
  readonly fixedNow: string | null;
  readonly buildDemo: (now: Date) => Promise<Studio>;
}

/** Opens the chosen studio's database and hands it to everything inside. */
export function StudioProvider({ children, waiting, startWithDemo, fixedNow, buildDemo }: Props): ReactNode {
  const [opened, setOpened] = useState<{ name: StudioName; db: StudioDatabase; demoRemoved: boolean } | null>(null);
  const now = useCallback(() => fixedNow ?? new Date().toISOString(), [fixedNow]);

  const open = useCallback(
    async (name: StudioName) => {
      const db = new StudioDatabase(databaseName(name));
      await db.open();
      if (name === 'demo' && (await db.pieces.count()) === 0) await putStudio(db, await buildDemo(new Date(now())));
      window.localStorage.setItem(CHOICE, name);
      setOpened((before) => {
        before?.db.close();
        return { name, db, demoRemoved: window.localStorage.getItem(DEMO_GONE) === 'yes' };
      });
    },
    [buildDemo, now],
  );

  useEffect(() => {
    const chosen = window.localStorage.getItem(CHOICE);
    const start: StudioName = chosen === 'own' || chosen === 'demo' ? chosen : startWithDemo ? 'demo' : 'own';
    void open(start);
    void navigator.storage?.persist?.();
  }, [open, startWithDemo]);

  const access = useMemo<StudioAccess | null>(() => {
    if (!opened) return null;
    const { db, name, demoRemoved } = opened;
    const newId = (): string => crypto.randomUUID();
    return {
      db,
      name,
      demoRemoved,
      now,
      newId,
      commit: (label, entries) => commitChange(db, label, entries, now()),
      undo: () => undoChange(db, now(), newId),
      redo: () => redoChange(db, now(), newId),
      openStudio: (next) => void open(next),
      removeDemo: async () => {
        window.localStorage.setItem(DEMO_GONE, 'yes');
        await open('own');
        await new StudioDatabase(databaseName('demo')).delete();
      },
      bringBackDemo: async () => {
        window.localStorage.removeItem(DEMO_GONE);
        await open('demo');
      },
    };
  }, [opened, now, open]);

  if (!access) return waiting;
  return <Context.Provider value={access}>{children}</Context.Provider>;
}
