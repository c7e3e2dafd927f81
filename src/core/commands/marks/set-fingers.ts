import type { InstrumentId } from '../../instruments';
import { placeSections } from '../../sections';
import type { Score } from '../../score';
import {
  FULL_FINGERING,
  markId,
  type FingerMark,
  type Mark,
  type MarkOf,
  type NewMark,
  type StudioEvent,
} from '../../studio';
import { ok } from '../../result';
import { command, put, remove, type RowChange } from '../command';

/** A finger as it is to stand at a note; null takes it away. */
export interface FingerAt {
  readonly noteId: string;
  readonly finger: Pick<FingerMark, 'finger' | 'string' | 'fret' | 'position'> | null;
}

export interface SetFingers {
  readonly pieceId: string;
  /** The score the notes are of. */
  readonly score: Score;
  readonly variant: string;
  /** What they are for, where that is not the instrument of the piece. */
  readonly instrument?: InstrumentId;
  readonly fingers: readonly FingerAt[];
  readonly label: string;
}

const isFinger = (m: Mark): m is MarkOf<'finger'> => m.kind === 'finger';

/**
 * Sets or takes away fingers, each at its note. Where a section around the note was practised before, the change is
 * remembered as a record of its own: an old finger comes back under stress.
 */
export const setFingers = command({
  asks: ({ pieceId }: SetFingers) => ({
    marks: { pieceId },
    sections: { pieceId },
    standings: { pieceId },
    students: 'all',
  }),
  run: (stored, { pieceId, score, variant, instrument, fingers, label }: SetFingers, { now, newId }) => {
    const byId = new Map(stored.marks.filter(isFinger).map((m) => [m.id, m]));
    const noteOf = new Map(score.notes.map((n) => [n.id, n]));
    const placed = placeSections(score, stored.sections);
    const practisers = new Set<string>();
    const changes: RowChange[] = [];
    const records: StudioEvent[] = [];
    for (const { noteId, finger } of new Map(fingers.map((f) => [f.noteId, f])).values()) {
      const note = noteOf.get(noteId);
      const fresh: NewMark = {
        kind: 'finger',
        pieceId,
        studentId: null,
        source: 'teacher',
        noteId,
        finger: finger?.finger ?? '',
        ...(finger?.string === undefined ? {} : { string: finger.string }),
        ...(finger?.fret === undefined ? {} : { fret: finger.fret }),
        ...(finger?.position === undefined ? {} : { position: finger.position }),
        ...(variant === FULL_FINGERING ? {} : { variant }),
        ...(instrument === undefined ? {} : { instrument }),
      };
      const id = markId(fresh);
      const before = byId.get(id);
      if (finger) changes.push(put('marks', { ...fresh, id }));
      else if (before) changes.push(remove('marks', id));
      const was = before?.finger ?? note?.marks.fingers[0] ?? null;
      const is = finger?.finger ?? null;
      if (was === null || was === is || !note) continue;
      const around = new Set(placed.filter((p) => p.from <= note.bar && p.to >= note.bar).map((p) => p.section.id));
      const who = stored.standings.filter((s) => around.has(s.sectionId));
      if (who.length === 0) continue;
      for (const s of who) practisers.add(s.studentId);
      records.push({ id: newId(), at: now, kind: 'fingering', pieceId, noteId, before: was, after: is });
    }
    const names = stored.students.flatMap((s) => (practisers.has(s.id) ? [s.name] : []));
    return ok({
      label,
      changes,
      records,
      ...(records.length > 0
        ? {
            warns: `${names.join(', ')} practised this already: an old finger comes back under stress. The change is kept with its date.`,
          }
        : {}),
    });
  },
});
