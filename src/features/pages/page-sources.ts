import { fail, ok, type Result } from '@/core/result';
import type { PictureOfPage } from '@/workers';
import { openPdf, type PdfPages } from './pdf-pages';

/** Pages that can be brought in at a time. */
export const MOST_PAGES = 60;
const MOST_BYTES = 100_000_000;

/** One page that may come in: a picture, or a page of a PDF. */
export interface PageSource {
  readonly key: string;
  readonly name: string;
  readonly picture: () => Promise<Result<PictureOfPage>>;
  /** A small drawing of it, as the address of a picture in memory. */
  readonly small: () => Promise<string | null>;
}

const isPdf = (file: File): boolean => file.type === 'application/pdf' || /\.pdf$/i.test(file.name);

/** Whether a file is a printed page, by what it is called; what it really is, is seen when it is opened. */
export const isPageFile = (file: File): boolean =>
  isPdf(file) || file.type.startsWith('image/') || /\.(png|jpe?g|webp|heic|heif|tiff?)$/i.test(file.name);

const ofPicture = (file: File, i: number): PageSource => ({
  key: `${i} ${file.name}`,
  name: file.name,
  picture: async () =>
    file.size > MOST_BYTES
      ? fail('too-large', `${file.name} is larger than 100 MB; save the picture smaller.`)
      : ok({ bytes: new Uint8Array(await file.arrayBuffer()), name: file.name }),
  small: () => Promise.resolve(URL.createObjectURL(file)),
});

const ofPdf = (pdf: PdfPages, i: number): readonly PageSource[] =>
  Array.from({ length: pdf.count }, (_, page) => ({
    key: `${i} ${pdf.name} ${page}`,
    name: `${pdf.name}, page ${page + 1}`,
    picture: () => pdf.picture(page),
    small: () => pdf.small(page),
  }));

/** Pages of the files, in the order of their names as a person counts; PDFs stay open until they are closed. */
export interface OpenedSources {
  readonly pages: readonly PageSource[];
  /** There is more than one page in a PDF: which of them are meant is asked. */
  readonly several: boolean;
  readonly close: () => void;
}

export async function openSources(files: readonly File[]): Promise<Result<OpenedSources>> {
  const sorted = [...files].sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));
  const pages: PageSource[] = [];
  const pdfs: PdfPages[] = [];
  const close = (): void => {
    for (const pdf of pdfs) pdf.close();
  };
  for (const [i, file] of sorted.entries()) {
    if (!isPdf(file)) {
      pages.push(ofPicture(file, i));
      continue;
    }
    const pdf = await openPdf(file);
    if (!pdf.ok) {
      close();
      return pdf;
    }
    pdfs.push(pdf.value);
    pages.push(...ofPdf(pdf.value, i));
  }
  return ok({ pages, several: pdfs.some((p) => p.count > 1) || pages.length > MOST_PAGES, close });
}

/** A title from the name of a file; none where a camera or a scanner named it. */
export function titleFromName(name: string): string {
  const bare = name
    .replace(/\.[^.]+$/, '')
    .replace(/[_]+/g, ' ')
    .trim();
  const isMachine = /^(img|dsc|dscn|scan|image|photo|pxl|p|page|dokument|document|foto)?[ -]*[\d()[\] .-]*$/i.test(
    bare,
  );
  return isMachine ? '' : bare;
}
