import { useLiveQuery } from 'dexie-react-hooks';
import type { Zone } from '@/core/studio';
import type { StudioDatabase } from './database';

/** The zone kept in a studio; undefined while it is read, or where none is kept. */
export const useLiveZone = (db: StudioDatabase): Zone | undefined =>
  useLiveQuery(async () => {
    try {
      return (await db.settings.get('studio'))?.zone;
    } catch {
      return undefined;
    }
  }, [db]);
