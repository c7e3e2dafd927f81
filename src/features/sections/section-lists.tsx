import type { ReactNode } from 'react';
import { barsText } from '@/core/sections';
import { Button, Panel, Problem } from '@/ui';
import type { PieceContext } from '@/features/score';
import type { SectionActions } from './section-actions';
import { ProposalRow, SectionRow } from './section-list';
import type { Findings } from './use-findings';

interface Props {
  readonly context: PieceContext;
  readonly findings: Findings;
  readonly actions: SectionActions;
}

function Search({ findings: { state, stop, start } }: Pick<Props, 'findings'>): ReactNode {
  switch (state.kind) {
    case 'running':
      return (
        <Panel title="Finding how it is built">
          <progress className="w-full accent-leaf" value={state.share} max={1} aria-label="How far the search is" />
          <Button className="mt-2" onClick={stop}>
            Stop
          </Button>
        </Panel>
      );
    case 'stopped':
      return (
        <Panel title="Stopped">
          <Button onClick={start}>Find how it is built</Button>
        </Panel>
      );
    case 'failed':
      return <Problem>{state.issue.message}</Problem>;
    case 'ready':
      return null;
  }
}

function Proposed({ context: { score }, findings, actions }: Props): ReactNode {
  const { open, all, chosenProposal } = findings;
  if (open.length === 0) return null;
  return (
    <Panel
      title="Sections proposed"
      aside={
        <Button look="primary" shortcut="enter" onClick={() => actions.accept(open, all)}>
          Accept {open.length === 1 ? 'it' : `all ${open.length}`}
        </Button>
      }
    >
      <ul className="-mx-2">
        {open.map((p) => (
          <ProposalRow
            key={`${p.from} ${p.to}`}
            proposal={p}
            score={score}
            chosen={p === chosenProposal}
            onChoose={() => findings.chooseBars(p.from, p.to)}
            onAccept={() => actions.accept([p], all)}
            onRefuse={() => actions.refuse(p)}
          />
        ))}
      </ul>
    </Panel>
  );
}

function Accepted({ context, findings, actions }: Props): ReactNode {
  const { score, sections, section } = context;
  const { open, selected } = findings;
  return (
    <Panel
      title="Sections"
      aside={
        selected ? (
          <Button look={open.length > 0 ? 'plain' : 'primary'} shortcut="n" onClick={() => actions.make()}>
            Make {barsText(score, selected[0], selected[1])}
          </Button>
        ) : null
      }
    >
      {sections.length === 0 ? (
        <p className="text-ink-2">
          {open.length > 0
            ? 'None yet. Accept the proposal, or drag over bars on the strip and make your own.'
            : 'None yet. Drag over bars on the strip, then make them a section.'}
        </p>
      ) : (
        <ul className="-mx-2">
          {sections.map((p) => (
            <SectionRow
              key={p.section.id}
              placed={p}
              score={score}
              all={sections}
              chosen={p.section.id === section?.section.id}
              actions={actions}
              onChoose={() => findings.chooseSection(p)}
              onCompare={findings.toggleBeside}
            />
          ))}
        </ul>
      )}
    </Panel>
  );
}

/** What is proposed and what is there, one under the other. */
export function SectionLists(props: Props): ReactNode {
  return (
    <div className="flex flex-col gap-3">
      <Search findings={props.findings} />
      <Proposed {...props} />
      <Accepted {...props} />
    </div>
  );
}
