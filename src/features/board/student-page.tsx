'use client';

import { useMemo, type ReactNode } from 'react';
import { climbOf, currentAssignment, foldLessons, heldEvents, practiceOf, type FoldedStanding } from '@/core/mastery';
import { practiceWeeks } from '@/core/plan';
import { inBeats } from '@/core/score';
import { dayOf, piecesInWork, teachingFor, tempoUnitOf, type Student } from '@/core/studio';
import { changeStudent, type StudentChange } from '@/core/commands';
import { instrumentName } from '@/core/instruments';
import { useEveryPiece, useSectionsOf, useSettings, useStandings, useStudentEvents, useStudio } from '@/store';
import { Button, type ChartLine, Choose, dayWords, Panel, RungMark, TimeChart } from '@/ui';
import { useActs } from '@/features/acts';
import { TeachingChoices } from '@/features/teaching';
import { isSection } from '@/core/way';
import { useWhere } from '@/features/where';
import { LeaveStudio } from './leave-studio';
import { LogPractice } from './log-practice';
import { piecesCell } from './standing-cell';
import { StudentDetails } from './student-details';

const WEEKS = 16;

/** One student through time: who, what is in work, how it climbed, practice against plan, lessons. */
export function StudentPage({ student }: { readonly student: Student }): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const { run } = useActs();
  const every = useEveryPiece();
  const pieces = useMemo(() => every?.filter((p) => p.archived !== true), [every]);
  const settings = useSettings();
  const standings = useStandings({ studentId: student.id });
  const events = useStudentEvents(student.id);
  const all = useMemo(() => [...(standings?.values() ?? [])], [standings]);
  const heardOn = useMemo(() => new Set(all.map((s) => s.pieceId)), [all]);
  const work = useMemo(() => piecesInWork(student, pieces ?? [], heardOn), [student, pieces, heardOn]);
  // What was climbed stays climbed, whether the piece is still in work or archived.
  const climbed = useMemo(
    () => [...work, ...(every ?? []).filter((p) => heardOn.has(p.id) && !work.some((w) => w.id === p.id))],
    [work, every, heardOn],
  );
  const rows = useSectionsOf(useMemo(() => climbed.map((p) => p.id), [climbed]));
  const byPiece = useMemo(() => {
    const map = new Map<string, FoldedStanding[]>();
    const chunks = new Set((rows?.places ?? []).flatMap((p) => (isSection(p) ? [] : [p.id])));
    for (const s of all) {
      // A piece is climbed by its sections; their chunks are inside them.
      if (chunks.has(s.sectionId)) continue;
      const list = map.get(s.pieceId);
      if (list) list.push(s);
      else map.set(s.pieceId, [s]);
    }
    return map;
  }, [all, rows]);
  const now = studio.now();
  const today = studio.today();
  const { zone } = studio;
  const charts = useMemo(() => {
    const climbs = climbed.map((p) => ({
      name: p.title,
      unit: tempoUnitOf(p),
      points: climbOf(
        byPiece.get(p.id) ?? [],
        rows?.sections.filter((s) => s.pieceId === p.id && s.parentId === null).length ?? 0,
        zone,
      ),
    }));
    const heard = climbs.filter((c) => c.points.length > 0);
    const held = heldEvents(events ?? []);
    const weeks = practiceWeeks(
      practiceOf(events ?? []),
      held.flatMap((e) => (e.kind === 'assignment' ? [e] : [])),
      { today, zone, weeks: WEEKS },
    );
    return {
      climb: heard.map((c): ChartLine => ({ name: c.name, points: c.points.map((p) => [p.day, p.level] as const) })),
      tempo: heard
        .map((c): ChartLine => ({
          name: c.name,
          points: c.points.flatMap((p) => (p.tempo === null ? [] : [[p.day, inBeats(p.tempo, c.unit)] as const])),
        }))
        .filter((l) => l.points.length > 0),
      practice: [
        { name: 'practised', points: weeks.map((w) => [w.monday, w.practised] as const) },
        { name: 'planned', points: weeks.map((w) => [w.monday, w.planned] as const) },
      ] satisfies readonly ChartLine[],
      hasPractice: weeks.some((w) => w.practised > 0 || w.planned > 0),
    };
  }, [climbed, byPiece, rows, events, today, zone]);
  const lessons = useMemo(() => foldLessons(events ?? []), [events]);
  const assignment = useMemo(() => currentAssignment(events ?? []), [events]);
  const save = (label: string, change: StudentChange, stored: () => void = () => undefined): void =>
    run(changeStudent, { studentId: student.id, change, label }, { stored });
  const setWork = (ids: readonly string[], label: string): void => save(label, { pieceIds: [...ids] });
  const others = (pieces ?? []).filter((p) => !work.some((w) => w.id === p.id));
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <div className="flex min-w-0 flex-col gap-3">
        <Panel
          title={`${student.name}’s climb`}
          aside={
            <Button look="quiet" onClick={() => where.change({ studentId: null })}>
              All students
            </Button>
          }
        >
          {charts.climb.length > 0 ? (
            <TimeChart label="Average level of each piece" kind="steps" lines={charts.climb} most={5} />
          ) : (
            <p className="text-lg text-ink-2">
              Nothing heard yet. The first level recorded in Lesson begins the climb.
            </p>
          )}
        </Panel>
        <div className="grid grid-cols-[minmax(0,1fr)] gap-3 xl:grid-cols-2">
          <Panel title="Tempo reached">
            {charts.tempo.length > 0 ? (
              <TimeChart label="Fastest tempo of each piece" kind="line" lines={charts.tempo} height={200} />
            ) : (
              <p className="text-ink-2">No tempo taken yet. In Lesson, type it or tap the beat.</p>
            )}
          </Panel>
          <Panel title="Minutes a week">
            {charts.hasPractice ? (
              <TimeChart
                label="Minutes practised and planned, by week"
                kind="bars"
                lines={charts.practice}
                height={200}
              />
            ) : (
              <p className="text-ink-2">No practice logged yet.</p>
            )}
            <LogPractice student={student} pieces={work} sections={rows?.places ?? []} />
          </Panel>
        </div>
        <Panel
          title="Lessons"
          aside={
            <Button look="primary" onClick={() => where.go('lesson', { studentId: student.id })}>
              Go to the lesson
            </Button>
          }
        >
          {lessons.length === 0 ? <p className="text-ink-2">No lesson yet.</p> : null}
          <ul>
            {lessons.slice(0, 8).map((l) => (
              <li key={l.id} className="flex gap-4 border-t border-rule py-1 first:border-0">
                <span className="figure min-w-28">{dayWords(dayOf(l.at, zone))}</span>
                <span className="min-w-24 text-ink-2">{l.missed ? 'missed' : `${l.heard.length} heard`}</span>
                <span className="flex-1">{l.said}</span>
              </li>
            ))}
          </ul>
        </Panel>
      </div>
      <div className="flex min-w-0 flex-col gap-3">
        <Panel title="In work">
          {work.length === 0 && others.length === 0 ? (
            <p className="text-ink-2">No piece is on the shelf that could be taken up.</p>
          ) : null}
          <ul>
            {work.map((p, i) => {
              const cell = piecesCell(
                byPiece.get(p.id) ?? [],
                rows?.sections.filter((s) => s.pieceId === p.id && s.parentId === null).length ?? 0,
                now,
                zone,
              );
              return (
                <li key={p.id} className="flex items-center gap-2 border-t border-rule first:border-0">
                  <button
                    type="button"
                    className="min-h-11 flex-1 text-left font-semibold"
                    translate="no"
                    onClick={() => where.go('lesson', { pieceId: p.id })}
                  >
                    {p.title}
                  </button>
                  <RungMark level={cell?.level ?? 0} due={cell?.due ?? false} />
                  <Button
                    look="quiet"
                    disabled={i === 0}
                    aria-label={`${p.title} earlier`}
                    onClick={() =>
                      setWork(
                        work.flatMap((w, k) => (k === i - 1 ? [p.id] : k === i ? [work[i - 1]?.id ?? p.id] : [w.id])),
                        'order of pieces',
                      )
                    }
                  >
                    ▴
                  </Button>
                  <Button
                    look="quiet"
                    aria-label={`${p.title}: no longer in work`}
                    onClick={() =>
                      setWork(
                        work.filter((w) => w.id !== p.id).map((w) => w.id),
                        `${p.title} out of work`,
                      )
                    }
                  >
                    ×
                  </Button>
                </li>
              );
            })}
          </ul>
          {others.length > 0 ? (
            <div className="mt-2">
              <Choose
                place="stacked"
                label="Take up a piece"
                value=""
                shown="choose one"
                choices={others.map((p) => [p.id, `${p.title} (${instrumentName(p)})`] as const)}
                onPick={(id) => setWork([...work.map((w) => w.id), id], 'piece taken up')}
              />
            </div>
          ) : null}
          {assignment ? (
            <p className="mt-2 text-ink-2">
              Given on {dayWords(dayOf(assignment.at, zone))}: {assignment.items.length}{' '}
              {assignment.items.length === 1 ? 'task' : 'tasks'}
            </p>
          ) : null}
        </Panel>
        <StudentDetails student={student} onSave={save} />
        <Panel title={`How ${student.name} is taught`}>
          <TeachingChoices
            own={student.teaching ?? {}}
            under={teachingFor(settings?.teaching)}
            underName="as the studio"
            onAnswer={(answer) => save(`how ${student.name} is taught`, { answer })}
          />
        </Panel>
        <LeaveStudio student={student} />
      </div>
    </div>
  );
}
