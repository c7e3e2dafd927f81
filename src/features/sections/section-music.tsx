import type { ReactNode } from 'react';
import { barsText, type ProposedSection } from '@/core/sections';
import { Button, Panel } from '@/ui';
import { MarkedMusic } from '@/features/marks';
import { PageViewChoice, type PieceContext } from '@/features/score';
import type { TwoPlaces } from './two-places';
import type { Findings } from './use-findings';

/** Bars of music shown at most at a time. */
const MOST_BARS_SHOWN = 16;

const lastShown = (from: number, to: number): number => Math.min(to, from + MOST_BARS_SHOWN - 1);

function SideBySide({
  context,
  two,
  onBack,
}: {
  readonly context: PieceContext;
  readonly two: TwoPlaces;
  readonly onBack: () => void;
}): ReactNode {
  const { score } = context;
  return (
    <Panel
      title={two.title}
      aside={
        <Button look="quiet" onClick={onBack}>
          Back
        </Button>
      }
    >
      {[two.a, two.b].map(([from, to], i) => (
        <div key={`${i} ${from}`} className={i === 1 ? 'mt-4 border-t border-rule pt-3' : ''}>
          <p className="mb-1 text-ink-2">
            bars <span className="figure">{barsText(score, from, to)}</span>
          </p>
          <MarkedMusic
            context={context}
            from={from}
            to={lastShown(from, to)}
            label={`Bars ${barsText(score, from, to)}`}
            differs={two.differs}
          />
        </div>
      ))}
      {two.differs.size > 0 ? <p className="mt-2 text-ink-2">The notes that differ are marked.</p> : null}
    </Panel>
  );
}

/** Letter and name; the letter alone where it is the name. */
const proposedTitle = ({ letter, name }: Pick<ProposedSection, 'letter' | 'name'>): string =>
  name === letter ? letter : `${letter} ${name}`;

/** The music of what is chosen: two places that are the same, a section, a proposal, some bars. */
export function SectionMusic({
  context,
  findings,
}: {
  readonly context: PieceContext;
  readonly findings: Findings;
}): ReactNode {
  const { score, player, section } = context;
  const { two, shown, chosenProposal } = findings;
  if (two) return <SideBySide context={context} two={two} onBack={findings.alone} />;
  const [from, to] = [shown[0], lastShown(...shown)];
  const title = section
    ? `${section.section.letter} ${section.section.name}`.trim()
    : chosenProposal
      ? `${proposedTitle(chosenProposal)}, proposed`
      : 'Music';
  return (
    <Panel
      title={title}
      aside={
        <span className="flex flex-wrap items-center gap-3">
          <PageViewChoice score={score} player={player} place="page" />
          <span className="figure text-ink-2">bars {barsText(score, ...shown)}</span>
        </span>
      }
    >
      <MarkedMusic
        context={context}
        from={from}
        to={to}
        label={`Bars ${barsText(score, from, to)}`}
        chosenBars={findings.familyBars}
      />
    </Panel>
  );
}
