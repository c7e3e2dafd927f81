import type { PlayerFamily } from '../instruments';
import { beatOnsets, type Note, type Score } from '../score';

export type GestureKind =
  'two-note-slur' | 'staccato-run' | 'wedge' | 'accent' | 'sforzando' | 'soft-chord' | 'voicing';

/**
 * What a teacher says, by gesture and instrument; ours, to be changed by the teacher. Handbook chapter 6 [common
 * practice].
 */
export const GESTURE_CUES: Readonly<Record<GestureKind, Readonly<Record<PlayerFamily, string>>>> = {
  'two-note-slur': {
    keyboard: 'down and up with the wrist',
    bowed: 'lean on the first, lift from the second',
    fretted: 'strike the first, let the second ring from the left hand',
    wind: 'say it on the first, let the air close the second',
  },
  'staccato-run': {
    keyboard: 'short notes that walk to the next downbeat',
    bowed: 'bounce towards the next downbeat',
    fretted: 'stop each note, aim at the downbeat',
    wind: 'light tongue, one line of air to the downbeat',
  },
  wedge: {
    keyboard: 'short and light, as older music has it',
    bowed: 'short and light, off the string',
    fretted: 'short and light',
    wind: 'short and light, the air goes on',
  },
  accent: {
    keyboard: 'front of the note, then its length',
    bowed: 'bite, then let it ring',
    fretted: 'a firm stroke, then let it ring',
    wind: 'more air at the front, not more tongue',
  },
  sforzando: {
    keyboard: 'press deep, from the arm',
    bowed: 'weight from the arm at once',
    fretted: 'through the string',
    wind: 'a sudden breath, then back',
  },
  'soft-chord': {
    keyboard: 'all fingers set on the keys, then down as one',
    bowed: 'both strings in the hand before the bow moves',
    fretted: 'set the shape, then one slow stroke',
    wind: 'hear the chord, then place your note',
  },
  voicing: {
    keyboard: 'lean to the finger that has the tune',
    bowed: 'let the upper string sing',
    fretted: 'bring out the top string',
    wind: 'your note is the top: let it sing',
  },
};

export interface Gesture {
  readonly noteId: string;
  readonly toNoteId: string;
  readonly kind: GestureKind;
  readonly cue: string;
  readonly reason: string;
}

/** The teacher's own words, by `gesture family`. */
export type OwnCues = Readonly<Record<string, string>>;

/**
 * What is said for a gesture: the teacher's own words, else ours.
 *
 * @example cueFor('accent', 'keyboard', { 'accent keyboard': 'lean in' }) // → 'lean in'
 */
export const cueFor = (kind: GestureKind, family: PlayerFamily, own: OwnCues): string =>
  own[`${kind} ${family}`] ?? GESTURE_CUES[kind][family];

export const GESTURE_KINDS: readonly GestureKind[] = [
  'two-note-slur',
  'staccato-run',
  'wedge',
  'accent',
  'sforzando',
  'soft-chord',
  'voicing',
];

const has = (n: Note, ...names: readonly string[]): boolean => n.marks.articulations.some((a) => names.includes(a));

/**
 * Gestures worth a word: each where it begins, the first of several alike in a row; in the teacher's own words where
 * there are some.
 *
 * @example findGestures(scoreOf('(C D) E F|'), 'keyboard')[0].kind // → 'two-note-slur'
 */
