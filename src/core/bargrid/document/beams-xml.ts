import { hasUnsaidGroups } from '../../score';
import type { Draft, DraftEvent } from '../draft';
import { writtenPieces } from './event-xml';

const FLAGGED: ReadonlySet<string | null> = new Set(['eighth', '16th', '32nd', '64th', '128th']);

/** Whether the beams of a draft are written down: where they have to tell the beats. Elsewhere engraving finds them. */
export const writesBeams = (draft: Draft): boolean =>
  draft.bars.some((bar) => bar.meter?.parts.some(hasUnsaidGroups) ?? false);

const isFlagged = (event: DraftEvent): boolean => {
  const [piece, ...more] = writtenPieces(event);
  return event.kind === 'note' && more.length === 0 && FLAGGED.has(piece?.value ?? null);
};

/** The beam of each event of a voice in a bar: notes with flags that are written together. */
export function beamsXml(events: readonly DraftEvent[]): readonly string[] {
  const runs: number[][] = [];
  events.forEach((event, i) => {
    if (!isFlagged(event)) return;
    const last = runs[runs.length - 1];
    if (last && event.joined && last[last.length - 1] === i - 1) last.push(i);
    else runs.push([i]);
  });
  const beams = events.map(() => '');
  for (const run of runs.filter((r) => r.length > 1))
    run.forEach((at, k) => {
      beams[at] = `<beam number="1">${k === 0 ? 'begin' : k === run.length - 1 ? 'end' : 'continue'}</beam>`;
    });
  return beams;
}
