/** The only file that imports ts-fsrs: it adds methods to Date.prototype when it is loaded. */
import { createEmptyCard, fsrs, Rating, type Card, type Grade } from 'ts-fsrs';
import { millisecondsOf, type LevelEvent, type PracticeEvent } from '../studio';

/** How well a section holds: never changes the recorded level, only says when to hear it again. */
export interface Fading {
  /** When it is due for a check, ISO. */
  readonly due: string;
  /** Days until the chance that it holds has fallen to nine in ten. */
  readonly stabilityInDays: number;
  /** When it was last recalled, where that was at home, after it was heard. */
  readonly recalledAt?: string;
}

export type Hearing = 'lost' | 'shaky' | 'held' | 'easy';

const GRADES: Readonly<Record<Hearing, Grade>> = {
  lost: Rating.Again,
  shaky: Rating.Hard,
  held: Rating.Good,
  easy: Rating.Easy,
};

export interface FadingOptions {
  /** Steps of minutes within a day, as a card trainer has them; a lesson is once a week, so they are off. */
  readonly withinADay?: boolean;
}

/** Made once: making one takes longer than most folds. */
const WEEKLY = fsrs({ enable_fuzz: false, enable_short_term: false });
const WITHIN_A_DAY = fsrs({ enable_fuzz: false, enable_short_term: true });

/**
 * What a level, after the one before it, says of how it held: lower is lost, the same is held, below 2 is shaky, higher
 * comes easily.
 */
export function hearingOf(event: LevelEvent, before: LevelEvent | null): Hearing {
  if (before !== null && event.level < before.level) return 'lost';
  if (event.level < 2) return 'shaky';
  if (before !== null && event.level > before.level && event.level >= 4) return 'easy';
  return 'held';
}

/**
 * Folds hearings, oldest first, with the published model FSRS (ts-fsrs, default parameters, no fuzz). Null without any.
 * Dates are ISO strings; the order is the caller's.
 */
export function fadingOf(
  hearings: readonly { readonly at: string; readonly heard: Hearing }[],
  options: FadingOptions = {},
): Fading | null {
  const [first] = hearings;
  if (!first) return null;
  const model = options.withinADay === true ? WITHIN_A_DAY : WEEKLY;
  let card: Card = createEmptyCard(new Date(millisecondsOf(first.at)));
  for (const h of hearings) card = model.next(card, new Date(millisecondsOf(h.at)), GRADES[h.heard]).card;
  return { due: card.due.toISOString(), stabilityInDays: card.stability };
}

/** Practice that is nearer to what was before recalls nothing, in hours. */
const APART_HOURS = 16;
/** Right less often than this, it was shaky **[from memory]**. */
const MOSTLY_RIGHT = 0.5;

interface Recall {
  readonly at: string;
  readonly heard: Hearing;
}

/**
 * Days of practice at home as recalls, one a day at most: held, or shaky where most of what was judged was wrong. They
 * count from the first hearing on.
 */
function recalls(practised: readonly PracticeEvent[], hearings: readonly Recall[]): readonly Recall[] {
  const days = new Map<string, { right: number; of: number }>();
  for (const { day, right, times } of practised) {
    const there = days.get(day) ?? { right: 0, of: 0 };
    days.set(day, right === undefined ? there : { right: there.right + right, of: there.of + times });
  }
  const first = hearings[0]?.at ?? '';
  return [...days]
    .map(([day, { right, of }]): Recall => ({
      at: `${day}T12:00:00.000Z`,
      heard: of > 0 && right < MOSTLY_RIGHT * of ? 'shaky' : 'held',
    }))
    .filter((recall) => recall.at > first && hearings.every((h) => hoursBetween(h.at, recall.at) >= APART_HOURS));
}

/**
 * The fading of a history of levels, oldest first, and of practice at home; nothing below level 2 can fade, so it is
 * null until then. Practice never changes a level, only when it is to be heard again.
 */
export function fadingOfHistory(
  history: readonly LevelEvent[],
  practised: readonly PracticeEvent[] = [],
): Fading | null {
  const last = history[history.length - 1];
  if (!last || last.level < 2) return null;
  const hearings = history.map((e, i): Recall => ({ at: e.at, heard: hearingOf(e, history[i - 1] ?? null) }));
  const all = [...hearings, ...recalls(practised, hearings)].sort((a, b) => (a.at < b.at ? -1 : 1));
  const fading = fadingOf(all);
  const latest = all[all.length - 1];
  return fading && latest && latest.at > last.at ? { ...fading, recalledAt: latest.at } : fading;
}

const DAY = 86_400_000;
const HOUR = 3_600_000;
const hoursBetween = (a: string, b: string): number => Math.abs(millisecondsOf(b) - millisecondsOf(a)) / HOUR;
const DECAY = 0.1542;
const FACTOR = 0.9 ** (-1 / DECAY) - 1;

/**
 * The chance, 0 to 1, that it still holds `now`: the forgetting curve of FSRS-6 over the days since it was last heard,
 * or recalled at home.
 *
 * @example chanceItHolds({ stabilityInDays: 7 }, '2026-05-20T15:00:00.000Z', '2026-05-27T15:00:00.000Z') // → 0.9
 */
export function chanceItHolds(fading: Fading, heardAt: string, now: string): number {
  const days = Math.max(0, (millisecondsOf(now) - millisecondsOf(fading.recalledAt ?? heardAt)) / DAY);
  return (1 + (FACTOR * days) / fading.stabilityInDays) ** -DECAY;
}

export type DueState = 'fresh' | 'due' | 'at-risk';

/** Below this chance a section is at risk and not only due **[from memory]**. */
export const AT_RISK_BELOW = 0.8;

/**
 * Whether a section should be heard: due from its date on, at risk when it may well be lost.
 *
 * @example dueState(null, '2026-05-20T15:00:00.000Z', '2026-05-21T15:00:00.000Z') // → 'fresh'
 */
export function dueState(fading: Fading | null, heardAt: string, now: string): DueState {
  if (!fading || now < fading.due) return 'fresh';
  return chanceItHolds(fading, heardAt, now) < AT_RISK_BELOW ? 'at-risk' : 'due';
}

/**
 * From when a section is at risk, in milliseconds since 1970: the moment at which `dueState` begins to say so.
 *
 * @example
 * atRiskFrom({ due: '2026-05-27T15:00:00.000Z', stabilityInDays: 7 }, '2026-05-20T15:00:00.000Z') > 0 // → true
 */
export function atRiskFrom(fading: Fading, heardAt: string): number {
  const days = (fading.stabilityInDays * (AT_RISK_BELOW ** (-1 / DECAY) - 1)) / FACTOR;
  return Math.max(millisecondsOf(fading.due), millisecondsOf(fading.recalledAt ?? heardAt) + days * DAY);
}
