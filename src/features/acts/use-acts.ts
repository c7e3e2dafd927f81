'use client';

import { useMemo } from 'react';
import { toast } from 'sonner';
import type { Asks, Command } from '@/core/commands';
import type { Issue, Result } from '@/core/result';
import { storageProblem, useStudio, type Done } from '@/store';
import { say } from '@/ui';
import { tell } from './tell';

/** How long a refusal stays on screen; a problem of the storage stays until it is put away. */
const REFUSAL_MS = 10_000;

/** The one sentence about the storage that is on screen. */
const STORAGE = 'storage';

/** Shows what went wrong: the one place where every refusal and failure is said. */
export function showProblem(issue: Issue): void {
  const storage = issue.code.startsWith('storage-');
  toast.error(say(issue.message), {
    id: storage ? STORAGE : issue.message,
    duration: storage ? Infinity : REFUSAL_MS,
    closeButton: true,
    // At the foot of the page are the keys of the lesson: it would lie over what is to be pressed again.
    position: 'top-center',
  });
}

/** What happens after something was stored, or was not. */
export interface After {
  /** Only when it is stored. */
  readonly stored?: (done: Done) => void;
  readonly refused?: (issue: Issue) => void;
  /** However it ended. */
  readonly over?: () => void;
}

/** Something that is there, or whose program comes in when it is first wanted. */
type Coming<T extends object> = T | (() => Promise<T>);

export interface Acts {
  /** Does something that is kept: it ends in what was done being said, or in why it was not. */
  readonly run: <Args, A extends Asks>(command: Coming<Command<Args, A>>, args: Args, after?: After) => void;
  /** Does anything else that takes time; a failure that comes back, or is thrown, is shown. */
  readonly act: (what: () => Promise<Result<unknown> | void>) => void;
}

function sayDone({ says, warns }: Done): void {
  if (says !== undefined) tell(says);
  if (warns !== undefined) toast.warning(say(warns), { duration: REFUSAL_MS, closeButton: true });
}

/** The way from every button and key to the store; nothing that is begun here ends in silence. */
export function useActs(): Acts {
  const { run } = useStudio();
  return useMemo(() => {
    const act: Acts['act'] = (what) => {
      what().then(
        (result) => {
          if (result && !result.ok) showProblem(result.issue);
        },
        (error: unknown) => showProblem(storageProblem(error).issue),
      );
    };
    return {
      act,
      run: (command, args, after = {}) =>
        act(async () => {
          const asked = async () => run(typeof command === 'function' ? await command() : command, args);
          const result = await asked().finally(() => after.over?.());
          if (!result.ok) {
            after.refused?.(result.issue);
            return result;
          }
          // What can be stored again needs no warning.
          toast.dismiss(STORAGE);
          sayDone(result.value);
          after.stored?.(result.value);
          return undefined;
        }),
    };
  }, [run]);
}
