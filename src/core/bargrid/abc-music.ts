/**
 * The music of one voice in ABC: symbols to events and bars. Source: The ABC Music Standard 2.1 (2011), chapters 4 to
 * 6.
 */
import {
  add,
  fraction,
  keyAlter,
  multiply,
  STEPS,
  ZERO,
  type Fraction,
  type Key,
  type Meter,
  type Pitch,
} from '../score';
import { parseAbcKey, parseAbcLength, parseAbcMeter, parseAbcTempo } from './abc-header';
import type { DraftEvent, DraftTempo } from './draft';

type GrowingEvent = { -readonly [K in keyof DraftEvent]: DraftEvent[K] };

export interface AbcBar {
  events: GrowingEvent[];
  length: Fraction;
  meter: Meter | null;
  key: Key | null;
  tempo: DraftTempo | null;
  repeatStart: boolean;
  repeatEnd: number | null;
  endingStart: number[] | null;
  doubleBar: 'light-light' | 'light-heavy' | null;
  segno: boolean;
  coda: boolean;
  toCoda: boolean;
  fine: boolean;
  jump: string | null;
  lineBreak: boolean;
  rehearsal: string | null;
}

export interface AbcVoice {
  readonly bars: AbcBar[];
  key: Key;
  meter: Meter;
  unitLength: Fraction;
  octaveShift: number;
  /** Accidentals in force in the bar, by step and octave. */
  accidentals: Map<string, number>;
  tuplet: { actual: number; normal: number; left: number; started: boolean } | null;
  broken: number;
  pending: Pending;
  /** Where the latest music line began, for the words under it. */
  lineStart: { bar: number; event: number };
  verse: number;
  overlays: number;
}

interface Pending {
  decorations: string[];
  before: { kind: 'dynamic' | 'wedge' | 'words'; text: string }[];
  chordSymbol: string | null;
  graces: Pitch[];
  graceSlash: boolean;
  slurStarts: number;
  fingers: string[];
}

const nothingPending = (): Pending => ({
  decorations: [],
  before: [],
  chordSymbol: null,
  graces: [],
  graceSlash: false,
  slurStarts: 0,
  fingers: [],
});

const emptyBar = (): AbcBar => ({
  events: [],
  length: ZERO,
  meter: null,
  key: null,
  tempo: null,
  repeatStart: false,
  repeatEnd: null,
  endingStart: null,
  doubleBar: null,
  segno: false,
  coda: false,
  toCoda: false,
  fine: false,
  jump: null,
  lineBreak: false,
  rehearsal: null,
});

export function startVoice(key: Key, meter: Meter, unitLength: Fraction, octaveShift: number): AbcVoice {
  return {
    bars: [emptyBar()],
    key,
    meter,
    unitLength,
    octaveShift,
    accidentals: new Map(),
    tuplet: null,
    broken: 0,
    pending: nothingPending(),
    lineStart: { bar: 0, event: 0 },
    verse: 1,
    overlays: 0,
  };
}

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

/** `(p` without numbers: how many notes in the time of how many (ABC 2.1, 4.13); n depends on a compound meter. */
function tupletNormal(actual: number, meter: Meter): number {
  const compound = meter.parts.some((p) => p.groups.reduce((a, b) => a + b, 0) % 3 === 0 && p.unit >= 8);
  switch (actual) {
    case 2:
      return 3;
    case 3:
    case 6:
      return 2;
    case 4:
    case 8:
      return 3;
    default:
      return compound ? 3 : 2;
  }
}

