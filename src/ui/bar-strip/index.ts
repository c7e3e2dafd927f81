export { BarStrip } from './bar-strip';
export type { StripArc, StripBar, StripBracket, StripJump } from './strip-parts';
