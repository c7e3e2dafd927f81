import {
  clockText,
  inBeats,
  keyAlter,
  keyName,
  type Meter,
  meterText,
  type Note,
  pitchName,
  playedSeconds,
  playingOrder,
  type Score,
  spellMidi,
  struckNotes,
  tempoAt,
  type TempoUnit,
  tempoUnit,
  workText,
} from '../score';
import { ticks } from '../units';
import { patternsFor } from './patterns';

export type FactGroup = 'piece' | 'range' | 'know' | 'signs' | 'rhythms';

export interface Fact {
  readonly group: FactGroup;
  readonly name: string;
  readonly value: string;
  /** Bar index where it is first seen; null for the whole piece. */
  readonly bar: number | null;
}

/** The busiest quarter of any staff, in struck onsets a second at the tempo in force. */
function densest(score: Score): { bar: number; rate: number } | null {
  const counts = new Map<string, Set<number>>();
  for (const { note } of struckNotes(score.notes)) {
    if (note.grace !== null) continue;
    const key = `${note.part} ${note.staff} ${Math.floor(note.onset / score.ticksPerQuarter)}`;
    const set = counts.get(key);
    if (set) set.add(note.onset);
    else counts.set(key, new Set([note.onset]));
  }
  let best: { bar: number; rate: number } | null = null;
  for (const onsets of counts.values()) {
    const onset = Math.min(...onsets);
    const rate = (onsets.size * tempoAt(score, ticks(onset))) / 60;
    if (best === null || rate > best.rate)
      best = { bar: score.bars.findIndex((b) => b.onset + b.length > onset), rate };
  }
  return best;
}

interface Seen {
  readonly bar: number;
  readonly times: number;
}

class Tally {
  readonly seen = new Map<string, Seen>();
  add(name: string, bar: number): void {
    const before = this.seen.get(name);
    this.seen.set(name, before ? { bar: Math.min(before.bar, bar), times: before.times + 1 } : { bar, times: 1 });
  }
  facts(group: FactGroup): Fact[] {
    return [...this.seen]
      .sort(([, a], [, b]) => a.bar - b.bar)
      .map(([name, { bar, times }]) => ({ group, name, value: times === 1 ? 'once' : `${times} times`, bar }));
  }
}

const spaced = (kind: string): string => kind.replace(/-/g, ' ').replace(/ mark$/, '');

/** Every sign on the page with its first bar: what a student may be meeting for the first time. */
function signFacts(score: Score): Fact[] {
  const tally = new Tally();
  for (const bar of score.bars) {
    const { signs } = bar;
    if (signs.repeatStart || signs.repeatEnd !== null) tally.add('repeat sign', bar.index);
    if (signs.ending?.starts) tally.add(`ending ${signs.ending.numbers.join(', ')}`, bar.index);
    if (signs.jump) tally.add(signs.jump.kind === 'dacapo' ? 'da capo' : 'dal segno', bar.index);
    if (signs.segno !== null) tally.add('segno', bar.index);
    if (signs.coda !== null || signs.toCoda) tally.add('coda', bar.index);
    if (signs.fine) tally.add('fine', bar.index);
  }
  for (const n of score.notes) {
    for (const a of n.marks.articulations) tally.add(spaced(a), n.bar);
    for (const o of n.marks.ornaments) tally.add(spaced(o.kind), n.bar);
    for (const t of n.marks.technical) tally.add(spaced(t), n.bar);
    for (const s of n.marks.slurs) if (s.role === 'start') tally.add('slur', n.bar);
    if (n.marks.fermata) tally.add('fermata', n.bar);
    if (n.marks.arpeggiate) tally.add('rolled chord', n.bar);
    if (n.grace) tally.add('grace note', n.bar);
    if (n.tie === 'start') tally.add('tie', n.bar);
    const key = score.bars[n.bar]?.key;
    if (n.pitch && key && n.pitch.alter !== keyAlter(key, n.pitch.step)) tally.add('accidental outside the key', n.bar);
  }
  for (const d of score.directions)
    switch (d.kind) {
      case 'dynamic':
        tally.add(d.level, d.bar);
        break;
      case 'wedge':
        if (d.role !== 'stop') tally.add(d.role, d.bar);
        break;
      case 'pedal':
        tally.add('pedal', d.bar);
        break;
      case 'ottava':
        if (d.role !== 'stop') tally.add('octave sign', d.bar);
        break;
      case 'words':
        if (d.text.length <= 40) tally.add(`“${d.text}”`, d.bar);
        break;
      case 'rehearsal':
        break;
    }
  return tally.facts('signs');
}

const BRITISH: Readonly<Record<string, string>> = {
  breve: 'breve',
  whole: 'semibreve',
  half: 'minim',
  quarter: 'crotchet',
  eighth: 'quaver',
  '16th': 'semiquaver',
  '32nd': 'demisemiquaver',
  '64th': 'hemidemisemiquaver',
};

/** A beat as it is called, `dotted crotchet`. */
const noteNamed = ({ name }: TempoUnit, names: 'american' | 'british'): string =>
  names === 'american' ? name : name.replace(/\w+$/, (value) => BRITISH[value] ?? value);

