import fc from 'fast-check';
import { encode } from 'jpeg-js';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { greysOf, pictureFile, turned, turnedBack, type Orientation } from '.';

const png = (width: number, height: number): Buffer => PNG.sync.write(new PNG({ width, height }));
const jpeg = (width: number, height: number): Buffer =>
  encode({ width, height, data: Buffer.alloc(width * height * 4, 200) }, 80).data;

/** A JPEG with an Exif segment that says how the camera was held (Exif 2.32, 4.5.4 and 4.6.4). */
function held(orientation: number, little: boolean): Buffer {
  const tiff = Buffer.alloc(26);
  const put16 = (value: number, at: number): number =>
    little ? tiff.writeUInt16LE(value, at) : tiff.writeUInt16BE(value, at);
  const put32 = (value: number, at: number): number =>
    little ? tiff.writeUInt32LE(value, at) : tiff.writeUInt32BE(value, at);
  tiff.write(little ? 'II' : 'MM', 0, 'latin1');
  put16(42, 2);
  put32(8, 4);
  put16(1, 8);
  put16(0x0112, 10);
  put16(3, 12);
  put32(1, 14);
  put16(orientation, 18);
  const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff]);
  const head = Buffer.from([0xff, 0xe1, 0, 0]);
  head.writeUInt16BE(body.length + 2, 2);
  const plain = jpeg(8, 6);
  return Buffer.concat([plain.subarray(0, 2), head, body, plain.subarray(2)]);
}

const codeOf = (bytes: Uint8Array): string => {
  const read = pictureFile(bytes, 'page');
  return read.ok ? 'read' : read.issue.code;
};

describe('a picture file', () => {
  it('says what it is and how large, whatever other readers wrote it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 60 }), (width, height) => {
        expect(pictureFile(png(width, height), 'x')).toMatchObject({
          ok: true,
          value: { type: 'image/png', width, height },
        });
        expect(pictureFile(jpeg(width, height), 'x')).toMatchObject({
          ok: true,
          value: { type: 'image/jpeg', width, height, turn: 'upright' },
        });
      }),
      { numRuns: 20 },
    );
  });
  it('says the size of each kind of WebP (RFC 9649, chapter 2)', () => {
    const riff = (kind: string, rest: readonly number[]): Buffer =>
      Buffer.concat([Buffer.from(`RIFF\0\0\0\0WEBP${kind}\0\0\0\0`, 'latin1'), Buffer.from(rest), Buffer.alloc(10)]);
    // Width and height less one in 24 bits each, behind flags.
    expect(pictureFile(riff('VP8X', [0, 0, 0, 0, 99, 0, 0, 49, 0, 0]), 'x')).toMatchObject({
      ok: true,
      value: { type: 'image/webp', width: 100, height: 50 },
    });
    // A signature, then both less one in 14 bits.
    expect(pictureFile(riff('VP8L', [0x2f, 99, 0x40, 0x0c, 0]), 'x')).toMatchObject({
      value: { width: 100, height: 50 },
    });
    // A frame tag, a start code, then both in 14 bits.
    expect(pictureFile(riff('VP8 ', [0, 0, 0, 0x9d, 0x01, 0x2a, 100, 0, 50, 0]), 'x')).toMatchObject({
      value: { width: 100, height: 50 },
    });
  });
  it.each([
    [1, 'upright'],
    [3, 'upside-down'],
    [6, 'right'],
    [8, 'left'],
    [2, 'upright'],
  ] as const)('says how the camera was held: %i is %s', (orientation, turn) => {
    for (const little of [true, false])
      expect(pictureFile(held(orientation, little), 'x')).toMatchObject({
        ok: true,
        value: { turn, width: 8, height: 6 },
      });
  });
  it('is refused before it is opened where it is none, is damaged, or is far too large', () => {
    expect(codeOf(new Uint8Array(0))).toBe('not-a-picture');
    expect(codeOf(Buffer.from('<html>'))).toBe('not-a-picture');
    expect(codeOf(png(5, 5).subarray(0, 20))).toBe('damaged-picture');
    expect(codeOf(jpeg(5, 5).subarray(0, 30))).toBe('damaged-picture');
    const huge = Buffer.from(png(5, 5));
    huge.writeUInt32BE(60_000, 16);
    huge.writeUInt32BE(60_000, 20);
    expect(codeOf(huge)).toBe('too-many-pixels');
  });
  it('never fails otherwise than with a sentence, whatever it holds', () => {
    const start = fc.constantFrom(
      [0x89, 0x50, 0x4e, 0x47],
      [0xff, 0xd8, 0xff, 0xe1],
      [...Buffer.from('RIFF0000WEBPVP8X')],
    );
    fc.assert(
      fc.property(start, fc.uint8Array({ maxLength: 200 }), (head, rest) => {
        expect(['read', 'not-a-picture', 'damaged-picture', 'too-many-pixels']).toContain(
          codeOf(new Uint8Array([...head, ...rest])),
        );
      }),
    );
  });
});

describe('a picture that is brought upright', () => {
  const TURNS: readonly Orientation[] = ['upright', 'right', 'upside-down', 'left'];
  it('has every pixel where it says it came from', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...TURNS),
        fc.integer({ min: 1, max: 7 }),
        fc.integer({ min: 1, max: 7 }),
        (turn, width, height) => {
          const gray = Uint8Array.from({ length: width * height }, (_, i) => i);
          const up = turned({ width, height, gray }, turn);
          up.gray.forEach((value, i) => {
            const [x, y] = turnedBack(turn, { width, height }, [i % up.width, Math.floor(i / up.width)]);
            expect(gray[y * width + x]).toBe(value);
          });
        },
      ),
    );
  });
  it('is grey as the eye sees colours, and white where there is nothing (ITU-R BT.601)', () => {
    expect([...greysOf(3, 1, [0, 255, 0, 255, 0, 0, 255, 255, 0, 0, 0, 0]).gray]).toEqual([150, 29, 255]);
  });
});
