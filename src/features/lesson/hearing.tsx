import type { ReactNode } from 'react';
import { countArticulations } from '@/core/articulation';
import { Button, Panel } from '@/ui';
import { useWhere } from '@/features/where';
import { addMistake, nextRepetition, toggleFacet } from './draft';
import { FacetRow } from './facet-row';
import { LadderInHand } from './ladder-in-hand';
import { LevelBar } from './level-bar';
import { OnTheWay } from './on-the-way';
import { SectionInHand } from './section-in-hand';
import { ToHearList } from './to-hear-list';
import { useHearing, type HearingContext } from './use-hearing';

function NoSections(): ReactNode {
  const where = useWhere();
  return (
    <Panel title="This piece has no sections yet">
      <p className="mb-3 text-lg text-ink-2">Levels are recorded per section. Make the sections of this piece first.</p>
      <Button look="primary" big onClick={() => where.go('sections')}>
        Go to Sections
      </Button>
    </Panel>
  );
}

/** One section after the other: what is heard, the level it comes to, recorded with one key. */
export function Hearing(context: HearingContext): ReactNode {
  const { piece, score, played, model } = context;
  const hearing = useHearing(context);
  const { placed, section, standing, draft, edit } = hearing;
  if (!section || !placed || !draft) return <NoSections />;
  return (
    <div className="flex flex-col gap-3 text-lg">
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[18rem_minmax(0,1fr)_17rem]">
        <div className="flex min-w-0 flex-col gap-3">
          <OnTheWay
            model={model}
            piece={piece}
            score={score}
            current={section.id}
            onChoose={(id) => hearing.choose(id, piece.id)}
          />
          <ToHearList
            model={model}
            sectionId={section.id}
            recorded={hearing.recorded}
            storing={hearing.storing}
            now={hearing.now}
            onChoose={(t) => hearing.choose(t.sectionId, t.pieceId)}
          />
        </div>
        <SectionInHand
          context={context}
          hearing={hearing}
          printed={countArticulations(played, placed.from, placed.to)}
        />
        <LadderInHand
          ladder={hearing.ladder}
          unit={hearing.unit}
          onThree={hearing.threeInRow}
          done={standing?.rungsDone ?? []}
          onTick={hearing.tick}
        />
      </div>
      <div className="no-print sticky bottom-0 z-10 bg-ground">
        <FacetRow
          draft={draft}
          asked={hearing.asked}
          tempoText={draft.tempo}
          target={hearing.target}
          unit={hearing.unit}
          tempoInput={hearing.tempoInput}
          why={hearing.why}
          proposed={hearing.proposedFacets}
          onFacet={(f) => edit((d) => toggleFacet(d, f))}
          onTempo={(tempo) => edit((d) => ({ ...d, tempo }))}
          onTap={hearing.tap}
          onMistake={() => edit(addMistake)}
          onRepetition={() => edit(nextRepetition)}
        />
        <LevelBar
          level={draft.level}
          now={standing?.level ?? null}
          proposed={hearing.proposed}
          highest={hearing.highest}
          last={hearing.last}
          onPick={hearing.pick}
          heard={hearing.heard}
          onRecord={hearing.record}
        />
      </div>
    </div>
  );
}
