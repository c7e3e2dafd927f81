import type { DynamicLevel } from '@/core/dynamics';
import type { PedalPlace } from '@/core/harmony';
import type { Mark, NewMark } from '@/core/studio';
import type { Marking } from '@/workers';

/** Something proposed at a note: how it reads, why, and the mark it becomes. */
export interface Suggestion {
  /** Stays the same as long as it says the same: a refused one is known by it. */
  readonly key: string;
  readonly noteId: string;
  readonly lane: 'dynamic' | 'breath' | 'bow' | 'phrase' | 'pedal' | 'cue';
  readonly text: string;
  readonly reason: string;
  readonly body: SuggestedBody;
}

type SuggestedBody =
  | { readonly kind: 'dynamic'; readonly noteId: string; readonly level: DynamicLevel }
  | {
      readonly kind: 'wedge';
      readonly noteId: string;
      readonly toNoteId: string;
      readonly role: 'crescendo' | 'diminuendo';
    }
  | { readonly kind: 'breath'; readonly noteId: string; readonly catch: boolean }
  | { readonly kind: 'bow'; readonly noteId: string; readonly direction: 'up' | 'down' }
  | { readonly kind: 'pedal'; readonly noteId: string; readonly sign: 'down' | 'change' | 'up' }
  | { readonly kind: 'cue'; readonly noteId: string; readonly text: string }
  | { readonly kind: 'phrase'; readonly noteId: string; readonly sign: ',' | '.' | '?' | '!' };

/** How the pedal is written in its lane. */
export const PEDAL_SIGNS: Readonly<Record<PedalPlace['sign'], string>> = { down: 'Ped', change: '∧', up: '✱' };

/** Suggestions for the given notes that are neither refused nor there already. */
export function suggestionsFor(
  marking: Marking,
  inSection: ReadonlySet<string>,
  marks: readonly Mark[],
  refused: ReadonlySet<string>,
  pedals: readonly PedalPlace[] = [],
): Suggestion[] {
  const there = new Set(marks.flatMap((m) => ('noteId' in m ? [`${m.kind} ${m.noteId}`] : [])));
  const all: Suggestion[] = [];
  for (const d of marking.dynamics) {
    if (d.kind === 'wedge' && (d.level === 'crescendo' || d.level === 'diminuendo') && d.toNoteId !== null)
      all.push({
        key: `wedge ${d.noteId} ${d.level}`,
        noteId: d.noteId,
        lane: 'dynamic',
        text: d.level === 'crescendo' ? 'cresc.' : 'dim.',
        reason: d.reason,
        body: { kind: 'wedge', noteId: d.noteId, toNoteId: d.toNoteId, role: d.level },
      });
    else if (d.kind === 'level' && d.level !== 'crescendo' && d.level !== 'diminuendo')
      all.push({
        key: `dynamic ${d.noteId} ${d.level}`,
        noteId: d.noteId,
        lane: 'dynamic',
        text: d.level,
        reason: d.reason,
        body: { kind: 'dynamic', noteId: d.noteId, level: d.level },
      });
  }
  for (const b of marking.breaths?.breaths ?? [])
    if (!b.printed)
      all.push({
        key: `breath ${b.afterNoteId}`,
        noteId: b.afterNoteId,
        lane: 'breath',
        text: b.catch ? '(’)' : '’',
        reason: b.reason,
        body: { kind: 'breath', noteId: b.afterNoteId, catch: b.catch },
      });
  for (const s of marking.bowing?.strokes ?? []) {
    const [noteId] = s.noteIds;
    if (noteId && s.reason !== 'printed')
      all.push({
        key: `bow ${noteId} ${s.direction}`,
        noteId,
        lane: 'bow',
        text: s.direction === 'down' ? '⊓' : '∨',
        reason: s.reason,
        body: { kind: 'bow', noteId, direction: s.direction },
      });
  }
  for (const p of marking.phrases)
    all.push({
      key: `phrase ${p.noteId} ${p.sign}`,
      noteId: p.noteId,
      lane: 'phrase',
      text: p.sign,
      reason: p.reason,
      body: { kind: 'phrase', noteId: p.noteId, sign: p.sign },
    });
  for (const p of pedals)
    all.push({
      key: `pedal ${p.noteId} ${p.sign}`,
      noteId: p.noteId,
      lane: 'pedal',
      text: PEDAL_SIGNS[p.sign],
      reason: p.reason,
      body: { kind: 'pedal', noteId: p.noteId, sign: p.sign },
    });
  for (const g of marking.gestures)
    all.push({
      key: `cue ${g.noteId} ${g.kind}`,
      noteId: g.noteId,
      lane: 'cue',
      text: g.cue,
      reason: g.reason,
      body: { kind: 'cue', noteId: g.noteId, text: g.cue },
    });
  return all.filter((s) => inSection.has(s.noteId) && !refused.has(s.key) && !there.has(`${s.body.kind} ${s.noteId}`));
}

/** The mark that an accepted suggestion becomes. */
export const toMark = (s: Suggestion, pieceId: string): NewMark => ({
  pieceId,
  studentId: null,
  source: 'teacher',
  ...s.body,
});
