import type { Score } from '../score';
import { ticks } from '../units';
import { beatsOf, heardBeats, type HeardBeat } from './beats';
import { bestSpelling, candidatesFor } from './chord-evidence';
import { isDiatonic } from './chord-in-key';
import { CHORDS, isAugmentedSixth, isDiminished, isDominant, type Chord } from './chord-kinds';
import { degreeName, rootName, spelledName } from './chord-names';
import { findSequences } from './chord-sequences';
import { findCadences, withCadenceFlags } from './cadences';
import { certaintyOf, GUESS, runnersUp } from './certainty';
import { harmonicPath, type ChordSpan } from './harmonic-path';
import type { BeatChord, ChordFlag, Harmony } from './harmony';
import { keysInQuestion } from './key-choice';
import type { KeySpan, MusicalKey } from './keys';
import { heardNotes } from './note-figures';
import { findPedals, heldBasses, withPedalNotes } from './pedals';
import { printedChords, type PrintedChord } from './printed-chords';
import { flagResolutions } from './resolutions';
import { spanContent, type SpanContent } from './span-content';

/** At most one note at a time: its chords are guessed from a tune. */
function isAlone(beats: readonly HeardBeat[]): boolean {
  return beats.every((b) =>
    b.notes.every((n, i) => b.notes.every((o, k) => k <= i || o.from >= n.to || n.from >= o.to)),
  );
}

/** The bass of a beat under its chord: a figure within the beat is heard from the lowest tone of the chord in it. */
function bassOf(span: ChordSpan, at: number, beats: readonly HeardBeat[], content: SpanContent): number | null {
  const beat = beats[at];
  const own = content.bass[at] ?? null;
  const chord = CHORDS[span.chord];
  if (!beat || own === null || !chord) return null;
  const tones = chord.kind.tones.map((t) => (t + chord.root) % 12);
  const broken = !beat.ringing.includes(own) && own.to - own.from < beat.to - beat.from;
  let low = own;
  if (broken)
    for (let k = span.from; k < span.to; k += 1) {
      const other = content.bass[k] ?? null;
      if (beats[k]?.bar === beat.bar && other !== null && other.key < low.key && tones.includes(other.key % 12))
        low = other;
    }
  return low.key % 12;
}

function flagsOf(chord: Chord, key: MusicalKey, degree: string): ChordFlag[] {
  const flags: ChordFlag[] = [];
  if (isDominant(chord.kind.name)) flags.push('dominant');
  if (isDiminished(chord.kind.name)) flags.push('diminished');
  if (isAugmentedSixth(chord.kind.name)) flags.push('augmented-sixth');
  if (degree.startsWith('N')) flags.push('neapolitan');
  // A dominant of one of its degrees is of the key.
  if (!isDiatonic(chord, key) && !degree.includes('/') && !isAugmentedSixth(chord.kind.name) && !degree.startsWith('N'))
    flags.push('outside-the-key');
  return flags;
}

/** Beats by which another chord has to fit better for it to be said that a printed one does not agree. */
const DISAGREES = 0.6;

/** What sounds under a printed chord, where it is plainly another; null where they agree or a tune alone sounds. */
function heardUnder(span: ChordSpan, { content, alone, printed, keys }: Asked): string | null {
  const classes = printed[span.from]?.classes ?? [];
  const key = keys[span.key];
  if (!span.printed || alone || !key) return null;
  const all = candidatesFor(content, span.from, span.to, alone, CHORDS.length);
  const [best] = all;
  const chord = CHORDS[best?.chord ?? -1];
  const mine = all.find((c) => c.chord === span.chord);
  if (!best || !chord || chord.kind.tones.every((t) => classes.includes((chord.root + t) % 12))) return null;
  const ahead = best.worth - (mine?.worth ?? -Infinity);
  return ahead > DISAGREES * Math.sqrt(span.to - span.from) ? symbolOf(chord, span, null, key, content) : null;
}

interface Asked {
  readonly beats: readonly HeardBeat[];
  readonly content: SpanContent;
  readonly alone: boolean;
  readonly keys: readonly MusicalKey[];
  readonly printed: readonly (PrintedChord | null)[];
}

