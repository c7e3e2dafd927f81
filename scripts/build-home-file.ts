/**
 * Builds the program of the file for home and its look, as `public/home-file/program.js` and `look.css`: the core and
 * the room with a light renderer in place of the application's own. Both are made before a build, and not kept in the
 * repository.
 */
import { mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import tailwind from '@tailwindcss/postcss';
import { build } from 'esbuild';
import postcss from 'postcss';

const HOME_FILE_OUT = 'public/home-file';
const SOURCE = 'src/home-file';

/** The program may be no larger, its look with it. */
const MOST_BYTES = 500_000;

async function program(): Promise<void> {
  await build({
    entryPoints: [`${SOURCE}/main.tsx`],
    outfile: `${HOME_FILE_OUT}/program.js`,
    bundle: true,
    minify: true,
    format: 'iife',
    target: ['es2022', 'safari16'],
    // Letters outside ASCII are written out: whatever opens the file reads them.
    charset: 'ascii',
    legalComments: 'none',
    define: { 'process.env.NODE_ENV': '"production"' },
    alias: {
      react: 'preact/compat',
      'react-dom': 'preact/compat',
      'react-dom/client': 'preact/compat/client',
      'react/jsx-runtime': 'preact/jsx-runtime',
    },
  });
}

/** The letters that ship with the application, Latin and upright, in the style sheet itself. */
function face(kind: 'next' | 'mono'): string {
  const name = `atkinson-hyperlegible-${kind}`;
  const file = `node_modules/@fontsource-variable/${name}/files/${name}-latin-wght-normal.woff2`;
  const family = `Atkinson Hyperlegible ${kind === 'next' ? 'Next' : 'Mono'} Variable`;
  const source = `url(data:font/woff2;base64,${readFileSync(file).toString('base64')}) format('woff2')`;
  return `@font-face{font-family:'${family}';font-weight:200 800;src:${source}}`;
}

async function look(): Promise<void> {
  const from = `${SOURCE}/home.css`;
  const made = await postcss([tailwind({ optimize: true })]).process(readFileSync(from, 'utf8'), {
    from,
    to: `${HOME_FILE_OUT}/look.css`,
  });
  writeFileSync(`${HOME_FILE_OUT}/look.css`, `${face('next')}${face('mono')}${made.css}`);
}

/** Builds both; throws where they are larger than they may be. */
export async function buildHomeFile(): Promise<void> {
  mkdirSync(HOME_FILE_OUT, { recursive: true });
  await program();
  await look();
  const bytes = ['program.js', 'look.css'].reduce((sum, f) => sum + statSync(`${HOME_FILE_OUT}/${f}`).size, 0);
  if (bytes > MOST_BYTES) throw new Error(`The program for home takes ${bytes} bytes, more than ${MOST_BYTES}.`);
}
