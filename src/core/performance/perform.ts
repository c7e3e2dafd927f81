import { tempoAt, type Bar, type Score } from '../score';
import { velocities, type DynamicSign } from './loudness';
import { struckByBar } from './struck';
import { midiKey, quarterBpm, ticks, type MidiKey, type QuarterBpm, type Ticks } from '../units';

/**
 * A note as it sounds in a given order of bars: ties joined, grace notes given room. Times in ticks from the start of
 * playing.
 */
export interface SoundingNote {
  readonly noteId: string;
  readonly part: string;
  readonly staff: number;
  readonly voice: string;
  readonly midi: MidiKey;
  readonly start: Ticks;
  readonly length: Ticks;
  /** Bar as written, and its place in the order played. */
  readonly bar: number;
  readonly turn: number;
  /** 1 to 127, from the dynamic in force, hairpins as ramps. */
  readonly velocity: number;
}

export interface PlayedBar {
  readonly bar: Bar;
  readonly start: Ticks;
}

export interface Performance {
  readonly bars: readonly PlayedBar[];
  readonly notes: readonly SoundingNote[];
  readonly tempos: readonly { readonly start: Ticks; readonly bpm: QuarterBpm }[];
  readonly length: Ticks;
}

export interface PerformanceRequest {
  /** Bars in the order they are played. */
  readonly order: readonly number[];
  /** One tempo for all; the marks of the score when left out. */
  readonly tempo?: QuarterBpm;
  /** Which voices of which staves sound; all when left out. */
  readonly sounds?: (part: string, staff: number, voice: string) => boolean;
  /** Levels and hairpins; those of the page when left out. */
  readonly dynamics?: readonly DynamicSign[];
  /** The key at which notes without a pitch are struck, as on a drum; they stay silent when left out. */
  readonly unpitched?: MidiKey;
}

/** Where a time inside a bar falls when pairs are swung: what stands on the second of a pair moves, nothing else. */
function swung(at: number, bar: Bar, score: Score): number {
  const mark = score.swings.filter((s) => s.onset <= bar.onset + at).pop();
  if (!mark || mark.first === mark.second) return at;
  const pair = (2 * score.ticksPerQuarter) / mark.perQuarter;
  const inPair = at % pair;
  return inPair * 2 === pair ? at - inPair + (pair * mark.first) / (mark.first + mark.second) : at;
}

/**
 * The score played in a given order of bars. An empty order gives an empty performance.
 *
 * @example perform(score, { order: [0] }).notes.length // → 4
 */
export function perform(score: Score, request: PerformanceRequest): Performance {
  const { order, tempo, sounds = () => true, unpitched } = request;
  const struck = struckByBar(score);
  const velocity = velocities(score, request.dynamics);
  const bars: PlayedBar[] = [];
  const notes: SoundingNote[] = [];
  const tempos: { start: Ticks; bpm: QuarterBpm }[] = [];
  const grace = Math.max(1, Math.round(score.ticksPerQuarter / 8));
  const passes = new Map<number, number>();
  let at = 0;
  order.forEach((index, turn) => {
    const bar = score.bars[index];
    if (!bar) return;
    bars.push({ bar, start: ticks(at) });
    const here = [
      { onset: bar.onset as number, bpm: tempoAt(score, bar.onset) },
      ...score.tempos.filter((t) => t.onset > bar.onset && t.onset < bar.onset + bar.length),
    ];
    for (const t of here) {
      const bpm = tempo ?? t.bpm;
      if (tempos[tempos.length - 1]?.bpm !== bpm)
        tempos.push({ start: ticks(at + t.onset - bar.onset), bpm: quarterBpm(bpm) });
    }
    // Until where a tie may ring on: as long as the bars follow as written.
    let until = at + bar.length;
    for (let k = turn; order[k + 1] === (order[k] ?? 0) + 1; k += 1)
      until += score.bars[order[k + 1] ?? 0]?.length ?? 0;
    const pass = (passes.get(index) ?? 0) + 1;
    passes.set(index, pass);
    const list = (struck[index] ?? []).filter(
      ({ note }) =>
        (note.midi ?? unpitched) !== undefined &&
        sounds(note.part, note.staff, note.voice) &&
        (note.timeOnly === null || note.timeOnly.includes(pass)),
    );
    list.forEach(({ note, sounding }, i) => {
      const beat = at + Math.round(swung(note.onset - bar.onset, bar, score));
      const end = at + Math.round(swung(note.onset - bar.onset + sounding, bar, score));
      const base = {
        noteId: note.id,
        part: note.part,
        staff: note.staff,
        voice: note.voice,
        midi: midiKey(note.midi ?? unpitched ?? 60),
        bar: index,
        turn,
        velocity: velocity(note),
      };
      if (note.grace === null) {
        notes.push({ ...base, start: ticks(beat), length: ticks(Math.max(1, Math.min(end - beat, until - beat))) });
        return;
      }
      const group = list.filter(
        (o) =>
          o.note.grace !== null &&
          o.note.onset === note.onset &&
          o.note.part === note.part &&
          o.note.staff === note.staff,
      );
      const place = group.findIndex((o) => o.note.id === note.id);
      const start = Math.max(0, beat - (group.length - place) * grace);
      notes.push({ ...base, start: ticks(i === 0 && beat === 0 ? 0 : start), length: ticks(grace) });
    });
    at += bar.length;
  });
  notes.sort((a, b) => a.start - b.start || a.midi - b.midi);
  return { bars, notes, tempos, length: ticks(at) };
}
