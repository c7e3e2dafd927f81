import { abcText } from './text-strings';
import type { Scanner } from './scanner';

const DECORATIONS: Readonly<Record<string, string>> = {
  '.': 'staccato',
  '~': 'turn',
  H: 'fermata',
  L: 'accent',
  M: 'mordent',
  P: 'inverted-mordent',
  T: 'trill-mark',
  u: 'up-bow',
  v: 'down-bow',
  trill: 'trill-mark',
  lowermordent: 'mordent',
  mordent: 'mordent',
  uppermordent: 'inverted-mordent',
  pralltriller: 'inverted-mordent',
  turn: 'turn',
  invertedturn: 'inverted-turn',
  roll: 'turn',
  accent: 'accent',
  '>': 'accent',
  emphasis: 'accent',
  fermata: 'fermata',
  tenuto: 'tenuto',
  staccato: 'staccato',
  wedge: 'staccatissimo',
  breath: 'breath-mark',
  '^': 'strong-accent',
  marcato: 'strong-accent',
  upbow: 'up-bow',
  downbow: 'down-bow',
  open: 'open-string',
  thumb: 'thumb-position',
  snap: 'snap-pizzicato',
  '+': 'stopped',
  plus: 'stopped',
  arpeggio: 'arpeggiate',
  slide: 'schleifer',
  shortphrase: 'breath-mark',
  mediumphrase: 'breath-mark',
  longphrase: 'breath-mark',
  invertedfermata: 'fermata',
  turnx: 'turn',
  invertedturnx: 'inverted-turn',
  'trill(': 'trill-mark',
};
const DYNAMICS = new Set([
  'pppp',
  'ppp',
  'pp',
  'p',
  'mp',
  'mf',
  'f',
  'ff',
  'fff',
  'ffff',
  'sfz',
  'fp',
  'sf',
  'fz',
  'rfz',
]);
/** Signs of the page about which nothing is played. */
const PASSED_OVER = new Set(['trill)', 'editorial', 'courtesy']);
const WEDGES: Readonly<Record<string, string>> = {
  '<(': 'crescendo',
  'crescendo(': 'crescendo',
  '>(': 'diminuendo',
  'diminuendo(': 'diminuendo',
  '<)': 'wedge-stop',
  'crescendo)': 'wedge-stop',
  '>)': 'wedge-stop',
  'diminuendo)': 'wedge-stop',
};

/** A decoration for the next note, or a sign of its bar. */
export function decorate(scanner: Scanner, name: string): void {
  const { pending } = scanner.voice;
  const known = DECORATIONS[name];
  if (known !== undefined) pending.decorations.push(known);
  else if (DYNAMICS.has(name)) pending.before.push({ kind: 'dynamic', text: name });
  else if (WEDGES[name] !== undefined) pending.before.push({ kind: 'wedge', text: WEDGES[name] });
  else if (/^[0-5]$/.test(name)) pending.fingers.push(name);
  else if (name === 'segno' || name === 'S') scanner.bar.segno = true;
  else if (name === 'coda' || name === 'O') scanner.bar.coda = true;
  else if (name === 'dacapo') scanner.bar.jump = 'D.C.';
  else if (name === 'dacoda') scanner.bar.toCoda = true;
  else if (name === 'fine') scanner.bar.fine = true;
  else if (/^D\.?[CS]\.?/.test(name)) scanner.bar.jump = name;
  else if (!PASSED_OVER.has(name)) scanner.warn(`the decoration !${name}! is not known and is left out`);
}

/** Words in quotation marks: placed ones are words or jumps, others a chord symbol. */
export function quoted(scanner: Scanner, text: string): void {
  const { pending } = scanner.voice;
  const placed = /^[\^_<>@]/.test(text);
  if (placed) {
    const words = abcText(text.replace(/^[\^_<>@](-?\d+,-?\d+)?\s*/, ''));
    if (/^fine$/i.test(words)) scanner.bar.fine = true;
    else if (/^d\.?\s?[cs]\b|^d\.[cs]\./i.test(words)) scanner.bar.jump = words;
    else if (/^to coda$/i.test(words)) scanner.bar.toCoda = true;
    else pending.before.push({ kind: 'words', text: words });
  } else pending.chordSymbol = text;
}
