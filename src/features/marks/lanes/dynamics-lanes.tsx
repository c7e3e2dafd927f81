import { ownTexts } from '@/marked';
import type { ReactNode } from 'react';
import { CurveLane, TextLane, type CurvePoint, type LineLayout } from '@/ui';
import { isDynamicLevel } from '../dynamic-level';
import type { MarksModel } from '../use-marks-model';
import { seen, suggestedTexts } from './lane-texts';

/** The two staves together, the right hand, the left hand. */
type Curve = 0 | 1 | 2;
const CURVE_NAMES: Readonly<Record<Curve, string>> = {
  0: 'Dynamics',
  1: 'Dynamics, right',
  2: 'Dynamics, left',
};

/** Every dynamic of the piece: printed, written and suggested. */
export function dynamicPoints({ score, dynamics, suggestions }: MarksModel): readonly CurvePoint[] {
  const printed = score.directions.flatMap((d): CurvePoint[] => {
    if (d.kind !== 'dynamic' || !isDynamicLevel(d.level)) return [];
    const id = score.notes.find(
      (n) => n.onset >= d.onset && n.part === d.part && (d.staff === null || n.staff === d.staff),
    )?.id;
    return id ? [{ noteId: id, level: d.level, source: 'printed' }] : [];
  });
  return [
    ...printed,
    ...dynamics.map((d) => ({ noteId: d.noteId, level: d.level, source: d.source })),
    ...suggestions.flatMap((s) =>
      s.body.kind === 'dynamic' ? [{ noteId: s.noteId, level: s.body.level, source: 'suggested' as const }] : [],
    ),
  ];
}

/**
 * The curve of the dynamics, one for each staff that has marks of its own (what is printed between two staves holds for
 * both and is drawn once), the own signs and the hairpins.
 */
export function DynamicsLanes({
  model,
  layout,
  points,
}: {
  readonly model: MarksModel;
  readonly layout: LineLayout;
  readonly points: readonly CurvePoint[];
}): ReactNode {
  const { score, staves, setNoteId } = model;
  const staffOf = new Map(score.notes.map((n) => [n.id, n.staff as number]));
  const onsetOf = new Map(score.notes.map((n) => [n.id, n.onset as number]));
  const at = (p: CurvePoint): number => onsetOf.get(p.noteId) ?? 0;
  const start = Math.min(...[...layout.notes.keys()].flatMap((id) => onsetOf.get(id) ?? []));
  const onStaff = (staff: Curve): readonly CurvePoint[] =>
    staff === 0 ? points : points.filter((p) => (staffOf.get(p.noteId) ?? 1) === staff);
  const curves: readonly Curve[] = staves > 1 && onStaff(2).length > 0 ? [1, 2] : [0];
  const micros = ownTexts(model.marks, (m) => (m.kind === 'micro' ? m.sign : null));
  const wedges = [
    ...ownTexts(model.marks, (m) => (m.kind === 'wedge' ? (m.role === 'crescendo' ? 'cresc.' : 'dim.') : null)),
    ...suggestedTexts(model.suggestions, 'dynamic', 'wedge'),
  ];
  return (
    <>
      {curves.map((staff) => {
        const mine = seen(onStaff(staff), model);
        const earlier = mine.filter((p) => at(p) < start).sort((a, b) => at(a) - at(b));
        return (
          <CurveLane
            key={staff}
            name={CURVE_NAMES[staff]}
            layout={layout}
            points={mine}
            before={earlier[earlier.length - 1] ?? null}
          />
        );
      })}
      {micros.length > 0 ? (
        <TextLane name="Own signs" layout={layout} texts={seen(micros, model)} onPick={setNoteId} large ruled={false} />
      ) : null}
      {wedges.length > 0 ? (
        <TextLane name="Shape" layout={layout} texts={seen(wedges, model)} onPick={setNoteId} ruled={false} />
      ) : null}
    </>
  );
}
