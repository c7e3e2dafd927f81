'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState, type ReactNode } from 'react';
import { addExercise } from '@/core/commands';
import {
  EXERCISE_FIGURES,
  exerciseKey,
  exerciseName,
  MOST_OCTAVES,
  octavesOn,
  type Exercise,
  type ExerciseFigure,
} from '@/core/exercise';
import { INSTRUMENT_IDS, instrumentOf, type InstrumentId } from '@/core/instruments';
import { teachingFor, type Student } from '@/core/studio';
import { useSettings, useStudents } from '@/store';
import { Button, Choose } from '@/ui';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';

const FIGURES: Readonly<Record<ExerciseFigure, string>> = {
  'five-notes': 'five notes',
  scale: 'scale',
  arpeggio: 'arpeggio',
  thirds: 'broken thirds',
};
/** In the order of a circle of fifths, from C both ways. */
const TONICS = [
  'C',
  'G',
  'D',
  'A',
  'E',
  'B',
  'F♯',
  'C♯',
  'F',
  'B♭',
  'E♭',
  'A♭',
  'D♭',
  'G♭',
  'G♯',
  'D♯',
  'A♯',
  'C♭',
] as const;
const ALL_OCTAVES = Array.from({ length: MOST_OCTAVES }, (_, i) => i + 1);

const isOneOf = <T extends string>(all: readonly T[], text: string): T | undefined => all.find((x) => x === text);

/** What is chosen: for whom, on what, and which exercise. */
function useChoice(students: readonly Student[]) {
  const [studentId, setStudentId] = useState('');
  const [instrument, setInstrument] = useState<InstrumentId>('piano');
  const [wanted, setWanted] = useState<Exercise>({ figure: 'scale', tonic: 'C', mode: 'major', octaves: 1 });
  const student = students.find((s) => s.id === studentId) ?? null;
  const on = student?.instrument ?? instrument;
  const exercise = wanted.figure === 'five-notes' ? { ...wanted, octaves: 1 } : wanted;
  const isWritten = exerciseKey(exercise) !== null;
  const trouble = !isWritten
    ? `No key signature holds ${exercise.tonic} ${exercise.mode}.`
    : octavesOn(exercise, on) < exercise.octaves
      ? `The ${instrumentOf(on).name} has not so many notes: fewer octaves.`
      : null;
  return { student, studentId, setStudentId, on, setInstrument, exercise, set: setWanted, trouble };
}

function Choices({
  choice: { student, studentId, setStudentId, on, setInstrument, exercise, set },
  students,
}: {
  readonly choice: ReturnType<typeof useChoice>;
  readonly students: readonly Student[];
}): ReactNode {
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <Choose
        place="stacked"
        label="For"
        value={studentId}
        choices={[['', 'nobody yet'], ...students.map((s) => [s.id, s.name] as const)]}
        onPick={setStudentId}
      />
      {student ? null : (
        <Choose
          place="stacked"
          label="Instrument"
          value={on}
          choices={INSTRUMENT_IDS.filter((id) => id !== 'percussion').map((id) => [id, instrumentOf(id).name] as const)}
          onPick={(id) => setInstrument(isOneOf(INSTRUMENT_IDS, id) ?? 'piano')}
        />
      )}
      <Choose
        place="stacked"
        label="What"
        value={exercise.figure}
        choices={EXERCISE_FIGURES.map((f) => [f, FIGURES[f]] as const)}
        onPick={(f) => set((e) => ({ ...e, figure: isOneOf(EXERCISE_FIGURES, f) ?? e.figure }))}
      />
      <Choose
        place="stacked"
        label="Key, as it is read"
        value={exercise.tonic}
        choices={TONICS.map((t) => [t, t] as const)}
        onPick={(tonic) => set((e) => ({ ...e, tonic }))}
      />
      <Choose
        place="stacked"
        label="Mode"
        value={exercise.mode}
        choices={[
          ['major', 'major'],
          ['minor', 'minor, harmonic'],
        ]}
        onPick={(mode) => set((e) => ({ ...e, mode: mode === 'minor' ? 'minor' : 'major' }))}
      />
      {exercise.figure === 'five-notes' ? null : (
        <Choose
          place="stacked"
          label="Octaves"
          value={String(exercise.octaves)}
          choices={ALL_OCTAVES.map((n) => [String(n), String(n)] as const)}
          onPick={(n) => set((e) => ({ ...e, octaves: Number(n) }))}
        />
      )}
    </div>
  );
}

/** A technique exercise of its own, with its music and its ladder, for a student or for the shelf. */
export function ExerciseDialog({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }): ReactNode {
  const students = useStudents() ?? [];
  const settings = useSettings();
  const where = useWhere();
  const { run } = useActs();
  const choice = useChoice(students);
  const { student, on, exercise, trouble } = choice;
  const add = (): void => {
    if (trouble !== null) return;
    run(
      addExercise,
      {
        exercise,
        instrument: on,
        level: student?.level ?? 'intermediate',
        teaching: teachingFor(undefined, student?.teaching, settings?.teaching),
        studentId: student?.id ?? null,
      },
      {
        stored: ({ made }) => {
          onClose();
          if (made !== undefined) where.go('ladder', { pieceId: made, ...(student ? { studentId: student.id } : {}) });
        },
      },
    );
  };
  return (
    <Dialog open={open} onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel className="panel max-h-full w-full max-w-xl overflow-y-auto p-5">
          <DialogTitle className="mb-1 text-xl font-semibold">An exercise</DialogTitle>
          <p className="mb-4 text-ink-2">
            It has its music, its ladder and its levels, and comes first in every practice. A week begins one by itself,
            from the keys of the pieces in work.
          </p>
          <form
            onSubmit={(e) => {
              e.preventDefault();
              add();
            }}
          >
            <Choices choice={choice} students={students} />
            <p className={`my-4 ${trouble === null ? 'font-semibold' : 'text-warn'}`} role="status">
              {trouble ?? `${exerciseName(exercise)}, ${instrumentOf(on).name}`}
            </p>
            <div className="flex justify-end gap-2">
              <Button onClick={onClose}>Cancel</Button>
              <Button look="primary" type="submit" disabled={trouble !== null}>
                Add the exercise
              </Button>
            </div>
          </form>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
