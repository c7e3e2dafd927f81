import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { lineOf, type FileLine, type FileTask } from './one-file';

/** Fewer files than these are answered before other threads have started. */
const WORTH_THREADS = 8;
/** More threads than these would take more memory than they save time. */
const MOST_THREADS = 4;

/** Answers each task in a thread of its own kind; what is answered is told in the order of the tasks. */
function inThreads(tasks: readonly FileTask[], threads: number, tell: (line: FileLine) => void): Promise<void> {
  return new Promise((resolve, reject) => {
    const lines: (FileLine | undefined)[] = [];
    let next = 0;
    let told = 0;
    const workers = Array.from(
      { length: threads },
      () =>
        new Worker(new URL('./oak-worker.mjs', import.meta.url), { resourceLimits: { maxOldGenerationSizeMb: 768 } }),
    );
    const end = (): void => void workers.map((worker) => worker.terminate());
    const give = (worker: Worker): number | null => {
      const task = tasks[next];
      if (!task) return null;
      worker.postMessage(task);
      next += 1;
      return next - 1;
    };
    for (const worker of workers) {
      let at = give(worker);
      worker.on('message', (line: FileLine) => {
        if (at !== null) lines[at] = line;
        for (let ready = lines[told]; ready; told += 1, ready = lines[told]) {
          tell(ready);
          lines[told] = undefined;
        }
        at = give(worker);
        if (told < tasks.length) return;
        end();
        resolve();
      });
      worker.on('error', (error) => {
        end();
        reject(error);
      });
    }
  });
}

/** Answers many files, one line each in their order; with all cores where there are enough of them. */
export async function answerMany(tasks: readonly FileTask[], tell: (line: FileLine) => void): Promise<void> {
  const threads = Math.min(MOST_THREADS, availableParallelism());
  if (threads > 1 && tasks.length >= WORTH_THREADS) await inThreads(tasks, threads, tell);
  else for (const task of tasks) tell(await lineOf(task));
}
