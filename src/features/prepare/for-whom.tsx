import { useState, type ReactNode } from 'react';
import { givePiece } from '@/core/commands';
import { instrumentName } from '@/core/instruments';
import { FULL_FINGERING, type Piece, type Student } from '@/core/studio';
import { useStudents, useStudio } from '@/store';
import { Button, Choose, Panel } from '@/ui';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';
import { useKey } from '@/features/keys';

/** What is said of a student before the piece is given. */
interface Choice {
  readonly ticked: boolean;
  readonly variant: string;
  readonly start: string;
}

const VARIANTS = [FULL_FINGERING, 'simple'] as const;

/** Students of the instrument first. */
const inOrder = (students: readonly Student[], piece: Piece): readonly Student[] =>
  [...students].sort(
    (a, b) =>
      Number(b.instrument === piece.instrument) - Number(a.instrument === piece.instrument) || a.order - b.order,
  );

function Row({
  student,
  choice,
  has,
  onChange,
}: {
  readonly student: Student;
  readonly choice: Choice;
  readonly has: boolean;
  readonly onChange: (change: Partial<Choice>) => void;
}): ReactNode {
  return (
    <li className="border-t border-rule py-1 first:border-0">
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="size-5 accent-leaf"
          checked={choice.ticked}
          onChange={(e) => onChange({ ticked: e.target.checked })}
        />
        <span className="min-w-0 flex-1">
          <span className="font-semibold">{student.name}</span>{' '}
          <span className="text-ink-2">
            {instrumentName(student)}
            {has ? ', has it already' : ''}
          </span>
        </span>
      </label>
      {choice.ticked ? (
        <div className="mb-1 flex flex-wrap gap-3 pl-8">
          <Choose
            label={`Fingering for ${student.name}`}
            value={choice.variant}
            choices={VARIANTS.map((v) => [v, v] as const)}
            onPick={(variant) => onChange({ variant })}
          />
          <label className="flex items-center gap-2">
            From
            <input
              type="date"
              className="field"
              value={choice.start}
              aria-label={`${student.name} begins on`}
              onChange={(e) => e.target.value !== '' && onChange({ start: e.target.value })}
            />
          </label>
        </div>
      ) : null}
    </li>
  );
}

/** For whom the piece is: students with their variant and the day they begin. */
export function ForWhom({ piece }: { readonly piece: Piece }): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const students = useStudents() ?? [];
  const { run } = useActs();
  const [choices, setChoices] = useState<ReadonlyMap<string, Choice>>(new Map());
  const choiceOf = (s: Student): Choice =>
    choices.get(s.id) ?? {
      ticked: s.id === where.studentId,
      variant: s.variants?.[piece.id] ?? FULL_FINGERING,
      start: studio.today(),
    };
  const ticked = students.filter((s) => choiceOf(s).ticked);
  const [first] = ticked;
  const give = (): void => {
    if (!first) return;
    run(
      givePiece,
      {
        pieceId: piece.id,
        to: ticked.map((s) => ({ studentId: s.id, variant: choiceOf(s).variant, start: choiceOf(s).start })),
      },
      { stored: () => where.go('lesson', { studentId: first.id, pieceId: piece.id, view: 'week' }) },
    );
  };
  useKey('prepare.give', give, { inFields: ['input'] });
  return (
    <Panel title="For whom">
      {students.length === 0 ? (
        <>
          <p className="mb-2 text-ink-2">
            No students yet. Add them on the board; a first name or initials are enough.
          </p>
          <Button onClick={() => where.go('board')}>Go to the board</Button>
        </>
      ) : (
        <>
          <ul className="max-h-96 overflow-auto">
            {inOrder(students, piece).map((s) => (
              <Row
                key={s.id}
                student={s}
                choice={choiceOf(s)}
                has={s.pieceIds?.includes(piece.id) ?? false}
                onChange={(change) => setChoices(new Map([...choices, [s.id, { ...choiceOf(s), ...change }]]))}
              />
            ))}
          </ul>
          <Button className="mt-3" shortcut="g" disabled={!first} onClick={give}>
            {first
              ? `Give it to ${ticked.length === 1 ? first.name : `${ticked.length} students`}, on to the first week`
              : 'Tick a student'}
          </Button>
        </>
      )}
    </Panel>
  );
}
