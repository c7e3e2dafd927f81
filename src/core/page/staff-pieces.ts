import type { Plane } from './plane';
import type { TracedStaff } from './traced-staff';

/** Two pieces of a staff are one where no more than so many spaces are between them, and as far apart in height. */
const PIECES = { along: 14, apart: 0.8 } as const;
/** Of what hides the lines between two pieces so much is ink: else they end there. */
const HIDDEN = 0.12;

/** One staff of two pieces of it, its lines drawn on between them; null where they are not of one. */
function joinedPieces(plane: Plane, space: number, a: TracedStaff, b: TracedStaff): TracedStaff | null {
  const between = b.left - a.right - 1;
  if (between < 0 || between > PIECES.along * space) return null;
  const end = { top: a.top[a.top.length - 1] ?? 0, space: a.space[a.space.length - 1] ?? space };
  const begin = { top: b.top[0] ?? 0, space: b.space[0] ?? space };
  if (Math.abs(end.top + 2 * end.space - begin.top - 2 * begin.space) > PIECES.apart * space) return null;
  const at = (from: number, to: number, i: number): number => from + ((to - from) * (i + 1)) / (between + 1);
  let ink = 0;
  for (let i = 0; i < between; i += 1) {
    const [top, apart] = [at(end.top, begin.top, i), at(end.space, begin.space, i)];
    const rows = Math.round(4 * apart);
    for (let y = 0; y < rows; y += 1)
      ink += (plane.values[(Math.round(top) + y) * plane.width + a.right + 1 + i] ?? 0) / rows;
  }
  if (between > 0 && ink / between < HIDDEN) return null;
  const through = (p: Float32Array, q: Float32Array): Float32Array =>
    Float32Array.from({ length: p.length + between + q.length }, (_, i) => {
      if (i < p.length) return p[i] ?? 0;
      if (i >= p.length + between) return q[i - p.length - between] ?? 0;
      return at(p[p.length - 1] ?? 0, q[0] ?? 0, i - p.length);
    });
  const [wide, other] = [a.right - a.left, b.right - b.left];
  return {
    left: a.left,
    right: b.right,
    top: through(a.top, b.top),
    space: through(a.space, b.space),
    contrast: through(a.contrast, b.contrast),
    certainty: (a.certainty * wide + b.certainty * other) / (wide + other),
  };
}

/** Staves of which pieces were found: beams and chords may hide their lines for a while. */
export function withoutGaps(plane: Plane, space: number, pieces: readonly TracedStaff[]): readonly TracedStaff[] {
  const whole: TracedStaff[] = [];
  for (const piece of [...pieces].sort((a, b) => a.left - b.left)) {
    let joined: TracedStaff | null = null;
    for (let i = 0; i < whole.length && !joined; i += 1) {
      const before = whole[i];
      joined = before ? joinedPieces(plane, space, before, piece) : null;
      if (joined) whole[i] = joined;
    }
    if (!joined) whole.push(piece);
  }
  return whole;
}
