import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { ChevronDown, Play, Square } from 'lucide-react';
import type { ReactNode } from 'react';
import { COUNTING, COUNT_SYSTEMS } from '@/core/rhythm';
import { inBeats } from '@/core/score';
import { TEACHING_QUESTIONS } from '@/core/studio';
import { FINGER_VIEWS } from '@/marked';
import { BeatSign, Button, Choose } from '@/ui';
import { MusicSizeChoice, PageViewChoice } from '@/features/score';
import type { MarkActions } from '../actions';
import type { Hearing } from '../use-hearing-marks';
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

/** How the marks are counted and seen, the seldom changed of it. */
function HowSeen({ model, actions }: { readonly model: MarksModel; readonly actions: MarkActions }): ReactNode {
  const { solver, variant, variants, tempo, tempoText, setTempoText } = model;
  return (
    <Popover className="relative">
      <PopoverButton className="flex min-h-11 items-center gap-2 rounded border border-rule-strong px-3">
        Counts and lanes <ChevronDown size={18} aria-hidden="true" />
      </PopoverButton>
      <PopoverPanel className="absolute left-0 top-full z-30 mt-1 grid w-96 max-w-[80vw] gap-2 rounded border border-rule-strong bg-sheet p-4 focus:outline-none">
        <Choose
          label="Count"
          value={model.way.system}
          choices={COUNT_SYSTEMS.map((s) => [s, COUNTING[s].label] as const)}
          onPick={(v) => model.setSystem(v)}
        />
        {model.asksCompound ? <HowCounted question="compound" model={model} actions={actions} /> : null}
        {model.asksUneven ? <HowCounted question="uneven" model={model} actions={actions} /> : null}
        <Choose
          label="Held beats"
          value={model.silent}
          choices={[
            ['brackets', 'in brackets'],
            ['hidden', 'left out'],
          ]}
          onPick={(v) => model.setSilent(v === 'hidden' ? 'hidden' : 'brackets')}
        />
        <label className="flex items-center gap-1.5 text-ink-2">
          Tempo <BeatSign unit={model.unit} />
          <input
            className="field figure w-20 text-ink"
            inputMode="numeric"
            value={tempoText}
            placeholder={String(inBeats(tempo, model.unit))}
            onChange={(e) => setTempoText(e.target.value)}
          />
        </label>
        {solver === null ? null : (
          <Choose
            label="Variant"
            value={variant}
            choices={variants.map((v) => [v, v] as const)}
            onPick={actions.setVariant}
          />
        )}
        <Choose label="Show" value={model.shownSource} choices={SHOWN} onPick={(v) => model.setShownSource(v)} />
        <PageViewChoice score={model.whole} player={model.player} place="marks" />
        <StringChoices model={model} />
        <LaneChoices model={model} />
        <Button look="quiet" className="justify-self-start" onClick={() => window.print()}>
          Print
        </Button>
      </PopoverPanel>
    </Popover>
  );
}

/** One line: how fingers are seen, everything seldom changed behind a button, and what can be taken over at once. */
export function MarksToolbar({
  model,
  actions,
  hearing: { isPlaying, playOrStop },
  onStand,
}: {
  readonly model: MarksModel;
  readonly actions: MarkActions;
  readonly hearing: Hearing;
  readonly onStand: () => void;
}): ReactNode {
  const { solver, student, view } = model;
  return (
    <div className="no-print mb-2 flex flex-wrap items-center gap-2">
      {solver === null ? null : (
        <Choose
          place="alone"
          label={student ? `${student.name} sees` : 'Fingers'}
          value={view}
          shown={FINGER_VIEWS.find(([v]) => v === view)?.[1] ?? ''}
          choices={FINGER_VIEWS}
          onPick={actions.setView}
        />
      )}
      <HowSeen model={model} actions={actions} />
      <Button
        className="min-w-11"
        title="Space"
        aria-label={isPlaying ? 'Silence' : 'Play the section'}
        onClick={playOrStop}
      >
        {isPlaying ? <Square size={18} aria-hidden="true" /> : <Play size={18} aria-hidden="true" />}
      </Button>
      <MusicSizeChoice stage="marks" />
      <Button look="quiet" shortcut="S" onClick={onStand}>
        Stand
      </Button>
      <TakeOver model={model} actions={actions} />
    </div>
  );
}
