import { STEPS, struckNotes, writtenMidi, type Bar, type Note, type Score } from '../score';

/**
 * What a note outside the chord costs by how it moves, as a share of what a leaping one costs: the usual kinds of
 * non-chord tones (any harmony textbook, e.g. Aldwell and Schachter, "Harmony and Voice Leading", 1978, chapters 21 to
 * 23). Weights ours, set on the training pieces.
 */
export const FIGURE_PRICES = {
  passing: 0.11,
  accentedPassing: 0.4,
  appoggiatura: 0.72,
  /** The same where the note lasts its beat or longer: as likely a note of a chord of its own. */
  longPassing: 0.56,
  longAppoggiatura: 0.65,
  suspension: 0.55,
  anticipation: 0.3,
  escape: 0.6,
  pedal: 0.05,
  plain: 1.6,
} as const;
export type NoteFigure = keyof typeof FIGURE_PRICES;

/** A note as harmony hears it: times in ticks, ties joined. */
export interface HeardNote {
  readonly key: number;
  /** Letter of the sounding pitch, 0 for C to 6 for B; null where the page spells none. */
  readonly letter: number | null;
  readonly from: number;
  readonly to: number;
  readonly figure: NoteFigure;
  /** To when it is heard on after it has stopped sounding: the bass of a waltz, the notes of a broken chord. */
  readonly rings: number;
  /** Names its line: part, staff and voice. */
  readonly line: string;
}

/** The letter that sounds: the written one, moved as far as the part transposes. */
function soundingLetter(note: Note): number | null {
  if (!note.pitch || note.midi === null) return null;
  const moved = Math.round(((note.midi - writtenMidi(note.pitch)) * 7) / 12);
  return (((STEPS.indexOf(note.pitch.step) + moved) % 7) + 7) % 7;
}

interface Struck {
  readonly note: Note;
  readonly sounding: number;
}

const isStep = (a: number, b: number): boolean => a !== b && Math.abs(a - b) <= 2;

/** Of the notes struck together before or after, the one nearest in pitch: a chord moves in lines. */
function nearest(group: readonly Struck[] | undefined, key: number): Struck | undefined {
  return group?.reduce((best, s) =>
    Math.abs((s.note.midi ?? 0) - key) < Math.abs((best.note.midi ?? 0) - key) ? s : best,
  );
}

/** How a note moves between its neighbours in the same line; `beat` is the length of the beat it begins, in ticks. */
function figureOf(
  s: Struck,
  before: Struck | undefined,
  after: Struck | undefined,
  beat: number | undefined,
): NoteFigure {
  const onBeat = beat !== undefined;
  const long = onBeat && s.sounding >= beat;
  const key = s.note.midi ?? 0;
  const from = before?.note.midi ?? null;
  const to = after?.note.midi ?? null;
  const stepIn = from !== null && isStep(from, key);
  const stepOut = to !== null && isStep(key, to);
  const shorter = (other: Struck | undefined): boolean => other !== undefined && s.sounding <= other.sounding;
  if (from === key && stepOut && to !== null && to < key && onBeat) return 'suspension';
  if (stepIn && stepOut) {
    if (!onBeat && (shorter(before) || shorter(after))) return 'passing';
    return long ? 'longPassing' : 'accentedPassing';
  }
  if (to === key && !onBeat && stepIn && shorter(after)) return 'anticipation';
  if (stepOut && onBeat) return long ? 'longAppoggiatura' : 'appoggiatura';
  if ((stepIn || stepOut) && !onBeat) return 'escape';
  return 'plain';
}

/** Notes on either side among which a broken chord shows: most moves are leaps, and the note itself comes back. */
const AROUND = 4;
function isBroken(keys: readonly number[], at: number): boolean {
  const from = Math.max(0, at - AROUND);
  const near = keys.slice(from, at + AROUND + 1);
  const moves = near.slice(1).map((key, i) => Math.abs(key - (near[i] ?? key)));
  const leaps = moves.filter((m) => m > 2).length;
  const again = near.filter((key, i) => key === keys[at] && from + i !== at).length;
  return moves.length >= 3 && leaps * 2 >= moves.length && again > 0;
}

/**
 * A bass that is struck and left for the notes of its chord above it is heard on: to where its line comes back down to
 * it, at most to the end of its bar.
 */
