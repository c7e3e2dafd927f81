import { barsText } from '../sections';
import { barSeconds, playedSeconds, struckNotes, tempoAt, type Score } from '../score';
import type { Rung, RungKind } from '../studio';

export interface LadderRequest {
  readonly score: Score;
  /** Bars, both included. */
  readonly from: number;
  readonly to: number;
  readonly instrument: string;
  /** Quarters a minute; null takes the tempo at the start of the section. */
  readonly targetTempo: number | null;
  /** Gives ids to new rungs. */
  readonly newId: () => string;
}

/** A steady student's fastest comfortable notes a second while learning **[from memory]**; a start tempo keeps the densest beat under it. */
export const COMFORTABLE_NOTES_PER_SECOND = 4;
/** Share of the target at which a piece is begun **[common practice]**. */
export const START_SHARE = 0.6;

/** Struck onsets in the busiest quarter of any staff in the range, per quarter. */
export function densestQuarter(score: Score, from: number, to: number): number {
  const counts = new Map<string, Set<number>>();
  for (const { note } of struckNotes(score.notes)) {
    if (note.bar < from || note.bar > to || note.grace !== null) continue;
    const key = `${note.part} ${note.staff} ${Math.floor(note.onset / score.ticksPerQuarter)}`;
    const set = counts.get(key);
    if (set) set.add(note.onset);
    else counts.set(key, new Set([note.onset]));
  }
  return Math.max(0, ...[...counts.values()].map((s) => s.size));
}

/** The slower of 60 % of the target and the speed at which the densest quarter stays under the comfortable rate; whole, at least 30. */
export function startTempo(score: Score, from: number, to: number, target: number): number {
  const densest = densestQuarter(score, from, to);
  const byRate = densest > 0 ? (COMFORTABLE_NOTES_PER_SECOND / densest) * 60 : Infinity;
  return Math.max(30, Math.min(Math.round(target), Math.round(Math.min(START_SHARE * target, byRate))));
}

interface Facts {
  readonly twoHands: boolean;
  readonly hasDynamics: boolean;
  readonly hasArticulation: boolean;
  readonly bars: string;
  readonly firstOfPiece: boolean;
  readonly lastOfPiece: boolean;
  readonly start: number;
  readonly target: number;
  readonly hardestBar: string | null;
}

function facts(request: LadderRequest): Facts {
  const { score, from, to } = request;
  const inside = score.notes.filter((n) => n.bar >= from && n.bar <= to);
  const bar = score.bars[from];
  const target = Math.round(request.targetTempo ?? (bar ? tempoAt(score, bar.onset) : 90));
  const perBar = score.bars.slice(from, to + 1).map((b) => ({
    b,
    n: inside.filter((n) => n.bar === b.index).length / Math.max(0.1, barSeconds(score, b)),
  }));
  const hardest = perBar.reduce<{ b: (typeof perBar)[number]['b']; n: number } | null>((best, x) => (best === null || x.n > best.n ? x : best), null);
  return {
    twoHands: new Set(inside.map((n) => `${n.part} ${n.staff}`)).size > 1,
    hasDynamics: score.directions.some((d) => d.bar >= from && d.bar <= to && (d.kind === 'dynamic' || d.kind === 'wedge')),
    hasArticulation: inside.some((n) => n.marks.articulations.length > 0 || n.marks.slurs.length > 0),
    bars: barsText(score, from, to),
    firstOfPiece: from === 0,
    lastOfPiece: to === score.bars.length - 1,
    start: startTempo(score, from, to, target),
    target,
    hardestBar: to > from && hardest ? hardest.b.number : null,
  };
}

/**
 * A first ladder for a section, bottom rung first: find, tap, hands alone, together, joins, corner, tempo, the marks, the run.
 * A rung stands only where the section gives a reason for it.
 */
export function defaultLadder(request: LadderRequest): Rung[] {
  const f = facts(request);
  const rung = (
    kind: RungKind,
    what: string,
    hands: string,
    tempo: number | null,
    times: number,
    done: string,
    why: string,
    tempoTo: number | null = null,
  ): Rung => ({
    id: request.newId(),
    kind,
    what,
    hands,
    tempo,
    tempoTo,
    times,
    done,
    why,
    own: false,
  });
  const half = Math.round((f.start + f.target) / 2);
  const out: Rung[] = [rung('tap', `Tap and count bars ${f.bars}`, f.twoHands ? 'both' : '', f.start, 2, 'twice without a stop', 'rhythm before notes')];
  if (f.twoHands) {
    out.push(rung('right-alone', 'Right hand alone', 'right', f.start, 4, '3 in a row without a stop', 'one problem at a time'));
    out.push(rung('left-alone', 'Left hand alone', 'left', f.start, 4, '3 in a row without a stop', 'one problem at a time'));
    out.push(
      rung(
        'together',
        'Hands together, stop at each bar line',
        'both',
        Math.max(30, Math.round(f.start * 0.9)),
        4,
        '3 in a row, fingers as marked',
        'the bar line is where the hand prepares',
      ),
    );
  } else out.push(rung('alone', 'Play slowly, eyes on the page', '', f.start, 4, '3 in a row without a stop', 'right notes and fingers from the first time'));
  if (f.hardestBar !== null)
    out.push(
      rung(
        'corner',
        `Loop bar ${f.hardestBar} with the first note of the next`,
        f.twoHands ? 'both' : '',
        f.start,
        6,
        '4 in a row',
        'most notes a second in this section',
      ),
    );
  if (!f.firstOfPiece)
    out.push(rung('join', 'From the bar before into this section', f.twoHands ? 'both' : '', f.start, 3, '3 in a row', 'the join is learned with the section'));
  out.push(
    rung(
      'tempo',
      'Tempo steps',
      f.twoHands ? 'both' : '',
      f.start,
      5,
      'each step twice, all notes right',
      `from ${f.start}, where everything is right, to the target`,
      f.target,
    ),
  );
  if (f.hasArticulation)
    out.push(
      rung('articulation', 'Every slur and touch as printed', f.twoHands ? 'both' : '', half, 3, 'heard by someone else', 'slurs or touches are printed here'),
    );
  if (f.hasDynamics) out.push(rung('dynamics', 'Dynamics as planned', f.twoHands ? 'both' : '', half, 3, 'heard by someone else', 'dynamics are printed here'));
  out.push(rung('run', `Bars ${f.bars} from cold`, f.twoHands ? 'both' : '', f.target, 1, 'first try of the day', 'secure means from cold'));
  return out;
}

/** Seconds one pass through the range takes at a tempo in quarters a minute. */
export const passSeconds = (score: Score, from: number, to: number, tempo: number): number =>
  playedSeconds(
    score,
    score.bars.slice(from, to + 1).map((b) => b.index),
    tempo as Parameters<typeof playedSeconds>[2],
  );
