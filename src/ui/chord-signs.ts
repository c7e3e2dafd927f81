/**
 * A chord symbol with the signs of music: `B♭7`, `F♯m`.
 *
 * @example withSigns('Bb7') // → 'B♭7'
 */
export const withSigns = (symbol: string): string => symbol.replace(/#/g, '♯').replace(/(?<=[A-G])b/g, '♭');
