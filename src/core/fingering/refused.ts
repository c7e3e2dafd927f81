/** Answers that the teacher refused, by note: fingers or keys as they are shown. */
export type Refused = ReadonlyMap<string, readonly string[]>;

/** The choices that were not refused; all of them where nothing would be left. */
export function withoutRefused<T>(choices: readonly T[], isRefused: (choice: T) => boolean): readonly T[] {
  const left = choices.filter((c) => !isRefused(c));
  return left.length > 0 ? left : choices;
}
