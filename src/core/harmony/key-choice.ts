import { isMinor, isPickupBar, type Bar, type Score } from '../score';
import { KEYS, MODE_SCALES, RELATIVE_MAJOR, type KeyMode, type MusicalKey } from './keys';
import { HARMONY_WEIGHTS as W } from './weights';

/** The church modes beside major and minor. */
const CHURCH_MODES = ['dorian', 'phrygian', 'lydian', 'mixolydian'] as const satisfies readonly KeyMode[];

/** Share of the sounding time that may lie outside a mode’s scale for its final to name it. */
const OUTSIDE = 0.02;

const majorTonic = (fifths: number): number => (((fifths * 7) % 12) + 12) % 12;
const inSignature = (key: MusicalKey, fifths: number): boolean =>
  (key.tonic + RELATIVE_MAJOR[key.mode]) % 12 === majorTonic(fifths);

/** The church mode that a piece in one signature is in by its last note, where it keeps to the mode’s own scale. */
function modeByFinal(score: Score): MusicalKey | null {
  const [first] = score.bars;
  if (!first || score.bars.some((b) => b.key.fifths !== first.key.fifths)) return null;
  const sounding = score.notes.filter((n) => n.midi !== null && !n.grace);
  const last = sounding.reduce<(typeof sounding)[number] | null>(
    (l, n) => (l === null || n.onset > l.onset || (n.onset === l.onset && (n.midi ?? 0) < (l.midi ?? 0)) ? n : l),
    null,
  );
  if (last?.midi == null) return null;
  const tonic = last.midi % 12;
  const mode = CHURCH_MODES.find((m) => inSignature({ tonic, mode: m }, first.key.fifths));
  if (mode === undefined) return null;
  const scale: readonly number[] = MODE_SCALES[mode];
  let all = 0;
  let outside = 0;
  const lengths = Array.from({ length: 12 }, () => 0);
  for (const n of sounding) {
    const up = ((n.midi ?? 0) - tonic + 120) % 12;
    all += n.duration;
    if (!scale.includes(up)) outside += n.duration;
    lengths[up] = (lengths[up] ?? 0) + n.duration;
  }
  const heard = (up: number): boolean => (lengths[up] ?? 0) > 0;
  // A piece that stops on its dominant ends on no tonic: the mode has to be heard from the beginning too.
  const start =
    score.bars.find((b) => !(b.index === 0 && isPickupBar(score)) && sounding.some((n) => n.bar === b.index)) ?? first;
  const lowest = Math.min(...sounding.filter((n) => n.onset === start.onset).map((n) => n.midi ?? 127));
  const begins = [0, 7].includes((lowest - tonic + 120) % 12);
  const relative = RELATIVE_MAJOR[mode];
  if (!begins || (lengths[0] ?? 0) < (lengths[relative] ?? 0)) return null;
  // The third says which family it is, the tone of its own which mode: without both the final alone says too little.
  const third = mode === 'dorian' || mode === 'phrygian' ? 3 : 4;
  const own = { dorian: 10, phrygian: 1, lydian: 6, mixolydian: 10 }[mode];
  return outside <= OUTSIDE * all && heard(third) && heard(own) ? { tonic, mode } : null;
}

/** The key that the file itself names for a bar; null where it gives a signature alone. */
function namedKey(bar: Bar): MusicalKey | null {
  const { mode, fifths } = bar.key;
  if (mode === null) return null;
  const church = CHURCH_MODES.find((m) => m === mode);
  const own: KeyMode | null =
    church ?? (isMinor(bar.key) ? 'minor' : mode === 'major' || mode === 'ionian' ? 'major' : null);
  return own === null ? null : { tonic: (majorTonic(fifths) - RELATIVE_MAJOR[own] + 24) % 12, mode: own };
}

const sameKey = (a: MusicalKey, b: MusicalKey): boolean => a.tonic === b.tonic && a.mode === b.mode;

/** Keys that come into question: the 24, and a church mode where the file or the final names it. */
export function keysInQuestion(score: Score): {
  readonly keys: readonly MusicalKey[];
  /** What a beat of the bar gives each key in advance. */
  readonly worth: (bar: number) => Float64Array;
} {
  const named = score.bars.map(namedKey);
  const isChurch = (key: MusicalKey | null): key is MusicalKey => CHURCH_MODES.some((m) => m === key?.mode);
  const byFinal = named.some(isChurch) ? null : modeByFinal(score);
  const more: MusicalKey[] = [];
  for (const key of [...named.filter(isChurch), ...(byFinal ? [byFinal] : [])])
    if (!more.some((k) => sameKey(k, key))) more.push(key);
  const keys = [...KEYS, ...more];
  const worths = new Map<string, Float64Array>();
  return {
    keys,
    worth: (bar) => {
      const here = score.bars[bar];
      const fifths = here?.key.fifths ?? 0;
      const said = named[bar] ?? null;
      const place = `${fifths} ${said?.tonic ?? ''} ${said?.mode ?? ''}`;
      const there = worths.get(place);
      if (there) return there;
      const fresh = Float64Array.from(keys, (key) => {
        if (isChurch(key)) return W.signature + 6 * W.named;
        return (inSignature(key, fifths) ? W.signature : 0) + (said && sameKey(said, key) ? W.named : 0);
      });
      worths.set(place, fresh);
      return fresh;
    },
  };
}
