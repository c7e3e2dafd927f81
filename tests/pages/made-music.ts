/**
 * Music that nobody wrote, for pages with everything on them that can look like a bar line: stems in chords, changes of
 * key, meter and clef in the middle of a line, repeats, endings, grace notes, words, hairpins, fingers. It need not be
 * good music; it has to be engraved as music is.
 */
import { randomFrom } from './random';

interface MadePart {
  readonly name: string;
  readonly clefs: readonly Clef[];
  readonly words: boolean;
  /** How many notes a beat holds in the liveliest bar: 1, 2 or 4. */
  readonly lively: 1 | 2 | 4;
}

/** Sign, line, and the diatonic step (C0 is 0) of the lowest note that is written without many ledger lines. */
const CLEFS = {
  treble: ['G', 2, 29],
  bass: ['F', 4, 17],
  alto: ['C', 3, 23],
  tenor: ['C', 4, 21],
} as const;

type Clef = keyof typeof CLEFS;

const BANDS: readonly (readonly MadePart[])[] = [
  [{ name: 'Flute', clefs: ['treble'], words: false, lively: 4 }],
  [{ name: 'Cello', clefs: ['bass'], words: false, lively: 4 }],
  [{ name: 'Viola', clefs: ['alto'], words: false, lively: 2 }],
  [{ name: 'Voice', clefs: ['treble'], words: true, lively: 1 }],
  [{ name: 'Piano', clefs: ['treble', 'bass'], words: false, lively: 4 }],
  [{ name: 'Piano', clefs: ['treble', 'bass'], words: false, lively: 2 }],
  [{ name: 'Piano', clefs: ['bass', 'bass'], words: false, lively: 2 }],
  [
    { name: 'Voice', clefs: ['treble'], words: true, lively: 1 },
    { name: 'Piano', clefs: ['treble', 'bass'], words: false, lively: 2 },
  ],
  [
    { name: 'Oboe', clefs: ['treble'], words: false, lively: 2 },
    { name: 'Bassoon', clefs: ['tenor'], words: false, lively: 2 },
  ],
  [
    { name: 'Violin I', clefs: ['treble'], words: false, lively: 4 },
    { name: 'Violin II', clefs: ['treble'], words: false, lively: 2 },
    { name: 'Viola', clefs: ['alto'], words: false, lively: 2 },
    { name: 'Cello', clefs: ['bass'], words: false, lively: 1 },
  ],
];
const METERS = [
  [4, 4],
  [3, 4],
  [2, 4],
  [6, 8],
  [2, 2],
  [5, 4],
  [12, 8],
] as const;
const STEPS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const;
const WORDS = ['sil', 'ver', 'ri', 'ver', 'go', 'ing', 'down', 'by', 'the', 'long', 'grass'] as const;
const TEMPI = ['Andante con moto', 'Allegro', 'poco rit.', 'a tempo', 'dolce', 'Ruhig'] as const;
/** Ticks of a quarter. */
const QUARTER = 8;
const TYPES: ReadonlyMap<number, string> = new Map([
  [32, '<type>whole</type>'],
  [24, '<type>half</type><dot/>'],
  [16, '<type>half</type>'],
  [12, '<type>quarter</type><dot/>'],
  [8, '<type>quarter</type>'],
  [4, '<type>eighth</type>'],
  [2, '<type>16th</type>'],
]);

const pick = <T>(random: () => number, of: readonly T[]): T => {
  const one = of[Math.floor(random() * of.length)];
  if (one === undefined) throw new Error('nothing to pick from');
  return one;
};
const pitch = (step: number): string =>
  `<pitch><step>${STEPS[((step % 7) + 7) % 7] ?? 'C'}</step><octave>${Math.floor(step / 7)}</octave></pitch>`;

