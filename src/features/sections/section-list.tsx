'use client';

import type { ReactNode } from 'react';
import { clockText, playedSeconds, type Score } from '@/core/score';
import { barsText, type PlacedSection, type ProposedSection } from '@/core/sections';
import type { Section } from '@/core/studio';
import { Button, PickOne } from '@/ui';
import { KeptField } from '@/features/drafts';
import type { useSectionActions } from './section-actions';
import { startInWords } from './section-actions';

export type SectionActions = ReturnType<typeof useSectionActions>;

const secondsText = (score: Score, from: number, to: number): string =>
  clockText(
    playedSeconds(
      score,
      score.bars.slice(from, to + 1).map((b) => b.index),
    ),
  );

function Letter({
  children,
  proposed = false,
}: {
  readonly children: ReactNode;
  readonly proposed?: boolean;
}): ReactNode {
  return (
    <span
      className={`grid size-9 shrink-0 place-items-center rounded border-2 bg-sheet text-lg font-bold ${proposed ? 'border-dashed border-ink-3 text-ink-2' : 'border-leaf text-ink'}`}
      style={{ fontFamily: 'var(--font-head)' }}
    >
      {children}
    </span>
  );
}

/** A proposal: dashed, with its reasons, taken over or refused by one key. */
export function ProposalRow({
  proposal,
  score,
  chosen,
  onChoose,
  onAccept,
  onRefuse,
}: {
  readonly proposal: ProposedSection;
  readonly score: Score;
  readonly chosen: boolean;
  readonly onChoose: () => void;
  readonly onAccept: () => void;
  readonly onRefuse: () => void;
}): ReactNode {
  return (
    <li className={`border-t border-rule ${chosen ? 'border-l-4 border-l-acorn bg-acorn-wash pl-2' : 'pl-3'}`}>
      <button
        type="button"
        aria-pressed={chosen}
        className="flex min-h-14 w-full items-start gap-3 py-2 pr-2 text-left"
        onClick={onChoose}
      >
        <Letter proposed>{proposal.letter}</Letter>
        <span className="flex-1">
          <span className="font-semibold">{proposal.name}</span>{' '}
          <span className="figure text-ink-2">
            {barsText(score, proposal.from, proposal.to)}
            {proposal.upbeatQuarters === '0' ? '' : ' with its upbeat'}
          </span>
          <span className="block text-ink-2">{proposal.reasons.join('; ')}</span>
        </span>
        <span className="figure text-ink-2">{secondsText(score, proposal.from, proposal.to)}</span>
      </button>
      {chosen ? (
        <div className="flex gap-1 pb-2 pl-12">
          <Button shortcut="a" onClick={onAccept}>
            Accept
          </Button>
          <Button look="quiet" shortcut="x" onClick={onRefuse}>
            Refuse
          </Button>
        </div>
      ) : null}
    </li>
  );
}

