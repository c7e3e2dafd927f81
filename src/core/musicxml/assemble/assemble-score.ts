import {
  playingOrder,
  tieLinks,
  withBlanks,
  withTiesClosed,
  writtenMidi,
  ZERO,
  type AttributeChange,
  type Bar,
  type ChordSymbol,
  type Direction,
  type Fraction,
  type Note,
  type Part,
  type Rest,
  type Score,
  type ScoreWarning,
  type SwingMark,
  type Transposition,
} from '../../score';
import { barIndex, midiKey, ticks, type MidiKey, type Ticks } from '../../units';
import type { BarHead, GrowingPart, WarnOf } from '../growing-part';
import type { Header, PartHead } from '../header';
import type { RawMeasure } from '../measure';
import { barLengths, splitHere } from './bar-lengths';
import { barNames } from './bar-names';
import { barSigns, NO_SIGNS } from './bar-signs';
import { warnOfBlanks } from './blank-warnings';
import { commonTicks } from './common-ticks';
import { idGiver } from './ids';
import { withPulses } from './pulse-of-bars';
import { tempoMarks, type PlacedTempo } from './tempo-marks';

export interface Assembly {
  readonly header: Header;
  readonly parts: readonly GrowingPart[];
  readonly partHeads: ReadonlyMap<string, PartHead>;
  readonly bars: readonly BarHead[];
  readonly warnings: readonly ScoreWarning[];
  readonly warn: WarnOf;
}

type ToTicks = (quarters: Fraction) => Ticks;
type GiveId = ReturnType<typeof idGiver>;
type RawNote = RawMeasure['events'][number];

const sortedByOnset = <T extends { readonly onset: number }>(list: T[]): T[] => list.sort((a, b) => a.onset - b.onset);

/** Ticks a quarter of the piece, and how quarters become ticks. */
function timeOf(parts: readonly GrowingPart[], lengths: readonly Fraction[], warn: WarnOf): [number, ToTicks] {
  const { perQuarter, exact } = commonTicks(parts, lengths);
  if (!exact)
    warn(
      'time-rounded',
      'the file divides the quarter note in ways that have no common measure; times are rounded',
      null,
      null,
      null,
    );
  return [
    perQuarter,
    (value) => ticks(exact ? value.n * (perQuarter / value.d) : Math.round((value.n / value.d) * perQuarter)),
  ];
}

/** The bars one after the other. */
function assembleBars(
  { parts, bars: heads, warn }: Assembly,
  { lengths, meters, keys }: ReturnType<typeof barLengths>,
  toTicks: ToTicks,
  giveId: GiveId,
): Bar[] {
  const signs = barSigns(parts, heads.length);
  const names = barNames(heads, signs);
  const bars: Bar[] = [];
  const seenNumbers = new Set<string>();
  let onset = 0;
  heads.forEach((head, i) => {
    const length = toTicks(lengths[i] ?? ZERO);
    const { id, replaced } = giveId(head.writtenId, `bar-${i + 1}`);
    const say = (code: string, what: string): void => warn(code, `bar ${head.number}: ${what}`, i, head.number, null);
    if (replaced) say('id-twice', 'its id is not usable or not its own; it is given another');
    if (seenNumbers.has(head.number) && !head.implicit && !splitHere(parts, i))
      say('bar-number-twice', 'the number appears more than once');
    seenNumbers.add(head.number);
    bars.push({
      index: barIndex(i),
      id,
      number: head.number,
      name: names[i] ?? head.number,
      onset: ticks(onset),
      length,
      meter: meters[i] ?? { parts: [], symbol: null },
      key: keys[i] ?? { fifths: 0, mode: null },
      signs: signs[i] ?? NO_SIGNS,
      lineBreak: parts.some((p) => p.measures[i]?.lineBreak ?? false),
    });
    onset += length;
  });
  return bars;
}

/** What sounds and stands in all parts, in the order of the parts. */
interface Contents {
  readonly notes: Note[];
  readonly rests: Rest[];
  readonly directions: Direction[];
  readonly chords: ChordSymbol[];
  readonly tempos: PlacedTempo[];
  readonly swings: SwingMark[];
}

function soundingKey(e: RawNote): MidiKey | null {
  if (e.pitch) return midiKey(writtenMidi(e.pitch) + e.transposed);
  return e.midiUnpitched === null ? null : midiKey(e.midiUnpitched);
}

/** One note or rest at its place; written out twice instead of spread: one shape for all is several times faster. */
function putEvent(e: RawNote, id: string, part: string, bar: Bar, toTicks: ToTicks, into: Contents): void {
  const onset = ticks(bar.onset + toTicks(e.onset));
  const duration = toTicks(e.duration);
  if (e.kind === 'rest') {
    into.rests.push({
      kind: 'rest',
      id,
      part,
      staff: e.staff,
      voice: e.voice,
      bar: bar.index,
      onset,
      duration,
      value: e.value,
      dots: e.dots,
      timeModification: e.timeModification,
      sourceIndex: e.sourceIndex,
      aside: e.aside,
      wholeBar: e.wholeBar,
    });
    return;
  }
  into.notes.push({
    kind: 'note',
    id,
    part,
    staff: e.staff,
    voice: e.voice,
    bar: bar.index,
    onset,
    duration,
    value: e.value,
    dots: e.dots,
    timeModification: e.timeModification,
    sourceIndex: e.sourceIndex,
    aside: e.aside,
    pitch: e.pitch,
    midi: soundingKey(e),
    grace: e.grace,
    chord: e.chord,
    tie: e.tie,
    marks: e.marks,
    timeOnly: e.timeOnly,
  });
}

