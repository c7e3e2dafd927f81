'use client';

import { useMemo, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { toast } from 'sonner';
import { barsText, joinSections, moveEnds, nextLetter, splitSection, type PlacedSection } from '@/core/sections';
import { clockText, playedSeconds } from '@/core/score';
import type { Section } from '@/core/studio';
import { rowChange, useLadders, useMarks, useStudio } from '@/store';
import { Button, Panel } from '@/ui';
import { PieceStage, ScoreLines, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';

function useSectionActions({ piece, score, sections, section }: PieceContext) {
  const studio = useStudio();
  const where = useWhere();
  const ladders = useLadders(piece.id) ?? [];
  const at = studio.now;
  const all = sections.map((p) => p.section);
  const say = (message: string): void => void toast(message);
  const save = (label: string, before: Section | null, after: Section | null): Promise<void> => studio.commit(label, [rowChange('sections', before, after)]);
  const bars = where.bars;
  return {
    make: async (): Promise<void> => {
      if (!bars) return say('Choose bars on the strip first.');
      const from = score.bars[bars[0]];
      const to = score.bars[Math.min(bars[1], score.bars.length - 1)];
      if (!from || !to) return;
      const fresh: Section = {
        id: studio.newId(),
        pieceId: piece.id,
        name: '',
        letter: nextLetter(all),
        fromBar: from.id,
        toBar: to.id,
        fromOffset: '0',
        toOffset: null,
        parentId: null,
        likeId: null,
        hand: 'all',
        order: bars[0],
        updatedAt: at(),
      };
      await save(`section ${fresh.letter} made`, null, fresh);
      where.change({ sectionId: fresh.id, bars });
    },
    edit: (placed: PlacedSection, change: Partial<Pick<Section, 'name' | 'letter' | 'hand'>>): Promise<void> =>
      save(`section ${placed.section.letter} changed`, placed.section, { ...placed.section, ...change, updatedAt: at() }),
    move: async (fromBy: number, toBy: number): Promise<void> => {
      if (!section) return;
      const moved = moveEnds(score, section.section, section.from + fromBy, section.to + toBy);
      if (!moved.ok) return say(moved.issue.message);
      await save(`section ${section.section.letter} moved`, section.section, { ...moved.value, updatedAt: at() });
      where.change({ sectionId: section.section.id, bars: [section.from + fromBy, section.to + toBy] });
    },
    split: async (): Promise<void> => {
      if (!section || !bars) return say('Choose a bar inside the section to split before it.');
      const result = splitSection(score, section, bars[0], { id: studio.newId(), letter: nextLetter(all) });
      if (!result.ok) return say(result.issue.message);
      const [first, second] = result.value;
      await studio.commit(`section ${first.letter} split`, [
        rowChange('sections', section.section, { ...first, updatedAt: at() }),
        rowChange('sections', null, { ...second, updatedAt: at() }),
      ]);
      where.change({ sectionId: second.id });
    },
    join: async (): Promise<void> => {
      if (!section) return;
      const next = sections.find((p) => p.from === section.to + 1);
      if (!next) return say('No section begins right after this one.');
      const result = joinSections(section, next);
      if (!result.ok) return say(result.issue.message);
      await studio.commit(`sections ${section.section.letter} and ${next.section.letter} joined`, [
        rowChange('sections', section.section, { ...result.value, updatedAt: at() }),
        rowChange('sections', next.section, null),
      ]);
      where.change({ sectionId: section.section.id, bars: [section.from, next.to] });
    },
    remove: async (): Promise<void> => {
      if (!section) return;
      const ladder = ladders.find((l) => l.sectionId === section.section.id);
      await studio.commit(`section ${section.section.letter} removed`, [
        rowChange('sections', section.section, null),
        ...(ladder ? [rowChange('ladders', ladder, null)] : []),
      ]);
      where.change({ sectionId: null });
    },
  };
}

function Sectioning(context: PieceContext): ReactNode {
  const { piece, score, sections, section } = context;
  const where = useWhere();
  const actions = useSectionActions(context);
  const marks = useMarks(piece.id) ?? [];
  useHotkeys('n', () => void actions.make());
  useHotkeys('s', () => void actions.split());
  useHotkeys('j', () => void actions.join());
  useHotkeys('delete', () => void actions.remove());
  useHotkeys('[', () => void actions.move(-1, 0), { useKey: true });
  useHotkeys(']', () => void actions.move(1, 0), { useKey: true });
  useHotkeys('shift+{, {', () => void actions.move(0, -1), { useKey: true });
  useHotkeys('shift+}, }', () => void actions.move(0, 1), { useKey: true });
  const chosen = where.bars;
  const show: readonly [number, number] = section ? [section.from, section.to] : (chosen ?? [0, Math.min(score.bars.length - 1, 7)]);
  const chosenBars = useMemo(() => new Set(chosen ? score.bars.slice(chosen[0], chosen[1] + 1).map((b) => b.id) : []), [score, chosen]);
  return (
    <div className="grid gap-3 lg:grid-cols-[24rem_minmax(0,1fr)]">
      <Panel
        title="Sections"
        aside={
          <Button look="primary" shortcut="n" disabled={!chosen} onClick={() => void actions.make()}>
            {chosen ? `Make ${barsText(score, chosen[0], Math.min(chosen[1], score.bars.length - 1))}` : 'Make a section'}
          </Button>
        }
      >
        {sections.length === 0 ? (
          <p className="text-lg text-ink-2">Drag over bars on the strip, then make them a section. The form letter comes by itself and can be changed.</p>
        ) : (
          <ul>
            {sections.map((p) => {
              const isChosen = p.section.id === section?.section.id;
              const count = marks.filter((m) => m.kind !== 'refused' && score.notes.some((n) => n.id === m.noteId && n.bar >= p.from && n.bar <= p.to)).length;
              return (
                <li
                  key={p.section.id}
                  className={`border-t border-rule py-2 pl-2 ${isChosen ? 'border-l-4 border-l-acorn bg-acorn-wash' : 'border-l-4 border-l-transparent'}`}
                >
                  <button
                    type="button"
                    className="flex min-h-11 w-full items-center gap-3 text-left"
                    aria-pressed={isChosen}
                    onClick={() => where.change({ sectionId: p.section.id, bars: [p.from, p.to] })}
                  >
                    <span
                      className="grid h-9 min-w-9 place-items-center rounded border-2 border-leaf bg-sheet px-1 text-lg font-semibold"
                      style={{ fontFamily: 'var(--font-head)' }}
                    >
                      {p.section.letter}
                    </span>
                    <span className="flex-1">
                      <span className="block font-semibold">{p.section.name || `Section ${p.section.letter}`}</span>
                      <span className="block text-sm text-ink-2">
                        bars {barsText(score, p.from, p.to)}
                        {count > 0 ? `, ${count} ${count === 1 ? 'mark' : 'marks'}` : ''}
                      </span>
                    </span>
                    <span className="figure text-ink-2">
                      {clockText(
                        playedSeconds(
                          score,
                          score.bars.slice(p.from, p.to + 1).map((b) => b.index),
                        ),
                      )}
                    </span>
                  </button>
                  {isChosen ? <SectionForm key={p.section.id} placed={p} context={context} /> : null}
                </li>
              );
            })}
          </ul>
        )}
      </Panel>
      <Panel
        title={section ? `${section.section.letter} ${section.section.name}` : 'The piece'}
        aside={<span className="figure text-ink-2">bars {barsText(score, show[0], show[1])}</span>}
      >
        <ScoreLines
          piece={piece}
          score={score}
          from={show[0]}
          to={show[1]}
          label={`Bars ${barsText(score, show[0], show[1])}`}
          chosenBars={chosenBars.size < show[1] - show[0] + 1 ? chosenBars : undefined}
          onBar={(id) => {
            const i = score.bars.findIndex((b) => b.id === id);
            where.change({ bars: [i, i], sectionId: section?.section.id ?? null });
          }}
        />
      </Panel>
    </div>
  );
}

function SectionForm({ placed, context }: { readonly placed: PlacedSection; readonly context: PieceContext }): ReactNode {
  const actions = useSectionActions(context);
  const { section } = placed;
  return (
    <div className="mt-2 grid gap-2 pr-2">
      <div className="flex gap-2">
        <label className="w-20 text-sm text-ink-2">
          Letter
          <input
            className="field w-full text-base text-ink"
            defaultValue={section.letter}
            maxLength={8}
            onBlur={(e) => e.target.value !== section.letter && void actions.edit(placed, { letter: e.target.value })}
          />
        </label>
        <label className="flex-1 text-sm text-ink-2">
          Name
          <input
            className="field w-full text-base text-ink"
            defaultValue={section.name}
            maxLength={120}
            onBlur={(e) => e.target.value !== section.name && void actions.edit(placed, { name: e.target.value })}
          />
        </label>
      </div>
      <div className="grid grid-cols-2 gap-1">
        <Button onClick={() => void actions.move(-1, 0)} shortcut="[" aria-label="Begin one bar earlier">
          ◂ start
        </Button>
        <Button onClick={() => void actions.move(1, 0)} shortcut="]" aria-label="Begin one bar later">
          start ▸
        </Button>
        <Button onClick={() => void actions.move(0, -1)} shortcut="{" aria-label="End one bar earlier">
          ◂ end
        </Button>
        <Button onClick={() => void actions.move(0, 1)} shortcut="}" aria-label="End one bar later">
          end ▸
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-1">
        <Button onClick={() => void actions.split()} shortcut="s">
          Split
        </Button>
        <Button onClick={() => void actions.join()} shortcut="j">
          Join next
        </Button>
        <Button onClick={() => void actions.remove()} shortcut="del">
          Remove
        </Button>
      </div>
    </div>
  );
}

export function SectionsScreen(): ReactNode {
  return <PieceStage heading="Sections">{(context) => <Sectioning {...context} />}</PieceStage>;
}
