import { describe, expect, it } from 'vitest';
import { piece } from '@/core/commands/stored-for-tests';
import { withTouched } from '@/core/studio';
import { versionOf } from './loaded-piece';

const LATER = '2026-05-21T10:00:00.000Z';

describe('the version of a piece', () => {
  const before = piece();
  it('stays when its level or title is set, so that the music is not read anew', () => {
    const titled = withTouched(before, { ...before, title: 'Another' }, LATER);
    expect(titled.updatedAt).not.toBe(before.updatedAt);
    expect(versionOf(titled)).toBe(versionOf(before));
  });
  it('changes with its music', () => {
    const corrected = withTouched(before, { ...before, source: `${before.source} ` }, LATER);
    expect(versionOf(corrected)).not.toBe(versionOf(before));
  });
});
