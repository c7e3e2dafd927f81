import { beatOnsets, struckNotes, type Score } from '../score';
import { ticks, type Ticks } from '../units';
import { CHORD_KINDS, degreeName, rootName, type ChordKind } from './chord-names';
import { findKeys, type KeySpan } from './find-keys';

/** The chord of one beat. */
export interface BeatChord {
  readonly bar: number;
  /** From 1. */
  readonly beat: number;
  readonly onset: Ticks;
  readonly length: Ticks;
  /** `C`, `F#m7b5`, `G7/B`; empty where nothing sounds. */
  readonly symbol: string;
  /** Roman numeral in the key of the bar. */
  readonly degree: string;
  readonly root: number | null;
  readonly kind: string;
  readonly bass: number | null;
  /** Sounding keys on the beat, low to high. */
  readonly notes: readonly number[];
  readonly flags: readonly ChordFlag[];
}

export type ChordFlag =
  | 'dominant'
  | 'diminished'
  | 'resolves'
  | 'outside-the-key'
  | 'pedal'
  | 'half-cadence'
  | 'authentic-cadence'
  | 'plagal-cadence'
  | 'deceptive-cadence';

export interface Pedal {
  readonly from: number;
  readonly to: number;
  readonly pitchClass: number;
  readonly name: string;
}

export interface ChordSequence {
  readonly from: number;
  readonly to: number;
  readonly steps: number;
  readonly times: number;
}

export interface Harmony {
  readonly beats: readonly BeatChord[];
  readonly keys: readonly KeySpan[];
  readonly pedals: readonly Pedal[];
  readonly sequences: readonly ChordSequence[];
}

/** Weights, chosen by us and tried on the pieces in `tests/pieces`. */
export const HARMONY_WEIGHTS = {
  /** A sounding tone that is not in the chord. */
  foreign: 1.4,
  /** A tone of the chord that does not sound: root, third, fifth, seventh. */
  missing: [0.7, 0.5, 0.3, 0.55],
  rootInBass: 0.3,
  /** A tune alone has no bass and leaves tones out: chords change less often under it. */
  aloneMissing: 0.4,
  aloneChange: 0.9,
  aloneDownbeat: 0.45,
  /** A short note between two neighbours a step away. */
  passing: 0.25,
  change: 0.5,
  changeOnDownbeat: 0.12,
  /** Chords of the key before others, the three main ones before the rest: by semitones above the tonic. */
  inKey: { 0: 0.45, 7: 0.44, 5: 0.42, 2: 0.3, 9: 0.3, 4: 0.12, 11: 0.2, 3: 0.28, 8: 0.28, 10: 0.28 } as Readonly<
    Record<number, number>
  >,
  outsideKey: 0.25,
  /** Plain triads before sevenths and rarer kinds. */
  rare: {
    major: 0,
    minor: 0,
    dominant: 0.05,
    'minor-seventh': 0.2,
    'major-seventh': 0.35,
    diminished: 0.3,
    'half-diminished': 0.4,
    'diminished-seventh': 0.35,
    augmented: 0.8,
  } as Readonly<Record<string, number>>,
} as const;

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

interface Candidate {
  readonly root: number;
  readonly kind: ChordKind;
}

const CANDIDATES: readonly Candidate[] = Array.from({ length: 12 }, (_, root) =>
  CHORD_KINDS.map((kind) => ({ root, kind })),
).flat();

function fitOf(c: Candidate, weights: readonly number[], bass: number | null, key: KeySpan, alone: boolean): number {
  const w = HARMONY_WEIGHTS;
  let score = 0;
  let total = 0;
  for (let pc = 0; pc < 12; pc += 1) {
    const here = weights[pc] ?? 0;
    if (here === 0) continue;
    total += here;
    score += c.kind.tones.includes((pc - c.root + 12) % 12) ? here : -w.foreign * here;
  }
  if (total === 0) return 0;
  score /= total;
  c.kind.tones.forEach((t, i) => {
    if ((weights[(c.root + t) % 12] ?? 0) === 0) score -= (w.missing[i] ?? 0.5) * (alone ? w.aloneMissing : 1);
  });
  if (!alone && bass !== null && bass === c.root) score += w.rootInBass;
  const scale = key.mode === 'major' ? [0, 2, 4, 5, 7, 9, 11] : [0, 2, 3, 5, 7, 8, 10, 11];
  const inside = c.kind.tones.every((t) => scale.includes((c.root + t - key.tonic + 24) % 12));
  score += inside ? (w.inKey[(c.root - key.tonic + 12) % 12] ?? 0.2) : -w.outsideKey;
  return score - (w.rare[c.kind.name] ?? 0.4);
}

