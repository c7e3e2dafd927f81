import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { allLabels, LABELS_FILE, labelsFile } from '../../scripts/labels';

/** A label without what does not change its meaning: capitals, signs, what is put in, small words. */
const bare = (label: string): string =>
  label
    .toLowerCase()
    .replace(/[^a-z ]/g, ' ')
    .split(' ')
    .filter((word) => word !== '' && !['a', 'an', 'the', 'it', 'them', 'this', 'these'].includes(word))
    .join(' ');

/** The arrow says which way the end goes. */
const TWICE: ReadonlySet<string> = new Set(['end beat']);

describe('the labels of the screens', () => {
  it('are in one file, which is as they are', async () => {
    expect(readFileSync(LABELS_FILE, 'utf8'), 'run npm run labels').toBe(await labelsFile());
  });
  it('say one thing in one way', () => {
    const ways = new Map<string, string[]>();
    for (const label of allLabels().keys()) ways.set(bare(label), [...(ways.get(bare(label)) ?? []), label]);
    // What is read aloud may go on where what is seen ends: "Take away", "Take away the note of Monday".
    const shortest = (labels: readonly string[]): readonly string[] =>
      labels.filter((label) => !labels.some((other) => other !== label && label.startsWith(other)));
    const twins = [...ways].filter(
      ([key, labels]) => key.includes(' ') && shortest(labels).length > 1 && !TWICE.has(key),
    );
    expect(twins).toEqual([]);
  });
});
