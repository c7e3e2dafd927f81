'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { compareRanges } from '@/core/sameness';
import { barsText, type PlacedSection } from '@/core/sections';
import { useMarks } from '@/store';
import { Button, Panel, Problem, type StripArc } from '@/ui';
import { PieceStage, ScoreLines, StripPanel, useAnalysis, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { ComesAgain, Corners, Families, Intervals, LearnFirst, repeatKey, repeatWords } from './findings-panels';
import { proposalKey, useSectionActions } from './section-actions';
import { ProposalRow, SectionRow } from './section-list';

/** Arcs drawn at most: more would be a thicket. */
const MOST_ARCS = 7;
/** Bars of music shown at most at a time. */
const MOST_BARS_SHOWN = 16;

interface TwoPlaces {
  readonly a: readonly [number, number];
  readonly b: readonly [number, number];
  readonly title: string;
  readonly differs: ReadonlySet<string>;
}

const ARC_KIND = { exact: 'exact', changed: 'changed', moved: 'moved', sequence: 'moved', rhythm: 'moved' } as const;

function Sectioning(context: PieceContext): ReactNode {
  const { piece, score, sections, section } = context;
  const where = useWhere();
  const actions = useSectionActions(context);
  const loadedMarks = useMarks(piece.id);
  const marks = useMemo(() => loadedMarks ?? [], [loadedMarks]);
  const { state, stop, start } = useAnalysis(piece);
  const analysis = state.kind === 'ready' ? state.analysis : null;
  const [arc, setArc] = useState<string | null>(null);
  const [family, setFamily] = useState<string | null>(null);
  const [beside, setBeside] = useState<PlacedSection | null>(null);
  const selected = where.bars;

  const refused = useMemo(() => new Set(marks.flatMap((m) => (m.kind === 'refused' ? [m.what] : []))), [marks]);
  const ratings = useMemo(() => {
    const index = new Map(score.bars.map((b) => [b.id, b.index as number]));
    return new Map(
      marks.flatMap((m) =>
        m.kind === 'rating' && index.has(m.barId) ? [[index.get(m.barId) ?? 0, m.score] as const] : [],
      ),
    );
  }, [marks, score]);
  const open = useMemo(
    () =>
      (analysis?.sections ?? []).filter(
        (p) =>
          !refused.has(proposalKey(score, p)) &&
          !sections.some((s) => s.from <= p.to && s.to >= p.from + (s.section.toOffset === null ? 0 : 1)),
      ),
    [analysis, refused, sections, score],
  );
  const chosenProposal = section
    ? null
    : (open.find((p) => selected && selected[0] === p.from && selected[1] === p.to) ?? null);
  const arcs = useMemo(
    () =>
      (analysis?.repeats ?? [])
        .filter((r) => r.kind !== 'rhythm' && (r.staff === null || r.staff === 1))
        .slice(0, MOST_ARCS),
    [analysis],
  );
  const chosenRepeat = analysis?.repeats.find((r) => repeatKey(r) === arc) ?? null;
  const families = useMemo(
    () =>
      new Map(
        (analysis?.families ?? []).filter((f) => f.staff === 1).flatMap((f) => f.bars.map((b) => [b, f.tag] as const)),
      ),
    [analysis],
  );
  const familyBars = useMemo(() => {
    const found = analysis?.families.find((f) => `${f.part} ${f.staff} ${f.tag}` === family);
    return new Set((found?.bars ?? []).flatMap((b) => score.bars[b]?.id ?? []));
  }, [analysis, family, score]);

  const acceptAll = (): void => actions.accept(open, analysis?.sections ?? []);
  useHotkeys('enter', (e) => {
    if (
      open.length > 0 &&
      !['BUTTON', 'INPUT', 'SELECT'].includes((e.target as Element).tagName) &&
      (e.target as Element).getAttribute('role') !== 'button'
    )
      acceptAll();
  });
  useHotkeys('a', () => chosenProposal && actions.accept([chosenProposal], analysis?.sections ?? []));
  useHotkeys('x', () => chosenProposal && actions.refuse(chosenProposal));
  useHotkeys('n', () => actions.make());
  useHotkeys('s', () => actions.split());
  useHotkeys('j', () => actions.join());
  useHotkeys('c', () => {
    const like = sections.find((p) => p.section.id === section?.section.likeId);
    if (like) setBeside(beside ? null : like);
  });
  useHotkeys('[', () => actions.move(-1, 0), { useKey: true });
  useHotkeys(']', () => actions.move(1, 0), { useKey: true });
  useHotkeys('{', () => actions.move(0, -1), { useKey: true });
  useHotkeys('}', () => actions.move(0, 1), { useKey: true });
  useHotkeys('comma', () => actions.endByBeat(-1));
  useHotkeys('period', () => actions.endByBeat(1));
  useHotkeys('delete', () => actions.remove());

  const two: TwoPlaces | null = useMemo(() => {
    if (chosenRepeat) {
      const { onlyA, onlyB } =
        chosenRepeat.kind === 'changed'
          ? compareRanges(score, chosenRepeat.a, chosenRepeat.b)
          : { onlyA: [], onlyB: [] };
      const noteOf = new Map(score.notes.map((n) => [n.id, n]));
      const mine = (id: string): boolean => chosenRepeat.part === null || noteOf.get(id)?.staff === chosenRepeat.staff;
      return {
        a: chosenRepeat.a,
        b: chosenRepeat.b,
        title: repeatWords(score, chosenRepeat),
        differs: new Set([...onlyA, ...onlyB].filter(mine)),
      };
    }
    if (beside && section) {
      const a: readonly [number, number] = [beside.from, beside.to];
      const b: readonly [number, number] = [section.from, section.to];
      const { onlyA, onlyB } = compareRanges(score, a, b);
      return {
        a,
        b,
        title: `${beside.section.letter} and ${section.section.letter}, side by side`,
        differs: new Set([...onlyA, ...onlyB]),
      };
    }
    return null;
  }, [chosenRepeat, beside, section, score]);

  const shown: readonly [number, number] = section
    ? [section.from, section.to]
    : (selected ?? [0, Math.min(7, score.bars.length - 1)]);
  const cut: readonly [number, number] = [shown[0], Math.min(shown[1], shown[0] + MOST_BARS_SHOWN - 1)];
  const chooseBars = (from: number, to: number): void => {
    setArc(null);
    setBeside(null);
    where.change({ sectionId: null, bars: [from, to] });
  };
  const stripArcs: StripArc[] = arcs.map((r) => ({
    id: repeatKey(r),
    a: r.a,
    b: r.b,
    kind: ARC_KIND[r.kind],
    label: shortWords(
      r.kind,
      repeatWords(score, r),
      r.differences.reduce((n, d) => n + Math.max(d.noteIds.length, d.aNoteIds.length), 0),
    ),
  }));

  return (
    <>
      <StripPanel
        score={score}
        sections={sections}
        section={section}
        proposed={open.map((p) => ({
          id: `proposed ${p.from}`,
          from: p.from,
          to: p.to,
          letter: p.letter,
          name: p.name,
          proposed: true,
        }))}
        onProposed={(id) => {
          const found = open.find((p) => `proposed ${p.from}` === id);
          if (found) chooseBars(found.from, found.to);
        }}
        arcs={stripArcs}
        chosenArc={arc}
        onArc={setArc}
        onMoveEnd={(id, end, bar) => actions.dragEnd(id, end, bar)}
        families={families}
        ratings={ratings}
      />
      <div className="grid items-start gap-3 lg:grid-cols-[24rem_minmax(0,1fr)] xl:grid-cols-[24rem_minmax(0,1fr)_20rem]">
        <div className="flex flex-col gap-3">
          {state.kind === 'running' ? (
            <Panel title="Finding how it is built">
              <progress className="w-full accent-leaf" value={state.share} max={1} aria-label="How far the search is" />
              <Button className="mt-2" onClick={stop}>
                Stop
              </Button>
            </Panel>
          ) : state.kind === 'stopped' ? (
            <Panel title="Stopped">
              <Button onClick={start}>Find how it is built</Button>
            </Panel>
          ) : state.kind === 'failed' ? (
            <Problem>{state.issue.message}</Problem>
          ) : null}
          {open.length > 0 ? (
            <Panel
              title="Sections proposed"
              aside={
                <Button look="primary" shortcut="enter" onClick={acceptAll}>
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
                    onChoose={() => chooseBars(p.from, p.to)}
                    onAccept={() => actions.accept([p], analysis?.sections ?? [])}
                    onRefuse={() => actions.refuse(p)}
                  />
                ))}
              </ul>
            </Panel>
          ) : null}
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
                    onChoose={() => {
                      setArc(null);
                      setBeside(null);
                      where.change({ sectionId: p.section.id, bars: [p.from, p.to] });
                    }}
                    onCompare={(other) => setBeside(beside ? null : other)}
                  />
                ))}
              </ul>
            )}
          </Panel>
        </div>
        <div className="flex min-w-0 flex-col gap-3">
          {two ? (
            <Panel
              title={two.title}
              aside={
                <Button
                  look="quiet"
                  onClick={() => {
                    setArc(null);
                    setBeside(null);
                  }}
                >
                  Back
                </Button>
              }
            >
              {[two.a, two.b].map(([from, to], i) => (
                <div key={`${i} ${from}`} className={i === 1 ? 'mt-4 border-t border-rule pt-3' : ''}>
                  <p className="mb-1 text-ink-2">
                    bars <span className="figure">{barsText(score, from, to)}</span>
                  </p>
                  <ScoreLines
                    piece={piece}
                    score={score}
                    from={from}
                    to={Math.min(to, from + MOST_BARS_SHOWN - 1)}
                    label={`Bars ${barsText(score, from, to)}`}
                    differs={two.differs}
                  />
                </div>
              ))}
              {two.differs.size > 0 ? <p className="mt-2 text-ink-2">The notes that differ are marked.</p> : null}
            </Panel>
          ) : (
            <Panel
              title={
                section
                  ? `${section.section.letter} ${section.section.name}`.trim()
                  : chosenProposal
                    ? `${chosenProposal.letter} ${chosenProposal.name}, proposed`
                    : 'Music'
              }
              aside={<span className="figure text-ink-2">bars {barsText(score, shown[0], shown[1])}</span>}
            >
              <ScoreLines
                piece={piece}
                score={score}
                from={cut[0]}
                to={cut[1]}
                label={`Bars ${barsText(score, cut[0], cut[1])}`}
                chosenBars={familyBars}
              />
            </Panel>
          )}
          <Intervals score={score} from={shown[0]} to={shown[1]} />
        </div>
        {analysis ? (
          <div className="flex flex-col gap-3 lg:col-span-2 lg:grid lg:grid-cols-2 xl:col-span-1 xl:flex">
            <LearnFirst score={score} analysis={analysis} onBar={(b) => chooseBars(b, b)} />
            <Corners
              score={score}
              analysis={analysis}
              selected={selected && selected[0] === selected[1] ? selected[0] : null}
              ratings={ratings}
              onBar={(b) => chooseBars(b, b)}
              onRate={(bar, value) => {
                const id = score.bars[bar]?.id;
                if (id) actions.rate(id, value);
              }}
            />
            <ComesAgain score={score} repeats={analysis.repeats} chosen={arc} onChoose={setArc} />
            <Families score={score} analysis={analysis} chosen={family} onChoose={setFamily} />
          </div>
        ) : null}
      </div>
    </>
  );
}

/** A label that fits on an arc. */
function shortWords(kind: string, words: string, differing: number): string {
  if (kind === 'changed') return `${differing} ${differing === 1 ? 'note differs' : 'notes differ'}`;
  return words
    .replace(/^(right|left) hand: /, '')
    .replace(/ each time.*/, '')
    .replace(/^sequence, /, '');
}

export function SectionsScreen(): ReactNode {
  return (
    <PieceStage heading="Sections" strip="own">
      {(context) => <Sectioning {...context} />}
    </PieceStage>
  );
}
