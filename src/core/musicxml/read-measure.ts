/**
 * One `<measure>` (or, timewise, one `<part>` of a measure) to events with exact times inside the bar.
 * Source: MusicXML 4.0 specification (W3C Community Group, 2021).
 */
import {
  add,
  compare,
  decimalFraction,
  fraction,
  max,
  multiply,
  subtract,
  ZERO,
  type Fraction,
  meterQuarters,
  type Clef,
  type Jump,
  type Key,
  type Lyric,
  type Meter,
  type Mode,
  type NoteMarks,
  type Pitch,
  type Step,
  type TieRole,
  type TimeModification,
  type Transposition,
} from '../score';
import { LIMITS } from './limits';
import { child, childText, childrenNamed, type XmlElement } from './xml-tree';

export interface RawNote {
  readonly kind: 'note' | 'rest';
  readonly writtenId: string | null;
  readonly sourceIndex: number;
  readonly staff: number;
  readonly voice: string;
  /** Quarters from the start of the bar. */
  readonly onset: Fraction;
  readonly duration: Fraction;
  readonly value: string | null;
  readonly dots: number;
  readonly timeModification: TimeModification | null;
  readonly pitch: Pitch | null;
  readonly midiUnpitched: number | null;
  readonly grace: { readonly slash: boolean } | null;
  readonly cue: boolean;
  readonly chord: boolean;
  readonly tie: TieRole | null;
  readonly wholeBar: boolean;
  readonly marks: NoteMarks;
  /** Semitones to the sounding pitch. */
  readonly transposed: number;
}

export type RawDirection = { readonly staff: number | null; readonly onset: Fraction } & (
  | { readonly kind: 'dynamic'; readonly level: string }
  | { readonly kind: 'wedge'; readonly role: 'crescendo' | 'diminuendo' | 'stop'; readonly number: string }
  | { readonly kind: 'words'; readonly text: string }
  | { readonly kind: 'rehearsal'; readonly text: string }
  | { readonly kind: 'pedal'; readonly role: string }
  | { readonly kind: 'ottava'; readonly role: string; readonly size: number }
);

export interface RawTempo {
  readonly onset: Fraction;
  /** Quarters a minute, or the two notes of a metric modulation (old length, new length in quarters). */
  readonly tempo: { readonly bpm: number } | { readonly old: Fraction; readonly fresh: Fraction };
  readonly printed: { readonly unit: string; readonly dots: number; readonly text: string } | null;
}

export interface RawAttributes {
  readonly onset: Fraction;
  readonly divisions?: string;
  readonly keys?: readonly { readonly staff: number | null; readonly key: Key }[];
  readonly meter?: Meter;
  readonly clefs?: readonly { readonly staff: number; readonly clef: Clef }[];
  readonly transpose?: Transposition;
}

export interface RawSigns {
  repeatStart: boolean;
  repeatEnd: number | null;
  endingStart: readonly number[] | null;
  endingStop: boolean;
  segno: string | null;
  /** A coda sign whose sound says it is the coda itself. */
  coda: string | null;
  /** A coda sign that does not say whether it leads or is the goal. */
  codaGlyph: boolean;
  toCoda: boolean;
  fine: boolean;
  jump: Jump | null;
  doubleBar: 'light-light' | 'light-heavy' | null;
}

export interface RawMeasure {
  readonly events: readonly RawNote[];
  readonly directions: readonly RawDirection[];
  readonly tempos: readonly RawTempo[];
  readonly chords: readonly { readonly onset: Fraction; readonly text: string }[];
  readonly attributes: readonly RawAttributes[];
  readonly signs: RawSigns;
  /** How far the fullest voice reaches, in quarters. */
  readonly length: Fraction;
  readonly lineBreak: boolean;
  readonly hasBeams: boolean;
  /** A bar-repeat sign begins here, covering so many bars at a time, or ends before this bar. */
  readonly barRepeat: { readonly role: 'start'; readonly size: number } | { readonly role: 'stop' } | null;
}

