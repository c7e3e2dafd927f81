import { fail } from '../result';

/** What a command was about is not in this studio: another tab or device took it away meanwhile. */
export const gone = (what: string) =>
  fail('gone', `The ${what} is not there any more: it was taken away in another place. Nothing was changed.`);
