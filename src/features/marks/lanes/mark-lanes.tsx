import { Fragment, type ReactNode } from 'react';
import { pitchName } from '@/core/score';
import { CountLane, fingerLane } from '@/marked';
import { isValveText, KeyLane, TextLane, type LaneText, type LineLayout } from '@/ui';
import type { MarksModel } from '../use-marks-model';
import type { Lane } from '../use-view-choices';
import { ChordLane } from './chord-lane';
import { DynamicsLanes, dynamicPoints } from './dynamics-lanes';
import { laneTexts, seen, suggestedTexts } from './lane-texts';
import { PEDAL_SIGNS } from '../suggestions';
import { PhraseLanes } from './phrase-lanes';
import { StrumLane } from './strum-lane';

/** Where a finger comes from, as it is said. */
const FROM: Readonly<Record<LaneText['source'], string>> = {
  printed: 'printed',
  editor: 'the editor’s',
  teacher: 'yours',
  suggested: 'proposed',
};

/** A finger with its note: `B4, bar 2, proposed 3`. */
const fingerNamed =
  ({ notes, score }: MarksModel) =>
  ({ noteId, text, source }: LaneText): string => {
    const note = notes.find((n) => n.id === noteId);
    const finger = text === '·' ? 'no finger' : text === '▢' ? 'a box' : `${FROM[source]} ${text}`;
    return [note?.pitch ? pitchName(note.pitch) : 'note', `bar ${score.bars[note?.bar ?? 0]?.name ?? ''}`, finger].join(
      ', ',
    );
  };

/** The fingers of one staff in one engraved line. */
function fingersOf(model: MarksModel, staff: number, layout: LineLayout) {
  const { notes, part, view, fingers, proposed, refused, noteId } = model;
  const lane = fingerLane(
    notes.filter((n) => n.part === part?.id && n.staff === staff && layout.notes.has(n.id)),
    view,
    fingers,
    proposed,
    refused,
    noteId,
  );
  // The note in hand is seen whatever is shown.
  const shown = new Set(seen(lane.texts, model));
  return { ...lane, texts: lane.texts.filter((t) => t.chosen === true || shown.has(t)) };
}

function UpperFingers({ model, layout }: { readonly model: MarksModel; readonly layout: LineLayout }): ReactNode {
  const { solver, wind, view, staves, setNoteId } = model;
  if (solver === null) return null;
  const { texts, rows } = fingersOf(model, 1, layout);
  if (wind && texts.some((t) => !isValveText(t.text)) && view !== 'boxes')
    return <KeyLane layout={layout} texts={texts} onPick={setNoteId} />;
  return (
    <TextLane
      name={staves > 1 ? 'Right hand' : wind ? 'Keys' : 'Fingers'}
      layout={layout}
      texts={texts}
      rows={rows}
      onPick={setNoteId}
      nameOf={fingerNamed(model)}
      large={!wind}
      ruled={false}
    />
  );
}

function LowerFingers({ model, layout }: { readonly model: MarksModel; readonly layout: LineLayout }): ReactNode {
  if (model.staves < 2 || model.solver === null) return null;
  const { texts, rows } = fingersOf(model, 2, layout);
  return (
    <TextLane
      name="Left hand"
      layout={layout}
      texts={texts}
      rows={rows}
      onPick={model.setNoteId}
      nameOf={fingerNamed(model)}
      large
      ruled={false}
    />
  );
}

function BowLane({ model, layout }: { readonly model: MarksModel; readonly layout: LineLayout }): ReactNode {
  if (model.solver !== 'bowed') return null;
  const bows = laneTexts(model, 'bow', (m) => (m.kind === 'bow' ? (m.direction === 'down' ? '⊓' : '∨') : null));
  return <TextLane name="Bowing" layout={layout} texts={seen(bows, model)} onPick={model.setNoteId} />;
}

function PedalLane({ model, layout }: { readonly model: MarksModel; readonly layout: LineLayout }): ReactNode {
  if (model.solver !== 'keyboard') return null;
  const pedals = laneTexts(model, 'pedal', (m) => (m.kind === 'pedal' ? PEDAL_SIGNS[m.sign] : null));
  return <TextLane name="Pedal" layout={layout} texts={seen(pedals, model)} onPick={model.setNoteId} />;
}

function CueLane({ model, layout }: { readonly model: MarksModel; readonly layout: LineLayout }): ReactNode {
  const cues = [
    ...model.cues.map((c) => ({ noteId: c.noteId, text: c.text, source: c.source })),
    ...suggestedTexts(model.suggestions, 'cue'),
  ];
  return <TextLane name="Cues" layout={layout} texts={seen(cues, model)} onPick={model.setNoteId} />;
}

/** What stands above and below each engraved line. */
export function markLanes(model: MarksModel): {
  readonly above: (layout: LineLayout) => ReactNode;
  readonly below: (layout: LineLayout) => ReactNode;
} {
  const { score, counts, onsets, words, silent, marking, lanes, folded } = model;
  const points = dynamicPoints(model);
  const bodies: Readonly<Record<Lane, (layout: LineLayout) => ReactNode>> = {
    Count: (layout) => (
      <CountLane score={score} counts={counts} onsets={onsets} layout={layout} words={words} silent={silent} />
    ),
    Dynamics: (layout) => <DynamicsLanes model={model} layout={layout} points={points} />,
    Chords: (layout) =>
      marking ? (
        <ChordLane score={score} harmony={marking.harmony} onsets={onsets} layout={layout} others={model.otherChords} />
      ) : null,
    'Breath and phrase': (layout) => <PhraseLanes model={model} layout={layout} />,
    Bowing: (layout) => <BowLane model={model} layout={layout} />,
    Pedal: (layout) => <PedalLane model={model} layout={layout} />,
    Strum: (layout) => <StrumLane model={model} layout={layout} />,
    Cues: (layout) => <CueLane model={model} layout={layout} />,
  };
  return {
    above: (layout) => <UpperFingers model={model} layout={layout} />,
    below: (layout) => (
      <>
        <LowerFingers model={model} layout={layout} />
        {lanes.map((name) => (folded.has(name) ? null : <Fragment key={name}>{bodies[name](layout)}</Fragment>))}
      </>
    ),
  };
}
