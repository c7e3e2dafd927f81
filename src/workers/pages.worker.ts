import { expose } from 'comlink';
import { flatPage, greysOf, pictureFile, type Picture, type PictureType } from '@/core/page';
import { lineDrawing } from '@/core/paper';
import { fail, ok, type Result } from '@/core/result';
import type { KeptPicture, LineToDraw, PagesWorkerApi, PictureOfPage } from './protocol';

/** Of a picture so many pixels are looked at; what a camera makes beyond that is scaled down as it is decoded. */
const MOST_LOOKED_AT = 8_000_000;
/** Of a picture that has no staves so many pixels are kept on its longer side. */
const MOST_KEPT = 2200;
const QUALITY = 0.85;
/** Decoded pages kept in memory. */
const MOST_OPEN = 5;

const damaged = (name: string) => fail('damaged-picture', `${name} is damaged: it cannot be opened as a picture.`);

function contextOf(canvas: OffscreenCanvas): OffscreenCanvasRenderingContext2D {
  const context = canvas.getContext('2d', { alpha: false, willReadFrequently: true });
  if (!context) throw new Error('There is no canvas in this browser.');
  return context;
}

/** A picture as the browser opens it: upright as the camera was held, not larger than it can be worked on. */
async function decoded({ bytes, name }: PictureOfPage): Promise<Result<ImageBitmap>> {
  const about = pictureFile(bytes, name);
  if (!about.ok) return about;
  const { type, width, height } = about.value;
  const blob = new Blob([bytes as BlobPart], { type });
  const share = Math.sqrt(MOST_LOOKED_AT / (width * height));
  try {
    const whole = await createImageBitmap(blob, { imageOrientation: 'from-image' });
    if (share >= 1) return ok(whole);
    const small = await createImageBitmap(whole, {
      resizeWidth: Math.round(whole.width * share),
      resizeHeight: Math.round(whole.height * share),
      resizeQuality: 'medium',
    });
    whole.close();
    return ok(small);
  } catch {
    return damaged(name);
  }
}

/** Greys of a picture; what is see-through is white. */
function greysIn(bitmap: ImageBitmap): Picture {
  const { width, height } = bitmap;
  const context = contextOf(new OffscreenCanvas(width, height));
  context.fillStyle = '#fff';
  context.fillRect(0, 0, width, height);
  context.drawImage(bitmap, 0, 0);
  return greysOf(width, height, context.getImageData(0, 0, width, height).data);
}

function canvasOf({ width, height, gray }: Picture): OffscreenCanvas {
  const canvas = new OffscreenCanvas(width, height);
  const context = contextOf(canvas);
  const image = context.createImageData(width, height);
  for (let i = 0; i < gray.length; i += 1) {
    const grey = gray[i] ?? 255;
    image.data[4 * i] = grey;
    image.data[4 * i + 1] = grey;
    image.data[4 * i + 2] = grey;
    image.data[4 * i + 3] = 255;
  }
  context.putImageData(image, 0, 0);
  return canvas;
}

const TYPES: readonly PictureType[] = ['image/webp', 'image/png', 'image/jpeg'];

async function base64Of(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  const parts: string[] = [];
  for (let i = 0; i < bytes.length; i += 24_576)
    parts.push(btoa(String.fromCharCode(...bytes.subarray(i, i + 24_576))));
  return parts.join('');
}

/** A canvas as it is kept: WebP where the browser writes it, else PNG. */
async function kept(canvas: OffscreenCanvas): Promise<Pick<KeptPicture, 'type' | 'data' | 'width' | 'height'>> {
  const blob = await canvas.convertToBlob({ type: 'image/webp', quality: QUALITY });
  const type = TYPES.find((t) => t === blob.type) ?? 'image/png';
  return { type, data: await base64Of(blob), width: canvas.width, height: canvas.height };
}

/** A picture in which nothing was found, as it came, to be cut by hand. */
async function asItCame(bitmap: ImageBitmap): Promise<KeptPicture> {
  const share = Math.min(1, MOST_KEPT / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(Math.round(bitmap.width * share), Math.round(bitmap.height * share));
  const context = contextOf(canvas);
  context.fillStyle = '#fff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  // A staff is about a fiftieth of a page high.
  return { ...(await kept(canvas)), flat: { space: Math.max(4, canvas.height / 200), systems: [] } };
}

const open = new Map<string, Promise<ImageBitmap>>();

/** The kept picture of a page; the least recently used are closed. */
function pageBitmap({ key, type, data }: LineToDraw['picture']): Promise<ImageBitmap> {
  const there = open.get(key);
  if (there) {
    open.delete(key);
    open.set(key, there);
    return there;
  }
  const bytes = Uint8Array.from(atob(data), (c) => c.charCodeAt(0));
  const bitmap = createImageBitmap(new Blob([bytes], { type }));
  open.set(key, bitmap);
  bitmap.catch(() => open.delete(key));
  const [oldest] = open.keys();
  if (open.size > MOST_OPEN && oldest !== undefined) {
    open
      .get(oldest)
      ?.then((b) => b.close())
      .catch(() => undefined);
    open.delete(oldest);
  }
  return bitmap;
}

/** One line cut out and written as a drawing. */
async function drawn({ line, picture, content }: LineToDraw): Promise<string> {
  const bitmap = await pageBitmap(picture);
  const { x, y, width, height } = line.cut;
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(width)), Math.max(1, Math.round(height)));
  const context = contextOf(canvas);
  context.fillStyle = '#fff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(bitmap, x, y, width, height, 0, 0, canvas.width, canvas.height);
  const { type, data } = await kept(canvas);
  return lineDrawing(line, `data:${type};base64,${data}`, content);
}

const api: PagesWorkerApi = {
  async read(picture, options, progress) {
    await progress(0.05);
    const bitmap = await decoded(picture);
    if (!bitmap.ok) return bitmap;
    const greys = greysIn(bitmap.value);
    await progress(0.25);
    const flat = flatPage(greys, options);
    await progress(0.9);
    const result = flat
      ? { ...(await kept(canvasOf(flat.picture))), flat: { space: flat.space, systems: flat.systems } }
      : await asItCame(bitmap.value);
    bitmap.value.close();
    return ok(result);
  },
  async lines(wanted) {
    try {
      const lines: string[] = [];
      for (const line of wanted) lines.push(await drawn(line));
      return ok(lines);
    } catch {
      return fail('damaged-picture', 'The picture of this page cannot be opened any more. Bring the page in again.');
    }
  },
};

expose(api);
