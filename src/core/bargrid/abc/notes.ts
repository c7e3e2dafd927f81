import { add, fraction, keyAlter, multiply, STEPS, type Fraction, type Pitch } from '../../score';
import type { DraftEvent } from '../draft';
import { decorate } from './decorations';
import type { Scanner } from './scanner';
import { nothingPending } from './voice';

/** A letter with its accidental and octave marks. */
export const NOTE = /^(\^{1,2}|_{1,2}|=)?([A-Ga-g])([,']*)/;
const LENGTH = /^(\d{1,3})?(\/+)?(\d{1,3})?/;

/** The length behind a note as a factor of the unit, and how many characters it takes: `3/2`, `/`, `2`. */
export function lengthFactor(text: string): { factor: Fraction; used: number } {
  const match = LENGTH.exec(text);
  const [all = '', top, slashes, bottom] = match ?? [];
  if (slashes === undefined && bottom !== undefined)
    return { factor: fraction(Number(`${top ?? ''}${bottom}`)), used: all.length };
  const n = top === undefined ? 1 : Number(top);
  const d = slashes === undefined ? 1 : bottom === undefined ? 2 ** Math.min(slashes.length, 6) : Number(bottom) || 1;
  return { factor: fraction(n, d), used: all.length };
}

/** Reads a pitch at the scanner; accidentals hold to the end of the bar. */
export function readPitch(scanner: Scanner): Pitch | null {
  const match = scanner.take(NOTE);
  if (!match) return null;
  const { voice } = scanner;
  const [, sign, letter = 'C', marks = ''] = match;
  const step = STEPS.find((s) => s === letter.toUpperCase()) ?? 'C';
  let octave = (letter === letter.toUpperCase() ? 4 : 5) + voice.octaveShift;
  for (const mark of marks) octave += mark === "'" ? 1 : -1;
  octave = Math.max(0, Math.min(9, octave));
  const place = `${step}${octave}`;
  // A note tied over the bar line keeps the accidental of the one before it.
  let alter =
    voice.accidentals.get(place) ?? voice.tiedOver.get(place) ?? voice.keySigns.get(step) ?? keyAlter(voice.key, step);
  if (sign !== undefined) {
    alter = sign === '=' ? 0 : sign.startsWith('^') ? sign.length : -sign.length;
    voice.accidentals.set(place, alter);
  }
  return { step, alter, octave };
}

/** Makes the last note longer or shorter. */
export function scaleLast(scanner: Scanner, factor: Fraction): void {
  const { bar } = scanner;
  const last = bar.events[bar.events.length - 1];
  if (!last) return;
  const before = last.duration;
  last.duration = multiply(before, factor);
  bar.length = add(bar.length, add(last.duration, { n: -before.n, d: before.d }));
}

/** Puts a note, chord or rest into the bar, with all that waited for it. */
export function pushEvent(
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
    joined: voice.joined,
  });
  voice.joined = true;
  voice.tiedOver = new Map(
    pitches.flatMap((p2, i) => (tied[i] === true ? [[`${p2.step}${p2.octave}`, p2.alter]] : [])),
  );
  voice.pending = nothingPending();
  bar.length = add(bar.length, duration);
}

/** Reads `[CEG]`; false where no note is in it. */
export function readChord(scanner: Scanner): boolean {
  scanner.at += 1;
  const pitches: Pitch[] = [];
  const tied: boolean[] = [];
  let inner = fraction(1);
  let guard = 0;
  while (scanner.at < scanner.text.length && !scanner.rest.startsWith(']') && guard < 60) {
    guard += 1;
    const pitch = readPitch(scanner);
    if (!pitch) {
      const decoration = scanner.take(/^!([^!\n]{1,40})!/);
      if (decoration) decorate(scanner, decoration[1] ?? '');
      else if (!scanner.take(/^[\s.()]/)) {
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

/** Reads grace notes up to `}`. */
export function readGraces(scanner: Scanner, slash: boolean): void {
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
