import type { MadeRung, Rung } from '../studio';

/** A field that the teacher and the new build both changed; the teacher's stands. */
export interface LadderConflict {
  readonly rungId: string;
  readonly what: string;
  readonly field: keyof MadeRung;
  readonly kept: string;
  readonly built: string;
}

export interface MergedLadder {
  readonly rungs: readonly Rung[];
  readonly conflicts: readonly LadderConflict[];
  readonly added: number;
  readonly dropped: number;
}

const FIELDS = ['what', 'hands', 'tempo', 'tempoTo', 'times', 'done'] as const satisfies readonly (keyof MadeRung)[];
const madeOf = (r: Rung): MadeRung => ({
  what: r.what,
  hands: r.hands,
  tempo: r.tempo,
  tempoTo: r.tempoTo,
  times: r.times,
  done: r.done,
});

function mergeRung(mine: Rung, built: Rung): { readonly rung: Rung; readonly conflicts: readonly LadderConflict[] } {
  const base = mine.made ?? madeOf(mine);
  const fresh = built.made ?? madeOf(built);
  const merged: Record<string, MadeRung[keyof MadeRung]> = {};
  const conflicts: LadderConflict[] = [];
  for (const field of FIELDS) {
    const changedByMe = mine[field] !== base[field];
    const changedByBuild = fresh[field] !== base[field];
    merged[field] = changedByMe ? mine[field] : fresh[field];
    if (changedByMe && changedByBuild && mine[field] !== fresh[field])
      conflicts.push({
        rungId: mine.id,
        what: mine.what,
        field,
        kept: String(mine[field] ?? 'none'),
        built: String(fresh[field] ?? 'none'),
      });
  }
  const values = merged as unknown as MadeRung;
  const own = FIELDS.some((f) => values[f] !== fresh[f]);
  return { rung: { ...built, ...values, id: mine.id, made: fresh, own }, conflicts };
}

/**
 * A ladder built anew, merged with the one there is, by the teacher's changes since it was built: fields the teacher
 * changed stay, the others follow the new build, own rungs and the teacher's order stay, what the teacher took away
 * (`removed`, by key) stays away, what the new build no longer asks goes unless the teacher changed it. New rungs stand
 * after the rung they follow in the new build.
 *
 * @example
 * mergeLadder([rung('tap')], ['run'], [rung('tap'), rung('slow'), rung('run')]).rungs.map((r) => r.kind)
 * // → ['tap', 'slow']
 */
export function mergeLadder(mine: readonly Rung[], removed: readonly string[], built: readonly Rung[]): MergedLadder {
  const byKey = new Map(built.flatMap((b) => (b.key === undefined ? [] : [[b.key, b] as const])));
  const conflicts: LadderConflict[] = [];
  const out: Rung[] = [];
  let dropped = 0;
  for (const m of mine) {
    const b = m.key === undefined ? undefined : byKey.get(m.key);
    if (b) {
      const merged = mergeRung(m, b);
      conflicts.push(...merged.conflicts);
      out.push(merged.rung);
    } else if (m.own || m.key === undefined) out.push(m);
    else dropped += 1;
  }
  const there = new Set(mine.flatMap((m) => m.key ?? []));
  const gone = new Set(removed);
  let added = 0;
  built.forEach((b, i) => {
    if (b.key === undefined || there.has(b.key) || gone.has(b.key)) return;
    const before = built
      .slice(0, i)
      .reverse()
      .find((p) => out.some((o) => o.key === p.key));
    const at = before ? out.findIndex((o) => o.key === before.key) + 1 : 0;
    out.splice(at, 0, b);
    added += 1;
  });
  return { rungs: out, conflicts, added, dropped };
}
