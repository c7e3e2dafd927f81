/** `npm run -s oak -- VERB FILE [options]`: the core from the command line, see docs/cli.md. */
import { answerMany } from './many-files';
import { answerOf, oneLine } from './one-file';
import { optionsFor, parseArguments, type CliCode } from './options';
import { runVerb, VERBS, type VerbName } from './verbs';

const isVerb = (name: string): name is VerbName => name in VERBS;

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
  const [only] = files;
  if (files.length === 1 && only !== undefined) {
    const result = await answerOf({ verb, file: only, options });
    if (!result.ok) return complain(result.issue.code, result.issue.message);
    process.stdout.write(`${JSON.stringify(result.value)}\n`);
    return 0;
  }
  let exit = 0;
  await answerMany(
    files.map((file) => ({ verb, file, options })),
    ({ line, issue }) => {
      process.stdout.write(`${line}\n`);
      if (issue) exit = complain(issue.code, issue.message);
    },
  );
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
