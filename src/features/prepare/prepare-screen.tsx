'use client';

import Link from 'next/link';
import { useEffect, useRef, type ReactNode } from 'react';
import { Button, Panel, Problem } from '@/ui';
import { FirstLook, PieceStage, ScoreLines, StripPanel, type PieceContext, useFirstLook } from '@/features/score';
import { useWhere } from '@/features/where';
import { useKey } from '@/features/keys';
import { ForWhom } from './for-whom';
import type { Part } from './prepare-parts';
import { usePrepare, type PrepareModel } from './use-prepare';

const STAGE_NAMES: Readonly<Partial<Record<Part['stage'], string>>> = {
  sections: 'Sections',
  marks: 'Marks',
  ladder: 'Ladder',
};

function Line({ part, model }: { readonly part: Part; readonly model: PrepareModel }): ReactNode {
  const where = useWhere();
  const canTake = part.takes > 0;
  return (
    <li className="grid grid-cols-[2.75rem_9rem_minmax(0,1fr)_auto] items-center gap-x-2 border-t border-rule py-1 first:border-0">
      <span className="grid min-h-11 place-items-center">
        {canTake ? (
          <input
            type="checkbox"
            className="size-5 accent-leaf"
            aria-label={`Take ${part.title}`}
            checked={model.isTicked(part.key)}
            onChange={() => model.toggle(part.key)}
          />
        ) : (
          <span className="text-ink-3" aria-hidden="true">
            ·
          </span>
        )}
      </span>
      <span className="text-lg font-semibold">{part.title}</span>
      <span className="min-w-0">
        <span className={canTake ? 'block border-l-2 border-dashed border-ink-3 pl-2' : 'block pl-2.5'}>
          {part.found ?? 'being found…'}
        </span>
        <span className="block pl-2.5 text-sm text-ink-2">{part.why}</span>
      </span>
      <Link
        prefetch={false}
        href={where.addressOf(part.stage)}
        className="flex min-h-11 items-center px-2 font-semibold text-leaf underline-offset-4 hover:underline"
        aria-label={`${part.title}: look closer in ${STAGE_NAMES[part.stage] ?? ''}`}
      >
        {STAGE_NAMES[part.stage]}
      </Link>
    </li>
  );
}

/** Bars shown of the piece: one sees at a glance that it is the right one, and the right part. */
const FIRST_BARS = 4;

function HowItBegins({ piece, score, player, played }: PieceContext): ReactNode {
  const look = useFirstLook(piece);
  const begins = played.notes[0]?.bar ?? 0;
  const label = `First bars of ${piece.title}`;
  return (
    <section aria-label="How it begins" className="rounded border border-rule bg-sheet px-3 py-1">
      <ScoreLines
        piece={piece}
        score={score}
        from={begins}
        to={Math.min(begins + FIRST_BARS, score.bars.length) - 1}
        label={label}
        scale={42}
        player={player}
        view="alone"
        {...(look === undefined ? {} : { meanwhile: <FirstLook svg={look} label={label} /> })}
      />
    </section>
  );
}

function Preparing(context: PieceContext): ReactNode {
  const { piece, score, player, sections, section } = context;
  const where = useWhere();
  const model = usePrepare(context);
  const { analysis, built } = model;
  const taken = model.parts.every((p) => p.takes === 0);
  const host = useRef<HTMLDivElement | null>(null);
  // Enter belongs to this screen, not to the link or the field that led here.
  useEffect(() => host.current?.focus({ preventScroll: true }), []);
  useKey('prepare.take', () => model.isReady && !taken && model.take(), { inFields: ['input'] });
  const proposed = sections.length > 0 ? [] : (built?.sections ?? []);
  return (
    <div ref={host} tabIndex={-1} className="flex flex-col gap-3 outline-none">
      <StripPanel
        piece={piece}
        score={score}
        player={player}
        sections={sections}
        section={section}
        proposed={proposed.map(({ from, to, letter, name }, i) => ({
          id: `proposed ${i}`,
          from,
          to,
          letter,
          name: name === letter ? '' : name,
          proposed: true,
        }))}
      />
      <HowItBegins {...context} />
      <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <Panel
          title={`Prepare ${piece.title}`}
          aside={
            <Button look="quiet" onClick={() => where.go('read')}>
              Read it first
            </Button>
          }
        >
          {analysis.state.kind === 'failed' ? <Problem>{analysis.state.issue.message}</Problem> : null}
          <ul>
            {model.parts.map((part) => (
              <Line key={part.key} part={part} model={model} />
            ))}
          </ul>
          <div className="mt-3 flex flex-wrap items-center gap-3">
            <Button
              look={taken ? 'plain' : 'primary'}
              big
              shortcut="enter"
              disabled={!model.isReady || taken}
              onClick={model.take}
            >
              {taken ? 'All of it is taken' : 'Take it all'}
            </Button>
            <span className="text-ink-2">
              {taken
                ? 'Change any of it in its stage; undo takes it back.'
                : 'What is ticked, in one step; undo takes it back. What is not ticked stays a proposal in its stage.'}
            </span>
          </div>
        </Panel>
        <ForWhom piece={piece} />
      </div>
    </div>
  );
}

/** The whole proposal for a piece at a glance, taken in one go; then for whom. */
export function PrepareScreen(): ReactNode {
  return (
    <PieceStage heading="Prepare" strip="own">
      {(context) => <Preparing key={context.piece.id} {...context} />}
    </PieceStage>
  );
}
