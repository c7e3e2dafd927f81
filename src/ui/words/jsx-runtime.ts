/** React's own, but every sentence in the words of the studio: what JSX is compiled to (`jsxImportSource`). */
import { jsx as draw, jsxs as drawMany } from 'react/jsx-runtime';
import { saidProps } from './spoken';

export { Fragment } from 'react/jsx-runtime';
export type { JSX } from 'react/jsx-runtime';

export const jsx: typeof draw = (type, props, key) => draw(type, saidProps(type, props), key);
export const jsxs: typeof drawMany = (type, props, key) => drawMany(type, saidProps(type, props), key);
