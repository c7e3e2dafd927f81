import { findHarmony, type Harmony } from '../harmony';
import { guessInstrument, instrumentOf, type InstrumentId } from '../instruments';
import { findSameness, type Sameness } from '../sameness';
import { struckNotes, type Note, type Part, type Score } from '../score';
import { proposeSections, type ProposedSection } from '../sections';
import type { Ticks } from '../units';
import { tuneStaff } from './tune';

export const LEVELS = ['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff'] as const;
export type DynamicLevel = (typeof LEVELS)[number];
const isLevel = (text: string): text is DynamicLevel => LEVELS.some((l) => l === text);

export interface PrintedDynamic {
  readonly bar: number;
  readonly onset: Ticks;
  /** A level, `crescendo`, `diminuendo`, or `stop` where a hairpin ends. */
  readonly level: string;
  readonly part: string;
  readonly staff: number | null;
}

export interface SuggestedDynamic {
  readonly kind: 'level' | 'wedge';
  readonly noteId: string;
  /** Last note of a hairpin. */
  readonly toNoteId: string | null;
  readonly bar: number;
  readonly onset: Ticks;
  /** A level, or `crescendo` and `diminuendo`. */
  readonly level: DynamicLevel | 'crescendo' | 'diminuendo';
  readonly reason: string;
}

/**
 * Levels and hairpins as they are printed, in the order in which they stand.
 *
 * @example printedDynamics(scoreOf('!p!C D E F|')).map((d) => d.level) // → ['p']
 */
export const printedDynamics = (score: Score): PrintedDynamic[] =>
  score.directions.flatMap((d) =>
    d.kind === 'dynamic'
      ? [{ bar: d.bar, onset: d.onset, level: d.level, part: d.part, staff: d.staff }]
      : d.kind === 'wedge'
        ? [{ bar: d.bar, onset: d.onset, level: d.role, part: d.part, staff: d.staff }]
        : [],
  );

const stepped = (level: DynamicLevel, by: number): DynamicLevel =>
  LEVELS[Math.max(1, Math.min(LEVELS.length - 2, LEVELS.indexOf(level) + by))] ?? level;

/** The tune: the highest notes of the staff that has it. */
function tuneOf(score: Score): Note[] {
  const where = tuneStaff(score);
  const tops = new Map<number, Note>();
  for (const { note } of struckNotes(score.notes)) {
    if (note.part !== where?.part || note.staff !== where.staff || note.grace || note.midi === null) continue;
    const there = tops.get(note.onset);
    if (!there || note.midi > (there.midi ?? 0)) tops.set(note.onset, note);
  }
  return [...tops.values()];
}

/**
 * The accompaniment a level under the tune, said once where it begins, unless the second staff has marks of its own.
 */
function balance(
  score: Score,
  printed: readonly PrintedDynamic[],
  so: readonly SuggestedDynamic[],
): SuggestedDynamic[] {
  const part = score.parts.find((p) => p.staves >= 2);
  const under = tuneStaff(score)?.staff === 2 ? 1 : 2;
  const low = score.notes.find((n) => n.part === part?.id && n.staff === under && n.grace === null);
  if (!low || (under === 2 && printed.some((d) => d.staff === 2))) return [];
  const first = printed.find((d) => isLevel(d.level))?.level ?? so.find((s) => s.kind === 'level')?.level;
  if (first === undefined || !isLevel(first)) return [];
  return [
    {
      kind: 'level',
      noteId: low.id,
      toNoteId: null,
      bar: low.bar,
      onset: low.onset,
      level: stepped(first, -1),
      reason: 'the accompaniment lies a level under the tune',
    },
  ];
}

const instrumentOfPart = (part: Part | undefined): InstrumentId =>
  (part && guessInstrument({ name: part.name, sound: part.instrumentSound, program: null })) ?? 'other';

/** A run of low notes on an instrument that is weak there is given a step more than what is in force. */
function weakRegister(
  instrument: InstrumentId,
  tune: readonly Note[],
  inForce: (onset: number) => DynamicLevel,
): SuggestedDynamic[] {
  const limit = instrumentOf(instrument).weakBelow;
  if (limit === null) return [];
  const out: SuggestedDynamic[] = [];
  tune.forEach((n, i) => {
    const run = tune.slice(i, i + 3);
    const starts = i === 0 || (tune[i - 1]?.midi ?? 0) >= limit;
    if (starts && run.length === 3 && run.every((m) => (m.midi ?? 99) < limit))
      out.push({
        kind: 'level',
        noteId: n.id,
        toNoteId: null,
        bar: n.bar,
        onset: n.onset,
        level: stepped(inForce(n.onset), 1),
        reason: 'the low register is weak: a step more',
      });
  });
  return out;
}

