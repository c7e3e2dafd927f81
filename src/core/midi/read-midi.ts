/**
 * A Standard MIDI File as a rough source: bars, meter, tempo and notes on a grid. Spelling, voices and hands are
 * guesses and said to be so. Source of the format: The Complete MIDI 1.0 Detailed Specification, "Standard MIDI Files
 * 1.0".
 */
import { parseMidi, type MidiData } from 'midi-file';
import { plainEvent, type Draft, type DraftBar, type DraftEvent, type DraftPart } from '../bargrid';
import { fail, ok, type Result } from '../result';
import { fraction, meterQuarters, simpleMeter, spellMidi, type Fraction, type Key, type Meter } from '../score';

export type MidiCode = 'midi-broken' | 'midi-no-notes' | 'midi-too-long' | 'midi-timecode';

interface Sounded {
  readonly key: number;
  /** Grid steps from the start; end is exclusive. */
  readonly start: number;
  readonly end: number;
}

/** Twelve steps a quarter: sixteenths and triplet eighths both fall on it. */
const STEPS_PER_QUARTER = 12;
const MOST_BARS = 5000;
/** Lengths a note may have on the grid, in steps, longest first. */
const LENGTHS = [48, 36, 24, 18, 12, 9, 8, 6, 4, 3];

/** Nearest step on a sixteenth or a triplet eighth, whichever is closer. */
function quantise(tick: number, perQuarter: number): number {
  const steps = (tick / perQuarter) * STEPS_PER_QUARTER;
  const sixteenth = Math.round(steps / 3) * 3;
  const triplet = Math.round(steps / 4) * 4;
  return Math.abs(steps - sixteenth) <= Math.abs(steps - triplet) + 0.25 ? sixteenth : triplet;
}

interface Collected {
  readonly tracks: readonly {
    readonly name: string;
    readonly program: number | null;
    readonly notes: readonly Sounded[];
  }[];
  readonly tempo: number | null;
  readonly meters: readonly { readonly at: number; readonly meter: Meter }[];
  readonly key: Key;
  readonly title: string;
}

function collect(midi: MidiData, perQuarter: number): Collected {
  const meters: { at: number; meter: Meter }[] = [];
  let tempo: number | null = null;
  let key: Key = { fifths: 0, mode: null };
  let title = '';
  const tracks: { name: string; program: number | null; notes: Sounded[] }[] = [];
  midi.tracks.forEach((events, index) => {
    let tick = 0;
    let name = '';
    let program: number | null = null;
    const open = new Map<number, number[]>();
    const notes: Sounded[] = [];
    const close = (note: number): void => {
      const started = open.get(note)?.shift();
      if (started === undefined) return;
      const start = quantise(started, perQuarter);
      notes.push({ key: note, start, end: Math.max(start + 3, quantise(tick, perQuarter)) });
    };
    for (const event of events) {
      tick += event.deltaTime;
      switch (event.type) {
        case 'noteOn':
          if (event.channel === 9) break;
          if (event.velocity === 0) close(event.noteNumber);
          else open.set(event.noteNumber, [...(open.get(event.noteNumber) ?? []), tick]);
          break;
        case 'noteOff':
          if (event.channel !== 9) close(event.noteNumber);
          break;
        case 'setTempo':
          tempo ??= Math.round(60_000_000 / Math.max(1, event.microsecondsPerBeat));
          break;
        case 'timeSignature':
          if (event.numerator > 0 && event.numerator <= 64 && [1, 2, 4, 8, 16, 32].includes(event.denominator))
            meters.push({ at: quantise(tick, perQuarter), meter: simpleMeter(event.numerator, event.denominator) });
          break;
        case 'keySignature':
          if (Math.abs(event.key) <= 7) key = { fifths: event.key, mode: event.scale === 1 ? 'minor' : 'major' };
          break;
        case 'trackName':
          name = event.text;
          if (index === 0) title = event.text;
          break;
        case 'programChange':
          program = event.programNumber;
          break;
        default:
          break;
      }
    }
    if (notes.length > 0) tracks.push({ name, program, notes });
  });
  return { tracks, tempo, meters, key, title };
}

/** One line of music from overlapping notes: simultaneous starts are a chord, which ends where the next begins. */
function lineOf(notes: readonly Sounded[]): { start: number; end: number; keys: number[] }[] {
  const byStart = new Map<number, Sounded[]>();
  for (const note of notes) byStart.set(note.start, [...(byStart.get(note.start) ?? []), note]);
  const starts = [...byStart.keys()].sort((a, b) => a - b);
  return starts.map((start, i) => {
    const group = byStart.get(start) ?? [];
    const longest = Math.max(...group.map((n) => n.end));
    const next = starts[i + 1] ?? longest;
    return { start, end: Math.min(longest, next), keys: [...new Set(group.map((n) => n.key))].sort((a, b) => a - b) };
  });
}

const bare = (kind: DraftEvent['kind'], steps: number, pitches: DraftEvent['pitches'], tied: boolean): DraftEvent => {
  const third = steps % 3 !== 0 && steps % 4 === 0;
  const event = plainEvent(kind, fraction(steps, STEPS_PER_QUARTER), pitches, tied);
  return third ? { ...event, tuplet: { actual: 3, normal: 2, edge: 'none' } } : event;
};

