/**
 * A MusicXML document (score-partwise or score-timewise, 3.0 to 4.0) to the exact-time score, together with the
 * character range of every bar of every part, so that writing can splice into the source.
 */
import { fail, ok, type Result } from '../result';
import {
  add,
  compare,
  fraction,
  lcm,
  max,
  ZERO,
  type Fraction,
  meterQuarters,
  meterText,
  type AttributeChange,
  type Bar,
  type BarSigns,
  type ChordSymbol,
  type Direction,
  type Key,
  type Meter,
  type Note,
  type Part,
  type Rest,
  type Score,
  type ScoreWarning,
  type TempoMark,
  type Transposition,
  playingOrder,
  writtenMidi,
  tieLinks,
} from '../score';
import { barIndex, midiKey, quarterBpm, ticks, type Ticks } from '../units';
import { LIMITS } from './limits';
import { readMeasure, startState, type PartState, type RawMeasure } from './read-measure';
import { child, childText, childrenNamed, walkXml, type XmlCode, type XmlElement } from './xml-tree';

export type ReadCode =
  | XmlCode
  | 'wrong-root'
  | 'no-parts'
  | 'no-bars'
  | 'too-many-bars'
  | 'too-many-notes'
  | 'too-many-parts'
  | 'too-large'
  | 'empty-file';

/** Character ranges `[start, end]` in the source text per part and bar; a bar missing in a part has none. */
export type SourceRanges = readonly (readonly (readonly [number, number] | null)[])[];

export interface ReadScore {
  readonly score: Score;
  readonly layout: 'partwise' | 'timewise';
  readonly ranges: SourceRanges;
  /** Bars that a bar-repeat sign fills: `partIndex bar` → the bar whose notes sound there. */
  readonly filledFrom: ReadonlyMap<string, number>;
  /** Character range of `<identification>`, where it exists, for notes about the whole file. */
  readonly identification: readonly [number, number] | null;
  /** Where an identification would go: before defaults, credits and the part list. */
  readonly headerEnd: number;
  /** Our own remembered marks from an earlier export, by field name. */
  readonly miscellaneous: Readonly<Record<string, string>>;
}

class Refuse extends Error {
  constructor(
    readonly code: ReadCode,
    message: string,
  ) {
    super(message);
  }
}

interface GrowingPart {
  readonly id: string;
  readonly state: PartState;
  readonly measures: (RawMeasure | null)[];
  readonly ranges: (readonly [number, number] | null)[];
}

interface BarHead {
  number: string;
  writtenId: string | null;
  implicit: boolean;
}

interface PartHead {
  readonly name: string;
  readonly abbreviation: string;
  readonly sound: string | null;
  readonly program: number | null;
  readonly unpitched: ReadonlyMap<string, number>;
}

const NO_SIGNS: BarSigns = {
  repeatStart: false,
  repeatEnd: null,
  ending: null,
  segno: null,
  coda: null,
  toCoda: false,
  fine: false,
  jump: null,
  doubleBar: null,
};

function readPartHead(element: XmlElement): PartHead {
  const unpitched = new Map<string, number>();
  let program: number | null = null;
  for (const midi of childrenNamed(element, 'midi-instrument')) {
    const key = Number(childText(midi, 'midi-unpitched'));
    if (Number.isInteger(key) && key >= 1 && key <= 128) unpitched.set(midi.attributes['id'] ?? '', key - 1);
    const number = Number(childText(midi, 'midi-program'));
    if (program === null && Number.isInteger(number) && number >= 1 && number <= 128) program = number - 1;
  }
  const instrument = child(element, 'score-instrument');
  return {
    name: childText(element, 'part-name') ?? '',
    abbreviation: childText(element, 'part-abbreviation') ?? '',
    sound: instrument
      ? (childText(instrument, 'instrument-sound') ?? childText(instrument, 'instrument-name') ?? null)
      : null,
    program,
    unpitched,
  };
}

interface Header {
  title: string;
  movement: string;
  credit: string;
  composer: string;
  identification: readonly [number, number] | null;
  headerEnd: number | null;
  miscellaneous: Record<string, string>;
}

