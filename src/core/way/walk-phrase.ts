import { fraction, subtract, ZERO } from '../score';
import { chunksOfPhrase } from './chunks';
import { sameStaves, type Bars, type Copy } from './copies';
import { barsInWords } from './names';
import type { WayPhrase, WaySection } from './phrases';
import { chunkEnds, learnBars, phraseEnds, put, putJoin, quartersOfBar, type Walk } from './walk';
import { comesAgain, copyInWords, entryInWords, handSame } from './why';

/** Why a new phrase is begun here, by its first chunk or as a whole. */
function whyPhrase(walk: Walk, phrase: WayPhrase, begins: 'chunk' | 'phrase'): string {
  const root = walk.roots.get(phrase.index);
  const entry = walk.of.entries.find((e) => e.bar >= phrase.bars[0] && e.bar <= phrase.bars[1]);
  if (root && root.times > 1) {
    const bars = new Set<number>();
    // What is other in a copy is not known with it.
    for (const q of walk.families.get(phrase.index) ?? [])
      for (let b = q.bars[0]; b <= q.bars[1]; b += 1) if (!q.copy?.differs.includes(b)) bars.add(b);
    return comesAgain(root.times, walk.known.shareWith(bars), begins);
  }
  if (walk.school.cornersApart && root?.corners[0]) return 'the phrase around the corner';
  for (const index of walk.sameInStaff(phrase.bars)) {
    const q = walk.form.phrases[index];
    if (index >= phrase.index) break;
    const same = q && walk.phrasesKnown.has(index) ? sameStaves(walk.lines, q.bars, phrase.bars) : [];
    if (q && same.length === 1) return handSame(walk.score, same, q.bars);
  }
  if (entry) return entryInWords(entry);
  if (walk.places.length === 0) return 'the beginning';
  if (phrase.index > 0 && walk.phrasesKnown.has(phrase.index - 1)) return 'what comes next in the piece';
  if (walk.phrasesKnown.has(phrase.index + 1)) return 'it leads into what you know';
  return walk.of.corners.some((c) => c.bar >= phrase.bars[0] && c.bar <= phrase.bars[1])
    ? 'it holds a corner: begun while there is time'
    : 'new here';
}

/** The corners of a phrase by themselves, each from the bar before it, or from the beat before in another phrase. */
function putCorners(walk: Walk, phrase: WayPhrase): void {
  for (const corner of walk.roots.get(phrase.index)?.corners ?? []) {
    const runUp = corner.bar > phrase.bars[0] ? 1 : 0;
    const bars: Bars = [corner.bar - runUp, corner.bar];
    learnBars(walk, [corner.bar, corner.bar]);
    const before = runUp === 0 && corner.bar > 0 ? subtract(ZERO, fraction(1)) : ZERO;
    put(
      walk,
      'unit',
      {
        name: `the corner, ${barsInWords(walk.score, bars)}`,
        kind: 'chunk',
        from: bars[0],
        to: bars[1],
        hand: 'all',
        like: null,
      },
      { from: before, to: quartersOfBar(walk.score, corner.bar) },
      `the corner: ${corner.why}`,
    );
  }
}

/** One chunk of a phrase; the same as an earlier one, where there is one. */
function putChunk(walk: Walk, phrase: WayPhrase, bars: Bars, why: string): void {
  const copy = walk.chunksKnown.closest(bars);
  const close = copy && copy.kind !== 'changed' ? copy : null;
  learnBars(walk, bars);
  put(
    walk,
    'unit',
    {
      name: barsInWords(walk.score, bars),
      kind: 'chunk',
      from: bars[0],
      to: bars[1],
      hand: 'all',
      like: close?.like ?? null,
    },
    chunkEnds(walk, phrase, bars),
    close ? copyInWords(walk.score, close) : why,
  );
  walk.chunksKnown.add(bars);
}

/** A phrase as a whole; one of a section by itself is the section. */
function putWholePhrase(walk: Walk, scope: 'unit' | 'phrase', phrase: WayPhrase, copy: Copy | null, why: string): void {
  learnBars(walk, phrase.bars);
  put(
    walk,
    scope,
    {
      name: barsInWords(walk.score, phrase.bars),
      kind: 'phrase',
      from: phrase.bars[0],
      to: phrase.bars[1],
      hand: 'all',
      like: copy?.like ?? null,
    },
    phraseEnds(walk, phrase.bars, phrase.upbeatQuarters, phrase.endUpbeatQuarters),
    why,
  );
}

export const sectionOf = (walk: Walk, phrase: WayPhrase): WaySection | undefined =>
  walk.form.sections.find((s) => s.index === phrase.section);
const isAlone = (walk: Walk, phrase: WayPhrase): boolean => sectionOf(walk, phrase)?.phrases.length === 1;

/** The chunks of a new phrase, their joins, and the phrase. */
export function walkNewPhrase(walk: Walk, phrase: WayPhrase): void {
  const chunks = chunksOfPhrase(walk.score, walk.lines, phrase, walk.level);
  const why = whyPhrase(walk, phrase, chunks.length > 1 ? 'chunk' : 'phrase');
  if (walk.school.cornersApart) putCorners(walk, phrase);
  if (chunks.length <= 1) {
    putWholePhrase(walk, 'unit', phrase, null, why);
    walk.chunksKnown.add(phrase.bars);
    return;
  }
  chunks.forEach((bars, k) => {
    putChunk(walk, phrase, bars, k === 0 ? why : 'what comes next in the phrase');
    if (k > 0) putJoin(walk, bars[0], 'joins what you know');
  });
  if (!isAlone(walk, phrase)) putWholePhrase(walk, 'phrase', phrase, null, 'all of it is there: now as one line');
}

/** Only what differs in a copy, then the copy. */
export function walkCopy(walk: Walk, phrase: WayPhrase, copy: Copy): void {
  for (const bars of chunksOfPhrase(walk.score, walk.lines, phrase, walk.level)) {
    const isNew = copy.differs.some((b) => b >= bars[0] && b <= bars[1]);
    if (isNew && bars[1] - bars[0] < phrase.bars[1] - phrase.bars[0])
      putChunk(walk, phrase, bars, `here it is not as ${barsInWords(walk.score, copy.like)}`);
  }
  if (!isAlone(walk, phrase)) putWholePhrase(walk, 'phrase', phrase, copy, copyInWords(walk.score, copy));
  learnBars(walk, phrase.bars);
}
