'use client';

import type { ReactNode, RefObject } from 'react';
import { tieCounts } from '@/core/rhythm';
import { fractionText, pitchName } from '@/core/score';
import { Panel } from '@/ui';
import type { MarksModel } from '../use-marks-model';
import type { OfNote } from './of-note';
import { FingerOfNote } from './finger-of-note';
import { OrnamentOfNote } from './ornament-of-note';
import { SignsOfNote } from './signs-of-note';
import { SuggestedHere } from './suggested-here';
import { WordsOfNote } from './words-of-note';

/** The fields that keys go to. */
export interface NoteInputs {
  readonly cue: RefObject<HTMLInputElement | null>;
  readonly dynamic: RefObject<HTMLButtonElement | null>;
}

/** How long a tied note is held, in words. */
function tiedText({ score, part }: MarksModel, noteId: string): string | null {
  const tie = part ? tieCounts(score, part.id, 1).find((t) => t.noteId === noteId) : undefined;
  return tie ? `tied for ${fractionText(tie.beats)} beats, off on ${fractionText(tie.offOn)}` : null;
}

/**
 * Everything about the note in hand: its finger and why, what else could be, dynamic, cue, word, ornament, and what is
 * suggested.
 */
export function NotePanel({
  model,
  actions,
  inputs,
}: Pick<OfNote, 'model' | 'actions'> & { readonly inputs: NoteInputs }): ReactNode {
  const { note, score, solver, stretch } = model;
  if (!note)
    return (
      <Panel title="No note chosen">
        <p className="text-lg text-ink-2">
          {solver === null
            ? 'Click a note, or press the right arrow. Then c writes a cue, d a dynamic, and a takes what is suggested there.'
            : 'Click a note, or press the right arrow. Then a digit sets its finger; Enter takes the proposed ones to the end of the section.'}
        </p>
      </Panel>
    );
  const tied = tiedText(model, note.id);
  return (
    <Panel
      title={`Note ${note.pitch ? pitchName(note.pitch) : 'note'}, bar ${score.bars[note.bar]?.name ?? ''}`}
      aside={stretch.length > 1 ? <span className="text-ink-2">{stretch.length} notes chosen</span> : null}
    >
      <div className="grid gap-4">
        {solver === null ? null : <FingerOfNote model={model} actions={actions} note={note} />}
        <SuggestedHere here={model.here} actions={actions} />
        <SignsOfNote model={model} actions={actions} note={note} dynamicInput={inputs.dynamic} tied={tied} />
        <WordsOfNote model={model} actions={actions} note={note} cueInput={inputs.cue} />
        <OrnamentOfNote model={model} actions={actions} note={note} />
      </div>
    </Panel>
  );
}
