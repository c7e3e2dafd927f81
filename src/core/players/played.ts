/**
 * The score as it is played: what sounds of it in all, and what one player has to play.
 */
import { instrumentOf } from '../instruments';
import {
  isForAll,
  perScore,
  spellMidi,
  transpositionInSemitones,
  writtenMidi,
  type AttributeChange,
  type Bar,
  type Direction,
  type Key,
  type Note,
  type Part,
  type Rest,
  type Score,
} from '../score';
import { midiKey } from '../units';
import { lineOf } from './divided';
import { areTwoHands } from './keyboard-pair';
import { notesOfPart } from './notes-of-part';
import { instrumentOfPart } from './part-instrument';
import { playerKey, type Player } from './player';
import { tablatureOf, type Tablature } from './tablature';

/** Joined once a score. */
export const tablature = perScore(tablatureOf);

/** Fifths of a key that sounds so many semitones away, as near to C as it can be written. */
function movedKey(key: Key, semitones: number): Key {
  const fifths = (((key.fifths + semitones * 7 + 5) % 12) + 12) % 12;
  return semitones % 12 === 0 ? key : { ...key, fifths: fifths - 5 };
}

/** The key that a part reads in each bar; null where it never says one. */
function keysRead(part: Part, bars: readonly Bar[]): readonly Key[] | null {
  const said = part.attributes.filter((a) => a.keys && a.keys.length > 0);
  if (said.length === 0) return null;
  let at = 0;
  let key: Key = { fifths: 0, mode: null };
  return bars.map((bar) => {
    for (; at < said.length; at += 1) {
      const change = said[at];
      // A change inside a bar holds from the next one on.
      if (!change || change.bar > bar.index || (change.bar === bar.index && change.onset > bar.onset)) break;
      key = change.keys?.[0]?.key ?? key;
    }
    return key;
  });
}

const withKeys = (bars: readonly Bar[], keys: readonly Key[] | null, semitones: number): readonly Bar[] =>
  keys === null
    ? bars
    : bars.map((bar, i) => {
        const key = movedKey(keys[i] ?? bar.key, semitones);
        return key.fifths === bar.key.fifths && key.mode === bar.key.mode ? bar : { ...bar, key };
      });

/** A note with the string and fret that the tablature under it says. */
function withStop(note: Note, { stops }: Tablature): Note {
  const stop = stops.get(note.id);
  return stop === undefined || note.marks.strings.length > 0
    ? note
    : { ...note, marks: { ...note.marks, strings: [stop.string], frets: [stop.fret] } };
}

/** Strings of a part that are tuned otherwise, by their number, and how far each sounds from the usual. */
function retuned(score: Score, part: Part): ReadonlyMap<number, number> {
  const accords = part.attributes.flatMap((a) => a.accords ?? []);
  if (accords.length === 0) return new Map();
  const { fingers } = instrumentOf(instrumentOfPart(score, part).instrument ?? 'other');
  const strings = fingers?.kind === 'bowed' || fingers?.kind === 'fretted' ? fingers.strings : [];
  return new Map(
    accords.flatMap(({ string, key }) => {
      const open = strings[string - 1];
      return open && open.key !== key ? [[string, key - open.key] as const] : [];
    }),
  );
}

/** Under scordatura the page shows where the finger goes; a note whose string is said sounds as that is tuned. */
function soundingPitch(note: Note, by: ReadonlyMap<string, ReadonlyMap<number, number>>): Note {
  const moved = by.get(note.part)?.get(note.marks.strings[0] ?? 0);
  return moved === undefined || note.midi === null ? note : { ...note, midi: midiKey(note.midi + moved) };
}

const isBeside = ({ beside }: Tablature, event: { readonly part: string; readonly staff: number }): boolean =>
  beside.has(`${event.part} ${event.staff}`);

/**
 * What sounds of a score, in all its parts, in the key that sounds: cues, ossias, slashes and what is hidden are left
 * out, a tablature beside its notation is heard once, and drums only where there is nothing else.
 *
 * @example soundingScore(scoreOf('C D E F|')).notes.length // → 4
 */
export const soundingScore = perScore((score: Score): Score => {
  const tab = tablature(score);
  const pitched = score.notes.some((n) => n.pitch !== null && n.aside === null);
  const isHeard = (n: Note): boolean => n.aside === null && !isBeside(tab, n) && (!pitched || n.pitch !== null);
  const plain = score.parts.find((p) => transpositionInSemitones(p.transpose) % 12 === 0) ?? score.parts[0];
  const tuned = new Map(
    score.parts.flatMap((p) => {
      const strings = retuned(score, p);
      return strings.size > 0 ? [[p.id, strings] as const] : [];
    }),
  );
  const notes = score.notes.every(isHeard) ? score.notes : score.notes.filter(isHeard);
  return {
    ...score,
    notes: tab.stops.size + tuned.size === 0 ? notes : notes.map((n) => soundingPitch(withStop(n, tab), tuned)),
    rests: score.rests.filter((r) => r.aside === null && !isBeside(tab, r)),
    bars: plain
      ? withKeys(score.bars, keysRead(plain, score.bars), transpositionInSemitones(plain.transpose))
      : score.bars,
  };
});

/** Where each staff of a player's parts comes to stand, `part staff` → part and staff. */
type Places = ReadonlyMap<string, { readonly part: string; readonly staff: number }>;

interface Arranged {
  readonly parts: readonly Part[];
  readonly places: Places;
}

const movedClefs = (change: AttributeChange, by: number): AttributeChange => ({
  ...change,
  ...(change.clefs ? { clefs: change.clefs.map((c) => ({ ...c, staff: c.staff + by })) } : {}),
});

