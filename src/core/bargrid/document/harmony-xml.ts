import { escapeXml } from '../../musicxml';

const SUFFIX: readonly (readonly [RegExp, string])[] = [
  [/^(maj7|M7|Δ)$/, 'major-seventh'],
  [/^(m7b5|ø7?)$/, 'half-diminished'],
  [/^(dim7|o7|°7)$/, 'diminished-seventh'],
  [/^(dim|o|°)$/, 'diminished'],
  [/^(m|min|-)7$/, 'minor-seventh'],
  [/^(m|min|-)6$/, 'minor-sixth'],
  [/^(m|min|-)$/, 'minor'],
  [/^7$/, 'dominant'],
  [/^6$/, 'major-sixth'],
  [/^9$/, 'dominant-ninth'],
  [/^(maj9|M9|Δ9)$/, 'major-ninth'],
  [/^(m|min|-)9$/, 'minor-ninth'],
  [/^11$/, 'dominant-11th'],
  [/^13$/, 'dominant-13th'],
  [/^(m|min|-)\(?(maj|M)7\)?$/, 'major-minor'],
  [/^(\+7|aug7|7#5)$/, 'augmented-seventh'],
  [/^(\+|aug)$/, 'augmented'],
  [/^sus2$/, 'suspended-second'],
  [/^sus4?$/, 'suspended-fourth'],
  [/^5$/, 'power'],
  [/^(maj|M)?$/, 'major'],
];

/** A lead-sheet symbol as `<harmony>`; one that cannot be read as words. */
export function harmonyXml(symbol: string): string {
  if (/^n\.? ?c\.?$/i.test(symbol.trim()))
    return '<harmony><root><root-step text="">C</root-step></root><kind text="N.C.">none</kind></harmony>';
  const match = /^([A-G])([#b]?)([^/]*)(?:\/([A-G])([#b]?))?$/.exec(symbol.trim());
  if (!match)
    return `<direction placement="above"><direction-type><words>${escapeXml(symbol)}</words></direction-type></direction>`;
  const [, root = 'C', sign = '', suffix = '', bass, bassSign = ''] = match;
  const alter = (s: string): number => (s === '#' ? 1 : s === 'b' ? -1 : 0);
  const kind = SUFFIX.find(([pattern]) => pattern.test(suffix))?.[1] ?? 'other';
  const alterXml = (name: string, s: string): string => (s === '' ? '' : `<${name}>${alter(s)}</${name}>`);
  return `<harmony><root><root-step>${root}</root-step>${alterXml('root-alter', sign)}</root><kind${suffix === '' ? '' : ` text="${escapeXml(suffix)}"`}>${kind}</kind>${
    bass ? `<bass><bass-step>${bass}</bass-step>${alterXml('bass-alter', bassSign)}</bass>` : ''
  }</harmony>`;
}
