import type { Entry } from '../players';
import { movedInWords } from '../sameness';
import type { Score } from '../score';
import type { Bars, Copy } from './copies';
import { barsInWords, shareInWords, timesInWords } from './names';

/** `the same as bars 1–4`, `bars 1–4 a fifth lower`, `the same as bars 1–4 but for bar 8`. */
export function copyInWords(score: Score, copy: Copy): string {
  const model = barsInWords(score, copy.like);
  switch (copy.kind) {
    case 'exact':
      return `the same as ${model}`;
    case 'moved':
      return copy.steps === 0
        ? `as ${model}, with a hand elsewhere`
        : `the same as ${model}, ${movedInWords({ steps: copy.steps, semitones: 0 })}`;
    case 'changed': {
      const [first = 0] = copy.differs;
      const last = copy.differs[copy.differs.length - 1] ?? first;
      const inRow = last - first === copy.differs.length - 1;
      const where = inRow ? barsInWords(score, [first, last]) : `${copy.differs.length} bars`;
      const moved = copy.steps === 0 ? '' : `${movedInWords({ steps: copy.steps, semitones: 0 })}, `;
      return `the same as ${model}${moved === '' ? '' : `, ${moved.slice(0, -2)}`} but for ${where}`;
    }
  }
}

/** What learning a phrase that comes again brings, said where its first chunk, or all of it, is begun. */
export const comesAgain = (times: number, known: number, begins: 'chunk' | 'phrase'): string =>
  begins === 'phrase'
    ? `comes ${timesInWords(times)}: after this you know ${shareInWords(known)} of the piece`
    : `begins a line that comes ${timesInWords(times)}: with it you know ${shareInWords(known)} of the piece`;

/** Only one hand of it is new. */
export const handSame = (score: Score, staves: readonly number[], model: Bars): string =>
  `the ${staves.includes(1) ? 'right' : 'left'} hand is as ${barsInWords(score, model)}; only the ${
    staves.includes(1) ? 'left' : 'right'
  } is new`;

/** The count into an entry. */
export const entryInWords = (entry: Entry): string =>
  `after ${entry.restBars} ${entry.restBars === 1 ? 'bar' : 'bars'} of rest: count, and come in`;
