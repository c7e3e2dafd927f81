import type { ReactNode } from 'react';
import { ORDER_SCHOOLS, type LadderChunk } from '@/core/ladder';
import { barsText, type PlacedSection } from '@/core/sections';
import type { Score } from '@/core/score';
import { TEACHING_QUESTIONS, type Teaching } from '@/core/studio';
import { Button, Panel, PickOne } from '@/ui';

interface Props {
  readonly score: Score;
  readonly sections: readonly PlacedSection[];
  readonly current: string | null;
  readonly order: Teaching['order'];
  readonly chunks: readonly LadderChunk[] | null;
  readonly withLadder: ReadonlySet<string>;
  readonly onOrder: (order: Teaching['order']) => void;
  readonly onMove: (sectionId: string, by: 1 | -1) => void;
  readonly onSection: (placed: PlacedSection) => void;
  readonly onChunk: (chunk: LadderChunk) => void;
}

const KIND: Readonly<Record<LadderChunk['kind'], string>> = {
  unit: '',
  join: 'join',
  phrase: 'phrase',
  section: 'section',
  piece: '',
};

/** In which order the piece is learned, and why each chunk comes where it does. */
export function OrderPanel({
  score,
  sections,
  current,
  order,
  chunks,
  withLadder,
  onOrder,
  onMove,
  onSection,
  onChunk,
}: Props): ReactNode {
  const schools = TEACHING_QUESTIONS.find((q) => q.key === 'order')?.schools ?? [];
  const sectionOf = (c: LadderChunk): PlacedSection | undefined =>
    sections.find((p) => p.from === c.from && p.to === c.to);
  return (
    <Panel title="In which order">
      <PickOne
        stacked
        label="This piece is learned"
        value={order}
        choices={schools.map(([v, name]) => [String(v), name] as const)}
        onPick={(v) => onOrder(v === 'own' ? 'own' : (ORDER_SCHOOLS.find((s) => s === v) ?? 'sameness'))}
      />
      <h3 className="mt-3">Sections</h3>
      <ul>
        {sections.map((p) => (
          <li key={p.section.id} className="flex border-t border-rule">
            <button
              type="button"
              aria-pressed={p.section.id === current}
              className={`flex min-h-11 min-w-0 flex-1 items-center gap-2 border-l-4 px-2 text-left ${p.section.id === current ? 'border-l-acorn bg-acorn-wash' : 'border-l-transparent'}`}
              onClick={() => onSection(p)}
            >
              <span className="min-w-7 text-lg font-semibold">{p.section.letter}</span>
              <span className="min-w-0 flex-1 truncate">
                {p.section.name || `bars ${barsText(score, p.from, p.to)}`}
              </span>
              {withLadder.has(p.section.id) ? null : <span className="text-sm text-ink-2">no ladder</span>}
            </button>
            {order === 'own' ? (
              <Button look="quiet" aria-label={`${p.section.letter} earlier`} onClick={() => onMove(p.section.id, -1)}>
                ▴
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
      {order === 'own' ? (
        <p className="mt-3 text-ink-2">Your own order: move the sections.</p>
      ) : (
        <>
          <h3 className="mt-3">Chunk by chunk</h3>
          {chunks === null ? (
            <p className="text-ink-2" role="status">
              Finding the order…
            </p>
          ) : (
            <ol className="max-h-80 overflow-auto">
              {chunks.map((c, i) => (
                <li key={`${c.from} ${c.to} ${c.kind}`} className="border-t border-rule">
                  <button
                    type="button"
                    className="flex min-h-11 w-full gap-2 px-1 py-1 text-left"
                    onClick={() => onChunk(c)}
                  >
                    <span className="figure min-w-6 text-right text-ink-3">{i + 1}</span>
                    <span>
                      <span className="block font-semibold">
                        {sectionOf(c)?.section.letter ? `${sectionOf(c)?.section.letter ?? ''}, ` : ''}
                        {c.name} <span className="font-normal text-ink-2">{KIND[c.kind]}</span>
                      </span>
                      <span className="block text-sm text-ink-2">{c.why}</span>
                    </span>
                  </button>
                </li>
              ))}
            </ol>
          )}
        </>
      )}
    </Panel>
  );
}
