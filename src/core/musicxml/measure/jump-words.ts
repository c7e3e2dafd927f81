import type { Jump } from '../../score';

const DOT = /\./g;

/** Reads "D.C. al Fine", "dal segno al coda", "D.S. con rep." and their like; null for other words. */
export function jumpFromWords(words: string): Jump | null {
  const text = words.toLowerCase().replace(DOT, '').replace(/\s+/g, ' ').trim();
  const kind = /^(d ?c|da capo)\b/.test(text) ? 'dacapo' : /^(d ?s|dal segno|d ?%)\b/.test(text) ? 'dalsegno' : null;
  if (!kind) return null;
  const until = /\bal fine\b/.test(text)
    ? 'fine'
    : /\bal (coda|o)\b|e poi la coda|then coda/.test(text)
      ? 'coda'
      : null;
  const withRepeats = /\b(con rep|with repeats|con ripetizione|con replica)/.test(text);
  return { kind, until, to: null, withRepeats };
}
