import { decode as decodeJpeg } from 'jpeg-js';
import { PNG } from 'pngjs';
import {
  greysOf,
  pictureFile,
  readPage,
  turned,
  turnedBack,
  type Orientation,
  type PageCorners,
  type PagePoint,
  type Picture,
} from '../src/core/page';
import { fail, ok, type Result } from '../src/core/result';
import type { OptionValues } from './options';

/** What is kept in memory while a picture is decoded. */
const MOST_MEMORY_MB = 700;

/** A picture as it came, and how it is brought upright. */
function pictureOf(bytes: Uint8Array, file: string): Result<{ readonly came: Picture; readonly turn: Orientation }> {
  const about = pictureFile(bytes, file);
  if (!about.ok) return about;
  const { type, width, height, turn } = about.value;
  if (type === 'image/webp')
    return fail(
      'not-a-picture',
      `${file} is a WebP picture; here PNG and JPEG are read, WebP and PDF in the application.`,
      {
        file,
      },
    );
  const damaged = fail('damaged-picture', `${file} is damaged: it cannot be opened as a picture.`, { file });
  try {
    const { data } =
      type === 'image/png'
        ? PNG.sync.read(Buffer.from(bytes))
        : decodeJpeg(bytes, {
            useTArray: true,
            maxResolutionInMP: 25,
            maxMemoryUsageInMB: MOST_MEMORY_MB,
            tolerantDecoding: false,
          });
    return data.length === width * height * 4 ? ok({ came: greysOf(width, height, data), turn }) : damaged;
  } catch {
    return damaged;
  }
}

/** Systems and bars on a picture of a page. */
export function pageVerb(bytes: Uint8Array, file: string, options: OptionValues): Result<unknown> {
  const picture = pictureOf(bytes, file);
  if (!picture.ok) return picture;
  const staves = options['part-staves'];
  const { came, turn } = picture.value;
  const page = readPage(turned(came, turn), staves === undefined ? {} : { staves: Number(staves) });
  // Corners are those of the picture as it came, however the camera was held.
  const back = ([a, b, c, d]: PageCorners): PageCorners => {
    const at = (point: PagePoint): PagePoint => turnedBack(turn, came, point);
    return [at(a), at(b), at(c), at(d)];
  };
  const warnings = [
    ...(page.systems.length > 0
      ? []
      : [{ code: 'no-systems', message: 'No staff of five lines with bars was found on this picture.' }]),
    ...page.systems.flatMap(({ bars }, i) =>
      bars.flatMap((bar, k) =>
        bar.longRest
          ? [{ code: 'long-rest', message: `System ${i + 1}, bar ${k + 1} is a rest of several bars.` }]
          : [],
      ),
    ),
  ];
  return ok({
    width: came.width,
    height: came.height,
    systems: page.systems.map(({ corners, staves: count, bars }) => ({
      corners: back(corners),
      staves: count,
      bars: bars.map(({ longRest: _, ...bar }) => ({ ...bar, corners: back(bar.corners) })),
    })),
    warnings,
  });
}