function readHeader(element: XmlElement, header: Header): void {
  switch (element.name) {
    case 'work':
      header.title = childText(element, 'work-title') ?? '';
      break;
    case 'movement-title':
      header.movement = element.text.trim();
      break;
    case 'credit':
      if (childText(element, 'credit-type') === 'title' && header.credit === '')
        header.credit = childText(element, 'credit-words') ?? '';
      break;
    case 'identification': {
      header.identification = [element.start, element.end];
      const creators = childrenNamed(element, 'creator');
      header.composer = (creators.find((c) => c.attributes['type'] === 'composer') ?? creators[0])?.text.trim() ?? '';
      const miscellaneous = child(element, 'miscellaneous');
      for (const field of miscellaneous ? childrenNamed(miscellaneous, 'miscellaneous-field') : [])
        header.miscellaneous[field.attributes['name'] ?? ''] = field.text;
      break;
    }
    default:
      break;
  }
}

const VALID_ID = /^[A-Za-z_][\w.-]{0,63}$/;

/**
 * Gives every bar and note an id of its own: the written one where it is usable and free, else one made from its place.
 */
function idGiver(): (written: string | null, made: string) => { id: string; replaced: boolean } {
  const used = new Set<string>();
  return (written, made) => {
    if (written !== null && VALID_ID.test(written) && !used.has(written)) {
      used.add(written);
      return { id: written, replaced: false };
    }
    let id = made;
    for (let n = 2; used.has(id); n += 1) id = `${made}-${n}`;
    used.add(id);
    return { id, replaced: written !== null };
  };
}

const sortedByOnset = <T extends { readonly onset: number }>(list: T[]): T[] => list.sort((a, b) => a.onset - b.onset);

