import { toast } from 'sonner';
import { isStepLarge, useStudio, type StudioAccess } from '@/store';
import { showProblem, tell, useActs } from '@/features/acts';
import { useKey } from '@/features/keys';
import type { Result } from '@/core/result';
import { workOnFiles } from '@/workers';

type Way = 'undo' | 'redo';

const GOING_ON: Readonly<Record<Way, string>> = { undo: 'Taking it back', redo: 'Bringing it back' };
/** The one line that says how far a long step is. */
const PROGRESS = 'step';

/** A step of what came with a file is taken in a worker, for it may be a whole studio. */
async function takeLarge(studio: StudioAccess, way: Way): Promise<Result<string | null>> {
  const now = studio.now();
  const done = await workOnFiles(
    (api, told) => api.step(studio.db.name, way, now, told),
    (share) => tell(`${GOING_ON[way]}: ${Math.round(share * 100)} %`, { id: PROGRESS, duration: Infinity }),
  ).result;
  toast.dismiss(PROGRESS);
  return done;
}

/** What was done last taken back or done again, by buttons and keys. */
export function useSteps(): (way: Way) => void {
  const studio = useStudio();
  const { act } = useActs();
  const step = (way: Way): void =>
    act(async () => {
      const done = (await isStepLarge(studio.db, way)) ? await takeLarge(studio, way) : await studio[way]();
      if (!done.ok) showProblem(done.issue);
      else if (done.value === null) tell(`Nothing to ${way}`);
      else tell(way === 'undo' ? `Undone: ${done.value}` : `Done again: ${done.value}`);
    });
  useKey('everywhere.undo', () => step('undo'));
  useKey('everywhere.redo', () => step('redo'));
  return step;
}
