import {
  decimalFraction,
  writtenMidi,
  type Fraction,
  type Key,
  type Meter,
  type Mode,
  type StringTuning,
  type Transposition,
} from '../../score';
import { midiKey } from '../../units';
import { LIMITS } from '../limits';
import { child, childText, childrenNamed, type XmlElement } from '../xml-tree';
import { integer } from './integer';
import { isStep } from './pitch';
import type { PartState, Warn } from './part-state';
import type { RawAttributes, RawMeasure } from './raw-measure';

const MODES: readonly string[] = [
  'major',
  'minor',
  'dorian',
  'phrygian',
  'lydian',
  'mixolydian',
  'aeolian',
  'ionian',
  'locrian',
  'none',
];

function readKey(element: XmlElement, warn: Warn): Key {
  const mode = childText(element, 'mode') ?? null;
  const known = mode !== null && MODES.includes(mode) ? (mode as Mode) : null;
  const text = childText(element, 'fifths');
  if (text === undefined) return { fifths: 0, mode: known };
  const fifths = integer(text);
  if (fifths === null || Math.abs(fifths) > 11) {
    warn('bad-key', `the key "${text.slice(0, 20)}" is not a number of sharps or flats; read as no accidentals`);
    return { fifths: 0, mode: known };
  }
  return { fifths, mode: known };
}

function readMeter(element: XmlElement, warn: Warn): Meter | null {
  if (child(element, 'senza-misura')) return { parts: [], symbol: null };
  const beats = childrenNamed(element, 'beats').map((b) => b.text.replace(/\s+/g, ''));
  const units = childrenNamed(element, 'beat-type').map((b) => integer(b.text));
  const parts = beats.map((text, i) => ({ groups: text.split('+').map((g) => integer(g) ?? 0), unit: units[i] ?? 0 }));
  const good =
    parts.length > 0 &&
    parts.length <= 8 &&
    parts.every((p) => p.groups.every((g) => g >= 1 && g <= 256) && [1, 2, 4, 8, 16, 32, 64, 128].includes(p.unit));
  if (!good) {
    warn(
      'bad-meter',
      `the meter ${beats.join('+').slice(0, 20)}/${units.join('+').slice(0, 20)} cannot be read; the one before it holds`,
    );
    return null;
  }
  const symbol = element.attributes['symbol'];
  return { parts, symbol: symbol === 'common' || symbol === 'cut' ? symbol : null };
}

function readTranspose(element: XmlElement): Transposition {
  return {
    diatonic: integer(childText(element, 'diatonic')) ?? 0,
    chromatic: Math.max(-60, Math.min(60, integer(childText(element, 'chromatic')) ?? 0)),
    octaveChange: Math.max(-5, Math.min(5, integer(childText(element, 'octave-change')) ?? 0)),
  };
}

/** Kinds of staves whose music is not played as it stands. */
const ASIDE_STAVES: Readonly<Record<string, 'ossia' | 'cue'>> = { ossia: 'ossia', cue: 'cue' };

/** The strings that `<staff-details>` says, from the top line down; null where it says none. */
function readTuning(details: XmlElement, staff: number, state: PartState): StringTuning | null {
  const capo = integer(childText(details, 'capo'));
  if (capo !== null && capo >= 0 && capo <= LIMITS.frets) state.capos.set(staff, capo);
  const lines = childrenNamed(details, 'staff-tuning').flatMap((t) => {
    const step = childText(t, 'tuning-step') ?? '';
    const octave = integer(childText(t, 'tuning-octave'));
    const alter = Number(childText(t, 'tuning-alter') ?? '0');
    const line = integer(t.attributes['line']);
    return isStep(step) && octave !== null && line !== null && Number.isInteger(alter)
      ? [{ line, key: writtenMidi({ step, alter, octave }) }]
      : [];
  });
  if (lines.length === 0) return null;
  const keys = [...lines].sort((a, b) => b.line - a.line).map((l) => midiKey(l.key));
  return { staff, keys, capo: state.capos.get(staff) ?? 0 };
}

/** Reads `<attributes>`; `state` is changed as they change it. */
export function readAttributes(element: XmlElement, onset: Fraction, state: PartState, warn: Warn): RawAttributes {
  const out: { -readonly [K in keyof RawAttributes]: RawAttributes[K] } = { onset };
  const divisions = childText(element, 'divisions');
  if (divisions !== undefined) {
    const value = decimalFraction(divisions);
    if (value === null || value.n <= 0 || value.n / value.d > LIMITS.divisions) {
      warn(
        'bad-divisions',
        `divisions "${divisions.slice(0, 20)}" cannot be used; lengths are taken from the note values`,
      );
      state.divisions = null;
    } else {
      state.divisions = value;
      out.divisions = divisions;
    }
  }
  const staves = integer(childText(element, 'staves'));
  if (staves !== null) {
    if (staves < 1 || staves > LIMITS.staves)
      warn('bad-staves', `${staves} staves are not possible; the number is ignored`);
    else state.staves = Math.max(state.staves, staves);
  }
  const keys = childrenNamed(element, 'key');
  if (keys.length > 0) {
    out.keys = keys.map((k) => ({ staff: integer(k.attributes['number']), key: readKey(k, warn) }));
    state.key = out.keys[0]?.key ?? state.key;
  }
  const time = child(element, 'time');
  const meter = time ? readMeter(time, warn) : null;
  if (meter) {
    out.meter = meter;
    state.meter = meter;
  }
  const clefs = childrenNamed(element, 'clef');
  if (clefs.length > 0)
    out.clefs = clefs.map((c) => ({
      staff: integer(c.attributes['number']) ?? 1,
      clef: {
        sign: childText(c, 'sign') ?? 'G',
        line: integer(childText(c, 'line')) ?? 2,
        octaveChange: integer(childText(c, 'clef-octave-change')) ?? 0,
      },
    }));
  const tunings: StringTuning[] = [];
  for (const details of childrenNamed(element, 'staff-details')) {
    const staff = integer(details.attributes['number']) ?? 1;
    const type = childText(details, 'staff-type');
    const aside = type === undefined ? undefined : ASIDE_STAVES[type];
    if (aside !== undefined) state.asideStaves.set(staff, aside);
    else if (type !== undefined) state.asideStaves.delete(staff);
    const tuning = readTuning(details, staff, state);
    if (tuning) tunings.push(tuning);
  }
  if (tunings.length > 0) out.tunings = tunings;
  for (const style of childrenNamed(element, 'measure-style')) {
    const slash = child(style, 'slash');
    if (slash) state.slashes = slash.attributes['type'] === 'start';
  }
  const forPart = child(element, 'for-part');
  const partTranspose = forPart ? child(forPart, 'part-transpose') : undefined;
  if (partTranspose) out.playerTranspose = readTranspose(partTranspose);
  for (const t of childrenNamed(element, 'transpose')) {
    const value = readTranspose(t);
    const staff = integer(t.attributes['number']);
    if (staff === null) {
      state.transpose = value;
      state.transposeByStaff = new Map();
    } else state.transposeByStaff.set(staff, value);
    out.transpose = value;
  }
  return out;
}

/** The bar-repeat sign among attributes; undefined where there is none. */
export function readBarRepeat(element: XmlElement): RawMeasure['barRepeat'] | undefined {
  const style = child(element, 'measure-style');
  const sign = style ? child(style, 'measure-repeat') : undefined;
  switch (sign?.attributes['type']) {
    case 'start':
      return { role: 'start', size: Math.max(1, Math.min(8, integer(sign.text) ?? 1)) };
    case 'stop':
      return { role: 'stop' };
    default:
      return undefined;
  }
}
