import { useEffect, useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { recordLevel, tickRung } from '@/core/commands';
import { targetTempo } from '@/core/ladder';
import {
  askedFacets,
  heldSinceEarlier,
  isLevel,
  proposeLevel,
  standingKey,
  startOfCopy,
  startOfReturn,
  tappedTempo,
} from '@/core/mastery';
import { compareRanges } from '@/core/sameness';
import { facets, type Facet, type Level } from '@/core/studio';
import { useMarks, useStudio } from '@/store';
import { useActs } from '@/features/acts';
import { useDraft } from '@/features/drafts';
import type { PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { addMistake, freshDraft, isHeard, nextRepetition, parseDraft, tempoOf, toggleFacet, type Draft } from './draft';
import { FACET_KEYS } from './facet-row';
import type { LessonModel } from './use-lesson';

export interface HearingContext extends PieceContext {
  readonly model: LessonModel;
}

const draftKey = (studentId: string, sectionId: string): string => `hearing ${studentId} ${sectionId}`;

/**
 * What is being heard: the section, what was heard of it so far, the level that comes to, and how it is recorded; with
 * the keys for it.
 */
export function useHearing({ piece, score, sections, section: fromAddress, model }: HearingContext) {
  const where = useWhere();
  const studio = useStudio();
  const { run } = useActs();
  const marks = useMarks(piece.id);
  /** Sections whose record is on its way into the database: neither recorded nor open. */
  const [storing, setStoring] = useState<ReadonlySet<string>>(new Set());
  const taps = useRef<number[]>([]);
  const tempoInput = useRef<HTMLInputElement | null>(null);
  const noteInput = useRef<HTMLInputElement | null>(null);
  const { student } = model;
  const placed = fromAddress ?? sections[0] ?? null;
  const section = placed?.section ?? null;
  const standing = section ? model.standings.get(standingKey(student.id, section.id)) : undefined;
  const kept = useDraft<Draft>(section ? draftKey(student.id, section.id) : null, parseDraft);
  const draft = section ? (kept.value ?? freshDraft(section.id, standing?.facets ?? {})) : null;
  const now = studio.now();
  const target = targetTempo(piece, score, placed?.from ?? 0);
  const asked = useMemo(
    () =>
      placed ? askedFacets(score, placed.from, placed.to, marks ?? [], model.teachingOf(piece)) : new Set<Facet>(),
    [placed, score, marks, model, piece],
  );
  const recorded = useMemo(() => new Set((model.current?.heard ?? []).map((e) => e.sectionId)), [model]);
  const tempo = tempoOf(draft);
  const current = { lessonId: model.current?.id ?? null, now, zone: studio.zone };
  const heldBefore = heldSinceEarlier(standing?.hearings ?? [], current);
  const isTouched = draft !== null && (draft.touched || tempo !== null);
  const proposal =
    draft && isTouched
      ? proposeLevel({ facets: draft.facets, tempo: tempo ?? standing?.tempo ?? null, target, asked, heldBefore })
      : null;
  const copyModel = section?.likeId ? sections.find((p) => p.section.id === section.likeId) : undefined;
  const start = ((): { readonly level: Level; readonly why: string } | null => {
    if (!section || !placed) return null;
    if (standing && standing.level !== null)
      return startOfReturn({ level: standing.level, at: standing.at }, standing.fading, now);
    const of = copyModel ? model.standings.get(standingKey(student.id, copyModel.section.id)) : undefined;
    if (!copyModel || !of || of.level === null) return null;
    const { onlyA, onlyB } = compareRanges(score, [copyModel.from, copyModel.to], [placed.from, placed.to]);
    return startOfCopy(
      { name: copyModel.section.letter || copyModel.section.name, level: of.level },
      Math.max(onlyA.length, onlyB.length),
    );
  })();
  const proposed = proposal?.level ?? start?.level ?? null;

  // Keys may come faster than the screen follows: what they are about is kept here, ahead of it.
  const live = useRef<{ sectionId: string | null; draft: Draft | null }>({ sectionId: null, draft: null });
  const shown = kept.value;
  useEffect(() => {
    if (section && live.current.sectionId !== section.id) live.current = { sectionId: section.id, draft: null };
    if (section && live.current.draft === null && shown !== null && shown.sectionId === section.id)
      live.current = { sectionId: section.id, draft: shown };
  }, [section, shown]);
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
    kept.set(after, draftKey(student.id, after.sectionId));
  };
  const choose = (sectionId: string, pieceId: string): void => {
    taps.current = [];
    live.current = { sectionId, draft: null };
    const there = sections.find((p) => p.section.id === sectionId);
    where.change({ pieceId, sectionId, bars: there ? [there.from, there.to] : null });
  };
  const placeOf = (sectionId: string | null | undefined): number =>
    model.toHear.findIndex((t) => t.sectionId === sectionId);
  const go = (by: number): void => {
    const next = model.toHear[Math.max(0, Math.min(model.toHear.length - 1, placeOf(live.current.sectionId) + by))];
    if (next) choose(next.sectionId, next.pieceId);
  };
  const nextAfter = (sectionId: string | null | undefined) =>
    model.toHear.slice(placeOf(sectionId) + 1).find((t) => !recorded.has(t.sectionId) && !storing.has(t.sectionId));
  const next = nextAfter(section?.id);
  const goOn = (sectionId: string): void => {
    const following = nextAfter(sectionId);
    if (following) choose(following.sectionId, following.pieceId);
    else live.current = { sectionId, draft: null };
  };
  /** Records what was heard and goes on; where nothing was heard, it only goes on. */
  const record = (): void => {
    const heard = liveDraft();
    const row = model.sections.find((s) => s.id === heard?.sectionId);
    if (!heard || !row) return;
    if (!isHeard(heard)) {
      goOn(row.id);
      return;
    }
    // What is proposed on screen is about the section on screen.
    const there = model.standings.get(standingKey(student.id, row.id));
    const onScreen = row.id === section?.id;
    const heardTempo = tempoOf(heard);
    const comesTo = onScreen
      ? proposeLevel({ facets: heard.facets, tempo: heardTempo ?? there?.tempo ?? null, target, asked, heldBefore })
          .level
      : null;
    const level = heard.level ?? comesTo ?? there?.level ?? null;
    setStoring((before) => new Set([...before, row.id]));
    const ended = (): void => setStoring((before) => new Set([...before].filter((id) => id !== row.id)));
    goOn(row.id);
    run(
      recordLevel,
      {
        studentId: student.id,
        sectionId: row.id,
        lessonId: null,
        level,
        proposed: heard.touched ? comesTo : null,
        tempo: heardTempo,
        note: heard.note,
        facets: heard.touched ? heard.facets : null,
        errors: heard.errors,
        signs: heard.signs,
      },
      {
        stored: () => {
          ended();
          kept.settle(draftKey(student.id, row.id));
          if (live.current.sectionId === row.id) live.current = { sectionId: row.id, draft: null };
        },
        refused: () => {
          ended();
          // It is still to be heard: back to it, with everything that was typed.
          choose(row.id, row.pieceId);
        },
      },
    );
  };
  const tap = (): void => {
    taps.current = [...taps.current, performance.now()].slice(-16);
    const found = tappedTempo(taps.current);
    if (found !== null) edit((d) => ({ ...d, tempo: String(found) }));
  };
  const pick = (level: Level): void => edit((d) => ({ ...d, level }));
  const tick = (rungId: string): void => {
    if (section) run(tickRung, { studentId: student.id, sectionId: section.id, rungId, inLesson: true });
  };

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
      record();
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
    tempoInput,
    noteInput,
    recorded,
    storing,
    proposed,
    why: proposal ? proposal.because : start ? `may start at ${start.level}: ${start.why}; a digit records it` : '',
    heard: isHeard(draft),
    last: next === undefined,
    edit,
    choose,
    pick,
    record,
    tap,
    tick,
  };
}
