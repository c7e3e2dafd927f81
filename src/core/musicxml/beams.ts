import { add, compare, fraction, meterBeats, ZERO, type Fraction, type Meter } from '../score';

export interface Beamable {
  readonly id: string;
  /** Ticks from the start of the bar. */
  readonly onset: number;
  readonly duration: number;
  /** Flags of the written value: eighth 1, sixteenth 2; 0 and rests break a beam. */
  readonly flags: number;
}

export const FLAGS: Readonly<Record<string, number>> = {
  eighth: 1,
  '16th': 2,
  '32nd': 3,
  '64th': 4,
  '128th': 5,
  '256th': 6,
};

/**
 * Ends of the stretches that beams stay inside, in ticks: beats, in 2/4, 4/4 and cut time pairs of beats for plain
 * eighths.
 */
function beamWindows(meter: Meter, ticksPerQuarter: number, onlyEighths: boolean): number[] {
  const beats = meterBeats(meter);
  const ends: Fraction[] = [];
  let at: Fraction = ZERO;
  for (const beat of beats) {
    at = add(at, beat);
    ends.push(at);
  }
  const quarterBeats = beats.every((b) => compare(b, fraction(1)) === 0);
  const kept =
    onlyEighths && quarterBeats && beats.length % 2 === 0
      ? ends.filter((_, i) => i % 2 === 1)
      : onlyEighths && quarterBeats && beats.length === 3
        ? ends.slice(-1)
        : ends;
  return kept.map((end) => (end.n * ticksPerQuarter) / end.d);
}

/**
 * Beams for one voice of one bar where the source has none.
 * @param events notes and rests of the voice in order, chord notes left out.
 * @returns id → begin, continue or end of the primary beam; single notes keep their flags and are absent.
 */
export function computeBeams(
  events: readonly Beamable[],
  meter: Meter,
  ticksPerQuarter: number,
): ReadonlyMap<string, 'begin' | 'continue' | 'end'> {
  const beams = new Map<string, 'begin' | 'continue' | 'end'>();
  const windows = beamWindows(
    meter,
    ticksPerQuarter,
    events.every((e) => e.flags <= 1),
  );
  const windowOf = (onset: number): number => windows.findIndex((end) => onset < end);
  let run: Beamable[] = [];
  const close = (): void => {
    if (run.length > 1)
      run.forEach((e, i) => beams.set(e.id, i === 0 ? 'begin' : i === run.length - 1 ? 'end' : 'continue'));
    run = [];
  };
  for (const event of events) {
    const last = run[run.length - 1];
    if (event.flags === 0) {
      close();
      continue;
    }
    if (last && (windowOf(last.onset) !== windowOf(event.onset) || last.onset + last.duration !== event.onset)) close();
    run.push(event);
  }
  close();
  return beams;
}
