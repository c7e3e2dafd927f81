import { wrap } from 'comlink';
import { fail, ok, type Issue, type Result } from '@/core/result';

export type WorkerCode = 'worker-too-long' | 'worker-failed';

/** A worker as its callers see it: every answer is a value, in a limited time. */
export interface Connection<Api> {
  /** Starts the worker before it is asked anything. */
  readonly begin: () => void;
  /**
   * Asks the worker something; started on first use. After a failure or the time limit it is begun anew by the next
   * question.
   */
  readonly ask: <T>(question: (api: Api) => Promise<T>, limitMs?: number) => Promise<Result<T, WorkerCode>>;
  /** Ends the worker; what it still owes comes back as failed. */
  readonly end: () => void;
}

interface Running<Api> {
  readonly worker: Worker;
  readonly api: Api;
  /** Ends the questions that are open. */
  readonly open: Set<(issue: Issue<WorkerCode>) => void>;
}

const issue = (code: WorkerCode, message: string): Issue<WorkerCode> => fail(code, message).issue;

/**
 * Connects to a worker. `what` names its work in sentences: `Drawing these bars`. Questions that were open when it is
 * ended get a failure, never silence.
 */
export function connect<Api>(what: string, start: () => Worker, usualLimitMs: number): Connection<Api> {
  let running: Running<Api> | null = null;
  const end = (why: Issue<WorkerCode>): void => {
    const ended = running;
    running = null;
    ended?.worker.terminate();
    for (const tell of ended?.open ?? []) tell(why);
  };
  const begin = (): Running<Api> => {
    const worker = start();
    const begun: Running<Api> = { worker, api: wrap<Api>(worker) as Api, open: new Set() };
    worker.addEventListener('error', (event) => {
      event.preventDefault();
      if (running === begun)
        end(
          issue(
            'worker-failed',
            `${what} failed. It is begun anew when it is asked for again; your data are untouched.`,
          ),
        );
    });
    return begun;
  };
  return {
    begin: () => void (running ??= begin()),
    ask: <T>(question: (api: Api) => Promise<T>, limitMs = usualLimitMs) => {
      const here = (running ??= begin());
      return new Promise<Result<T, WorkerCode>>((resolve) => {
        const tell = (why: Issue<WorkerCode>): void => {
          clearTimeout(timer);
          here.open.delete(tell);
          resolve({ ok: false, issue: why });
        };
        const timer = setTimeout(() => {
          if (running === here)
            end(issue('worker-too-long', `${what} took too long and was stopped. Choose fewer bars, or do it again.`));
        }, limitMs);
        here.open.add(tell);
        question(here.api).then(
          (value) => {
            if (!here.open.delete(tell)) return;
            clearTimeout(timer);
            resolve(ok(value));
          },
          () => {
            // Its memory is not to be trusted after a failure.
            if (running === here)
              end(
                issue(
                  'worker-failed',
                  `${what} failed. It is begun anew when it is asked for again; your data are untouched.`,
                ),
              );
          },
        );
      });
    },
    end: () => end(issue('worker-failed', `${what} was stopped.`)),
  };
}

/** A result inside an answer: the failure of the worker, or its own. */
export const flat = <T, Code extends string>(
  answer: Result<Result<T, Code>, WorkerCode>,
): Result<T, Code | WorkerCode> => (answer.ok ? answer.value : answer);
