import { useMemo } from 'react';
import type { Fingering, FingeredNote, FingeringLock, FingeringRequest } from '@/core/fingering';
import type { Player } from '@/core/players';
import type { Score } from '@/core/score';
import { FULL_FINGERING, type FingerMark, type Mark, type Piece, type Student } from '@/core/studio';
import { refusedFingers } from '@/marked';
import { shownOf, useFingering, type Answer } from '@/features/score';
import { fingersOf } from '@/marked';
import type { ViewChoices } from './use-view-choices';

/** The teacher's fingers as they are locked for the solver, which knows the printed ones itself. */
function locksOf(
  score: Score,
  fingers: ReadonlyMap<string, FingerMark>,
  wind: boolean,
): ReadonlyMap<string, FingeringLock> {
  const locks = new Map<string, FingeringLock>();
  for (const n of score.notes) {
    const mine = fingers.get(n.id);
    if (mine && wind) locks.set(n.id, { keys: mine.finger });
    else if (mine)
      locks.set(n.id, {
        finger: mine.finger,
        ...(mine.string === undefined ? {} : { string: mine.string }),
        ...(mine.fret === undefined ? {} : { fret: mine.fret }),
      });
  }
  return locks;
}

export interface Fingers {
  /** Those of the variant in hand, by note. */
  readonly fingers: ReadonlyMap<string, FingerMark>;
  readonly variants: readonly string[];
  readonly asked: Answer<Fingering>;
  readonly fingering: Fingering | null;
  readonly proposed: ReadonlyMap<string, FingeredNote>;
  /** For whom and what the proposals are: an action on them is about this and nothing else. */
  readonly forWhom: string;
}

/** The fingers of some bars: what is written, and what is proposed around it for the student in hand. */
export function useFingers(
  {
    piece,
    player,
    score,
    marks,
    student,
  }: {
    readonly piece: Piece;
    readonly player: Player;
    readonly score: Score;
    readonly marks: readonly Mark[];
    readonly student: Student | null;
  },
  [from, to]: readonly [number, number],
  variant: string,
  { openOrFourth, onString, capo }: Pick<ViewChoices, 'openOrFourth' | 'onString' | 'capo'>,
): Fingers {
  const instrument = player.instrument ?? piece.instrument;
  const solver = fingersOf(instrument)?.kind ?? null;
  // What was written for another instrument is put aside until it is played on that again.
  const all = useMemo(
    () =>
      marks.flatMap((m) =>
        m.kind === 'finger' && m.studentId === null && (m.instrument ?? piece.instrument) === instrument ? [m] : [],
      ),
    [marks, piece.instrument, instrument],
  );
  const fingers = useMemo(
    () => new Map(all.filter((m) => (m.variant ?? FULL_FINGERING) === variant).map((m) => [m.noteId, m] as const)),
    [all, variant],
  );
  const variants = useMemo(
    () => [...new Set([FULL_FINGERING, 'simple', variant, ...all.map((m) => m.variant ?? FULL_FINGERING)])],
    [all, variant],
  );
  const hands = useMemo(
    () => new Map(marks.flatMap((m) => (m.kind === 'hand' ? [[m.noteId, m.hand] as const] : []))),
    [marks],
  );
  const refused = useMemo(() => refusedFingers(marks), [marks]);
  const span = student?.handSpanInSemitones ?? null;
  const request = useMemo<FingeringRequest | null>(() => {
    if (solver === null) return null;
    return {
      instrument,
      locks: locksOf(score, fingers, solver === 'wind'),
      refused,
      hands,
      from,
      to,
      openOrFourth,
      margins: true,
      ...(onString === '' ? {} : { onString: Number(onString) }),
      ...(capo === '' ? {} : { capo: Number(capo) }),
      ...(span ? { spanInSemitones: span } : {}),
    };
  }, [instrument, solver, score, fingers, refused, hands, from, to, openOrFourth, onString, capo, span]);
  // Proposals of another student, variant or instrument are never shown for this one.
  const forWhom = JSON.stringify([student?.id ?? null, instrument, variant, capo, onString, from, to]);
  const asked = useFingering(piece, player, forWhom, request);
  const fingering = solver === null ? null : shownOf(asked);
  const proposed = useMemo(() => new Map((fingering?.notes ?? []).map((f) => [f.noteId, f])), [fingering]);
  return { fingers, variants, asked, fingering, proposed, forWhom };
}
