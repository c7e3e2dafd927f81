import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { KEYS, keysOf, type KeyPlace } from './keys-table';

const places = Object.keys(KEYS) as KeyPlace[];
const combos = (place: KeyPlace): readonly string[] =>
  keysOf(place).flatMap(({ keys }) => keys?.split(',').map((k) => k.trim()) ?? []);

/**
 * Keys of browsers on Windows, macOS and Linux, from their published lists of shortcuts (Chrome, Firefox, Safari), and
 * of NVDA, JAWS and VoiceOver while one is not reading [from memory]. Ctrl Z and Ctrl Y act on fields only.
 */
const TAKEN = new Set([
  ...'abcdefghijklmnopqrstuvwx'.split('').map((c) => `mod+${c}`),
  ...'0123456789'.split('').flatMap((d) => [`mod+${d}`, `alt+${d}`]),
  ...['left', 'right', 'home', 'd', 'f', 'e', 'f4', 'space'].map((k) => `alt+${k}`),
  ...['f1', 'f3', 'f5', 'f6', 'f7', 'f9', 'f10', 'f11', 'f12', 'tab', 'insert', 'capslock', "'", 'slash'],
]);

describe('the keys', () => {
  it.each(places)('of %s are none of a browser or a screen reader', (place) => {
    expect(combos(place).filter((k) => TAKEN.has(k))).toEqual([]);
  });
  it.each(places)('of %s do one thing each, and nothing that a key of everywhere does', (place) => {
    const here = combos(place);
    expect(here.filter((k, i) => here.indexOf(k) !== i)).toEqual([]);
    if (place !== 'everywhere') expect(here.filter((k) => combos('everywhere').includes(k))).toEqual([]);
  });
  it('are listened for by the table alone, every one of them', () => {
    const sources = (readdirSync('src', { recursive: true }) as string[])
      .filter((f) => /\.tsx?$/.test(f) && !f.includes('.test.') && !f.startsWith('features/keys/'))
      .map((f) => readFileSync(`src/${f}`, 'utf8'));
    expect(sources.filter((text) => text.includes("from 'react-hotkeys-hook'"))).toEqual([]);
    const all = sources.join('\n');
    const ids = places.flatMap((place) =>
      Object.entries(KEYS[place]).flatMap(([name, { keys }]) => (keys === null ? [] : [`${place}.${name}`])),
    );
    expect(ids.filter((id) => !all.includes(`'${id}'`))).toEqual([]);
  });
});
