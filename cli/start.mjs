/**
 * Starts the command line: compiled once, and again when its sources are newer than what was compiled. Nothing heavy is
 * loaded unless there is something to compile.
 */
import { existsSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
const OUT = join(ROOT, '.cache/oak');
const MARK = join(OUT, 'compiled');
/** Rooms that the command line is made from; `src` without what only the browser sees. */
const SOURCES = [
  'cli',
  'scripts',
  'src/core',
  'src/home-file',
  'src/room',
  'src/audio',
  'src/marked',
  'src/sheet',
  'src/ui',
];

/** When something in a folder was last written, put in or taken out, in milliseconds. */
function newestIn(folder) {
  let newest = statSync(folder).mtimeMs;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    newest = Math.max(newest, entry.isDirectory() ? newestIn(path) : statSync(path).mtimeMs);
  }
  return newest;
}

const compiled = existsSync(MARK) ? statSync(MARK).mtimeMs : 0;
if (compiled <= Math.max(...SOURCES.map((room) => newestIn(join(ROOT, room))))) {
  const { buildSync } = await import('esbuild');
  buildSync({
    absWorkingDir: ROOT,
    entryPoints: ['cli/oak.ts', 'cli/oak-worker.ts'],
    outdir: OUT,
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    // One file is read sooner than the hundreds of a package; what builds the program for home stays outside.
    external: ['esbuild', 'postcss', '@tailwindcss/postcss', 'tailwindcss', 'verovio', 'verovio/*'],
    banner: {
      js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
    },
    minify: true,
    define: { 'process.env.NODE_ENV': '"production"' },
    alias: { '@': './src' },
    outExtension: { '.js': '.mjs' },
    logLevel: 'error',
  });
  writeFileSync(MARK, '');
}
await import(pathToFileURL(join(OUT, 'oak.mjs')).href);
