import { isBlankBetween, lastWhere, struckNotes, type Score } from '../score';
import type { BeatChord, Cadence, CadenceKind } from './harmony';
import { isMinorMode, keyAt, type KeySpan } from './keys';

/** The last beat with a chord up to a place. */
function chordBack(beats: readonly BeatChord[], from: number): number {
  let at = from;
  while (at >= 0 && beats[at]?.root === null) at -= 1;
  return at;
}

/** A note of the tune, times in ticks. */
interface TuneNote {
  readonly key: number;
  readonly from: number;
  readonly to: number;
}

/** The note that a phrase ends on, and whether the tune rests on it: it lasts a beat, or a rest follows. */
interface LastNote extends TuneNote {
  readonly rests: boolean;
}

/** The highest notes of the first part that has any, on its upper staff. */
function tuneOf(score: Score): readonly TuneNote[] {
  const part = score.parts.find((p) => score.notes.some((n) => n.part === p.id && n.midi !== null))?.id;
  const staff = Math.min(...score.notes.filter((n) => n.part === part && n.midi !== null).map((n) => n.staff));
  const tops = new Map<number, TuneNote>();
  for (const { note, sounding } of struckNotes(score.notes)) {
    if (note.part !== part || note.staff !== staff || note.midi === null || note.grace) continue;
    const there = tops.get(note.onset);
    if (!there || note.midi > there.key)
      tops.set(note.onset, { key: note.midi, from: note.onset, to: note.onset + sounding });
  }
  return [...tops.values()].sort((a, b) => a.from - b.from);
}

/** The note that a phrase ends on: its last, or the last long one where short notes lead on from it. */
function lastNote(tune: readonly TuneNote[], from: number, to: number, beat: number, bar: number): LastNote | null {
  const mine = tune.slice(lastWhere(tune, (n) => n.from < from) + 1, lastWhere(tune, (n) => n.from < to) + 1);
  const last = mine[mine.length - 1];
  if (!last) return null;
  const length = (n: TuneNote): number => Math.min(n.to, to) - n.from;
  const restsAfter = to - last.to >= beat / 2;
  if (length(last) >= beat || restsAfter) return { ...last, rests: true };
  const long = mine.filter((n) => n.from >= to - bar && length(n) >= beat);
  const held = long[long.length - 1];
  return held ? { ...held, rests: true } : { ...last, rests: false };
}

/** What a phrase that ends on a tune’s note says by its degree, where no chords sound but are implied at most. */
function kindByTune(degree: number, overTonic: boolean): CadenceKind | null {
  if (degree === 0) return 'authentic';
  // The fifth over the tonic chord leaves nothing open.
  if (degree === 7 && overTonic) return null;
  return degree === 2 || degree === 7 || degree === 11 ? 'half' : null;
}

/** Whether a chord leads home: a major chord a fifth above, or a diminished one a half step below. */
const leadsHome = ({ root, kind }: BeatChord, to: number): boolean => {
  const up = ((root ?? 0) - to + 12) % 12;
  return up === 7
    ? kind === 'major' || kind.includes('dominant') || kind.startsWith('suspended')
    : up === 11 && kind.includes('diminished');
};

function kindByChords(before: BeatChord | undefined, last: BeatChord, key: KeySpan): CadenceKind | null {
  if (last.root === null) return null;
  const degree = (last.root - key.tonic + 12) % 12;
  const minor = isMinorMode(key.mode);
  const stable = last.kind === 'major' || last.kind === 'minor' || last.kind.endsWith('-sixth');
  if (degree === 7 && !last.kind.startsWith('minor')) return 'half';
  if (!before || before.root === null || !stable) return null;
  const from = (before.root - key.tonic + 12) % 12;
  // In the relative key too, which one hears as a home of its own.
  const relative = minor ? 3 : 9;
  if (leadsHome(before, last.root) && (degree === 0 || (degree === relative && before.kind === 'dominant')))
    return 'authentic';
  if (degree === (minor ? 8 : 9) && from === 7) return 'deceptive';
  return degree === 0 && from === 5 && last.bass === last.root ? 'plagal' : null;
}