/** What a part carries from bar to bar; replaced, never shared between parts. */
export interface PartState {
  divisions: Fraction | null;
  meter: Meter;
  key: Key;
  transpose: Transposition;
  transposeByStaff: Map<number, Transposition>;
  staves: number;
  unpitched: ReadonlyMap<string, number>;
}

export type Warn = (code: string, message: string) => void;

const NO_TRANSPOSE: Transposition = { diatonic: 0, chromatic: 0, octaveChange: 0 };

export const startState = (unpitched: ReadonlyMap<string, number> = new Map()): PartState => ({
  divisions: null,
  meter: { parts: [{ groups: [4], unit: 4 }], symbol: null },
  key: { fifths: 0, mode: null },
  transpose: NO_TRANSPOSE,
  transposeByStaff: new Map(),
  staves: 1,
  unpitched,
});

const NO_MARKS: NoteMarks = {
  fingers: [],
  strings: [],
  frets: [],
  technical: [],
  articulations: [],
  ornaments: [],
  slurs: [],
  lyrics: [],
  dynamics: [],
  fermata: false,
  arpeggiate: false,
};

/** Written values in quarters. */
const VALUE_QUARTERS: Readonly<Record<string, Fraction>> = {
  maxima: { n: 32, d: 1 },
  long: { n: 16, d: 1 },
  breve: { n: 8, d: 1 },
  whole: { n: 4, d: 1 },
  half: { n: 2, d: 1 },
  quarter: { n: 1, d: 1 },
  eighth: { n: 1, d: 2 },
  '16th': { n: 1, d: 4 },
  '32nd': { n: 1, d: 8 },
  '64th': { n: 1, d: 16 },
  '128th': { n: 1, d: 32 },
  '256th': { n: 1, d: 64 },
};

/** A written value with dots in quarters: dotted quarter 3/2, double-dotted half 7/2; null for an unknown value. */
export function valueQuarters(value: string, dots: number, modification: TimeModification | null): Fraction | null {
  const base = VALUE_QUARTERS[value];
  if (!base) return null;
  const factor = 2 ** Math.min(dots, 4);
  const dotted = multiply(base, fraction(2 * factor - 1, factor));
  return modification ? multiply(dotted, fraction(modification.normal, modification.actual)) : dotted;
}

const integer = (text: string | undefined): number | null => {
  if (text === undefined || !/^\s*[+-]?\d{1,9}\s*$/.test(text)) return null;
  return Number(text);
};

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

