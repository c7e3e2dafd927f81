import type { Stage } from '@/features/where';

/** One key, or a few that do one thing. */
export interface KeyUse {
  /** As the handlers listen for it; null where the thing that has the focus handles it itself. */
  readonly keys: string | null;
  /** As it is printed. */
  readonly shown: string;
  readonly does: string;
  /** Told by the character that it writes, wherever that lies on the keyboard. */
  readonly byCharacter?: true;
}

const press = (keys: string | null, shown: string, does: string): KeyUse => ({ keys, shown, does });
const character = (keys: string, shown: string, does: string): KeyUse => ({
  ...press(keys, shown, does),
  byCharacter: true,
});

/**
 * Every key of the application: what the handlers listen for and what `?` lists are these lines. None is a key of the
 * browser or of a screen reader while one types (a test holds them against both).
 */
export const KEYS = {
  everywhere: {
    next: press('f8', 'F8', 'do what comes next, as it is written in the frame'),
    find: press('f2', 'F2', 'find anything: a student, a piece, a section, a bar, a stage, an action'),
    undo: press('mod+z', 'Ctrl Z', 'undo'),
    redo: press('mod+shift+z, mod+y', 'Ctrl Shift Z', 'redo'),
    list: character('shift+slash, ?', '?', 'these keys'),
  },
  shelf: {
    find: press('f', 'F', 'look for a piece'),
    bring: press('b', 'B', 'bring in pieces'),
    along: press(null, 'Tab', 'to the next piece'),
    open: press(null, 'Enter', 'open it'),
  },
  prepare: {
    take: press('enter', 'Enter', 'take all that is ticked'),
    give: press('g', 'G', 'give it to who is ticked, and on to the first week'),
  },
  read: {
    along: press(null, '← →', 'choose a bar on the strip'),
    more: press(null, 'Shift ← →', 'choose more bars'),
    none: press(null, 'Esc', 'choose none'),
    barLine: press(null, '← → ↑ ↓', 'on a printed page: to another bar line'),
    moveLine: press(null, 'Alt ← →', 'move the bar line; with Shift farther'),
    putLine: press(null, '+', 'put a bar line in after it'),
    takeLine: press(null, 'Delete', 'take the bar line away'),
    barsOfBox: press(null, '1–9', 'how many bars the box after it is'),
  },
  sections: {
    acceptAll: press('enter', 'Enter', 'accept all proposed sections'),
    accept: press('a', 'A', 'accept the chosen proposal'),
    refuse: press('x', 'X', 'refuse the chosen proposal'),
    make: press('n', 'N', 'new section from the chosen bars'),
    split: press('s', 'S', 'split before the first chosen bar'),
    join: press('j', 'J', 'join with the next section'),
    firstEarlier: character('[', '[', 'first bar earlier'),
    firstLater: character(']', ']', 'first bar later'),
    lastEarlier: character('{', '{', 'last bar earlier'),
    lastLater: character('}', '}', 'last bar later'),
    endEarlier: press('comma', ',', 'end a beat earlier'),
    endLater: press('period', '.', 'end a beat later'),
    beside: press('c', 'C', 'beside the section it is like'),
    remove: press('delete', 'Delete', 'remove the section'),
  },
  marks: {
    later: press('right, shift+right', '→, Shift →', 'note after; with Shift choose more'),
    earlier: press('left, shift+left', '←, Shift ←', 'note before; with Shift choose more'),
    down: press('down', '↓', 'the hand below'),
    up: press('up', '↑', 'the hand above'),
    choose: press('escape', 'Esc', 'choose only this note'),
    finger: character(
      '1, 2, 3, 4, 5, 6, 7, 8, 9, 0',
      '0–9',
      'set the finger; on a wind instrument the first, second … fingering',
    ),
    clear: press('backspace', 'Backspace', 'take the finger away'),
    accept: press('enter', 'Enter', 'accept the proposed fingers from here on'),
    refuse: press('x', 'X', 'not this finger'),
    louder: character('<', '<', 'hairpin over the chosen notes, or once at its first and once at its last'),
    softer: character('>', '>', 'the same, getting softer'),
    phrase: press('p', 'P', 'choose the phrase'),
    acceptHere: press('a', 'A', 'accept what is suggested at the chosen notes'),
    copies: press('l', 'L', 'also in the copies'),
    chords: press('o', 'O', 'what else an unsure chord may be'),
    play: press('space', 'Space', 'play the section, stop'),
    dynamic: press('d', 'D', 'dynamic at this note'),
    cue: press('c', 'C', 'cue at this note'),
    stand: press('s', 'S', 'only the music and its marks, as on the stand'),
  },
  ladder: {
    take: press('p', 'P', 'take the proposed way'),
    along: press(null, '↑ ↓', 'next, previous chunk of the way'),
    move: press(null, 'Alt ↑ ↓', 'move the chunk or the rung in hand'),
    later: press('o', 'O', 'put the chunk off'),
    known: press('k', 'K', 'the chunk is known already'),
    skip: press('x', 'X', 'leave the chunk out'),
    add: press('n', 'N', 'new rung'),
    remove: press('delete', 'Delete', 'remove the rung'),
    start: press('d', 'D', 'draw a starting point'),
  },
  lesson: {
    level: character('0, 1, 2, 3, 4, 5', '0–5', 'set the level'),
    facet: press(
      'n, r, f, j, a, d, m',
      'N R F J A D M',
      'notes, rhythm, fingering, joined, articulation, dynamics, memory heard',
    ),
    tempo: press('t', 'T', 'type the tempo'),
    tap: press('b', 'B', 'tap the beat'),
    mistake: press('e', 'E', 'a mistake'),
    again: press('p', 'P', 'the next repetition'),
    three: press('i', 'I', 'three in a row: the next rung is done'),
    atTempo: press('o', 'O', 'it goes to tempo'),
    note: press('w', 'W', 'write a note'),
    record: press('enter', 'Enter', 'record, next section; in the week give it'),
    later: press('down', '↓', 'next section'),
    earlier: press('up', '↑', 'previous section'),
    hear: press('h', 'H', 'hear'),
    week: press('g', 'G', 'give next week'),
    past: press('l', 'L', 'past lessons'),
    stand: press('s', 'S', 'only the music, as on the stand'),
  },
  sheet: {
    print: press('p', 'P', 'print'),
    home: press('h', 'H', 'save the file for home'),
    boxes: press('b', 'B', 'empty boxes for the fingers, or the fingers'),
  },
  home: {
    play: press('space', 'Space', 'play, stop'),
    right: press(
      'right, enter, pagedown',
      '→, Enter',
      'it was right; once it is done, keep it and go on; on a pedal the right foot',
    ),
    again: press('left, pageup', '←', 'again; on a pedal the left foot'),
    faster: press('up', '↑', 'faster'),
    slower: press('down', '↓', 'slower'),
    back: press('backspace', 'Backspace', 'take the last one back'),
    way: press('w', 'W', 'the next way to practise it'),
    tapLeft: press('f', 'F', 'tap with the left hand'),
    tapRight: press('j', 'J', 'tap with the right hand'),
  },
  board: {
    along: press(null, 'arrows', 'move from cell to cell'),
    level: press(null, '0–5', 'set the level'),
    open: press(null, 'Enter', 'open the lesson'),
  },
  files: {},
  settings: {},
  about: {},
} as const satisfies Readonly<Record<Stage | 'everywhere', Readonly<Record<string, KeyUse>>>>;

export type KeyPlace = keyof typeof KEYS;
/** `marks.accept`: a place and what is done there. */
export type KeyId = { [P in KeyPlace]: `${P}.${keyof (typeof KEYS)[P] & string}` }[KeyPlace];

/** The keys of a place, as they are listed. */
export const keysOf = (place: KeyPlace): readonly KeyUse[] => Object.values(KEYS[place]);

/**
 * One use of the table.
 *
 * @example keyOf('sections.split').shown // → 'S'
 */
export function keyOf(id: KeyId): KeyUse {
  const [place, name] = id.split('.') as [KeyPlace, string];
  return (KEYS[place] as Readonly<Record<string, KeyUse>>)[name] ?? press(null, '', '');
}
