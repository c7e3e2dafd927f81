/** `4-7` or `4`, bars from 0; null for anything else. */
export function barRange(text: string): readonly [number, number] | null {
  const match = /^(\d{1,6})(?:-(\d{1,6}))?$/.exec(text);
  if (!match) return null;
  const from = Number(match[1]);
  const to = match[2] === undefined ? from : Number(match[2]);
  return to >= from ? [from, to] : null;
}
