import { useEffect, useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { askedFacets, isLevel, proposeLevel, standingKey, startOfCopy, startOfReturn, tappedTempo } from '@/core/mastery';
import { compareRanges } from '@/core/sameness';
import { tempoAt } from '@/core/score';
import { facets, type Facet, type Level } from '@/core/studio';
import { useMarks, useStudio } from '@/store';
import type { PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { addMistake, freshDraft, nextRepetition, toggleFacet, type Draft } from './draft';
import { FACET_KEYS } from './facet-row';
import type { LessonActions } from './lesson-actions';
import type { LessonModel } from './use-lesson';

export interface HearingContext extends PieceContext {
  readonly model: LessonModel;
  readonly actions: LessonActions;
}

/** What is being heard: the section, what was heard of it so far, the level that comes to, and how it is recorded; with the keys for it. */
export function useHearing({ piece, score, sections, section: fromAddress, model, actions }: HearingContext) {
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
    // From here on the record itself says so, or no longer does when it is taken back.
    setJustHeard((before) => new Set([...before].filter((id) => id !== row.id)));
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
  return {
    now,
    marks,
    placed,
    section,
    standing,
    draft,
    asked,
    target,
    tempoText,
    setTempoText,
    tempoInput,
    noteInput,
    recorded,
    proposed,
    why: proposal ? proposal.because : start ? `may start at ${start.level}: ${start.why}` : '',
    last: next === undefined,
    edit,
    choose,
    pick,
    record,
    tap,
  };
}