/** Reads the text of a document. `file` is used in messages only. */
export function readScore(text: string, file: string): Result<ReadScore, ReadCode> {
  if (text.length > LIMITS.textLength)
    return fail('too-large', `${file} holds more than 48 million characters; export the movements as single files.`, {
      file,
    });
  const warnings: ScoreWarning[] = [];
  let suppressed = 0;
  const warn = (
    code: string,
    message: string,
    bar: number | null,
    number: string | null,
    part: string | null,
  ): void => {
    if (warnings.length < LIMITS.warnings) warnings.push({ code, bar, number, part, message });
    else suppressed += 1;
  };
  const header: Header = {
    title: '',
    movement: '',
    credit: '',
    composer: '',
    identification: null,
    headerEnd: null,
    miscellaneous: {},
  };
  const partHeads = new Map<string, PartHead>();
  const parts = new Map<string, GrowingPart>();
  const bars: BarHead[] = [];
  /** In a score without a header, what belongs to one goes right after the root begins. */
  let afterRoot = 0;
  let layout: 'partwise' | 'timewise' | null = null;
  let currentPart = '';
  let currentBar = -1;
  let noteCount = 0;
  let attributesOfTwo: Readonly<Record<string, string>> = {};

  const partOf = (id: string): GrowingPart => {
    const known = parts.get(id);
    if (known) return known;
    if (parts.size >= LIMITS.parts) throw new Refuse('too-many-parts', `${file} has more than ${LIMITS.parts} parts.`);
    const fresh: GrowingPart = { id, state: startState(partHeads.get(id)?.unpitched), measures: [], ranges: [] };
    parts.set(id, fresh);
    return fresh;
  };
  const startBar = (index: number, attributes: Readonly<Record<string, string>>): void => {
    if (index >= LIMITS.bars)
      throw new Refuse(
        'too-many-bars',
        `${file} has more than ${LIMITS.bars.toLocaleString('en')} bars; split it into movements.`,
      );
    if (!bars[index])
      bars[index] = {
        number: attributes['number'] ?? String(index + 1),
        writtenId: attributes['id'] ?? null,
        implicit: attributes['implicit'] === 'yes',
      };
  };

  try {
    const walked = walkXml(
      text,
      {
        wants: (path, attributes, after) => {
          if (path.length === 1) {
            const root = path[0];
            if (root !== 'score-partwise' && root !== 'score-timewise')
              throw new Refuse(
                'wrong-root',
                `${file} is XML, but not a MusicXML score: it begins with <${(root ?? '').slice(0, 40)}>. MusicXML files (.musicxml, .xml, .mxl) are read.`,
              );
            layout = root === 'score-partwise' ? 'partwise' : 'timewise';
            afterRoot = after;
            return false;
          }
          if (path.length === 2) {
            attributesOfTwo = attributes;
            if (path[1] === 'part' && layout === 'partwise') {
              const id = attributes['id'] ?? `P${parts.size + 1}`;
              if (parts.has(id))
                warn(
                  'part-twice',
                  `the part ${id} appears twice; its bars are read one after the other`,
                  null,
                  null,
                  id,
                );
              currentPart = id;
              partOf(id);
              return false;
            }
            if (path[1] === 'measure' && layout === 'timewise') {
              currentBar += 1;
              startBar(currentBar, attributes);
              return false;
            }
            return ['work', 'movement-title', 'identification', 'defaults', 'credit', 'part-list'].includes(
              path[1] ?? '',
            );
          }
          return (
            path.length === 3 &&
            ((path[1] === 'part' && path[2] === 'measure') || (path[1] === 'measure' && path[2] === 'part'))
          );
        },
        tree: (element, path) => {
          if (path.length === 2) {
            if (['defaults', 'credit', 'part-list'].includes(element.name)) header.headerEnd ??= element.start;
            else afterRoot = element.end;
            if (element.name === 'part-list')
              for (const p of childrenNamed(element, 'score-part'))
                partHeads.set(p.attributes['id'] ?? '', readPartHead(p));
            else readHeader(element, header);
            return;
          }
          const part = layout === 'partwise' ? partOf(currentPart) : partOf(element.attributes['id'] ?? 'P1');
          const index = layout === 'partwise' ? part.measures.length : currentBar;
          const head = layout === 'partwise' ? element.attributes : attributesOfTwo;
          startBar(index, head);
          while (part.measures.length < index) {
            part.measures.push(null);
            part.ranges.push(null);
          }
          const number = bars[index]?.number ?? String(index + 1);
          const measure = readMeasure(element, part.state, (code, message) =>
            warn(code, `bar ${number}, part ${part.id}: ${message}`, index, number, part.id),
          );
          noteCount += measure.events.length;
          if (noteCount > LIMITS.notes)
            throw new Refuse(
              'too-many-notes',
              `${file} has more than ${LIMITS.notes.toLocaleString('en')} notes; split it into movements.`,
            );
          if (part.measures.length === index) {
            part.measures.push(measure);
            part.ranges.push([element.start, element.end]);
          }
        },
        entity: (message) =>
          warn(
            'unknown-entity',
            `an entity that is not part of XML is left as text (${message.slice(0, 60)})`,
            null,
            null,
            null,
          ),
      },
      file,
    );
    if (!walked.ok) return walked;
  } catch (error) {
    if (error instanceof Refuse) return fail(error.code, error.message, { file });
    throw error;
  }
  if (layout === null) return fail('empty-file', `${file} holds no score.`, { file });
  if (parts.size === 0)
    return fail('no-parts', `${file} is MusicXML, but it holds no part. Export the piece again.`, { file });
  if (bars.length === 0)
    return fail('no-bars', `${file} is MusicXML, but it holds no bars. Export the piece again.`, { file });
  const filledFrom = fillBarRepeats([...parts.values()]);
  const score = assemble({ header, parts: [...parts.values()], partHeads, bars, warnings, warn });
  if (suppressed > 0)
    warnings.push({
      code: 'more-warnings',
      bar: null,
      number: null,
      part: null,
      message: `${suppressed} more warnings are not listed`,
    });
  return ok({
    score,
    layout,
    ranges: [...parts.values()].map((p) => p.ranges),
    filledFrom,
    identification: header.identification,
    headerEnd: header.headerEnd ?? afterRoot,
    miscellaneous: header.miscellaneous,
  });
}

