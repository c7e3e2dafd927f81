import { beatOnsets, struckNotes, type Score } from '../score';
import { HARMONY_WEIGHTS } from './chord-fit';

interface Sounding {
  readonly key: number;
  readonly from: number;
  readonly to: number;
  readonly passing: boolean;
}

interface Segment {
  readonly bar: number;
  readonly beat: number;
  readonly from: number;
  readonly to: number;
  readonly downbeat: boolean;
}

function segmentsOf(score: Score): Segment[] {
  return score.bars.flatMap((bar) => {
    const beats = beatOnsets(bar, score.ticksPerQuarter);
    return beats.map((b, i) => ({
      bar: bar.index,
      beat: i + 1,
      from: bar.onset + b.at,
      to: bar.onset + (beats[i + 1]?.at ?? bar.length),
      downbeat: b.downbeat,
    }));
  });
}

/** Notes with their sounding ends; short ones approached and left by step in the same voice are passing. */
function soundingNotes(score: Score): Sounding[] {
  const struck = struckNotes(score.notes).filter((s) => s.note.midi !== null && !s.note.grace);
  const byVoice = new Map<string, typeof struck>();
  for (const s of struck) {
    const key = `${s.note.part} ${s.note.staff} ${s.note.voice}`;
    const list = byVoice.get(key);
    if (list) list.push(s);
    else byVoice.set(key, [s]);
  }
  const out: Sounding[] = [];
  for (const list of byVoice.values())
    list.forEach((s, i) => {
      const key = s.note.midi ?? 60;
      const before = list[i - 1]?.note;
      const after = list[i + 1]?.note;
      const step = (other: typeof before): boolean =>
        other?.midi != null && other.onset !== s.note.onset && Math.abs(other.midi - key) <= 2 && other.midi !== key;
      const offBeat = (s.note.onset - (score.bars[s.note.bar]?.onset ?? 0)) % score.ticksPerQuarter !== 0;
      out.push({
        key,
        from: s.note.onset,
        to: s.note.onset + s.sounding,
        passing:
          s.sounding <= score.ticksPerQuarter &&
          step(before) &&
          step(after) &&
          (offBeat || s.sounding < score.ticksPerQuarter),
      });
    });
  return out.sort((a, b) => a.from - b.from);
}

/** Notes sounding together at the start of a segment. */
function mostAtOnce(notes: readonly Sounding[], from: number, segment: Segment): number {
  let count = 0;
  for (let i = from; i < notes.length && (notes[i]?.from ?? Infinity) <= segment.from; i += 1)
    if ((notes[i]?.to ?? 0) > segment.from) count += 1;
  return count;
}

/** What sounds in one beat. */
export interface HeardBeat {
  readonly segment: Segment;
  /** By pitch class: how much of the beat it sounds. */
  readonly weights: readonly number[];
  /** Lowest key that is no passing note. */
  readonly bass: number | null;
  /** Most notes at once. */
  readonly most: number;
  /** The bass does not last the beat. */
  readonly figure: boolean;
  readonly notes: readonly number[];
  readonly silent: boolean;
}

/** What sounds inside a segment, from the notes at `lowBound` on. */
function hear(segment: Segment, notes: readonly Sounding[], lowBound: number): HeardBeat {
  const weights = Array.from({ length: 12 }, () => 0);
  let bass: number | null = null;
  const keysNow = new Set<number>();
  let bassLength = 0;
  for (let i = lowBound; i < notes.length; i += 1) {
    const n = notes[i];
    if (!n || n.from >= segment.to) break;
    if (n.to <= segment.from) continue;
    const share = (Math.min(n.to, segment.to) - Math.max(n.from, segment.from)) / (segment.to - segment.from);
    const onBeat = n.from <= segment.from ? 1.25 : 1;
    weights[n.key % 12] = (weights[n.key % 12] ?? 0) + share * onBeat * (n.passing ? HARMONY_WEIGHTS.passing : 1);
    keysNow.add(n.key);
    if ((bass === null || n.key < bass) && !n.passing) {
      bass = n.key;
      bassLength = n.to - n.from;
    }
  }
  return {
    segment,
    weights,
    bass,
    most: mostAtOnce(notes, lowBound, segment),
    figure: bassLength < segment.to - segment.from,
    notes: [...keysNow].sort((a, b) => a - b),
    silent: keysNow.size === 0,
  };
}

/** Every beat of the piece with what sounds in it. */
export function heardBeats(score: Score): HeardBeat[] {
  const notes = soundingNotes(score);
  const longest = score.ticksPerQuarter * 16;
  let lowBound = 0;
  return segmentsOf(score).map((segment) => {
    while (
      lowBound < notes.length &&
      (notes[lowBound]?.to ?? 0) <= segment.from &&
      (notes[lowBound]?.from ?? 0) < segment.from - longest
    )
      lowBound += 1;
    return hear(segment, notes, lowBound);
  });
}