const NOTE = /^(\^{1,2}|_{1,2}|=)?([A-Ga-g])([,']*)/;
const LENGTH = /^(\d{1,3})?(\/+)?(\d{1,3})?/;

function lengthFactor(text: string): { factor: Fraction; used: number } {
  const match = LENGTH.exec(text);
  const [all = '', top, slashes, bottom] = match ?? [];
  if (slashes === undefined && bottom !== undefined)
    return { factor: fraction(Number(`${top ?? ''}${bottom}`)), used: all.length };
  const n = top === undefined ? 1 : Number(top);
  const d = slashes === undefined ? 1 : bottom === undefined ? 2 ** Math.min(slashes.length, 6) : Number(bottom) || 1;
  return { factor: fraction(n, d), used: all.length };
}

export type AbcWarn = (message: string) => void;

class Scanner {
  at = 0;
  constructor(
    readonly text: string,
    readonly voice: AbcVoice,
    readonly warn: AbcWarn,
  ) {}

  get rest(): string {
    return this.text.slice(this.at);
  }

  get bar(): AbcBar {
    const bar = this.voice.bars[this.voice.bars.length - 1];
    if (bar) return bar;
    const fresh = emptyBar();
    this.voice.bars.push(fresh);
    return fresh;
  }

  take(pattern: RegExp): RegExpExecArray | null {
    const match = pattern.exec(this.rest);
    if (match && match.index === 0) {
      this.at += match[0].length;
      return match;
    }
    return null;
  }
}

function readPitch(scanner: Scanner): Pitch | null {
  const match = scanner.take(NOTE);
  if (!match) return null;
  const { voice } = scanner;
  const [, sign, letter = 'C', marks = ''] = match;
  const step = STEPS.find((s) => s === letter.toUpperCase()) ?? 'C';
  let octave = (letter === letter.toUpperCase() ? 4 : 5) + voice.octaveShift;
  for (const mark of marks) octave += mark === "'" ? 1 : -1;
  octave = Math.max(0, Math.min(9, octave));
  const place = `${step}${octave}`;
  let alter = voice.accidentals.get(place) ?? keyAlter(voice.key, step);
  if (sign !== undefined) {
    alter = sign === '=' ? 0 : sign.startsWith('^') ? sign.length : -sign.length;
    voice.accidentals.set(place, alter);
  }
  return { step, alter, octave };
}

function scaleLast(scanner: Scanner, factor: Fraction): void {
  const { bar } = scanner;
  const last = bar.events[bar.events.length - 1];
  if (!last) return;
  const before = last.duration;
  last.duration = multiply(before, factor);
  bar.length = add(bar.length, add(last.duration, { n: -before.n, d: before.d }));
}

function pushEvent(
  scanner: Scanner,
  kind: DraftEvent['kind'],
  pitches: Pitch[],
  tied: boolean[],
  written: Fraction,
): void {
  const { voice, bar } = scanner;
  let duration = multiply(voice.unitLength, written);
  if (voice.broken !== 0) {
    const size = Math.abs(voice.broken);
    const short = fraction(1, 2 ** size);
    const long = fraction(2 ** (size + 1) - 1, 2 ** size);
    duration = multiply(duration, voice.broken > 0 ? short : long);
    voice.broken = 0;
  }
  let tuplet: DraftEvent['tuplet'] = null;
  if (voice.tuplet) {
    const { actual, normal } = voice.tuplet;
    duration = multiply(duration, fraction(normal, actual));
    voice.tuplet.left -= 1;
    tuplet = { actual, normal, edge: voice.tuplet.started ? (voice.tuplet.left === 0 ? 'stop' : 'none') : 'start' };
    voice.tuplet.started = true;
    if (voice.tuplet.left <= 0) voice.tuplet = null;
  }
  const p = voice.pending;
  bar.events.push({
    kind,
    pitches,
    duration,
    tuplet,
    tied,
    graces: p.graces,
    graceSlash: p.graceSlash,
    slurStarts: p.slurStarts,
    slurStops: 0,
    decorations: p.decorations,
    before: p.before,
    chordSymbol: p.chordSymbol,
    fingers: p.fingers,
    lyrics: [],
  });
  voice.pending = nothingPending();
  bar.length = add(bar.length, duration);
}

function readChord(scanner: Scanner): boolean {
  scanner.at += 1;
  const pitches: Pitch[] = [];
  const tied: boolean[] = [];
  let inner = fraction(1);
  let guard = 0;
  while (scanner.at < scanner.text.length && !scanner.rest.startsWith(']') && guard < 60) {
    guard += 1;
    const pitch = readPitch(scanner);
    if (!pitch) {
      if (!scanner.take(/^(![^!\n]{0,40}!|[\s.()])/)) {
        scanner.warn(`the sign "${scanner.rest.slice(0, 1)}" inside a chord is left out`);
        scanner.at += 1;
      }
      continue;
    }
    const { factor, used } = lengthFactor(scanner.rest);
    scanner.at += used;
    if (pitches.length === 0) inner = factor;
    pitches.push(pitch);
    tied.push(scanner.take(/^-/) !== null);
  }
  scanner.take(/^\]/);
  const { factor, used } = lengthFactor(scanner.rest);
  scanner.at += used;
  if (pitches.length === 0) return false;
  const all = scanner.take(/^-/) !== null;
  pushEvent(
    scanner,
    'note',
    pitches,
    tied.map((t) => t || all),
    multiply(inner, factor),
  );
  return true;
}

function readGraces(scanner: Scanner, slash: boolean): void {
  const { voice } = scanner;
  let guard = 0;
  while (scanner.at < scanner.text.length && !scanner.rest.startsWith('}') && guard < 40) {
    guard += 1;
    const pitch = readPitch(scanner);
    if (pitch) {
      voice.pending.graces = [...voice.pending.graces, pitch];
      scanner.at += lengthFactor(scanner.rest).used;
    } else scanner.at += 1;
  }
  scanner.take(/^\}/);
  voice.pending.graceSlash = slash;
}

