import { fail, ok, type Result } from '../result';
import type { Picture } from './picture';

/** Pixels of a picture: what a good camera makes. */
const MOST_PIXELS = 24_000_000;

export type PictureType = 'image/png' | 'image/jpeg' | 'image/webp';
export type PictureFileCode = 'not-a-picture' | 'damaged-picture' | 'too-many-pixels';

/** How a camera was held: what has to be done to its picture to bring it upright (Exif 2.32, tag 0x0112). */
export type Orientation = 'upright' | 'upside-down' | 'right' | 'left';

/** What a picture file says about itself before it is decoded. */
export interface PictureFile {
  readonly type: PictureType;
  readonly width: number;
  readonly height: number;
  /** A quarter turn to the right, to the left, half a turn, or none. */
  readonly turn: Orientation;
}

type Size = Pick<PictureFile, 'width' | 'height'>;

const viewOf = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
const textAt = (bytes: Uint8Array, at: number, length: number): string =>
  String.fromCharCode(...bytes.subarray(at, at + length));
const begins = (bytes: Uint8Array, mark: readonly number[]): boolean => mark.every((b, i) => bytes[i] === b);

const PNG_MARK = [0x89, 0x50, 0x4e, 0x47] as const;
const JPEG_MARK = [0xff, 0xd8, 0xff] as const;

function typeOf(bytes: Uint8Array): PictureType | null {
  if (begins(bytes, PNG_MARK)) return 'image/png';
  if (begins(bytes, JPEG_MARK)) return 'image/jpeg';
  return textAt(bytes, 0, 4) === 'RIFF' && textAt(bytes, 8, 4) === 'WEBP' ? 'image/webp' : null;
}

/** As a PNG says it in its first chunk (W3C PNG, 11.2.2). */
function pngSize(bytes: Uint8Array): Size | null {
  if (bytes.length < 24) return null;
  const view = viewOf(bytes);
  return { width: view.getUint32(16), height: view.getUint32(20) };
}

/** Segments of a JPEG up to its frame (ITU-T T.81, B.1.1.4): marker, where its content begins, how long it is. */
function* jpegSegments(bytes: Uint8Array): Generator<readonly [number, number, number]> {
  const view = viewOf(bytes);
  let at = 2;
  while (at + 9 < bytes.length && bytes[at] === 0xff) {
    const length = view.getUint16(at + 2);
    yield [bytes[at + 1] ?? 0, at + 4, length - 2];
    at += 2 + Math.max(2, length);
  }
}

/** As a JPEG says it in the frame header (ITU-T T.81, B.2.2). */
function jpegSize(bytes: Uint8Array): Size | null {
  const view = viewOf(bytes);
  for (const [marker, at] of jpegSegments(bytes))
    if (marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker))
      return at + 5 <= bytes.length ? { height: view.getUint16(at + 1), width: view.getUint16(at + 3) } : null;
  return null;
}

/** As a WebP says it in its first chunk (RFC 9649, 2.5 to 2.7). */
function webpSize(bytes: Uint8Array): Size | null {
  if (bytes.length < 30) return null;
  const view = viewOf(bytes);
  const three = (at: number): number => view.getUint16(at, true) + ((bytes[at + 2] ?? 0) << 16);
  switch (textAt(bytes, 12, 4)) {
    case 'VP8X':
      return { width: three(24) + 1, height: three(27) + 1 };
    case 'VP8L': {
      const bits = view.getUint32(21, true);
      return { width: (bits & 0x3fff) + 1, height: ((bits >>> 14) & 0x3fff) + 1 };
    }
    case 'VP8 ':
      return { width: view.getUint16(26, true) & 0x3fff, height: view.getUint16(28, true) & 0x3fff };
    default:
      return null;
  }
}

const TURNS: Readonly<Record<number, Orientation>> = { 3: 'upside-down', 6: 'right', 8: 'left' };
const ORIENTATION_TAG = 0x0112;

/** The orientation in the Exif segment of a JPEG; mirrored ones are no photographs of pages. */
function jpegTurn(bytes: Uint8Array): Orientation {
  const view = viewOf(bytes);
  for (const [marker, at, length] of jpegSegments(bytes)) {
    if (marker !== 0xe1 || textAt(bytes, at, 4) !== 'Exif') continue;
    const tiff = at + 6;
    const end = Math.min(bytes.length, at + length);
    if (tiff + 8 > end) return 'upright';
    const little = textAt(bytes, tiff, 2) === 'II';
    const directory = tiff + view.getUint32(tiff + 4, little);
    if (directory + 2 > end) return 'upright';
    const count = view.getUint16(directory, little);
    for (let i = 0; i < count; i += 1) {
      const entry = directory + 2 + 12 * i;
      if (entry + 12 > end) return 'upright';
      if (view.getUint16(entry, little) === ORIENTATION_TAG)
        return TURNS[view.getUint16(entry + 8, little)] ?? 'upright';
    }
  }
  return 'upright';
}

const SIZES: Readonly<Record<PictureType, (bytes: Uint8Array) => Size | null>> = {
  'image/png': pngSize,
  'image/jpeg': jpegSize,
  'image/webp': webpSize,
};

/**
 * What a file says it is by its first bytes, whatever its name; refused where it is no picture, damaged, or larger than
 * 24 megapixels. Nothing is decoded.
 *
 * @example pictureFile(new TextEncoder().encode('<html>'), 'page.png').issue.code // → 'not-a-picture'
 */
export function pictureFile(bytes: Uint8Array, file: string): Result<PictureFile, PictureFileCode> {
  const type = typeOf(bytes);
  if (type === null) return fail('not-a-picture', `${file} is not a PNG, JPEG or WebP picture.`, { file });
  const size = SIZES[type](bytes);
  if (!size || size.width === 0 || size.height === 0)
    return fail('damaged-picture', `${file} is damaged: it cannot be opened as a picture.`, { file });
  if (size.width * size.height > MOST_PIXELS)
    return fail(
      'too-many-pixels',
      `${file} has ${Math.round((size.width * size.height) / 1e6)} million pixels; up to 24 million can be read. Make the picture smaller.`,
      { file },
    );
  return ok({ type, ...size, turn: type === 'image/jpeg' ? jpegTurn(bytes) : 'upright' });
}

/**
 * Greys of colours (ITU-R BT.601); what is see-through is white paper.
 *
 * @example greysOf(1, 1, new Uint8Array([255, 0, 0, 255])).gray[0] // → 76
 */
export function greysOf(width: number, height: number, rgba: ArrayLike<number>): Picture {
  const gray = new Uint8Array(width * height);
  for (let i = 0; i < gray.length; i += 1) {
    const share = (rgba[4 * i + 3] ?? 255) / 255;
    const grey = 0.299 * (rgba[4 * i] ?? 0) + 0.587 * (rgba[4 * i + 1] ?? 0) + 0.114 * (rgba[4 * i + 2] ?? 0);
    gray[i] = Math.round(255 - share * (255 - grey));
  }
  return { width, height, gray };
}
