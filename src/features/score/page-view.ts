import { useSyncExternalStore } from 'react';
import type { ExcerptRequest } from '@/core/musicxml';
import type { Player } from '@/core/players';
import type { Score } from '@/core/score';

/** How a page of several parts is drawn: the player's large under the others, all alike, or the player's alone. */
export type PageView = 'large' | 'all' | 'alone';
export const PAGE_VIEWS: readonly (readonly [PageView, string])[] = [
  ['alone', 'this part alone'],
  ['large', 'others small above'],
  ['all', 'all parts'],
];

/** Staves of others that fit above the player's without hiding it. */
const MOST_SMALL_STAVES = 3;

/** Where the view is chosen: the page is looked at otherwise while marks are written. */
export type PagePlace = 'page' | 'marks';

const chosen = new Map<PagePlace, PageView>();
const listeners = new Set<() => void>();
const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** How the page is drawn here, and how another choice is made; kept while the application is open. */
export function usePageView(
  score: Score,
  player: Player,
  place: PagePlace,
): { readonly view: PageView; readonly several: boolean; readonly setView: (view: PageView) => void } {
  const own = useSyncExternalStore(
    subscribe,
    () => chosen.get(place),
    () => undefined,
  );
  const others = score.parts.filter((p) => !player.parts.includes(p.id));
  const staves = others.reduce((sum, p) => sum + p.staves, 0);
  const usual: PageView = place === 'marks' || staves > MOST_SMALL_STAVES ? 'alone' : 'large';
  return {
    view: own ?? usual,
    several: others.length > 0,
    setView: (view) => {
      chosen.set(place, view);
      listeners.forEach((tell) => tell());
    },
  };
}

/** Which parts are drawn, in which order and which of them small. */
export function partsDrawn(score: Score, player: Player, view: PageView): Pick<ExcerptRequest, 'parts' | 'small'> {
  const ids = score.parts.map((p) => p.id);
  const mine = ids.filter((id) => player.parts.includes(id));
  const others = ids.filter((id) => !player.parts.includes(id));
  if (mine.length === 0 || others.length === 0) return {};
  switch (view) {
    case 'all':
      return {};
    case 'alone':
      return { parts: mine };
    case 'large':
      return { parts: [...others, ...mine], small: others };
  }
}
