'use client';

import type { ReactNode } from 'react';
import { clockText, playedSeconds, type Score } from '@/core/score';
import { barsText, type PlacedSection, type ProposedSection } from '@/core/sections';
import { Button } from '@/ui';
import { startInWords, type SectionActions } from './section-actions';
import { SectionButtons, SectionFields } from './section-editor';

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

/** Where a section begins less surely than this, that is said. */
const SURE_FROM = 0.85;

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
          <span className="font-semibold">{proposal.name === proposal.letter ? '' : `${proposal.name} `}</span>
          <span className="figure text-ink-2">
            {barsText(score, proposal.from, proposal.to)}
            {proposal.upbeatQuarters === '0' ? '' : ' with its upbeat'}
          </span>
          <span className="block text-ink-2">
            {[...(proposal.certainty < SURE_FROM ? ['unsure'] : []), ...proposal.reasons].join('; ')}
          </span>
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

/** What is particular about a section, in words. */
function particulars(score: Score, placed: PlacedSection, like: PlacedSection | null): string {
  const { fromOffset, hand } = placed.section;
  return [
    fromOffset === '0' ? '' : `from bar ${startInWords(score, placed)}`,
    like ? `like ${like.section.letter}` : '',
    hand === 'all' ? '' : `${hand} hand`,
  ]
    .filter((words) => words !== '')
    .join('; ');
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
  const bars = barsText(score, placed.from, placed.to);
  const isInside = all.some((p) => p.section.id === section.parentId);
  return (
    <li
      className={`border-t border-rule ${chosen ? 'border-l-4 border-l-acorn bg-acorn-wash pl-2' : 'pl-3'} ${isInside ? 'ml-4' : ''}`}
    >
      <button
        type="button"
        aria-pressed={chosen}
        className="flex min-h-14 w-full items-center gap-3 py-1.5 pr-2 text-left"
        onClick={onChoose}
      >
        <Letter>{section.letter || '·'}</Letter>
        <span className="flex-1">
          <span className="font-semibold">{section.name || `bars ${bars}`}</span>{' '}
          <span className="figure text-ink-2">{bars}</span>
          <span className="block text-ink-2">{particulars(score, placed, like)}</span>
        </span>
        <span className="figure text-ink-2">{secondsText(score, placed.from, placed.to)}</span>
      </button>
      {chosen ? (
        <div className="grid gap-2 pb-3 pr-2">
          <SectionFields placed={placed} all={all} actions={actions} />
          <SectionButtons placed={placed} like={like} actions={actions} onCompare={onCompare} />
        </div>
      ) : null}
    </li>
  );
}
