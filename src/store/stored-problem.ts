/** What went wrong with the browser's storage, in sentences: what happened, and what can still be done. */
import Dexie from 'dexie';
import { fail, type Issue } from '@/core/result';

export type StorageCode =
  'storage-full' | 'storage-forbidden' | 'storage-newer' | 'storage-closed' | 'storage-failed' | 'unexpected';

/** Names of all errors that lie inside one another: Dexie wraps those of the browser. */
function namesOf(error: unknown): string[] {
  const names: string[] = [];
  let at: unknown = error;
  for (let depth = 0; depth < 6 && typeof at === 'object' && at !== null; depth += 1) {
    if ('name' in at) names.push(String(at.name));
    if ('message' in at && String(at.message).includes('QuotaExceeded')) names.push('QuotaExceededError');
    if ('failures' in at && Array.isArray(at.failures))
      names.push(...at.failures.flatMap((f: unknown) => (f instanceof Error ? [f.name] : [])));
    at = 'inner' in at ? at.inner : 'cause' in at ? at.cause : null;
  }
  return names;
}

const CODES: readonly (readonly [string, StorageCode])[] = [
  ['QuotaExceededError', 'storage-full'],
  ['VersionError', 'storage-newer'],
  ['MissingAPIError', 'storage-forbidden'],
  ['SecurityError', 'storage-forbidden'],
  ['InvalidStateError', 'storage-forbidden'],
  ['DatabaseClosedError', 'storage-closed'],
];

const SENTENCES: Readonly<Record<StorageCode, string>> = {
  'storage-full':
    'The browser has no room left, so this was not stored. What you typed is still here. Save the studio file under Files, make room (other sites’ data, large page pictures), then do it again.',
  'storage-forbidden':
    'This browser does not let the application keep anything here; private windows often do not. Open it in an ordinary window. Nothing that was kept before is lost.',
  'storage-newer':
    'The studio in this browser was kept by a newer Oak Rungs than this one. Reload the page to get the newer one; nothing was changed.',
  'storage-closed': 'The studio was closed in another tab. Reload the page to open it again; what was stored is there.',
  unexpected:
    'Something went wrong, and this was not done. What was stored before is there; do it again, or save the studio file under Files.',
  'storage-failed':
    'The browser could not store this. Nothing was changed, and what you typed is still here; do it again, or save the studio file under Files.',
};

/** Errors of the database or the browser's storage, whatever they are called. */
const isOfStorage = (error: unknown): boolean =>
  error instanceof Dexie.DexieError || (typeof DOMException !== 'undefined' && error instanceof DOMException);

/** The problem of an error that storing, or anything else that was begun, threw: as a value, in words. */
export function storageProblem(error: unknown): { readonly ok: false; readonly issue: Issue<StorageCode> } {
  const names = namesOf(error);
  const known = CODES.find(([name]) => names.includes(name))?.[1];
  if (known !== undefined || isOfStorage(error)) {
    const code = known ?? 'storage-failed';
    return fail(code, SENTENCES[code]);
  }
  const said = error instanceof Error ? error.message : String(error);
  return fail('unexpected', `${SENTENCES.unexpected} (${said.slice(0, 200)})`);
}