const NO_TRANSPOSE: Transposition = { diatonic: 0, chromatic: 0, octaveChange: 0 };

/** What a part's own page is said to be transposed by, in a score at concert pitch. */
const rawPlayerTranspose = (part: GrowingPart): Transposition | undefined =>
  part.measures.flatMap((m) => m?.attributes ?? []).find((a) => a.playerTranspose)?.playerTranspose;

/** One part: its events go into `into`, what it is comes back. */
function assemblePart(
  part: GrowingPart,
  place: number,
  head: PartHead | undefined,
  bars: readonly Bar[],
  toTicks: ToTicks,
  giveId: GiveId,
  warn: WarnOf,
  into: Contents,
  concert: boolean,
): Part {
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
      const { id, replaced } = giveId(e.writtenId, `p${place + 1}-b${i + 1}-n${e.sourceIndex + 1}`);
      if (replaced)
        warn(
          'id-twice',
          `bar ${bar.number}, part ${part.id}: a note id is not usable or not its own; it is given another`,
          i,
          bar.number,
          part.id,
        );
      putEvent(e, id, part.id, bar, toTicks, into);
    }
    for (const d of measure.directions)
      into.directions.push({ ...d, part: part.id, bar: bar.index, onset: at(d.onset) });
    for (const c of measure.chords)
      into.chords.push({ part: part.id, bar: bar.index, onset: at(c.onset), text: c.text, classes: c.classes });
    for (const s of measure.swings) into.swings.push({ ...s, onset: at(s.onset) });
    for (const t of measure.tempos) into.tempos.push({ bar: i, onset: at(t.onset), tempo: t });
    for (const { playerTranspose: _, ...a } of measure.attributes)
      attributes.push({ ...a, bar: bar.index, onset: at(a.onset) });
  });
  return {
    id: part.id,
    name: head?.name ?? '',
    abbreviation: head?.abbreviation ?? '',
    groups: head?.groups ?? [],
    instrumentSound: head?.sound ?? null,
    midiProgram: head?.program ?? null,
    drumChannel: head?.drumChannel ?? false,
    staves: part.state.staves,
    transpose: attributes.find((a) => a.transpose)?.transpose ?? NO_TRANSPOSE,
    playerTranspose: concert ? (rawPlayerTranspose(part) ?? NO_TRANSPOSE) : null,
    attributes,
    hasBeams,
  };
}

/** Notes in the order in which they sound: by onset, grace notes before their note, from low to high. */
function inOrder(notes: Note[], parts: readonly Part[]): Note[] {
  const place = new Map(parts.map((p, i) => [p.id, i]));
  return notes.sort(
    (a, b) =>
      a.onset - b.onset ||
      Number(b.grace !== null) - Number(a.grace !== null) ||
      (a.grace && b.grace && a.part === b.part ? a.sourceIndex - b.sourceIndex : 0) ||
      (a.midi ?? -1) - (b.midi ?? -1) ||
      (place.get(a.part) ?? 0) - (place.get(b.part) ?? 0) ||
      a.staff - b.staff ||
      a.voice.localeCompare(b.voice) ||
      a.sourceIndex - b.sourceIndex,
  );
}

function warnOpenTies(notes: readonly Note[], bars: readonly Bar[], warn: WarnOf): void {
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

/** Puts the parts as read together to a score with times in ticks. */
export function assembleScore(assembly: Assembly): Score {
  const { header, parts, partHeads, warn } = assembly;
  const giveId = idGiver();
  const measured = barLengths(parts, assembly.bars, warn);
  const [ticksPerQuarter, toTicks] = timeOf(parts, measured.lengths, warn);
  const bars = assembleBars(assembly, measured, toTicks, giveId);
  const contents: Contents = { notes: [], rests: [], directions: [], chords: [], tempos: [], swings: [] };
  const modelParts = parts.map((part, i) =>
    assemblePart(part, i, partHeads.get(part.id), bars, toTicks, giveId, warn, contents, header.concert),
  );
  const ordered = inOrder(contents.notes, modelParts);
  const notes = withTiesClosed(ordered);
  // The same notes come back where no tie was open.
  if (notes !== ordered) warnOpenTies(notes, bars, warn);
  const order = playingOrder(bars);
  if (order.problem) warn('playing-order', order.problem, null, null, null);
  const written = withBlanks(
    withPulses({ bars, notes, ticksPerQuarter }, (bar) => parts.flatMap((p) => p.measures[bar]?.beamed ?? [])),
    { ...contents, notes },
  );
  warnOfBlanks(written, ticksPerQuarter, warn);
  return {
    title: header.origin.movement || header.origin.work || header.credit,
    composer: header.composer,
    origin: header.origin,
    ticksPerQuarter,
    parts: modelParts,
    bars: written,
    notes,
    rests: sortedByOnset(contents.rests),
    directions: sortedByOnset(contents.directions),
    tempos: tempoMarks(contents.tempos),
    swings: sortedByOnset(contents.swings),
    chords: sortedByOnset(contents.chords),
    warnings: assembly.warnings,
  };
}