/** One phrase with its notes, and what is known of the piece around it. */
interface PhraseInPiece {
  readonly score: Score;
  readonly sameness: Sameness;
  readonly harmony: Harmony;
  readonly phrase: { readonly from: number; readonly to: number };
  readonly section: ProposedSection;
  /** First of its section. */
  readonly isFirst: boolean;
  readonly notes: readonly Note[];
}

/** What is known when a phrase begins. */
interface LevelsSoFar {
  /** The level in force. */
  readonly level: DynamicLevel;
  /** The level that was last printed. */
  readonly base: DynamicLevel;
  /** Nothing was said yet, here or in print. */
  readonly nothingYet: boolean;
  /** Something was suggested before. */
  readonly said: boolean;
  /** Many quick notes were said to be played lightly: once is enough. */
  readonly lightly: boolean;
  /** Level with which the model of this section began, and its letter. */
  readonly model: { readonly level: DynamicLevel | undefined; readonly letter: string };
}

interface SuggestedLevel {
  readonly level: DynamicLevel;
  readonly reason: string;
}

/** More notes a bar than this are many. */
const MANY_NOTES = 7;
const LIGHTLY = 'many quick notes sound by themselves: lightly';

/** The level of a phrase where none is printed; null where it goes on as before. */
function levelOf(at: PhraseInPiece, so: LevelsSoFar): SuggestedLevel | null {
  const { score, sameness, phrase, section, isFirst, notes } = at;
  const { level, base, model } = so;
  const name = (from: number, to: number): string =>
    `bars ${score.bars[from]?.name ?? ''}–${score.bars[to]?.name ?? ''}`;
  const echo = sameness.repeats.find(
    (r) => r.kind === 'exact' && r.b[0] === phrase.from && r.b[1] >= phrase.to && r.a[1] === phrase.from - 1,
  );
  if (echo) return { level: stepped(base, -1), reason: `an echo of ${name(echo.a[0], echo.a[1])}: softer` };
  const copy = sameness.repeats.find((r) => r.kind === 'sequence' && r.b[0] === phrase.from);
  if (copy)
    return copy.steps > 0
      ? { level: stepped(level, 1), reason: 'the sequence rises: a step more' }
      : { level: stepped(level, -1), reason: 'the sequence falls: a step less' };
  if (!isFirst) return null;
  if (so.nothingYet) return { level: base, reason: 'a level to begin with' };
  if (model.level !== undefined && model.level !== level)
    return { level: model.level, reason: `as in ${model.letter}` };
  if (section.like !== null || !so.said || so.lightly) return null;
  return notes.length / Math.max(1, phrase.to - phrase.from + 1) > MANY_NOTES
    ? { level: stepped(base, -1), reason: LIGHTLY }
    : null;
}

/** Fewest notes between an end of a phrase and its peak for a hairpin; fewer in a phrase of two bars. */
const HAIRPIN_NOTES = 3;
const HAIRPIN_NOTES_SHORT = 2;
/** A chord that is less sure carries no suggestion. */
const CHORD_SURE_FROM = 0.7;
/** Fewest semitones that a line rises or falls for a hairpin. */
const HAIRPIN_SEMITONES = 3;
const FEWEST_NOTES = 4;

/** Hairpins towards the peak of a phrase and away from it: a tension chord if there is one, else the highest note. */
function hairpinsOf({ harmony, phrase, section, notes }: PhraseInPiece): SuggestedDynamic[] {
  const [first] = notes;
  const last = notes[notes.length - 1];
  if (!first || !last || notes.length < FEWEST_NOTES) return [];
  const tension = harmony.beats.find(
    (b) =>
      b.bar > phrase.from &&
      b.bar <= phrase.to &&
      b.certainty >= CHORD_SURE_FROM &&
      (b.flags.includes('diminished') || (b.flags.includes('dominant') && b.degree.includes('/'))),
  );
  const least = phrase.to - phrase.from < 2 ? HAIRPIN_NOTES_SHORT : HAIRPIN_NOTES;
  const high = notes.reduce((m, n) => ((n.midi ?? 0) > (m.midi ?? 0) ? n : m), first);
  const peak = tension ? (notes.find((n) => n.onset >= tension.onset) ?? high) : high;
  const at = notes.indexOf(peak);
  const rise = (peak.midi ?? 0) - (first.midi ?? 0);
  const fall = (peak.midi ?? 0) - (last.midi ?? 0);
  const out: SuggestedDynamic[] = [];
  if (at >= least && (rise >= HAIRPIN_SEMITONES || tension))
    out.push(
      suggested(
        'wedge',
        first,
        peak,
        'crescendo',
        tension ? `grows to the tension of ${tension.symbol}` : 'the line rises: it grows',
      ),
    );
  if (notes.length - 1 - at >= least && fall >= HAIRPIN_SEMITONES)
    out.push(
      suggested(
        'wedge',
        peak,
        last,
        'diminuendo',
        phrase.to === section.to ? 'the phrase rounds off at its end' : 'the line falls: it fades',
      ),
    );
  return out;
}

