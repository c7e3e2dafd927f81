import { useEffect, useRef } from 'react';
import { standingKey } from '@/core/mastery';
import { useDraft } from '@/features/drafts';
import { useWhere } from '@/features/where';
import { freshDraft, parseDraft, type Draft } from './draft';
import type { LessonModel } from './use-lesson';

const draftKey = (studentId: string, sectionId: string): string => `hearing ${studentId} ${sectionId}`;

/**
 * What was heard so far of the section in hand, kept as it is typed. Keys may come faster than the screen follows: what
 * they are about is kept here, ahead of it.
 */
export function useLiveDraft(model: LessonModel, sectionId: string | null) {
  const { student, standings, sections } = model;
  const where = useWhere();
  const fresh = (id: string): Draft => freshDraft(id, standings.get(standingKey(student.id, id))?.facets ?? {});
  const kept = useDraft<Draft>(sectionId === null ? null : draftKey(student.id, sectionId), parseDraft);
  const draft = sectionId === null ? null : (kept.value ?? fresh(sectionId));
  const live = useRef<{ sectionId: string | null; draft: Draft | null }>({ sectionId: null, draft: null });
  const shown = kept.value;
  // While the next piece is still being read the screen shows the last one: what the address names is what is meant.
  const named = sections.some((s) => s.id === where.sectionId) ? where.sectionId : null;
  useEffect(() => {
    if (sectionId === null || (named !== sectionId && named === live.current.sectionId)) return;
    if (live.current.sectionId !== sectionId) live.current = { sectionId, draft: null };
    if (live.current.draft === null && shown !== null && shown.sectionId === sectionId)
      live.current = { sectionId, draft: shown };
  }, [sectionId, shown, named]);
  /** What the keys are about now. */
  const now = (): Draft | null => {
    const { sectionId: about, draft: there } = live.current;
    return about === null ? draft : (there ?? fresh(about));
  };
  return {
    draft,
    now,
    about: (): string | null => live.current.sectionId,
    turnTo: (id: string): void => {
      live.current = { sectionId: id, draft: null };
    },
    edit: (change: (d: Draft) => Draft): void => {
      const before = now();
      if (!before) return;
      const after = change(before);
      live.current = { sectionId: after.sectionId, draft: after };
      kept.set(after, draftKey(student.id, after.sectionId));
    },
    /** What was heard of a section is stored: its draft goes. */
    settle: (id: string): void => {
      kept.settle(draftKey(student.id, id));
      if (live.current.sectionId === id) live.current = { sectionId: id, draft: null };
    },
  };
}
