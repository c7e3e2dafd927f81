/**
 * The music of one voice in ABC: symbols to events and bars. Source: The ABC Music Standard 2.1 (2011), chapters 4 to
 * 6.
 */
import { add, fraction, multiply, ZERO, type Fraction, type Meter } from '../../score';
import { barLine, expandNumbers } from './bar-lines';
import { decorate, quoted } from './decorations';
import { inlineField } from './fields';
import { lengthFactor, NOTE, pushEvent, readChord, readGraces, readPitch, scaleLast } from './notes';
import { Scanner, type AbcWarn } from './scanner';
import type { AbcVoice } from './voice';

const MOST_BARS_OF_REST = 200;

/** 6/8, 9/8, 12/8; 3/8 has one beat of three but is no compound meter in the standard. */
function isCompound({ groups, unit }: Meter['parts'][number]): boolean {
  const beats = groups.reduce((a, b) => a + b, 0);
  return unit >= 8 && beats > 3 && beats % 3 === 0;
}

/** `(p` without numbers: how many notes in the time of how many (ABC 2.1, 4.13); n depends on a compound meter. */
function tupletNormal(actual: number, meter: Meter): number {
  const compound = meter.parts.some((p) => isCompound(p));
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

/** Notes behind `&` belong to a second voice and are passed over. */
interface Overlay {
  on: boolean;
}

/** One sign of the music: true where it was there and has been read. */
type Reader = (scanner: Scanner, overlay: Overlay) => boolean;

const ENDING = String.raw`(\d{1,2}(?:[,-]\d{1,2})*)`;

function readBarLine(scanner: Scanner, overlay: Overlay): boolean {
  const bars = scanner.take(/^(\[\|\]|\.?\|+\]?:*|\[\||:*\|+\]?:*|:{2,}|\|\]:*)/);
  if (!bars) return false;
  overlay.on = false;
  barLine(scanner, bars[0]);
  const ending = scanner.take(new RegExp(`^\\s*\\[?${ENDING}`));
  if (ending) scanner.bar.endingStart = expandNumbers(ending[1] ?? '');
  return true;
}

function skipOverlay(scanner: Scanner, overlay: Overlay): boolean {
  if (overlay.on) scanner.at += 1;
  return overlay.on;
}

function readEnding(scanner: Scanner): boolean {
  const ending = scanner.take(new RegExp(`^\\[${ENDING}`));
  if (ending) scanner.bar.endingStart = expandNumbers(ending[1] ?? '');
  return ending !== null;
}

/** `[K:G]` and its like, else a chord. */
function readBracket(scanner: Scanner): boolean {
  const field = scanner.take(/^\[([A-Za-z]):([^\]]{0,120})\]/);
  if (field) {
    inlineField(scanner, field[1] ?? '', field[2] ?? '');
    return true;
  }
  if (!scanner.rest.startsWith('[')) return false;
  if (!readChord(scanner)) scanner.warn('an empty chord is left out');
  return true;
}