function symbolOf(chord: Chord, span: ChordSpan, bass: number | null, key: MusicalKey, content: SpanContent): string {
  const letter = bestSpelling(chord, content, span.from, span.to);
  const place = bass === null ? -1 : chord.kind.tones.indexOf((bass - chord.root + 12) % 12);
  const name = letter === null ? rootName(chord.root, key) : spelledName(chord.root, letter);
  const low =
    place > 0 && bass !== null
      ? letter === null
        ? rootName(bass, key)
        : spelledName(bass, (letter + (chord.kind.letters[place] ?? 0)) % 7)
      : null;
  return `${name}${chord.kind.suffix}${low === null ? '' : `/${low}`}`;
}

/** The chords of the beats of one span. */
function chordsOfSpan(spans: readonly ChordSpan[], index: number, asked: Asked): readonly BeatChord[] {
  const span = spans[index];
  const chord = CHORDS[span?.chord ?? -1];
  const key = asked.keys[span?.key ?? -1];
  if (!span || !chord || !key) return [];
  const runners = runnersUp(spans, index, asked.keys);
  const heard = heardUnder(span, asked);
  const certainty = span.printed ? 1 : certaintyOf(runners, span.to - span.from, asked.alone);
  return asked.beats.slice(span.from, span.to).map((beat, i): BeatChord => {
    const at = span.from + i;
    const base = {
      bar: beat.bar,
      beat: beat.beat,
      onset: ticks(beat.from),
      length: ticks(beat.to - beat.from),
      notes: [...new Set(beat.notes.map((n) => n.key))].sort((a, b) => a - b),
    };
    const printed = asked.printed[at] ?? null;
    const bass = asked.alone ? null : bassOf(span, at, asked.beats, asked.content);
    const place = bass === null ? 0 : Math.max(0, chord.kind.tones.indexOf((bass - chord.root + 12) % 12));
    const degree = degreeName(chord, place, key);
    const tones = printed ? printed.classes : chord.kind.tones.map((t) => (chord.root + t) % 12);
    const named: BeatChord = {
      ...base,
      symbol: printed ? printed.text : symbolOf(chord, span, bass, key, asked.content),
      degree,
      root: chord.root,
      kind: chord.kind.name,
      bass,
      tones,
      flags: flagsOf(chord, key, degree),
      certainty,
      alternatives: span.printed
        ? []
        : runners.filter((r) => r.close).map((r) => symbolOf(r.chord, span, bass, key, asked.content)),
      printed: span.printed,
      heard,
    };
    return base.notes.length === 0 && printed === null ? { ...silenced(named), certainty: 1 } : named;
  });
}

/** Share of the notes of a tune that its chords have to hold. */
const EXPLAINED = 0.6;

/** A tune alone says nothing of its chords where most of them would be guesses. */
function isUntold(beats: readonly BeatChord[]): boolean {
  const sounding = beats.filter((b) => b.symbol !== '');
  const told = sounding.filter((b) => b.certainty >= GUESS).length;
  const inChord = sounding.map((b) => b.notes.filter((n) => b.tones.includes(n % 12)).length / b.notes.length);
  const explained = inChord.reduce((a, b) => a + b, 0);
  return told * 2 < sounding.length || explained < EXPLAINED * sounding.length;
}

/** A beat whose chord is not told. */
const silenced = (b: BeatChord): BeatChord => ({
  ...b,
  symbol: '',
  degree: '',
  root: null,
  kind: '',
  bass: null,
  tones: [],
  flags: [],
  alternatives: [],
});

/** Shorter stays are passing through, not a modulation. */
const LEAST_KEY_BARS = 3;
/** How sure a key is by the share of its beats that are in it: none of them, all of them. */
const KEY_LEAST = 0.4;
const KEY_MOST = 0.97;