/**
 * Bars under a bar-repeat sign get the notes of the bars they repeat, where the file holds no notes of its own there.
 */
function fillBarRepeats(parts: readonly GrowingPart[]): Map<string, number> {
  const filledFrom = new Map<string, number>();
  parts.forEach((part, partIndex) => {
    let size: number | null = null;
    part.measures.forEach((measure, i) => {
      if (measure?.barRepeat) size = measure.barRepeat.role === 'start' ? measure.barRepeat.size : null;
      if (size === null || !measure || measure.events.some((e) => e.kind === 'note')) return;
      const from = filledFrom.get(`${partIndex} ${i - size}`) ?? i - size;
      const source = part.measures[from];
      if (!source) return;
      filledFrom.set(`${partIndex} ${i}`, from);
      part.measures[i] = {
        ...measure,
        events: source.events.map((e) => ({ ...e, writtenId: null })),
        length: source.length,
        hasBeams: source.hasBeams,
      };
    });
  });
  return filledFrom;
}

interface Assembly {
  readonly header: Header;
  readonly parts: readonly GrowingPart[];
  readonly partHeads: ReadonlyMap<string, PartHead>;
  readonly bars: readonly BarHead[];
  readonly warnings: ScoreWarning[];
  readonly warn: (
    code: string,
    message: string,
    bar: number | null,
    number: string | null,
    part: string | null,
  ) => void;
}

/** Above this many ticks a quarter, times are rounded instead (and said so): only hostile files come here. */
const FINEST_TICKS = 50_000_000;
const ROUNDED_TICKS = 1_441_440;

function commonTicks(
  parts: readonly GrowingPart[],
  lengths: readonly Fraction[],
): { perQuarter: number; exact: boolean } {
  const denominators = new Set<number>([1]);
  for (const part of parts)
    for (const measure of part.measures) {
      if (!measure) continue;
      for (const e of measure.events) {
        denominators.add(e.onset.d);
        denominators.add(e.duration.d);
      }
      for (const list of [measure.directions, measure.tempos, measure.chords, measure.attributes])
        for (const d of list) denominators.add(d.onset.d);
    }
  for (const length of lengths) denominators.add(length.d);
  // 48 leaves room for thirty-seconds and triplets of the beat, whatever the piece itself uses.
  let perQuarter = 48;
  for (const d of denominators) {
    perQuarter = lcm(perQuarter, d);
    if (perQuarter > FINEST_TICKS) return { perQuarter: ROUNDED_TICKS, exact: false };
  }
  return { perQuarter, exact: true };
}

function barLengths({ parts, bars, warn }: Assembly): { lengths: Fraction[]; meters: Meter[]; keys: Key[] } {
  const lengths: Fraction[] = [];
  const meters: Meter[] = [];
  const keys: Key[] = [];
  let meter: Meter = { parts: [{ groups: [4], unit: 4 }], symbol: null };
  let key: Key = { fifths: 0, mode: null };
  const tolerance = fraction(1, 1_000_000);
  bars.forEach((head, i) => {
    for (const part of parts) {
      const changed = part.measures[i]?.attributes.filter((a) => a.meter).pop()?.meter;
      if (changed) {
        meter = changed;
        break;
      }
    }
    const firstKey = parts[0]?.measures[i]?.attributes.find((a) => a.keys && compare(a.onset, ZERO) === 0)?.keys?.[0]
      ?.key;
    if (firstKey) key = firstKey;
    const nominal = meterQuarters(meter);
    let length = ZERO;
    for (const part of parts) length = max(length, part.measures[i]?.length ?? ZERO);
    const filled = length.n > 0;
    if (!filled) length = nominal.n > 0 ? nominal : fraction(4);
    lengths.push(length);
    meters.push(meter);
    keys.push(key);
    const later = parts[0]?.measures[i]?.attributes.find((a) => a.keys && compare(a.onset, ZERO) > 0)?.keys?.[0]?.key;
    if (later) key = later;
    if (nominal.n === 0 || !filled) return;
    for (const part of parts) {
      const measure = part.measures[i];
      if (!measure || measure.events.length === 0) continue;
      if (compare(measure.length, add(nominal, tolerance)) > 0)
        warn(
          'bar-overfull',
          `bar ${head.number}, part ${part.id}: holds ${measure.length.n / measure.length.d} quarters where the meter ${meterText(meter)} has ${nominal.n / nominal.d}`,
          i,
          head.number,
          part.id,
        );
      else if (
        compare(add(measure.length, tolerance), nominal) < 0 &&
        !head.implicit &&
        i > 0 &&
        i < bars.length - 1 &&
        !splitHere(parts, i)
      )
        warn(
          'bar-underfull',
          `bar ${head.number}, part ${part.id}: holds only ${measure.length.n / measure.length.d} quarters where the meter ${meterText(meter)} has ${nominal.n / nominal.d}`,
          i,
          head.number,
          part.id,
        );
    }
  });
  return { lengths, meters, keys };
}

