import type { Zone } from '@/core/studio';
import type { StudioDatabase } from './database';
import { useLive } from './use-live';

/** The zone kept in a studio; undefined while it is read, or where none is kept. */
export const useLiveZone = (db: StudioDatabase): Zone | undefined =>
  useLive(async () => {
    try {
      return (await db.settings.get('studio'))?.zone;
    } catch {
      return undefined;
    }
  }, [db]);
