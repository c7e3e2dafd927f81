import type { TimedMusic } from '../performance';
import { pitchLetter, type Note } from '../score';

/** What can be said on each note. */
export const SAYINGS = ['fingers', 'letters', 'counts', 'words'] as const;
export type Saying = (typeof SAYINGS)[number];

export interface SaidSources {
  /** In order of onset. */
  readonly notes: readonly Note[];
  /** As the student sees them, by note id. */
  readonly fingers: ReadonlyMap<string, string>;
  readonly counts: ReadonlyMap<string, string>;
  /** The student's own words, by note id; they go before those of the song. */
  readonly ownWords: ReadonlyMap<string, string>;
  readonly verse: string;
}

/** The syllable of a verse at a note; with a hyphen where the word goes on. */
function syllable({ marks }: Note, verse: string): string | null {
  const sung = marks.lyrics.find((l) => l.verse === verse);
  if (!sung) return null;
  return sung.syllabic === 'begin' || sung.syllabic === 'middle' ? `${sung.text}-` : sung.text;
}

const textOf: Readonly<Record<Saying, (note: Note, sources: SaidSources) => string | null>> = {
  fingers: (note, { fingers }) => fingers.get(note.id) ?? (note.marks.fingers.join(' ') || null),
  letters: (note) => (note.pitch === null ? null : pitchLetter(note.pitch)),
  counts: (note, { counts }) => counts.get(note.id) ?? null,
  words: (note, { ownWords, verse }) => ownWords.get(note.id) ?? syllable(note, verse),
};

/**
 * What is said on each note, by note id. Notes that are tied to are not said again; where nothing is to be said of a
 * note it has no entry.
 *
 * @example
 * [...saidTexts('letters', { notes: score.notes.slice(0, 3), fingers: new Map(), counts: new Map(),
 *   ownWords: new Map(), verse: '1' }).values()] // → ['C', 'D', 'E']
 */
export function saidTexts(saying: Saying, sources: SaidSources): ReadonlyMap<string, string> {
  const said = new Map<string, string>();
  for (const note of sources.notes) {
    if (note.tie === 'continue' || note.tie === 'stop') continue;
    const text = textOf[saying](note, sources);
    if (text !== null && text !== '') said.set(note.id, text);
  }
  return said;
}

export interface SaidInTime {
  /** Of the lowest note, where several are struck together. */
  readonly noteId: string;
  /** Seconds from the beginning of the music. */
  readonly at: number;
  readonly text: string;
  readonly bar: number;
  /** Its bar's place in the order played. */
  readonly turn: number;
}

/** Notes nearer than this to one another are one stroke, in seconds. */
const TOGETHER = 0.02;

/**
 * The texts where they sound, in order: what is struck together is said in one breath, each different text once. Notes
 * that do not sound are not said.
 *
 * @example saidInTime(timedMusic(score, PLAIN_PLAN), new Map([['n0', 'C']])).map((s) => s.text) // → []
 */
export function saidInTime(music: TimedMusic, texts: ReadonlyMap<string, string>): readonly SaidInTime[] {
  const said: { noteId: string; at: number; texts: string[]; bar: number; turn: number }[] = [];
  let turn = 0;
  for (const sound of music.sounds) {
    while ((music.bars[turn + 1]?.at ?? Infinity) <= sound.at + TOGETHER) turn += 1;
    const text = texts.get(sound.noteId);
    if (text === undefined) continue;
    const last = said[said.length - 1];
    if (last && sound.at - last.at < TOGETHER) {
      if (!last.texts.includes(text)) last.texts.push(text);
    } else said.push({ noteId: sound.noteId, at: sound.at, texts: [text], bar: sound.bar, turn });
  }
  return said.map(({ texts: together, ...rest }) => ({ ...rest, text: together.join(' ') }));
}
