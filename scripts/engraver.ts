/**
 * Takes the engraver's program out of its script: `public/engraver.wasm` is compiled while it streams in, and
 * `public/engraver.mjs` is the small script that loads it. Both are made from the installed package before a build, and
 * not kept in the repository.
 */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import vm from 'node:vm';

const OUT = 'public';
const source = readFileSync(createRequire(import.meta.url).resolve('verovio/wasm'), 'utf8');
const mark = `${OUT}/engraver.sum`;
/** Changes when what this script writes does. */
const EDITION = 2;
const sum = createHash('sha256').update(`${EDITION} ${source}`).digest('hex');

const EMBEDDED = /function findWasmBinary\(\)\{return binaryDecode\(/;
const CALL_END = ')}function getBinarySync';
const INSTANTIATE = 'return instantiateArrayBuffer(binaryFile,imports)';

function parts(): { readonly literal: string; readonly script: string } {
  const at = EMBEDDED.exec(source);
  const end = at ? source.indexOf(CALL_END, at.index) : -1;
  if (!at || end < 0 || !source.includes(INSTANTIATE))
    throw new Error('The engraver package is built otherwise than expected; see scripts/engraver.ts.');
  const start = at.index + at[0].length;
  const script =
    `${source.slice(0, at.index)}function findWasmBinary(){return new URL('engraver.wasm'+new URL(import.meta.url).search,import.meta.url).href${source.slice(end + 1)}`.replace(
      INSTANTIATE,
      'return WebAssembly.instantiateStreaming(fetch(binaryFile),imports)',
    );
  return { literal: source.slice(start, end), script };
}

/** The bytes of the embedded text: one character a byte, an escaped zero for what a text cannot hold. */
function bytesOf(literal: string): Uint8Array {
  const decode = /function binaryDecode\(bin\)\{.*?return o\}/s.exec(source)?.[0];
  if (decode === undefined) throw new Error('The engraver package has no decoder; see scripts/engraver.ts.');
  return vm.runInNewContext(`${decode};binaryDecode(${literal})`) as Uint8Array;
}

if (!existsSync(mark) || readFileSync(mark, 'utf8') !== sum) {
  const { literal, script } = parts();
  mkdirSync(OUT, { recursive: true });
  writeFileSync(`${OUT}/engraver.wasm`, bytesOf(literal));
  writeFileSync(`${OUT}/engraver.mjs`, script);
  writeFileSync(mark, sum);
}