/** A bar split by a repeat, a double bar or an ending may be short. */
function splitHere(parts: readonly GrowingPart[], index: number): boolean {
  return parts.some((part) => {
    const here = part.measures[index]?.signs;
    const before = part.measures[index - 1]?.signs;
    const after = part.measures[index + 1]?.signs;
    return (
      here?.repeatEnd != null ||
      here?.repeatStart === true ||
      here?.doubleBar != null ||
      here?.endingStart != null ||
      here?.endingStop === true ||
      before?.repeatEnd != null ||
      before?.doubleBar != null ||
      after?.repeatStart === true ||
      after?.endingStart != null
    );
  });
}

function barSigns(parts: readonly GrowingPart[], count: number): BarSigns[] {
  const merged = Array.from({ length: count }, (_, i) => {
    const all = parts.flatMap((p) => (p.measures[i] ? [p.measures[i].signs] : []));
    return {
      repeatStart: all.some((s) => s.repeatStart),
      repeatEnd: all.find((s) => s.repeatEnd !== null)?.repeatEnd ?? null,
      endingStart: all.find((s) => s.endingStart !== null)?.endingStart ?? null,
      endingStop: all.some((s) => s.endingStop),
      segno: all.find((s) => s.segno !== null)?.segno ?? null,
      coda: all.find((s) => s.coda !== null)?.coda ?? null,
      codaGlyph: all.some((s) => s.codaGlyph),
      toCoda: all.some((s) => s.toCoda),
      fine: all.some((s) => s.fine),
      jump: all.find((s) => s.jump !== null)?.jump ?? null,
      doubleBar: all.find((s) => s.doubleBar !== null)?.doubleBar ?? null,
    };
  });
  // Coda signs without a sound: where the way there is marked otherwise they are the goal, else the first of two leads
  // to the second.
  const saysTo = merged.some((s) => s.toCoda);
  const glyphs = merged.flatMap((s, i) => (s.codaGlyph && s.coda === null && !s.toCoda ? [i] : []));
  glyphs.forEach((i, n) => {
    const signs = merged[i];
    if (!signs) return;
    const leads = !saysTo && glyphs.length > 1 && n < glyphs.length - 1;
    if (leads) signs.toCoda = true;
    else signs.coda = '';
  });
  let open: readonly number[] | null = null;
  let previous: readonly number[] = [];
  return merged.map((s, i) => {
    const starts = s.endingStart !== null;
    if (s.endingStart !== null) {
      open = s.endingStart.length > 0 ? s.endingStart : [Math.max(0, ...previous) + 1];
      previous = open;
    }
    const covering = open;
    const stops =
      covering !== null &&
      (s.endingStop ||
        s.repeatEnd !== null ||
        i + 1 >= count ||
        merged[i + 1]?.endingStart != null ||
        s.doubleBar === 'light-heavy');
    if (stops) open = null;
    return {
      ...NO_SIGNS,
      repeatStart: s.repeatStart,
      repeatEnd: s.repeatEnd,
      segno: s.segno,
      coda: s.coda,
      toCoda: s.toCoda,
      fine: s.fine,
      jump: s.jump,
      doubleBar: s.doubleBar,
      ending: covering === null ? null : { numbers: covering, starts, stops },
    };
  });
}

