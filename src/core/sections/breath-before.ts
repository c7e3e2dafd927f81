import { isBlankBetween } from '../score';
import { CUT_WEIGHTS } from './cut-weights';
import { lastBefore, type MelodyEvent, type Phrasing } from './phrasing';

/** How much the music breathes before a place, and why. */
export interface BreathBefore {
  readonly strength: number;
  readonly reasons: readonly string[];
  /** How far before the bar line, in ticks. */
  readonly upbeat: number;
}

/** One thing that is heard at the end of a phrase: how much it weighs, and in words where it is worth saying. */
type Sign = readonly [weight: number, reason: string | null];

/** The last note of the tune is long against the others. */
function longNote({ typical, longest, beat }: Phrasing, last: MelodyEvent, at: number): readonly Sign[] {
  const held = last.end - at;
  if (held > 0) {
    // A long note that is held over the bar line ends its phrase inside the bar, which the next one begins.
    const over = held <= beat * 1.5 && last.end - last.onset >= Math.max(typical * 1.9, beat * 2);
    return over ? [[CUT_WEIGHTS.longNote * 0.8, 'long note over the bar line']] : [];
  }
  const length = Math.min(last.end, at) - last.onset;
  if (length >= Math.max(typical * 1.9, beat * 1.5)) {
    // Where every bar has a note as long, it ends nothing.
    const usual = length > longest ? 1 : CUT_WEIGHTS.usualLong;
    return [[CUT_WEIGHTS.longNote * usual * Math.min(1.4, length / (typical * 2.5)), 'long note']];
  }
  return length >= Math.max(typical * 1.4, beat * 0.9) && length > 0
    ? [[CUT_WEIGHTS.longNote * 0.4, 'longer note']]
    : [];
}

/** A long note a little before, from which short ones lead over into what comes. */
function leadIn(
  { typical, longest, beat }: Phrasing,
  before: MelodyEvent | undefined,
  last: MelodyEvent,
  at: number,
): readonly Sign[] {
  if (!before || last.end > at || at - last.onset > beat * 1.1) return [];
  const length = before.end - before.onset;
  return length >= Math.max(typical * 1.9, beat * 2) && length > longest
    ? [[CUT_WEIGHTS.longNote * CUT_WEIGHTS.leadIn, 'long note before a lead-in']]
    : [];
}

/** Nothing sounds for a while. */
function rest({ beat }: Phrasing, last: MelodyEvent, next: MelodyEvent | undefined, at: number): readonly Sign[] {
  const gap = Math.min(at, next?.onset ?? at) - last.end;
  if (gap >= beat * 0.9) return [[CUT_WEIGHTS.rest, 'rest']];
  return gap > 0 ? [[CUT_WEIGHTS.rest * 0.4, null]] : [];
}

/** Signs at the last note: a fermata, the end of a slur, a breath mark. */
function signs({ notesAt }: Phrasing, last: MelodyEvent): readonly Sign[] {
  const notes = notesAt.get(last.onset) ?? [];
  return [
    ...(notes.some((n) => n.marks.fermata) ? [[CUT_WEIGHTS.fermata, 'fermata'] as const] : []),
    ...(notes.some((n) => n.marks.slurs.some((s) => s.role === 'stop')) ? [[CUT_WEIGHTS.slur, null] as const] : []),
    ...(notes.some((n) => n.marks.articulations.includes('breath-mark'))
      ? [[CUT_WEIGHTS.rest, 'breath mark'] as const]
      : []),
  ];
}

/**
 * Where the music breathes most before a bar line: at the line, or an upbeat before it in a piece that begins with one.
 * `bar` is the onset of the bar line in ticks.
 */
export function breathBefore(music: Phrasing, bar: number): BreathBefore {
  const { pickup, onsets, melody } = music;
  const places = pickup > 0 && onsets.has(bar - pickup) ? [pickup, 0] : [0];
  let best: BreathBefore = { strength: -1, reasons: [], upbeat: 0 };
  for (const upbeat of places) {
    const at = bar - upbeat;
    const index = lastBefore(melody, at);
    const last = melody[index];
    // Between what is not written nothing is heard to end.
    if (!last || isBlankBetween(music.score.bars, last.end, at)) continue;
    const found = [
      ...longNote(music, last, at),
      ...leadIn(music, melody[index - 1], last, at),
      ...rest(music, last, melody[index + 1], at),
      ...signs(music, last),
    ];
    const strength = found.reduce((sum, [weight]) => sum + weight, 0);
    if (strength > best.strength + 1e-9)
      best = { strength, reasons: found.flatMap(([, reason]) => reason ?? []), upbeat };
  }
  return best;
}