function keyAt(keys: readonly KeySpan[], bar: number): KeySpan {
  return keys.find((k) => bar >= k.from && bar <= k.to) ?? { from: 0, to: 0, tonic: 0, mode: 'major' };
}

/**
 * Chords beat by beat as a best path: what sounds against every chord, with a price on changing where the meter is
 * weak.
 */
export function findHarmony(score: Score): Harmony {
  const keys = findKeys(score);
  const segments = segmentsOf(score);
  const notes = soundingNotes(score);
  let lowBound = 0;
  const heard = segments.map((segment) => {
    const weights = Array.from({ length: 12 }, () => 0);
    let bass: number | null = null;
    const keysNow = new Set<number>();
    let bassLength = 0;
    while (
      lowBound < notes.length &&
      (notes[lowBound]?.to ?? 0) <= segment.from &&
      (notes[lowBound]?.from ?? 0) < segment.from - score.ticksPerQuarter * 16
    )
      lowBound += 1;
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
  });
  const alone = heard.every((h) => h.notes.length === 0 || h.most <= 1);
  const fits = heard.map((h) =>
    h.silent
      ? null
      : CANDIDATES.map((c) =>
          fitOf(c, h.weights, h.bass === null ? null : h.bass % 12, keyAt(keys, h.segment.bar), alone),
        ),
  );
  let values: number[] = CANDIDATES.map(() => 0);
  const backs: number[][] = [];
  heard.forEach((h, i) => {
    const fit = fits[i];
    const best = values.reduce((m, v, k) => (v > (values[m] ?? -Infinity) ? k : m), 0);
    const w = HARMONY_WEIGHTS;
    const change = h.segment.downbeat
      ? alone
        ? w.aloneDownbeat
        : w.changeOnDownbeat
      : alone
        ? w.aloneChange
        : w.change;
    const back: number[] = [];
    const top = values[best] ?? 0;
    values = CANDIDATES.map((_, k) => {
      const stay = values[k] ?? 0;
      const come = top - (i === 0 ? 0 : change);
      back[k] = stay >= come ? k : best;
      return Math.max(stay, come) + (fit ? (fit[k] ?? 0) : 0);
    });
    backs.push(back);
  });
  let at = values.reduce((m, v, k) => (v > (values[m] ?? -Infinity) ? k : m), 0);
  const path: number[] = [];
  for (let i = heard.length - 1; i >= 0; i -= 1) {
    path.unshift(at);
    at = backs[i]?.[at] ?? at;
  }
  // In a broken-chord figure the lowest note of the chord in its bar is the bass of all its beats.
  const bassOf = heard.map((h, i) => {
    if (!h.figure) return h.bass;
    let low = h.bass;
    for (const way of [-1, 1])
      for (let k = i + way; heard[k]?.segment.bar === h.segment.bar && path[k] === path[i]; k += way) {
        const other = heard[k]?.bass ?? null;
        if (other !== null && (low === null || other < low)) low = other;
      }
    return low;
  });
  const beats = heard.map((h, i): BeatChord => {
    const c = CANDIDATES[path[i] ?? 0];
    const bass = bassOf[i] ?? null;
    const key = keyAt(keys, h.segment.bar);
    const base = {
      bar: h.segment.bar,
      beat: h.segment.beat,
      onset: ticks(h.segment.from),
      length: ticks(h.segment.to - h.segment.from),
      notes: h.notes,
    };
    if (!c || h.silent) return { ...base, symbol: '', degree: '', root: null, kind: '', bass: null, flags: [] };
    const bassPc = alone || bass === null ? null : bass % 12;
    const inversion = bassPc === null ? 0 : Math.max(0, c.kind.tones.indexOf((bassPc - c.root + 12) % 12));
    const slash =
      bassPc !== null && bassPc !== c.root && c.kind.tones.includes((bassPc - c.root + 12) % 12)
        ? `/${rootName(bassPc, key)}`
        : '';
    const scale = key.mode === 'major' ? [0, 2, 4, 5, 7, 9, 11] : [0, 2, 3, 5, 7, 8, 10, 11];
    const flags: ChordFlag[] = [];
    if (c.kind.name === 'dominant') flags.push('dominant');
    if (c.kind.name.startsWith('diminished') || c.kind.name === 'half-diminished') flags.push('diminished');
    if (!c.kind.tones.every((t) => scale.includes((c.root + t - key.tonic + 24) % 12))) flags.push('outside-the-key');
    return {
      ...base,
      symbol: `${rootName(c.root, key)}${c.kind.suffix}${slash}`,
      degree: degreeName(c.root, c.kind, inversion, key),
      root: c.root,
      kind: c.kind.name,
      bass: bassPc,
      flags,
    };
  });
  const flagged = flagMotion(beats, keys);
  const pedals = findPedals(flagged, keys);
  const inPedal = (b: BeatChord): boolean =>
    pedals.some((p) => b.bar >= p.from && b.bar <= p.to && b.bass === p.pitchClass);
  return {
    beats: flagged.map((b) => (inPedal(b) ? { ...b, flags: [...b.flags, 'pedal' as const] } : b)),
    keys,
    pedals,
    sequences: findSequences(flagged),
  };
}

