/** `%%score {1 2} (3 4)`: braces join voices to one part of several staves, brackets put voices on one staff. */
export function grouping(score: string | null, voices: readonly string[]): string[][][] {
  if (score === null) return voices.map((v) => [[v]]);
  const parts: string[][][] = [];
  let brace: string[][] | null = null;
  let paren: string[] | null = null;
  for (const token of score.match(/[{}()[\]|]|[^\s{}()[\]|]+/g) ?? []) {
    if (token === '{') brace = [];
    else if (token === '}') {
      if (brace && brace.length > 0) parts.push(brace);
      brace = null;
    } else if (token === '(') paren = [];
    else if (token === ')') {
      if (paren && paren.length > 0) (brace ?? parts).push((brace ? paren : [paren]) as string[] & string[][]);
      paren = null;
    } else if (!/[[\]|]/.test(token) && voices.includes(token)) {
      if (paren) paren.push(token);
      else if (brace) brace.push([token]);
      else parts.push([[token]]);
    }
  }
  const named = new Set(parts.flat(2));
  return [...parts, ...voices.filter((v) => !named.has(v)).map((v) => [[v]])];
}
