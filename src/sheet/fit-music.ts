/** How far the search is for what of the music has room on one page. */
export interface FitMusic {
  /** Tasks whose music is left out at the moment. */
  readonly leftOut: readonly string[];
  /**
   * More is left out until it fits; then one after the other is put back that still has room, of `fits`; then nothing
   * more is tried. In vain where even the words take more than a page.
   */
  readonly step:
    | { readonly kind: 'take' }
    | { readonly kind: 'give'; readonly fits: readonly string[]; readonly at: number }
    | { readonly kind: 'done'; readonly vain: boolean };
}

/** Everything is there. */
export const ALL_MUSIC: FitMusic = { leftOut: [], step: { kind: 'take' } };

const without = (all: readonly string[], at: number): readonly string[] => all.filter((_, i) => i !== at);

/** Tries to put back the one at a place, most needed last; where there is none left, that is how it stays. */
const putBack = (fits: readonly string[], at: number): FitMusic =>
  at < 0
    ? { leftOut: fits, step: { kind: 'done', vain: false } }
    : { leftOut: without(fits, at), step: { kind: 'give', fits, at } };

/**
 * The next thing to try, by how many pages this took. `order` has all tasks with music, those first that can best do
 * without it. Where even the words take more than a page, no music is left out for nothing.
 *
 * @example
 * fitMusic(ALL_MUSIC, ['b', 'a'], 2).leftOut // → ['b']
 */
export function fitMusic(fit: FitMusic, order: readonly string[], pages: number): FitMusic {
  const { leftOut, step } = fit;
  switch (step.kind) {
    case 'done':
      // Letters that came in late are wider than those that were measured.
      return pages === 1 || step.vain ? fit : ALL_MUSIC;
    case 'take':
      if (pages === 1) return putBack(leftOut, leftOut.length - 2);
      return leftOut.length < order.length
        ? { leftOut: order.slice(0, leftOut.length + 1), step }
        : { leftOut: [], step: { kind: 'done', vain: true } };
    case 'give':
      return putBack(pages === 1 ? leftOut : step.fits, step.at - 1);
  }
}