/**
 * Where dominants and diminished chords resolve (root a fifth down, or a half step up), and the cadences at ends of
 * phrases of four bars.
 */
function flagMotion(beats: readonly BeatChord[], keys: readonly KeySpan[]): BeatChord[] {
  const changes = beats.flatMap((b, i) =>
    b.root !== null && (i === 0 || beats[i - 1]?.symbol.split('/')[0] !== b.symbol.split('/')[0]) ? [i] : [],
  );
  const next = new Map<number, BeatChord>();
  changes.forEach((i, k) => {
    const following = beats[changes[k + 1] ?? -1];
    for (let j = i; j < (changes[k + 1] ?? beats.length); j += 1) if (following) next.set(j, following);
  });
  return beats.map((b, i) => {
    const to = next.get(i);
    const flags = [...b.flags];
    const last = to !== undefined && beats[i + 1] === to;
    if (b.root !== null && to?.root != null && last) {
      const up = (to.root - b.root + 12) % 12;
      // A diminished chord resolves a half step up, a dominant a fifth down [common practice].
      if ((flags.includes('diminished') && up === 1) || (flags.includes('dominant') && up === 5))
        flags.push('resolves');
    }
    const key = keyAt(keys, b.bar);
    const before = changes.filter((c) => c < i).pop();
    const previous = before === undefined ? undefined : beats[before];
    const fresh = changes.includes(i);
    if (fresh && b.root !== null && previous?.root != null && b.beat === 1) {
      const degree = (b.root - key.tonic + 12) % 12;
      const from = (previous.root - key.tonic + 12) % 12;
      if (from === 7 && degree === 0) flags.push('authentic-cadence');
      else if (from === 5 && degree === 0) flags.push('plagal-cadence');
      else if (from === 7 && (degree === 9 || degree === 8)) flags.push('deceptive-cadence');
    }
    return { ...b, flags };
  });
}

/** A bass that stays for at least two bars while the chords over it change. */
function findPedals(beats: readonly BeatChord[], keys: readonly KeySpan[]): Pedal[] {
  const out: Pedal[] = [];
  let start = 0;
  for (let i = 1; i <= beats.length; i += 1) {
    if (i < beats.length && beats[i]?.bass !== null && beats[i]?.bass === beats[start]?.bass) continue;
    const run = beats.slice(start, i);
    const first = run[0];
    const last = run[run.length - 1];
    const chords = new Set(run.map((b) => `${b.root} ${b.kind}`));
    if (first && last && first.bass !== null && last.bar - first.bar >= 1 && chords.size >= 2 && run.length >= 4)
      out.push({
        from: first.bar,
        to: last.bar,
        pitchClass: first.bass,
        name: rootName(first.bass, keyAt(keys, first.bar)),
      });
    start = i;
  }
  return out;
}

/** The same chords again, moved by one interval, bar by bar. */
function findSequences(beats: readonly BeatChord[]): ChordSequence[] {
  const byBar = new Map<number, BeatChord[]>();
  for (const b of beats) byBar.set(b.bar, [...(byBar.get(b.bar) ?? []), b]);
  const shape = (bar: number): { root: number; text: string } | null => {
    const list = (byBar.get(bar) ?? []).filter((b) => b.root !== null);
    const root = list[0]?.root;
    return root == null || list.length === 0
      ? null
      : { root, text: list.map((b) => (((b.root ?? 0) - root + 12) % 12).toString()).join(' ') };
  };
  const out: ChordSequence[] = [];
  const bars = [...byBar.keys()];
  for (const length of [1, 2])
    for (let i = 0; i + 2 * length <= bars.length; i += 1) {
      const step = (at: number): number | null => {
        let by: number | null = null;
        for (let k = 0; k < length; k += 1) {
          const a = shape(at + k);
          const b = shape(at + length + k);
          if (!a || !b || a.text !== b.text) return null;
          const moved = (b.root - a.root + 12) % 12;
          if (moved === 0 || (by !== null && moved !== by)) return null;
          by = moved;
        }
        return by;
      };
      const first = step(i);
      if (first === null) continue;
      let times = 2;
      while (step(i + (times - 1) * length) === first) times += 1;
      if (times * length < 3 || out.some((o) => o.from <= i && o.to >= i + times * length - 1)) continue;
      out.push({ from: i, to: i + times * length - 1, steps: first > 6 ? first - 12 : first, times });
    }
  return out;
}
