import type { Score } from '../score';
import { openAbc } from './open-piece';

/** The score of a whole ABC tune, header and all; throws with the reader’s sentence where it cannot be read. */
export function scoreOfAbc(abc: string): Score {
  const opened = openAbc(abc, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value.read.score;
}
