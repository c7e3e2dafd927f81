/**
 * Lays what the PDF reader loads while it reads beside the application: its worker, the decoders of scanned pages, and
 * the fonts that every PDF may use without holding them. Made from the installed package before a build, not kept in
 * the repository.
 */
import { cpSync, mkdirSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const OUT = 'public/pdf';
const from = dirname(createRequire(import.meta.url).resolve('pdfjs-dist/package.json'));

rmSync(OUT, { recursive: true, force: true });
mkdirSync(OUT, { recursive: true });
cpSync(join(from, 'build/pdf.worker.min.mjs'), join(OUT, 'pdf.worker.min.mjs'));
for (const folder of ['wasm', 'standard_fonts', 'cmaps'])
  cpSync(join(from, folder), join(OUT, folder), { recursive: true });
