'use client';

import { useState, type ReactNode } from 'react';
import { BESIDES_PLAYING, minutesRange } from '@/core/ladder';
import { barsText } from '@/core/sections';
import type { Score } from '@/core/score';
import type { Aside, Student } from '@/core/studio';
import { isSection, kindOf, type WalkedPlace } from '@/core/way';
import { Button, Choose, Panel, sentence } from '@/ui';
import { KeptField } from '@/features/drafts';
import type { WayActions } from './way-actions';

const ASIDES: readonly (readonly [Aside, string, string])[] = [
  ['later', 'Put off', 'o'],
  ['known', 'Known already', 'k'],
  ['skipped', 'Leave out', 'x'],
];

interface Props {
  readonly score: Score;
  readonly place: WalkedPlace;
  /** The place that follows it in the piece, to be joined with. */
  readonly next: WalkedPlace | null;
  readonly student: Student | null;
  readonly minutes: number | null;
  readonly actions: WayActions;
}

/** Bars as they are typed: `5-8` or `5`, by their printed numbers; null for what cannot be read. */
export function barsTyped(score: Score, text: string): readonly [number, number] | null {
  const [a = '', b = a] = text.trim().split(/\s*[-–]\s*/);
  const at = (name: string): number => score.bars.findIndex((bar) => bar.name === name);
  const [from, to] = [at(a), at(b)];
  return from < 0 || to < from ? null : [from, to];
}

function Ends({ score, place, actions }: Pick<Props, 'score' | 'place' | 'actions'>): ReactNode {
  const [text, setText] = useState(barsText(score, place.from, place.to));
  const bars = barsTyped(score, text);
  const isChanged = bars !== null && (bars[0] !== place.from || bars[1] !== place.to);
  return (
    <label className="flex flex-wrap items-center gap-2">
      Bars
      <input
        className="field figure w-24"
        value={text}
        aria-invalid={bars === null}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && bars && isChanged)
            actions.change({ kind: 'ends', sectionId: place.section.id, from: bars[0], to: bars[1] });
        }}
      />
      {bars === null ? <span className="text-warn">no such bars, write 5-8</span> : null}
      {bars && isChanged ? (
        <Button
          onClick={() => actions.change({ kind: 'ends', sectionId: place.section.id, from: bars[0], to: bars[1] })}
        >
          Move the ends
        </Button>
      ) : null}
    </label>
  );
}

function Name({ place, actions }: Pick<Props, 'place' | 'actions'>): ReactNode {
  const { id, name } = place.section;
  return (
    <label className="flex flex-wrap items-center gap-2">
      Name
      <KeptField
        draftKey={`name of ${id}`}
        className="field w-40"
        value={name}
        maxLength={100}
        accepts={(text) => text.trim() !== ''}
        wants="a name"
        onKeep={(text, stored) => actions.change({ kind: 'name', sectionId: id, name: text }, stored)}
      />
    </label>
  );
}

/** Two chunks of one: in the middle, or before the bar that is chosen. */
function Split({ score, place, actions }: Pick<Props, 'score' | 'place' | 'actions'>): ReactNode {
  const [at, setAt] = useState(Math.ceil((place.from + place.to + 1) / 2));
  const insides = Array.from({ length: place.to - place.from }, (_, i) => place.from + 1 + i);
  const name = (bar: number): string => score.bars[bar]?.name ?? '';
  return (
    <span className="flex items-center gap-2">
      {insides.length > 1 ? (
        <Choose
          label="Cut before bar"
          value={String(at)}
          choices={insides.map((bar) => [String(bar), name(bar)] as const)}
          onPick={(bar) => setAt(Number(bar))}
        />
      ) : null}
      <Button onClick={() => actions.change({ kind: 'split', sectionId: place.section.id, at })}>
        Split before bar {name(at)}
      </Button>
    </span>
  );
}

/** Changes the chunk itself, for everyone. */
function ChangeIt({ score, place, next, actions }: Omit<Props, 'student' | 'minutes'>): ReactNode {
  const [open, setOpen] = useState(false);
  const { id } = place.section;
  if (isSection(place.section)) return <p className="text-ink-2">A section is changed in Sections.</p>;
  if (!open)
    return (
      <Button look="quiet" aria-expanded={false} onClick={() => setOpen(true)}>
        Change this chunk
      </Button>
    );
  return (
    <div className="grid gap-2 border-t border-rule pt-2">
      <Name key={`name ${id} ${place.section.name}`} place={place} actions={actions} />
      {kindOf(place.section) === 'piece' ? null : (
        <Ends key={`ends ${id} ${place.from} ${place.to}`} score={score} place={place} actions={actions} />
      )}
      <div className="flex flex-wrap gap-2">
        {place.to > place.from && kindOf(place.section) !== 'piece' ? (
          <Split key={`split ${id} ${place.from} ${place.to}`} score={score} place={place} actions={actions} />
        ) : null}
        {next ? (
          <Button onClick={() => actions.change({ kind: 'join', sectionId: id, withId: next.section.id })}>
            Join with {next.section.name}
          </Button>
        ) : null}
        <Button onClick={() => actions.change({ kind: 'remove', sectionId: id })}>Take off the way</Button>
      </div>
    </div>
  );
}

/** The chunk in hand: why it is here, how long it takes, and what of it is asked of whom. */
export function PlacePanel({ score, place, next, student, minutes, actions }: Props): ReactNode {
  const [low, high] = minutesRange(minutes ?? 0);
  const { aside } = place;
  return (
    <Panel
      title={place.section.name || place.section.letter}
      label={`${place.section.name || place.section.letter}, on the way`}
    >
      <p className="text-lg">{place.why === '' ? 'On the way.' : sentence(place.why)}</p>
      {minutes === null ? null : (
        <p className="mt-1 text-ink-2" title={`besides the playing: ${Object.keys(BESIDES_PLAYING).join(', ')}`}>
          About {low} to {high} minutes{student ? ` for ${student.name}` : ''}, with failed tries, finding the place and
          beginning again another day.
        </p>
      )}
      {aside ? (
        <p className="mt-2 flex flex-wrap items-center gap-2 font-semibold">
          {aside === 'skipped'
            ? `Not in ${student && place.deviates ? `${student.name}’s way` : 'this way'}.`
            : aside === 'later'
              ? 'Put off.'
              : 'Known already.'}
          <Button
            onClick={() => actions.arrange({ kind: 'aside', sectionId: place.section.id, as: null }, !place.deviates)}
          >
            Back on the way
          </Button>
        </p>
      ) : (
        <div
          className="mt-2 flex flex-wrap gap-2"
          role="group"
          aria-label={student ? `For ${student.name}` : 'For everyone'}
        >
          {ASIDES.map(([as, label, key]) => (
            <Button
              key={as}
              shortcut={key}
              onClick={() => actions.arrange({ kind: 'aside', sectionId: place.section.id, as })}
            >
              {label}
            </Button>
          ))}
        </div>
      )}
      <div className="mt-3">
        <ChangeIt key={place.section.id} score={score} place={place} next={next} actions={actions} />
      </div>
    </Panel>
  );
}
