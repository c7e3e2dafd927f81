'use client';

import type { ReactNode } from 'react';
import { useEveryStudent } from '@/store';
import { EmptyState, Panel } from '@/ui';
import { useWhere } from '@/features/where';
import { AddStudent } from './add-student';
import { PastStudents } from './past-students';
import { PieceBoard } from './piece-board';
import { StudentPage } from './student-page';
import { StudioBoard } from './studio-board';

/**
 * All students at once: by the sections of the chosen piece, or by all pieces; one student through time when one is
 * chosen.
 */
export function BoardScreen(): ReactNode {
  const where = useWhere();
  const every = useEveryStudent();
  if (!every) return null;
  const chosen = every.find((s) => s.id === where.studentId);
  const students = every.filter((s) => s.archived !== true);
  if (chosen)
    return (
      <>
        <h1 className="sr-only">{chosen.name}</h1>
        <StudentPage key={chosen.id} student={chosen} />
      </>
    );
  return (
    <div className="flex flex-col gap-3">
      <h1 className="sr-only">Board</h1>
      {students.length === 0 ? (
        <EmptyState title="No students yet">
          <p>Add the first one; then set levels here or in Lesson. A first name or initials are enough.</p>
        </EmptyState>
      ) : where.pieceId === null ? (
        <StudioBoard students={students} />
      ) : (
        <PieceBoard key={where.pieceId} pieceId={where.pieceId} students={students} />
      )}
      <Panel label="Students">
        <AddStudent />
        <PastStudents archived={every.filter((s) => s.archived === true)} />
        <p className="mt-2 text-sm text-ink-2">
          Everything stays in this browser until you export it; local rules on children’s data are yours to follow.
        </p>
      </Panel>
    </div>
  );
}
