/** Where a player comes in after bars of rest, and what is heard before. */
import { isBlankBar, isPickupBar, pitchName, spellMidi, type Note, type Score } from '../score';
import { partNames } from './part-names';
import { notesOfPart } from './notes-of-part';
import { playedBy, soundingScore } from './played';
import type { Player } from './player';

/** An entry after rests. */
export interface Entry {
  readonly bar: number;
  readonly noteId: string;
  /** Whole bars of rest before it. */
  readonly restBars: number;
  /** Where in its bar it falls, in quarters from 1. */
  readonly quarter: number;
  /** The last notes of another part before it: what to listen for. Printed cues first. Empty where all are silent. */
  readonly heard: {
    readonly part: string;
    readonly name: string;
    readonly noteIds: readonly string[];
    /** As they sound, `G A B♭ C`. */
    readonly notes: string;
  } | null;
}

/** Whole bars of rest before an entry has to be counted **[common practice]**. */
export const COUNTED_FROM = 2;
/** Notes that are named as heard before an entry. */
const HEARD_NOTES = 4;

/** Notes as they sound, by the letters that the ear calls them. */
const named = (notes: readonly Note[], fifths: number) => ({
  noteIds: notes.map((n) => n.id),
  notes: notes
    .flatMap((n) => (n.midi === null ? [] : [pitchName(spellMidi(n.midi, fifths)).replace(/-?\d+$/, '')]))
    .join(' '),
});

function heardBefore(score: Score, player: Player, entry: Note): Entry['heard'] {
  const names = partNames(score);
  const [own] = player.parts;
  const fifths = soundingScore(score).bars[entry.bar]?.key.fifths ?? 0;
  const near = score.bars[Math.max(0, entry.bar - COUNTED_FROM)]?.onset ?? 0;
  const before = (n: Note): boolean => n.onset < entry.onset && n.onset >= near && n.midi !== null;
  const cues = notesOfPart(score, own ?? '').filter((n) => n.aside === 'cue' && before(n));
  if (own !== undefined && cues.length > 0)
    return { part: own, name: 'the cue notes', ...named(cues.slice(-HEARD_NOTES), fifths) };
  const mine = new Set(player.parts);
  const others = soundingScore(score).notes.filter((n) => !mine.has(n.part) && before(n));
  const last = others[others.length - 1];
  if (!last) return null;
  // The highest of what moves last is what an ear follows.
  const moving = others.filter((n) => n.onset === last.onset);
  const lead = moving.reduce((top, n) => ((n.midi ?? 0) > (top.midi ?? 0) ? n : top), last);
  const line = others.filter((n) => n.part === lead.part);
  return { part: lead.part, name: names.get(lead.part) ?? lead.part, ...named(line.slice(-HEARD_NOTES), fifths) };
}

/**
 * The entries of a player after two bars of rest or more, in order; none for one who plays alone.
 *
 * @example entriesOf(scoreOf('C4|'), { parts: ['P1'] }) // → []
 */
export function entriesOf(score: Score, player: Player): readonly Entry[] {
  const mine = new Set(player.parts);
  if (!soundingScore(score).notes.some((n) => !mine.has(n.part))) return [];
  const notes = playedBy(score, player).notes.filter((n) => n.grace === null);
  const firsts = new Map<number, Note>();
  for (const n of notes) if (!firsts.has(n.bar)) firsts.set(n.bar, n);
  // A note that is held into a bar keeps it from being a bar of rest.
  const held = new Set<number>();
  for (const n of notes) {
    const end = n.onset + n.duration;
    for (let b: number = n.bar + 1; (score.bars[b]?.onset ?? Infinity) < end; b += 1) held.add(b);
  }
  const out: Entry[] = [];
  let rest = 0;
  score.bars.forEach((bar, b) => {
    const first = firsts.get(b);
    if (!first) {
      // A pick-up is no bar of rest.
      rest = held.has(b) || isBlankBar(bar) ? 0 : rest + (isPickupBar(score) && b === 0 ? 0 : 1);
      return;
    }
    if (rest >= COUNTED_FROM)
      out.push({
        bar: b,
        noteId: first.id,
        restBars: rest,
        quarter: (first.onset - bar.onset) / score.ticksPerQuarter + 1,
        heard: heardBefore(score, player, first),
      });
    rest = 0;
  });
  return out;
}