function readAttributes(element: XmlElement, onset: Fraction, state: PartState, warn: Warn): RawAttributes {
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

const STEP = /^[A-G]$/;

function readPitch(element: XmlElement, warn: Warn): Pitch | null {
  const step = childText(element, 'step') ?? '';
  const octave = integer(childText(element, 'octave'));
  const alterText = childText(element, 'alter');
  const alter = alterText === undefined ? 0 : Number(alterText);
  if (
    !STEP.test(step) ||
    octave === null ||
    octave < 0 ||
    octave > 9 ||
    !Number.isFinite(alter) ||
    Math.abs(alter) > 3
  ) {
    warn(
      'bad-pitch',
      `a note has the pitch "${step.slice(0, 8)}${alter || ''} octave ${childText(element, 'octave')?.slice(0, 8) ?? '?'}", which does not exist; it is kept without a pitch`,
    );
    return null;
  }
  return { step: step as Step, alter, octave };
}

function readLyric(element: XmlElement): Lyric {
  const syllabic = childText(element, 'syllabic');
  return {
    verse: element.attributes['number'] ?? '1',
    text: childrenNamed(element, 'text')
      .map((t) => t.text)
      .join(' '),
    syllabic: syllabic === 'begin' || syllabic === 'middle' || syllabic === 'end' ? syllabic : 'single',
  };
}

function readMarks(note: XmlElement): { marks: NoteMarks; tied: readonly string[] } {
  const notations = childrenNamed(note, 'notations');
  const lyrics = childrenNamed(note, 'lyric');
  if (notations.length === 0 && lyrics.length === 0) return { marks: NO_MARKS, tied: [] };
  const fingers: string[] = [];
  const strings: number[] = [];
  const frets: number[] = [];
  const technical: string[] = [];
  const articulations: string[] = [];
  const ornaments: { kind: string; accidentals: string[] }[] = [];
  const slurs: { role: 'start' | 'continue' | 'stop'; number: string }[] = [];
  const dynamics: string[] = [];
  const tied: string[] = [];
  let fermata = false;
  let arpeggiate = false;
  for (const group of notations)
    for (const mark of group.children)
      switch (mark.name) {
        case 'tied':
          tied.push(mark.attributes['type'] ?? '');
          break;
        case 'slur': {
          const role = mark.attributes['type'];
          if (role === 'start' || role === 'stop' || role === 'continue')
            slurs.push({ role, number: mark.attributes['number'] ?? '1' });
          break;
        }
        case 'articulations':
          for (const a of mark.children) articulations.push(a.name);
          break;
        case 'ornaments':
          for (const o of mark.children)
            if (o.name === 'accidental-mark') ornaments[ornaments.length - 1]?.accidentals.push(o.text.trim());
            else if (o.name !== 'wavy-line') ornaments.push({ kind: o.name, accidentals: [] });
          break;
        case 'technical':
          for (const t of mark.children)
            if (t.name === 'fingering') fingers.push(t.text.trim());
            else if (t.name === 'string') strings.push(integer(t.text) ?? 0);
            else if (t.name === 'fret') frets.push(integer(t.text) ?? 0);
            else technical.push(t.name);
          break;
        case 'dynamics':
          for (const d of mark.children) dynamics.push(d.name === 'other-dynamics' ? d.text.trim() : d.name);
          break;
        case 'fermata':
          fermata = true;
          break;
        case 'arpeggiate':
          arpeggiate = true;
          break;
        default:
          break;
      }
  return {
    marks: {
      fingers,
      strings,
      frets,
      technical,
      articulations,
      ornaments,
      slurs,
      lyrics: lyrics.map(readLyric),
      dynamics,
      fermata,
      arpeggiate,
    },
    tied,
  };
}

function tieRole(note: XmlElement, tied: readonly string[]): TieRole | null {
  const roles = childrenNamed(note, 'tie').map((t) => t.attributes['type'] ?? '');
  const all = roles.length > 0 ? roles : tied;
  const starts = all.includes('start');
  const stops = all.includes('stop');
  if (starts && stops) return 'continue';
  if (all.includes('continue')) return 'continue';
  return starts ? 'start' : stops ? 'stop' : null;
}

/** `1, 2`, `1-3`, `2.`: the numbers an ending names, each at most 99. */
export function endingNumbers(text: string): number[] {
  const numbers = new Set<number>();
  for (const piece of text.match(/\d{1,2}\s*-\s*\d{1,2}|\d{1,2}/g) ?? []) {
    const [from = 0, to = from] = piece.split('-').map(Number);
    for (let n = from; n <= to; n += 1) if (n > 0) numbers.add(n);
  }
  return [...numbers];
}

const DOT = /\./g;

/** Reads "D.C. al Fine", "dal segno al coda", "D.S. con rep." and their like; null for other words. */
export function jumpFromWords(words: string): Jump | null {
  const text = words.toLowerCase().replace(DOT, '').replace(/\s+/g, ' ').trim();
  const kind = /^(d ?c|da capo)\b/.test(text) ? 'dacapo' : /^(d ?s|dal segno|d ?%)\b/.test(text) ? 'dalsegno' : null;
  if (!kind) return null;
  const until = /\bal fine\b/.test(text)
    ? 'fine'
    : /\bal (coda|o)\b|e poi la coda|then coda/.test(text)
      ? 'coda'
      : null;
  const withRepeats = /\b(con rep|with repeats|con ripetizione|con replica)/.test(text);
  return { kind, until, to: null, withRepeats };
}

interface Cursor {
  at: Fraction;
  reach: Fraction;
}

function readSound(sound: XmlElement, onset: Fraction, signs: RawSigns, tempos: RawTempo[], warn: Warn): boolean {
  const a = sound.attributes;
  let saidTempo = false;
  if (a['tempo'] !== undefined) {
    const bpm = Number(a['tempo']);
    if (Number.isFinite(bpm) && bpm >= 1 && bpm <= 2000) {
      tempos.push({ onset, tempo: { bpm }, printed: null });
      saidTempo = true;
    } else warn('bad-tempo', `a tempo of "${a['tempo'].slice(0, 20)}" is ignored`);
  }
  if (a['dacapo'] === 'yes')
    signs.jump = {
      kind: 'dacapo',
      until: signs.jump?.until ?? null,
      to: null,
      withRepeats: signs.jump?.withRepeats ?? false,
    };
  if (a['dalsegno'] !== undefined)
    signs.jump = {
      kind: 'dalsegno',
      until: signs.jump?.until ?? null,
      to: a['dalsegno'],
      withRepeats: signs.jump?.withRepeats ?? false,
    };
  if (a['segno'] !== undefined) signs.segno = a['segno'];
  if (a['coda'] !== undefined) signs.coda = a['coda'];
  if (a['tocoda'] !== undefined) signs.toCoda = true;
  if (a['fine'] !== undefined) signs.fine = true;
  return saidTempo;
}

function readMetronome(element: XmlElement, onset: Fraction): RawTempo | null {
  const units: { unit: string; dots: number }[] = [];
  for (const c of element.children) {
    const last = units[units.length - 1];
    if (c.name === 'beat-unit') units.push({ unit: c.text.trim(), dots: 0 });
    else if (c.name === 'beat-unit-dot' && last) last.dots += 1;
  }
  for (const note of childrenNamed(element, 'metronome-note')) {
    units.push({ unit: childText(note, 'metronome-type') ?? '', dots: childrenNamed(note, 'metronome-dot').length });
  }
  const [first, second] = units;
  if (!first) return null;
  const length = valueQuarters(first.unit, first.dots, null);
  if (!length) return null;
  const perMinute = childText(element, 'per-minute');
  if (perMinute !== undefined) {
    const number = Number(/\d+(?:\.\d+)?/.exec(perMinute)?.[0] ?? NaN);
    if (!(number >= 1 && number <= 2000)) return null;
    return {
      onset,
      tempo: { bpm: (number * length.n) / length.d },
      printed: { unit: first.unit, dots: first.dots, text: perMinute },
    };
  }
  const fresh = second ? valueQuarters(second.unit, second.dots, null) : null;
  return fresh ? { onset, tempo: { old: length, fresh }, printed: null } : null;
}

function readDirection(
  element: XmlElement,
  at: Fraction,
  state: PartState,
  out: { directions: RawDirection[]; tempos: RawTempo[]; signs: RawSigns },
  warn: Warn,
): void {
  const offset = decimalFraction(childText(element, 'offset') ?? '');
  let onset = at;
  if (offset && state.divisions) {
    onset = add(at, multiply(offset, fraction(state.divisions.d, state.divisions.n)));
    if (compare(onset, ZERO) < 0) onset = ZERO;
  }
  const staff = integer(childText(element, 'staff'));
  const sound = child(element, 'sound');
  const { signs, directions, tempos } = out;
  const hasSoundTempo = sound?.attributes['tempo'] !== undefined;
  let printed: RawTempo['printed'] = null;
  for (const type of childrenNamed(element, 'direction-type'))
    for (const mark of type.children)
      switch (mark.name) {
        case 'dynamics':
          for (const d of mark.children)
            directions.push({
              kind: 'dynamic',
              level: d.name === 'other-dynamics' ? d.text.trim() : d.name,
              staff,
              onset,
            });
          break;
        case 'wedge': {
          const role = mark.attributes['type'];
          if (role === 'crescendo' || role === 'diminuendo' || role === 'stop')
            directions.push({ kind: 'wedge', role, number: mark.attributes['number'] ?? '1', staff, onset });
          break;
        }
        case 'words': {
          const text = mark.text.trim();
          if (text === '') break;
          directions.push({ kind: 'words', text, staff, onset });
          const jump = jumpFromWords(text);
          if (jump) signs.jump = { ...jump, to: signs.jump?.to ?? null };
          else if (/^\s*to\s+coda\b/i.test(text)) signs.toCoda = true;
          else if (/^\s*fine\.?\s*$/i.test(text)) signs.fine = true;
          break;
        }
        case 'rehearsal':
          directions.push({ kind: 'rehearsal', text: mark.text.trim(), staff, onset });
          break;
        case 'segno':
          signs.segno ??= '';
          break;
        case 'coda':
          signs.codaGlyph = true;
          break;
        case 'pedal':
          directions.push({ kind: 'pedal', role: mark.attributes['type'] ?? 'start', staff, onset });
          break;
        case 'octave-shift':
          directions.push({
            kind: 'ottava',
            role: mark.attributes['type'] ?? 'stop',
            size: integer(mark.attributes['size']) ?? 8,
            staff,
            onset,
          });
          break;
        case 'metronome': {
          const tempo = readMetronome(mark, onset);
          printed = tempo?.printed ?? printed;
          if (tempo && !hasSoundTempo) tempos.push(tempo);
          else if (!tempo && !hasSoundTempo) warn('bad-tempo', 'a metronome mark could not be read and is ignored');
          break;
        }
        default:
          break;
      }
  if (sound && readSound(sound, onset, signs, tempos, warn)) {
    const last = tempos.pop();
    if (last) tempos.push({ ...last, printed });
  }
}

function readBarline(element: XmlElement, signs: RawSigns, warn: Warn): void {
  const location = element.attributes['location'] ?? 'right';
  const style = childText(element, 'bar-style');
  if (location === 'right' && (style === 'light-light' || style === 'light-heavy')) signs.doubleBar = style;
  const repeat = child(element, 'repeat');
  if (repeat) {
    if (location === 'middle')
      warn('repeat-inside-bar', 'a repeat sign stands inside a bar; it is read at the bar line');
    if (repeat.attributes['direction'] === 'forward') signs.repeatStart = true;
    else if (repeat.attributes['direction'] === 'backward') {
      const times = repeat.attributes['times'];
      const count = times === undefined ? 2 : integer(times);
      if (count === null || count < 1 || count > LIMITS.repeatTimes) {
        warn(
          'bad-repeat',
          `a repeat of "${(times ?? '').slice(0, 12)}" times is read as ${count !== null && count > LIMITS.repeatTimes ? LIMITS.repeatTimes : 2}`,
        );
        signs.repeatEnd = count !== null && count > LIMITS.repeatTimes ? LIMITS.repeatTimes : 2;
      } else signs.repeatEnd = count;
    }
  }
  const ending = child(element, 'ending');
  if (ending) {
    if (ending.attributes['type'] === 'start') {
      const numbers = endingNumbers(ending.attributes['number'] ?? '');
      signs.endingStart = numbers.length > 0 ? numbers : endingNumbers(ending.text);
    } else signs.endingStop = true;
  }
  if (child(element, 'segno')) signs.segno ??= element.attributes['segno'] ?? '';
  if (child(element, 'coda')) signs.codaGlyph = true;
}

const KINDS: Readonly<Record<string, string>> = {
  major: '',
  minor: 'm',
  augmented: '+',
  diminished: 'dim',
  dominant: '7',
  'major-seventh': 'maj7',
  'minor-seventh': 'm7',
  'diminished-seventh': 'dim7',
  'augmented-seventh': '+7',
  'half-diminished': 'm7b5',
  'major-minor': 'm(maj7)',
  'major-sixth': '6',
  'minor-sixth': 'm6',
  'dominant-ninth': '9',
  'major-ninth': 'maj9',
  'minor-ninth': 'm9',
  'suspended-second': 'sus2',
  'suspended-fourth': 'sus4',
  power: '5',
};

const alterSign = (text: string | undefined): string => (text === '1' ? '#' : text === '-1' ? 'b' : '');

function readHarmony(element: XmlElement): string | null {
  const root = child(element, 'root');
  const kind = child(element, 'kind');
  if (!root || !kind) return kind?.text.trim() === 'none' ? 'N.C.' : null;
  const bass = child(element, 'bass');
  const name = `${childText(root, 'root-step') ?? '?'}${alterSign(childText(root, 'root-alter'))}`;
  const suffix = KINDS[kind.text.trim()] ?? kind.attributes['text'] ?? '';
  return `${name}${suffix}${bass ? `/${childText(bass, 'bass-step') ?? '?'}${alterSign(childText(bass, 'bass-alter'))}` : ''}`;
}

/**
 * Reads one measure. `state` is changed in place as the bar changes it. Times that run before the bar or
 * are not numbers are warned about and clamped; nothing throws.
 */
export function readMeasure(measure: XmlElement, state: PartState, warn: Warn): RawMeasure {
  const events: RawNote[] = [];
  const directions: RawDirection[] = [];
  const tempos: RawTempo[] = [];
  const chords: { onset: Fraction; text: string }[] = [];
  const attributes: RawAttributes[] = [];
  const signs: RawSigns = {
    repeatStart: false,
    repeatEnd: null,
    endingStart: null,
    endingStop: false,
    segno: null,
    coda: null,
    codaGlyph: false,
    toCoda: false,
    fine: false,
    jump: null,
    doubleBar: null,
  };
  const cursor: Cursor = { at: ZERO, reach: ZERO };
  let lastOnset: Fraction | null = null;
  let lineBreak = false;
  let hasBeams = false;
  let barRepeat: RawMeasure['barRepeat'] = null;
  let sourceIndex = 0;
  let warnedDivisions = false;

  const length = (text: string | undefined, what: string): Fraction | null => {
    if (text === undefined) return null;
    const value = decimalFraction(text);
    if (value === null || value.n < 0) {
      warn('bad-duration', `${what} has the length "${text.slice(0, 20)}"; it is read from its note value or left out`);
      return null;
    }
    if (!state.divisions) {
      if (!warnedDivisions) warn('no-divisions', 'no divisions are given, so lengths are read from the note values');
      warnedDivisions = true;
      return null;
    }
    const quarters = multiply(value, fraction(state.divisions.d, state.divisions.n));
    if (quarters.n / quarters.d > LIMITS.quarters) {
      warn('bad-duration', `${what} is longer than ${LIMITS.quarters} quarters; its length is left out`);
      return null;
    }
    return quarters;
  };
  const advance = (by: Fraction): void => {
    cursor.at = add(cursor.at, by);
    if (cursor.at.n / cursor.at.d > LIMITS.quarters) {
      warn('bad-duration', `the bar runs past ${LIMITS.quarters} quarters; it is cut there`);
      cursor.at = fraction(LIMITS.quarters);
    }
    cursor.reach = max(cursor.reach, cursor.at);
  };

  for (const element of measure.children)
    switch (element.name) {
      case 'note': {
        const isRest = child(element, 'rest');
        const grace = child(element, 'grace');
        let chord = child(element, 'chord') !== undefined;
        if (chord && (lastOnset === null || isRest)) {
          warn('chord-without-note', 'a chord note has no note before it; it is read as a note of its own');
          chord = false;
        }
        const value = childText(element, 'type') ?? null;
        const dots = childrenNamed(element, 'dot').length;
        const modificationElement = child(element, 'time-modification');
        const actual = modificationElement ? integer(childText(modificationElement, 'actual-notes')) : null;
        const normal = modificationElement ? integer(childText(modificationElement, 'normal-notes')) : null;
        const timeModification =
          actual && normal && actual > 0 && normal > 0 && actual <= 128 && normal <= 128 ? { actual, normal } : null;
        let duration = ZERO;
        if (!grace) {
          const said = length(childText(element, 'duration'), isRest ? 'a rest' : 'a note');
          const fromValue = value ? valueQuarters(value, dots, timeModification) : null;
          if (said === null && fromValue === null && childText(element, 'duration') === undefined)
            warn('no-duration', 'a note has neither a length nor a note value; it is kept with no length');
          duration = said ?? fromValue ?? (isRest ? meterQuarters(state.meter) : ZERO);
        }
        const wholeBar = isRest?.attributes['measure'] === 'yes';
        const nominal = meterQuarters(state.meter);
        if (wholeBar && nominal.n > 0 && compare(duration, nominal) > 0) duration = nominal;
        const onset: Fraction = chord && lastOnset ? lastOnset : cursor.at;
        let staff = integer(childText(element, 'staff')) ?? 1;
        if (staff < 1 || staff > LIMITS.staves) {
          warn('bad-staff', `a note stands on staff ${staff}; it is read on staff 1`);
          staff = 1;
        }
        if (staff > state.staves) state.staves = staff;
        const { marks, tied } = readMarks(element);
        if (child(element, 'beam')) hasBeams = true;
        const pitchElement = child(element, 'pitch');
        const unpitched = child(element, 'unpitched');
        if (!pitchElement && !unpitched && !isRest) warn('bad-pitch', 'a note has no pitch; it is kept without one');
        const transpose = state.transposeByStaff.get(staff) ?? state.transpose;
        const instrument = child(element, 'instrument')?.attributes['id'];
        const single = state.unpitched.size === 1 ? [...state.unpitched.values()][0] : undefined;
        events.push({
          kind: isRest ? 'rest' : 'note',
          writtenId: element.attributes['id'] ?? null,
          sourceIndex,
          staff,
          voice: childText(element, 'voice') || '1',
          onset,
          duration,
          value,
          dots,
          timeModification,
          pitch: pitchElement ? readPitch(pitchElement, warn) : null,
          midiUnpitched: unpitched ? ((instrument ? state.unpitched.get(instrument) : single) ?? null) : null,
          grace: grace ? { slash: grace.attributes['slash'] === 'yes' } : null,
          cue: child(element, 'cue') !== undefined,
          chord,
          tie: tieRole(element, tied),
          wholeBar,
          marks,
          transposed: transpose.chromatic + 12 * transpose.octaveChange,
        });
        if (!chord) {
          lastOnset = cursor.at;
          if (!grace) advance(duration);
        } else cursor.reach = max(cursor.reach, add(onset, duration));
        sourceIndex += 1;
        break;
      }
      case 'backup': {
        const by = length(childText(element, 'duration'), 'a backup') ?? ZERO;
        cursor.at = subtract(cursor.at, by);
        if (compare(cursor.at, ZERO) < 0) {
          warn('backup-before-bar', 'a backup goes back before the bar; it stops at the bar line');
          cursor.at = ZERO;
        }
        lastOnset = null;
        break;
      }
      case 'forward':
        advance(length(childText(element, 'duration'), 'a forward') ?? ZERO);
        lastOnset = null;
        break;
      case 'attributes': {
        attributes.push(readAttributes(element, cursor.at, state, warn));
        const style = child(element, 'measure-style');
        const sign = style ? child(style, 'measure-repeat') : undefined;
        if (sign?.attributes['type'] === 'start')
          barRepeat = { role: 'start', size: Math.max(1, Math.min(8, integer(sign.text) ?? 1)) };
        else if (sign?.attributes['type'] === 'stop') barRepeat = { role: 'stop' };
        break;
      }
      case 'direction':
        readDirection(element, cursor.at, state, { directions, tempos, signs }, warn);
        break;
      case 'sound':
        readSound(element, cursor.at, signs, tempos, warn);
        break;
      case 'harmony': {
        const text = readHarmony(element);
        if (text !== null) chords.push({ onset: cursor.at, text });
        break;
      }
      case 'barline':
        readBarline(element, signs, warn);
        break;
      case 'print':
        if (element.attributes['new-system'] === 'yes' || element.attributes['new-page'] === 'yes') lineBreak = true;
        break;
      default:
        break;
    }
  return {
    events,
    directions,
    tempos,
    chords,
    attributes,
    signs,
    length: cursor.reach,
    lineBreak,
    hasBeams,
    barRepeat,
  };
}
