'use client';

import { useRef, useState, type FormEvent, type KeyboardEvent, type ReactNode } from 'react';
import { isLevel, LEVEL_NAMES, standingKey } from '@/core/mastery';
import { barsText } from '@/core/sections';
import type { Level, Student } from '@/core/studio';
import { eventAdded, rowChange, useRecords, useStudents, useStudio } from '@/store';
import { Button, EmptyState, Panel, RungMark } from '@/ui';
import { PieceStage, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';

function AddStudent({ students }: { readonly students: readonly Student[] }): ReactNode {
  const studio = useStudio();
  const [name, setName] = useState('');
  const [instrument, setInstrument] = useState('piano');
  const add = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    if (name.trim() === '') return;
    const student: Student = {
      id: studio.newId(),
      name: name.trim(),
      instrument: instrument.trim() || 'piano',
      age: '',
      handSpanInSemitones: null,
      breathSpanInSeconds: null,
      minutesPerDay: [20, 20, 20, 20, 20, 0, 0],
      order: Math.max(0, ...students.map((s) => s.order)) + 1,
      updatedAt: studio.now(),
    };
    await studio.commit(`${student.name} added`, [rowChange('students', null, student)]);
    setName('');
  };
  return (
    <form className="flex flex-wrap items-end gap-2" onSubmit={(e) => void add(e)}>
      <label>
        <span className="block text-sm text-ink-2">First name or initials</span>
        <input className="field w-52" value={name} maxLength={60} onChange={(e) => setName(e.target.value)} />
      </label>
      <label>
        <span className="block text-sm text-ink-2">Instrument</span>
        <input className="field w-40" value={instrument} maxLength={60} onChange={(e) => setInstrument(e.target.value)} />
      </label>
      <Button look="primary" type="submit" disabled={name.trim() === ''}>
        Add a student
      </Button>
    </form>
  );
}

function Grid({ piece, score, sections, students }: PieceContext & { readonly students: readonly Student[] }): ReactNode {
  const studio = useStudio();
  const where = useWhere();
  const records = useRecords();
  const table = useRef<HTMLTableElement | null>(null);
  const [focus, setFocus] = useState<readonly [number, number]>([0, 0]);
  const setLevel = (student: Student, sectionId: string, letter: string, level: Level): Promise<void> =>
    studio.commit(`${student.name}, ${letter}: level ${level}`, [
      eventAdded({
        id: studio.newId(),
        at: studio.now(),
        kind: 'level',
        studentId: student.id,
        pieceId: piece.id,
        sectionId,
        level,
        proposed: null,
        tempo: null,
        note: '',
      }),
    ]);
  const onKeyDown = (event: KeyboardEvent, row: number, column: number): void => {
    const student = students[row];
    const section = sections[column]?.section;
    if (!student || !section) return;
    const n = Number(event.key);
    if (/^[0-5]$/.test(event.key) && isLevel(n) && !event.ctrlKey && !event.metaKey && !event.altKey) {
      void setLevel(student, section.id, section.letter, n);
      return;
    }
    const moves: Record<string, readonly [number, number]> = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] };
    const move = moves[event.key];
    if (!move) return;
    event.preventDefault();
    const next: readonly [number, number] = [
      Math.max(0, Math.min(students.length - 1, row + move[0])),
      Math.max(0, Math.min(sections.length - 1, column + move[1])),
    ];
    setFocus(next);
    table.current?.querySelector<HTMLElement>(`[data-cell="${next[0]}-${next[1]}"]`)?.focus();
  };
  return (
    <div className="overflow-x-auto">
      <table ref={table} className="w-full border-collapse text-left" aria-label="Levels of students by sections">
        <thead>
          <tr>
            <th className="px-3 py-2 align-bottom">Student</th>
            {sections.map((p) => (
              <th key={p.section.id} className="px-3 py-2 align-bottom" scope="col">
                <span className="block text-xl">{p.section.letter}</span>
                <span className="figure block text-sm font-normal text-ink-2">{barsText(score, p.from, p.to)}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {students.map((student, row) => (
            <tr key={student.id} className="border-t border-rule bg-sheet">
              <th scope="row" className="px-3 py-1 font-normal">
                <button type="button" className="min-h-11 text-left" onClick={() => where.go('lesson', { studentId: student.id })}>
                  <span className="block text-lg font-semibold">{student.name}</span>
                  <span className="block text-sm text-ink-2">{[student.instrument, student.age].filter(Boolean).join(', ')}</span>
                </button>
              </th>
              {sections.map((p, column) => {
                const there = records?.standings.get(standingKey(student.id, p.section.id));
                const says = there
                  ? `level ${there.level}, ${LEVEL_NAMES[there.level]}, ${there.at.slice(0, 10)}${there.note ? `: ${there.note}` : ''}`
                  : 'not heard yet';
                return (
                  <td key={p.section.id} className="border-l border-rule p-0">
                    <button
                      type="button"
                      data-cell={`${row}-${column}`}
                      tabIndex={focus[0] === row && focus[1] === column ? 0 : -1}
                      title={says}
                      aria-label={`${student.name}, section ${p.section.letter}: ${says}`}
                      className="flex min-h-14 w-full items-center px-3"
                      onFocus={() => setFocus([row, column])}
                      onKeyDown={(e) => onKeyDown(e, row, column)}
                      onClick={() => where.go('lesson', { studentId: student.id, sectionId: p.section.id, bars: [p.from, p.to] })}
                    >
                      <RungMark level={there?.level ?? 0} overruled={there?.overruled ?? false} />
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** All students at once, by the sections of the chosen piece. */
export function BoardScreen(): ReactNode {
  const where = useWhere();
  const students = useStudents();
  if (!students) return null;
  return (
    <div className="flex flex-col gap-3">
      <Panel label="Students">
        <AddStudent students={students} />
        <p className="mt-2 text-sm text-ink-2">
          Everything stays in this browser until you export it. A first name or initials are enough; local rules on children’s data are yours to follow.
        </p>
      </Panel>
      {students.length === 0 ? (
        <EmptyState title="No students yet">
          <p>Add the first one above; then set levels here or in Lesson.</p>
        </EmptyState>
      ) : where.pieceId === null ? (
        <EmptyState title="Choose a piece">
          <p>The board shows every student by the sections of one piece. Choose it at the top.</p>
        </EmptyState>
      ) : (
        <PieceStage heading="Board" strip="compact">
          {(context) =>
            context.sections.length === 0 ? (
              <EmptyState title="This piece has no sections yet">
                <Button look="primary" onClick={() => where.go('sections')}>
                  Make sections
                </Button>
              </EmptyState>
            ) : (
              <Panel label="Board">
                <Grid {...context} students={students} />
              </Panel>
            )
          }
        </PieceStage>
      )}
    </div>
  );
}
