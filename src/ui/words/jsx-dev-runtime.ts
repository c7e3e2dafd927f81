/** The same for `next dev`. */
import { jsxDEV as draw } from 'react/jsx-dev-runtime';
import { saidProps } from './spoken';

export { Fragment } from 'react/jsx-dev-runtime';
export type { JSX } from 'react/jsx-dev-runtime';

export const jsxDEV: typeof draw = (type, props, ...rest) => draw(type, saidProps(type, props), ...rest);
