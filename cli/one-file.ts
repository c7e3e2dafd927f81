import { readFileSync, statSync } from 'node:fs';
import { LIMITS } from '../src/core/musicxml';
import { fail, type Issue, type Result } from '../src/core/result';
import type { OptionValues } from './options';
import { runVerb, type VerbName } from './verbs';

/** What a verb is to do with one of several files. */
export interface FileTask {
  readonly verb: VerbName;
  readonly file: string;
  readonly options: OptionValues;
}

function readBytes(file: string): Result<Uint8Array> {
  try {
    const stat = statSync(file);
    if (!stat.isFile()) return fail('not-a-file', `${file} is not a file.`, { file });
    if (stat.size > LIMITS.fileBytes)
      return fail('too-large', `${file} is larger than 64 MB; export the movements as single files.`, { file });
    return { ok: true, value: readFileSync(file) };
  } catch {
    return fail('no-such-file', `${file} cannot be opened; check its name.`, { file });
  }
}

export const oneLine = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** The answer of a verb about one file. */
export async function answerOf({ verb, file, options }: FileTask): Promise<Result<unknown>> {
  const bytes = readBytes(file);
  return bytes.ok ? runVerb(verb, bytes.value, file, options) : bytes;
}

/** A line of an answer about several files, and why it failed where it did. */
export interface FileLine {
  readonly line: string;
  readonly issue: Pick<Issue, 'code' | 'message'> | null;
}

export async function lineOf(task: FileTask): Promise<FileLine> {
  const { file } = task;
  const result = await answerOf(task);
  if (result.ok) return { line: JSON.stringify({ file, ...(result.value as object) }), issue: null };
  const { code, message } = result.issue;
  return { line: JSON.stringify({ file, error: { code, message: oneLine(message) } }), issue: { code, message } };
}
