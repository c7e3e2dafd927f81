import type { Stage } from '@/features/where';

/** Keys of each stage, as listed by `?`. */
export const STAGE_KEYS: Readonly<Record<Stage, readonly (readonly [string, string])[]>> = {
  shelf: [
    ['Tab', 'to the next piece'],
    ['Enter', 'open it'],
  ],
  prepare: [
    ['Enter', 'take all that is ticked'],
    ['G', 'give it to who is ticked, and on to the first week'],
  ],
  read: [
    ['← →', 'choose a bar on the strip'],
    ['Shift ← →', 'choose more bars'],
    ['Esc', 'choose none'],
  ],
  sections: [
    ['Enter', 'accept all proposed sections'],
    ['A, X', 'accept, refuse the chosen proposal'],
    ['N', 'new section from the chosen bars'],
    ['S', 'split before the first chosen bar'],
    ['J', 'join with the next section'],
    ['[ ]', 'first bar earlier, later'],
    ['{ }', 'last bar earlier, later'],
    [', .', 'end a beat earlier, later'],
    ['C', 'beside the section it is like'],
    ['Delete', 'remove the section'],
  ],
  marks: [
    ['← →', 'note before, note after'],
    ['Shift ← →', 'choose more notes'],
    ['↑ ↓', 'other hand'],
    ['0–9', 'set the finger; on a wind instrument the first, second … fingering'],
    ['Backspace', 'take the finger away'],
    ['Enter', 'accept the proposed fingers from here on'],
    ['X', 'not this finger'],
    ['< >', 'hairpin over the chosen notes, or once at its first and once at its last'],
    ['P', 'choose the phrase'],
    ['A', 'accept what is suggested at the chosen notes'],
    ['L', 'also in the copies'],
    ['O', 'what else an unsure chord may be'],
    ['Space', 'play the section, stop'],
    ['D', 'dynamic at this note'],
    ['C', 'cue at this note'],
  ],
  ladder: [
    ['P', 'take the proposed way'],
    ['↑ ↓', 'next, previous chunk of the way'],
    ['Alt ↑ ↓', 'move the chunk on the way'],
    ['O, K, X', 'put off, known already, leave out'],
    ['Alt ↑ ↓', 'move the rung'],
    ['Space', 'pick up a rung on its handle'],
    ['N', 'new rung'],
    ['Delete', 'remove the rung'],
    ['D', 'draw a starting point'],
  ],
  lesson: [
    ['0–5', 'set the level'],
    ['N R F J A D M', 'notes, rhythm, fingering, joined, articulation, dynamics, memory heard'],
    ['T, B', 'type the tempo, tap the beat'],
    ['E, P', 'a mistake, the next repetition'],
    ['I, O', 'three in a row: the next rung is done; it goes to tempo'],
    ['W', 'write a note'],
    ['Enter', 'record, next section'],
    ['↓ ↑', 'next, previous section'],
    ['H, G, L', 'hear, give next week, past lessons'],
  ],
  board: [
    ['arrows', 'move from cell to cell'],
    ['0–5', 'set the level'],
    ['Enter', 'open the lesson'],
  ],
  files: [],
  about: [],
};

export const EVERYWHERE_KEYS: readonly (readonly [string, string])[] = [
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['?', 'these keys'],
  ['Alt 1–8', 'go to a stage'],
];