function decorate(scanner: Scanner, name: string): void {
  const { pending } = scanner.voice;
  const known = DECORATIONS[name];
  if (known !== undefined) pending.decorations.push(known);
  else if (DYNAMICS.has(name)) pending.before.push({ kind: 'dynamic', text: name });
  else if (WEDGES[name] !== undefined) pending.before.push({ kind: 'wedge', text: WEDGES[name] });
  else if (/^[0-5]$/.test(name)) pending.fingers.push(name);
  else if (name === 'segno') scanner.bar.segno = true;
  else if (name === 'coda') scanner.bar.coda = true;
  else if (name === 'dacoda') scanner.bar.toCoda = true;
  else if (name === 'fine') scanner.bar.fine = true;
  else if (/^D\.?[CS]\.?/.test(name)) scanner.bar.jump = name;
  else scanner.warn(`the decoration !${name}! is not known and is left out`);
}

function quoted(scanner: Scanner, text: string): void {
  const { pending } = scanner.voice;
  const placed = /^[\^_<>@]/.test(text);
  if (placed) {
    const words = text.replace(/^[\^_<>@](-?\d+,-?\d+)?\s*/, '');
    if (/^fine$/i.test(words)) scanner.bar.fine = true;
    else if (/^d\.?\s?[cs]\b|^d\.[cs]\./i.test(words)) scanner.bar.jump = words;
    else if (/^to coda$/i.test(words)) scanner.bar.toCoda = true;
    else pending.before.push({ kind: 'words', text: words });
  } else pending.chordSymbol = text;
}

/** Closes the bar at a bar line and opens the next; empty bars (line ends, double signs) are not made. */
function barLine(scanner: Scanner, sign: string): void {
  const { voice } = scanner;
  const closing = scanner.bar;
  const has = closing.events.length > 0;
  const colonsBefore = /^:*/.exec(sign)?.[0].length ?? 0;
  const ends = colonsBefore > 0 || sign === '::';
  const starts = /[|\]]:+$/.test(sign) || /^:+$/.test(sign) || /:\|+:/.test(sign);
  const double = sign.includes(']') || /\[\|/.test(sign) ? 'light-heavy' : /\|\|/.test(sign) ? 'light-light' : null;
  const target = has ? closing : voice.bars[voice.bars.length - 2];
  if (target) {
    if (ends) target.repeatEnd = Math.max(target.repeatEnd ?? 0, colonsBefore === 0 ? 2 : colonsBefore + 1);
    if (double && !ends) target.doubleBar = double;
  }
  if (has) {
    voice.bars.push(emptyBar());
    voice.accidentals = new Map();
  }
  if (starts) scanner.bar.repeatStart = true;
}

function inlineField(scanner: Scanner, letter: string, body: string): void {
  const { voice, bar } = scanner;
  switch (letter) {
    case 'K': {
      const key = parseAbcKey(body);
      if (key) {
        voice.key = key;
        bar.key = key;
      } else scanner.warn(`the key "${body.trim().slice(0, 20)}" cannot be read`);
      return;
    }
    case 'M': {
      const found = parseAbcMeter(body);
      if (found) {
        voice.meter = found.meter;
        bar.meter = found.meter;
      } else scanner.warn(`the meter "${body.trim().slice(0, 20)}" cannot be read`);
      return;
    }
    case 'L':
      voice.unitLength = parseAbcLength(body) ?? voice.unitLength;
      return;
    case 'Q': {
      const tempo = parseAbcTempo(body, voice.unitLength);
      if (tempo) bar.tempo = tempo;
      return;
    }
    case 'P':
      bar.rehearsal = body.trim();
      return;
    case 'r':
    case 'N':
    case 'I':
      return;
    default:
      scanner.warn(`the field ${letter}: is not used inside the music`);
  }
}

