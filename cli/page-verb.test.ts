import { PNG } from 'pngjs';
import { encode } from 'jpeg-js';
import { describe, expect, it } from 'vitest';
import { engravePage } from '../tests/pages/engrave-page';
import { pageVerb } from './page-verb';

/** Two bars on one line, as a camera or a scanner stores them. */
async function page() {
  const drawn = await engravePage('tests/pieces/held-out/five-eight.abc', { font: 'Bravura', dpi: 120, staff: 7 });
  if (!drawn) throw new Error('There is no page.');
  const { width, height, gray } = drawn.picture;
  const rgba = Buffer.alloc(gray.length * 4, 255);
  gray.forEach((g, i) => rgba.set([g, g, g], 4 * i));
  const png = new PNG({ width, height });
  png.data = rgba;
  return { ...drawn, png: PNG.sync.write(png), jpeg: encode({ width, height, data: rgba }, 85).data };
}
const refused = (bytes: Uint8Array): string => {
  const result = pageVerb(bytes, 'x', {});
  return result.ok ? 'read' : result.issue.code;
};

describe('a page from the command line', () => {
  it('is read from a PNG and from a JPEG alike, bars in reading order', async () => {
    const { png, jpeg, systems, picture } = await page();
    for (const bytes of [png, jpeg]) {
      const result = pageVerb(bytes, 'page', {});
      expect(result).toMatchObject({ ok: true, value: { width: picture.width, height: picture.height, warnings: [] } });
      const found = result.ok ? (result.value as { systems: { bars: unknown[] }[] }).systems : [];
      expect(found.map((s) => s.bars.length)).toEqual(systems.map((s) => s.length));
    }
  });
  it('has as many staves in a system as are asked for', async () => {
    const { png } = await page();
    const result = pageVerb(png, 'page', { 'part-staves': '1' });
    expect(result.ok && (result.value as { systems: { staves: number }[] }).systems.every((s) => s.staves === 1)).toBe(
      true,
    );
  });
  it('says so where there is no music', () => {
    const png = new PNG({ width: 300, height: 400 });
    png.data.fill(255);
    expect(pageVerb(PNG.sync.write(png), 'white', {})).toMatchObject({
      ok: true,
      value: { systems: [], warnings: [{ code: 'no-systems' }] },
    });
  });
  it('is refused in a sentence where it is no picture, damaged or far too large, at once', async () => {
    const { png, jpeg } = await page();
    const huge = Buffer.from(png.subarray(0, 64));
    huge.writeUInt32BE(60_000, 16);
    huge.writeUInt32BE(60_000, 20);
    const started = performance.now();
    expect(refused(huge)).toBe('too-many-pixels');
    expect(refused(jpeg.subarray(0, 2000))).toBe('damaged-picture');
    expect(refused(png.subarray(0, 2000))).toBe('damaged-picture');
    expect(refused(Buffer.from('<!doctype html><script>1</script>'))).toBe('not-a-picture');
    expect(refused(Buffer.concat([Buffer.from('RIFF0000WEBPVP8 ------fghi'), Buffer.from([16, 0, 16, 0])]))).toBe(
      'not-a-picture',
    );
    expect(refused(new Uint8Array(0))).toBe('not-a-picture');
    expect(performance.now() - started).toBeLessThan(2000);
  });
});
