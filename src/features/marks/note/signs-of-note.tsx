import type { ReactNode, RefObject } from 'react';
import { LEVELS } from '@/core/dynamics';
import { Button } from '@/ui';
import type { MicroSign } from '../actions';
import type { OfNote } from './of-note';

const MICRO: readonly (readonly [MicroSign, string])[] = [
  ['+', 'a little more'],
  ['−', 'a little less'],
  ['→', 'go on'],
  ['←', 'hold back'],
];
/** Name of the second reading of a phrase end. */
const SECOND = 'second';

/** Whether a phrase ends at the note, in one reading or another. */
function PhraseEnds({ model, actions, note }: OfNote): ReactNode {
  const signOf = (reading: string | undefined): string =>
    model.marks.flatMap((m) =>
      m.kind === 'phrase' && m.noteId === note.id && m.reading === reading ? [m.sign] : [],
    )[0] ?? '';
  return (
    <div className="flex gap-2">
      {([undefined, SECOND] as const).map((reading) => (
        <label key={reading ?? 'first'} className="flex-1">
          <span className={reading === undefined ? 'font-semibold' : 'text-ink-2'}>
            {reading === undefined ? 'A phrase ends' : 'or, read otherwise'}
          </span>
          <select
            className="field mt-1 w-full"
            value={signOf(reading)}
            onChange={(e) => actions.setPhrase(e.target.value, reading)}
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
  );
}

/** The dynamic, the own signs and the phrase end at the note in hand. */
export function SignsOfNote({
  model,
  actions,
  note,
  dynamicInput,
  tied,
}: OfNote & {
  readonly dynamicInput: RefObject<HTMLSelectElement | null>;
  readonly tied: string | null;
}): ReactNode {
  const micro = model.marks.find((m) => m.kind === 'micro' && m.noteId === note.id);
  return (
    <>
      <label>
        <h3>Dynamic here</h3>
        <select
          ref={dynamicInput}
          className="field mt-1 w-full"
          value={model.dynamics.find((d) => d.noteId === note.id)?.level ?? ''}
          onChange={(e) => actions.setDynamic(e.target.value)}
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
            aria-pressed={micro?.kind === 'micro' && micro.sign === sign}
            onClick={() => actions.setMicro(sign)}
          >
            {sign}
          </Button>
        ))}
      </div>
      {tied ? <p className="text-ink-2">{tied}</p> : null}
      <PhraseEnds model={model} actions={actions} note={note} />
    </>
  );
}
