import { findSameness, type Repeat } from '../sameness';
import { beatOnsets, meterQuarters, meterText, struckNotes, type Note, type Score } from '../score';

/** How much speaks for a new section or phrase at a bar, and why. `bar` is the first bar after the cut. */
export interface Cut {
  readonly bar: number;
  /** 0 for nothing; about 1 for a clear sign. */
  readonly strength: number;
  /** A printed sign that no division may cross: double bar, repeat, rehearsal mark. */
  readonly printed: boolean;
  readonly reasons: readonly string[];
  /** How far before the bar line the new material begins (an upbeat), in ticks; 0 at the bar line. */
  readonly upbeat: number;
}

/** What each sign adds. Chosen by us, tuned on the pieces in `tests/pieces`; printed signs weigh most. */
export const CUT_WEIGHTS = {
  doubleBar: 1.1,
  repeat: 1.1,
  rehearsal: 1.3,
  ending: 0.7,
  jump: 0.8,
  key: 0.9,
  meter: 0.8,
  tempo: 0.6,
  longNote: 0.55,
  rest: 0.5,
  slur: 0.15,
  fermata: 0.6,
  texture: 0.35,
  returnBase: 0.25,
  /** For each bar the return lasts, up to 8. */
  returnBar: 0.1,
  lineBreak: 0.12,
} as const;

interface MelodyEvent {
  readonly onset: number;
  readonly end: number;
  readonly bar: number;
}

/** The staff whose phrases are heard: the top one with notes of the first part that has any. */
function tuneStaff(score: Score): { readonly part: string; readonly staff: number } {
  const first = score.parts.find((p) => score.notes.some((n) => n.part === p.id));
  const staff = Math.min(...score.notes.filter((n) => n.part === first?.id).map((n) => n.staff));
  return { part: first?.id ?? '', staff: Number.isFinite(staff) ? staff : 1 };
}

/** The highest notes of that staff with their sounding ends. */
function melodyOf(score: Score, tune: { readonly part: string; readonly staff: number }): MelodyEvent[] {
  const tops = new Map<number, MelodyEvent>();
  for (const { note, sounding } of struckNotes(score.notes)) {
    if (note.part !== tune.part || note.staff !== tune.staff || note.grace) continue;
    const end = note.onset + sounding;
    const there = tops.get(note.onset);
    if (!there || end > there.end) tops.set(note.onset, { onset: note.onset, end, bar: note.bar });
  }
  return [...tops.values()].sort((a, b) => a.onset - b.onset);
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}

/** A pick-up of the piece, in ticks: phrases begin so much before their bar line. */
function pickupOf(score: Score): number {
  const [first] = score.bars;
  if (!first) return 0;
  const nominal = meterQuarters(first.meter);
  const full = (nominal.n * score.ticksPerQuarter) / nominal.d;
  return full > 0 && first.length < full ? first.length : 0;
}

/** How thick each bar is: the staves that play in it, and whether chords make up much of it. */
function texturesOf(score: Score): string[] {
  const byBar: Note[][] = score.bars.map(() => []);
  for (const n of score.notes) if (n.grace === null) byBar[n.bar]?.push(n);
  return byBar.map(
    (notes) =>
      `${new Set(notes.map((n) => `${n.part} ${n.staff}`)).size}${notes.filter((n) => n.chord).length * 3 > notes.length ? 'c' : ''}`,
  );
}