export function findGestures(score: Score, family: PlayerFamily, own: OwnCues = {}): Gesture[] {
  const out: Gesture[] = [];
  const put = (kind: GestureKind, from: Note, to: Note, reason: string): void => {
    const last = out.filter((g) => g.kind === kind).pop();
    const lastNote = last ? score.notes.find((n) => n.id === last.noteId) : undefined;
    // Once said, it holds for the bars that follow.
    if (lastNote && from.bar - lastNote.bar < 4 && lastNote.staff === from.staff && lastNote.part === from.part) return;
    out.push({ noteId: from.id, toNoteId: to.id, kind, cue: cueFor(kind, family, own), reason });
  };
  const lines = new Map<string, Note[]>();
  for (const n of score.notes) {
    if (n.grace || n.chord) continue;
    const key = `${n.part} ${n.staff} ${n.voice}`;
    const there = lines.get(key);
    if (there) there.push(n);
    else lines.set(key, [n]);
  }
  for (const line of lines.values())
    line.forEach((n, i) => {
      const next = line[i + 1];
      const starts = n.marks.slurs.some((s) => s.role === 'start');
      if (
        starts &&
        next &&
        next.marks.slurs.some((s) => s.role === 'stop') &&
        !next.marks.slurs.some((s) => s.role === 'start')
      )
        put('two-note-slur', n, next, 'a slur over two notes');
      if (has(n, 'accent', 'strong-accent')) put('accent', n, n, 'an accent is printed');
      if (has(n, 'staccatissimo')) put('wedge', n, n, 'a wedge is printed');
      if (has(n, 'staccato') && !(line[i - 1] && has(line[i - 1] ?? n, 'staccato'))) {
        let k = i;
        while (line[k + 1] && has(line[k + 1] ?? n, 'staccato')) k += 1;
        const after = line[k + 1];
        const bar = after ? score.bars[after.bar] : undefined;
        const onDownbeat =
          after &&
          bar &&
          beatOnsets(bar, score.ticksPerQuarter).some((b) => b.downbeat && bar.onset + b.at === after.onset);
        if (k - i >= 2 && after && onDownbeat) put('staccato-run', n, line[k] ?? n, 'short notes lead into a downbeat');
      }
    });
  const soft = new Set(['p', 'pp', 'ppp']);
  const columns = new Map<string, Note[]>();
  for (const n of score.notes) {
    if (n.grace) continue;
    const key = `${n.part} ${n.staff} ${n.onset}`;
    const there = columns.get(key);
    if (there) there.push(n);
    else columns.set(key, [n]);
  }
  let level = '';
  const marks = score.directions.flatMap((d) => (d.kind === 'dynamic' ? [d] : []));
  for (const chord of columns.values()) {
    const [low] = chord;
    const high = chord[chord.length - 1];
    if (!low || !high) continue;
    for (const d of marks) if (d.onset <= low.onset) level = d.level;
    const sudden = marks.some((d) => d.onset === low.onset && /^(sf|sfz|fz|sffz|rfz)/.test(d.level));
    if (sudden) put('sforzando', low, low, 'a sforzando is printed');
    if (chord.length >= 3 && soft.has(level)) put('soft-chord', low, low, 'a full chord, played softly');
    if (chord.length >= 2 && high.staff === 1 && (high.midi ?? 0) - (low.midi ?? 0) >= 3)
      put('voicing', high, high, 'the tune is the top of a chord');
  }
  const order = new Map(score.notes.map((n, i) => [n.id, i]));
  return out.sort((a, b) => (order.get(a.noteId) ?? 0) - (order.get(b.noteId) ?? 0));
}

/**
 * How often each sign of articulation is printed: what is seen, to be compared with what is heard.
 *
 * @example countArticulations(scoreOf('.C .D E F|'), 0, 0) // → [{ sign: 'staccato', times: 2 }]
 */
export function countArticulations(
  score: Score,
  from: number,
  to: number,
): readonly { readonly sign: string; readonly times: number }[] {
  const counts = new Map<string, number>();
  const add = (sign: string): void => void counts.set(sign, (counts.get(sign) ?? 0) + 1);
  for (const n of score.notes) {
    if (n.bar < from || n.bar > to) continue;
    for (const a of n.marks.articulations) if (a !== 'breath-mark') add(a.replace(/-/g, ' '));
    if (n.marks.slurs.some((s) => s.role === 'start')) add('slur');
  }
  return [...counts].map(([sign, times]) => ({ sign, times })).sort((a, b) => b.times - a.times);
}
