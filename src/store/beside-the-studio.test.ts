// Drafts and drawn music: kept beside the studio, never in its file, and no one's concern when they cannot be.
import { describe, expect, it } from 'vitest';
import { dropDraft, keepDraft, readDraft } from './drafts';
import { cachedEngraving, keepEngraving } from './engraving-cache';
import { testStudio } from './studio-for-tests';
import { readStudio } from './whole-for-tests';

const AT = '2026-05-20T15:00:00.000Z';
/** Everything asked of the database before has been done. */
const settled = async ({ db }: Awaited<ReturnType<typeof testStudio>>) => {
  await db.transaction('rw', db.drafts, db.engravings, () => db.drafts.count());
};

describe('a draft', () => {
  it('is there once it is typed, the latest word of it, until it is dropped', async () => {
    const studio = await testStudio();
    keepDraft(studio.db, 'cue n1', 'si', AT);
    keepDraft(studio.db, 'cue n1', 'sing', AT);
    keepDraft(studio.db, 'cue n2', 'low', AT);
    await settled(studio);
    expect(await readDraft(studio.db, 'cue n1')).toBe('sing');
    dropDraft(studio.db, 'cue n1');
    await settled(studio);
    expect([await readDraft(studio.db, 'cue n1'), await readDraft(studio.db, 'cue n2')]).toEqual([undefined, 'low']);
    expect(JSON.stringify(await readStudio(studio.db))).not.toContain('low');
  });
  it('that cannot be kept or read breaks nothing', async () => {
    const { db } = await testStudio();
    db.close();
    expect(() => keepDraft(db, 'cue', 'x', AT)).not.toThrow();
    expect(await readDraft(db, 'other')).toBeUndefined();
    // It stays as long as the page does, on whatever screen.
    expect(await readDraft(db, 'cue')).toBe('x');
    expect(() => dropDraft(db, 'cue')).not.toThrow();
    expect(await readDraft(db, 'cue')).toBeUndefined();
  });
});

describe('drawn music', () => {
  it('comes back as it was drawn; what was not drawn is null', async () => {
    const { db } = await testStudio();
    await keepEngraving(db, 'bars 1–4', ['<svg/>'], 1);
    expect(await cachedEngraving(db, 'bars 1–4', 2)).toEqual(['<svg/>']);
    expect(await cachedEngraving(db, 'bars 5–8', 2)).toBeNull();
  });
  it('is at most two hundred; what was used longest ago goes first', async () => {
    const { db } = await testStudio();
    await keepEngraving(db, 'looked at again', [], 0);
    for (let i = 1; i < 203; i += 1) {
      await keepEngraving(db, `${i}`, [], i);
      await cachedEngraving(db, 'looked at again', i);
    }
    expect(await db.engravings.count()).toBeLessThanOrEqual(200);
    expect(await cachedEngraving(db, '1', 300)).toBeNull();
    expect(await cachedEngraving(db, 'looked at again', 300)).toEqual([]);
    expect(await cachedEngraving(db, '202', 300)).toEqual([]);
  });
  it('is drawn anew where the cache cannot be read, and shown where it cannot be kept', async () => {
    const { db } = await testStudio();
    db.close();
    expect(await cachedEngraving(db, 'x', 1)).toBeNull();
    await expect(keepEngraving(db, 'x', [], 1)).resolves.toBeUndefined();
  });
});