/** How the ticks of a bar are divided into notes. */
function rhythm(ticks: number, lively: number, random: () => number): readonly number[] {
  const left: number[] = [];
  let at = 0;
  while (at < ticks) {
    const rest = ticks - at;
    const short = QUARTER / lively;
    const sizes = [short, short, 2 * short, QUARTER, 2 * QUARTER, 1.5 * QUARTER, 4 * QUARTER];
    const size = pick(random, sizes.filter((s) => s <= rest && TYPES.has(s)).concat(rest < short ? [rest] : []));
    // Short notes come in beats, so that beams can join them.
    const run =
      size < QUARTER ? Math.min(Math.floor(rest / size), QUARTER / size - ((at / size) % (QUARTER / size))) : 1;
    for (let i = 0; i < Math.max(1, run); i += 1) left.push(size);
    at += size * Math.max(1, run);
  }
  return left;
}

/** Beams of the notes of a bar: short ones of one beat go together. */
function beamsOf(sizes: readonly number[]): readonly string[] {
  const onsets = sizes.map((_, i) => sizes.slice(0, i).reduce((a, b) => a + b, 0));
  const joined = (i: number, j: number): boolean => {
    const [a, b] = [sizes[i] ?? QUARTER, sizes[j] ?? QUARTER];
    return (
      a < QUARTER && b < QUARTER && Math.floor((onsets[i] ?? 0) / QUARTER) === Math.floor((onsets[j] ?? 0) / QUARTER)
    );
  };
  return sizes.map((size, i) => {
    const [before, after] = [i > 0 && joined(i - 1, i), i < sizes.length - 1 && joined(i, i + 1)];
    if (!before && !after) return '';
    const how = before && after ? 'continue' : before ? 'end' : 'begin';
    const second = size === 2 ? `<beam number="2">${how}</beam>` : '';
    return `<beam number="1">${how}</beam>${second}`;
  });
}

/** The notes of one staff in a bar. */
function voiceOf(part: MadePart, clef: Clef, staff: number, ticks: number, random: () => number): string {
  const [, , low] = CLEFS[clef];
  const where = part.clefs.length > 1 ? `<staff>${staff + 1}</staff>` : '';
  const voice = `<voice>${staff + 1}</voice>`;
  if (random() < 0.06) return `<note><rest measure="yes"/><duration>${ticks}</duration>${voice}${where}</note>`;
  const sizes = rhythm(ticks, part.lively, random);
  const beams = beamsOf(sizes);
  const thick = random() < 0.35;
  let step = low + Math.floor(random() * 9);
  return sizes
    .map((size, i) => {
      const type = TYPES.get(size) ?? '';
      const beam = beams[i] ?? '';
      if (beam === '' && random() < 0.1)
        return `<note><rest/><duration>${size}</duration>${voice}${type}${where}</note>`;
      // Leaps of an octave and more are there too, so that stems grow long.
      step = Math.max(low - 4, Math.min(low + 15, step + Math.round((random() - 0.5) * (random() < 0.2 ? 18 : 6))));
      const grace =
        random() < 0.03 ? `<note><grace slash="yes"/>${pitch(step + 1)}${voice}<type>eighth</type>${where}</note>` : '';
      const accidental = random() < 0.1 ? `<accidental>${pick(random, ['sharp', 'flat', 'natural'])}</accidental>` : '';
      const signs = [
        random() < 0.12 ? `<articulations><${pick(random, ['staccato', 'accent', 'tenuto'])}/></articulations>` : '',
        random() < 0.12 ? `<technical><fingering>${1 + Math.floor(random() * 5)}</fingering></technical>` : '',
        random() < 0.03 ? `<ornaments><${pick(random, ['trill-mark', 'mordent', 'turn'])}/></ornaments>` : '',
        i === 0 && sizes.length > 2 && random() < 0.4 ? '<slur type="start" number="1"/>' : '',
        thick && random() < 0.1 ? '<arpeggiate/>' : '',
      ].join('');
      const lyric =
        part.words && staff === 0
          ? `<lyric><syllabic>single</syllabic><text>${pick(random, WORDS)}</text></lyric>`
          : '';
      const note = (s: number, chord: string, rest: string): string =>
        `<note>${chord}${pitch(s)}<duration>${size}</duration>${voice}${type}${rest}</note>`;
      const first = note(
        step,
        '',
        `${accidental}${where}${beam}${signs ? `<notations>${signs}</notations>` : ''}${lyric}`,
      );
      const others = thick
        ? [2, 4, 7].slice(0, 1 + Math.floor(random() * 3)).map((d) => note(step + d, '<chord/>', where))
        : [];
      return grace + first + others.join('');
    })
    .join('');
}