function assemble(assembly: Assembly): Score {
  const { header, parts, partHeads, warn } = assembly;
  const giveId = idGiver();
  const { lengths, meters, keys } = barLengths(assembly);
  const { perQuarter, exact } = commonTicks(parts, lengths);
  if (!exact)
    warn(
      'time-rounded',
      'the file divides the quarter note in ways that have no common measure; times are rounded',
      null,
      null,
      null,
    );
  const toTicks = (value: Fraction): Ticks =>
    ticks(exact ? value.n * (perQuarter / value.d) : Math.round((value.n / value.d) * perQuarter));
  const signs = barSigns(parts, assembly.bars.length);
  const bars: Bar[] = [];
  const seenNumbers = new Set<string>();
  let onset = 0;
  assembly.bars.forEach((head, i) => {
    const length = toTicks(lengths[i] ?? ZERO);
    const { id, replaced } = giveId(head.writtenId, `bar-${i + 1}`);
    if (replaced)
      warn(
        'id-twice',
        `bar ${head.number}: its id is not usable or not its own; it is given another`,
        i,
        head.number,
        null,
      );
    if (seenNumbers.has(head.number) && !head.implicit && !splitHere(parts, i))
      warn('bar-number-twice', `bar ${head.number}: the number appears more than once`, i, head.number, null);
    seenNumbers.add(head.number);
    bars.push({
      index: barIndex(i),
      id,
      number: head.number,
      onset: ticks(onset),
      length,
      meter: meters[i] ?? { parts: [], symbol: null },
      key: keys[i] ?? { fifths: 0, mode: null },
      signs: signs[i] ?? NO_SIGNS,
      lineBreak: parts.some((p) => p.measures[i]?.lineBreak ?? false),
    });
    onset += length;
  });
  const notes: Note[] = [];
  const rests: Rest[] = [];
  const directions: Direction[] = [];
  const chords: ChordSymbol[] = [];
  const rawTempos: { bar: number; onset: Ticks; tempo: RawMeasure['tempos'][number] }[] = [];
  const modelParts: Part[] = [];
  parts.forEach((part, partIndex) => {
    const attributes: AttributeChange[] = [];
    let hasBeams = false;
    if (part.measures.length < bars.length)
      warn(
        'part-short',
        `part ${part.id} stops after ${part.measures.length} of ${bars.length} bars`,
        part.measures.length,
        null,
        part.id,
      );
    part.measures.forEach((measure, i) => {
      const bar = bars[i];
      if (!measure || !bar) return;
      hasBeams ||= measure.hasBeams;
      const at = (value: Fraction): Ticks => ticks(bar.onset + toTicks(value));
      for (const e of measure.events) {
        const { id, replaced } = giveId(e.writtenId, `p${partIndex + 1}-b${i + 1}-n${e.sourceIndex + 1}`);
        if (replaced)
          warn(
            'id-twice',
            `bar ${bar.number}, part ${part.id}: a note id is not usable or not its own; it is given another`,
            i,
            bar.number,
            part.id,
          );
        // Written out twice instead of spread: one shape for all notes is several times faster to make and to sort.
        if (e.kind === 'rest') {
          rests.push({
            kind: 'rest',
            id,
            part: part.id,
            staff: e.staff,
            voice: e.voice,
            bar: bar.index,
            onset: at(e.onset),
            duration: toTicks(e.duration),
            value: e.value,
            dots: e.dots,
            timeModification: e.timeModification,
            sourceIndex: e.sourceIndex,
            wholeBar: e.wholeBar,
          });
        } else {
          const midi = e.pitch
            ? midiKey(writtenMidi(e.pitch) + e.transposed)
            : e.midiUnpitched === null
              ? null
              : midiKey(e.midiUnpitched);
          notes.push({
            kind: 'note',
            id,
            part: part.id,
            staff: e.staff,
            voice: e.voice,
            bar: bar.index,
            onset: at(e.onset),
            duration: toTicks(e.duration),
            value: e.value,
            dots: e.dots,
            timeModification: e.timeModification,
            sourceIndex: e.sourceIndex,
            pitch: e.pitch,
            midi,
            grace: e.grace,
            cue: e.cue,
            chord: e.chord,
            tie: e.tie,
            marks: e.marks,
          });
        }
      }
      for (const d of measure.directions) directions.push({ ...d, part: part.id, bar: bar.index, onset: at(d.onset) });
      for (const c of measure.chords) chords.push({ part: part.id, bar: bar.index, onset: at(c.onset), text: c.text });
      for (const t of measure.tempos) rawTempos.push({ bar: i, onset: at(t.onset), tempo: t });
      for (const a of measure.attributes) attributes.push({ ...a, bar: bar.index, onset: at(a.onset) });
    });
    const head = partHeads.get(part.id);
    const firstTranspose: Transposition = attributes.find((a) => a.transpose)?.transpose ?? {
      diatonic: 0,
      chromatic: 0,
      octaveChange: 0,
    };
    modelParts.push({
      id: part.id,
      name: head?.name ?? '',
      abbreviation: head?.abbreviation ?? '',
      instrumentSound: head?.sound ?? null,
      midiProgram: head?.program ?? null,
      staves: part.state.staves,
      transpose: firstTranspose,
      attributes,
      hasBeams,
    });
  });
  const partOrder = new Map(modelParts.map((p, i) => [p.id, i]));
  notes.sort(
    (a, b) =>
      a.onset - b.onset ||
      Number(b.grace !== null) - Number(a.grace !== null) ||
      (a.grace && b.grace && a.part === b.part ? a.sourceIndex - b.sourceIndex : 0) ||
      (a.midi ?? -1) - (b.midi ?? -1) ||
      (partOrder.get(a.part) ?? 0) - (partOrder.get(b.part) ?? 0) ||
      a.staff - b.staff ||
      a.voice.localeCompare(b.voice) ||
      a.sourceIndex - b.sourceIndex,
  );
  warnOpenTies(notes, bars, warn);
  const order = playingOrder(bars);
  if (order.problem) warn('playing-order', order.problem, null, null, null);
  return {
    title: header.title || header.movement || header.credit,
    composer: header.composer,
    ticksPerQuarter: perQuarter,
    parts: modelParts,
    bars,
    notes,
    rests: sortedByOnset(rests),
    directions: sortedByOnset(directions),
    tempos: tempoMarks(rawTempos),
    chords: sortedByOnset(chords),
    warnings: assembly.warnings,
  };
}

