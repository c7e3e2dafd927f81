import { fail, ok, type Result } from '../result';
import { LIMITS } from './limits';

export type Encoding = 'utf-8' | 'utf-8-bom' | 'utf-16le' | 'utf-16be' | 'latin-1';

export interface DecodedText {
  readonly text: string;
  readonly encoding: Encoding;
  /** UTF-16 began with a byte order mark. */
  readonly bom: boolean;
}

export type DecodeCode = 'empty-file' | 'too-large' | 'broken-text';

const LATIN = /^(iso-8859-1|iso_8859-1|latin-?1|us-ascii|ascii|windows-1252)$/i;

function latin1(bytes: Uint8Array): string {
  let text = '';
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return text;
}

/**
 * Bytes of an XML or text file to characters: UTF-8 with and without byte order mark, UTF-16 both ways, Latin-1
 * when the XML declaration says so. The mark itself is not part of the text; `encodeText` puts it back.
 * Source: XML 1.0, appendix F, autodetection of character encodings.
 *
 * @example decodeText(new Uint8Array([195, 169]), 'x.xml').value.text // → 'é'
 */
export function decodeText(bytes: Uint8Array, file: string): Result<DecodedText, DecodeCode> {
  if (bytes.length === 0) return fail('empty-file', `${file} is empty: there is nothing in it to read.`, { file });
  if (bytes.length > LIMITS.fileBytes)
    return fail('too-large', `${file} is larger than 64 MB; export the movements as single files.`, { file });
  const [a = 0, b = 0, c = 0, d = 0] = bytes;
  try {
    if ((a === 0xff && b === 0xfe) || (a === 0x3c && b === 0))
      return ok({
        text: new TextDecoder('utf-16le', { fatal: true }).decode(bytes),
        encoding: 'utf-16le',
        bom: a === 0xff,
      });
    if ((a === 0xfe && b === 0xff) || (a === 0 && b === 0x3c))
      return ok({
        text: new TextDecoder('utf-16be', { fatal: true }).decode(bytes),
        encoding: 'utf-16be',
        bom: a === 0xfe,
      });
    const head = latin1(bytes.subarray(0, 200));
    const declared = /^<\?xml[^>]*encoding\s*=\s*["']([\w.:-]+)["']/.exec(head)?.[1] ?? '';
    if (LATIN.test(declared)) return ok({ text: latin1(bytes), encoding: 'latin-1', bom: false });
    const bom = a === 0xef && b === 0xbb && c === 0xbf && d !== undefined;
    return ok({
      text: new TextDecoder('utf-8', { fatal: true }).decode(bytes),
      encoding: bom ? 'utf-8-bom' : 'utf-8',
      bom,
    });
  } catch {
    return fail('broken-text', `${file} holds bytes that are not text in the encoding it names.`, { file });
  }
}

/**
 * The way back: the same bytes for unchanged text. Characters outside Latin-1 become numeric references there.
 *
 * @example [...encodeText('é', { encoding: 'utf-8', bom: false })] // → [195, 169]
 */
export function encodeText(text: string, like: Pick<DecodedText, 'encoding' | 'bom'>): Uint8Array {
  switch (like.encoding) {
    case 'utf-8':
      return new TextEncoder().encode(text);
    case 'utf-8-bom': {
      const body = new TextEncoder().encode(text);
      const bytes = new Uint8Array(body.length + 3);
      bytes.set([0xef, 0xbb, 0xbf]);
      bytes.set(body, 3);
      return bytes;
    }
    case 'utf-16le':
    case 'utf-16be': {
      const offset = like.bom ? 2 : 0;
      const bytes = new Uint8Array(text.length * 2 + offset);
      const view = new DataView(bytes.buffer);
      const little = like.encoding === 'utf-16le';
      if (like.bom) view.setUint16(0, 0xfeff, little);
      for (let i = 0; i < text.length; i += 1) view.setUint16(i * 2 + offset, text.charCodeAt(i), little);
      return bytes;
    }
    case 'latin-1': {
      const safe = text.replace(/[^\u0000-\u00ff]/gu, (char) => `&#x${(char.codePointAt(0) ?? 63).toString(16)};`);
      return Uint8Array.from(safe, (char) => char.charCodeAt(0));
    }
  }
}
