import { clockText, meterText, playedSeconds, playingOrder, pitchName, spellMidi, tempoAt, type Key, type Score } from '@/core/score';

export interface Fact {
  readonly name: string;
  readonly value: string;
  /** Bar index to show on a click. */
  readonly bar: number | null;
}

const MAJOR = ['C♭', 'G♭', 'D♭', 'A♭', 'E♭', 'B♭', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F♯', 'C♯'];
const MINOR = ['A♭', 'E♭', 'B♭', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F♯', 'C♯', 'G♯', 'D♯', 'A♯'];

/** `G major`, `E minor`; a signature without a mode names both. */
export function keyName(key: Key): string {
  const place = key.fifths + 7;
  const major = MAJOR[place] ?? '?';
  const minor = MINOR[place] ?? '?';
  if (key.mode === 'minor' || key.mode === 'aeolian') return `${minor} minor`;
  if (key.mode === 'major' || key.mode === 'ionian') return `${major} major`;
  return key.mode === null ? `${major} major or ${minor} minor` : `${key.mode}, ${Math.abs(key.fifths)} ${key.fifths < 0 ? 'flats' : 'sharps'}`;
}

function densest(score: Score): { bar: number; rate: number } | null {
  let best: { bar: number; rate: number } | null = null;
  for (const part of score.parts)
    for (let staff = 1; staff <= part.staves; staff += 1) {
      const onsets = [
        ...new Set(
          score.notes
            .filter((n) => n.part === part.id && n.staff === staff && n.grace === null && n.tie !== 'stop' && n.tie !== 'continue')
            .map((n) => n.onset as number),
        ),
      ];
      const byQuarter = new Map<number, number>();
      for (const onset of onsets) byQuarter.set(Math.floor(onset / score.ticksPerQuarter), (byQuarter.get(Math.floor(onset / score.ticksPerQuarter)) ?? 0) + 1);
      for (const [quarter, count] of byQuarter) {
        const onset = quarter * score.ticksPerQuarter;
        const rate = (count * tempoAt(score, onset as Parameters<typeof tempoAt>[1])) / 60;
        const bar = score.bars.findIndex((b) => b.onset + b.length > onset);
        if (best === null || rate > best.rate) best = { bar, rate };
      }
    }
  return best;
}

/** What the page says before any playing, each with the place it comes from. */
export function factsOf(score: Score): Fact[] {
  const first = score.bars[0];
  if (!first) return [];
  const order = playingOrder(score.bars).order;
  const written = playedSeconds(
    score,
    score.bars.map((b) => b.index),
  );
  const played = playedSeconds(score, order);
  const facts: Fact[] = [{ name: 'Key', value: keyName(first.key), bar: 0 }];
  score.bars.forEach((bar, i) => {
    const before = score.bars[i - 1];
    if (before && (before.key.fifths !== bar.key.fifths || before.key.mode !== bar.key.mode))
      facts.push({ name: `Key from bar ${bar.number}`, value: keyName(bar.key), bar: i });
  });
  facts.push({ name: 'Meter', value: meterText(first.meter), bar: 0 });
  score.bars.forEach((bar, i) => {
    const before = score.bars[i - 1];
    if (before && meterText(before.meter) !== meterText(bar.meter)) facts.push({ name: `Meter from bar ${bar.number}`, value: meterText(bar.meter), bar: i });
  });
  facts.push({
    name: 'Tempo',
    value: score.tempos.length > 0 ? `${Math.round(score.tempos[0]?.bpm ?? 120)} quarters a minute` : 'none marked; 120 is used',
    bar: score.tempos[0]?.bar ?? 0,
  });
  facts.push({
    name: 'Length',
    value: `${score.bars.length} bars, ${clockText(written)}${order.length === score.bars.length ? '' : `; ${clockText(played)} with repeats`}`,
    bar: null,
  });
  for (const part of score.parts)
    for (let staff = 1; staff <= part.staves; staff += 1) {
      const notes = score.notes.filter((n) => n.part === part.id && n.staff === staff && n.midi !== null);
      const low = notes.reduce<(typeof notes)[number] | null>((best, n) => (best === null || (n.midi ?? 0) < (best.midi ?? 0) ? n : best), null);
      const high = notes.reduce<(typeof notes)[number] | null>((best, n) => (best === null || (n.midi ?? 0) > (best.midi ?? 0) ? n : best), null);
      if (!low || !high) continue;
      const who = part.staves === 2 ? (staff === 1 ? 'Right hand' : 'Left hand') : part.name || 'Range';
      const name = (n: typeof low): string => (n.pitch ? pitchName(n.pitch) : pitchName(spellMidi(n.midi ?? 60, 0)));
      facts.push({ name: who, value: `${name(low)} to ${name(high)}, ${notes.length} notes`, bar: high.bar });
    }
  const dense = densest(score);
  if (dense) facts.push({ name: 'Densest', value: `${dense.rate.toFixed(1)} notes a second`, bar: dense.bar });
  return facts;
}