function tempoMarks(raw: { bar: number; onset: Ticks; tempo: RawMeasure['tempos'][number] }[]): TempoMark[] {
  const marks: TempoMark[] = [];
  let current = 120;
  for (const { bar, onset, tempo } of sortedByOnset(raw)) {
    current =
      'bpm' in tempo.tempo
        ? tempo.tempo.bpm
        : (current * tempo.tempo.fresh.n * tempo.tempo.old.d) / (tempo.tempo.fresh.d * tempo.tempo.old.n);
    const last = marks[marks.length - 1];
    const mark: TempoMark = {
      bar: barIndex(bar),
      onset,
      bpm: quarterBpm(Math.min(2000, Math.max(1, current))),
      printed: tempo.printed,
    };
    if (last && last.onset === onset) marks[marks.length - 1] = { ...mark, printed: mark.printed ?? last.printed };
    else marks.push(mark);
  }
  return marks;
}

function warnOpenTies(notes: readonly Note[], bars: readonly Bar[], warn: Assembly['warn']): void {
  const links = tieLinks(notes);
  for (const note of notes)
    if ((note.tie === 'start' || note.tie === 'continue') && !note.grace && !links.has(note.id)) {
      const number = bars[note.bar]?.number ?? '';
      warn(
        'tie-unclosed',
        `bar ${number}, part ${note.part}: a tie has no note to run into`,
        note.bar,
        number,
        note.part,
      );
    }
}
