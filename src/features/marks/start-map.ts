import type { Note } from '@/core/score';
import { fingerAt, handMapOf, stringNames, type TakenNote } from '@/marked';
import type { HandMapDrawing } from '@/ui';
import type { MarksModel } from './use-marks-model';

/** As it was chosen, else as it is printed or proposed. */
function takenIn({ fingers, proposed, refused }: MarksModel, n: Note): TakenNote | null {
  const p = proposed.get(n.id);
  const finger = fingerAt(n, fingers, proposed, refused)?.text ?? '';
  if (!p) return { finger };
  const { hand, string, fret = string === undefined ? undefined : Number(p.finger) } = p;
  return {
    finger,
    ...(hand === undefined ? {} : { hand }),
    ...(string === undefined ? {} : { string }),
    ...(fret === undefined ? {} : { fret }),
  };
}

/** Where the hands are when the bars begin; null where nothing is known of the instrument. */
export function startMapOf(model: MarksModel): HandMapDrawing | null {
  const { notes, part, instrument, strings, about } = model;
  const staff = (which: number): readonly Note[] => notes.filter((n) => n.part === part?.id && n.staff === which);
  return handMapOf({
    kind: about.startMap,
    upper: staff(1),
    lower: staff(2),
    taken: (n) => takenIn(model, n),
    strings: stringNames(instrument, strings),
  });
}
