/** Who may import whom; see docs/architecture.md. */
const only = (name, from, allowed, comment) => ({
  name,
  comment,
  severity: 'error',
  from: { path: from },
  to: { path: '^(core|server|web|demo|cli|bench|e2e|scripts)/', pathNot: allowed },
});
const layer = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.ts$' },
  to: { path: to },
});
/** The rooms of core from the ground up: each may only use those before it. Files beside them come first of all. */
const coreRooms = [
  'text',
  'formats',
  'catalog',
  'scan',
  'taxonomy',
  'identify',
  'rules/language',
  'rules/evaluate',
  'rules/editor',
  'order',
  'acts',
  'arrangement',
  'plans',
  'search',
  'loading',
  'studio',
  'exchange',
  'keep',
  'review',
  'api',
];
const coreOrder = coreRooms.map((room, at) => ({
  name: `core-${room.replace('/', '-')}`,
  comment: `the rooms of core stand in one order: ${coreRooms.join(' < ')}`,
  severity: 'error',
  from: { path: `^core/src/${room}/`, pathNot: '\\.(test|test-data)\\.ts$' },
  to: { path: `^core/src/(${coreRooms.slice(at + 1).join('|') || 'nothing'})/` },
}));
/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'not-to-unresolvable',
      comment: 'koffi-natives is what the bundler of the scanner puts in',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^koffi-natives$' },
    },
    {
      name: 'no-index-in-core',
      comment: 'nothing in core imports what it offers to others',
      severity: 'error',
      from: { path: '^core/src/' },
      to: { path: '^core/src/([^/]+/index|readers|documents)\\.ts$' },
    },
    only('core-imports-nothing', '^core/', '^core/'),
    only('server', '^server/', '^(core|server)/'),
    only('web', '^web/', '^(core|web)/'),
    only('demo', '^demo/', '^(core|demo)/'),
    only(
      'cli',
      '^cli/',
      '^(core/|cli/|server/src/(scanner|opener|shelf)/|server/src/backup\\.ts|demo/src/(computers|plugins|write-lv2|write-studio)\\.ts)',
      'of the demo, its tests take the truth; the rule below keeps it from the rest',
    ),
    layer('cli-ships-no-demo', '^cli/src/', '^demo/'),
    only('e2e', '^e2e/', '^(e2e/|demo/|server/src/main\\.ts|core/)'),
    only(
      'bench',
      '^bench/',
      '^(bench/|demo/|server/src/(main\\.ts|scanner/|opener/|shelf/)|core/)',
    ),
    ...coreOrder,
    {
      name: 'core-ground',
      comment: 'problem, change and ids know nothing of the rooms',
      severity: 'error',
      from: {
        path: '^core/src/(problem|change|id|grouped|memoize|print-number|time|serial-queue)\\.ts$',
      },
      to: { path: '^core/src/[^/]+/' },
    },
    {
      name: 'core-every-room-is-known',
      severity: 'error',
      from: {
        path: '^core/src/[^/]+/',
        pathNot: `^core/src/(?:(${coreRooms.join('|')})/|rules/index\\.ts$)`,
      },
      to: {},
    },
    layer(
      'server-database',
      '^server/src/(database|scanner|opener|reviewer|jobs)/',
      '^server/src/(usecases|http|host|app|main)',
    ),
    layer('server-usecases', '^server/src/(usecases|host)/', '^server/src/(http|app|main)'),
    layer(
      'server-http',
      '^server/src/http/',
      '^server/src/(database|scanner|opener|reviewer|app|main)',
    ),
    {
      name: 'web-features-apart',
      severity: 'error',
      from: { path: '^web/src/(scan|sort|file|rule|load|review|keep|plugin)/' },
      to: {
        path: '^web/src/(scan|sort|file|rule|load|review|keep|plugin)/',
        pathNot: '^web/src/$1/',
      },
    },
    {
      name: 'web-holds-no-reader',
      comment: 'the browser never holds a reader of files',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^core/src/(documents|readers)\\.ts$' },
    },
    {
      name: 'web-ui-knows-no-domain',
      severity: 'error',
      from: { path: '^web/src/ui/' },
      to: {
        path: '^(core/|web/src/(api|app|studio|annotate|scan|sort|file|rule|load|review|keep|plugin)/)',
      },
    },
    {
      name: 'no-tests-imported',
      severity: 'error',
      from: { pathNot: '\\.(test|spec)\\.ts$' },
      to: { path: '\\.(test|spec)\\.ts$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.css', '.d.ts'],
    },
    exclude: { path: '(^|/)dist/' },
  },
};
