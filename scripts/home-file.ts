/**
 * Builds the program of the file for home and its look, as `public/home-file/program.js` and `look.css`: the core and the
 * room with a light renderer in place of the application's own. Both are made before a build, and not kept in the
 * repository.
 */
import { mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import tailwind from '@tailwindcss/postcss';
import { build } from 'esbuild';
import postcss from 'postcss';

const OUT = 'public/home-file';
const SOURCE = 'src/home-file';

/** The program may be no larger, its look with it. */
const MOST_BYTES = 500_000;

async function program(): Promise<void> {
  await build({
    entryPoints: [`${SOURCE}/main.tsx`],
    outfile: `${OUT}/program.js`,
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

async function look(): Promise<void> {
  const from = `${SOURCE}/home.css`;
  const made = await postcss([tailwind({ optimize: true })]).process(readFileSync(from, 'utf8'), {
    from,
    to: `${OUT}/look.css`,
  });
  writeFileSync(`${OUT}/look.css`, made.css);
}

mkdirSync(OUT, { recursive: true });
await program();
await look();
const bytes = ['program.js', 'look.css'].reduce((sum, f) => sum + statSync(`${OUT}/${f}`).size, 0);
if (bytes > MOST_BYTES) throw new Error(`The program for home takes ${bytes} bytes, more than ${MOST_BYTES}.`);
