/** Maps and sets as they are written; a name that no other data has. */
const MAP = '\u0001map';
const SET = '\u0001set';

const written = (_: string, value: unknown): unknown =>
  value instanceof Map ? { [MAP]: [...value] } : value instanceof Set ? { [SET]: [...value] } : value;

function read(_: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  const held = value as Readonly<Record<string, unknown>>;
  if (Array.isArray(held[MAP])) return new Map(held[MAP] as [unknown, unknown][]);
  return Array.isArray(held[SET]) ? new Set(held[SET]) : value;
}

/** Data with maps and sets as text that can stand in a page: nothing in it can end its element or begin another. */
export const asText = (value: unknown): string =>
  JSON.stringify(value, written)
    .replace(/</g, '\\u003c')
    .replace(/\u2028/g, '\\u2028')
    .replace(/\u2029/g, '\\u2029');

/** The data that `asText` wrote. What it holds is known to who wrote it: the page itself. */
export const fromText = (text: string): unknown => JSON.parse(text, read);