/** Reads a `K:`, `M:`, `L:`, `Q:` or `P:` line between music lines. */
export function voiceField(voice: AbcVoice, letter: string, body: string, warn: AbcWarn): void {
  inlineField(new Scanner('', voice, warn), letter, body);
}

/** Reads one line of music into `voice`. Signs that are not known are warned about and left out. */
export function readMusicLine(line: string, voice: AbcVoice, warn: AbcWarn): void {
  const scanner = new Scanner(line, voice, warn);
  voice.lineStart = { bar: voice.bars.length - 1, event: scanner.bar.events.length };
  voice.verse = 1;
  const skipOverlay = { on: false };
  while (scanner.at < line.length) {
    const before = scanner.at;
    readSymbol(scanner, skipOverlay);
    if (scanner.at === before) scanner.at += 1;
  }
}

function readSymbol(scanner: Scanner, overlay: { on: boolean }): void {
  const { voice, warn } = scanner;
  const bars = scanner.take(/^(\[\||:*\|+\]?:*|:{2,}|\|\]:*)/);
  if (bars) {
    overlay.on = false;
    barLine(scanner, bars[0]);
    const ending = scanner.take(/^\s*\[?(\d{1,2}(?:[,-]\d{1,2})*)/);
    if (ending) scanner.bar.endingStart = expandNumbers(ending[1] ?? '');
    return;
  }
  if (overlay.on) {
    scanner.at += 1;
    return;
  }
  const ending = scanner.take(/^\[(\d{1,2}(?:[,-]\d{1,2})*)/);
  if (ending) {
    scanner.bar.endingStart = expandNumbers(ending[1] ?? '');
    return;
  }
  const field = scanner.take(/^\[([A-Za-z]):([^\]]{0,120})\]/);
  if (field) {
    inlineField(scanner, field[1] ?? '', field[2] ?? '');
    return;
  }
  if (scanner.rest.startsWith('[')) {
    if (!readChord(scanner)) warn('an empty chord is left out');
    return;
  }
  const grace = scanner.take(/^\{(\/?)/);
  if (grace) {
    readGraces(scanner, grace[1] === '/');
    return;
  }
  const tuplet = scanner.take(/^\((\d)(?::(\d?))?(?::(\d{0,2}))?/);
  if (tuplet) {
    const actual = Number(tuplet[1]);
    const normal = tuplet[2] ? Number(tuplet[2]) : tupletNormal(actual, voice.meter);
    const count = tuplet[3] ? Number(tuplet[3]) : actual;
    if (actual > 1 && normal > 0 && count > 0) voice.tuplet = { actual, normal, left: count, started: false };
    else warn(`the tuplet (${actual} cannot be read`);
    return;
  }
  const decoration = scanner.take(/^!([^!\n]{1,40})!/) ?? scanner.take(/^\+([a-z]{1,20})\+/);
  if (decoration) {
    decorate(scanner, decoration[1] ?? '');
    return;
  }
  const text = scanner.take(/^"([^"]{0,120})"/);
  if (text) {
    quoted(scanner, text[1] ?? '');
    return;
  }
  if (NOTE.test(scanner.rest)) {
    const pitch = readPitch(scanner);
    const { factor, used } = lengthFactor(scanner.rest);
    scanner.at += used;
    const tie = scanner.take(/^-/) !== null;
    if (pitch) pushEvent(scanner, 'note', [pitch], [tie], factor);
    return;
  }
  const wholeRests = scanner.take(/^[ZX](\d{0,3})/);
  if (wholeRests) {
    const count = Math.min(200, Number(wholeRests[1] || '1'));
    const size = voice.meter.parts.reduce<Fraction>(
      (sum, p) => add(sum, fraction(4 * p.groups.reduce((a, b) => a + b, 0), p.unit)),
      ZERO,
    );
    for (let i = 0; i < count; i += 1) {
      if (i > 0) barLine(scanner, '|');
      pushEvent(
        scanner,
        'rest',
        [],
        [],
        multiply(size.n === 0 ? fraction(4) : size, fraction(voice.unitLength.d, voice.unitLength.n)),
      );
    }
    return;
  }
  const rest = scanner.take(/^[zxn]/);
  if (rest) {
    const { factor, used } = lengthFactor(scanner.rest);
    scanner.at += used;
    const tie = scanner.take(/^-/) !== null;
    pushEvent(
      scanner,
      rest[0] === 'z' ? 'rest' : rest[0] === 'x' ? 'hidden-rest' : 'note',
      [],
      rest[0] === 'n' ? [tie] : [],
      factor,
    );
    return;
  }
  const broken = scanner.take(/^(>{1,3}|<{1,3})/);
  if (broken) {
    const size = broken[0].length;
    const long = fraction(2 ** (size + 1) - 1, 2 ** size);
    const short = fraction(1, 2 ** size);
    const dotsFirst = broken[0].startsWith('>');
    scaleLast(scanner, dotsFirst ? long : short);
    voice.broken = dotsFirst ? size : -size;
    return;
  }
  if (scanner.take(/^\(/)) {
    voice.pending.slurStarts += 1;
    return;
  }
  if (scanner.take(/^\)/)) {
    const last =
      scanner.bar.events[scanner.bar.events.length - 1] ?? voice.bars[voice.bars.length - 2]?.events.slice(-1)[0];
    if (last) last.slurStops += 1;
    return;
  }
  if (scanner.take(/^&/)) {
    if (voice.overlays === 0) warn('a second voice written with & is left out: give it a line of its own with V:');
    voice.overlays += 1;
    overlay.on = true;
    return;
  }
  const short = scanner.take(/^[.~HLMPTuv]/);
  if (short) {
    decorate(scanner, short[0]);
    return;
  }
  if (scanner.take(/^(\s+|`|y\d*|\\|-|\$|[SO*])/)) return;
  warn(`the sign "${scanner.rest.slice(0, 1)}" is not known and is left out`);
  scanner.at += 1;
}

function expandNumbers(text: string): number[] {
  return text.split(',').flatMap((piece) => {
    const [from = 1, to = from] = piece.split('-').map(Number);
    return Array.from({ length: Math.max(1, Math.min(20, to - from + 1)) }, (_, i) => from + i);
  });
}

/** Hangs one `w:` line under the notes of the latest music line (ABC 2.1, chapter 5). */
export function alignWords(words: string, voice: AbcVoice): void {
  const verse = String(voice.verse);
  voice.verse += 1;
  let bar = voice.lineStart.bar;
  let index = voice.lineStart.event - 1;
  const next = (): GrowingEvent | null => {
    for (;;) {
      const events = voice.bars[bar]?.events;
      if (!events) return null;
      index += 1;
      const event = events[index];
      if (!event) {
        bar += 1;
        index = -1;
        if (bar >= voice.bars.length) return null;
      } else if (event.kind === 'note') return event;
    }
  };
  let inside = false;
  for (const token of words.match(/\\-|[^\s\-_*|]+|[-_*|]/g) ?? []) {
    if (token === '|') {
      bar += 1;
      index = -1;
      continue;
    }
    if (token === '-') {
      inside = true;
      continue;
    }
    const event = next();
    if (!event) return;
    if (token === '_' || token === '*') continue;
    const text = token.replace(/~/g, ' ').replace(/\\-/g, '-');
    event.lyrics = [...event.lyrics, { verse, text, syllabic: inside ? 'end' : 'single' }];
    inside = false;
  }
  markBegins(voice, verse);
}

/** A syllable followed by the end of a word is its beginning or middle. */
function markBegins(voice: AbcVoice, verse: string): void {
  const sung = voice.bars.flatMap((b) => b.events).filter((e) => e.lyrics.some((l) => l.verse === verse));
  sung.forEach((event, i) => {
    const following = sung[i + 1]?.lyrics.find((l) => l.verse === verse);
    const joins = following?.syllabic === 'end' || following?.syllabic === 'middle';
    if (!joins) return;
    event.lyrics = event.lyrics.map((l) =>
      l.verse === verse ? { ...l, syllabic: l.syllabic === 'end' || l.syllabic === 'middle' ? 'middle' : 'begin' } : l,
    );
  });
}
