import { lastWhere, type Direction, type Note, type Score } from '../score';

/** A level or an end of a hairpin at an onset, printed or accepted; `staff` null for the whole part. */
export type DynamicSign = Pick<Direction, 'part' | 'staff' | 'onset'> &
  (
    | { readonly kind: 'dynamic'; readonly level: string }
    | { readonly kind: 'wedge'; readonly role: 'crescendo' | 'diminuendo' | 'stop' }
  );

/**
 * Key velocities of the levels, the middle of the scale where nothing is marked **[from memory, common in
 * sequencers]**.
 */
const VELOCITY: Readonly<Record<string, number>> = {
  pppp: 8,
  ppp: 16,
  pp: 33,
  p: 49,
  mp: 64,
  mf: 80,
  f: 96,
  ff: 112,
  fff: 126,
  ffff: 127,
};
const UNMARKED = 80;
/** From one level to the next. */
const STEP = 16;
/** What an accent adds, and a strong one **[from memory]**. */
const ACCENT = 14;
const STRONG_ACCENT = 22;

const within = (velocity: number): number => Math.max(8, Math.min(127, Math.round(velocity)));

/** Where a part gets louder or softer: from `from` to `to` in ticks, from one velocity to another. */
interface Ramp {
  readonly from: number;
  readonly to: number;
  readonly start: number;
  readonly end: number;
}

/** The course of one staff: levels by onset, and the hairpins between them. */
interface Course {
  readonly levels: readonly { readonly onset: number; readonly velocity: number }[];
  readonly ramps: readonly Ramp[];
}

function courseOf(signs: readonly DynamicSign[], last: number): Course {
  const levels: { onset: number; velocity: number }[] = [];
  const ramps: Ramp[] = [];
  let now = UNMARKED;
  let open: { readonly onset: number; readonly role: 'crescendo' | 'diminuendo' } | null = null;
  const close = (at: number, goal: number | null): void => {
    if (!open || at <= open.onset) return;
    const isUp = open.role === 'crescendo';
    // A hairpin goes to the level that stands at its end; without one, or where that says the contrary, one level on.
    const end = goal !== null && (isUp ? goal > now : goal < now) ? goal : within(now + (isUp ? STEP : -STEP));
    ramps.push({ from: open.onset, to: at, start: now, end });
    levels.push({ onset: at, velocity: end });
    now = end;
    open = null;
  };
  signs.forEach((sign, i) => {
    if (sign.kind === 'dynamic') {
      const velocity = VELOCITY[sign.level];
      if (velocity === undefined) return;
      close(sign.onset, velocity);
      levels.push({ onset: sign.onset, velocity });
      now = velocity;
    } else if (sign.role === 'stop') {
      const next = signs.slice(i + 1).find((s) => s.kind === 'dynamic' && s.onset === sign.onset);
      close(sign.onset, next?.kind === 'dynamic' ? (VELOCITY[next.level] ?? null) : null);
    } else {
      close(sign.onset, null);
      open = { onset: sign.onset, role: sign.role };
    }
  });
  close(last, null);
  return { levels, ramps };
}

/** Whether a direction of the page says something of loudness. */
export const isDynamicSign = (d: Direction): d is Direction & DynamicSign => d.kind === 'dynamic' || d.kind === 'wedge';

/**
 * How loud each note of a score is, 1 to 127: the level in force, a hairpin as a ramp from one to the next, accents on
 * top. A level between the staves of one player holds for both.
 *
 * @example velocities(score)(score.notes[0]) // → 80
 */
export function velocities(score: Score, given?: readonly DynamicSign[]): (note: Note) => number {
  const all = [...(given ?? score.directions.filter(isDynamicSign))].sort((a, b) => a.onset - b.onset);
  const lastBar = score.bars[score.bars.length - 1];
  const end = lastBar ? lastBar.onset + lastBar.length : 0;
  const courses = new Map<string, Course>();
  const courseFor = (part: string, staff: number): Course => {
    const key = `${part} ${staff}`;
    const known = courses.get(key);
    if (known) return known;
    const course = courseOf(
      all.filter((d) => d.part === part && (d.staff === null || d.staff === staff || d.staff === 1)),
      end,
    );
    courses.set(key, course);
    return course;
  };
  return (note) => {
    const { levels, ramps } = courseFor(note.part, note.staff);
    const ramp = ramps.find((r) => r.from <= note.onset && note.onset < r.to);
    const level = ramp
      ? ramp.start + ((ramp.end - ramp.start) * (note.onset - ramp.from)) / (ramp.to - ramp.from)
      : (levels[lastWhere(levels, (l) => l.onset <= note.onset)]?.velocity ?? UNMARKED);
    const { articulations } = note.marks;
    const extra = articulations.includes('strong-accent')
      ? STRONG_ACCENT
      : articulations.includes('accent')
        ? ACCENT
        : 0;
    return within(level + extra);
  };
}
