import { fromText } from './plain-data';
import type { HomeWeek } from './home-week';

/** What the page was given. It was written by this program's own other half: what it holds is known. */
export function weekOfPage(): HomeWeek | null {
  const text = document.getElementById('week')?.textContent ?? '';
  return text === '' ? null : (fromText(text) as HomeWeek);
}

const NARROW = '(max-width: 760px)';

/** The lines of an excerpt as they stand in the page, for the width that there is. */
export function linesOfPage(excerpt: string): readonly string[] {
  const linesOf = (look: 'wide' | 'narrow'): readonly string[] =>
    [...document.querySelectorAll(`#sheet [data-${look}="${CSS.escape(excerpt)}"] .engraved`)].map((e) => e.innerHTML);
  const narrow = window.matchMedia(NARROW).matches ? linesOf('narrow') : [];
  return narrow.length > 0 ? narrow : linesOf('wide');
}
