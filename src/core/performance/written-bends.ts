import { lastWhere, type Score } from '../score';
import type { Performance } from './perform';
import type { Bend } from './tempo-map';

const SLOWER = /\b(rit|ritard|ritardando|rall|rallentando|allarg|allargando|morendo|calando)\b/i;
const FASTER = /\b(accel|accelerando|stringendo)\b/i;
const BACK = /a tempo|tempo (i\b|1|primo)|in tempo/i;

/** To which share of the tempo a word leads **[from memory]**. */
const SHARE = { slower: 0.7, faster: 1.25 } as const;
/** Where nothing says how long it holds: so many bars at most. */
const MOST_BARS = 2;

/**
 * Where the words of the page broaden or hurry the time of a playing: from the word to the next that takes the tempo
 * back, the next tempo mark, or for two bars at most.
 *
 * @example writtenBends(score, perform(score, { order: [0] })) // → []
 */
export function writtenBends(score: Score, played: Performance): readonly Bend[] {
  const words = score.directions.flatMap((d) => (d.kind === 'words' ? [{ onset: d.onset, text: d.text }] : []));
  const ends = [
    ...words.filter((w) => BACK.test(w.text)).map((w) => w.onset as number),
    ...score.tempos.map((t) => t.onset as number),
  ].sort((a, b) => a - b);
  const bends: Bend[] = [];
  for (const { text, onset } of words) {
    const share = SLOWER.test(text) ? SHARE.slower : FASTER.test(text) ? SHARE.faster : null;
    if (share === null) continue;
    const bar = score.bars[lastWhere(score.bars, (b) => b.onset <= onset)];
    if (!bar) continue;
    const last = score.bars[Math.min(score.bars.length - 1, bar.index + MOST_BARS - 1)] ?? bar;
    const until = Math.min(ends.find((at) => at > onset) ?? Infinity, last.onset + last.length);
    for (const { bar: there, start } of played.bars)
      if (there.index === bar.index) {
        const from = start + onset - bar.onset;
        const to = Math.min(from + until - onset, played.length);
        if (to > from && !bends.some((b) => b.from < to && from < b.to)) bends.push({ from, to, share });
      }
  }
  return bends.sort((a, b) => a.from - b.from);
}