/** The parts of a player as they are read: two parts of one keyboard as one with two staves, no staff twice. */
function arranged(score: Score, mine: readonly Part[], tab: Tablature): Arranged {
  const places = new Map<string, { part: string; staff: number }>();
  const parts: Part[] = [];
  for (let i = 0; i < mine.length; i += 1) {
    const part = mine[i];
    const next = mine[i + 1];
    if (!part) continue;
    if (next && areTwoHands(score, part, next)) {
      places.set(`${part.id} 1`, { part: part.id, staff: 1 });
      places.set(`${next.id} 1`, { part: part.id, staff: 2 });
      parts.push({
        ...part,
        staves: 2,
        attributes: [...part.attributes, ...next.attributes.map((a) => movedClefs(a, 1))].sort(
          (a, b) => a.onset - b.onset,
        ),
      });
      i += 1;
      continue;
    }
    const staves = Array.from({ length: part.staves }, (_, s) => s + 1).filter(
      (staff) => !tab.beside.has(`${part.id} ${staff}`),
    );
    staves.forEach((staff, s) => places.set(`${part.id} ${staff}`, { part: part.id, staff: s + 1 }));
    if (staves.length > 0) parts.push(staves.length === part.staves ? part : { ...part, staves: staves.length });
  }
  return { parts, places };
}

function placed<E extends Note | Rest>(event: E, places: Places): E | null {
  const place = places.get(`${event.part} ${event.staff}`);
  if (!place) return null;
  return place.part === event.part && place.staff === event.staff ? event : { ...event, ...place };
}

function directionsOf(score: Score, places: Places): readonly Direction[] {
  const parts = new Set([...places.keys()].map((key) => key.slice(0, key.lastIndexOf(' '))));
  return score.directions.flatMap((d): Direction[] => {
    if (!parts.has(d.part)) return isForAll(d) ? [d] : [];
    const place = places.get(`${d.part} ${d.staff ?? 1}`);
    return place ? [{ ...d, part: place.part, staff: d.staff === null ? null : place.staff }] : [d];
  });
}

/** Semitones from what a score at concert pitch prints to what the player of a part reads. */
function toPlayersPage(score: Score, part: Part, player: Player): number {
  if (part.playerTranspose === null) return 0;
  const said = transpositionInSemitones(part.playerTranspose);
  const instrument = player.instrument ?? instrumentOfPart(score, part).instrument ?? 'other';
  const sounds = said !== 0 ? said : instrumentOf(instrument).transposition;
  return transpositionInSemitones(part.transpose) - sounds;
}

/** A note as the player reads it: the same sound, written so many semitones away. */
const readAt = (note: Note, semitones: number, fifths: number): Note =>
  semitones === 0 || note.pitch === null
    ? note
    : { ...note, pitch: spellMidi(writtenMidi(note.pitch) + semitones, fifths) };

function compute(score: Score, player: Player): Score {
  const tab = tablature(score);
  const wanted = new Set(player.parts);
  const own = score.parts.filter((p) => wanted.has(p.id));
  const mine = own.length > 0 ? own : score.parts.slice(0, 1);
  const { parts, places } = arranged(score, mine, tab);
  const drums = (part: string): boolean => {
    const head = mine.find((p) => p.id === part);
    const on = player.instrument ?? (head ? instrumentOfPart(score, head).instrument : null);
    return (
      (on !== null && instrumentOf(on).family === 'percussion') ||
      notesOfPart(score, part).every((n) => n.pitch === null)
    );
  };
  const drummed = new Set(mine.filter((p) => drums(p.id)).map((p) => p.id));
  const notes = score.notes.flatMap((n) => {
    if (!wanted.has(n.part) && own.length > 0) return [];
    if (n.aside !== null || (n.pitch === null && !drummed.has(n.part))) return [];
    const at = placed(n, places);
    return at ? [withStop(at, tab)] : [];
  });
  const rests = score.rests.flatMap((r) => {
    const at = r.aside === null ? placed(r, places) : null;
    return at ? [at] : [];
  });
  const [first] = parts;
  const moved = first ? toPlayersPage(score, first, player) : 0;
  const bars = first ? withKeys(score.bars, keysRead(first, score.bars), moved) : score.bars;
  const read = moved === 0 ? notes : notes.map((n) => readAt(n, moved, bars[n.bar]?.key.fifths ?? 0));
  const ownChords = score.chords.filter((c) => wanted.has(c.part));
  return {
    ...score,
    parts,
    bars,
    ...(player.line === undefined ? { notes: read, rests } : lineOf(read, rests, player.line)),
    directions: directionsOf(score, places),
    chords: ownChords.length > 0 ? ownChords : score.chords,
  };
}

const played = new WeakMap<Score, Map<string, Score>>();

/**
 * What a player has to play, as a score of its own with the same bars, ids and times: cues, ossias, slashes and hidden
 * notes are left out, strings and frets of a tablature stand at the notes, two parts of one keyboard are two staves of
 * one, and of a staff that is shared only the player's line is there. The key is the one that the player reads.
 *
 * @example playedBy(scoreOf('[CE] [DF]|'), { parts: ['P1'], line: 'lower' }).notes.length // → 2
 */
export function playedBy(score: Score, player: Player): Score {
  const key = `${playerKey(player)} ${player.instrument ?? ''}`;
  const ofScore = played.get(score) ?? new Map<string, Score>();
  played.set(score, ofScore);
  const there = ofScore.get(key);
  if (there) return there;
  const fresh = compute(score, player);
  ofScore.set(key, fresh);
  return fresh;
}
