'use client';

import { useEffect, useRef, useState, type ReactNode } from 'react';
import { barsText } from '@/core/sections';
import { useLayouts, useStudio } from '@/store';
import { Panel, Problem } from '@/ui';
import { useActs } from '@/features/acts';
import { useKey } from '@/features/keys';
import { PieceStage, ScoreLines, useMusicSize, usePageView, type PieceContext } from '@/features/score';
import { markActions, type MarkActions } from './actions';
import { CueBook } from './cue-book';
import { fingersOnTheWay } from './fingers-on-the-way';
import { markLanes } from './lanes';
import { NotePanel } from './note';
import { SidePanels } from './panels';
import { PencilLayer, PencilPanel, usePencil } from './pencil';
import { PieceStand } from './piece-stand';
import { MarksToolbar } from './toolbar';
import { useMarksKeys } from './use-marks-keys';
import { useHearingMarks } from './use-hearing-marks';
import { useMarksModel, type MarksModel } from './use-marks-model';
import { useWhenReady } from './use-when-ready';

const MOST_WARNINGS = 4;

/** What cannot be fingered or breathed as it stands. */
function Warnings({ model: { fingering, marking, from, to } }: { readonly model: MarksModel }): ReactNode {
  const fingers = (fingering?.warnings ?? [])
    .slice(0, MOST_WARNINGS)
    .map((w) => ({ key: `${w.code} ${w.noteIds.join()}`, message: w.message }));
  const breaths = (marking?.breaths?.warnings ?? [])
    .filter((w) => w.toBar >= from && w.fromBar <= to)
    .map((w) => ({ key: `breath ${w.fromBar}`, message: w.message }));
  if (fingers.length + breaths.length === 0) return null;
  return (
    <ul className="mt-3 grid gap-1 text-warn">
      {[...fingers, ...breaths].map(({ key, message }) => (
        <li key={key}>{message}</li>
      ))}
    </ul>
  );
}

/** The actions; those that take over what is proposed wait until it is worked out around everything that was typed. */
function useMarkActions(model: MarksModel): MarkActions {
  const { fingers, variant, forWhom, noteId, stretch, tempo } = model;
  const [onTheWay] = useState(fingersOnTheWay);
  useEffect(() => onTheWay.shown(fingers), [onTheWay, fingers]);
  const actions = markActions(model, useActs(), useStudio(), onTheWay);
  const about = JSON.stringify([forWhom, noteId, stretch.length]);
  const acceptFingers = useWhenReady(
    () => model.fingersAreCurrent && onTheWay.arrived(variant),
    about,
    () => actions.acceptFingers(),
  );
  const accept = useWhenReady<Parameters<MarkActions['accept']>>(
    () => model.suggestionsAreCurrent,
    JSON.stringify([forWhom, tempo]),
    (list) => {
      const there = new Set(model.suggestions.map((s) => s.key));
      const still = list.filter((s) => there.has(s.key));
      if (still.length > 0) actions.accept(still);
    },
  );
  return { ...actions, acceptFingers, accept };
}

function Marking(context: PieceContext): ReactNode {
  const model = useMarksModel(context);
  const actions = useMarkActions(model);
  const { piece, whole, player, score, from, to, student, setNoteId, about } = model;
  const { view } = usePageView(whole, player, 'marks');
  const cue = useRef<HTMLInputElement | null>(null);
  const dynamic = useRef<HTMLButtonElement | null>(null);
  const hearing = useHearingMarks(model);
  const [stand, setStand] = useState(false);
  const { factor } = useMusicSize('marks');
  useKey('marks.stand', () => setStand(true));
  useMarksKeys(model, actions, { cue, dynamic }, hearing.playOrStop);
  const { above, below } = markLanes(model);
  const pencil = usePencil(model);
  const onPages = (useLayouts(piece.id) ?? []).length > 0;
  const bars = barsText(score, from, to);
  return (
    <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_18.5rem] print:block">
      <Panel label="Music and marks">
        <p className="print-only mb-2 text-xl font-semibold">
          {piece.title}, bars {bars}
          {student ? `, for ${student.name}` : ''}
        </p>
        <MarksToolbar model={model} actions={actions} hearing={hearing} onStand={() => setStand(true)} />
        {model.problem ? <Problem>{model.problem.message}</Problem> : null}
        <ScoreLines
          piece={piece}
          score={whole}
          player={player}
          view={view}
          from={from}
          to={to}
          label={`Bars ${bars}`}
          scale={Math.round(66 * factor)}
          gutter={100}
          withoutFingerings
          chosen={model.chosen}
          onNote={(id) => setNoteId(id)}
          chosenBars={hearing.heard}
          {...(hearing.isPlaying ? { onBar: hearing.playFrom } : {})}
          {...(onPages
            ? { over: (layout) => <PencilLayer layout={layout} staves={model.staves} pencil={pencil} /> }
            : {})}
          above={above}
          below={below}
        />
        <Warnings model={model} />
      </Panel>
      {stand ? <PieceStand context={context} onClose={() => setStand(false)} /> : null}
      <div className="no-print flex flex-col gap-3">
        {onPages ? <PencilPanel model={model} pencil={pencil} /> : null}
        <NotePanel model={model} actions={actions} inputs={{ cue, dynamic }} />
        <SidePanels model={model} actions={actions} />
        {about.technique === null ? null : <CueBook family={about.technique} />}
      </div>
    </div>
  );
}

export function MarksScreen(): ReactNode {
  return (
    <PieceStage heading="Marks" strip="compact">
      {(context) => <Marking {...context} />}
    </PieceStage>
  );
}