/** Index of the last event that begins before `at`; -1 for none. Events in order of onset. */
function lastBefore(melody: readonly MelodyEvent[], at: number): number {
  let low = 0;
  let high = melody.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((melody[middle]?.onset ?? Infinity) < at) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** Everything that speaks for a cut before each bar but the first. `repeats` of all lines; found anew when left out. */
export function cutsOf(score: Score, repeats: readonly Repeat[] = findSameness(score).repeats): Cut[] {
  const tune = tuneStaff(score);
  const melody = melodyOf(score, tune);
  const typical = median(melody.map((m) => m.end - m.onset));
  const pickup = pickupOf(score);
  const beat = ((): number => {
    const bar = score.bars[pickup > 0 ? 1 : 0];
    if (!bar) return score.ticksPerQuarter;
    const beats = beatOnsets(bar, score.ticksPerQuarter);
    return (beats[1]?.at ?? bar.length) - (beats[0]?.at ?? 0);
  })();
  const onsets = new Set(melody.map((m) => m.onset));
  const textures = texturesOf(score);
  const notesAt = new Map<number, Note[]>();
  for (const n of score.notes) {
    const there = notesAt.get(n.onset);
    if (there) there.push(n);
    else notesAt.set(n.onset, [n]);
  }
  const returns = new Map<number, { length: number; text: string }>();
  const noteReturn = (bar: number, length: number, text: string): void => {
    const there = returns.get(bar);
    if (!there || there.length < length) returns.set(bar, { length, text });
  };
  for (const r of repeats) {
    const length = r.a[1] - r.a[0] + 1;
    // What only an accompanying staff repeats cuts no phrase.
    if (r.part !== null && (r.part !== tune.part || r.staff !== tune.staff)) continue;
    if (r.kind === 'rhythm' || (r.kind === 'sequence' && length < 2)) continue;
    const weight = r.kind === 'moved' || r.kind === 'sequence' ? length / 2 : length;
    if (weight < 2 && length < 2) continue;
    const name = `bars ${score.bars[r.a[0]]?.number ?? ''}–${score.bars[r.a[1]]?.number ?? ''}`;
    noteReturn(r.b[0], weight, `${name} come again`);
    noteReturn(r.a[0], weight * 0.6, `comes again at bar ${score.bars[r.b[0]]?.number ?? ''}`);
    noteReturn(r.b[1] + 1, weight * 0.4, 'the return ends');
    noteReturn(r.a[1] + 1, weight * 0.4, 'new after what comes again');
  }
  return score.bars.slice(1).map((bar) => {
    const before = score.bars[bar.index - 1];
    const reasons: string[] = [];
    let strength = 0;
    let printed = false;
    const say = (weight: number, reason: string, isPrinted = false): void => {
      strength += weight;
      reasons.push(reason);
      printed ||= isPrinted;
    };
    const wasPickup = bar.index === 1 && pickup > 0;
    if (before && !wasPickup) {
      if (before.signs.doubleBar === 'light-light') say(CUT_WEIGHTS.doubleBar, 'double bar', true);
      else if (before.signs.doubleBar === 'light-heavy') say(CUT_WEIGHTS.doubleBar, 'final bar line', true);
      if (before.signs.repeatEnd !== null || bar.signs.repeatStart) say(CUT_WEIGHTS.repeat, 'repeat sign', true);
      if (bar.signs.ending?.starts) say(-0.4, `ending ${bar.signs.ending.numbers.join(', ')}`);
      if (before.signs.fine || before.signs.jump || bar.signs.segno !== null || bar.signs.coda !== null)
        say(CUT_WEIGHTS.jump, 'a sign of the playing order', true);
      if (before.key.fifths !== bar.key.fifths || before.key.mode !== bar.key.mode) say(CUT_WEIGHTS.key, 'key changes');
      if (meterText(before.meter) !== meterText(bar.meter)) say(CUT_WEIGHTS.meter, 'meter changes');
    }
    if (score.directions.some((d) => d.kind === 'rehearsal' && d.bar === bar.index && d.onset === bar.onset))
      say(CUT_WEIGHTS.rehearsal, 'rehearsal mark', true);
    if (score.tempos.some((t) => t.bar === bar.index && t.onset === bar.onset)) say(CUT_WEIGHTS.tempo, 'new tempo');
    if (bar.lineBreak) say(CUT_WEIGHTS.lineBreak, 'new line of print');
    // Where the music breathes: at the bar line, or an upbeat before it in a piece that begins with one.
    const places = pickup > 0 && onsets.has(bar.onset - pickup) ? [pickup, 0] : [0];
    let upbeat = 0;
    let breath = -1;
    let why: string[] = [];
    for (const place of places) {
      const at = bar.onset - place;
      const index = lastBefore(melody, at);
      const last = melody[index];
      const next = melody[index + 1];
      if (!last) continue;
      let here = 0;
      const said: string[] = [];
      const gap = Math.min(at, next?.onset ?? at) - last.end;
      const ringing = last.end > at;
      const length = Math.min(last.end, at) - last.onset;
      if (!ringing && length >= Math.max(typical * 1.9, beat * 1.5)) {
        here += CUT_WEIGHTS.longNote * Math.min(1.4, length / (typical * 2.5));
        said.push('long note');
      } else if (!ringing && length >= Math.max(typical * 1.4, beat * 0.9) && length > 0) {
        here += CUT_WEIGHTS.longNote * 0.4;
        said.push('longer note');
      }
      if (gap >= beat * 0.9) {
        here += CUT_WEIGHTS.rest;
        said.push('rest');
      } else if (gap > 0) here += CUT_WEIGHTS.rest * 0.4;
      const lastNotes = notesAt.get(last.onset) ?? [];
      if (lastNotes.some((n) => n.marks.fermata)) {
        here += CUT_WEIGHTS.fermata;
        said.push('fermata');
      }
      if (lastNotes.some((n) => n.marks.slurs.some((s) => s.role === 'stop'))) here += CUT_WEIGHTS.slur;
      if (lastNotes.some((n) => n.marks.articulations.includes('breath-mark'))) {
        here += CUT_WEIGHTS.rest;
        said.push('breath mark');
      }
      if (here > breath + 1e-9) {
        breath = here;
        why = said;
        upbeat = place;
      }
    }
    if (breath > 0) {
      strength += breath;
      reasons.push(...why);
    }
    const back = returns.get(bar.index);
    if (back) say(CUT_WEIGHTS.returnBase + CUT_WEIGHTS.returnBar * Math.min(8, back.length), back.text);
    if (before && score.notes.length > 0 && textures[bar.index] !== textures[before.index])
      say(CUT_WEIGHTS.texture * 0.4, 'texture changes');
    return {
      bar: bar.index,
      strength: Math.max(0, strength),
      printed,
      reasons,
      upbeat: places.length > 1 ? upbeat : 0,
    };
  });
}
