'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { cautionsFor, densestQuarter, ORDER_SCHOOLS, passSeconds, tempoSteps, TEMPO_OVER, TEMPO_STEP, type LadderConflict } from '@/core/ladder';
import { standingKey } from '@/core/mastery';
import { barsText, type PlacedSection, type ProposedSection } from '@/core/sections';
import { teachingFor, type Rung, type Teaching } from '@/core/studio';
import { eventAdded, rowChange, useLadders, useMarks, useSettings, useStandings, useStudents, useStudio, useTemplates } from '@/store';
import { Button, LadderDrawing, Panel, PickOne, TempoCurve } from '@/ui';
import { PieceStage, useChunks, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { ladderActions, targetOf } from './ladder-actions';
import { OrderPanel } from './order-panel';
import { RungEditor } from './rung-editor';
import { StartsPanel } from './starts-panel';

const WINDS = /flute|recorder|oboe|clarinet|sax|bassoon|trumpet|horn|trombone|tuba|cornet|euphonium/i;
const PHRASE_BARS = 4;

const tempoText = (rung: Rung): string => (rung.tempo === null ? '' : rung.tempoTo === null ? String(rung.tempo) : `${rung.tempo} → ${rung.tempoTo}`);

/** Kept sections as the order of chunks wants them; phrases are the sections inside, else four bars each. */
function asProposed(sections: readonly PlacedSection[]): ProposedSection[] {
  const top = sections.filter((p) => p.section.parentId === null);
  return top.map((p) => {
    const inside = sections.filter((c) => c.section.parentId === p.section.id).map((c) => ({ from: c.from, to: c.to }));
    const fours = Array.from({ length: Math.ceil((p.to - p.from + 1) / PHRASE_BARS) }, (_, i) => ({
      from: p.from + i * PHRASE_BARS,
      to: Math.min(p.to, p.from + (i + 1) * PHRASE_BARS - 1),
    }));
    const like = top.findIndex((m) => m.section.id === p.section.likeId);
    return {
      name: p.section.name,
      letter: p.section.letter,
      from: p.from,
      to: p.to,
      upbeatQuarters: '0',
      endUpbeatQuarters: '0',
      reasons: [],
      like: like < 0 ? null : like,
      phrases: inside.length > 0 ? inside : fours,
    };
  });
}

function Climbing({ piece, score, sections, section: fromAddress }: PieceContext): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const loadedLadders = useLadders(piece.id);
  const ladders = useMemo(() => loadedLadders ?? [], [loadedLadders]);
  const students = useStudents() ?? [];
  const settings = useSettings();
  const templates = useTemplates() ?? [];
  const marks = useMarks(piece.id) ?? [];
  const standings = useStandings({ pieceId: piece.id });
  const [current, setCurrent] = useState<string | null>(null);
  const [conflicts, setConflicts] = useState<readonly LadderConflict[]>([]);
  const [templateName, setTemplateName] = useState('');
  const student = students.find((s) => s.id === where.studentId) ?? null;
  const teaching = teachingFor(piece.teaching, student?.teaching, settings?.teaching);
  const level = student?.level ?? 'intermediate';
  const ordered = useMemo(() => {
    const order = piece.learnOrder ?? [];
    const rank = (p: PlacedSection): number => (order.includes(p.section.id) ? order.indexOf(p.section.id) : order.length + p.from);
    return teaching.order === 'own' ? [...sections].sort((a, b) => rank(a) - rank(b)) : sections;
  }, [sections, piece.learnOrder, teaching.order]);
  const proposed = useMemo(() => asProposed(sections), [sections]);
  const chunks = useChunks(piece, proposed, { level, school: ORDER_SCHOOLS.find((s) => s === teaching.order) ?? 'sameness' });
  const actions = ladderActions({ piece, score, sections, ladders, marks, teaching, level }, studio, setConflicts);
  const section = fromAddress ?? ordered[0] ?? null;
  const ladder = section ? actions.ladderOf(section) : null;
  const rung = ladder?.rungs.find((r) => r.id === current) ?? null;

  const add = async (): Promise<void> => {
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
    await actions.change('rung added', section, (rungs) => {
      const at = rung ? rungs.findIndex((r) => r.id === rung.id) + 1 : rungs.length;
      return [...rungs.slice(0, at), fresh, ...rungs.slice(at)];
    });
    setCurrent(fresh.id);
  };
  const edit = (change: Partial<Rung>): void => {
    if (!ladder || !rung || !section) return;
    void actions.change('rung changed', section, (rungs) => rungs.map((r) => (r.id === rung.id ? { ...r, ...change, own: true } : r)));
  };
  const remove = (): void => {
    if (!ladder || !rung || !section) return;
    void actions.change('rung removed', section, (rungs) => rungs.filter((r) => r.id !== rung.id), rung.key === undefined ? [] : [rung.key]);
  };
  useHotkeys('n', () => void add());
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
  const done = (studentId: string): readonly string[] => standings?.get(standingKey(studentId, section.section.id))?.rungsDone ?? [];
  const climbed = student ? done(student.id) : [];
  const standsOn = (studentId: string): string | null => [...(ladder?.rungs ?? [])].reverse().find((r) => done(studentId).includes(r.id))?.id ?? null;
  const next = ladder?.rungs.find((r) => !climbed.includes(r.id))?.id ?? null;
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
            done: !climbed.includes(rungId),
          }),
        ])
    : undefined;
  const target = targetOf(piece, score, section);
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
        wind: WINDS.test(piece.instrument),
        stretch: false,
        notesPerSecond: (densestQuarter(score, section.from, section.to) * target) / 60,
      })
    : [];
  const minutes = Math.round((ladder?.rungs ?? []).reduce((sum, r) => sum + (r.minutes ?? 0), 0));
  const setOrder = (order: Teaching['order']): void =>
    void studio.commit('order of learning', [rowChange('pieces', piece, { ...piece, teaching: { ...piece.teaching, order }, updatedAt: studio.now() })]);
  const move = (id: string, by: 1 | -1): void => {
    const ids = ordered.map((p) => p.section.id);
    const at = ids.indexOf(id);
    const other = ids[at + by];
    if (other === undefined) return;
    ids[at + by] = id;
    ids[at] = other;
    void studio.commit('order of learning', [rowChange('pieces', piece, { ...piece, learnOrder: ids, updatedAt: studio.now() })]);
  };
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
        title={`${section.section.letter} ${section.section.name}`}
        aside={
          <span className="flex flex-wrap items-center gap-2">
            <label className="flex items-center gap-1.5 text-ink-2">
              Target
              <input
                key={target}
                className="field figure w-16 text-center text-ink"
                inputMode="numeric"
                defaultValue={target}
                onBlur={(e) => {
                  const n = Math.round(Number(e.target.value));
                  if (e.target.value.trim() === '') void actions.setTarget(null);
                  else if (n >= 10 && n <= 400 && n !== target) void actions.setTarget(n);
                }}
                onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
              />
            </label>
            {ladder ? (
              <>
                <Button onClick={() => void actions.rebuild(section)}>Build anew</Button>
                <Button shortcut="n" onClick={() => void add()}>
                  Add a rung
                </Button>
              </>
            ) : (
              <Button look="primary" onClick={() => void actions.build(section)}>
                Build the ladder
              </Button>
            )}
          </span>
        }
      >
        {conflicts.length > 0 ? (
          <div className="mb-2 rounded border border-warn p-2" role="status">
            <p className="font-semibold text-warn">You and the new build changed the same; yours stays:</p>
            <ul>
              {conflicts.map((c) => (
                <li key={`${c.rungId} ${c.field}`}>
                  {c.what}: {c.field} <span className="text-plum">{c.kept}</span>, built {c.built}
                </li>
              ))}
            </ul>
            <Button look="quiet" onClick={() => setConflicts([])}>
              Seen
            </Button>
          </div>
        ) : null}
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
              onReorder={(ids) => void actions.change('rung moved', section, (rungs) => ids.flatMap((id) => rungs.find((r) => r.id === id) ?? []))}
            />
            <p className="mt-2 text-ink-2">
              About {minutes} minutes in all. One pass at {target}: {Math.round(passSeconds(score, section.from, section.to, target))} s.
            </p>
          </div>
        ) : (
          <div>
            <p className="text-lg text-ink-2">
              No ladder for bars {barsText(score, section.from, section.to)} yet. It is built from what the section holds, lowest rung first; then change it as
              you like.
            </p>
            {sections.length > 1 && ladders.length === 0 ? (
              <Button className="mt-2" onClick={() => void actions.buildAll()}>
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
              <RungEditor key={rung.id} rung={rung} onEdit={edit} onRemove={remove} />
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
        {ladder ? (
          <Panel title="Use again">
            <form
              className="flex items-end gap-2"
              onSubmit={(e) => {
                e.preventDefault();
                const name = templateName.trim();
                if (name === '') return;
                setTemplateName('');
                void actions.keepTemplate(section, name);
              }}
            >
              <label className="min-w-0 flex-1">
                <span className="text-ink-2">Keep this ladder as a template</span>
                <input className="field w-full" placeholder="its name" value={templateName} maxLength={120} onChange={(e) => setTemplateName(e.target.value)} />
              </label>
              <Button type="submit" disabled={templateName.trim() === ''}>
                Keep
              </Button>
            </form>
            {templates.length > 0 ? (
              <div className="mt-2">
                <PickOne
                  stacked
                  label="Put a template’s rungs on top"
                  value=""
                  choices={[['', 'choose one'], ...templates.map((t) => [t.id, `${t.name}, ${t.rungs.length} rungs`] as const)]}
                  onPick={(id) => {
                    const template = templates.find((t) => t.id === id);
                    if (template) void actions.useTemplate(section, template);
                  }}
                />
              </div>
            ) : null}
            {ladder.rungs.some((r) => r.own) && sections.length > 1 ? (
              <Button className="mt-2" onClick={() => void actions.shareOwn(section)}>
                My own rungs in the other sections too
              </Button>
            ) : null}
          </Panel>
        ) : null}
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
