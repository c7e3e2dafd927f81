import { describe, expect, it } from 'vitest';
import { openAbc } from '@/core/studio';
import { loadedPieces } from './loaded-pieces';

const piece = (notes: string) => {
  const opened = openAbc(`X:1\nM:4/4\nL:1/4\nK:C\n${notes}|`, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return { source: opened.value.text, fileName: 'x.abc' };
};

describe('pieces that a worker keeps', () => {
  it('are read once a key, and read anew under another', () => {
    const loaded = loadedPieces();
    const first = loaded.readOf({ key: 'a 1', piece: piece('C D E F') });
    expect(first.ok && first.value.score.notes).toHaveLength(4);
    // The same key is the same document: it is not read again.
    const again = loaded.readOf({ key: 'a 1', piece: { source: 'not read', fileName: 'x.abc' } });
    expect(again.ok && first.ok && again.value === first.value).toBe(true);
    const later = loaded.readOf({ key: 'a 2', piece: piece('C D') });
    expect(later.ok && later.value.score.notes).toHaveLength(2);
  });
  it('that cannot be read are not kept: a better document under the key is read', () => {
    const loaded = loadedPieces();
    expect(loaded.readOf({ key: 'a', piece: { source: '<score', fileName: 'x.abc' } }).ok).toBe(false);
    expect(loaded.readOf({ key: 'a', piece: piece('C') }).ok).toBe(true);
  });
  it('are at most twelve; the one asked for longest ago goes first', () => {
    const loaded = loadedPieces();
    const nothing = { source: 'gone', fileName: 'x.abc' };
    for (let i = 0; i < 12; i += 1) loaded.readOf({ key: `${i}`, piece: piece('C') });
    expect(loaded.readOf({ key: '0', piece: nothing }).ok).toBe(true);
    loaded.readOf({ key: '12', piece: piece('C') });
    expect(loaded.readOf({ key: '0', piece: nothing }).ok).toBe(true);
    expect(loaded.readOf({ key: '1', piece: nothing }).ok).toBe(false);
  });
});
