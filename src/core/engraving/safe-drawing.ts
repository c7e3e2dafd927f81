/** Tags that can run, load or leave: none of them is ever in engraved music. */
const UNSAFE = /<\s*(script|foreignObject|iframe|image|a)\b|<[^>]*\s(on\w+|href)\s*=\s*["'](?!#)/i;

/**
 * Whether a drawing holds nothing but a drawing.
 *
 * @example isSafeDrawing('<svg><path d="M0 0" onload="alert(1)"/></svg>') // → false
 */
export const isSafeDrawing = (svg: string): boolean => !UNSAFE.test(svg);
