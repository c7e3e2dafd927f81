/** The rules of the house: core knows nothing of the rest, app only composes. */
const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  from: { path: `^src/${from}/` },
  to: { path: '^src/', pathNot: allowed.map((a) => `^src/${a}`) },
});
module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      from: { pathNot: '^src/core/studio|^src/core/(mastery|sections|ladder|bargrid|midi)' },
      to: { circular: true },
    },
    only('core-knows-only-core', 'core', ['core/']),
    {
      name: 'core-without-interface',
      severity: 'error',
      from: { path: '^src/core/' },
      to: { path: 'node_modules/(react|next|dexie|comlink|verovio|sonner|lucide-react|@headlessui|@dnd-kit)' },
    },
    only('ui-knows-core', 'ui', ['ui/', 'core/']),
    only('store-knows-core', 'store', ['store/', 'core/']),
    only('workers-know-core', 'workers', ['workers/', 'core/']),
    only('demo-knows-core', 'demo', ['demo/', 'core/']),
    only('app-composes-features', 'app', ['app/', 'features/[^/]+/index']),
    {
      name: 'features-by-their-face',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/' },
      to: {
        path: '^src/(features|store|ui|workers|demo|core/[^/]+)/',
        pathNot: ['^src/features/$1/', '/index\\.tsx?$', '^src/core/(units|result)\\.ts$'],
      },
    },
    {
      name: 'core-rooms-by-their-face',
      severity: 'error',
      from: { path: '^src/core/([^/]+)/' },
      to: {
        path: '^src/core/[^/]+/',
        pathNot: ['^src/core/$1/', '/index\\.ts$', '^src/core/musicxml/\\.\\./score', '^src/core/score/'],
      },
    },
    { name: 'cli-uses-core', severity: 'error', from: { path: '^cli/' }, to: { path: '^src/(?!core)' } },
    {
      name: 'no-orphans',
      severity: 'error',
      from: { orphan: true, path: '^src/', pathNot: ['\\.d\\.ts$', '^src/app/', '^src/proxy'] },
      to: {},
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    exclude: { path: '\\.next|\\.test\\.ts' },
  },
};