/** What is looked at for cadences: chords and keys as found, and where phrases end, in ticks. */
interface Phrased {
  readonly score: Score;
  readonly beats: readonly BeatChord[];
  readonly keys: readonly KeySpan[];
  readonly ends: readonly number[];
  /** No chords are heard under the tune. */
  readonly alone: boolean;
}

/** The first beat of the chord that sounds at a beat, and the last beat of the chord before it. */
function arrival(beats: readonly BeatChord[], at: number): { readonly first: number; readonly before: number } {
  const root = beats[at]?.root;
  let first = at;
  for (let i = at; i >= 0 && (beats[i]?.root === root || beats[i]?.root === null); i -= 1)
    if (beats[i]?.root === root) first = i;
  let before = first - 1;
  while (before >= 0 && beats[before]?.root === null) before -= 1;
  return { first, before };
}

/** A six-four of the tonic on the way to the dominant ends nothing: the chord after it does. */
const isSixFour = (b: BeatChord): boolean => b.bass !== null && b.tones.indexOf(b.bass) === 2;

/**
 * The cadences of a piece: one at most at the end of each phrase, never inside one. Of a tune alone they are told by
 * the degree it ends on.
 */
export function findCadences({ score, beats, keys, ends, alone }: Phrased): readonly Cadence[] {
  const tune = tuneOf(score);
  let from = 0;
  return ends.flatMap((to): Cadence[] => {
    const start = from;
    from = to;
    const index = chordBack(
      beats,
      lastWhere(beats, (b) => b.onset < to),
    );
    const there = beats[index];
    if (!there) return [];
    const bar = score.bars[there.bar];
    const last = lastNote(tune, start, to, there.length, bar?.length ?? there.length);
    // A phrase that is not written to its end closes nowhere.
    if (!last || isBlankBetween(score.bars, last.to, to)) return [];
    let at = chordBack(
      beats,
      lastWhere(beats, (b) => b.onset <= last.from),
    );
    if (at < 0) at = index;
    const here = beats[at];
    if (here && isSixFour(here) && beats[at + 1]?.root != null && (beats[at + 1]?.onset ?? to) < last.to) at += 1;
    const { first, before } = arrival(beats, at);
    const chord = beats[at];
    const key = keyAt(keys, chord?.bar ?? 0);
    const degree = (last.key - key.tonic + 120) % 12;
    const kind = !chord
      ? null
      : alone
        ? kindByTune(degree, chord.root === key.tonic)
        : kindByChords(beats[before], chord, key);
    // What the chord contradicts is not said.
    const up = ((chord?.root ?? 0) - key.tonic + 12) % 12;
    if (alone && kind === 'half' && up !== 7 && up !== 11) return [];
    const place = alone ? beats[at] : beats[Math.max(first, lastWhere(beats, (b) => b.bar < (chord?.bar ?? 0)) + 1)];
    if (kind === null || !place || !chord) return [];
    const onRoots = chord.bass === chord.root && beats[before]?.bass === beats[before]?.root;
    // Where the figures run on without a stop, only roots in the bass close anything.
    if (!last.rests && !alone && (kind !== 'authentic' || !onRoots)) return [];
    return [
      {
        bar: place.bar,
        beat: place.beat,
        onset: place.onset,
        kind,
        perfect: kind === 'authentic' && degree === 0 && (alone || onRoots),
      },
    ];
  });
}

/** The flags of a beat at which a phrase closes. */
export function withCadenceFlags(beats: readonly BeatChord[], cadences: readonly Cadence[]): readonly BeatChord[] {
  const kinds = new Map(cadences.map((c) => [c.onset, c.kind] as const));
  return beats.map((b) => {
    const kind = kinds.get(b.onset);
    return kind === undefined ? b : { ...b, flags: [...b.flags, `${kind}-cadence` as const] };
  });
}