const suggested = (
  kind: SuggestedDynamic['kind'],
  note: Note,
  to: Note | null,
  level: SuggestedDynamic['level'],
  reason: string,
): SuggestedDynamic => ({
  kind,
  noteId: note.id,
  toNoteId: to?.id ?? null,
  bar: note.bar,
  onset: note.onset,
  level,
  reason,
});

/**
 * Suggestions where nothing is printed, by the handbook's rules of thumb [common practice]: a repeated phrase is an
 * echo, softer; a sequence builds or relaxes in steps; a rising line grows and a falling one fades; tension chords are
 * the peaks; many quick notes are played lightly; phrases round off at the end. One level a phrase, hairpins towards
 * its peak and away from it.
 *
 * @example suggestDynamics(score)[0].level // → 'mf'
 */
export function suggestDynamics(
  score: Score,
  sameness: Sameness = findSameness(score),
  sections: readonly ProposedSection[] = proposeSections(score, sameness),
  harmony: Harmony = findHarmony(score),
  instrument: InstrumentId = instrumentOfPart(score.parts[0]),
): SuggestedDynamic[] {
  const tune = tuneOf(score);
  const printed = printedDynamics(score);
  const phrases = sections.flatMap((section) =>
    section.phrases.map((phrase, i) => ({ phrase, section, isFirst: i === 0 })),
  );
  const out: SuggestedDynamic[] = [];
  let level: DynamicLevel = 'mf';
  let base: DynamicLevel = 'mf';
  const began = new Map<string, DynamicLevel>();
  for (const { phrase, section, isFirst } of phrases) {
    const notes = tune.filter((n) => n.bar >= phrase.from && n.bar <= phrase.to);
    const [first] = notes;
    if (!first) continue;
    const at: PhraseInPiece = { score, sameness, harmony, phrase, section, isFirst, notes };
    const inside = printed.filter((d) => d.bar >= phrase.from && d.bar <= phrase.to);
    const word = inside.flatMap((d) => (isLevel(d.level) ? [d.level] : [])).pop();
    if (word !== undefined) {
      level = word;
      base = word;
    } else {
      const letter = section.like === null ? '' : (sections[section.like]?.letter ?? '');
      const next = levelOf(at, {
        level,
        base,
        nothingYet: out.length === 0 && printed.length === 0,
        said: out.length > 0,
        lightly: out.some((s) => s.reason === LIGHTLY),
        model: { level: section.like === null ? undefined : began.get(letter), letter },
      });
      // What is in force already needs no saying again.
      if (next && (next.level !== level || (out.length === 0 && printed.length === 0))) {
        level = next.level;
        out.push(suggested('level', first, null, level, next.reason));
      }
    }
    if (isFirst) began.set(section.letter, level);
    if (!inside.some((d) => d.level === 'crescendo' || d.level === 'diminuendo')) out.push(...hairpinsOf(at));
  }
  const said = new Set(printed.flatMap((d) => (isLevel(d.level) ? [d.onset] : [])));
  const levels = [...printed, ...out]
    .flatMap((d) => (isLevel(d.level) ? [{ onset: d.onset as number, level: d.level }] : []))
    .sort((a, b) => a.onset - b.onset);
  const inForce = (onset: number): DynamicLevel => levels.findLast((l) => l.onset <= onset)?.level ?? 'mf';
  const weak = weakRegister(instrument, tune, inForce).filter((s) => !said.has(s.onset));
  // Of two levels at one note the one that the instrument needs stands.
  const needed = new Set(weak.map((s) => s.noteId));
  const others = [...out, ...balance(score, printed, out)].filter((s) => s.kind !== 'level' || !needed.has(s.noteId));
  return [...others, ...weak].sort((a, b) => a.onset - b.onset);
}
