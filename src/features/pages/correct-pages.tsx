'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { addSystem, outerLines, removeSystem, setStavesOfLine, usualStaves, type Paper } from '@/core/paper';
import type { Score } from '@/core/score';
import { Button, Choose } from '@/ui';
import { endsOf } from './page-places';
import { PageSheet, type ChosenOnPage } from './page-sheet';
import type { EditPaper } from './use-paper';

const STAVES = ['1', '2', '3', '4', '5', '6'] as const;

/** A line of music as long as the chosen one, drawn in the middle of the empty room below it. */
function drawBelow(paper: Paper, chosen: ChosenOnPage) {
  const page = paper.layouts.find((l) => l.id === chosen.page);
  const system = page?.systems[chosen.system];
  if (!page || !system) return null;
  const [top, foot] = outerLines(system);
  const [left, right] = endsOf(system);
  const next = page.systems[chosen.system + 1];
  const room = (next ? outerLines(next)[0] : page.height) - foot;
  const from = foot + Math.max(page.space * 2, (room - (foot - top)) / 2);
  return { left, right, top: from, bottom: Math.min(page.height, from + (foot - top)) };
}

/** What can be done with the chosen line of music; always there, so that nothing moves when one is chosen. */
function OfLine({
  paper,
  chosen,
  staves,
  edit,
  onGone,
}: {
  readonly paper: Paper;
  readonly chosen: ChosenOnPage | null;
  readonly staves: number;
  readonly edit: EditPaper;
  readonly onGone: () => void;
}): ReactNode {
  return (
    <>
      <Button
        look="quiet"
        disabled={!chosen}
        onClick={() => {
          if (chosen) edit('line of music taken away', (before) => removeSystem(before, chosen));
          onGone();
        }}
      >
        Remove line
      </Button>
      <Button
        look="quiet"
        disabled={!chosen}
        onClick={() => {
          const edges = chosen ? drawBelow(paper, chosen) : null;
          if (chosen && edges) edit('line of music drawn', (before) => addSystem(before, chosen.page, edges, staves));
        }}
      >
        Line below
      </Button>
    </>
  );
}

/** The pages with everything that was found on them, to be put right: bar lines, lines of music, how many staves. */
export function CorrectPages({
  paper,
  score,
  edit,
  onDone,
}: {
  readonly paper: Paper;
  readonly score: Score;
  readonly edit: EditPaper;
  readonly onDone: () => void;
}): ReactNode {
  const [chosen, setChosen] = useState<ChosenOnPage | null>(null);
  const [drawing, setDrawing] = useState(false);
  const names = useMemo(() => new Map(score.bars.map((b) => [b.id, b.name])), [score]);
  const staves = usualStaves(paper.layouts);
  const boxes = paper.layouts.flatMap((l) => l.systems.flatMap((s) => s.boxes));
  const doubtful = boxes.filter((b) => b.unsure === true).length;
  const longRests = boxes.filter((b) => b.longRest === true).length;
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap items-center gap-2">
        <Button look="primary" onClick={onDone}>
          The bars are right
        </Button>
        <Button aria-pressed={drawing} onClick={() => setDrawing(!drawing)}>
          {drawing ? 'Stop drawing' : 'Draw a line'}
        </Button>
        <Choose
          label="Staves in a line"
          value={String(staves)}
          choices={STAVES.map((n) => [n, n] as const)}
          onPick={(n) => edit('staves in a line', (before) => setStavesOfLine(before, Number(n)))}
        />
        <OfLine paper={paper} chosen={chosen} staves={staves} edit={edit} onGone={() => setChosen(null)} />
      </div>
      <p className="min-h-12 text-ink-2">
        {drawing
          ? 'Drag over a line of music from corner to corner, from its first to its last staff line.'
          : 'Click where a bar line is missing, drag one that is off, press Delete on one that is none. The number over a box says how many bars it is.'}
        {doubtful > 0 && !drawing
          ? ` ${doubtful === 1 ? 'One bar line was' : `${doubtful} bar lines were`} found with doubt and ${doubtful === 1 ? 'is' : 'are'} dashed.`
          : ''}
        {longRests > 0 && !drawing
          ? ` ${longRests === 1 ? 'One box is a rest' : `${longRests} boxes are rests`} of several bars: say how many, the number is printed above.`
          : ''}
      </p>
      {paper.layouts.map((page, i) => (
        <PageSheet
          key={page.id}
          page={page}
          number={i + 1}
          names={names}
          chosen={chosen}
          staves={staves}
          drawing={drawing}
          edit={edit}
          onChoose={setChosen}
          onDrawn={() => setDrawing(false)}
        />
      ))}
    </div>
  );
}
