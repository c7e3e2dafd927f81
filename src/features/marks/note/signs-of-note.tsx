import type { ReactNode, RefObject } from 'react';
import { LEVELS } from '@/core/dynamics';
import { Button, Choose } from '@/ui';
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

const PHRASE_ENDS = [
  ['', 'no'],
  [',', ', goes on'],
  ['.', '. closes'],
  ['?', '? asks'],
  ['!', '! calls'],
] as const;

/** Whether a phrase ends at the note, in one reading or another. */
function PhraseEnds({ model, actions, note }: OfNote): ReactNode {
  const signOf = (reading: string | undefined): string =>
    model.marks.flatMap((m) =>
      m.kind === 'phrase' && m.noteId === note.id && m.reading === reading ? [m.sign] : [],
    )[0] ?? '';
  return (
    <div className="flex gap-2">
      {([undefined, SECOND] as const).map((reading) => (
        <div key={reading ?? 'first'} className="min-w-0 flex-1">
          <Choose
            place="stacked"
            label={reading === undefined ? 'A phrase ends' : 'or, read otherwise'}
            value={signOf(reading)}
            choices={PHRASE_ENDS}
            onPick={(sign) => actions.setPhrase(sign, reading)}
          />
        </div>
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
  readonly dynamicInput: RefObject<HTMLButtonElement | null>;
  readonly tied: string | null;
}): ReactNode {
  const micro = model.marks.find((m) => m.kind === 'micro' && m.noteId === note.id);
  return (
    <>
      <Choose
        place="stacked"
        label="Dynamic here"
        buttonRef={dynamicInput}
        value={model.dynamics.find((d) => d.noteId === note.id)?.level ?? ''}
        choices={[['', 'none of yours'], ...LEVELS.map((level) => [level, level] as const)]}
        onPick={(level) => actions.setDynamic(level)}
      />
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
