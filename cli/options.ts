import { fail, ok, type Result } from '../src/core/result';

export type CliCode = 'unknown-verb' | 'unknown-option' | 'bad-option' | 'no-file';

/** What an option takes: words from a list, a number in a range, any text, or nothing. */
export type OptionShape =
  | { readonly kind: 'choice'; readonly of: readonly string[] }
  | { readonly kind: 'number'; readonly min: number; readonly max: number }
  | { readonly kind: 'text' }
  | { readonly kind: 'flag' };

export type OptionShapes = Readonly<Record<string, OptionShape>>;
export type OptionValues = Readonly<Record<string, string>>;

export const optionsFor = (shapes: OptionShapes): OptionShapes => shapes;

function check(name: string, value: string, shape: OptionShape): string | null {
  switch (shape.kind) {
    case 'choice':
      return shape.of.includes(value) ? null : `--${name} takes ${shape.of.join(', ')}; "${value}" is none of them.`;
    case 'number': {
      const number = Number(value);
      return value.trim() !== '' && Number.isFinite(number) && number >= shape.min && number <= shape.max
        ? null
        : `--${name} takes a number from ${shape.min} to ${shape.max}; "${value}" is not.`;
    }
    case 'text':
    case 'flag':
      return null;
  }
}

/** Splits arguments into files and options; `-o X` is `--out X`. Codes: `unknown-option`, `bad-option`. */
export function parseArguments(
  args: readonly string[],
  shapes: OptionShapes,
): Result<{ files: string[]; options: OptionValues }, CliCode> {
  const files: string[] = [];
  const options: Record<string, string> = {};
  let onlyFiles = false;
  for (let i = 0; i < args.length; i += 1) {
    const arg = args[i] ?? '';
    if (onlyFiles || !arg.startsWith('-') || arg === '-') {
      files.push(arg);
      continue;
    }
    if (arg === '--') {
      onlyFiles = true;
      continue;
    }
    const [rawName = '', inline] = arg === '-o' ? ['out'] : arg.replace(/^--?/, '').split(/=(.*)/s);
    const shape = shapes[rawName];
    if (!shape)
      return fail(
        'unknown-option',
        `${arg} is not an option here; use ${
          Object.keys(shapes)
            .map((s) => `--${s}`)
            .join(', ') || 'none'
        }.`,
      );
    let value = inline ?? '';
    if (shape.kind !== 'flag' && inline === undefined) {
      const next = args[i + 1];
      if (next === undefined) return fail('bad-option', `${arg} needs a value.`);
      value = next;
      i += 1;
    }
    const problem = check(rawName, value, shape);
    if (problem !== null) return fail('bad-option', problem);
    options[rawName] = value;
  }
  return ok({ files, options });
}
