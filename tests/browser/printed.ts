import { execFileSync } from 'node:child_process';

/** A printed page as it was looked at: how far from each edge its ink begins, in millimetres. */
export interface Printed {
  readonly width: number;
  readonly height: number;
  readonly ink: { readonly left: number; readonly top: number; readonly right: number; readonly bottom: number };
}

/** Dots an inch at which pages are looked at. */
const DPI = 100;
/** Darker than this is ink. */
const INK = 200;
const inMm = (dots: number): number => (dots / DPI) * 25.4;

/** A grey picture of a page (PGM): its width, height and dots. */
function readPgm(bytes: Buffer): { readonly width: number; readonly height: number; readonly dots: Buffer } {
  const head = /^P5\s+(\d+)\s+(\d+)\s+\d+\s/.exec(bytes.subarray(0, 40).toString('latin1'));
  if (!head) throw new Error('That is no grey picture.');
  return { width: Number(head[1]), height: Number(head[2]), dots: bytes.subarray(head[0].length) };
}

/** Looks at a page of a PDF as a picture (pdftoppm of poppler). */
export function lookAt(pdf: string, page: number): Printed {
  const picture = execFileSync('pdftoppm', ['-r', String(DPI), '-gray', '-f', String(page), '-l', String(page), pdf], {
    maxBuffer: 64_000_000,
  });
  const { width, height, dots } = readPgm(picture);
  let [left, top, right, bottom] = [width, height, -1, -1];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      if ((dots[y * width + x] ?? 255) >= INK) continue;
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
    }
  return {
    width: inMm(width),
    height: inMm(height),
    ink: { left: inMm(left), top: inMm(top), right: inMm(width - 1 - right), bottom: inMm(height - 1 - bottom) },
  };
}

/** The text of each page in the order in which it is read (pdftotext of poppler), on one line. */
export function textOf(pdf: string): readonly string[] {
  const all = execFileSync('pdftotext', ['-raw', pdf, '-'], { encoding: 'utf8' });
  return all
    .split('\f')
    .slice(0, -1)
    .map((page) => page.replace(/\s+/g, ' ').trim());
}
