import { describe, expect, it } from 'vitest';
import { addMistake, freshDraft, isHeard, nextRepetition, parseDraft, tempoOf, toggleFacet } from './draft';

const fresh = freshDraft('a', {});

describe('what is heard and not recorded yet', () => {
  it('begins with what was there last time, and counts as nothing heard', () => {
    const draft = freshDraft('a', { rhythm: true, notes: false });
    expect(draft.facets).toEqual({ rhythm: true });
    expect([draft.level, draft.touched, isHeard(draft)]).toEqual([null, false, false]);
    expect(isHeard(null)).toBe(false);
  });
  it('is heard with a level or with anything that was listened for, not with a tempo or a note alone', () => {
    expect(isHeard({ ...fresh, level: 0 })).toBe(true);
    expect(isHeard(toggleFacet(fresh, 'rhythm'))).toBe(true);
    expect(isHeard(addMistake(fresh))).toBe(true);
    expect(isHeard(nextRepetition(fresh))).toBe(true);
    expect(isHeard({ ...fresh, tempo: '80', note: 'shoulders' })).toBe(false);
  });
  it('turns a facet to heard, not heard, heard again', () => {
    const once = toggleFacet(fresh, 'rhythm');
    const twice = toggleFacet(once, 'rhythm');
    expect([once, twice, toggleFacet(twice, 'rhythm')].map((d) => d.facets.rhythm)).toEqual([true, false, true]);
    // What was there last time is first said not to be there.
    expect(toggleFacet(freshDraft('a', { rhythm: true }), 'rhythm').facets.rhythm).toBe(false);
  });
  it('counts mistakes in the repetition that is going on', () => {
    const first = addMistake(addMistake(fresh));
    expect(first.errors).toEqual([2]);
    expect(nextRepetition(first).errors).toEqual([2, 0]);
    expect(addMistake(nextRepetition(first)).errors).toEqual([2, 1]);
    // A first repetition without a mistake is one, too.
    expect(nextRepetition(fresh).errors).toEqual([0, 0]);
  });
  it('has a tempo where one was typed that can be played', () => {
    const tempos = ['', ' ', '9', '10', '92.6', '400', '401', 'fast'].map((tempo) => tempoOf({ ...fresh, tempo }));
    expect(tempos).toEqual([null, null, null, 10, 93, 400, null, null]);
    expect(tempoOf(null)).toBeNull();
  });
  it('comes back as it was kept; anything else is none', () => {
    const kept = addMistake({ ...toggleFacet(fresh, 'rhythm'), level: 3, tempo: '80', note: 'n' });
    expect(parseDraft(JSON.parse(JSON.stringify(kept)))).toEqual(kept);
    expect(parseDraft({ ...kept, level: 7 })).toBeNull();
    expect(parseDraft({ ...kept, errors: [-1] })).toBeNull();
    expect(parseDraft('text')).toBeNull();
    expect(parseDraft(null)).toBeNull();
  });
});
