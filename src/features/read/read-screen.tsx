'use client';

import { useMemo, type ReactNode } from 'react';
import { toast } from 'sonner';
import { PieceStage, savePiece, ScoreLines, type PieceContext } from '@/features/score';
import { useMarks } from '@/store';
import { useWhere } from '@/features/where';
import { barsText } from '@/core/sections';
import { clockText, playedSeconds } from '@/core/score';
import { Button, Panel } from '@/ui';
import { factsOf } from './facts';

/** Bars shown at a time: enough for a page, few enough to draw at once. */
const PAGE_BARS = 24;

function Reading({ piece, score }: PieceContext): ReactNode {
  const where = useWhere();
  const marks = useMarks(piece.id) ?? [];
  const save = async (): Promise<void> => {
    const added = await savePiece(piece, marks);
    toast(
      added === null
        ? 'The piece could not be opened.'
        : `Saved to your downloads with ${added} ${added === 1 ? 'mark' : 'marks'} put in; the rest of the file is untouched.`,
    );
  };
  const facts = useMemo(() => factsOf(score), [score]);
  const selection = where.bars;
  const page = Math.floor((selection?.[0] ?? 0) / PAGE_BARS);
  const from = page * PAGE_BARS;
  const to = Math.min(score.bars.length - 1, from + PAGE_BARS - 1);
  const chosenBars = useMemo(() => new Set(selection ? score.bars.slice(selection[0], selection[1] + 1).map((b) => b.id) : []), [score, selection]);
  const noteBar = (id: string): number => score.notes.find((n) => n.id === id)?.bar ?? 0;
  const choose = (index: number, extend: boolean): void =>
    where.change({ sectionId: null, bars: extend && selection ? [Math.min(selection[0], index), Math.max(selection[1], index)] : [index, index] });
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_19rem]">
      <Panel label="Music">
        <div className="mb-3 flex flex-wrap items-baseline gap-3">
          <h2 className="text-xl">{piece.title}</h2>
          <span className="text-ink-2">{piece.composer}</span>
          {score.bars.length > PAGE_BARS ? (
            <span className="ml-auto flex items-center gap-2">
              <Button look="quiet" disabled={page === 0} onClick={() => where.change({ bars: [from - PAGE_BARS, from - PAGE_BARS] })}>
                Earlier bars
              </Button>
              <span className="figure">{barsText(score, from, to)}</span>
              <Button look="quiet" disabled={to >= score.bars.length - 1} onClick={() => where.change({ bars: [to + 1, to + 1] })}>
                Later bars
              </Button>
            </span>
          ) : null}
        </div>
        <ScoreLines
          piece={piece}
          score={score}
          from={from}
          to={to}
          label={`Bars ${barsText(score, from, to)}`}
          chosenBars={chosenBars}
          onBar={(id, extend) =>
            choose(
              score.bars.findIndex((b) => b.id === id),
              extend,
            )
          }
          onNote={(id) => choose(noteBar(id), false)}
        />
      </Panel>
      <div className="flex flex-col gap-3">
        <Panel title="On the page">
          <dl className="grid gap-2">
            {facts.map((fact) => (
              <div key={fact.name}>
                <dt className="text-sm text-ink-2">{fact.name}</dt>
                <dd>
                  {fact.bar === null ? (
                    fact.value
                  ) : (
                    <button
                      type="button"
                      className="text-left text-leaf underline decoration-rule-strong underline-offset-4"
                      onClick={() => choose(fact.bar ?? 0, false)}
                    >
                      {fact.value}
                    </button>
                  )}
                </dd>
              </div>
            ))}
          </dl>
        </Panel>
        <Panel title={selection ? `Chosen: bars ${barsText(score, selection[0], selection[1])}` : 'No bars chosen'}>
          {selection ? (
            <>
              <p className="mb-3 text-ink-2">
                {clockText(
                  playedSeconds(
                    score,
                    score.bars.slice(selection[0], selection[1] + 1).map((b) => b.index),
                  ),
                )}{' '}
                at the marked tempo
              </p>
              <Button look="primary" onClick={() => where.go('sections')}>
                Make a section of them
              </Button>
            </>
          ) : (
            <p className="text-ink-2">Click a bar, or drag over the strip above, to choose the bars of a section.</p>
          )}
        </Panel>
        <Panel title="Take it away">
          <Button onClick={() => void save()}>Save as MusicXML with your marks</Button>
        </Panel>
        {score.warnings.length > 0 ? (
          <Panel title="About the file">
            <ul className="grid gap-1 text-sm">
              {score.warnings.slice(0, 20).map((w, i) => (
                <li key={i}>{w.message}</li>
              ))}
              {score.warnings.length > 20 ? <li>and {score.warnings.length - 20} more</li> : null}
            </ul>
          </Panel>
        ) : null}
      </div>
    </div>
  );
}

export function ReadScreen(): ReactNode {
  return <PieceStage heading="Read">{(context) => <Reading {...context} />}</PieceStage>;
}
