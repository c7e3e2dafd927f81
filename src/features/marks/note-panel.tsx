'use client';

import type { ReactNode, RefObject } from 'react';
import { dayOf, shortDay, type FingeringEvent, type Zone } from '@/core/studio';
import type { FingeredNote } from '@/core/fingering';
import { LEVELS } from '@/core/dynamics';
import type { RealisedOrnament } from '@/core/ornaments';
import { pitchName, spellMidi, type Note, type Score } from '@/core/score';
import { Button, Panel } from '@/ui';
import { KeptField } from '@/features/drafts';
import type { MicroSign } from './mark-actions';
import type { Suggestion } from './suggestions';

const MICRO: readonly (readonly [MicroSign, string])[] = [
  ['+', 'a little more'],
  ['−', 'a little less'],
  ['→', 'go on'],
  ['←', 'hold back'],
];

interface Props {
  readonly note: Note | null;
  readonly score: Score;
  readonly finger: { readonly text: string; readonly source: string } | null;
  readonly proposal: FingeredNote | null;
  readonly wind: boolean;
  readonly digits: readonly string[];
  readonly history: readonly FingeringEvent[];
  readonly dynamic: string;
  readonly cue: string;
  readonly word: string;
  readonly ornament: RealisedOrnament | null;
  readonly ornamentStyle: string;
  readonly suggestions: readonly Suggestion[];
  /** How many notes are chosen. */
  readonly stretch: number;
  readonly micro: MicroSign | null;
  readonly onMicro: (sign: MicroSign) => void;
  readonly onAcceptAll: () => void;
  /** Sentences the teacher says often. */
  readonly ownCues: readonly string[];
  readonly cueInput: RefObject<HTMLInputElement | null>;
  readonly dynamicInput: RefObject<HTMLSelectElement | null>;
  readonly tie: string | null;
  readonly phrase: string;
  readonly phraseToo: string;
  readonly onPhrase: (sign: string, second: boolean) => void;
  readonly forStudent: { readonly name: string; readonly on: boolean; readonly set: (on: boolean) => void } | null;
  readonly ornamentStaff: ReactNode;
  readonly onOtherHand: (() => void) | null;
  readonly onFinger: (finger: string) => void;
  readonly onClearFinger: () => void;
  readonly onRefuseFinger: () => void;
  readonly onDynamic: (level: string) => void;
  readonly onCue: (text: string, stored: () => void) => void;
  readonly onWord: (text: string, stored: () => void) => void;
  /** What is typed and not kept yet is kept under these. */
  readonly cueKey: string;
  readonly wordKey: string;
  readonly zone: Zone;
  readonly onOrnamentStyle: (style: 'early' | 'late' | 'measured') => void;
  readonly onPlayOrnament: () => void;
  readonly onAccept: (s: Suggestion) => void;
  readonly onRefuse: (s: Suggestion) => void;
}

/**
 * Everything about the note in hand: its finger and why, what else could be, dynamic, cue, word, ornament, and what is
 * suggested.
 */
