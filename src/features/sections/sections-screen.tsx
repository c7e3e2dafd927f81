'use client';

import type { ReactNode } from 'react';
import { PieceStage, StripPanel, type PieceContext } from '@/features/score';
import { ComesAgain } from './comes-again';
import { Corners, Families, Intervals, LearnFirst } from './findings-panels';
import { useSectionActions, type SectionActions } from './section-actions';
import { SectionLists } from './section-lists';
import { SectionMusic } from './section-music';
import { useFindings, type Findings } from './use-findings';
import { useSectionsKeys } from './use-sections-keys';

interface Props {
  readonly context: PieceContext;
  readonly findings: Findings;
  readonly actions: SectionActions;
}

function Strip({ context: { piece, score, player, sections, section }, findings, actions }: Props): ReactNode {
  const { open, chooseBars } = findings;
  const idOf = (from: number): string => `proposed ${from}`;
  return (
    <StripPanel
      piece={piece}
      score={score}
      player={player}
      sections={sections}
      section={section}
      proposed={open.map(({ from, to, letter, name }) => ({
        id: idOf(from),
        from,
        to,
        letter,
        name: name === letter ? '' : name,
        proposed: true,
      }))}
      onProposed={(id) => {
        const found = open.find((p) => idOf(p.from) === id);
        if (found) chooseBars(found.from, found.to);
      }}
      arcs={findings.arcs}
      chosenArc={findings.arc}
      onArc={findings.setArc}
      onMoveEnd={(id, end, bar) => actions.dragEnd(id, end, bar)}
      families={findings.families}
      ratings={findings.ratings}
    />
  );
}

/** What was found beyond the sections: where learning pays off, the corners, what comes again, the rhythms. */
function Found({ context: { score }, findings, actions }: Props): ReactNode {
  const { analysis, selected, ratings, chooseBars } = findings;
  if (!analysis) return null;
  const choose = (bar: number): void => chooseBars(bar, bar);
  return (
    <div className="flex flex-col gap-3 lg:col-span-2 lg:grid lg:grid-cols-2 xl:col-span-1 xl:flex">
      <LearnFirst score={score} analysis={analysis} onBar={choose} />
      <Corners
        score={score}
        analysis={analysis}
        selected={selected && selected[0] === selected[1] ? selected[0] : null}
        ratings={ratings}
        onBar={choose}
        onRate={(bar, value) => {
          const id = score.bars[bar]?.id;
          if (id) actions.rate(id, value);
        }}
      />
      <ComesAgain
        score={score}
        repeats={analysis.repeats}
        beatSequences={analysis.beatSequences}
        chosen={findings.arc}
        onChoose={findings.setArc}
        onBars={chooseBars}
      />
      <Families score={score} analysis={analysis} chosen={findings.family} onChoose={findings.setFamily} />
    </div>
  );
}

function Sectioning(context: PieceContext): ReactNode {
  const actions = useSectionActions(context);
  const findings = useFindings(context);
  useSectionsKeys(context, findings, actions);
  const props = { context, findings, actions };
  return (
    <>
      <Strip {...props} />
      <div className="grid items-start gap-3 lg:grid-cols-[24rem_minmax(0,1fr)] xl:grid-cols-[24rem_minmax(0,1fr)_20rem]">
        <SectionLists {...props} />
        <div className="flex min-w-0 flex-col gap-3">
          <SectionMusic context={context} findings={findings} />
          <Intervals score={context.score} from={findings.shown[0]} to={findings.shown[1]} />
        </div>
        <Found {...props} />
      </div>
    </>
  );
}

export function SectionsScreen(): ReactNode {
  return (
    <PieceStage heading="Sections" strip="own">
      {(context) => <Sectioning {...context} />}
    </PieceStage>
  );
}
