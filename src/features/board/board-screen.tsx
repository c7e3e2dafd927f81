'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { hardSections, standingKey, type FoldedStanding } from '@/core/mastery';
import { tempoUnitOf, type Level, type Section, type Student } from '@/core/studio';
import { recordLevel } from '@/core/commands';
import { instrumentName } from '@/core/instruments';
import { useAllStandings, usePieces, useSectionsOf, useEveryStudent, useStandings, useStudio } from '@/store';
import { Button, Choose, EmptyState, Panel } from '@/ui';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';
import { isSection } from '@/core/way';
import { AddStudent } from './add-student';
import { arrange, type Filter, type Sort } from './arrange-students';
import { NoPiece } from './no-piece';
import { chunksBySection, columnsOf, withChunks } from './board-columns';
import { PastStudents } from './past-students';
import { LevelGrid, type GridCell, type GridColumn, type GridRow } from './level-grid';
import { saveMasteryCsv } from './mastery-csv';
import { piecesCell, standingCell } from './standing-cell';
import { StudentPage } from './student-page';

const inOrder = (sections: readonly Section[]): Section[] =>
  [...sections].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
const aboutOf = (s: Student): string => [instrumentName(s), s.age].filter(Boolean).join(', ');

function Grid({ students }: { readonly students: readonly Student[] }): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const pieces = usePieces();
  const { run, act } = useActs();
  const [sort, setSort] = useState<Sort>('order');
  const [filter, setFilter] = useState<Filter>(where.pieceId === null ? 'all' : 'in-work');
  const ofPiece = useStandings({ pieceId: where.pieceId });
  const all = useAllStandings(where.pieceId === null);
  const ids = useMemo(
    () => (where.pieceId === null ? (pieces ?? []).map((p) => p.id) : [where.pieceId]),
    [where.pieceId, pieces],
  );
  const rows = useSectionsOf(ids);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  /** Cells whose level is on its way into the database: shown as that, not as set. */
  const [storing, setStoring] = useState<ReadonlySet<string>>(new Set());
  const now = studio.now();
  const standings = useMemo(
    () => (where.pieceId === null ? (all ?? []) : [...(ofPiece?.values() ?? [])]),
    [where.pieceId, all, ofPiece],
  );
  // Of who is archived or removed nothing is shown or counted here.
  const shownStandings = useMemo(() => {
    const there = new Set(students.map((s) => s.id));
    return standings.filter((s) => there.has(s.studentId));
  }, [standings, students]);
  const byKey = useMemo(() => new Map(standings.map((s) => [s.key, s])), [standings]);
  const byPiece = useMemo(() => {
    const map = new Map<string, FoldedStanding[]>();
    const chunks = new Set((rows?.places ?? []).flatMap((p) => (isSection(p) ? [] : [p.id])));
    for (const s of standings) {
      // A piece stands where its sections do; their chunks are inside them.
      if (chunks.has(s.sectionId)) continue;
      const key = `${s.studentId} ${s.pieceId}`;
      const list = map.get(key);
      if (list) list.push(s);
      else map.set(key, [s]);
    }
    return map;
  }, [standings, rows]);
  const shown = useMemo(
    () => arrange(students, standings, where.pieceId, sort, filter, now),
    [students, standings, where.pieceId, sort, filter, now],
  );
  if (!rows || !pieces) return null;
  const gridRows: readonly GridRow[] = shown.map((s) => ({ id: s.id, name: s.name, about: aboutOf(s) }));
  const sections = inOrder(rows.sections.filter((s) => s.pieceId === where.pieceId));
  const chunks = chunksBySection(rows.places, rows.ways);
  const columns: readonly GridColumn[] =
    where.pieceId === null
      ? pieces.map((p) => ({ id: p.id, head: p.title, under: instrumentName(p) }))
      : columnsOf(sections, chunks, opened);
  const setLevel = (row: GridRow, column: GridColumn, level: Level): void => {
    const section = rows.places.find((s) => s.id === column.id);
    if (!section) return;
    const key = standingKey(row.id, section.id);
    setStoring((before) => new Set([...before, key]));
    const ended = (): void => setStoring((before) => new Set([...before].filter((k) => k !== key)));
    run(
      recordLevel,
      {
        studentId: row.id,
        sectionId: section.id,
        lessonId: null,
        outside: true,
        level,
        proposed: null,
        tempo: null,
        note: '',
        facets: null,
        errors: [],
        signs: {},
      },
      { stored: ended, refused: ended },
    );
  };
  const unit = tempoUnitOf(pieces.find((p) => p.id === where.pieceId));
  const cellOf = (row: GridRow, column: GridColumn): GridCell => {
    const key = standingKey(row.id, column.id);
    const section = sections.find((s) => s.id === column.id);
    const own = standingCell(byKey.get(key), unit, now, studio.zone);
    const cell = section ? withChunks(own, section, row.id, chunks.get(section.id) ?? [], byKey) : own;
    return storing.has(key) ? { ...cell, storing: true, says: 'storing…' } : cell;
  };
  const hard =
    where.pieceId === null
      ? []
      : hardSections(
          sections.map((s) => ({
            sectionId: s.id,
            levels: new Map(
              students.flatMap((st) => {
                const there = byKey.get(standingKey(st.id, s.id));
                return there && there.level !== null ? [[st.id, there.level] as const] : [];
              }),
            ),
          })),
        ).slice(0, 5);
  return (
    <>
      <Panel label="Board">
        <div className="mb-3 flex flex-wrap items-center gap-3">
          <Choose
            label="Show"
            value={filter}
            choices={[
              ['all', 'everyone'],
              ['in-work', where.pieceId === null ? 'who has begun' : 'who works on it'],
              ['due', 'who has something due'],
              ['at-risk', 'who has something at risk'],
            ]}
            onPick={(v) => setFilter(v === 'in-work' || v === 'due' || v === 'at-risk' ? v : 'all')}
          />
          <Choose
            label="by"
            value={sort}
            choices={[
              ['order', 'my own order'],
              ['name', 'name'],
              ['level', 'level, highest first'],
              ['due', 'most due first'],
            ]}
            onPick={(v) => setSort(v === 'name' || v === 'level' || v === 'due' ? v : 'order')}
          />
          <Button className="ml-auto" onClick={() => where.go('sheet', { studentId: null })}>
            Sheets for home
          </Button>
          <Button
            disabled={shownStandings.length === 0}
            onClick={() => act(() => saveMasteryCsv(shownStandings, students, pieces, rows.places, studio.zone))}
          >
            Save as CSV
          </Button>
        </div>
        {columns.length === 0 ? (
          where.pieceId === null ? (
            <NoPiece students={shown} />
          ) : (
            <p className="text-lg text-ink-2">
              This piece has no sections yet.{' '}
              <button
                type="button"
                className="min-h-11 font-semibold text-leaf underline"
                onClick={() => where.go('sections')}
              >
                Make sections
              </button>
            </p>
          )
        ) : gridRows.length === 0 ? (
          <p className="text-lg text-ink-2">No student is in this list. Show everyone to see them all.</p>
        ) : (
          <LevelGrid
            label={where.pieceId === null ? 'Levels of students by pieces' : 'Levels of students by sections'}
            rows={gridRows}
            columns={columns}
            cell={(row, column) =>
              where.pieceId === null
                ? piecesCell(
                    byPiece.get(`${row.id} ${column.id}`) ?? [],
                    rows.sections.filter((s) => s.pieceId === column.id && s.parentId === null).length,
                    now,
                    studio.zone,
                  )
                : cellOf(row, column)
            }
            cellName={(row, column) =>
              where.pieceId === null
                ? `${row.name}, ${column.head}`
                : `${row.name}, ${column.isChunk ? 'chunk' : 'section'} ${column.head}`
            }
            onRow={(row) => where.change({ studentId: row.id })}
            onOpen={(row, column) =>
              where.pieceId === null
                ? where.go('lesson', { studentId: row.id, pieceId: column.id })
                : where.go('lesson', { studentId: row.id, sectionId: column.id, bars: null })
            }
            onChunks={({ id }) =>
              setOpened((before) => new Set(before.has(id) ? [...before].filter((o) => o !== id) : [...before, id]))
            }
            {...(where.pieceId === null ? {} : { onLevel: setLevel })}
          />
        )}
      </Panel>
      {hard.length > 0 ? (
        <Panel title="Hard for everyone">
          <ol className="grid gap-x-8 gap-y-1 text-lg lg:grid-cols-2">
            {hard.map((h) => {
              const section = sections.find((s) => s.id === h.sectionId);
              return (
                <li key={h.sectionId} className="flex gap-3">
                  <span className="min-w-8 font-semibold">{section?.letter}</span>
                  <span className="flex-1">{section?.name}</span>
                  <span className="text-ink-2">
                    <span className="figure">{h.behind.toFixed(1)}</span> levels behind, {h.students}{' '}
                    {h.students === 1 ? 'student' : 'students'}
                  </span>
                </li>
              );
            })}
          </ol>
        </Panel>
      ) : null}
    </>
  );
}

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
      ) : (
        <Grid key={where.pieceId ?? 'all'} students={students} />
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
