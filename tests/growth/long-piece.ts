/**
 * Pieces of any length that nobody wrote, for measuring what grows with the bars and for comparing an algorithm with
 * the one it replaced: each kind is the worst case of something.
 */
import { randomFrom } from '../pages/random';

export const LONG_PIECES = {
  /** Sections of eight bars that come again, some bars of them changed. */
  themes: 'eight bars at a time, half of them again',
  /** No bar is written twice on purpose. */
  composedThrough: 'no bar twice',
  /** Six bars in any order. */
  fewBars: 'six bars in any order',
  /** One bar for ever. */
  oneBar: 'one bar for ever',
} as const;
export type LongPiece = keyof typeof LONG_PIECES;

/** A note of a bar: steps above the lowest C of its staff, and eighths. */
type Event = readonly [step: number, eighths: number];
interface TwoStaves {
  readonly right: readonly Event[];
  readonly left: readonly Event[];
}

const STEPS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const;
const TYPES: Readonly<Record<number, string>> = { 1: 'eighth', 2: 'quarter', 4: 'half', 8: 'whole' };
const RHYTHMS: readonly (readonly number[])[] = [
  [1, 1, 1, 1, 1, 1, 1, 1],
  [2, 2, 2, 2],
  [2, 1, 1, 2, 2],
  [4, 4],
  [4, 2, 2],
  [2, 2, 1, 1, 2],
  [1, 1, 2, 4],
  [8],
];
/** Steps above the root, with their eighths. */
const BASSES: readonly (readonly Event[])[] = [
  [[0, 8]],
  [
    [0, 4],
    [4, 4],
  ],
  [
    [0, 2],
    [2, 2],
    [4, 2],
    [2, 2],
  ],
  [0, 4, 2, 4, 0, 4, 2, 4].map((step) => [step, 1] as const),
];

const noteXml = ([step, eighths]: Event, octave: number, staff: number): string =>
  `<note><pitch><step>${STEPS[step % 7] ?? 'C'}</step><octave>${octave + Math.floor(step / 7)}</octave></pitch><duration>${eighths}</duration><voice>${staff === 1 ? 1 : 5}</voice><type>${TYPES[eighths] ?? 'quarter'}</type><staff>${staff}</staff></note>`;
const barXml = ({ right, left }: TwoStaves): string =>
  `${right.map((e) => noteXml(e, 4, 1)).join('')}<backup><duration>8</duration></backup>${left.map((e) => noteXml(e, 3, 2)).join('')}`;

function barMaker(random: () => number): { readonly pick: <T>(of: readonly T[]) => T; readonly make: () => TwoStaves } {
  const pick = <T>(of: readonly T[]): T => {
    const chosen = of[Math.floor(random() * of.length)];
    if (chosen === undefined) throw new Error('nothing to choose from');
    return chosen;
  };
  const make = (): TwoStaves => {
    let step = 3 + Math.floor(random() * 7);
    const right = pick(RHYTHMS).map((eighths): Event => {
      step = Math.min(13, Math.max(0, step + Math.floor(random() * 5) - 2));
      return [step, eighths];
    });
    const root = Math.floor(random() * 7);
    return { right, left: pick(BASSES).map(([above, eighths]): Event => [root + above, eighths]) };
  };
  return { pick, make };
}

function barsOf(kind: LongPiece, bars: number, random: () => number): readonly TwoStaves[] {
  const { pick, make } = barMaker(random);
  const some = (count: number): TwoStaves[] => Array.from({ length: count }, make);
  switch (kind) {
    case 'composedThrough':
      return some(bars);
    case 'oneBar': {
      const one = make();
      return Array.from({ length: bars }, () => one);
    }
    case 'fewBars': {
      const few = some(6);
      return Array.from({ length: bars }, () => pick(few));
    }
    case 'themes': {
      const themes = [some(8)];
      const out: TwoStaves[] = [...(themes[0] ?? [])];
      while (out.length < bars) {
        const again = random() < 0.6;
        const theme = again ? pick(themes) : some(8);
        if (!again) themes.push(theme);
        out.push(...theme.map((bar) => (again && random() < 0.15 ? { ...bar, right: make().right } : bar)));
      }
      return out.slice(0, bars);
    }
  }
}

/**
 * A MusicXML document for piano.
 *
 * @example longPiece('themes', 400).length // → 1000000, about
 */
export function longPiece(kind: LongPiece, bars: number, seed = 7): string {
  const head =
    '<attributes><divisions>2</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time><staves>2</staves><clef number="1"><sign>G</sign><line>2</line></clef><clef number="2"><sign>F</sign><line>4</line></clef></attributes>';
  const measures = barsOf(kind, bars, randomFrom(seed)).map(
    (bar, i) => `<measure number="${i + 1}">${i === 0 ? head : ''}${barXml(bar)}</measure>`,
  );
  return `<?xml version="1.0"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Piano</part-name></score-part></part-list><part id="P1">${measures.join('')}</part></score-partwise>`;
}
