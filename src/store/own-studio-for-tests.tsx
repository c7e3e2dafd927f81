import Dexie from 'dexie';
import type { ReactNode } from 'react';
import { ok, type Issue } from '@/core/result';
import { databaseName, StudioDatabase } from './database';
import { StudioProvider } from './studio-context';

export const NOW = '2026-05-20T15:00:00.000Z';

/** The teacher's own studio, empty at first, around what a test shows. */
export const OwnStudio = ({
  children,
  failed = ({ message }) => <p role="alert">{message}</p>,
}: {
  readonly children: ReactNode;
  readonly failed?: (issue: Issue, again: () => void) => ReactNode;
}): ReactNode => (
  <StudioProvider
    startWithDemo={false}
    fixedNow={NOW}
    waiting={<p>Opening…</p>}
    failed={failed}
    fillDemo={() => Promise.resolve(ok(null))}
  >
    {children}
  </StudioProvider>
);

/** Forgets everything that earlier tests kept in this browser. */
export async function forgetStudios(): Promise<void> {
  await Dexie.delete(databaseName('own'));
  await Dexie.delete(databaseName('demo'));
  window.localStorage.clear();
}

/** The same database as the screen has, from outside. */
export async function ownDatabase(): Promise<StudioDatabase> {
  const db = new StudioDatabase(databaseName('own'));
  await db.open();
  return db;
}
