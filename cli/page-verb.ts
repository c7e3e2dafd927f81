import { decode as decodeJpeg } from 'jpeg-js';
import { PNG } from 'pngjs';
import { readPage, type Picture } from '../src/core/page';
import { fail, ok, type Result } from '../src/core/result';
import type { OptionValues } from './options';

/** Pixels of a picture: what a good camera makes. */
const MOST_PIXELS = 24_000_000;
const PNG_MARK = [0x89, 0x50, 0x4e, 0x47] as const;
const JPEG_MARK = [0xff, 0xd8, 0xff] as const;

const begins = (bytes: Uint8Array, mark: readonly number[]): boolean => mark.every((b, i) => bytes[i] === b);

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Width and height as a PNG says them in its first chunk (W3C PNG, 11.2.2). */
function pngSize(bytes: Uint8Array): Size | null {
  if (bytes.length < 24) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  return { width: view.getUint32(16), height: view.getUint32(20) };
}

/** Width and height as a JPEG says them in the frame header (ITU-T T.81, B.2.2). */
function jpegSize(bytes: Uint8Array): Size | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = 2;
  while (at + 9 < bytes.length) {
    if (bytes[at] !== 0xff) return null;
    const marker = bytes[at + 1] ?? 0;
    const isFrame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);
    if (isFrame) return { height: view.getUint16(at + 5), width: view.getUint16(at + 7) };
    at += 2 + view.getUint16(at + 2);
  }
  return null;
}

/** Greys of colours (ITU-R BT.601). */
function greyOf({ width, height }: Size, rgba: Uint8Array): Picture {
  const gray = new Uint8Array(width * height);
  for (let i = 0; i < gray.length; i += 1) {
    const share = (rgba[4 * i + 3] ?? 255) / 255;
    const grey = 0.299 * (rgba[4 * i] ?? 0) + 0.587 * (rgba[4 * i + 1] ?? 0) + 0.114 * (rgba[4 * i + 2] ?? 0);
    // What is not there is white paper.
    gray[i] = Math.round(255 - share * (255 - grey));
  }
  return { width, height, gray };
}

function pictureOf(bytes: Uint8Array, file: string): Result<Picture> {
  const kind = begins(bytes, PNG_MARK) ? 'png' : begins(bytes, JPEG_MARK) ? 'jpeg' : null;
  if (kind === null)
    return fail('not-a-picture', `${file} is no PNG or JPEG; WebP and PDF are opened in the application only.`, {
      file,
    });
  const size = kind === 'png' ? pngSize(bytes) : jpegSize(bytes);
  const damaged = fail('damaged-picture', `${file} is damaged: it cannot be opened as a picture.`, { file });
  if (!size || size.width === 0 || size.height === 0) return damaged;
  if (size.width * size.height > MOST_PIXELS)
    return fail('too-many-pixels', `${file} has more than 24 million pixels; make the picture smaller.`, { file });
  try {
    const { data } =
      kind === 'png'
        ? PNG.sync.read(Buffer.from(bytes))
        : decodeJpeg(bytes, {
            useTArray: true,
            maxResolutionInMP: 25,
            maxMemoryUsageInMB: 700,
            tolerantDecoding: false,
          });
    return data.length === size.width * size.height * 4 ? ok(greyOf(size, data)) : damaged;
  } catch {
    return damaged;
  }
}

/** Systems and bars on a picture of a page. */
export function pageVerb(bytes: Uint8Array, file: string, options: OptionValues): Result<unknown> {
  const picture = pictureOf(bytes, file);
  if (!picture.ok) return picture;
  const staves = options['part-staves'];
  const page = readPage(picture.value, staves === undefined ? {} : { staves: Number(staves) });
  const warnings =
    page.systems.length > 0
      ? []
      : [{ code: 'no-systems', message: 'No staff of five lines with bars was found on this picture.' }];
  return ok({ ...page, warnings });
}