/** Keys bar by bar: a bar is in the key that most of its beats are in; what stays for less than three bars is none. */
function keySpans(spans: readonly ChordSpan[], beats: readonly HeardBeat[], keys: readonly MusicalKey[]): KeySpan[] {
  const byBar = new Map<number, Map<number, number>>();
  for (const span of spans)
    for (let i = span.from; i < span.to; i += 1) {
      const bar = beats[i]?.bar ?? 0;
      const counts = byBar.get(bar) ?? new Map<number, number>();
      byBar.set(bar, counts);
      counts.set(span.key, (counts.get(span.key) ?? 0) + 1);
    }
  const runs: { from: number; to: number; key: number }[] = [];
  const beatsIn = (from: number, to: number, key: number | null): number =>
    [...byBar].reduce(
      (sum, [bar, counts]) =>
        bar < from || bar > to
          ? sum
          : sum + (key === null ? [...counts.values()].reduce((a, b) => a + b, 0) : (counts.get(key) ?? 0)),
      0,
    );
  for (const [bar, counts] of byBar) {
    const [key = 0] = [...counts].sort(([, a], [, b]) => b - a)[0] ?? [];
    const last = runs[runs.length - 1];
    if (last?.key === key) last.to = bar;
    else runs.push({ from: bar, to: bar, key });
  }
  const stays = runs.filter((r) => r.to - r.from + 1 >= LEAST_KEY_BARS);
  const kept = stays.length > 0 ? stays : runs.slice(0, 1);
  const joined: typeof runs = [];
  for (const run of kept) {
    const last = joined[joined.length - 1];
    if (last?.key === run.key) last.to = run.to;
    else joined.push({ ...run });
  }
  // What lies between two stays goes with the one before; a bar too short to have a beat goes with the next.
  const end = runs[runs.length - 1]?.to ?? 0;
  return joined.flatMap((run, i): KeySpan[] => {
    const key = keys[run.key];
    const [from, to] = [i === 0 ? 0 : run.from, (joined[i + 1]?.from ?? end + 1) - 1];
    const share = beatsIn(from, to, run.key) / Math.max(1, beatsIn(from, to, null));
    return key
      ? [{ from, to, ...key, certainty: Math.round((KEY_LEAST + (KEY_MOST - KEY_LEAST) * share) * 100) / 100 }]
      : [];
  });
}

/**
 * Chords and keys as the best division of the whole piece into runs under one chord, with pedals and sequences. What is
 * printed over the notes stands. `ends` says where phrases end, in ticks: cadences are looked for there and nowhere
 * else.
 *
 * @example findHarmony(scoreOf('[CEG]4|[DFB]4|')).beats[4].symbol // → 'Bdim/D'
 */
export function findHarmony(score: Score, ends: readonly number[] = []): Harmony {
  const places = beatsOf(score);
  const starts = new Map(places.map((p) => [p.from, p.to - p.from]));
  const bare = heardBeats(places, heardNotes(score, starts));
  const alone = isAlone(bare);
  const held = alone ? [] : heldBasses(bare);
  const beats = withPedalNotes(bare, held);
  const content = spanContent(beats, alone);
  const { keys, worth } = keysInQuestion(score);
  const printed = printedChords(score, places);
  const spans = harmonicPath({
    beats,
    content,
    alone,
    keys,
    signature: beats.map((b) => worth(b.bar)),
    printed: printed.map((p) => p?.chord ?? null),
  });
  const asked: Asked = { beats, content, alone, keys, printed };
  const told = spans.flatMap((_, i) => chordsOfSpan(spans, i, asked));
  const untold = alone && isUntold(told);
  const chords = untold ? told.map(silenced) : told;
  const inKeys = keySpans(spans, beats, keys);
  const pedals = findPedals(held, chords, inKeys);
  const inPedal = (b: BeatChord): boolean => pedals.some((p) => b.bar >= p.from && b.bar <= p.to);
  const flagged = flagResolutions(chords).map((b) =>
    inPedal(b) ? { ...b, flags: [...b.flags, 'pedal' as const] } : b,
  );
  const cadences = findCadences({ score, beats: told, keys: inKeys, ends, alone });
  return {
    beats: withCadenceFlags(flagged, cadences),
    keys: inKeys,
    cadences,
    pedals,
    sequences: findSequences(flagged),
    untold,
  };
}
