import type { ReactNode } from 'react';
import { TextLane, type LaneText, type LineLayout } from '@/ui';
import type { MarksModel } from '../use-marks-model';
import { laneTexts, seen } from './lane-texts';

const printedBreaths = ({ notes }: MarksModel): readonly LaneText[] =>
  notes.flatMap((n) =>
    n.marks.articulations.includes('breath-mark') ? [{ noteId: n.id, text: '’', source: 'printed' }] : [],
  );

const hasAny = ({ wind, suggestions, marks }: MarksModel): boolean =>
  wind || suggestions.some((s) => s.lane === 'phrase') || marks.some((m) => m.kind === 'breath' || m.kind === 'phrase');

/** Where one breathes, for those who do, and where phrases end. */
export function PhraseLanes({ model, layout }: { readonly model: MarksModel; readonly layout: LineLayout }): ReactNode {
  if (!hasAny(model)) return null;
  const { wind, setNoteId } = model;
  const breaths = [
    ...printedBreaths(model),
    ...laneTexts(model, 'breath', (m) => (m.kind === 'breath' ? (m.catch ? '(’)' : '’') : null)),
  ];
  const phrases = laneTexts(model, 'phrase', (m) =>
    m.kind === 'phrase' ? (m.reading === undefined ? m.sign : `or ${m.sign}`) : null,
  );
  return (
    <>
      {wind ? <TextLane name="Breath" layout={layout} texts={seen(breaths, model)} onPick={setNoteId} large /> : null}
      <TextLane name="Phrase" layout={layout} texts={seen(phrases, model)} onPick={setNoteId} large ruled={!wind} />
    </>
  );
}
