import type { Entry } from '../../players';
import { both, one, inScope, type ProposedRung, type RungFacts } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Where in its bar an entry falls, as it is said. */
const beatInWords = (quarter: number): string =>
  quarter === 1 ? '' : Number.isInteger(quarter) ? `, on quarter ${quarter}` : ', off the beat';

/** Counting the rest and coming in. */
function entryRung(f: RungFacts, entry: Entry): ProposedRung {
  const bar = f.barOf(entry.bar);
  return one(
    'corner',
    `Count ${entry.restBars === 1 ? 'the bar of rest' : `${entry.restBars} bars of rest`} aloud, then come in at ${bar}${beatInWords(entry.quarter)}`,
    both(f),
    f.target,
    f.times,
    '3 entries in a row',
    entry.heard === null
      ? 'nothing is heard before it'
      : `before it, listen for ${entry.heard.name}: ${entry.heard.notes}`,
    { key: `entry ${entry.bar}`, bars: [entry.bar, entry.bar] },
  );
}

/** A loop of each bar that is harder than the rest, and each entry that has to be counted. */
export const corner: RungRule = {
  inWeek: 'corner',
  once: false,
  propose: (f) =>
    inScope(f, 'unit', 'section')
      ? [
          ...f.content.entries.map((e) => entryRung(f, e)),
          ...f.content.corners.map((c) =>
            one(
              'corner',
              `Loop ${f.barOf(c.bar)}${f.lastBar === c.bar && f.lastOfPiece ? '' : ' with the first note of the next'}`,
              both(f),
              f.start,
              f.times + 2,
              '4 in a row',
              c.reason,
              { key: `corner ${c.bar}`, bars: [c.bar, c.bar] },
            ),
          ),
        ]
      : [],
};
