/** Where the sustaining pedal of a piano would be changed: with the harmony. */
import type { Note, Score } from '../score';
import type { BeatChord, Harmony } from './harmony';

/** Down at the first chord, changed with each other one, up before silence. */
export interface PedalPlace {
  readonly noteId: string;
  readonly sign: 'down' | 'change' | 'up';
  readonly reason: string;
}

/** A chord less sure than this is no reason to change. Chosen by us. */
const SURE_FROM = 0.6;

const isSure = (b: BeatChord): boolean => b.root !== null && (b.printed || b.certainty >= SURE_FROM);
const says = (b: BeatChord): string => `${b.root ?? ''} ${b.kind}`;

/** The lowest note that begins at each onset: the foot follows the bass. */
function lowestAt(notes: readonly Note[]): ReadonlyMap<number, Note> {
  const lowest = new Map<number, Note>();
  for (const n of notes) {
    const there = lowest.get(n.onset);
    if (n.grace === null && n.midi !== null && (!there || (there.midi ?? 0) > n.midi)) lowest.set(n.onset, n);
  }
  return lowest;
}

/** Silences of at least a beat, as the onset from which nothing sounds. */
function silencesOf(notes: readonly Note[], beat: number): ReadonlySet<number> {
  const sounding = notes.filter((n) => n.grace === null).sort((a, b) => a.onset - b.onset);
  const from = new Set<number>();
  let end = 0;
  for (const n of sounding) {
    if (end > 0 && n.onset - end >= beat) from.add(end);
    end = Math.max(end, n.onset + n.duration);
  }
  if (end > 0) from.add(end);
  return from;
}

/**
 * Pedal signs from the harmony, in order: down at the first sure chord and after each silence, changed where another
 * chord begins with a struck note, up where nothing sounds any more **[common practice]**. None where the page has
 * pedal signs of its own, and none where no chords can be told. Whether a piece takes pedal at all is the teacher's to
 * say.
 *
 * @example pedalPlaces(scoreOf('C4 |'), { beats: [], untold: true }) // → []
 */
export function pedalPlaces(score: Score, { beats, untold }: Pick<Harmony, 'beats' | 'untold'>): readonly PedalPlace[] {
  if (untold || score.directions.some((d) => d.kind === 'pedal')) return [];
  const at = lowestAt(score.notes);
  const silences = [...silencesOf(score.notes, score.ticksPerQuarter)].sort((a, b) => a - b);
  const places: PedalPlace[] = [];
  let held: string | null = null;
  const lift = (until: number): void => {
    while (silences[0] !== undefined && silences[0] <= until) {
      const end = silences.shift() ?? 0;
      const last = score.notes.filter((n) => n.grace === null && n.onset < end && n.onset + n.duration <= end).pop();
      if (held !== null && last) places.push({ noteId: last.id, sign: 'up', reason: 'then nothing sounds' });
      held = null;
    }
  };
  for (const beat of beats) {
    lift(beat.onset);
    const note = at.get(beat.onset);
    if (!note || !isSure(beat) || says(beat) === held) continue;
    places.push({
      noteId: note.id,
      sign: held === null ? 'down' : 'change',
      reason: held === null ? `${beat.symbol} begins` : `the chord changes to ${beat.symbol}`,
    });
    held = says(beat);
  }
  lift(Infinity);
  return places;
}
