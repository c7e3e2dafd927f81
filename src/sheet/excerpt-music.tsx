import type { ReactNode } from 'react';
import { LanesAbove, LanesBelow, PencilOver } from '@/marked';
import { EngravedLines } from '@/ui';
import type { DrawnExcerpt } from './drawn-sheet';

/** Lines of music with what is marked at them. */
export function ExcerptMusic({
  excerpt: { played, seen, label },
  lines,
  dense,
}: {
  readonly excerpt: Pick<DrawnExcerpt, 'played' | 'seen' | 'label'>;
  readonly lines: readonly string[];
  /** Marks close to the music, and small. */
  readonly dense: boolean;
}): ReactNode {
  const about = { seen, played, dense };
  return (
    <EngravedLines
      systems={lines}
      label={label}
      over={(layout) => <PencilOver marks={seen.pencil} layout={layout} />}
      above={(layout) => <LanesAbove {...about} layout={layout} />}
      below={(layout) => <LanesBelow {...about} layout={layout} />}
    />
  );
}
