/** A second thread of the command line: answers one file after another. */
import { parentPort } from 'node:worker_threads';
import { lineOf, type FileTask } from './one-file';

parentPort?.on('message', (task: FileTask) => {
  lineOf(task).then(
    (line) => parentPort?.postMessage(line),
    (error: unknown) => {
      // A bug ends the thread, and the run with it.
      queueMicrotask(() => {
        throw error;
      });
    },
  );
});
