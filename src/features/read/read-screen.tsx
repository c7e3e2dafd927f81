'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { pieceFacts, type Fact } from '@/core/facts';
import { instrumentName } from '@/core/instruments';
import { PageViewChoice, PieceStage, ScoreLines, usePageView, type PieceContext } from '@/features/score';
import { useSettings, useStudents } from '@/store';
import { agreeToPages } from '@/core/paper';
import type { Piece } from '@/core/studio';
import { useEditPaper, usePaper } from '@/features/pages';
import { useWhere } from '@/features/where';
import { barsText } from '@/core/sections';
import { clockText, playedSeconds, type Score } from '@/core/score';
import { Button, later, Panel } from '@/ui';
import { AboutPiece } from './about-piece';
import { EditionPanel } from './edition-panel';
import { FactsPanel } from './facts-panel';
import { PagePicture, PagesPanel } from './pages-panel';
import { PartsPanel } from './parts-panel';
import { PieceTeaching } from './piece-teaching';
import { TakeAwayPanel } from './take-away-panel';

// What only pieces from pages, or typed ones, need.
const CorrectPages = later(() => import('@/features/pages').then((m) => m.CorrectPages));
const PageQuestions = later(() => import('@/features/pages').then((m) => m.PageQuestions));
const PrintedPages = later(() => import('@/features/pages').then((m) => m.PrintedPages));
const AbcEditor = later(() => import('./abc-editor').then((m) => m.AbcEditor));
const GridEditor = later(() => import('./grid-editor').then((m) => m.GridEditor));

/** Bars shown at a time: enough for a page, few enough to draw at once. */
const PAGE_BARS = 24;

/** What is chosen, how long it takes, and what comes next. */
function ChosenBars({
  score,
  selection,
}: {
  readonly score: Score;
  readonly selection: readonly [number, number] | null;
}): ReactNode {
  const where = useWhere();
  return (
    <Panel
      title={
        selection
          ? `Chosen: ${selection[0] === selection[1] ? 'bar' : 'bars'} ${barsText(score, selection[0], selection[1])}`
          : 'No bars chosen'
      }
    >
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
  );
}

/** To the bars before and after those that are shown. */
function Paging({ score, from, to }: { readonly score: Score; readonly from: number; readonly to: number }): ReactNode {
  const where = useWhere();
  if (score.bars.length <= PAGE_BARS) return null;
  return (
    <span className="ml-auto flex items-center gap-2">
      <Button
        look="quiet"
        disabled={from === 0}
        onClick={() => where.change({ bars: [from - PAGE_BARS, from - PAGE_BARS] })}
      >
        Earlier bars
      </Button>
      <span className="figure">{barsText(score, from, to)}</span>
      <Button
        look="quiet"
        disabled={to >= score.bars.length - 1}
        onClick={() => where.change({ bars: [to + 1, to + 1] })}
      >
        Later bars
      </Button>
    </span>
  );
}

const MOST_WARNINGS = 20;

/** What was said when the file was read. */
function AboutFile({ warnings }: { readonly warnings: Score['warnings'] }): ReactNode {
  if (warnings.length === 0) return null;
  return (
    <Panel title="About the file">
      <ul className="grid gap-1 text-sm">
        {warnings.slice(0, MOST_WARNINGS).map((w, i) => (
          <li key={i}>{w.message}</li>
        ))}
        {warnings.length > MOST_WARNINGS ? <li>and {warnings.length - MOST_WARNINGS} more</li> : null}
      </ul>
    </Panel>
  );
}

/** What the page says of the player's part, with what the teacher knows of the piece. */
function useFacts({ piece, player, played }: PieceContext, names: 'american' | 'british'): readonly Fact[] {
  const { instrument, instrumentWords, origin } = piece;
  const on = instrumentName(
    player.instrument === undefined || player.instrument === instrument
      ? { instrument, instrumentWords }
      : { instrument: player.instrument },
  );
  return useMemo(
    () => pieceFacts({ ...played, origin: { ...played.origin, ...origin } }, on, names),
    [played, origin, on, names],
  );
}

/** What the piece is called, what of it is shown, and the ways to its other bars. */
function Heading({
  context: { piece, score, player },
  paging,
  onCorrect,
}: {
  readonly context: PieceContext;
  readonly paging: ReactNode;
  /** To its bars on the pages; null where it has none, or is there. */
  readonly onCorrect: (() => void) | null;
}): ReactNode {
  return (
    <div className="mb-3 flex flex-wrap items-baseline gap-3">
      <h2 className="text-xl" translate="no">
        {piece.title}
      </h2>
      <span className="text-ink-2" translate="no">
        {piece.composer}
      </span>
      <PageViewChoice score={score} player={player} place="page" />
      {onCorrect ? <Button onClick={onCorrect}>Correct the bars</Button> : null}
      {paging}
    </div>
  );
}

