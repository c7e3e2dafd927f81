/** Lines of a staff that two players share: the upper notes or the lower ones. */
export const LINES = ['upper', 'lower'] as const;
export type Line = (typeof LINES)[number];
