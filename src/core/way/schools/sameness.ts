import type { RootPhrase } from '../roots';
import type { SchoolRule } from './school-rule';

/** Phrases that pay nearly as much as the best are as good: of these the earlier is learned. Chosen by us. */
export const NEARLY_AS_MUCH = 0.8;

const pays = (root: RootPhrase): number => (root.cost > 0 ? root.gain / root.cost : 0);

/** What pays most first: the most playing time known for the time it takes; of nearly equal ones the earlier. */
export function byPay(roots: readonly RootPhrase[]): readonly RootPhrase[] {
  const left = [...roots];
  const out: RootPhrase[] = [];
  while (left.length > 0) {
    const best = Math.max(...left.map(pays));
    const at = left.findIndex((r) => pays(r) >= NEARLY_AS_MUCH * best);
    out.push(...left.splice(at < 0 ? 0 : at, 1));
  }
  return out;
}

export const sameness: SchoolRule = {
  label: 'what pays most first',
  why: 'least work for most of the piece',
  cornersApart: false,
  order: byPay,
};
