/** Breath of a player of whom nothing is known, in seconds **[from memory]**. */
export const USUAL_BREATH = 8;
