import type { Note } from '@/core/score';
import type { HandMapDrawing } from '@/ui';

/** How a note is taken, as far as it is known. */
export interface TakenNote {
  /** As it is written; empty where no finger is known. */
  readonly finger: string;
  readonly hand?: 'left' | 'right';
  readonly string?: number;
  /** Fret, or the finger that stands for the place. */
  readonly fret?: number;
}

/** With what the first notes are to be drawn. */
export interface HandMapRequest {
  readonly kind: 'keyboard' | 'strings' | 'keys' | 'none';
  /** The notes of both staves between which the first are looked for, in their order. */
  readonly upper: readonly Note[];
  readonly lower: readonly Note[];
  /** Null where nothing is known of it. */
  readonly taken: (note: Note) => TakenNote | null;
  /** Names of the open strings. */
  readonly strings: readonly string[];
}

/** The notes with which a staff begins, without those that only lean on them. */
function firstOf(notes: readonly Note[]): readonly Note[] {
  const full = notes.filter((n) => n.grace === null);
  return full.filter((n) => n.onset === full[0]?.onset);
}

/** Where the hands are when some bars begin; null where that is not known. */
export function handMapOf({ kind, upper, lower, taken, strings }: HandMapRequest): HandMapDrawing | null {
  const first = firstOf(upper);
  switch (kind) {
    case 'none':
      return null;
    case 'keyboard': {
      const keys = [...first, ...firstOf(lower)].flatMap((n) => {
        const { finger = '', hand } = taken(n) ?? {};
        const usual = n.staff === 1 ? 'right' : 'left';
        return n.midi === null ? [] : [{ midi: n.midi as number, finger, hand: hand ?? usual }];
      });
      return keys.length > 0 ? { kind, keys } : null;
    }
    case 'keys': {
      const text = first[0] ? (taken(first[0])?.finger ?? '') : '';
      return text === '' ? null : { kind, text };
    }
    case 'strings': {
      const stops = first.flatMap((n) => {
        const { string, fret, finger = '' } = taken(n) ?? {};
        return string === undefined ? [] : [{ string, fret: fret ?? Number(finger), finger }];
      });
      return strings.length > 0 && stops.length > 0 ? { kind, names: strings, stops } : null;
    }
  }
}
