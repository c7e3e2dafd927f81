'use client';

import { useRef, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { isLevel, LEVEL_HEARD, LEVEL_NAMES, standingKey, type Standing } from '@/core/mastery';
import { barsText } from '@/core/sections';
import type { Level } from '@/core/studio';
import { eventAdded, useLadders, useMarks, useRecords, useStudents, useStudio } from '@/store';
import { Button, EmptyState, Panel, RungMark } from '@/ui';
import { PieceStage, ScoreLines, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';

const LEVELS: readonly Level[] = [0, 1, 2, 3, 4, 5];

function agoText(at: string, now: string): string {
  const days = Math.max(0, Math.floor((Date.parse(now) - Date.parse(at)) / 86_400_000));
  return days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`;
}

function Hearing({ piece, score, sections, section: fromAddress }: PieceContext): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const students = useStudents();
  const records = useRecords();
  const marks = useMarks(piece.id) ?? [];
  const ladders = useLadders(piece.id) ?? [];
  const noteInput = useRef<HTMLInputElement | null>(null);
  const [picked, setPicked] = useState<{ section: string; level: Level } | null>(null);
  const [noteText, setNoteText] = useState('');
  const student = students?.find((s) => s.id === where.studentId) ?? null;
  const section = fromAddress ?? sections[0] ?? null;
  const standing = (sectionId: string): Standing | null => (student && records ? (records.standings.get(standingKey(student.id, sectionId)) ?? null) : null);
  const current = section ? standing(section.section.id) : null;
  const level: Level | null = section && picked?.section === section.section.id ? picked.level : null;

  const chooseSection = (by: number): void => {
    const at = sections.findIndex((p) => p.section.id === section?.section.id);
    const next = sections[Math.max(0, Math.min(sections.length - 1, at + by))];
    if (next) where.change({ sectionId: next.section.id, bars: [next.from, next.to] });
    setNoteText('');
  };
  const pick = (to: Level): void => {
    if (section) setPicked({ section: section.section.id, level: to });
  };
  const record = async (): Promise<void> => {
    if (!section || !student) return;
    const kept = level ?? current?.level ?? 0;
    const said = noteText.trim();
    // On to the next section at once: the next key may come before this record is stored.
    setPicked(null);
    chooseSection(1);
    await studio.commit(`${student.name}, ${section.section.letter}: level ${kept}`, [
      eventAdded({
        id: studio.newId(),
        at: studio.now(),
        kind: 'level',
        studentId: student.id,
        pieceId: piece.id,
        sectionId: section.section.id,
        level: kept,
        proposed: null,
        tempo: null,
        note: said,
      }),
    ]);
  };
  useHotkeys(
    '0, 1, 2, 3, 4, 5',
    (e) => {
      const n = Number(e.key);
      if (isLevel(n)) pick(n);
    },
    { useKey: true },
  );
  useHotkeys('enter', (e) => {
    if ((e.target as Element).tagName !== 'BUTTON') {
      e.preventDefault();
      void record();
    }
  });
  useHotkeys('down', (e) => {
    e.preventDefault();
    chooseSection(1);
  });
  useHotkeys('up', (e) => {
    e.preventDefault();
    chooseSection(-1);
  });
  useHotkeys('t', (e) => {
    e.preventDefault();
    noteInput.current?.focus();
  });

  if (students && !student)
    return (
      <EmptyState title="Who is the lesson with?">
        {students.length === 0 ? (
          <>
            <p>No students yet. Add them on the board; a first name or initials are enough.</p>
            <Button look="primary" big onClick={() => where.go('board')}>
              Go to the board
            </Button>
          </>
        ) : (
          <div className="flex flex-wrap justify-center gap-2">
            {students.map((s) => (
              <Button key={s.id} big onClick={() => where.change({ studentId: s.id })}>
                {s.name}
              </Button>
            ))}
          </div>
        )}
      </EmptyState>
    );
  if (!section)
    return (
      <EmptyState title="Nothing to hear yet">
        <p>Levels are recorded per section. Make the sections of this piece first.</p>
        <Button look="primary" big onClick={() => where.go('sections')}>
          Go to Sections
        </Button>
      </EmptyState>
    );
  const ladder = ladders.find((l) => l.sectionId === section.section.id);
  const climbed = student && records ? (records.rungsDone.get(standingKey(student.id, section.section.id)) ?? new Set<string>()) : new Set<string>();
  const noteIds = new Set(score.notes.filter((n) => n.bar >= section.from && n.bar <= section.to).map((n) => n.id));
  const cues = marks.flatMap((m) => (m.kind === 'cue' && noteIds.has(m.noteId) ? [m.text] : []));
  return (
    <div className="flex flex-col gap-3 text-lg">
      <div className="grid items-start gap-3 lg:grid-cols-[17rem_minmax(0,1fr)_17rem]">
        <Panel title="To hear">
          <ul>
            {sections.map((p) => {
              const there = standing(p.section.id);
              const isCurrent = p.section.id === section.section.id;
              return (
                <li key={p.section.id} className="border-t border-rule">
                  <button
                    type="button"
                    aria-pressed={isCurrent}
                    className={`flex min-h-14 w-full items-center gap-3 border-l-4 px-2 text-left ${isCurrent ? 'border-l-acorn bg-acorn-wash' : 'border-l-transparent'}`}
                    onClick={() => {
                      where.change({ sectionId: p.section.id, bars: [p.from, p.to] });
                      setNoteText('');
                    }}
                  >
                    <span className="min-w-7 text-xl font-semibold">{p.section.letter}</span>
                    <span className="flex-1">
                      <span className="block font-semibold">{p.section.name || `bars ${barsText(score, p.from, p.to)}`}</span>
                      <span className="block text-ink-2">{there ? agoText(there.at, studio.now()) : 'new'}</span>
                    </span>
                    <RungMark level={there?.level ?? 0} overruled={there?.overruled ?? false} />
                  </button>
                </li>
              );
            })}
          </ul>
        </Panel>
        <Panel
          title={`${section.section.letter} ${section.section.name}`}
          aside={
            <span className="text-ink-2">
              bars <span className="figure">{barsText(score, section.from, section.to)}</span>
              {current ? `, heard ${agoText(current.at, studio.now())}` : ', not heard yet'}
            </span>
          }
        >
          <ScoreLines piece={piece} score={score} from={section.from} to={section.to} label={`Section ${section.section.letter}`} scale={60} />
          {cues.map((cue, i) => (
            <p key={i} className="mt-3 rounded bg-plum-wash px-4 py-3 font-semibold text-plum">
              “{cue}”
            </p>
          ))}
          {current?.note ? <p className="mt-3 text-ink-2">Last time: {current.note}</p> : null}
          <label className="mt-4 block">
            Note <kbd>t</kbd>
            <input
              ref={noteInput}
              className="field min-h-12 w-full"
              value={noteText}
              maxLength={1000}
              onChange={(e) => setNoteText(e.target.value)}
              onKeyDown={(e) => {
                if (e.key === 'Enter') {
                  e.preventDefault();
                  e.currentTarget.blur();
                }
              }}
            />
          </label>
        </Panel>
        <Panel title="Ladder">
          {ladder ? (
            <ol reversed className="flex flex-col-reverse border-x-4 border-leaf-deep px-1 py-2">
              {ladder.rungs.map((r) => (
                <li
                  key={r.id}
                  className={`my-1 -mx-1.5 flex min-h-11 items-center justify-between gap-2 border-2 border-leaf-deep px-3 py-1 ${climbed.has(r.id) ? 'bg-leaf-wash' : 'bg-sheet'}`}
                >
                  <span>
                    {r.what}
                    {climbed.has(r.id) ? <span className="sr-only">, done</span> : null}
                  </span>
                  <span className="figure text-ink-2">{r.tempo ?? ''}</span>
                </li>
              ))}
            </ol>
          ) : (
            <Button onClick={() => where.go('ladder')} big>
              Build a ladder
            </Button>
          )}
        </Panel>
      </div>
      <div
        className="sticky bottom-0 z-10 grid grid-cols-2 gap-2 bg-ground pb-3 pt-2 sm:grid-cols-3 lg:grid-cols-[repeat(6,1fr)_1.5fr]"
        role="group"
        aria-label="Level heard"
      >
        {LEVELS.map((n) => (
          <button
            key={n}
            type="button"
            aria-pressed={level === n}
            title={LEVEL_HEARD[n]}
            className={`flex min-h-16 items-center gap-3 rounded border-2 px-3 text-left ${level === n ? 'border-leaf-deep bg-leaf-wash' : 'border-rule-strong bg-sheet'}`}
            onClick={() => pick(n)}
          >
            <RungMark level={n} bare />
            <span className="font-semibold">
              <span className="figure">{n}</span> {LEVEL_NAMES[n]}
              {current?.level === n ? <span className="block font-normal text-ink-2">now</span> : null}
            </span>
          </button>
        ))}
        <Button look="primary" big className="col-span-2 min-h-16 sm:col-span-3 lg:col-span-1" shortcut="enter" onClick={() => void record()}>
          Record, next section
        </Button>
      </div>
    </div>
  );
}

export function LessonScreen(): ReactNode {
  return (
    <PieceStage heading="Lesson" strip="compact">
      {(context) => <Hearing {...context} />}
    </PieceStage>
  );
}
