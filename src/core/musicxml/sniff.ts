/** What a file is, by its first bytes and its name; no more is promised than the beginning shows. */
export type FileKind = 'empty' | 'zip' | 'pdf' | 'image' | 'midi' | 'html' | 'xml' | 'abc' | 'studio' | 'unknown';

/**
 * What kind of file bytes are, by what they hold; the name only where that does not tell.
 *
 * @example sniffFile(new TextEncoder().encode('X:1\nK:C\nC|'), 'tune.abc') // → 'abc'
 */
export function sniffFile(bytes: Uint8Array, name: string): FileKind {
  if (bytes.length === 0) return 'empty';
  const head = String.fromCharCode(...bytes.subarray(0, 512)).replace(/\u0000/g, '');
  if (head.startsWith('PK\u0003\u0004')) return 'zip';
  if (head.startsWith('%PDF')) return 'pdf';
  if (
    head.startsWith('\u0089PNG') ||
    head.startsWith('\u00ff\u00d8\u00ff') ||
    (head.startsWith('RIFF') && head.includes('WEBP')) ||
    head.startsWith('GIF8')
  )
    return 'image';
  if (head.startsWith('MThd')) return 'midi';
  const text = head.replace(/^(\u00ef\u00bb\u00bf|\u00ff\u00fe|\u00fe\u00ff)/, '').trimStart();
  if (/^<!doctype\s+html|^<html/i.test(text)) return 'html';
  if (text.startsWith('<')) return 'xml';
  if (text.startsWith('{') && /\.json$/i.test(name)) return 'studio';
  if (/^(%abc|[XTKMLQ]:)/m.test(text) || /\.abc$/i.test(name)) return 'abc';
  return 'unknown';
}