export function NotePanel(props: Props): ReactNode {
  const { note, score, finger, proposal } = props;
  if (!note)
    return (
      <Panel title="No note chosen">
        <p className="text-lg text-ink-2">
          Click a note, or press the right arrow. Then a digit sets its finger; Enter takes the proposed ones to the end
          of the section.
        </p>
      </Panel>
    );
  const name = note.pitch ? pitchName(note.pitch) : 'note';
  const bar = score.bars[note.bar]?.number ?? '';
  return (
    <Panel
      title={`Note ${name}, bar ${bar}`}
      aside={props.stretch > 1 ? <span className="text-ink-2">{props.stretch} notes chosen</span> : null}
    >
      <div className="grid gap-4">
        <div>
          <div className="flex items-baseline justify-between gap-2">
            <h3>Finger</h3>
            <span
              className={`figure text-2xl font-bold ${finger?.source === 'suggested' ? 'rounded border border-dashed border-ink-3 px-2 text-ink-2' : finger?.source === 'printed' ? 'text-ink' : 'text-plum'}`}
            >
              {finger?.text ?? '–'}
            </span>
          </div>
          <p className="text-ink-2">
            {finger?.source === 'suggested'
              ? 'proposed'
              : finger?.source === 'printed'
                ? 'printed in the file'
                : finger
                  ? 'yours'
                  : 'none yet'}
            {proposal && finger?.source === 'suggested' ? `: ${proposal.why}` : ''}
            {proposal && (proposal.string !== undefined || proposal.position)
              ? `; string ${proposal.string ?? ''}${proposal.fret === undefined ? '' : `, fret ${proposal.fret}`}${proposal.position ? `, ${proposal.position}` : ''}`
              : ''}
          </p>
          {props.wind ? (
            <div className="mt-2 flex flex-wrap gap-1">
              {[...(proposal ? [proposal.keys ?? ''] : []), ...(proposal?.alternates ?? [])]
                .filter(Boolean)
                .map((keys) => (
                  <Button
                    key={keys}
                    className="figure"
                    aria-pressed={finger?.text === keys}
                    onClick={() => props.onFinger(keys)}
                  >
                    {keys}
                  </Button>
                ))}
            </div>
          ) : (
            <div className="mt-2 flex flex-wrap gap-1">
              {props.digits.map((digit) => (
                <Button
                  key={digit}
                  className="figure min-w-11"
                  aria-pressed={finger?.text === digit}
                  onClick={() => props.onFinger(digit)}
                >
                  {digit}
                </Button>
              ))}
            </div>
          )}
          {props.wind ? null : (
            <label className="mt-1 flex items-center gap-2 text-ink-2">
              or, for a change on the key
              <input
                key={`other ${note.id} ${finger?.text ?? ''}`}
                className="field figure w-20 text-ink"
                placeholder="4-1"
                maxLength={8}
                onBlur={(e) => /^[0-5]-[0-5]$/.test(e.target.value.trim()) && props.onFinger(e.target.value.trim())}
                onKeyDown={(e) => {
                  if (e.key === 'Enter') e.currentTarget.blur();
                }}
              />
            </label>
          )}
          <div className="mt-1 flex gap-1">
            {finger?.source === 'teacher' ? (
              <Button look="quiet" shortcut="⌫" onClick={props.onClearFinger}>
                Unlock
              </Button>
            ) : null}
            {props.onOtherHand ? (
              <Button look="quiet" onClick={props.onOtherHand}>
                {proposal?.hand === 'left' ? 'Give to the right' : 'Give to the left'}
              </Button>
            ) : null}
            {finger?.source === 'suggested' ? (
              <Button look="quiet" shortcut="x" onClick={props.onRefuseFinger}>
                Not this one
              </Button>
            ) : null}
          </div>
          {props.history.length > 0 ? (
            <ul className="mt-1 text-warn">
              {props.history.map((e) => (
                <li key={e.id}>
                  {shortDay(dayOf(e.at, props.zone))}: {e.before ?? 'none'} → {e.after ?? 'none'}, after practice had
                  begun
                </li>
              ))}
            </ul>
          ) : null}
        </div>
        {props.suggestions.length > 0 ? (
          <div>
            <div className="flex items-baseline justify-between gap-2">
              <h3>Suggested here</h3>
              {props.suggestions.length > 1 ? (
                <Button look="quiet" shortcut="a" onClick={props.onAcceptAll}>
                  Accept these {props.suggestions.length}
                </Button>
              ) : null}
            </div>
            <ul className="grid gap-1">
              {props.suggestions.map((s) => (
                <li key={s.key} className="border-t border-rule pt-1 first:border-0">
                  <p>
                    <span className="mr-2 inline-block min-w-8 rounded border border-dashed border-ink-3 px-2 text-center font-semibold text-ink-2">
                      {s.text}
                    </span>
                    <span className="text-ink-2">{s.reason}</span>
                  </p>
                  <span className="mt-1 flex gap-1">
                    <Button onClick={() => props.onAccept(s)} aria-label={`Accept ${s.text}: ${s.reason}`}>
                      Accept
                    </Button>
                    <Button look="quiet" onClick={() => props.onRefuse(s)} aria-label={`Refuse ${s.text}: ${s.reason}`}>
                      Refuse
                    </Button>
                  </span>
                </li>
              ))}
            </ul>
          </div>
        ) : null}
        <label>
          <h3>Dynamic here</h3>
          <select
            ref={props.dynamicInput}
            className="field mt-1 w-full"
            value={props.dynamic}
            onChange={(e) => props.onDynamic(e.target.value)}
          >
            <option value="">none of yours</option>
            {LEVELS.map((level) => (
              <option key={level} value={level}>
                {level}
              </option>
            ))}
          </select>
        </label>
        <div className="flex flex-wrap gap-1" role="group" aria-label="Own signs">
          {MICRO.map(([sign, says]) => (
            <Button
              key={sign}
              className="min-w-11"
              aria-label={says}
              title={says}
              aria-pressed={props.micro === sign}
              onClick={() => props.onMicro(sign)}
            >
              {sign}
            </Button>
          ))}
        </div>
        <label>
          <h3>Cue</h3>
          <KeptField
            key={props.cueKey}
            draftKey={props.cueKey}
            inputRef={props.cueInput}
            className="field mt-1 w-full bg-plum-wash font-semibold text-plum"
            value={props.cue}
            maxLength={500}
            placeholder="say it again next week"
            list="own-cues"
            onKeep={props.onCue}
          />
        </label>
        <datalist id="own-cues">
          {props.ownCues.map((c) => (
            <option key={c} value={c} />
          ))}
        </datalist>
        {props.forStudent ? (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-leaf"
              checked={props.forStudent.on}
              onChange={(e) => props.forStudent?.set(e.target.checked)}
            />
            cue only for {props.forStudent.name}
          </label>
        ) : null}
        {props.tie ? <p className="text-ink-2">{props.tie}</p> : null}
        <div className="flex gap-2">
          {([false, true] as const).map((second) => (
            <label key={String(second)} className="flex-1">
              <span className={second ? 'text-ink-2' : 'font-semibold'}>
                {second ? 'or, read otherwise' : 'A phrase ends'}
              </span>
              <select
                className="field mt-1 w-full"
                value={second ? props.phraseToo : props.phrase}
                onChange={(e) => props.onPhrase(e.target.value, second)}
              >
                <option value="">no</option>
                <option value=",">, goes on</option>
                <option value=".">. closes</option>
                <option value="?">? asks</option>
                <option value="!">! calls</option>
              </select>
            </label>
          ))}
        </div>
        <label>
          <h3>Own word here</h3>
          <KeptField
            key={props.wordKey}
            draftKey={props.wordKey}
            className="field mt-1 w-full"
            value={props.word}
            maxLength={200}
            placeholder="one syllable a note, split by hyphens"
            onKeep={props.onWord}
          />
        </label>
        {props.ornament ? (
          <div>
            <h3>{props.ornament.kind.replace(/-/g, ' ')}</h3>
            {props.ornamentStaff}
            <p className="figure">
              {props.ornament.notes
                .map((n) => pitchName(spellMidi(n.midi, score.bars[note.bar]?.key.fifths ?? 0)).replace(/-?\d+$/, ''))
                .join(' ')}
            </p>
            <p className="text-ink-2">
              {props.ornament.notesPerSecond.toFixed(1)} notes a second
              {props.ornament.tooFast ? ': too fast at this tempo for most hands; take measured or a slower tempo' : ''}
            </p>
            <div className="mt-1 flex flex-wrap gap-1">
              {(['early', 'late', 'measured'] as const).map((style) => (
                <Button
                  key={style}
                  aria-pressed={props.ornamentStyle === style}
                  className={props.ornamentStyle === style ? 'bg-leaf-wash' : ''}
                  onClick={() => props.onOrnamentStyle(style)}
                >
                  {style}
                </Button>
              ))}
              <Button onClick={props.onPlayOrnament}>Hear it</Button>
            </div>
          </div>
        ) : null}
      </div>
    </Panel>
  );
}
