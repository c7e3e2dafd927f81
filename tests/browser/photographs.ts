import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';

const FOLDER = '.cache/photographs';

/** A photograph of a piece, and how many bars each of its lines has. */
export interface Photograph {
  readonly jpeg: Buffer;
  readonly bars: readonly number[];
}

/** Takes it once; see tests/pages. */
export function photograph(piece: string, kind: 'scan' | 'photo', seed: number): Photograph {
  const name = `${FOLDER}/${piece.replace(/\W+/g, '-')}-${kind}-${seed}`;
  if (!existsSync(`${name}.txt`)) {
    mkdirSync(FOLDER, { recursive: true });
    const bars = execFileSync(
      'node_modules/.bin/tsx',
      ['tests/pages/photograph.ts', piece, kind, String(seed), `${name}.jpg`],
      { encoding: 'utf8' },
    );
    writeFileSync(`${name}.txt`, bars);
  }
  return { jpeg: readFileSync(`${name}.jpg`), bars: readFileSync(`${name}.txt`, 'utf8').split(' ').map(Number) };
}

const sizeOf = (jpeg: Buffer): readonly [number, number] => {
  let at = 2;
  while (at + 9 < jpeg.length) {
    const marker = jpeg[at + 1] ?? 0;
    if (marker === 0xc0 || marker === 0xc2) return [jpeg.readUInt16BE(at + 7), jpeg.readUInt16BE(at + 5)];
    at += 2 + jpeg.readUInt16BE(at + 2);
  }
  throw new Error('That is no JPEG.');
};

/** A PDF with a picture on each page (ISO 32000-1), and a script that a reader may run when it opens. */
export function pdfOf(jpegs: readonly Buffer[], script = ''): Buffer {
  const parts: Buffer[] = [Buffer.from('%PDF-1.4\n')];
  const offsets: number[] = [];
  const add = (body: string, stream?: Buffer): void => {
    offsets.push(parts.reduce((n, p) => n + p.length, 0));
    parts.push(Buffer.from(`${offsets.length} 0 obj\n${body}\n`));
    if (stream) parts.push(Buffer.from('stream\n'), stream, Buffer.from('\nendstream\n'));
    parts.push(Buffer.from('endobj\n'));
  };
  const pageAt = (i: number): number => 4 + 3 * i;
  add(`<< /Type /Catalog /Pages 2 0 R /OpenAction 3 0 R >>`);
  add(`<< /Type /Pages /Count ${jpegs.length} /Kids [${jpegs.map((_, i) => `${pageAt(i)} 0 R`).join(' ')}] >>`);
  add(`<< /S /JavaScript /JS (${script}) >>`);
  jpegs.forEach((jpeg, i) => {
    const [width, height] = sizeOf(jpeg);
    const draw = Buffer.from('595 0 0 842 0 0 cm /P Do');
    add(
      `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << /XObject << /P ${pageAt(i) + 2} 0 R >> >> /Contents ${pageAt(i) + 1} 0 R >>`,
    );
    add(`<< /Length ${draw.length} >>`, draw);
    add(
      `<< /Type /XObject /Subtype /Image /Width ${width} /Height ${height} /ColorSpace /DeviceRGB /BitsPerComponent 8 /Filter /DCTDecode /Length ${jpeg.length} >>`,
      jpeg,
    );
  });
  const start = parts.reduce((n, p) => n + p.length, 0);
  const table = offsets.map((o) => `${String(o).padStart(10, '0')} 00000 n \n`).join('');
  parts.push(
    Buffer.from(
      `xref\n0 ${offsets.length + 1}\n0000000000 65535 f \n${table}trailer << /Size ${offsets.length + 1} /Root 1 0 R >>\nstartxref\n${start}\n%%EOF`,
    ),
  );
  return Buffer.concat(parts);
}

/** Hands pages over as a teacher drops them on the shelf. */
export async function dropPages(
  page: Page,
  files: readonly { readonly name: string; readonly mimeType: string; readonly buffer: Buffer }[],
): Promise<void> {
  const data = files.map((f) => ({ name: f.name, type: f.mimeType, text: f.buffer.toString('base64') }));
  const transfer = await page.evaluateHandle((dropped) => {
    const all = new DataTransfer();
    for (const { name, type, text } of dropped)
      all.items.add(new File([Uint8Array.from(atob(text), (c) => c.charCodeAt(0))], name, { type }));
    return all;
  }, data);
  await page.locator('main > div').first().dispatchEvent('drop', { dataTransfer: transfer });
}