/** A section of the teacher's, with everything that can be done to it while it is the chosen one. */
export function SectionRow({
  placed,
  score,
  all,
  chosen,
  actions,
  onChoose,
  onCompare,
}: {
  readonly placed: PlacedSection;
  readonly score: Score;
  readonly all: readonly PlacedSection[];
  readonly chosen: boolean;
  readonly actions: SectionActions;
  readonly onChoose: () => void;
  readonly onCompare: (other: PlacedSection) => void;
}): ReactNode {
  const { section } = placed;
  const like = all.find((p) => p.section.id === section.likeId) ?? null;
  const inside = all.find((p) => p.section.id === section.parentId) ?? null;
  const others = all.filter((p) => p.section.id !== section.id);
  const pick = (
    label: string,
    value: string,
    choices: readonly (readonly [string, string])[],
    onPick: (v: string) => void,
  ): ReactNode => <PickOne label={label} value={value} choices={choices} onPick={onPick} stacked />;
  return (
    <li
      className={`border-t border-rule ${chosen ? 'border-l-4 border-l-acorn bg-acorn-wash pl-2' : 'pl-3'} ${inside ? 'ml-4' : ''}`}
    >
      <button
        type="button"
        aria-pressed={chosen}
        className="flex min-h-14 w-full items-center gap-3 py-1.5 pr-2 text-left"
        onClick={onChoose}
      >
        <Letter>{section.letter || '·'}</Letter>
        <span className="flex-1">
          <span className="font-semibold">{section.name || `bars ${barsText(score, placed.from, placed.to)}`}</span>{' '}
          <span className="figure text-ink-2">{barsText(score, placed.from, placed.to)}</span>
          <span className="block text-ink-2">
            {[
              section.fromOffset === '0' ? '' : `from bar ${startInWords(score, placed)}`,
              like ? `like ${like.section.letter}` : '',
              section.hand === 'all' ? '' : `${section.hand} hand`,
            ]
              .filter(Boolean)
              .join('; ')}
          </span>
        </span>
        <span className="figure text-ink-2">{secondsText(score, placed.from, placed.to)}</span>
      </button>
      {chosen ? (
        <div className="grid gap-2 pb-3 pr-2">
          <div className="flex gap-2">
            <label className="w-20 text-sm text-ink-2">
              Letter
              <KeptField
                draftKey={`letter ${section.id}`}
                className="field w-full text-base text-ink"
                value={section.letter}
                maxLength={8}
                onKeep={(letter, stored) => actions.edit(placed, { letter }, stored)}
              />
            </label>
            <label className="flex-1 text-sm text-ink-2">
              Name
              <KeptField
                draftKey={`name ${section.id}`}
                className="field w-full text-base text-ink"
                value={section.name}
                maxLength={120}
                onKeep={(name, stored) => actions.edit(placed, { name }, stored)}
              />
            </label>
          </div>
          <div className="grid grid-cols-3 gap-2">
            {pick(
              'Like',
              section.likeId ?? '',
              [
                ['', 'nothing'],
                ...others.map((p) => [p.section.id, `${p.section.letter} ${p.section.name}`.trim()] as const),
              ],
              (v) => actions.edit(placed, { likeId: v === '' ? null : v }),
            )}
            {pick(
              'Inside',
              section.parentId ?? '',
              [
                ['', 'the piece'],
                ...others
                  .filter((p) => p.section.parentId === null)
                  .map((p) => [p.section.id, p.section.letter] as const),
              ],
              (v) => actions.edit(placed, { parentId: v === '' ? null : v }),
            )}
            {pick(
              'Hand',
              section.hand,
              [
                ['all', 'all'],
                ['right', 'right'],
                ['left', 'left'],
              ],
              (v) => {
                const hand: Section['hand'] = v === 'right' || v === 'left' ? v : 'all';
                actions.edit(placed, { hand });
              },
            )}
          </div>
          <div className="grid grid-cols-2 gap-1">
            <Button onClick={() => actions.move(-1, 0)} shortcut="[" aria-label="Begin one bar earlier">
              ◂ start
            </Button>
            <Button onClick={() => actions.move(1, 0)} shortcut="]" aria-label="Begin one bar later">
              start ▸
            </Button>
            <Button onClick={() => actions.move(0, -1)} shortcut="{" aria-label="End one bar earlier">
              ◂ end
            </Button>
            <Button onClick={() => actions.move(0, 1)} shortcut="}" aria-label="End one bar later">
              end ▸
            </Button>
            <Button onClick={() => actions.endByBeat(-1)} shortcut="," aria-label="End one beat earlier">
              ◂ end, a beat
            </Button>
            <Button onClick={() => actions.endByBeat(1)} shortcut="." aria-label="End one beat later">
              end, a beat ▸
            </Button>
            <Button onClick={() => actions.split()} shortcut="s">
              Split
            </Button>
            <Button onClick={() => actions.join()} shortcut="j">
              Join next
            </Button>
            {like ? (
              <>
                <Button onClick={() => onCompare(like)} shortcut="c">
                  Beside {like.section.letter}
                </Button>
                <Button onClick={() => actions.carryMarks(like, placed)}>Carry its marks</Button>
              </>
            ) : null}
            <Button onClick={() => actions.remove()} shortcut="del">
              Remove
            </Button>
          </div>
        </div>
      ) : null}
    </li>
  );
}
