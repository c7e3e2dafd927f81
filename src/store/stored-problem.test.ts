import Dexie from 'dexie';
import { describe, expect, it } from 'vitest';
import { storageProblem } from './stored-problem';

const named = (name: string, message = ''): Error => Object.assign(new Error(message), { name });
const code = (error: unknown): string => storageProblem(error).issue.code;

describe('what went wrong with the storage', () => {
  it.each([
    ['QuotaExceededError', 'storage-full'],
    ['VersionError', 'storage-newer'],
    ['MissingAPIError', 'storage-forbidden'],
    ['SecurityError', 'storage-forbidden'],
    ['InvalidStateError', 'storage-forbidden'],
    ['DatabaseClosedError', 'storage-closed'],
  ])('%s is %s', (name, expected) => expect(code(named(name))).toBe(expected));
  it('is found inside other errors, as the database wraps those of the browser', () => {
    expect(code({ name: 'AbortError', inner: named('QuotaExceededError') })).toBe('storage-full');
    expect(code({ name: 'OpenFailedError', cause: { name: 'x', cause: named('VersionError') } })).toBe('storage-newer');
    expect(code({ name: 'BulkError', failures: [named('DataError'), named('QuotaExceededError')] })).toBe(
      'storage-full',
    );
    expect(code(named('AbortError', 'Transaction aborted: QuotaExceeded'))).toBe('storage-full');
  });
  it('ends where errors lie inside one another without end', () => {
    const round: { name: string; inner?: unknown } = { name: 'Round' };
    round.inner = round;
    expect(code(round)).toBe('unexpected');
  });
  it('is told apart from what is no matter of the storage', () => {
    expect(code(new Dexie.DexieError('ConstraintError', 'x'))).toBe('storage-failed');
    expect(code(new DOMException('gone', 'DataError'))).toBe('storage-failed');
    expect(storageProblem(new Error('a bug')).issue).toMatchObject({
      code: 'unexpected',
      message: expect.stringContaining('(a bug)'),
    });
    expect(storageProblem('only words').issue.message).toContain('(only words)');
    expect(storageProblem(null).issue.code).toBe('unexpected');
  });
  it('says what can still be done, each time', () => {
    for (const error of [named('QuotaExceededError'), named('SecurityError'), named('VersionError'), new Error('')])
      expect(storageProblem(error).issue.message).toMatch(/still here|ordinary window|Reload|do it again/);
    expect(storageProblem(new Error('x'.repeat(5000))).issue.message.length).toBeLessThan(500);
  });
});
