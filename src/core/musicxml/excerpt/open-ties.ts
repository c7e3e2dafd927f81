import { tieLinks, type Note } from '../../score';

/** Ties of an excerpt that go over its edges, by note id. */
export interface OpenTies {
  /** Their next note is behind the last bar. */
  readonly leaving: ReadonlySet<string>;
  /** Their note before is in front of the first bar. */
  readonly arriving: ReadonlySet<string>;
}

/** Which ties of bars `from` to `to` are open at an edge. */
export function openTies(notes: readonly Note[], from: number, to: number): OpenTies {
  const near = notes.filter((n) => n.bar >= from - 1 && n.bar <= to + 1);
  const links = tieLinks(near);
  const inside = (n: Note | undefined): boolean => n !== undefined && n.bar >= from && n.bar <= to;
  const reached = new Set(near.flatMap((n) => (inside(n) ? [links.get(n.id)?.id ?? ''] : [])));
  const mine = near.filter(inside);
  return {
    leaving: new Set(
      mine.flatMap((n) => ((n.tie === 'start' || n.tie === 'continue') && !inside(links.get(n.id)) ? [n.id] : [])),
    ),
    arriving: new Set(
      mine.flatMap((n) => ((n.tie === 'stop' || n.tie === 'continue') && !reached.has(n.id) ? [n.id] : [])),
    ),
  };
}
