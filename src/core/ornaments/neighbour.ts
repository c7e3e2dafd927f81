import { keyAlter, spellMidi, STEPS, writtenMidi, type Note, type Pitch, type Score } from '../score';

/** The neighbour a step above or below in the key, bent by the accidentals written at the ornament. */
export function neighbour(
  score: Score,
  byBar: ReadonlyMap<number, readonly Note[]>,
  note: Note,
  way: 1 | -1,
  accidental: string | undefined,
): number {
  const bar = score.bars[note.bar];
  const pitch: Pitch = note.pitch ?? spellMidi(note.midi ?? 60, bar?.key.fifths ?? 0);
  const at = STEPS.indexOf(pitch.step) + way;
  const step = STEPS[(at + 7) % 7] ?? 'C';
  const octave = pitch.octave + (at > 6 ? 1 : at < 0 ? -1 : 0);
  // An accidental earlier in the bar holds for the neighbour too.
  const earlier = (byBar.get(note.bar) ?? [])
    .filter(
      (n) =>
        n.part === note.part &&
        n.bar === note.bar &&
        n.onset < note.onset &&
        n.pitch?.step === step &&
        n.pitch.octave === octave,
    )
    .pop();
  const named: Readonly<Record<string, number>> = {
    sharp: 1,
    flat: -1,
    natural: 0,
    'double-sharp': 2,
    'flat-flat': -2,
  };
  const alter =
    accidental !== undefined
      ? (named[accidental] ?? 0)
      : (earlier?.pitch?.alter ?? keyAlter({ fifths: bar?.key.fifths ?? 0 }, step));
  const written = writtenMidi({ step, alter, octave });
  const transposed = (note.midi ?? 60) - writtenMidi(pitch);
  return written + transposed;
}
