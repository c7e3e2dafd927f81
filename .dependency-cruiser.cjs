/** The rules of the house: core knows nothing of the rest, app only composes, every room is entered by its face. */
const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  from: { path: `^src/${from}/` },
  to: { path: '^src/', pathNot: allowed.map((a) => `^src/${a}`) },
});
module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    only('core-knows-only-core', 'core', ['core/']),
    {
      name: 'core-without-interface',
      severity: 'error',
      from: { path: '^src/core/' },
      to: { path: 'node_modules/(react|next|dexie|comlink|verovio|sonner|lucide-react|@headlessui|@dnd-kit)' },
    },
    only('ui-knows-core', 'ui', ['ui/', 'core/']),
    only('store-knows-core', 'store', ['store/', 'core/']),
    // The worker of a studio's files writes them where they are kept; the hooks of the store stay outside.
    only('workers-know-core', 'workers', ['workers/', 'core/', 'store/in-worker', 'demo/']),
    only('demo-knows-core', 'demo', ['demo/', 'core/']),
    // It goes into the file for home as well: no store, no router, no loudspeaker of its own.
    only('room-knows-core-and-ui', 'room', ['room/', 'core/', 'ui/']),
    // As are the marks at the music, and the sheet on paper that they stand on.
    only('marked-knows-core-and-ui', 'marked', ['marked/', 'core/', 'ui/']),
    only('sheet-knows-core-ui-and-marks', 'sheet', ['sheet/', 'core/', 'ui/', 'marked/']),
    // The one file has no store and no router: everything is given to it.
    only('home-file-knows-no-studio', 'home-file', [
      'home-file/',
      'core/',
      'ui/',
      'marked/',
      'sheet/',
      'room/',
      'audio/',
    ]),
    only('audio-knows-core', 'audio', ['audio/', 'core/']),
    only('app-composes-features', 'app', ['app/', 'features/[^/]+/index']),
    {
      name: 'rooms-by-their-face',
      severity: 'error',
      from: { path: '^src/(?:features|core)/([^/]+)/' },
      to: {
        path: '^src/(features|core)/[^/]+/',
        pathNot: ['^src/(features|core)/$1/', '/index\\.tsx?$', '^src/core/(units|result)\\.ts$'],
      },
    },
    {
      name: 'houses-by-their-face',
      severity: 'error',
      from: { path: '^(?:src|cli)/([^/]+)' },
      to: {
        path: '^src/(store|ui|workers|demo|audio|room|marked|sheet|home-file)/',
        pathNot: ['^src/$1/', '^src/[^/]+/index\\.tsx?$', '^src/store/in-worker\\.ts$'],
      },
    },
    // The sheet for home is drawn there as here.
    {
      name: 'cli-uses-core',
      severity: 'error',
      from: { path: '^cli/' },
      to: { path: '^src/(?!core|sheet/index|home-file/index)' },
    },
    {
      name: 'others-by-the-face-of-core',
      severity: 'error',
      from: { path: '^(src/(store|ui|workers|demo|audio|room|marked|sheet|home-file|app)|cli)/' },
      to: { path: '^src/core/[^/]+/', pathNot: ['/index\\.ts$'] },
    },
    {
      name: 'no-orphans',
      severity: 'error',
      from: { orphan: true, path: '^src/', pathNot: ['\\.d\\.ts$', '^src/app/', '^src/proxy', '^src/home-file/main'] },
      to: {},
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    exclude: { path: '\\.next|\\.test\\.ts|-for-tests\\.ts' },
  },
};
