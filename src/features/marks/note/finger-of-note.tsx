import type { ReactNode } from 'react';
import type { FingeredNote } from '@/core/fingering';
import { dayOf } from '@/core/studio';
import { fingerAt } from '@/marked';
import { useStudio } from '@/store';
import { Button, dayWords } from '@/ui';
import { fingerChoices } from '../finger-choices';
import type { OfNote } from './of-note';

type Source = 'printed' | 'editor' | 'teacher' | 'suggested';

const SOURCE_WORDS: Readonly<Record<Source, string>> = {
  printed: 'printed in the file',
  editor: 'yours',
  teacher: 'yours',
  suggested: 'proposed',
};
const LOOKS: Readonly<Record<Source, string>> = {
  printed: 'text-ink',
  editor: 'text-plum',
  teacher: 'text-plum',
  suggested: 'rounded border border-dashed border-ink-3 px-2 text-ink-2',
};
/** Two fingers one after the other on a held key. */
const CHANGE_ON_KEY = /^[0-5]-[0-5]$/;

/** Where a proposed finger lies on strings. */
function placeInWords({ string, fret, position }: FingeredNote): string {
  if (string === undefined && !position) return '';
  return `; string ${string ?? ''}${fret === undefined ? '' : `, fret ${fret}`}${position ? `, ${position}` : ''}`;
}

/** One button for every finger that could be set: digits, or the keys of a wind instrument. */
function FingerButtons({ model, actions, note }: OfNote): ReactNode {
  const { wind, solver, fingers, proposed, refused } = model;
  const proposal = proposed.get(note.id);
  const now = fingerAt(note, fingers, proposed, refused)?.text;
  const choices = fingerChoices(solver, proposal);
  return (
    <div className="mt-2 flex flex-wrap gap-1">
      {choices.map((choice) => (
        <Button
          key={choice}
          className={wind ? 'figure' : 'figure min-w-11'}
          aria-pressed={now === choice}
          onClick={() => actions.setFinger(choice)}
        >
          {choice}
        </Button>
      ))}
    </div>
  );
}

/** Fingers of this note that were changed after practice had begun. */
function ChangedFingers({ model, note }: Pick<OfNote, 'model' | 'note'>): ReactNode {
  const { zone } = useStudio();
  const history = model.changedFingers?.get(note.id) ?? [];
  if (history.length === 0) return null;
  return (
    <ul className="mt-1 text-warn">
      {history.map((e) => (
        <li key={e.id}>
          {dayWords(dayOf(e.at, zone))}: {e.before ?? 'none'} → {e.after ?? 'none'}, after practice had begun
        </li>
      ))}
    </ul>
  );
}

/** The finger of the note in hand: where it comes from and why, what else could be set, and what it was. */
export function FingerOfNote({ model, actions, note }: OfNote): ReactNode {
  const { fingers, proposed, refused, wind, solver } = model;
  const finger = fingerAt(note, fingers, proposed, refused);
  const proposal = proposed.get(note.id) ?? null;
  return (
    <div>
      <div className="flex items-baseline justify-between gap-2">
        <h3>Finger</h3>
        <span className={`figure text-2xl font-bold ${finger ? LOOKS[finger.source] : 'text-plum'}`}>
          {finger?.text ?? '–'}
        </span>
      </div>
      <p className="text-ink-2">
        {finger ? SOURCE_WORDS[finger.source] : 'none yet'}
        {proposal && finger?.source === 'suggested' ? `: ${proposal.why}` : ''}
        {proposal ? placeInWords(proposal) : ''}
        {proposal?.alternatives && finger?.source === 'suggested'
          ? `; nearly as good: ${proposal.alternatives.join(' or ')}`
          : ''}
      </p>
      <FingerButtons model={model} actions={actions} note={note} />
      {wind ? null : (
        <label className="mt-1 flex items-center gap-2 text-ink-2">
          or, for a change on the key
          <input
            key={`other ${note.id} ${finger?.text ?? ''}`}
            className="field figure w-20 text-ink"
            placeholder="4-1"
            maxLength={8}
            onBlur={(e) => CHANGE_ON_KEY.test(e.target.value.trim()) && actions.setFinger(e.target.value.trim())}
            onKeyDown={(e) => {
              if (e.key === 'Enter') e.currentTarget.blur();
            }}
          />
        </label>
      )}
      <div className="mt-1 flex gap-1">
        {finger?.source === 'teacher' ? (
          <Button look="quiet" shortcut="⌫" onClick={() => actions.clearFinger()}>
            Unlock
          </Button>
        ) : null}
        {solver === 'keyboard' ? (
          <Button look="quiet" onClick={() => actions.otherHand()}>
            {proposal?.hand === 'left' ? 'Give to the right' : 'Give to the left'}
          </Button>
        ) : null}
        {finger?.source === 'suggested' ? (
          <Button look="quiet" shortcut="x" onClick={() => actions.refuseFinger()}>
            Not this one
          </Button>
        ) : null}
      </div>
      <ChangedFingers model={model} note={note} />
    </div>
  );
}
