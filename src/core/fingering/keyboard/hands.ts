import { lastWhere, spanSeconds, struckNotes, type Note, type Score } from '../../score';
import { ticks } from '../../units';
import type { Hand } from './standard';

/** Notes of one hand struck together, with the time since the last and what is still held. */
export interface HandColumn {
  readonly onset: number;
  /** Struck now, low to high. */
  readonly notes: readonly Note[];
  /** Struck before and still held by a finger, low to high. */
  readonly held: readonly Note[];
  readonly seconds: number;
  readonly afterRest: boolean;
}

export type HandChoice = Hand | 'auto';

/** Quarters a note may have been held for the other hand to count as busy. */
const LONGEST_HELD = 16;

/** Seconds without a sounding note that free the hand. */
const FREE_SECONDS = 0.35;

/**
 * Which hand takes which note. By staff where a part has two; a single staff lies in the right hand unless most of it
 * is below middle C. A chord of one staff that is too wide for a hand gives its far notes to the other hand when that
 * has nothing to do just then. `chosen` overrules by note id.
 */
export function handsOf(
  score: Score,
  choice: HandChoice,
  spanInSemitones: number,
  chosen: ReadonlyMap<string, Hand> = new Map(),
): ReadonlyMap<string, Hand> {
  const out = new Map<string, Hand>();
  const struck = struckNotes(score.notes).filter((s) => s.note.midi !== null);
  for (const part of score.parts) {
    const mine = struck.filter((s) => s.note.part === part.id);
    const keys = mine.map((s) => s.note.midi ?? 60).sort((a, b) => a - b);
    const low = (keys[Math.floor(keys.length / 2)] ?? 60) < 58;
    // Notes in order of onset; one that still sounds began at most so long ago.
    const longest = mine.reduce((m, x) => Math.max(m, x.sounding), 0);
    const reach = Math.min(longest, LONGEST_HELD * score.ticksPerQuarter);
    const from = (onset: number): number => lastWhere(mine, (s) => s.note.onset < onset - reach) + 1;
    const busy = (hand: Hand, onset: number, except: ReadonlySet<string>): boolean => {
      for (let i = from(onset); i < mine.length; i += 1) {
        const s = mine[i];
        if (!s || s.note.onset > onset) return false;
        if (!except.has(s.note.id) && out.get(s.note.id) === hand && s.note.onset + s.sounding > onset) return true;
      }
      return false;
    };
    for (const { note } of mine) {
      const byStaff: Hand =
        part.staves >= 2
          ? note.staff === 1
            ? 'right'
            : 'left'
          : choice === 'auto'
            ? low
              ? 'left'
              : 'right'
            : choice;
      out.set(note.id, chosen.get(note.id) ?? byStaff);
    }
    const columns = new Map<number, Note[]>();
    for (const { note } of mine) {
      const there = columns.get(note.onset);
      if (there) there.push(note);
      else columns.set(note.onset, [note]);
    }
    for (const [onset, notes] of columns)
      for (const hand of ['right', 'left'] as const) {
        const held = notes
          .filter((n) => out.get(n.id) === hand && n.grace === null)
          .sort((a, b) => (a.midi ?? 0) - (b.midi ?? 0));
        const lowest = held[0]?.midi ?? 0;
        const highest = held[held.length - 1]?.midi ?? 0;
        if (held.length < 2 || highest - lowest <= spanInSemitones + 2 || choice !== 'auto') continue;
        const other: Hand = hand === 'right' ? 'left' : 'right';
        if (busy(other, onset, new Set(notes.map((n) => n.id)))) continue;
        const far =
          hand === 'right'
            ? held.filter((n) => highest - (n.midi ?? 0) > spanInSemitones)
            : held.filter((n) => (n.midi ?? 0) - lowest > spanInSemitones);
        for (const n of far) if (!chosen.has(n.id)) out.set(n.id, other);
      }
  }
  return out;
}

/** Keys that one hand can hold. */
const FINGERS_OF_A_HAND = 5;

/** Notes that go on sounding under new ones and that the fingers, not the pedal, can hold: within reach of all. */
function heldUnder(
  notes: readonly Note[],
  sounding: readonly { readonly note: Note; readonly end: number }[],
  onset: number,
  reach: number,
): readonly Note[] {
  if (notes.some((n) => n.grace !== null)) return [];
  const keys = new Set(notes.map((n) => n.midi));
  const held: Note[] = [];
  const all = notes.map((n) => n.midi ?? 0);
  // What was struck last is held first, where a hand has not fingers for all.
  for (const { note, end } of [...sounding].reverse()) {
    const key = note.midi ?? 0;
    if (end <= onset || keys.has(note.midi) || all.length >= FINGERS_OF_A_HAND) continue;
    if (Math.max(key, ...all) - Math.min(key, ...all) > reach) continue;
    all.push(key);
    keys.add(note.midi);
    held.push(note);
  }
  return held.sort((a, b) => (a.midi ?? 0) - (b.midi ?? 0));
}

/**
 * The columns one hand plays, in order of time; grace notes are columns of their own just before their note. Notes
 * farther apart than `reach` semitones are not held together.
 */
export function columnsOf(score: Score, notes: readonly Note[], reach: number): HandColumn[] {
  const sounding = new Map(struckNotes(notes).map((s) => [s.note.id, s.sounding as number]));
  const groups = new Map<string, Note[]>();
  const order: string[] = [];
  let graces = 0;
  for (const n of notes) {
    if (!sounding.has(n.id) || n.midi === null) continue;
    graces += n.grace ? 1 : 0;
    const key = n.grace ? `${n.onset} g${graces}` : `${n.onset}`;
    const there = groups.get(key);
    if (there) there.push(n);
    else {
      groups.set(key, [n]);
      order.push(key);
    }
  }
  let end = 0;
  let before = -1;
  let still: { readonly note: Note; readonly end: number }[] = [];
  return order.map((key) => {
    const list = [...(groups.get(key) ?? [])].sort((a, b) => (a.midi ?? 0) - (b.midi ?? 0));
    // A key struck twice at once (two voices on one note) is one key, held as long as the longer of them.
    const unique = list.filter((n, i) => n.midi !== list[i - 1]?.midi);
    const onset = unique[0]?.onset ?? 0;
    const gap = before >= 0 && onset > end ? spanSeconds(score, ticks(end), ticks(onset)) : 0;
    const seconds = before >= 0 ? spanSeconds(score, ticks(before), ticks(onset)) : 1;
    before = onset;
    const held = heldUnder(unique, still, onset, reach);
    const ends = unique.map((n) => ({
      note: n,
      end: Math.max(...list.filter((o) => o.midi === n.midi).map((o) => o.onset + (sounding.get(o.id) ?? 0))),
    }));
    // A key that has been let go once is not taken up again by the finger.
    still = [...still.filter((s) => held.includes(s.note)), ...ends];
    end = Math.max(end, ...ends.map((e) => e.end));
    return { onset, notes: unique, held, seconds, afterRest: gap >= FREE_SECONDS };
  });
}