function ringsTo(keys: readonly number[], onsets: readonly number[], at: number, barEnd: number): number {
  const low = keys[at] ?? 0;
  for (let k = at + 1; k < keys.length; k += 1) {
    const onset = onsets[k] ?? Infinity;
    if (onset >= barEnd) break;
    if ((keys[k] ?? 0) - low < 3) return onset;
  }
  return barEnd;
}

/** The first and lowest note of a bar under at least two others: the bass of a chord broken over the bar. */
function isBarBass(keys: readonly number[], onsets: readonly number[], at: number, bar: Bar | undefined): boolean {
  if (!bar || bar.onset !== onsets[at]) return false;
  let others = 0;
  for (let k = at + 1; (onsets[k] ?? Infinity) < bar.onset + bar.length; k += 1) {
    if ((keys[k] ?? 0) - (keys[at] ?? 0) < 3) return false;
    others += 1;
  }
  return others >= 2;
}

/** A note, or its octave with it: a bass, where a chord of its own is none. */
const isOneTone = (group: readonly Struck[]): boolean =>
  new Set(group.map(({ note }) => (note.midi ?? 0) % 12)).size === 1;

/** So many tones struck at once are a chord of their own. */
const BLOCK_TONES = 3;

/** Every sounding note with its figure, by onset. `beats` has the length of the beat that begins at a tick. */
export function heardNotes(score: Score, beats: ReadonlyMap<number, number>): readonly HeardNote[] {
  const lines = new Map<string, Map<number, Struck[]>>();
  for (const s of struckNotes(score.notes)) {
    const { note } = s;
    if (note.midi === null || note.grace || s.sounding <= 0) continue;
    const line = `${note.part} ${note.staff} ${note.voice}`;
    const groups = lines.get(line) ?? new Map<number, Struck[]>();
    lines.set(line, groups);
    const there = groups.get(note.onset);
    if (there) there.push(s);
    else groups.set(note.onset, [s]);
  }
  const together = new Map<number, Set<number>>();
  for (const groups of lines.values())
    for (const [onset, group] of groups)
      for (const { note } of group)
        together.set(onset, (together.get(onset) ?? new Set<number>()).add((note.midi ?? 0) % 12));
  const out: HeardNote[] = [];
  for (const [line, groups] of lines) {
    const onsets = [...groups.keys()].sort((a, b) => a - b);
    const lows = onsets.map((onset) => Math.min(...(groups.get(onset) ?? []).map((s) => s.note.midi ?? 127)));
    let beatLength = score.ticksPerQuarter;
    onsets.forEach((onset, i) => {
      beatLength = beats.get(onset) ?? beatLength;
      const group = groups.get(onset) ?? [];
      const before = groups.get(onsets[i - 1] ?? -1);
      const after = groups.get(onsets[i + 1] ?? -1);
      const ends = Math.max(...group.map((s) => s.note.onset + s.sounding));
      // After a rest of more than a beat nothing leads anywhere.
      const follows = (onsets[i + 1] ?? Infinity) - ends <= score.ticksPerQuarter;
      for (const s of group) {
        const key = s.note.midi ?? 0;
        const bar = score.bars[s.note.bar];
        const to = onset + s.sounding;
        const figure = figureOf(s, nearest(before, key), follows ? nearest(after, key) : undefined, beats.get(onset));
        // In notes of a beat and longer a leaping line is a bass, not a broken chord.
        const short = s.sounding < beatLength;
        const broken = short && isBroken(lows, i);
        // Where all voices strike together and stay for the beat, each note is of the chord.
        const block = !short && (together.get(onset)?.size ?? 0) >= BLOCK_TONES;
        const strummed = group.length === 1 && (after?.length ?? 0) > 1;
        const end = bar ? bar.onset + bar.length : to;
        out.push({
          key,
          letter: soundingLetter(s.note),
          from: onset,
          to,
          figure: broken || block ? 'plain' : figure,
          rings: Math.max(
            to,
            broken || strummed || (isOneTone(group) && isBarBass(lows, onsets, i, bar))
              ? ringsTo(lows, onsets, i, end)
              : to,
            // The notes of a broken chord are heard into the next beat of their bar.
            broken ? Math.min(end, onset + 2 * beatLength) : to,
          ),
          line,
        });
      }
    });
  }
  return out.sort((a, b) => a.from - b.from || a.key - b.key);
}
