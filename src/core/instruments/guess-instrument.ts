import { INSTRUMENT_IDS, instrumentOf, type InstrumentId } from './instruments';

/** What a file says of a part. */
export interface SaidOfPart {
  readonly name: string;
  /** Sound id or instrument name of the file. */
  readonly sound: string | null;
  /** General MIDI program from 0. */
  readonly program: number | null;
}

const LETTER = /[\p{L}\p{N}]/u;

/** The words of a name, in lower case: ` violin i ` with a space on each side, so that whole words are found. */
function wordsOf(text: string): string {
  const letters = [...text.toLowerCase()].map((c) => (LETTER.test(c) ? c : ' ')).join('');
  return ` ${letters.split(' ').filter(Boolean).join(' ')} `;
}

/** Words that say how high something is as often as what it is: they give way to any other name beside them. */
const REGISTERS: ReadonlySet<string> = new Set(
  ['soprano', 'mezzo', 'alto', 'alt', 'tenor', 'tenore', 'ténor', 'baritone', 'bariton', 'bass', 'basse', 'treble'].map(
    wordsOf,
  ),
);

/** The key that an instrument is built in, behind its name: it says nothing of what it is. */
const IN_KEY =
  /\s+(?:in|en)\s+(?:[a-h]|do|re|ré|mi|fa|sol|la|si|sib|mib)(?:b|es|s|is|♭|♯|#|\s*-?\s*flat|\s*-?\s*sharp|\s+bémol|\s+bemolle)?\s*(?=$|[\d\s(,.])/giu;

/** The longest known name that stands in a text as whole words; null where none does. */
function namedIn(text: string): InstrumentId | null {
  const words = wordsOf(text.replace(IN_KEY, ' '));
  let best: { readonly id: InstrumentId; readonly length: number } | null = null;
  for (const id of INSTRUMENT_IDS) {
    const { name, names } = instrumentOf(id);
    for (const known of id === 'other' ? names : [id, name, ...names]) {
      const wanted = wordsOf(known);
      const length = REGISTERS.has(wanted) ? 1 : wanted.length;
      const plural = `${wanted.trimEnd()}s `;
      if ((words.includes(wanted) || words.includes(plural)) && length > (best?.length ?? 0)) best = { id, length };
    }
  }
  return best?.id ?? null;
}

/** The instrument whose sound id begins a sound id, the longest one. */
function soundOf(sound: string): InstrumentId | null {
  let best: { readonly id: InstrumentId; readonly length: number } | null = null;
  for (const id of INSTRUMENT_IDS)
    for (const known of instrumentOf(id).sounds)
      if ((sound === known || sound.startsWith(`${known}.`)) && known.length > (best?.length ?? 0))
        best = { id, length: known.length };
  return best?.id ?? null;
}

const programOf = (program: number): InstrumentId | null =>
  INSTRUMENT_IDS.find((id) => instrumentOf(id).programs.includes(program)) ?? null;

/**
 * The instrument of a part: by its name, in the common languages, then by the sound of the file, then by its program;
 * null where none of them says.
 *
 * @example guessInstrument({ name: 'Altblockflöte', sound: null, program: null }) // → 'alto-recorder'
 * @example guessInstrument({ name: 'Staff 2', sound: null, program: null }) // → null
 */
export const guessInstrument = (said: SaidOfPart): InstrumentId | null =>
  namedIn(said.name) ??
  (said.sound === null ? null : (soundOf(said.sound.toLowerCase()) ?? namedIn(said.sound))) ??
  (said.program === null ? null : programOf(said.program));

/** An instrument as it is kept: one that the tool knows, and the teacher's own words where they say more. */
export interface NamedInstrument {
  readonly instrument: InstrumentId;
  readonly instrumentWords?: string;
}

/**
 * What a teacher wrote, as it is kept. Nothing written gives the piano.
 *
 * @example instrumentFromWords('Viola') // → { instrument: 'viola' }
 * @example instrumentFromWords('glass harp') // → { instrument: 'other', instrumentWords: 'glass harp' }
 */
export function instrumentFromWords(text: string): NamedInstrument {
  const words = text.trim();
  if (words === '') return { instrument: 'piano' };
  const id = namedIn(words) ?? 'other';
  return wordsOf(words) === wordsOf(instrumentOf(id).name) || wordsOf(words) === wordsOf(id)
    ? { instrument: id }
    : { instrument: id, instrumentWords: words };
}

/**
 * How an instrument is called: in the teacher's words where there are some.
 *
 * @example instrumentName({ instrument: 'other', instrumentWords: 'bagpipes' }) // → 'bagpipes'
 */
export const instrumentName = (named: {
  readonly instrument: InstrumentId;
  readonly instrumentWords?: string | undefined;
}): string => named.instrumentWords || instrumentOf(named.instrument).name;
