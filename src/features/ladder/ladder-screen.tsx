'use client';

import { useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { defaultLadder, passSeconds } from '@/core/ladder';
import { standingKey } from '@/core/mastery';
import { barsText } from '@/core/sections';
import type { Ladder, Rung } from '@/core/studio';
import { eventAdded, rowChange, useLadders, useRecords, useStudents, useStudio } from '@/store';
import { Button, LadderDrawing, Panel } from '@/ui';
import { PieceStage, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';

const tempoText = (rung: Rung): string => (rung.tempo === null ? '' : rung.tempoTo === null ? String(rung.tempo) : `${rung.tempo} → ${rung.tempoTo}`);
const number = (text: string): number | null => {
  const value = Number(text);
  return text.trim() !== '' && Number.isFinite(value) && value >= 10 && value <= 600 ? Math.round(value) : null;
};

function Climbing({ piece, score, sections, section: fromAddress }: PieceContext): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const ladders = useLadders(piece.id);
  const students = useStudents() ?? [];
  const records = useRecords();
  const [current, setCurrent] = useState<string | null>(null);
  const section = fromAddress ?? sections[0] ?? null;
  const ladder = ladders?.find((l) => l.sectionId === section?.section.id) ?? null;
  const rung = ladder?.rungs.find((r) => r.id === current) ?? null;

  const save = (label: string, rungs: readonly Rung[]): Promise<void> => {
    if (!section) return Promise.resolve();
    const after: Ladder = { id: ladder?.id ?? studio.newId(), sectionId: section.section.id, pieceId: piece.id, rungs: [...rungs], updatedAt: studio.now() };
    return studio.commit(label, [rowChange('ladders', ladder, after)]);
  };
  const build = (): Promise<void> =>
    section
      ? save(
          `ladder for ${section.section.letter}`,
          defaultLadder({ score, from: section.from, to: section.to, instrument: piece.instrument, targetTempo: piece.targetTempo, newId: studio.newId }),
        )
      : Promise.resolve();
  const add = async (): Promise<void> => {
    if (!ladder) return;
    const fresh: Rung = {
      id: studio.newId(),
      kind: 'own',
      what: 'New rung',
      hands: '',
      tempo: null,
      tempoTo: null,
      times: 3,
      done: '3 in a row without a stop',
      why: 'yours',
      own: true,
    };
    const at = rung ? ladder.rungs.findIndex((r) => r.id === rung.id) + 1 : ladder.rungs.length;
    await save('rung added', [...ladder.rungs.slice(0, at), fresh, ...ladder.rungs.slice(at)]);
    setCurrent(fresh.id);
  };
  const edit = (change: Partial<Rung>): Promise<void> =>
    ladder && rung
      ? save(
          'rung changed',
          ladder.rungs.map((r) => (r.id === rung.id ? { ...r, ...change, own: true } : r)),
        )
      : Promise.resolve();
  const remove = (): Promise<void> =>
    ladder && rung
      ? save(
          'rung removed',
          ladder.rungs.filter((r) => r.id !== rung.id),
        )
      : Promise.resolve();
  useHotkeys('n', () => void add());
  useHotkeys('delete', () => void remove());

  if (!section)
    return (
      <Panel title="No section yet">
        <p className="mb-3 text-lg text-ink-2">A ladder belongs to a section. Make one first.</p>
        <Button look="primary" onClick={() => where.go('sections')}>
          Go to Sections
        </Button>
      </Panel>
    );
  const done = (studentId: string): ReadonlySet<string> => records?.rungsDone.get(standingKey(studentId, section.section.id)) ?? new Set<string>();
  const student = students.find((s) => s.id === where.studentId) ?? null;
  const climbed = student ? done(student.id) : new Set<string>();
  const standsOn = (studentId: string): string | null => [...(ladder?.rungs ?? [])].reverse().find((r) => done(studentId).has(r.id))?.id ?? null;
  const next = ladder?.rungs.find((r) => !climbed.has(r.id))?.id ?? null;
  const tick = student
    ? (rungId: string): void =>
        void studio.commit('rung ticked', [
          eventAdded({
            id: studio.newId(),
            at: studio.now(),
            kind: 'rung',
            studentId: student.id,
            pieceId: piece.id,
            sectionId: section.section.id,
            rungId,
            done: !climbed.has(rungId),
          }),
        ])
    : undefined;
  const target = Math.round(piece.targetTempo ?? score.tempos[0]?.bpm ?? 120);
  return (
    <div className="grid items-start gap-3 lg:grid-cols-[15rem_minmax(0,1fr)_19rem]">
      <Panel title="Sections">
        <ul>
          {sections.map((p) => (
            <li key={p.section.id} className="border-t border-rule">
              <button
                type="button"
                aria-pressed={p.section.id === section.section.id}
                className={`flex min-h-11 w-full items-center gap-3 border-l-4 px-2 text-left ${p.section.id === section.section.id ? 'border-l-acorn bg-acorn-wash' : 'border-l-transparent'}`}
                onClick={() => where.change({ sectionId: p.section.id, bars: [p.from, p.to] })}
              >
                <span className="min-w-7 text-lg font-semibold">{p.section.letter}</span>
                <span className="flex-1 truncate">{p.section.name || `bars ${barsText(score, p.from, p.to)}`}</span>
              </button>
            </li>
          ))}
        </ul>
        <p className="mt-4 text-sm text-ink-2">
          One pass at {target}: {Math.round(passSeconds(score, section.from, section.to, target))} s.
        </p>
      </Panel>
      <Panel
        title={`${section.section.letter} ${section.section.name}`}
        aside={
          ladder ? (
            <Button shortcut="n" onClick={() => void add()}>
              Add a rung
            </Button>
          ) : (
            <Button look="primary" onClick={() => void build()}>
              Build the ladder
            </Button>
          )
        }
      >
        {ladder ? (
          <div className="px-2">
            <LadderDrawing
              label={`Ladder of section ${section.section.letter}`}
              rungs={ladder.rungs.map((r) => ({
                id: r.id,
                what: r.what,
                hands: r.hands,
                tempo: tempoText(r),
                times: `${r.times} ${r.times === 1 ? 'time' : 'times'}`,
                done: `done: ${r.done}`,
                climbed: climbed.has(r.id),
                own: r.own,
                chips: student ? [] : students.filter((s) => standsOn(s.id) === r.id).map((s) => s.name),
              }))}
              current={current ?? next}
              onChoose={setCurrent}
              onTick={tick}
              onReorder={(ids) =>
                void save(
                  'rung moved',
                  ids.flatMap((id) => ladder.rungs.find((r) => r.id === id) ?? []),
                )
              }
            />
          </div>
        ) : (
          <p className="text-lg text-ink-2">
            No ladder for bars {barsText(score, section.from, section.to)} yet. It is built from what the section holds, lowest rung first; then change it as
            you like.
          </p>
        )}
      </Panel>
      <Panel title={rung ? 'This rung' : 'Choose a rung'}>
        {rung ? (
          <div key={rung.id} className="grid gap-3">
            <p className="text-ink-2">Why: {rung.why}</p>
            <label>
              What to do
              <input
                className="field w-full"
                defaultValue={rung.what}
                maxLength={300}
                onBlur={(e) => e.target.value.trim() !== '' && e.target.value !== rung.what && void edit({ what: e.target.value.trim() })}
              />
            </label>
            <label>
              Hands
              <input
                className="field w-full"
                defaultValue={rung.hands}
                maxLength={60}
                onBlur={(e) => e.target.value !== rung.hands && void edit({ hands: e.target.value })}
              />
            </label>
            <div className="flex gap-2">
              <label className="flex-1">
                Tempo
                <input
                  className="field figure w-full"
                  inputMode="numeric"
                  defaultValue={rung.tempo ?? ''}
                  onBlur={(e) => number(e.target.value) !== rung.tempo && void edit({ tempo: number(e.target.value) })}
                />
              </label>
              <label className="flex-1">
                up to
                <input
                  className="field figure w-full"
                  inputMode="numeric"
                  defaultValue={rung.tempoTo ?? ''}
                  onBlur={(e) => number(e.target.value) !== rung.tempoTo && void edit({ tempoTo: number(e.target.value) })}
                />
              </label>
              <label className="flex-1">
                Times
                <input
                  className="field figure w-full"
                  inputMode="numeric"
                  defaultValue={rung.times}
                  onBlur={(e) => {
                    const n = Math.round(Number(e.target.value));
                    if (n >= 1 && n <= 100 && n !== rung.times) void edit({ times: n });
                  }}
                />
              </label>
            </div>
            <label>
              Done when
              <input
                className="field w-full"
                defaultValue={rung.done}
                maxLength={200}
                onBlur={(e) => e.target.value !== rung.done && void edit({ done: e.target.value })}
              />
            </label>
            <Button shortcut="del" onClick={() => void remove()}>
              Remove the rung
            </Button>
          </div>
        ) : (
          <p className="text-ink-2">Choose a rung to change it. Drag its handle, or Alt with ↑ and ↓, to move it.</p>
        )}
        <p className="mt-5 border-t border-rule pt-3 text-sm text-warn">
          Pain, numbness or tingling: stop, rest, and see a clinician who knows musicians. Pause about five minutes in every 25. This is no medical advice.
        </p>
      </Panel>
    </div>
  );
}

export function LadderScreen(): ReactNode {
  return (
    <PieceStage heading="Ladder" strip="compact">
      {(context) => <Climbing {...context} />}
    </PieceStage>
  );
}
