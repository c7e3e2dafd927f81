import type { Note } from '@/core/score';
import { fingerAt } from '@/marked';
import type { HandMapDrawing } from '@/ui';
import { stringNames } from '@/marked';
import type { MarksModel } from './use-marks-model';

/** Where the hands are when the bars begin; null where nothing is known of the instrument. */
export function startMapOf(model: MarksModel): HandMapDrawing | null {
  const { notes, part, fingers, proposed, refused, instrument, strings, about } = model;
  const staffNotes = (staff: number): Note[] => notes.filter((n) => n.part === part?.id && n.staff === staff);
  const firstOf = (staff: number): Note[] => {
    const mine = staffNotes(staff);
    return mine.filter((n) => n.onset === mine[0]?.onset);
  };
  const of = (n: Note): string => fingerAt(n, fingers, proposed, refused)?.text ?? '';
  if (about.startMap === 'none') return null;
  if (about.startMap === 'keyboard') {
    const keys = [1, 2].flatMap((staff) =>
      firstOf(staff).flatMap((n) =>
        n.midi === null
          ? []
          : [
              {
                midi: n.midi as number,
                finger: of(n),
                hand: proposed.get(n.id)?.hand ?? (staff === 1 ? ('right' as const) : ('left' as const)),
              },
            ],
      ),
    );
    return keys.length > 0 ? { kind: 'keyboard', keys } : null;
  }
  const [n] = firstOf(1);
  const p = n ? proposed.get(n.id) : undefined;
  if (!n || !p) return null;
  if (about.startMap === 'keys') return { kind: 'keys', text: of(n) };
  return {
    kind: 'strings',
    names: stringNames(instrument, strings),
    stops: firstOf(1).flatMap((m) => {
      const q = proposed.get(m.id);
      return q?.string === undefined ? [] : [{ string: q.string, fret: q.fret ?? Number(q.finger), finger: of(m) }];
    }),
  };
}
