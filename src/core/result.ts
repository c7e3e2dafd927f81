/**
 * Expected failures as values. An `Issue` names what is wrong, where, and in one sentence what to do;
 * exceptions are left for bugs.
 */
export interface Place {
  /** File name as the teacher knows it. */
  readonly file?: string;
  /** Part id and printed bar number, where known. */
  readonly part?: string;
  readonly bar?: string;
}

export interface Issue<Code extends string = string> {
  readonly code: Code;
  readonly message: string;
  readonly place: Place;
}

export type Result<Value, Code extends string = string> =
  { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly issue: Issue<Code> };

export const ok = <Value>(value: Value): { readonly ok: true; readonly value: Value } => ({
  ok: true,
  value,
});

export const fail = <Code extends string>(
  code: Code,
  message: string,
  place: Place = {},
): { readonly ok: false; readonly issue: Issue<Code> } => ({
  ok: false,
  issue: { code, message, place },
});