/** What stands over or under a bar of the first staff. */
function directions(random: () => number): string {
  const said = (inside: string, place: 'above' | 'below'): string =>
    `<direction placement="${place}"><direction-type>${inside}</direction-type></direction>`;
  return [
    random() < 0.15 ? said(`<dynamics><${pick(random, ['p', 'mf', 'f', 'pp', 'sf'])}/></dynamics>`, 'below') : '',
    random() < 0.06 ? said(`<words>${pick(random, TEMPI)}</words>`, 'above') : '',
    random() < 0.03 ? said(`<rehearsal>${pick(random, ['A', 'B', 'C', '12'])}</rehearsal>`, 'above') : '',
    random() < 0.05
      ? `<harmony><root><root-step>${pick(random, STEPS)}</root-step></root><kind>major</kind></harmony>`
      : '',
  ].join('');
}

/** What happens at a bar to all parts: a new key or meter, a repeat, an ending.. */
interface Turn {
  readonly key: number | null;
  readonly meter: readonly [number, number] | null;
  readonly left: string;
  readonly right: string;
  /** The lowest staff of the first part changes between treble and bass. */
  readonly clef: boolean;
}

function turnsOf(bars: number, random: () => number): readonly Turn[] {
  let open = false;
  return Array.from({ length: bars }, (_, i): Turn => {
    const last = i === bars - 1;
    const begins = !open && i > 0 && !last && random() < 0.06;
    if (begins) open = true;
    const ends = open && !begins && random() < 0.15;
    if (ends) open = false;
    const style = random();
    return {
      key: i > 0 && random() < 0.03 ? Math.floor(random() * 9) - 4 : null,
      meter: i > 0 && random() < 0.03 ? pick(random, METERS) : null,
      left: begins
        ? '<barline location="left"><bar-style>heavy-light</bar-style><repeat direction="forward"/></barline>'
        : '',
      right: last
        ? '<barline location="right"><bar-style>light-heavy</bar-style></barline>'
        : ends
          ? '<barline location="right"><bar-style>light-heavy</bar-style><repeat direction="backward"/></barline>'
          : style < 0.04
            ? '<barline location="right"><bar-style>light-light</bar-style></barline>'
            : '',
      clef: random() < 0.03,
    };
  });
}