/** Pages whose bars nobody has looked at yet are corrected first. */
function useCorrecting(piece: Piece) {
  const paper = usePaper(piece) ?? null;
  const edit = useEditPaper(piece.id);
  const [said, setSaid] = useState<boolean | null>(null);
  const correcting = paper !== null && (said ?? paper.grid.agreed !== true);
  const right = (): void => edit('bars are right', agreeToPages, { stored: () => setSaid(false) });
  return { paper, edit, correcting, setCorrecting: setSaid, right };
}

function Reading(context: PieceContext): ReactNode {
  const { piece, score, player } = context;
  const where = useWhere();
  const student = (useStudents() ?? []).find((s) => s.id === where.studentId) ?? null;
  const { view } = usePageView(score, player, 'page');
  const settings = useSettings();
  const [page, setPage] = useState<string | null>(null);
  const [chosenNote, setChosenNote] = useState<string | null>(null);
  const facts = useFacts(context, settings?.noteNames ?? 'american');
  const selection = where.bars;
  const { paper, edit, correcting, setCorrecting, ...bars } = useCorrecting(piece);
  const from = Math.floor((selection?.[0] ?? 0) / PAGE_BARS) * PAGE_BARS;
  const to = Math.min(score.bars.length - 1, from + PAGE_BARS - 1);
  const chosenBars = useMemo(
    () => new Set(selection ? score.bars.slice(selection[0], selection[1] + 1).map((b) => b.id) : []),
    [score, selection],
  );
  const chosenNotes = useMemo(() => new Set(chosenNote ? [chosenNote] : []), [chosenNote]);
  const barAt = (id: string): number => score.bars.findIndex((b) => b.id === id);
  const noteBar = (id: string): number => score.notes.find((n) => n.id === id)?.bar ?? 0;
  const choose = (index: number, extend = false): void =>
    where.change({
      sectionId: null,
      bars: extend && selection ? [Math.min(selection[0], index), Math.max(selection[1], index)] : [index, index],
    });
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_21rem]">
      <div className="flex min-w-0 flex-col gap-3">
        <Panel label="Music">
          <Heading
            context={context}
            paging={correcting ? null : <Paging score={score} from={from} to={to} />}
            onCorrect={paper && !correcting ? () => setCorrecting(true) : null}
          />
          {paper ? <PageQuestions pieceId={piece.id} paper={paper} edit={edit} /> : null}
          {paper && correcting ? <CorrectPages paper={paper} score={score} edit={edit} onDone={bars.right} /> : null}
          {correcting ? null : (
            <ScoreLines
              piece={piece}
              score={score}
              player={player}
              view={view}
              from={from}
              to={to}
              label={`Bars ${barsText(score, from, to)}`}
              chosenBars={chosenBars}
              chosen={chosenNotes}
              onBar={(id, extend) => choose(barAt(id), extend)}
              onNote={(id) => {
                setChosenNote(id);
                choose(noteBar(id));
              }}
            />
          )}
        </Panel>
        {piece.format === 'grid' && !correcting ? (
          <GridEditor piece={piece} score={score} selection={selection} onPages={paper !== null} onChoose={choose} />
        ) : null}
        {piece.format === 'abc' && piece.original !== null ? <AbcEditor key={piece.id} piece={piece} /> : null}
        {page ? <PagePicture piece={piece} id={page} /> : null}
      </div>
      <div className="flex flex-col gap-3">
        <ChosenBars score={score} selection={selection} />
        <FactsPanel facts={facts} onShow={(bar) => choose(bar)} />
        <AboutPiece piece={piece} score={score} />
        <PartsPanel piece={piece} score={score} player={player} student={student} />
        <PieceTeaching piece={piece} />
        {paper ? (
          <PrintedPages pieceId={piece.id} paper={paper} edit={edit} />
        ) : (
          <PagesPanel piece={piece} shown={page} onShow={setPage} />
        )}
        <TakeAwayPanel piece={piece} score={score} selection={selection} />
        <EditionPanel piece={piece} score={score} chosenNote={chosenNote} />
        <AboutFile warnings={score.warnings} />
      </div>
    </div>
  );
}

export function ReadScreen(): ReactNode {
  return <PieceStage heading="Read">{(context) => <Reading {...context} />}</PieceStage>;
}
