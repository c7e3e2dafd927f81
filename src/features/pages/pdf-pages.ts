import { fail, ok, type Result } from '@/core/result';
import type { PictureOfPage } from '@/workers';

/** Dots of an inch at which a page is drawn to be read, and points of an inch. */
const DPI = 200;
const POINTS = 72;
/** Pixels of the shorter side of a page that is only to be told from others. */
const SMALL = 120;
/** A page is drawn no larger than a picture may be. */
const MOST_PIXELS = 24_000_000;
const MOST_BYTES = 200_000_000;

/** The pages of a PDF, drawn when they are asked for; counted from 0. */
export interface PdfPages {
  readonly name: string;
  readonly count: number;
  /** The page as it is read. */
  readonly picture: (page: number) => Promise<Result<PictureOfPage>>;
  /** A small drawing of it, as the address of a picture in memory. */
  readonly small: (page: number) => Promise<string | null>;
  readonly close: () => void;
}

/** What the PDF reader says by the names of its errors. */
function whyNot(error: unknown, name: string) {
  const kind = error instanceof Error ? error.name : '';
  return kind === 'PasswordException'
    ? fail('pdf-locked', `${name} is locked with a password. Save it without one, then bring it in.`)
    : fail('pdf-damaged', `${name} is damaged or not a PDF: it cannot be opened.`);
}

const blobOf = (canvas: HTMLCanvasElement): Promise<Blob | null> =>
  new Promise((resolve) => canvas.toBlob(resolve, 'image/png'));

/** Opens a PDF; scripts in it are never run. */
export async function openPdf(file: File): Promise<Result<PdfPages>> {
  const { name } = file;
  if (file.size > MOST_BYTES) return fail('too-large', `${name} is larger than 200 MB. Save fewer of its pages.`);
  const { getDocument, GlobalWorkerOptions } = await import('pdfjs-dist');
  GlobalWorkerOptions.workerSrc = '/pdf/pdf.worker.min.mjs';
  try {
    const loading = getDocument({
      data: new Uint8Array(await file.arrayBuffer()),
      isEvalSupported: false,
      enableXfa: false,
      stopAtErrors: false,
      maxImageSize: 4 * MOST_PIXELS,
      cMapUrl: '/pdf/cmaps/',
      cMapPacked: true,
      standardFontDataUrl: '/pdf/standard_fonts/',
      wasmUrl: '/pdf/wasm/',
    });
    const document_ = await loading.promise;
    const drawn = async (index: number, scaleOf: (width: number, height: number) => number): Promise<Blob | null> => {
      const page = await document_.getPage(index + 1);
      const whole = page.getViewport({ scale: 1 });
      const viewport = page.getViewport({ scale: scaleOf(whole.width, whole.height) });
      const canvas = document.createElement('canvas');
      canvas.width = Math.max(1, Math.round(viewport.width));
      canvas.height = Math.max(1, Math.round(viewport.height));
      await page.render({ canvas, viewport, background: '#fff' }).promise;
      page.cleanup();
      return blobOf(canvas);
    };
    return ok({
      name,
      count: document_.numPages,
      picture: async (index) => {
        const said = `page ${index + 1} of ${name}`;
        try {
          const blob = await drawn(index, (width, height) =>
            Math.min(DPI / POINTS, Math.sqrt(MOST_PIXELS / (width * height))),
          );
          if (!blob) return fail('pdf-damaged', `${said} cannot be drawn.`);
          return ok({ bytes: new Uint8Array(await blob.arrayBuffer()), name: said });
        } catch {
          return fail('pdf-damaged', `${said} is damaged: it cannot be drawn.`);
        }
      },
      small: async (index) => {
        try {
          const blob = await drawn(index, (width, height) => SMALL / Math.min(width, height));
          return blob && URL.createObjectURL(blob);
        } catch {
          return null;
        }
      },
      close: () => {
        // What it still does is of no interest any more.
        loading.destroy().catch(() => undefined);
      },
    });
  } catch (error) {
    return whyNot(error, name);
  }
}