/** A stretch as lengths that note values can show. */
function split(steps: number): number[] {
  const out: number[] = [];
  let left = steps;
  while (left > 0) {
    const size = LENGTHS.find((l) => l <= left) ?? left;
    out.push(size);
    left -= size;
  }
  return out;
}

function fillBar(
  line: readonly { start: number; end: number; keys: number[] }[],
  from: number,
  to: number,
  fifths: number,
): DraftEvent[] {
  const out: DraftEvent[] = [];
  let at = from;
  for (const sound of line) {
    if (sound.end <= from || sound.start >= to) continue;
    const start = Math.max(sound.start, from);
    const end = Math.min(sound.end, to);
    for (const rest of split(start - at)) out.push(bare('rest', rest, [], false));
    const pieces = split(end - start);
    pieces.forEach((piece, i) =>
      out.push(
        bare(
          'note',
          piece,
          sound.keys.map((k) => spellMidi(k, fifths)),
          i < pieces.length - 1 || sound.end > to,
        ),
      ),
    );
    at = end;
  }
  for (const rest of split(to - at)) out.push(bare('rest', rest, [], false));
  return out;
}

/**
 * Bytes of a .mid file to a draft, one staff a track, a track that spans both clefs as two staves split at middle C.
 *
 * @example midiToDraft(new Uint8Array(), 'x.mid').issue.code // → 'midi-broken'
 */
export function midiToDraft(bytes: Uint8Array, file: string): Result<{ draft: Draft; warnings: string[] }, MidiCode> {
  let midi: MidiData;
  try {
    midi = parseMidi(bytes);
  } catch {
    return fail('midi-broken', `${file} is a damaged MIDI file; export it again.`, { file });
  }
  const perQuarter = midi.header.ticksPerBeat;
  if (midi.header.framesPerSecond !== undefined)
    return fail('midi-timecode', `${file} counts film frames instead of beats; export it with beats.`, { file });
  if (perQuarter === undefined || !(perQuarter > 0))
    return fail('midi-broken', `${file} is a damaged MIDI file; export it again.`, { file });
  const found = collect(midi, perQuarter);
  if (found.tracks.length === 0) return fail('midi-no-notes', `${file} holds no notes.`, { file });
  const end = Math.max(...found.tracks.flatMap((t) => t.notes.map((n) => n.end)));
  const bars: { from: number; to: number; meter: Meter | null }[] = [];
  let meter: Meter = found.meters[0]?.meter ?? simpleMeter(4, 4);
  let at = 0;
  let first = true;
  while (at < end || first) {
    const change = found.meters.filter((m) => m.at <= at).pop();
    const changed = change && change.meter !== meter;
    if (change) meter = change.meter;
    const size: Fraction = meterQuarters(meter);
    const steps = Math.max(3, Math.round((size.n / size.d) * STEPS_PER_QUARTER));
    bars.push({ from: at, to: at + steps, meter: first || changed ? meter : null });
    at += steps;
    first = false;
    if (bars.length > MOST_BARS) return fail('midi-too-long', `${file} has more than ${MOST_BARS} bars.`, { file });
  }
  const parts: DraftPart[] = [];
  const lines: ReturnType<typeof lineOf>[][] = [];
  found.tracks.slice(0, 16).forEach((track, i) => {
    const low = track.notes.filter((n) => n.key < 60);
    const high = track.notes.filter((n) => n.key >= 60);
    const both = low.length > track.notes.length / 5 && high.length > track.notes.length / 5;
    const bass = !both && low.length > high.length;
    const treble = { clef: { sign: 'G', line: 2, octaveChange: 0 } } as const;
    const bassClef = { clef: { sign: 'F', line: 4, octaveChange: 0 } } as const;
    parts.push({
      id: `P${i + 1}`,
      name: track.name,
      sound: null,
      midiProgram: track.program,
      transpose: null,
      staves: both ? [treble, bassClef] : [bass ? bassClef : treble],
    });
    lines.push(both ? [lineOf(high), lineOf(low)] : [lineOf(track.notes)]);
  });
  const draftBars: DraftBar[] = bars.map((bar, i) => ({
    number: String(i + 1),
    implicit: false,
    quarters: fraction(bar.to - bar.from, STEPS_PER_QUARTER),
    meter: bar.meter,
    key: i === 0 ? found.key : null,
    tempo: i === 0 && found.tempo !== null ? { word: '', unit: fraction(1), perMinute: found.tempo } : null,
    repeatStart: false,
    repeatEnd: null,
    endingStart: null,
    endingStop: null,
    segno: false,
    coda: false,
    toCoda: false,
    fine: false,
    jump: null,
    doubleBar: i === bars.length - 1 ? 'light-heavy' : null,
    lineBreak: false,
    rehearsal: null,
    content: lines.map((staves) => staves.map((line) => [fillBar(line, bar.from, bar.to, found.key.fifths)])),
  }));
  const name = file.replace(/^.*[\\/]/, '').replace(/\.midi?$/i, '');
  return ok({
    draft: { title: found.title || name, composer: '', parts, bars: draftBars },
    warnings: [
      'this piece comes from a MIDI file and is rough: note values are rounded to sixteenths and triplets, and spelling, voices, hands and repeats are guesses',
    ],
  });
}
