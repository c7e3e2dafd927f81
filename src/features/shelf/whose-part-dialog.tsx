'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState, type FormEvent, type ReactNode } from 'react';
import { instrumentName } from '@/core/instruments';
import { whoByName, type PlayerChoice } from '@/core/players';
import type { Student } from '@/core/studio';
import { useStudents } from '@/store';
import { Button, Choose, InstrumentOptions } from '@/ui';
import type { OpenedFile } from '@/workers';
import { useWhere } from '@/features/where';
import type { AboutFile } from './bring-in';
import { FirstBars } from './first-bars';

const INSTRUMENTS = 'instruments-to-choose';

const nameOfGuess = ({ told, name }: PlayerChoice): string =>
  told.instrument === null ? '' : told.instrument === 'other' ? name : instrumentName({ instrument: told.instrument });

const rangeInWords = ({ rangeText, notes }: PlayerChoice): string =>
  rangeText !== '' ? `${rangeText}, as it sounds` : notes === 0 ? 'no notes' : 'no pitches';

/** The usual part where it says that it is a student's, else one that fits somebody who is taught here. */
function useGuess(players: readonly PlayerChoice[]): PlayerChoice | undefined {
  const taught = new Set((useStudents() ?? []).map((s) => s.instrument));
  const [usual] = players;
  if (usual && whoByName(usual.name) === 'student') return usual;
  const whole = players.filter((p) => p.player.line === undefined && p.notes > 0 && whoByName(p.name) !== 'teacher');
  return whole.find((p) => p.told.instrument !== null && taught.has(p.told.instrument)) ?? usual;
}

function useStudentInHand(): Student | null {
  const { studentId } = useWhere();
  return useStudents()?.find((s) => s.id === studentId) ?? null;
}

/** What it is played on as far as the file or whoever is in hand says it. */
function guessedInstrument(
  chosen: PlayerChoice | undefined,
  student: Student | null,
): { readonly told: string; readonly guessed: string; readonly owner: Student | null } {
  const told = chosen ? nameOfGuess(chosen) : '';
  const owner = chosen?.told.sure === false ? student : null;
  return { told, owner, guessed: owner ? instrumentName({ instrument: owner.instrument }) : told };
}

function PartRow({
  choice,
  opened,
  fileName,
  chosen,
  onChoose,
}: {
  readonly choice: PlayerChoice;
  readonly opened: OpenedFile;
  readonly fileName: string;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}): ReactNode {
  const isLine = choice.player.line !== undefined;
  return (
    <li className={`border-b border-rule py-1 ${chosen ? 'bg-acorn-wash' : ''} ${isLine ? 'pl-8' : ''}`}>
      <label className="flex min-h-11 cursor-pointer flex-wrap items-center gap-x-4 px-2">
        <input type="radio" name="whose-part" className="size-5 accent-leaf" checked={chosen} onChange={onChoose} />
        <span className="min-w-40 text-lg font-semibold">{choice.name}</span>
        <span className="text-ink-2">
          {nameOfGuess(choice) || 'instrument not said'}; {rangeInWords(choice)}
          {choice.restBars > 0 ? `; ${choice.restBars} ${choice.restBars === 1 ? 'bar' : 'bars'} of rest` : ''}
        </span>
      </label>
      {isLine ? null : <FirstBars opened={opened} fileName={fileName} choice={choice} />}
    </li>
  );
}

/** What the part is played on, in the teacher's words. */
function PlayedOn({
  value,
  unsure,
  owner,
  onType,
}: {
  readonly value: string;
  readonly unsure: boolean;
  /** Whose instrument it is taken to be. */
  readonly owner: Student | null;
  readonly onType: (text: string) => void;
}): ReactNode {
  return (
    <>
      <label className="mt-3 flex flex-wrap items-center gap-2">
        <span>Played on</span>
        <input
          className="field min-h-11 min-w-60 flex-1"
          list={INSTRUMENTS}
          value={value}
          placeholder="piano"
          maxLength={60}
          onChange={(e) => onType(e.target.value)}
        />
        {unsure ? (
          <span className="text-ink-2">
            {owner ? `the file does not say it; ${owner.name} plays this` : 'the file does not say it for sure'}
          </span>
        ) : null}
      </label>
      <InstrumentOptions id={INSTRUMENTS} />
    </>
  );
}

/** Asks once, when a file comes in, whose part it is and what it is played on. */
export function WhosePartDialog({
  opened,
  fileName,
  onChosen,
}: {
  readonly opened: OpenedFile;
  readonly fileName: string;
  /** Null where the piece is not to come in. */
  readonly onChosen: (chosen: AboutFile | null) => void;
}): ReactNode {
  const { players } = opened;
  const guess = useGuess(players);
  const student = useStudentInHand();
  const [picked, setPicked] = useState<string | null>(null);
  const [typed, setTyped] = useState<string | null>(null);
  const chosen = players.find((p) => p.key === picked) ?? guess;
  const several = players.length > 1;
  const { told, guessed, owner } = guessedInstrument(chosen, student);
  const instrument = typed ?? guessed;
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (!chosen) return;
    const said = instrument.trim() === '' || instrument === told ? {} : { instrument };
    onChosen({ kind: 'part', whose: { player: chosen, ...said } });
  };
  return (
    <Dialog open onClose={() => onChosen(null)} className="relative z-40">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center p-4">
        <DialogPanel className="panel flex max-h-[92vh] w-full max-w-3xl flex-col p-6">
          <DialogTitle className="mb-1 text-xl font-semibold">
            {several ? 'Whose part is it?' : 'What is it played on?'}
          </DialogTitle>
          <p className="mb-3 text-ink-2">
            {opened.title || fileName}
            {several
              ? '. Fingers, counts, breaths and ladders are made for this part; it can be changed at any time.'
              : ''}
          </p>
          {opened.scores ? (
            <div className="mb-3">
              <Choose
                label="Score in this file"
                value={opened.scores.path}
                choices={opened.scores.paths.map((path) => [path, path] as const)}
                onPick={(path) => onChosen({ kind: 'score', path })}
              />
            </div>
          ) : null}
          <form className="flex min-h-0 flex-col" onSubmit={submit}>
            <ul className="min-h-0 flex-1 overflow-y-auto border-t border-rule" aria-label="Parts">
              {players.map((choice) => (
                <PartRow
                  key={choice.key}
                  choice={choice}
                  opened={opened}
                  fileName={fileName}
                  chosen={choice.key === chosen?.key}
                  onChoose={() => {
                    setPicked(choice.key);
                    setTyped(null);
                  }}
                />
              ))}
            </ul>
            <PlayedOn value={instrument} unsure={chosen?.told.sure === false} owner={owner} onType={setTyped} />
            <div className="mt-4 flex gap-2">
              <Button look="primary" type="submit" big>
                Put it on the shelf
              </Button>
              <Button look="quiet" big onClick={() => onChosen(null)}>
                Cancel
              </Button>
            </div>
          </form>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
