import type { Trouble } from '../difficulty';
import { instrumentOf, type InstrumentId } from '../instruments';
import type { Note, Score } from '../score';
import type { FingeredNote, Fingering } from './types';

/** Two notes of one hand or player, one after the other, with their fingerings. */
interface Move {
  readonly from: FingeredNote;
  readonly to: FingeredNote;
  /** Sounding keys. */
  readonly fromKey: number;
  readonly toKey: number;
  readonly bar: number;
}

/** Counts what a solver's answer asks of the player in a bar, in the words of the instrument. */
type Count = (moves: readonly Move[]) => readonly Omit<Trouble, 'bar'>[];

const said = (kind: Trouble['kind'], amount: number, one: string, many: string): readonly Omit<Trouble, 'bar'>[] =>
  amount > 0 ? [{ kind, amount, text: amount === 1 ? `1 ${one}` : `${amount} ${many}` }] : [];

/** The thumb goes under, or a finger over it. */
function passesThumb({ from, to, fromKey, toKey }: Move): boolean {
  if (from.hand !== to.hand || fromKey === toKey) return false;
  const away = from.hand === 'right' ? toKey > fromKey : toKey < fromKey;
  return away ? to.finger === '1' && from.finger !== '1' : from.finger === '1' && to.finger !== '1';
}

const keyboard: Count = (moves) =>
  said('thumb', moves.filter(passesThumb).length, 'pass of the thumb', 'passes of the thumb');

const openString = (n: FingeredNote): boolean => n.finger === '0' || n.fret === 0;

const bowed: Count = (moves) => {
  const stopped = moves.filter((m) => !openString(m.from) && !openString(m.to));
  // A position stands at the note where it changes, and nowhere else.
  const shifts = stopped.filter((m) => m.to.position !== undefined).length;
  const crossings = moves.filter((m) => m.from.string !== m.to.string).length;
  return [
    ...said('shift', shifts, 'shift of the hand', 'shifts of the hand'),
    ...said('strings', crossings, 'string crossing', 'string crossings'),
  ];
};

/** Frets that the hand reaches without moving. */
const FRETS_IN_REACH = 3;
const fretted: Count = (moves) => {
  const shifts = moves.filter(
    (m) => !openString(m.from) && !openString(m.to) && Math.abs((m.from.fret ?? 0) - (m.to.fret ?? 0)) > FRETS_IN_REACH,
  ).length;
  const crossings = moves.filter((m) => Math.abs((m.from.string ?? 0) - (m.to.string ?? 0)) > 1).length;
  return [
    ...said('shift', shifts, 'shift along the neck', 'shifts along the neck'),
    ...said('strings', crossings, 'skip over a string', 'skips over strings'),
  ];
};

/** Fingers that go down or up together between neighbouring notes where the register breaks [common practice]. */
const BREAK_FINGERS = 5;
const fingersOf = (n: FingeredNote): ReadonlySet<string> =>
  new Set((n.keys ?? '').split(/\s+/).flatMap((t) => (/^[0½1-7|-]+$/.test(t) ? [...t.replace(/[|-]/g, '')] : [t])));
function fingersThatMove(a: FingeredNote, b: FingeredNote): number {
  const x = fingersOf(a);
  const y = fingersOf(b);
  return [...x].filter((k) => !y.has(k)).length + [...y].filter((k) => !x.has(k)).length;
}
/** The key under a little finger: `E♭ left` and `C right` in the words of the charts. */
const littleKey = (n: FingeredNote): string | null =>
  /(?:E♭|A♭|G♯|B♭|C♯|F♯|[CBFE])(?: left| right)?$/.exec(n.keys ?? '')?.[0] ?? null;

