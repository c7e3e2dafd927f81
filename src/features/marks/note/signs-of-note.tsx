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

const PEDALS = [
  ['', 'none of yours'],
  ['down', 'down'],
  ['change', 'change'],
  ['up', 'up with its end'],
] as const;
const BOWS = [
  ['', 'none of yours'],
  ['down', 'down; a stretch in turn'],
  ['up', 'up; a stretch in turn'],
] as const;
const BREATHS = [
  ['', 'none of yours'],
  ['breath', 'a breath'],
  ['catch', 'a catch breath'],
] as const;

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

/** What the foot, the bow and the breath do at the note, or over the chosen stretch. */
function TouchOfNote({ model, actions, note }: OfNote): ReactNode {
  const { marks, solver, about } = model;
  const pedal = marks.find((m) => m.kind === 'pedal' && m.noteId === note.id);
  const bow = marks.find((m) => m.kind === 'bow' && m.noteId === note.id);
  const breath = marks.find((m) => m.kind === 'breath' && m.noteId === note.id);
  return (
    <>
      {solver === 'keyboard' ? (
        <Choose
          place="stacked"
          label="Pedal here"
          value={pedal?.kind === 'pedal' ? pedal.sign : ''}
          choices={PEDALS}
          onPick={actions.setPedal}
        />
      ) : null}
      {solver === 'bowed' ? (
        <Choose
          place="stacked"
          label="Bow"
          value={bow?.kind === 'bow' ? bow.direction : ''}
          choices={BOWS}
          onPick={actions.setBow}
        />
      ) : null}
      {about.breathes ? (
        <Choose
          place="stacked"
          label="Breath after it"
          value={breath?.kind === 'breath' ? (breath.catch ? 'catch' : 'breath') : ''}
          choices={BREATHS}
          onPick={actions.setBreath}
        />
      ) : null}
    </>
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
      <TouchOfNote model={model} actions={actions} note={note} />
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
