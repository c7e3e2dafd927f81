'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import {
  cautionsFor,
  densestQuarter,
  ORDER_SCHOOLS,
  passSeconds,
  tempoSteps,
  TEMPO_OVER,
  TEMPO_STEP,
  targetTempo,
  USUAL_OVERHEAD,
} from '@/core/ladder';
import { standingKey } from '@/core/mastery';
import { barsText, type PlacedSection } from '@/core/sections';
import { changePiece, moveInLearnOrder, tickRung } from '@/core/commands';
import { instrumentOf } from '@/core/instruments';
import { teachingFor, type Rung, type StudioEvent, type Teaching } from '@/core/studio';
import { useLadders, useSettings, useStandings, useStudentEvents, useStudents, useStudio } from '@/store';
import { Button, LadderDrawing, Panel, TempoCurve } from '@/ui';
import { useActs } from '@/features/acts';
import { KeptField } from '@/features/drafts';
import { PieceStage, shownOf, useChunks, useOverhead, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { asProposed } from './kept-sections';
import { ladderActions } from './ladder-actions';
import { OrderPanel } from './order-panel';
import { RungEditor } from './rung-editor';
import { StartsPanel } from './starts-panel';
import { UseAgainPanel } from './use-again-panel';

const tempoText = (rung: Rung): string =>
  rung.tempo === null ? '' : rung.tempoTo === null ? String(rung.tempo) : `${rung.tempo} → ${rung.tempoTo}`;

const NO_EVENTS: readonly StudioEvent[] = [];

function Climbing({ piece, score, player, played, sections, section: fromAddress }: PieceContext): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const loadedLadders = useLadders(piece.id);
  const ladders = useMemo(() => loadedLadders ?? [], [loadedLadders]);
  const students = useStudents() ?? [];
  const settings = useSettings();
  const standings = useStandings({ pieceId: piece.id });
  const events = useStudentEvents(where.studentId) ?? NO_EVENTS;
  const rows = useMemo(() => sections.map((p) => p.section), [sections]);
  const scores = useMemo(() => new Map([[piece.id, score]]), [piece.id, score]);
  const overhead = useOverhead(events, rows, scores);
  const [current, setCurrent] = useState<string | null>(null);
  const { run } = useActs();
  const student = students.find((s) => s.id === where.studentId) ?? null;
  const teaching = teachingFor(piece.teaching, student?.teaching, settings?.teaching);
  const level = student?.level ?? 'intermediate';
  const ordered = useMemo(() => {
    const order = piece.learnOrder ?? [];
    const rank = (p: PlacedSection): number =>
      order.includes(p.section.id) ? order.indexOf(p.section.id) : order.length + p.from;
    return teaching.order === 'own' ? [...sections].sort((a, b) => rank(a) - rank(b)) : sections;
  }, [sections, piece.learnOrder, teaching.order]);
  const proposed = useMemo(() => asProposed(sections), [sections]);
  const asked = useChunks(piece, player, proposed, {
    level,
    school: ORDER_SCHOOLS.find((s) => s === teaching.order) ?? 'sameness',
  });
  const chunks = shownOf(asked);
  const actions = ladderActions({ piece, score, student, sections, ladders, teaching, level }, useActs());
  const section = fromAddress ?? ordered[0] ?? null;
  const ladder = section ? actions.ladderOf(section) : null;
  const rung = ladder?.rungs.find((r) => r.id === current) ?? null;

  const add = (): void => {
    if (!ladder || !section) return;
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
    actions.change(section, { kind: 'add', rung: fresh, behind: rung?.id ?? null }, () => setCurrent(fresh.id));
  };
  const edit = (change: Partial<Rung>, stored: () => void): void => {
    if (rung && section) actions.change(section, { kind: 'change', id: rung.id, change }, stored);
  };
  const remove = (): void => {
    if (rung && section) actions.change(section, { kind: 'remove', id: rung.id });
  };
  useHotkeys('n', add);
  useHotkeys('delete', remove);

  if (!section)
    return (
      <Panel title="No section yet">
        <p className="mb-3 text-lg text-ink-2">A ladder belongs to a section. Make one first.</p>
        <Button look="primary" onClick={() => where.go('sections')}>
          Go to Sections
        </Button>
      </Panel>
    );
  const done = (studentId: string): readonly string[] =>
    standings?.get(standingKey(studentId, section.section.id))?.rungsDone ?? [];
  const climbed = student ? done(student.id) : [];
  const standsOn = (studentId: string): string | null =>
    [...(ladder?.rungs ?? [])].reverse().find((r) => done(studentId).includes(r.id))?.id ?? null;
  const next = ladder?.rungs.find((r) => !climbed.includes(r.id))?.id ?? null;
  const tick = student
    ? (rungId: string): void =>
        run(tickRung, { studentId: student.id, sectionId: section.section.id, rungId, inLesson: false })
    : undefined;
  const target = targetTempo(piece, score, section.from);
  const steps =
    rung?.kind === 'tempo' && rung.tempo !== null && rung.tempoTo !== null
      ? tempoSteps({
          start: rung.tempo,
          target: Math.min(target, rung.tempoTo),
          school: teaching.tempoSteps,
          step: TEMPO_STEP,
          over: rung.tempoTo > target ? TEMPO_OVER : 0,
          cap: null,
        })
      : null;
  const cautions = ladder
    ? cautionsFor(ladder.rungs, {
        wind: instrumentOf(player.instrument ?? piece.instrument).breathes,
        stretch: false,
        notesPerSecond: (densestQuarter(played, section.from, section.to) * target) / 60,
      })
    : [];
  /** As this student practises, by the logs; as is usual for everyone. */
  const pace = student ? overhead / USUAL_OVERHEAD : 1;
  const minutes = Math.round((ladder?.rungs ?? []).reduce((sum, r) => sum + (r.minutes ?? 0), 0) * pace);
  const setOrder = (order: Teaching['order']): void =>
    run(changePiece, {
      pieceId: piece.id,
      change: { answer: ['order', order] },
      label: 'order of learning',
    });
  const move = (id: string, by: 1 | -1): void => run(moveInLearnOrder, { pieceId: piece.id, sectionId: id, by });
  return (
    <div className="grid items-start gap-3 md:grid-cols-2 lg:grid-cols-[17rem_minmax(0,1fr)_19rem]">
      <OrderPanel
        score={score}
        sections={ordered}
        current={section.section.id}
        order={teaching.order}
        chunks={chunks}
        withLadder={new Set(ladders.map((l) => l.sectionId))}
        onOrder={setOrder}
        onMove={move}
        onSection={(p) => where.change({ sectionId: p.section.id, bars: [p.from, p.to] })}
        onChunk={(c) => {
          const found = sections.find((p) => p.from === c.from && p.to === c.to);
          where.change({ sectionId: found?.section.id ?? section.section.id, bars: [c.from, c.to] });
        }}
      />
      <Panel
        title={`${section.section.letter} ${section.section.name}`.trim()}
        aside={
          <span className="flex flex-wrap items-center gap-2">
            <label className="flex items-center gap-1.5 text-ink-2">
              Target
              <KeptField
                draftKey={`target ${piece.id}`}
                className="field figure w-16 text-center text-ink"
                inputMode="numeric"
                value={String(target)}
                accepts={(text) => text.trim() === '' || (Number(text) >= 10 && Number(text) <= 400)}
                onKeep={(text, stored) => actions.setTarget(text === '' ? null : Math.round(Number(text)), stored)}
              />
            </label>
            {ladder ? (
              <>
                <Button onClick={() => actions.rebuild(section)}>Build anew</Button>
                <Button shortcut="n" onClick={add}>
                  Add a rung
                </Button>
              </>
            ) : (
              <Button look="primary" onClick={() => actions.build(section)}>
                Build the ladder
              </Button>
            )}
          </span>
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
                climbed: climbed.includes(r.id),
                own: r.own,
                chips: student ? [] : students.filter((s) => standsOn(s.id) === r.id).map((s) => s.name),
              }))}
              current={current ?? next}
              onChoose={setCurrent}
              onTick={tick}
              onReorder={(ids) => actions.change(section, { kind: 'order', ids })}
            />
            <p className="mt-2 text-ink-2">
              About {minutes} minutes in all. One pass at {target}:{' '}
              {Math.round(passSeconds(score, section.from, section.to, target))} s.
            </p>
          </div>
        ) : (
          <div>
            <p className="text-lg text-ink-2">
              No ladder for bars {barsText(score, section.from, section.to)} yet. It is built from what the section
              holds, lowest rung first; then change it as you like.
            </p>
            {sections.length > 1 && ladders.length === 0 ? (
              <Button className="mt-2" onClick={() => actions.buildAll()}>
                Build all {sections.length}
              </Button>
            ) : null}
          </div>
        )}
      </Panel>
      <div className="flex flex-col gap-3 md:col-span-2 lg:col-span-1">
        <Panel title={rung ? 'This rung' : 'Choose a rung'}>
          {rung ? (
            <>
              <RungEditor
                key={rung.id}
                rung={rung}
                minutes={rung.minutes === undefined ? null : rung.minutes * pace}
                pacedBy={student && pace !== 1 ? student.name : null}
                onEdit={edit}
                onRemove={remove}
              />
              {steps ? (
                <div className="mt-3">
                  <TempoCurve steps={steps} target={target} />
                </div>
              ) : null}
            </>
          ) : (
            <p className="text-ink-2">Choose a rung to change it. Drag its handle, or Alt with ↑ and ↓, to move it.</p>
          )}
          {cautions.length > 0 ? (
            <ul className="mt-4 grid gap-1 border-t border-rule pt-3 text-sm text-warn">
              {cautions.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
          ) : null}
        </Panel>
        <StartsPanel score={score} sections={sections} />
        {ladder ? <UseAgainPanel ladder={ladder} section={section} sections={sections} actions={actions} /> : null}
      </div>
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