function readGraceGroup(scanner: Scanner): boolean {
  const grace = scanner.take(/^\{(\/?)/);
  if (grace) readGraces(scanner, grace[1] === '/');
  return grace !== null;
}

function readTuplet(scanner: Scanner): boolean {
  const { voice, warn } = scanner;
  const tuplet = scanner.take(/^\((\d)(?::(\d?))?(?::(\d{0,2}))?/);
  if (!tuplet) return false;
  const actual = Number(tuplet[1]);
  const normal = tuplet[2] ? Number(tuplet[2]) : tupletNormal(actual, voice.meter);
  const count = tuplet[3] ? Number(tuplet[3]) : actual;
  if (actual > 1 && normal > 0 && count > 0) voice.tuplet = { actual, normal, left: count, started: false };
  else warn(`the tuplet (${actual} cannot be read`);
  return true;
}

function readDecoration(scanner: Scanner): boolean {
  const decoration = scanner.take(/^!([^!\n]{1,40})!/) ?? scanner.take(/^\+([a-z]{1,20})\+/);
  if (decoration) decorate(scanner, decoration[1] ?? '');
  return decoration !== null;
}

function readQuoted(scanner: Scanner): boolean {
  const text = scanner.take(/^"([^"]{0,120})"/);
  if (text) quoted(scanner, text[1] ?? '');
  return text !== null;
}

/** The length behind a sign and whether it is tied on. */
function lengthAndTie(scanner: Scanner): { readonly factor: Fraction; readonly tied: boolean } {
  const { factor, used } = lengthFactor(scanner.rest);
  scanner.at += used;
  return { factor, tied: scanner.take(/^-/) !== null };
}

function readNote(scanner: Scanner): boolean {
  if (!NOTE.test(scanner.rest)) return false;
  const pitch = readPitch(scanner);
  const { factor, tied } = lengthAndTie(scanner);
  if (pitch) pushEvent(scanner, 'note', [pitch], [tied], factor);
  return true;
}

/** `Z4`: whole bars of rest. */
function readBarsOfRest(scanner: Scanner): boolean {
  const { voice } = scanner;
  const rests = scanner.take(/^[ZX](\d{0,3})/);
  if (!rests) return false;
  const count = Math.min(MOST_BARS_OF_REST, Number(rests[1] || '1'));
  const size = voice.meter.parts.reduce<Fraction>(
    (sum, p) => add(sum, fraction(4 * p.groups.reduce((a, b) => a + b, 0), p.unit)),
    ZERO,
  );
  const inUnits = multiply(size.n === 0 ? fraction(4) : size, fraction(voice.unitLength.d, voice.unitLength.n));
  for (let i = 0; i < count; i += 1) {
    if (i > 0) barLine(scanner, '|');
    pushEvent(scanner, 'rest', [], [], inUnits);
  }
  return true;
}

/** `z`, `x` that is not seen, and `n`, a note without a pitch. */
function readRest(scanner: Scanner): boolean {
  const rest = scanner.take(/^[zxn]/);
  if (!rest) return false;
  const { factor, tied } = lengthAndTie(scanner);
  const kind = rest[0] === 'z' ? 'rest' : rest[0] === 'x' ? 'hidden-rest' : 'note';
  pushEvent(scanner, kind, [], kind === 'note' ? [tied] : [], factor);
  return true;
}

/** `a>b`: one note longer, its neighbour shorter by as much. */
function readBroken(scanner: Scanner): boolean {
  const broken = scanner.take(/^(>{1,3}|<{1,3})/);
  if (!broken) return false;
  const size = broken[0].length;
  const dotsFirst = broken[0].startsWith('>');
  scaleLast(scanner, dotsFirst ? fraction(2 ** (size + 1) - 1, 2 ** size) : fraction(1, 2 ** size));
  scanner.voice.broken = dotsFirst ? size : -size;
  return true;
}

function readSlur(scanner: Scanner): boolean {
  const { voice, bar } = scanner;
  if (scanner.take(/^\(/)) {
    voice.pending.slurStarts += 1;
    return true;
  }
  if (!scanner.take(/^\)/)) return false;
  const last = bar.events[bar.events.length - 1] ?? voice.bars[voice.bars.length - 2]?.events.slice(-1)[0];
  if (last) last.slurStops += 1;
  return true;
}

function readOverlay(scanner: Scanner, overlay: Overlay): boolean {
  const { voice, warn } = scanner;
  if (!scanner.take(/^&/)) return false;
  if (voice.overlays === 0) warn('a second voice written with & is left out: give it a line of its own with V:');
  voice.overlays += 1;
  overlay.on = true;
  return true;
}

function readShortDecoration(scanner: Scanner): boolean {
  const short = scanner.take(/^[.~HLMOPSTuv]/);
  if (short) decorate(scanner, short[0]);
  return short !== null;
}

function readSpace(scanner: Scanner): boolean {
  const space = scanner.take(/^(\s+|`|y\d*|\\|-|\$|\*|\.(?=\((?!\d)|-))/);
  if (space && /^\s/.test(space[0])) scanner.voice.joined = false;
  return space !== null;
}

function leaveOut(scanner: Scanner): boolean {
  scanner.warn(`the sign "${scanner.rest.slice(0, 1)}" is not known and is left out`);
  scanner.at += 1;
  return true;
}

/** In this order: the first that finds its sign reads it. */
const READERS: readonly Reader[] = [
  readBarLine,
  skipOverlay,
  readEnding,
  readBracket,
  readGraceGroup,
  readTuplet,
  readDecoration,
  readQuoted,
  readSpace,
  readNote,
  readBarsOfRest,
  readRest,
  readBroken,
  readSlur,
  readOverlay,
  readShortDecoration,
  leaveOut,
];

/** Reads one line of music into `voice`. Signs that are not known are warned about and left out. */
export function readMusicLine(line: string, voice: AbcVoice, warn: AbcWarn): void {
  const scanner = new Scanner(line, voice, warn);
  voice.lineStart = { bar: voice.bars.length - 1, event: scanner.bar.events.length };
  voice.verse = 1;
  voice.joined = false;
  const overlay: Overlay = { on: false };
  while (scanner.at < line.length) {
    const before = scanner.at;
    READERS.some((read) => read(scanner, overlay));
    if (scanner.at === before) scanner.at += 1;
  }
}