/** Note and rest values with their first bar, by American or British names. */
function rhythmFacts(score: Score, names: 'american' | 'british'): Fact[] {
  const tally = new Tally();
  for (const e of [...score.notes, ...score.rests]) {
    if (e.value === null || e.aside === 'hidden' || (e.kind === 'note' && (e.grace || e.chord))) continue;
    const name = names === 'british' ? (BRITISH[e.value] ?? e.value) : e.value;
    const dotted = e.dots === 1 ? 'dotted ' : e.dots === 2 ? 'double-dotted ' : '';
    const tuplet = e.timeModification ? ` in ${e.timeModification.actual}s` : '';
    tally.add(`${dotted}${name}${tuplet}${e.kind === 'rest' ? ' rest' : ''}`, e.bar);
  }
  return tally.facts('rhythms');
}

const noteName = (n: Note): string => (n.pitch ? pitchName(n.pitch) : pitchName(spellMidi(n.midi ?? 60, 0)));

function rangeFacts(score: Score): Fact[] {
  const facts: Fact[] = [];
  for (const part of score.parts)
    for (let staff = 1; staff <= part.staves; staff += 1) {
      let low: Note | null = null;
      let high: Note | null = null;
      let count = 0;
      for (const n of score.notes) {
        if (n.part !== part.id || n.staff !== staff || n.midi === null) continue;
        count += 1;
        if (low === null || n.midi < (low.midi ?? 0)) low = n;
        if (high === null || n.midi > (high.midi ?? 0)) high = n;
      }
      if (!low || !high) continue;
      const who = part.staves === 2 ? (staff === 1 ? 'Right hand' : 'Left hand') : part.name || 'Range';
      facts.push({
        group: 'range',
        name: who,
        value: `${noteName(low)} to ${noteName(high)}, ${count} notes`,
        bar: high.bar,
      });
    }
  return facts;
}

/** The work beside its movement, who made the words and the arrangement, where the edition comes from. */
function originFacts(score: Score): Fact[] {
  const { movementNumber, lyricist, arranger, source, rights } = score.origin;
  const whole = workText(score);
  const said: readonly (readonly [string, string])[] = [
    ['From', movementNumber === '' ? whole : [whole, `no. ${movementNumber}`].filter((t) => t !== '').join(', ')],
    ['Words', lyricist],
    ['Arranged by', arranger],
    ['Edition', source],
    ['Rights', rights],
  ];
  return said.flatMap(([name, value]): Fact[] => (value === '' ? [] : [{ group: 'piece', name, value, bar: null }]));
}

/** A meter that the page does not print is said to be ours. */
const meterInWords = (meter: Meter): string =>
  !meter.ours
    ? meterText(meter)
    : meter.parts.length === 0
      ? 'none printed: free'
      : `none printed; ${meterText(meter)} by the lengths of the bars`;

/**
 * What the page says, what the student must own, and where each is seen. A score with no bars gives nothing.
 *
 * @example pieceFacts(score, 'recorder').find((f) => f.name === 'Meter').value // → '4/4'
 */
export function pieceFacts(score: Score, instrument: string, names: 'american' | 'british' = 'american'): Fact[] {
  const [first] = score.bars;
  if (!first) return [];
  const { order } = playingOrder(score.bars);
  const piece = (name: string, value: string, bar: number | null): Fact => ({ group: 'piece', name, value, bar });
  const facts: Fact[] = [
    ...originFacts(score),
    piece('Instrument', instrument, null),
    piece('Key', keyName(first.key), 0),
  ];
  score.bars.forEach((bar, i) => {
    const before = score.bars[i - 1];
    if (before && (before.key.fifths !== bar.key.fifths || before.key.mode !== bar.key.mode))
      facts.push(piece(`Key from bar ${bar.name}`, keyName(bar.key), i));
  });
  facts.push(piece('Meter', meterInWords(first.meter), 0));
  score.bars.forEach((bar, i) => {
    const before = score.bars[i - 1];
    if (before && meterText(before.meter) !== meterText(bar.meter))
      facts.push(piece(`Meter from bar ${bar.name}`, meterText(bar.meter), i));
  });
  const [tempo] = score.tempos;
  const unit = tempoUnit((score.bars[tempo?.bar ?? 0] ?? first).meter);
  facts.push(
    piece(
      'Tempo',
      tempo ? `${inBeats(tempo.bpm, unit)} ${noteNamed(unit, names)}s a minute` : 'none marked; 120 quarters are used',
      tempo?.bar ?? 0,
    ),
  );
  const written = clockText(
    playedSeconds(
      score,
      score.bars.map((b) => b.index),
    ),
  );
  facts.push(
    piece(
      'Length',
      `${score.bars.length} bars, ${written}${order.length === score.bars.length ? '' : `; ${clockText(playedSeconds(score, order))} with repeats`}`,
      null,
    ),
  );
  const dense = densest(score);
  if (dense) facts.push(piece('Densest', `${dense.rate.toFixed(1)} notes a second`, dense.bar));
  const patterns = score.notes.length === 0 ? [] : patternsFor(first.key);
  return [
    ...facts,
    ...rangeFacts(score),
    ...patterns.map((p): Fact => ({
      group: 'know',
      name: `${p.name} ${p.kind}`,
      value: `${p.notes.join(' ')} (${p.role})`,
      bar: null,
    })),
    ...signFacts(score),
    ...rhythmFacts(score, names),
  ];
}
