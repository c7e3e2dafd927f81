import { build } from 'esbuild';
const r = await build({
  entryPoints: ['src/home-file/main.tsx'],
  outfile: '/tmp/look/hf/p.js',
  bundle: true,
  minify: true,
  format: 'iife',
  metafile: true,
  define: { 'process.env.NODE_ENV': '"production"' },
  alias: {
    react: 'preact/compat',
    'react-dom': 'preact/compat',
    'react-dom/client': 'preact/compat/client',
    'react/jsx-runtime': 'preact/jsx-runtime',
  },
});
const o = Object.values(r.metafile.outputs)[0]!;
const by: Record<string, number> = {};
for (const [f, v] of Object.entries(o.inputs)) {
  const k = f.includes('node_modules')
    ? f.split('node_modules/').pop()!.split('/').slice(0, 2).join('/')
    : f.split('/').slice(0, 3).join('/');
  by[k] = (by[k] ?? 0) + v.bytesInOutput;
}
console.log(
  Object.entries(by)
    .filter((x) => x[1] > 1500)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 30),
);
const who = process.argv[2];
if (who)
  for (const [f, v] of Object.entries(r.metafile.inputs))
    if (v.imports.some((i) => i.path.includes(who)) && o.inputs[f]?.bytesInOutput) console.log(f);
