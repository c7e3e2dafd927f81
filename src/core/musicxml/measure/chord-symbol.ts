import { child, childrenNamed, childText, type XmlElement } from '../xml-tree';
import { CHORD_KINDS, DEGREE_SEMITONES } from './chord-kinds';
import { integer } from './integer';

/** A lead-sheet symbol: as it is printed, and the pitch classes that sound, the root first; null where unknown. */
export interface ReadChord {
  readonly text: string;
  readonly classes: readonly number[] | null;
}

interface Degree {
  readonly value: number;
  readonly alter: number;
  readonly type: string;
  /** As it is printed behind the kind; empty where it is not. */
  readonly text: string;
}

const STEP_CLASSES: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const ROMAN = ['', 'I', 'II', 'III', 'IV', 'V', 'VI', 'VII'];

const signOf = (alter: number): string => (alter < 0 ? 'b'.repeat(-alter) : '#'.repeat(alter));
const alterOf = (text: string | undefined): number => Math.max(-2, Math.min(2, Math.round(Number(text ?? 0)) || 0));
const clampedClass = (key: number): number => ((key % 12) + 12) % 12;

/** A note name of a symbol, `F#`, with its pitch class; a text of its own stands for it. */
function named(element: XmlElement, part: 'root' | 'bass'): { readonly text: string; readonly key: number | null } {
  const step = child(element, `${part}-step`);
  const letter = step?.text.trim() ?? '?';
  const alter = alterOf(childText(element, `${part}-alter`));
  const key = STEP_CLASSES[letter];
  return {
    text: `${step?.attributes['text'] ?? letter}${signOf(alter)}`,
    key: key === undefined ? null : clampedClass(key + alter),
  };
}

/** What is said before a degree; an added one that is altered needs no word: C7b9. */
const wordOf = (type: string, alter: number): string =>
  type === 'subtract' ? 'no' : type === 'add' && alter === 0 ? 'add' : '';

function readDegree(element: XmlElement): Degree | null {
  const valueElement = child(element, 'degree-value');
  const value = integer(valueElement?.text);
  if (value === null || DEGREE_SEMITONES[value] === undefined) return null;
  const type = childText(element, 'degree-type') ?? 'add';
  const alter = alterOf(childText(element, 'degree-alter'));
  const word = child(element, 'degree-type')?.attributes['text'] ?? wordOf(type, alter);
  const printed = `${word}${signOf(alter)}${valueElement?.attributes['text'] ?? value}`;
  return { value, alter, type, text: element.attributes['print-object'] === 'no' ? '' : printed };
}

/** The tones of a kind with what its degrees add, take away and change; semitones above the root. */
function tonesWith(tones: readonly number[], degrees: readonly Degree[]): number[] {
  const out = [...tones];
  for (const { value, alter, type } of degrees) {
    const plain = DEGREE_SEMITONES[value] ?? 0;
    // A third or seventh may be minor in the chord: what lies on the degree is what is changed.
    const at = out.findIndex((t) => Math.abs(t - plain) <= 1);
    if (type === 'subtract' && at >= 0) out.splice(at, 1);
    else if (type === 'alter' && at >= 0) out[at] = (out[at] ?? plain) + alter;
    else if (type !== 'subtract') out.push(plain + alter);
  }
  return out;
}

/** What is printed behind the root: the text of the file, else ours, with the degrees that it does not name itself. */
function suffixOf(kind: XmlElement, degrees: readonly Degree[]): string {
  const known = CHORD_KINDS[kind.text.trim()];
  const signed = kind.attributes['use-symbols'] === 'yes' ? known?.sign : undefined;
  const written = kind.attributes['text'];
  const base = written ?? signed ?? known?.suffix ?? '';
  const more = degrees.filter((d) => d.text !== '' && !(written ?? '').includes(String(d.value)));
  const inside = more.map((d) => d.text).join('');
  return kind.attributes['parentheses-degrees'] === 'yes' && inside !== '' ? `${base}(${inside})` : `${base}${inside}`;
}

/** The root: a note, a degree of the key in Roman figures, or a function in words. */
function rootOf(element: XmlElement): { readonly text: string; readonly key: number | null } | null {
  const root = child(element, 'root');
  if (root) return named(root, 'root');
  const numeral = child(element, 'numeral');
  if (numeral) {
    const figure = child(numeral, 'numeral-root');
    const alter = signOf(alterOf(childText(numeral, 'numeral-alter')));
    return { text: `${alter}${figure?.attributes['text'] ?? ROMAN[integer(figure?.text) ?? 0] ?? '?'}`, key: null };
  }
  const said = childText(element, 'function');
  return said === undefined || said.trim() === '' ? null : { text: said.trim(), key: null };
}

/** Reads `<harmony>` as a lead-sheet symbol: `Am7/G`, `N.C.`; null where nothing can be read. */
export function readHarmony(element: XmlElement): ReadChord | null {
  const kind = child(element, 'kind');
  if (!kind) return null;
  if (kind.text.trim() === 'none') return { text: kind.attributes['text'] ?? 'N.C.', classes: null };
  const root = rootOf(element);
  if (!root) return null;
  const degrees = childrenNamed(element, 'degree').flatMap((d) => readDegree(d) ?? []);
  const bassElement = child(element, 'bass');
  const bass = bassElement ? named(bassElement, 'bass') : null;
  const tones = CHORD_KINDS[kind.text.trim()]?.tones;
  const { key } = root;
  const sounding =
    key === null || tones === undefined ? null : tonesWith(tones, degrees).map((t) => clampedClass(key + t));
  return {
    text: `${root.text}${suffixOf(kind, degrees)}${bass ? `/${bass.text}` : ''}`.slice(0, 60),
    classes: sounding === null ? null : [...new Set(sounding)],
  };
}
