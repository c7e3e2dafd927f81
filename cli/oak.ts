/** `npm run -s oak -- VERB FILE [options]`: the core from the command line, see docs/cli.md. */
import { readFileSync, statSync } from 'node:fs';
import { LIMITS } from '../src/core/musicxml';
import { fail, type Result } from '../src/core/result';
import { optionsFor, parseArguments, type CliCode } from './options';
import { runVerb, VERBS, type VerbName } from './verbs';

const isVerb = (name: string): name is VerbName => name in VERBS;

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

const oneLine = (text: string): string => text.replace(/\s+/g, ' ').trim();

function complain(code: string, message: string): number {
  process.stderr.write(`error: ${code}: ${oneLine(message)}\n`);
  return 2;
}

async function main(args: readonly string[]): Promise<number> {
  const [verb = '', ...rest] = args;
  if (!isVerb(verb))
    return complain(
      'unknown-verb' satisfies CliCode,
      verb === ''
        ? `give a verb: ${Object.keys(VERBS).join(', ')}.`
        : `"${verb}" is not a verb; use one of ${Object.keys(VERBS).join(', ')}.`,
    );
  const parsed = parseArguments(rest, optionsFor(VERBS[verb].options));
  if (!parsed.ok) return complain(parsed.issue.code, parsed.issue.message);
  const { files, options } = parsed.value;
  if (!VERBS[verb].takesFile) {
    const result = await runVerb(verb, new Uint8Array(), '', options);
    if (!result.ok) return complain(result.issue.code, result.issue.message);
    process.stdout.write(`${JSON.stringify(result.value)}\n`);
    return 0;
  }
  if (files.length === 0) return complain('no-file', `${verb} needs a file.`);
  const several = files.length > 1;
  let exit = 0;
  for (const file of files) {
    const bytes = readBytes(file);
    const result = bytes.ok ? await runVerb(verb, bytes.value, file, options) : bytes;
    if (result.ok)
      process.stdout.write(`${JSON.stringify(several ? { file, ...(result.value as object) } : result.value)}\n`);
    else if (several) {
      process.stdout.write(
        `${JSON.stringify({ file, error: { code: result.issue.code, message: oneLine(result.issue.message) } })}\n`,
      );
      exit = complain(result.issue.code, result.issue.message);
    } else exit = complain(result.issue.code, result.issue.message);
  }
  return exit;
}

main(process.argv.slice(2)).then(
  (code) => {
    process.exitCode = code;
  },
  (error: unknown) => {
    process.stderr.write(
      `error: bug: ${oneLine(error instanceof Error ? (error.stack ?? error.message) : String(error))}\n`,
    );
    process.exitCode = 1;
  },
);
