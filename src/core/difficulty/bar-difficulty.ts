import { barSeconds, keyAlter, struckNotes, type Note, type Score } from '../score';
import type { QuarterBpm } from '../units';

export interface BarDifficulty {
  readonly bar: number;
  /** 0 (empty or a single held note) to 10. */
  readonly score: number;
  /** Largest first; each says what and how much. */
  readonly reasons: readonly { readonly kind: string; readonly points: number; readonly text: string }[];
}

/** Points at full strength and where that is reached. Chosen by us; a reason never gives more than its points. */
export const DIFFICULTY_WEIGHTS = {
  /** Struck onsets a second in one staff: 1 gives nothing, 9 gives all. */
  rate: { points: 4, from: 1, full: 9 },
  /** Largest leap in one voice in semitones: an octave and more. */
  leap: { points: 2, from: 4, full: 16 },
  /** Accidentals outside the key, each. */
  accidental: { points: 1.5, from: 0, full: 4 },
  /** Notes sounding together in one staff. */
  chord: { points: 1.5, from: 1, full: 4 },
  /** Both staves busy with different rhythms. */
  together: { points: 1.5, from: 0, full: 4 },
  /** Black keys or signature size. */
  key: { points: 1, from: 1, full: 6 },
  ornament: { points: 1, from: 0, full: 2 },
} as const;

type WeightName = keyof typeof DIFFICULTY_WEIGHTS;

function points(name: WeightName, value: number): number {
  const { points: most, from, full } = DIFFICULTY_WEIGHTS[name];
  return most * Math.max(0, Math.min(1, (value - from) / (full - from)));
}

function outsideKey(note: Note, fifths: number): boolean {
  if (!note.pitch) return false;
  return note.pitch.alter !== keyAlter({ fifths }, note.pitch.step);
}

/** How hard each bar is, with named reasons, at the tempo in force or at `tempo`. */
export function barDifficulties(score: Score, tempo?: QuarterBpm): BarDifficulty[] {
  const byBar: Note[][] = score.bars.map(() => []);
  for (const { note } of struckNotes(score.notes)) byBar[note.bar]?.push(note);
  return score.bars.map((bar, index) => {
    const notes = byBar[index] ?? [];
    const main = notes.filter((n) => n.grace === null);
    const reasons: { kind: string; points: number; text: string }[] = [];
    const say = (kind: WeightName, value: number, text: string): void => {
      const p = points(kind, value);
      if (p >= 0.3) reasons.push({ kind, points: Math.round(p * 10) / 10, text });
    };
    const staves = new Map<string, Note[]>();
    for (const n of main) staves.set(`${n.part} ${n.staff}`, [...(staves.get(`${n.part} ${n.staff}`) ?? []), n]);
    const time = barSeconds(score, bar, tempo);
    let rate = 0;
    let leap = 0;
    let together = 0;
    let chord = 1;
    const onsetSets: Set<number>[] = [];
    for (const list of staves.values()) {
      const onsets = new Set<number>(list.map((n) => n.onset));
      onsetSets.push(onsets);
      rate = Math.max(rate, time > 0 ? onsets.size / time : 0);
      for (const onset of onsets) chord = Math.max(chord, new Set(list.filter((n) => n.onset === onset).map((n) => n.midi)).size);
      const byVoice = new Map<string, Note[]>();
      for (const n of list) byVoice.set(n.voice, [...(byVoice.get(n.voice) ?? []), n]);
      for (const voice of byVoice.values())
        voice.forEach((n, i) => {
          const before = voice[i - 1];
          if (before && before.midi !== null && n.midi !== null && before.onset !== n.onset) leap = Math.max(leap, Math.abs(n.midi - before.midi));
        });
    }
    const [a, b] = onsetSets;
    if (a && b) together = [...b].filter((onset) => !a.has(onset)).length + [...a].filter((onset) => !b.has(onset)).length > 0 ? Math.min(a.size, b.size) : 0;
    const accidentals = main.filter((n) => outsideKey(n, bar.key.fifths)).length;
    const ornaments = notes.filter((n) => n.grace !== null || n.marks.ornaments.length > 0).length;
    say('rate', rate, `${rate.toFixed(1)} notes a second`);
    say('leap', leap, `a leap of ${leap} semitones`);
    say('accidental', accidentals, `${accidentals} ${accidentals === 1 ? 'accidental' : 'accidentals'}`);
    say('chord', chord, `${chord} notes at once in one hand`);
    say('together', together, 'the staves move in different rhythms');
    say('key', Math.abs(bar.key.fifths), `${Math.abs(bar.key.fifths)} ${bar.key.fifths > 0 ? 'sharps' : 'flats'}`);
    say('ornament', ornaments, `${ornaments} ${ornaments === 1 ? 'ornament' : 'ornaments'}`);
    reasons.sort((x, y) => y.points - x.points);
    const total = Math.min(
      10,
      reasons.reduce((sum, r) => sum + r.points, 0),
    );
    return { bar: index, score: Math.round(total * 10) / 10, reasons };
  });
}
