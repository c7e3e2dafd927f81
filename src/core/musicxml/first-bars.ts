/** Where a part begins in a document that goes part by part. */
const PART = /<part[\s>]/g;
const BAR_END = '</measure>';
const PART_END = '</part>';

/**
 * A document of the first bars only, cut out of one that goes part by part: the rest is not looked at but for where its
 * parts begin. Null where it goes bar by bar, has no more bars than that, or does not say where its bars end.
 *
 * @example firstBarsOf('X:1', 3) // → null
 */
export function firstBarsOf(text: string, bars: number): string | null {
  PART.lastIndex = 0;
  const first = PART.exec(text);
  if (!first || !text.includes('<score-partwise') || text.includes('<!--') || text.includes('<![CDATA[')) return null;
  const pieces = [text.slice(0, first.index)];
  let isCut = false;
  for (let from = first.index; from >= 0;) {
    const partEnd = text.indexOf(PART_END, from);
    if (partEnd < 0) return null;
    let end = from;
    for (let bar = 0; bar < bars; bar += 1) {
      const at = text.indexOf(BAR_END, end);
      if (at < 0 || at > partEnd) return null;
      end = at + BAR_END.length;
    }
    isCut ||= text.indexOf(BAR_END, end) < partEnd && text.indexOf(BAR_END, end) > 0;
    pieces.push(text.slice(from, end), PART_END);
    PART.lastIndex = partEnd;
    from = PART.exec(text)?.index ?? -1;
  }
  return isCut ? `${pieces.join('')}</score-partwise>` : null;
}
