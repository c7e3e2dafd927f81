/** Chords, keys, cadences and pedals found, against what is known of a piece. */
import { analysisOf } from '@/core/analysis';
import type { Cadence, Harmony } from '@/core/harmony';
import type { KnownCadence, Truth } from './read-truth';

/** Right of all that are judged. */
export interface Share {
  readonly right: number;
  readonly all: number;
  readonly missed: readonly string[];
}
export interface Found {
  readonly hits: number;
  readonly known: number;
  readonly wrong: number;
  readonly notes: readonly string[];
}

const withoutBass = (symbol: string): string => symbol.replace(/\/[A-G][#b]?$/, '');

/** Beats whose chord has the root and the kind that is known, inversion aside; beats of silence are not judged. */
export function chordShare(truth: Truth, harmony: Harmony = analysisOf(truth.score).harmony): Share {
  let right = 0;
  let all = 0;
  const missed: string[] = [];
  truth.chords.forEach((words, bar) => {
    const beats = harmony.beats.filter((b) => b.bar === bar);
    beats.forEach((beat, i) => {
      const wanted = words[Math.floor((i * words.length) / beats.length)] ?? ['x'];
      if (wanted.includes('x') || beat.notes.length === 0) return;
      all += 1;
      if (wanted.includes(withoutBass(beat.symbol))) right += 1;
      else missed.push(`${bar}.${beat.beat} ${wanted.join('=')} not ${beat.symbol}`);
    });
  });
  return { right, all, missed };
}

const PITCH_CLASS: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
export const pitchClassOf = (name: string): number =>
  ((PITCH_CLASS[name.charAt(0)] ?? 0) + (name.endsWith('#') ? 1 : 0) - (/^[A-G]b/.test(name) ? 1 : 0) + 12) % 12;

/** Bars in a key that one of the good readings has them in. */
export function keyShare(truth: Truth, harmony: Harmony = analysisOf(truth.score).harmony): Share {
  const last = Math.max(-1, ...truth.keys.flat().map((k) => k.to));
  const missed: string[] = [];
  for (let bar = 0; bar <= last; bar += 1) {
    const ours = harmony.keys.find((k) => bar >= k.from && bar <= k.to);
    const good = truth.keys.some((reading) =>
      reading.some(
        (k) => bar >= k.from && bar <= k.to && pitchClassOf(k.tonic) === ours?.tonic && k.mode === ours.mode,
      ),
    );
    if (!good) missed.push(`${bar} not ${ours?.tonic} ${ours?.mode}`);
  }
  return { right: last + 1 - missed.length, all: last + 1, missed };
}

/** Cadences of the right kind at the right bar. */
export function cadencesFound(truth: Truth, harmony: Harmony = analysisOf(truth.score).harmony): Found | null {
  if (!truth.cadences) return null;
  const ours = harmony.cadences;
  const same = (k: KnownCadence, c: Cadence): boolean => k.bar === c.bar && k.kinds.includes(c.kind);
  const missed = truth.cadences.filter((k) => !ours.some((c) => same(k, c)));
  const wrong = ours.filter((c) => !truth.cadences?.some((k) => same(k, c)));
  return {
    hits: truth.cadences.length - missed.length,
    known: truth.cadences.length,
    wrong: wrong.length,
    notes: [
      ...missed.map((k) => `missed ${k.bar}.${k.beat} ${k.kinds.join('=')}`),
      ...wrong.map((c) => `wrong ${c.bar}.${c.beat} ${c.kind}`),
    ],
  };
}

/** Pedals that overlap a known one of the same tone by half. */
export function pedalsFound(truth: Truth, harmony: Harmony = analysisOf(truth.score).harmony): Found | null {
  if (!truth.pedals) return null;
  const fits = (p: Harmony['pedals'][number], k: { from: number; to: number; tone: string }): boolean =>
    p.pitchClass === pitchClassOf(k.tone) &&
    Math.min(p.to, k.to) - Math.max(p.from, k.from) + 1 >= (k.to - k.from + 1) / 2;
  const missed = truth.pedals.filter((k) => !harmony.pedals.some((p) => fits(p, k)));
  const wrong = harmony.pedals.filter((p) => !truth.pedals?.some((k) => fits(p, k)));
  return {
    hits: truth.pedals.length - missed.length,
    known: truth.pedals.length,
    wrong: wrong.length,
    notes: [
      ...missed.map((k) => `missed ${k.from}-${k.to} ${k.tone}`),
      ...wrong.map((p) => `wrong ${p.from}-${p.to} ${p.name}`),
    ],
  };
}
