import type { ReactNode } from 'react';
import type { Player } from '@/core/players';
import type { Score } from '@/core/score';
import { Choose } from '@/ui';
import { PAGE_VIEWS, usePageView, type PagePlace } from './page-view';

/** How a page of several parts is drawn; nothing where there is one part. */
export function PageViewChoice({
  score,
  player,
  place,
}: {
  readonly score: Score;
  readonly player: Player;
  readonly place: PagePlace;
}): ReactNode {
  const { view, several, setView } = usePageView(score, player, place);
  if (!several) return null;
  return (
    <Choose
      label="Page"
      value={view}
      choices={PAGE_VIEWS}
      onPick={(v) => setView(PAGE_VIEWS.find(([id]) => id === v)?.[0] ?? 'alone')}
    />
  );
}