function partOf(
  part: MadePart,
  id: string,
  turns: readonly Turn[],
  begin: Turn,
  pickUp: boolean,
  random: () => number,
): string {
  let [beats, unit] = begin.meter ?? [4, 4];
  const several = part.clefs.length > 1;
  const clef = (staff: number, name: Clef): string =>
    `<clef${several ? ` number="${staff + 1}"` : ''}><sign>${CLEFS[name][0]}</sign><line>${CLEFS[name][1]}</line></clef>`;
  const key = (fifths: number): string => `<key><fifths>${fifths}</fifths></key>`;
  const time = (b: number, u: number): string => `<time><beats>${b}</beats><beat-type>${u}</beat-type></time>`;
  const clefs = [...part.clefs];
  const lowest = clefs.length - 1;
  const measures = turns.map((turn, i) => {
    const changes = turn.clef && i > 0 && id === 'P1';
    if (changes) clefs[lowest] = clefs[lowest] === 'bass' ? 'treble' : 'bass';
    if (i > 0 && turn.meter) [beats, unit] = turn.meter;
    const whole = (beats * 4 * QUARTER) / unit;
    const ticks = i === 0 && pickUp ? QUARTER : whole;
    const changed = [
      turn.key === null ? '' : key(turn.key),
      turn.meter ? time(beats, unit) : '',
      changes ? clef(lowest, clefs[lowest] ?? 'treble') : '',
    ].join('');
    const first = [
      `<divisions>${QUARTER}</divisions>${key(begin.key ?? 0)}${time(beats, unit)}`,
      several ? `<staves>${part.clefs.length}</staves>` : '',
      ...part.clefs.map((c, s) => clef(s, c)),
    ].join('');
    const attributes = i === 0 ? first : changed;
    const opening = attributes === '' ? '' : `<attributes>${attributes}</attributes>`;
    const voices = clefs.map((c, s) => voiceOf(part, c, s, ticks, random));
    const back = `<backup><duration>${ticks}</duration></backup>`;
    const inside = `${turn.left}${opening}${directions(random)}${voices.join(back)}${turn.right}`;
    const implicit = i === 0 && pickUp ? ' implicit="yes"' : '';
    return `<measure number="${i + (pickUp ? 0 : 1)}"${implicit}>${inside}</measure>`;
  });
  return `<part id="${id}">${measures.join('')}</part>`;
}

/**
 * A piece in MusicXML, the same for the same seed.
 *
 * @param seed any whole number; seeds one after another go through the bands, from one staff to four
 */
export function madeMusic(seed: number): string {
  const random = randomFrom(seed * 7919 + 13);
  const parts = BANDS[seed % BANDS.length] ?? [];
  const bars = 24 + Math.floor(random() * 40);
  const begin: Turn = {
    key: Math.floor(random() * 11) - 5,
    meter: pick(random, METERS),
    left: '',
    right: '',
    clef: false,
  };
  const turns = turnsOf(bars, random);
  const pickUp = random() < 0.3;
  const list = parts.map(({ name }, i) => `<score-part id="P${i + 1}"><part-name>${name}</part-name></score-part>`);
  const music = parts.map((part, i) => partOf(part, `P${i + 1}`, turns, begin, pickUp, random));
  return `<?xml version="1.0" encoding="UTF-8"?><score-partwise version="4.0"><work><work-title>Made ${seed}</work-title></work><part-list>${list.join('')}</part-list>${music.join('')}</score-partwise>`;
}

/** A part for one player with rests of several bars, as its publisher condenses them: two bars of notes before each. */
export function restingPart(rests: readonly number[]): string {
  const random = randomFrom(rests.reduce((sum, n) => 31 * sum + n, 7));
  const part: MadePart = { name: 'Horn', clefs: ['treble'], words: false, lively: 2 };
  const whole = 4 * QUARTER;
  const measures: string[] = [];
  const add = (inside: string): void => {
    measures.push(`<measure number="${measures.length + 1}">${inside}</measure>`);
  };
  const clef = '<clef><sign>G</sign><line>2</line></clef>';
  const first = `<attributes><divisions>${QUARTER}</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time>${clef}</attributes>`;
  for (const count of rests) {
    for (let i = 0; i < 2; i += 1)
      add(`${measures.length === 0 ? first : ''}${voiceOf(part, 'treble', 0, whole, random)}`);
    for (let i = 0; i < count; i += 1)
      add(
        `${i === 0 ? `<attributes><measure-style><multiple-rest>${count}</multiple-rest></measure-style></attributes>` : ''}<note><rest measure="yes"/><duration>${whole}</duration><voice>1</voice></note>`,
      );
  }
  add(
    `${voiceOf(part, 'treble', 0, whole, random)}<barline location="right"><bar-style>light-heavy</bar-style></barline>`,
  );
  return `<?xml version="1.0" encoding="UTF-8"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name>${part.name}</part-name></score-part></part-list><part id="P1">${measures.join('')}</part></score-partwise>`;
}
