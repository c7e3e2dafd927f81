/** `seen`: somebody looks at an empty place; `ahead`: it may be looked at later. */
export type Urgency = 'seen' | 'ahead';

export interface Turn {
  readonly urgency?: Urgency;
  /** Asked when its turn comes; what nobody wants any more is not done. */
  readonly isWanted?: () => boolean;
}

/**
 * Work that is done one after the other: what is seen first, in the order in which it was asked for. Null for what was
 * not wanted any more when its turn came.
 */
export function turns(): <T>(work: () => Promise<T>, turn?: Turn) => Promise<T | null> {
  const waiting: Readonly<Record<Urgency, (() => Promise<void>)[]>> = { seen: [], ahead: [] };
  let isBusy = false;
  const next = async (): Promise<void> => {
    if (isBusy) return;
    isBusy = true;
    for (;;) {
      const first = waiting.seen.shift() ?? waiting.ahead.shift();
      if (!first) break;
      await first();
    }
    isBusy = false;
  };
  return <T>(work: () => Promise<T>, { urgency = 'seen', isWanted = () => true }: Turn = {}) =>
    new Promise<T | null>((resolve, reject) => {
      waiting[urgency].push(() => (isWanted() ? work().then(resolve, reject) : Promise.resolve(resolve(null))));
      // Each piece of work tells its own failure; the turns themselves never fail.
      next().catch(reject);
    });
}
