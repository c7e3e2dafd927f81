import type { ReactNode } from 'react';
import { COUNTING, COUNT_SYSTEMS } from '@/core/rhythm';
import { TEACHING_QUESTIONS } from '@/core/studio';
import { Choose } from '@/ui';
import { PageViewChoice } from '@/features/score';
import type { MarkActions } from '../actions';
import { FINGER_VIEWS } from '../finger-view';
import type { MarksModel } from '../use-marks-model';
import { LaneChoices } from './lane-choices';
import { StringChoices } from './string-choices';
import { TakeOver } from './take-over';

type ShownSource = MarksModel['shownSource'];

const SHOWN: readonly (readonly [ShownSource, string])[] = [
  ['all', 'all marks'],
  ['printed', 'printed'],
  ['editor', 'editor’s'],
  ['teacher', 'mine'],
  ['suggested', 'suggested'],
];

/** Asked where the meter leaves it open; kept with the piece. */
function HowCounted({
  question,
  model,
  actions,
}: {
  readonly question: 'compound' | 'uneven';
  readonly model: MarksModel;
  readonly actions: MarkActions;
}): ReactNode {
  const asked = TEACHING_QUESTIONS.find((q) => q.key === question);
  return asked ? (
    <Choose
      label={asked.question}
      value={model.way[question]}
      choices={asked.schools.map(([answer, words]) => [String(answer), words] as const)}
      onPick={(answer) => actions.answer([question, answer])}
    />
  ) : null;
}

/** How the marks are seen and counted, and what can be accepted at once. */
export function MarksToolbar({
  model,
  actions,
}: {
  readonly model: MarksModel;
  readonly actions: MarkActions;
}): ReactNode {
  const { solver, student, view, variant, variants, tempo, tempoText, setTempoText } = model;
  return (
    <div className="no-print mb-2 flex flex-wrap items-center gap-x-4 gap-y-2">
      {solver === null ? null : (
        <>
          <Choose
            label={student ? `${student.name} sees` : 'Fingers'}
            value={view}
            choices={FINGER_VIEWS}
            onPick={actions.setView}
          />
          <Choose
            label="Variant"
            value={variant}
            choices={variants.map((v) => [v, v] as const)}
            onPick={actions.setVariant}
          />
        </>
      )}
      <Choose
        label="Count"
        value={model.way.system}
        choices={COUNT_SYSTEMS.map((s) => [s, COUNTING[s].label] as const)}
        onPick={(v) => model.setSystem(COUNT_SYSTEMS.find((s) => s === v) ?? 'meter')}
      />
      {model.asksCompound ? <HowCounted question="compound" model={model} actions={actions} /> : null}
      {model.asksUneven ? <HowCounted question="uneven" model={model} actions={actions} /> : null}
      <Choose
        label="Show"
        value={model.shownSource}
        choices={SHOWN}
        onPick={(v) => model.setShownSource(SHOWN.find(([source]) => source === v)?.[0] ?? 'all')}
      />
      <Choose
        label="held"
        value={model.silent}
        choices={[
          ['brackets', 'in brackets'],
          ['hidden', 'left out'],
        ]}
        onPick={(v) => model.setSilent(v === 'hidden' ? 'hidden' : 'brackets')}
      />
      <label className="flex items-center gap-1.5 text-ink-2">
        Tempo
        <input
          className="field figure w-20 text-ink"
          inputMode="numeric"
          value={tempoText}
          placeholder={String(tempo)}
          onChange={(e) => setTempoText(e.target.value)}
        />
      </label>
      <PageViewChoice score={model.whole} player={model.player} place="marks" />
      <StringChoices model={model} />
      <LaneChoices model={model} />
      <TakeOver model={model} actions={actions} />
    </div>
  );
}
