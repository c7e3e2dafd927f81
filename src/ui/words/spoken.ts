import { sayIn, WRITTEN_WORDS, type Words } from '@/core/words';

let spoken: Words = WRITTEN_WORDS;

/** Sets the words of all that is drawn from now on. */
export function speak(words: Words): void {
  spoken = words;
}

/** A sentence of ours in the words of the studio, for what is not drawn by React: a toast, a chart. */
export const say = (sentence: string): string => sayIn(spoken, sentence);

/** Attributes that are read aloud or shown, of an element and of a component that hands them on to one. */
const ELEMENT = ['aria-label', 'aria-description', 'aria-valuetext', 'title', 'placeholder', 'alt'] as const;
/** What a component is given under the other names may be anything; the element that it draws says it. */
const COMPONENT = ['aria-label', 'aria-description', 'aria-valuetext'] as const;

type Props = Readonly<Record<string, unknown>>;

const saidChild = (child: unknown): unknown => (typeof child === 'string' ? say(child) : child);

/**
 * What an element is given, in the words of the studio. With `translate="no"` it is somebody's own words, and stays.
 *
 * @example saidProps('p', { children: 'bar 3' }) // → { children: 'bar 3' }
 */
export function saidProps<P>(type: unknown, props: P): P {
  if (spoken.bar === WRITTEN_WORDS.bar && spoken.notes === WRITTEN_WORDS.notes) return props;
  const given = props as Props;
  if (given['translate'] === 'no') return props;
  const said: Record<string, unknown> = { ...given };
  const { children } = given;
  if (children !== undefined)
    said['children'] = Array.isArray(children) ? children.map(saidChild) : saidChild(children);
  for (const name of typeof type === 'string' ? ELEMENT : COMPONENT) {
    const value = given[name];
    if (typeof value === 'string') said[name] = say(value);
  }
  return said as P;
}