const woodwind: Count = (moves) => {
  const near = moves.filter((m) => m.fromKey !== m.toKey && Math.abs(m.fromKey - m.toKey) <= 4);
  const breaks = near.filter((m) => fingersThatMove(m.from, m.to) >= BREAK_FINGERS).length;
  const slides = moves.filter((m) => {
    const a = littleKey(m.from);
    const b = littleKey(m.to);
    return (
      a !== null &&
      b !== null &&
      a !== b &&
      /left$/.test(a) === /left$/.test(b) &&
      /right$/.test(a) === /right$/.test(b)
    );
  }).length;
  return [
    ...said(
      'break',
      breaks,
      'time over the break: most fingers move at once',
      'times over the break: most fingers move at once',
    ),
    ...said('slide', slides, 'slide of a little finger from key to key', 'slides of a little finger from key to key'),
  ];
};

const slidePosition = (n: FingeredNote): number | null => (/^[1-7]$/.test(n.finger) ? Number(n.finger) : null);
const brass: Count = (moves) => {
  const arm = moves.reduce((sum, m) => {
    const a = slidePosition(m.from);
    const b = slidePosition(m.to);
    return a === null || b === null ? sum : sum + Math.abs(a - b);
  }, 0);
  return said('arm', arm, 'position of the slide to move', 'positions of the slide to move');
};

function countsFor(instrument: InstrumentId): Count | null {
  const { fingers, family } = instrumentOf(instrument);
  switch (fingers?.kind) {
    case undefined:
      return null;
    case 'keyboard':
      return keyboard;
    case 'bowed':
      return bowed;
    case 'fretted':
      return fretted;
    case 'wind':
      return family === 'brass' ? brass : woodwind;
  }
}

/** Moves from note to note of each hand, where one note follows another. */
function movesOf(notes: readonly FingeredNote[], byId: ReadonlyMap<string, Note>): readonly Move[] {
  const last = new Map<string, { readonly fingered: FingeredNote; readonly note: Note }>();
  return notes.flatMap((fingered): Move[] => {
    const note = byId.get(fingered.noteId);
    if (!note) return [];
    const hand = fingered.hand ?? '';
    const before = last.get(hand);
    last.set(hand, { fingered, note });
    return before && before.note.onset < note.onset && before.note.midi !== null && note.midi !== null
      ? [{ from: before.fingered, to: fingered, fromKey: before.note.midi, toKey: note.midi, bar: note.bar }]
      : [];
  });
}

/** Changes of chord inside a bar, where the instrument plays chords by symbol; one at the bar line is the usual. */
function quickChanges(score: Score, instrument: InstrumentId): readonly Trouble[] {
  if (!instrumentOf(instrument).strums) return [];
  const byBar = new Map<number, Set<string>>();
  for (const { bar, text } of score.chords)
    if (text !== '') byBar.set(bar, (byBar.get(bar) ?? new Set<string>()).add(text));
  return [...byBar].flatMap(([bar, chords]) =>
    chords.size > 1
      ? [
          {
            bar,
            kind: 'quickChange' as const,
            amount: chords.size - 1,
            text: `the quick change ${[...chords].join(' ')}`,
          },
        ]
      : [],
  );
}

/**
 * What a solved fingering makes hard, bar by bar: thumbs passed under, shifts, string crossings, the break, slides of a
 * little finger, the way of the slide, quick changes of printed chords. A move over a bar line is the trouble of the
 * bar it leads into.
 *
 * @example
 * fingeringTroubles(score, fingerScore(score, { instrument: 'piano' }), 'piano').map((t) => t.kind)
 * // → ['thumb', 'thumb']
 */
export function fingeringTroubles(score: Score, fingering: Fingering, instrument: InstrumentId): readonly Trouble[] {
  const count = countsFor(instrument);
  if (count === null) return [];
  const byId = new Map(score.notes.map((n) => [n.id, n]));
  const byBar = new Map<number, Move[]>();
  for (const move of movesOf(fingering.notes, byId)) byBar.set(move.bar, [...(byBar.get(move.bar) ?? []), move]);
  return [
    ...[...byBar].flatMap(([bar, moves]) => count(moves).map((t) => ({ ...t, bar }))),
    ...quickChanges(score, instrument),
  ];
}
