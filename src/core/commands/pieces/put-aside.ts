/** What was made for another instrument or another player of a piece: kept, and back when that is played again. */
import type { InstrumentId } from '../../instruments';
import { ladderId, markId, type Ladder, type Mark } from '../../studio';
import { put, remove, type RowChange, type RowToPut } from '../command';

/** Fingers of the former instrument put aside, those of the new one back in their places. */
export function fingersForInstrument(
  marks: readonly Mark[],
  before: InstrumentId,
  after: InstrumentId,
): { readonly changes: readonly RowChange[]; readonly aside: number; readonly back: number } {
  if (before === after) return { changes: [], aside: 0, back: 0 };
  const fingers = marks.flatMap((m) => (m.kind === 'finger' ? [m] : []));
  const aside = fingers.filter((m) => m.instrument === undefined);
  const back = fingers.filter((m) => m.instrument === after);
  const moved = [
    ...aside.map((m) => ({ was: m, is: { ...m, instrument: before } })),
    ...back.map(({ instrument: _, ...m }) => ({ was: { id: m.id }, is: m })),
  ];
  return {
    changes: [
      ...moved.map(({ was }) => remove('marks', was.id)),
      ...moved.map(({ is }) => put('marks', { ...is, id: markId(is) } as RowToPut<'marks'>)),
    ],
    aside: aside.length,
    back: back.length,
  };
}

/** Ladders of the former usual player kept under its name, those of the new one back as the usual ones. */
export function laddersForPlayer(ladders: readonly Ladder[], before: string, after: string): readonly RowChange[] {
  if (before === after) return [];
  const aside = ladders.filter((l) => l.player === undefined);
  const back = ladders.filter((l) => l.player === after);
  const moved = [
    ...aside.map((l) => ({ was: l.id, is: { ...l, player: before, id: ladderId(l.sectionId, before, l.studentId) } })),
    ...back.map(({ player: _, ...l }) => ({
      was: l.id,
      is: { ...l, id: ladderId(l.sectionId, undefined, l.studentId) },
    })),
  ];
  return [
    ...moved.map(({ was }) => remove('ladders', was)),
    ...moved.map(({ is }) => put('ladders', is as RowToPut<'ladders'>)),
  ];
}
