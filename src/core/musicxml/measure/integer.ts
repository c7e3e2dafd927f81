/** A whole number of at most nine digits; null for anything else. */
export const integer = (text: string | undefined): number | null => {
  if (text === undefined || !/^\s*[+-]?\d{1,9}\s*$/.test(text)) return null;
  return Number(text);
};
