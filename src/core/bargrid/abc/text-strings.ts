/** Text in ABC fields (standard 2.1, section 8.2): accents written with a backslash, entities, code points. */
const COMBINING: Readonly<Record<string, string>> = {
  '`': '\u0300',
  "'": '\u0301',
  '^': '\u0302',
  '~': '\u0303',
  '"': '\u0308',
  c: '\u0327',
  v: '\u030C',
  u: '\u0306',
  H: '\u030B',
};
const LIGATURES: Readonly<Record<string, string>> = {
  aa: 'å',
  AA: 'Å',
  ae: 'æ',
  AE: 'Æ',
  oe: 'œ',
  OE: 'Œ',
  ss: 'ß',
  '/o': 'ø',
  '/O': 'Ø',
};
const ENTITY: Readonly<Record<string, string>> = {
  grave: '\u0300',
  acute: '\u0301',
  circ: '\u0302',
  tilde: '\u0303',
  uml: '\u0308',
  cedil: '\u0327',
};
const NAMED: Readonly<Record<string, string>> = {
  amp: '&',
  copy: '©',
  szlig: 'ß',
  aelig: 'æ',
  oslash: 'ø',
  aring: 'å',
};

/**
 * A text string as it is read: `F\"ur` is Für.
 *
 * @example abcText("Caf\\'e") // → 'Café'
 */
export const abcText = (text: string): string =>
  text
    .replace(/\\(aa|AA|ae|AE|oe|OE|ss|\/o|\/O)/g, (all, name: string) => LIGATURES[name] ?? all)
    .replace(/\\([`'^~"cvuH])([A-Za-z])/g, (_, sign: string, letter: string) =>
      `${letter}${COMBINING[sign] ?? ''}`.normalize('NFC'),
    )
    .replace(/&([A-Za-z])(grave|acute|circ|tilde|uml|cedil);/g, (_, letter: string, name: string) =>
      `${letter}${ENTITY[name] ?? ''}`.normalize('NFC'),
    )
    .replace(/&(amp|copy|szlig|aelig|oslash|aring);/g, (all, name: string) => NAMED[name] ?? all)
    .replace(/\\u([0-9A-Fa-f]{4})/g, (_, code: string) => String.fromCharCode(parseInt(code, 16)));
