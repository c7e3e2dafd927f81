'use client';

import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { countArticulations } from '@/core/articulation';
import { askedFacets, isLevel, proposeLevel, standingKey, startOfCopy, startOfReturn, tappedTempo } from '@/core/mastery';
import { nextRung } from '@/core/plan';
import { compareRanges } from '@/core/sameness';
import { barsText } from '@/core/sections';
import { tempoAt } from '@/core/score';
import { facets, type Facet, type Level } from '@/core/studio';
import { useMarks, useStudio } from '@/store';
import { Button, Panel } from '@/ui';
import { ScoreLines, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { addMistake, freshDraft, nextRepetition, toggleFacet, type Draft } from './draft';
import { FACET_KEYS, FacetRow } from './facet-row';
import type { LessonActions } from './lesson-actions';
import { LevelBar } from './level-bar';
import { agoText, ToHearList } from './to-hear-list';
import type { LessonModel } from './use-lesson';

interface Props extends PieceContext {
  readonly model: LessonModel;
  readonly actions: LessonActions;
}

/** One section after the other: what is heard, the level it comes to, recorded with one key. */
export function Hearing({ piece, score, sections, section: fromAddress, model, actions }: Props): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const marks = useMarks(piece.id);
  const [kept, setKept] = useState<Draft | null>(null);
  const [tempoText, setTempoText] = useState('');
  const [justHeard, setJustHeard] = useState<ReadonlySet<string>>(new Set());
  const taps = useRef<number[]>([]);
  const tempoInput = useRef<HTMLInputElement | null>(null);
  const noteInput = useRef<HTMLInputElement | null>(null);
  const { student } = model;
  const placed = fromAddress ?? sections[0] ?? null;
  const section = placed?.section ?? null;
  const standing = section ? model.standings.get(standingKey(student.id, section.id)) : undefined;
  const draft = kept !== null && kept.sectionId === section?.id ? kept : section ? freshDraft(section.id, standing?.facets ?? {}) : null;
  const now = studio.now();
  const target = Math.round(piece.targetTempo ?? (placed ? tempoAt(score, score.bars[placed.from]?.onset ?? score.bars[0]?.onset ?? (0 as never)) : 90));
  const asked = useMemo(
    () => (placed ? askedFacets(score, placed.from, placed.to, marks ?? [], model.teachingOf(piece)) : new Set<Facet>()),
    [placed, score, marks, model, piece],
  );
  const heardNow = useMemo(() => model.current?.heard ?? [], [model]);
  const recorded = useMemo(() => new Set([...justHeard, ...heardNow.map((e) => e.sectionId)]), [justHeard, heardNow]);

  const typed = Number(tempoText);
  const tempo = tempoText.trim() !== '' && typed >= 10 && typed <= 400 ? Math.round(typed) : null;
  const heldBefore = (standing?.hearings ?? []).some(([at, level]) => level >= 4 && at.slice(0, 10) < now.slice(0, 10));
  const isTouched = draft !== null && (draft.touched || tempo !== null);
  const proposal = draft && isTouched ? proposeLevel({ facets: draft.facets, tempo: tempo ?? standing?.tempo ?? null, target, asked, heldBefore }) : null;
  const copyModel = section?.likeId ? sections.find((p) => p.section.id === section.likeId) : undefined;
  const start = ((): { readonly level: Level; readonly why: string } | null => {
    if (!section || !placed) return null;
    if (standing && standing.level !== null) return startOfReturn({ level: standing.level, at: standing.at }, standing.fading, now);
    const of = copyModel ? model.standings.get(standingKey(student.id, copyModel.section.id)) : undefined;
    if (!copyModel || !of || of.level === null) return null;
    const { onlyA, onlyB } = compareRanges(score, [copyModel.from, copyModel.to], [placed.from, placed.to]);
    return startOfCopy({ name: copyModel.section.letter || copyModel.section.name, level: of.level }, Math.max(onlyA.length, onlyB.length));
  })();
  const proposed = proposal?.level ?? start?.level ?? null;

  // Keys may come faster than the screen follows: what they are about is kept here, ahead of it.
  const live = useRef<{ sectionId: string | null; draft: Draft | null }>({ sectionId: null, draft: null });
  useEffect(() => {
    if (section && live.current.sectionId !== section.id) live.current = { sectionId: section.id, draft: null };
  }, [section]);
  const liveDraft = (): Draft | null => {
    const { sectionId, draft: there } = live.current;
    if (sectionId === null) return draft;
    return there ?? freshDraft(sectionId, model.standings.get(standingKey(student.id, sectionId))?.facets ?? {});
  };
  const edit = (change: (d: Draft) => Draft): void => {
    const before = liveDraft();
    if (!before) return;
    const after = change(before);
    live.current = { sectionId: after.sectionId, draft: after };
    setKept(after);
  };
  const choose = (sectionId: string, pieceId: string): void => {
    setTempoText('');
    setKept(null);
    taps.current = [];
    live.current = { sectionId, draft: null };
    const there = sections.find((p) => p.section.id === sectionId);
    where.change({ pieceId, sectionId, bars: there ? [there.from, there.to] : null });
  };
  const placeOf = (sectionId: string | null | undefined): number => model.toHear.findIndex((t) => t.sectionId === sectionId);
  const go = (by: number): void => {
    const next = model.toHear[Math.max(0, Math.min(model.toHear.length - 1, placeOf(live.current.sectionId) + by))];
    if (next) choose(next.sectionId, next.pieceId);
  };
  const nextAfter = (sectionId: string | null | undefined) => model.toHear.slice(placeOf(sectionId) + 1).find((t) => !recorded.has(t.sectionId));
  const next = nextAfter(section?.id);
  const record = async (): Promise<void> => {
    const heard = liveDraft();
    const row = model.sections.find((s) => s.id === heard?.sectionId);
    if (!heard || !row) return;
    // What is proposed on screen is about the section on screen.
    const onScreen = row.id === section?.id;
    const suggested = onScreen ? proposed : null;
    const level = heard.level ?? suggested ?? model.standings.get(standingKey(student.id, row.id))?.level ?? 0;
    setJustHeard((before) => new Set([...before, row.id]));
    const following = nextAfter(row.id);
    if (following) choose(following.sectionId, following.pieceId);
    else {
      live.current = { sectionId: row.id, draft: null };
      setKept(null);
    }
    await actions.record(row, { ...heard, tempo: onScreen ? tempo : null }, level, suggested);
  };
  const tap = (): void => {
    taps.current = [...taps.current, performance.now()].slice(-16);
    const found = tappedTempo(taps.current);
    if (found !== null) setTempoText(String(found));
  };
  const pick = (level: Level): void => edit((d) => ({ ...d, level }));

  useHotkeys(
    '0, 1, 2, 3, 4, 5',
    (e) => {
      const n = Number(e.key);
      if (isLevel(n)) pick(n);
    },
    { useKey: true },
  );
  useHotkeys(Object.values(FACET_KEYS), (e) => {
    const facet = facets.find((f) => FACET_KEYS[f] === e.key.toLowerCase());
    if (facet && asked.has(facet)) edit((d) => toggleFacet(d, facet));
  });
  useHotkeys('enter', (e) => {
    if (!['BUTTON', 'INPUT', 'SELECT', 'TEXTAREA'].includes((e.target as Element).tagName)) {
      e.preventDefault();
      void record();
    }
  });
  useHotkeys('down', (e) => {
    e.preventDefault();
    go(1);
  });
  useHotkeys('up', (e) => {
    e.preventDefault();
    go(-1);
  });
  useHotkeys('t', (e) => {
    e.preventDefault();
    tempoInput.current?.focus();
    tempoInput.current?.select();
  });
  useHotkeys('b', tap);
  useHotkeys('e', () => edit(addMistake));
  useHotkeys('p', () => edit(nextRepetition));
  useHotkeys('w', (e) => {
    e.preventDefault();
    noteInput.current?.focus();
  });

  if (!section || !placed || !draft)
    return (
      <Panel title="This piece has no sections yet">
        <p className="mb-3 text-lg text-ink-2">Levels are recorded per section. Make the sections of this piece first.</p>
        <Button look="primary" big onClick={() => where.go('sections')}>
          Go to Sections
        </Button>
      </Panel>
    );
  const ladder = model.ladders.find((l) => l.sectionId === section.id);
  const done = standing?.rungsDone ?? [];
  const upNext = nextRung(ladder, done)?.id ?? null;
  const ids = new Set(score.notes.filter((n) => n.bar >= placed.from && n.bar <= placed.to).map((n) => n.id));
  const cues = (marks ?? []).flatMap((m) => (m.kind === 'cue' && ids.has(m.noteId) && (m.studentId === null || m.studentId === student.id) ? [m.text] : []));
  const printed = countArticulations(score, placed.from, placed.to);
  const given = model.assignment?.lessonId === model.current?.id ? [] : (model.assignment?.items.filter((i) => i.sectionId === section.id) ?? []);
  const logs = model.events.flatMap((e) =>
    e.kind === 'practice' && e.sectionId === section.id && Date.parse(now) - Date.parse(e.at) < 8 * 86_400_000 ? [e] : [],
  );
  const logged = logs.reduce((sum, e) => sum + e.minutes, 0);
  const best = Math.max(0, ...logs.map((e) => e.tempo ?? 0));
  return (
    <div className="flex flex-col gap-3 text-lg">
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[18rem_minmax(0,1fr)_17rem]">
        <ToHearList model={model} sectionId={section.id} recorded={recorded} now={now} onChoose={(t) => choose(t.sectionId, t.pieceId)} />
        <Panel
          title={`${section.letter} ${section.name}`}
          aside={
            <span className="text-ink-2">
              bars <span className="figure">{barsText(score, placed.from, placed.to)}</span>
              {standing && standing.level !== null
                ? `, heard ${agoText(standing.at, now)}${standing.tempo === null ? '' : ` at ${standing.tempo}`}`
                : ', not heard yet'}
            </span>
          }
        >
          <ScoreLines piece={piece} score={score} from={placed.from} to={placed.to} label={`Section ${section.letter}`} scale={56} />
          {cues.map((cue, i) => (
            <p key={i} className="mt-2 rounded bg-plum-wash px-4 py-2 font-semibold text-plum">
              “{cue}”
            </p>
          ))}
          {given.length > 0 || logged > 0 || standing?.note ? (
            <ul className="mt-3 grid gap-1 border-t border-rule pt-2">
              {given.map((g) => (
                <li key={g.id}>
                  <span className="text-ink-2">For this week:</span> {g.what}
                  {g.tempo === null ? '' : `, at ${g.tempo}`}
                </li>
              ))}
              {logged > 0 ? (
                <li className="text-slate">
                  Practised {Math.round(logged)} minutes on {new Set(logs.map((e) => e.day)).size} days{best > 0 ? `, up to ${best}` : ''}
                </li>
              ) : null}
              {standing?.note ? (
                <li>
                  <span className="text-ink-2">Last time:</span> {standing.note}
                </li>
              ) : null}
            </ul>
          ) : null}
          {printed.length > 0 ? (
            <div className="mt-3 flex flex-wrap items-center gap-2" role="group" aria-label="Printed signs heard">
              <span className="text-ink-2">Printed; tick what you hear:</span>
              {printed.map((p) => (
                <label key={p.sign} className="flex min-h-11 items-center gap-2 rounded border border-rule-strong px-3">
                  <input
                    type="checkbox"
                    className="size-5 accent-leaf"
                    checked={draft.signs[p.sign] === true}
                    onChange={(e) =>
                      edit((d) => ({ ...d, signs: { ...Object.fromEntries(printed.map((q) => [q.sign, false])), ...d.signs, [p.sign]: e.target.checked } }))
                    }
                  />
                  {p.times} {p.sign}
                </label>
              ))}
            </div>
          ) : null}
          <label className="mt-3 block">
            Note <kbd>w</kbd>
            <input
              ref={noteInput}
              className="field min-h-12 w-full"
              value={draft.note}
              maxLength={1000}
              onChange={(e) => {
                const { value } = e.target;
                edit((d) => ({ ...d, note: value }));
              }}
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
            <ol reversed className="flex flex-col-reverse border-x-4 border-leaf-deep px-1 py-2" aria-label="Rungs">
              {ladder.rungs.map((r) => {
                const climbed = done.includes(r.id);
                return (
                  <li key={r.id} className="my-1 -mx-1.5">
                    <button
                      type="button"
                      aria-pressed={climbed}
                      className={`flex min-h-11 w-full items-center justify-between gap-2 border-2 px-3 py-1 text-left ${
                        r.id === upNext ? 'border-acorn bg-acorn-wash font-semibold' : climbed ? 'border-leaf-deep bg-leaf-wash' : 'border-leaf-deep bg-sheet'
                      }`}
                      onClick={() => void actions.tick(section, r.id, standing)}
                    >
                      <span>
                        {r.what}
                        {climbed ? <span className="sr-only">, done</span> : null}
                      </span>
                      <span className="figure text-ink-2">{r.tempo ?? ''}</span>
                    </button>
                  </li>
                );
              })}
            </ol>
          ) : (
            <Button onClick={() => where.go('ladder')} big>
              Build a ladder
            </Button>
          )}
        </Panel>
      </div>
      <div className="no-print sticky bottom-0 z-10 bg-ground">
        <FacetRow
          draft={draft}
          asked={asked}
          tempoText={tempoText}
          target={target}
          tempoInput={tempoInput}
          why={proposal ? proposal.because : start ? `may start at ${start.level}: ${start.why}` : ''}
          onFacet={(f) => edit((d) => toggleFacet(d, f))}
          onTempo={setTempoText}
          onTap={tap}
          onMistake={() => edit(addMistake)}
          onRepetition={() => edit(nextRepetition)}
        />
        <LevelBar
          level={draft.level}
          now={standing?.level ?? null}
          proposed={proposed}
          last={next === undefined}
          onPick={pick}
          onRecord={() => void record()}
        />
      </div>
    </div>
  );
}
